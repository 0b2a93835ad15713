// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include "runtime/gorse_wrapped.h"

namespace gorsefinch {

// A kind that draws by `draw`, which goes on to `kind`: one of those that draw, or a wrapped one, whose draw then is
// the inner one. The same each time. May be called from any thread.
const gorse_kind* wrappedKind(const gorse_kind* kind, gorse_draw_function* draw);
// Null if it is none of these.
const gorse_wrapped_kind* asWrapped(const gorse_kind* kind);
// The kind that it goes on to in the end: itself if it is not wrapped.
const gorse_kind* drawingKind(const gorse_kind* kind);

}  // namespace gorsefinch
