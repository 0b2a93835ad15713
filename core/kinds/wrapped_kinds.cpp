// SPDX-License-Identifier: GPL-3.0-or-later
#include "core/kinds/wrapped_kinds.h"

#include <cassert>
#include <map>
#include <mutex>
#include <tuple>

namespace gorsefinch {

const gorse_kind* wrappedKind(const gorse_kind* kind, gorse_draw_function* draw) {
    // Scenes point to them for as long as the program runs.
    static std::map<std::tuple<const gorse_kind*, gorse_draw_function*, gorse_draw_function*>, gorse_wrapped_kind> all;
    static std::mutex guard;
    const gorse_wrapped_kind* wrapped = asWrapped(kind);
    assert(!wrapped || !wrapped->inner);
    const gorse_kind& of = *drawingKind(kind);
    gorse_draw_function* const inner = wrapped ? kind->draw : nullptr;
    const std::lock_guard lock(guard);
    gorse_wrapped_kind& out = all[{&of, draw, inner}];
    out = {{of.record_bytes, static_cast<uint8_t>(of.flags | GORSE_KIND_WRAPPED), draw,
            of.command ? gorse_wrapped_command : nullptr, of.tick ? gorse_wrapped_tick : nullptr,
            of.wait ? gorse_wrapped_wait : nullptr},
           inner,
           &of};
    return &out.kind;
}

const gorse_wrapped_kind* asWrapped(const gorse_kind* kind) {
    // It is the first member.
    return (kind->flags & GORSE_KIND_WRAPPED) != 0 ? reinterpret_cast<const gorse_wrapped_kind*>(kind) : nullptr;
}

const gorse_kind* drawingKind(const gorse_kind* kind) {
    const gorse_wrapped_kind* wrapped = asWrapped(kind);
    return wrapped ? wrapped->of : kind;
}

}  // namespace gorsefinch
