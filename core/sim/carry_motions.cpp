// SPDX-License-Identifier: GPL-3.0-or-later
#include "core/sim/carry_motions.h"

#include <algorithm>
#include <tuple>

#include "runtime/gorse_glide.h"
#include "runtime/gorse_levels.h"
#include "runtime/gorse_transition.h"

namespace gorsefinch {

namespace {

// The property that a glide is about, and which one it is of those about that.
using GlideName = std::tuple<std::string, std::string, std::string, int>;

GlideName nameOf(const BuiltScene& scene, size_t number) {
    const auto& glides = scene.rules->glides;
    const SlotInfo& slot = scene.rules->slots[glides[number].slot];
    const Screen& screen = *scene.document.screens[static_cast<size_t>(slot.screen)];
    const auto before = std::count_if(glides.begin(), glides.begin() + static_cast<std::ptrdiff_t>(number),
                                      [&](const gorse_glide& each) { return each.slot == glides[number].slot; });
    return {screen.name, screen.widgets[static_cast<size_t>(slot.widget)]->name, slot.property->key,
            static_cast<int>(before)};
}

}  // namespace

void carryGlides(const BuiltScene& before, const gorse& from, const BuiltScene& now, gorse& to) {
    if (!before.scene.glides || !now.scene.glides)
        return;
    gorse_glide_state* free = gorse_glide_states(&to);
    const std::span running(gorse_glide_states(&from), before.glides.at_a_time);
    for (size_t number = 0; number < now.rules->glides.size(); ++number)
        for (const gorse_glide_state& each : running)
            if (each.runs != 0 && nameOf(before, each.runs - 1u) == nameOf(now, number)) {
                *free = each;
                free->runs = static_cast<uint16_t>(number + 1);
                ++free;
            }
}

void showOver(const std::vector<uint16_t>& below, gorse& to) {
    gorse_head& head = *gorse_head_of(&to);
    const uint16_t top = head.screen;
    if (below.empty() || below.size() > to.scene->transitions->levels) {
        gorse_show_screen(&to);
        return;
    }
    uint16_t& shown = gorse_transition_state_of(&to)->shown;
    shown = head.screen = below.front();
    gorse_show_screen(&to);
    for (size_t i = 1; i <= below.size(); ++i) {
        head.screen = i < below.size() ? below[i] : top;
        gorse_levels_of(&to)->over = head.screen;
        gorse_show_screen(&to);
    }
}

void carryTransitions(const BuiltScene& before, const gorse& from, const BuiltScene& now, gorse& to) {
    if (!now.scene.transitions)
        return;
    gorse_transition_state& state = *gorse_transition_state_of(&to);
    const gorse_head& head = *gorse_head_of(&to);
    state.shown = head.screen;
    state.depth = head.back_count;
    if (before.scene.transitions && before.rules == now.rules)
        std::ranges::copy(gorse_transition_state_of(&from)->left, state.left);
}

}  // namespace gorsefinch
