// SPDX-License-Identifier: GPL-3.0-or-later
#include "core/sim/carry_variables.h"

#include <algorithm>
#include <cstring>
#include <optional>

#include "core/document/panel_outputs.h"
#include "runtime/gorse_internal.h"

namespace gorsefinch {

namespace {

// The numbers of a variable that has another place now. A value that stood at the old start value follows the new one.
void carryNumbers(const gorse& from, const ProjectNames::VariableRef& old, gorse& to,
                  const ProjectNames::VariableRef& fresh) {
    const Variable &was = *old.variable, &is = *fresh.variable;
    for (int i = 0; i < std::min(is.count, was.count); ++i) {
        const int32_t value = gorse_number(&from, static_cast<uint16_t>(old.number + i));
        if (value == was.start)
            continue;
        // A choice is the same one if its name is.
        const auto moved =
            is.type == VariableType::Choice ? valueFromWords(is, valueInWords(was, value)) : std::optional(value);
        if (moved)
            gorse_set_number(&to, static_cast<uint16_t>(fresh.number + i), *moved);
    }
}

bool hasSameVariables(const Document& a, const Document& b) {
    return a.variables == b.variables && !a.clock == !b.clock &&
           (a.panel == b.panel || outputVariables(*a.panel) == outputVariables(*b.panel)) &&
           a.named->sets == b.named->sets;
}

void carryClock(const BuiltScene& before, const gorse& from, const BuiltScene& now, gorse& to) {
    if (!before.document.clock || !now.document.clock)
        return;
    std::copy_n(gorse_numbers(&from) + before.scene.clock, size_t{GORSE_CLOCK_NUMBERS},
                gorse_numbers(&to) + now.scene.clock);
    std::memcpy(gorse_behind_head(&to, now.scene.clock_at), gorse_behind_head(&from, before.scene.clock_at),
                sizeof(gorse_clock_state));
}

bool hasSameTones(const CompiledRules& a, const CompiledRules& b) {
    return std::ranges::equal(a.tones, b.tones, [](const gorse_tone& one, const gorse_tone& other) {
        return one.hertz == other.hertz && one.ms == other.ms;
    });
}

}  // namespace

void carrySound(const BuiltScene& before, const gorse& from, const BuiltScene& now, gorse& to) {
    if (now.outputs.tones && hasSameTones(*before.rules, *now.rules))
        std::memcpy(gorse_behind_head(&to, now.outputs.sound_at), gorse_behind_head(&from, before.outputs.sound_at),
                    sizeof(gorse_sound));
}

void carryVariables(const BuiltScene& before, const gorse& from, const BuiltScene& now, gorse& to) {
    if (hasSameVariables(before.document, now.document)) {
        for (uint16_t i = 0; i < now.scene.number_count; ++i)
            gorse_numbers(&to)[i] = gorse_numbers(&from)[i];
        for (uint16_t i = 0; i < now.scene.text_count; ++i)
            gorse_set_text(&to, i, gorse_text_value(&from, i));
        carryClock(before, from, now, to);
        return;
    }
    const ProjectNames oldNames(before.document), newNames(now.document);
    const auto carry = [&](const Variable& each) {
        const auto old = oldNames.variable(each.name);
        if (!old || old->variable->type != each.type || old->variable->decimals != each.decimals)
            return;
        const auto fresh = newNames.variable(each.name);
        if (!each.isText()) {
            carryNumbers(from, *old, to, *fresh);
            return;
        }
        const char* value = gorse_text_value(&from, static_cast<uint16_t>(old->number));
        if (value != old->variable->startText)
            gorse_set_text(&to, static_cast<uint16_t>(fresh->number), value);
    };
    std::ranges::for_each(*now.document.variables, carry);
    std::ranges::for_each(newNames.variables()->outputs, carry);
    if (const auto& theme = newNames.variables()->theme)
        carry(*theme);
    carryClock(before, from, now, to);
}

}  // namespace gorsefinch
