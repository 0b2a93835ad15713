// SPDX-License-Identifier: GPL-3.0-or-later
#include "core/scene/state_layout.h"

#include <algorithm>

#include "runtime/gorse_focus.h"
#include "runtime/gorse_glide.h"
#include "runtime/gorse_levels.h"
#include "runtime/gorse_scroll.h"
#include "runtime/gorse_transition.h"
#include "runtime/gorse_typing.h"

namespace gorsefinch {

namespace {

// Bytes of the longest text that the runtime puts together beside the one that shows: a widget's, or one that a rule
// sets or gives to a hook.
uint8_t scratchBytes(const BuiltScene& scene) {
    int bytes = 0;
    for (const auto& part : scene.parts)
        bytes = std::max(bytes, part->longestText);
    if (scene.rules->needsExtended) {
        for (const CompiledText& text : scene.rules->strings)
            bytes = std::max(bytes, text.longest + 1);
        for (const gorse_text_variable& text : scene.texts)
            bytes = std::max(bytes, int{text.capacity});
    }
    return static_cast<uint8_t>(std::min(bytes, kMaxShownText));
}

}  // namespace

void layOutState(BuiltScene& out, uint32_t keptBytes) {
    gorse_scene& s = out.scene;
    uint32_t screenBytes = 0;
    for (const auto& part : out.parts)
        screenBytes = std::max(screenBytes, static_cast<uint32_t>(part->memoryBytes));
    // Expressions that read properties depend on marks of their slots.
    const uint32_t followed = s.follow_count != 0 ? s.slot_count : 0;
    s.slots_at = 4u * s.number_count;
    s.timers_at = s.slots_at + 4u * s.slot_count;
    s.keepers_at = s.timers_at + 4u * s.timer_count;
    s.clock_at = s.keepers_at + keptBytes;
    out.controls.state_at = s.clock_at + (out.document.clock ? static_cast<uint32_t>(sizeof(gorse_clock_state)) : 0);
    out.controls.focus_at = out.controls.state_at + (s.controls ? static_cast<uint32_t>(sizeof(gorse_finger)) : 0);
    const uint32_t focusBytes =
        static_cast<uint32_t>(sizeof(gorse_focus)) + (2u * static_cast<uint32_t>(out.screens.size()) + 3u) / 4u * 4u;
    out.controls.typing_at = out.controls.focus_at + (out.controls.focus_starts ? focusBytes : 0);
    const uint32_t typingBytes =
        static_cast<uint32_t>(sizeof(gorse_typing)) + (out.controls.typing_bytes + 3u) / 4u * 4u;
    out.containers.state_at = out.controls.typing_at + (out.controls.typing_bytes != 0 ? typingBytes : 0);
    out.transitions.state_at = out.containers.state_at +
                               (s.containers ? static_cast<uint32_t>(sizeof(gorse_container_state)) : 0) +
                               (out.containers.scrolls != 0 ? static_cast<uint32_t>(sizeof(gorse_scroller)) : 0);
    out.transitions.bytes = static_cast<uint16_t>(screenBytes);
    out.transitions.levels_at =
        out.transitions.state_at +
        (s.transitions ? static_cast<uint32_t>(sizeof(gorse_transition_state)) + (screenBytes + 3u) / 4u * 4u : 0);
    out.glides.state_at =
        out.transitions.levels_at + (out.transitions.has_levels != 0
                                         ? static_cast<uint32_t>(sizeof(gorse_level_state)) +
                                               (out.transitions.levels * screenBytes + out.keptTotal + 3u) / 4u * 4u
                                         : 0);
    out.outputs.sound_at =
        out.glides.state_at + out.glides.at_a_time * static_cast<uint32_t>(sizeof(gorse_glide_state));
    s.changed_at = out.outputs.sound_at + (out.outputs.tones ? static_cast<uint32_t>(sizeof(gorse_sound)) : 0);
    s.whens_at = s.changed_at + (s.number_count + s.text_count + followed + 7u) / 8u;
    s.scratch_bytes = scratchBytes(out);
    out.outputs.known_at = s.whens_at + s.when_count;
    s.scratch_at = out.outputs.known_at + out.outputs.count;
    s.texts_at = s.scratch_at + s.scratch_bytes;
    uint32_t textBytes = 0;
    for (const gorse_text_variable& each : out.texts)
        textBytes = std::max(textBytes, uint32_t{each.offset} + each.capacity);
    s.screen_at = s.texts_at + textBytes;
    s.end = (s.screen_at + screenBytes + 3u) / 4u * 4u;
}

}  // namespace gorsefinch
