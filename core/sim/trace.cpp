// SPDX-License-Identifier: GPL-3.0-or-later
#include "core/sim/trace.h"

namespace gorsefinch {

namespace {

struct Numbered {
    const Variable* variable = nullptr;
    int element = 0;
};

Numbered variableByNumber(const BuiltScene& scene, int number, bool text) {
    for (const Variable& each : *scene.document.variables) {
        if (each.isText() != text)
            continue;
        if (number < each.count)
            return {&each, number};
        number -= each.count;
    }
    return {};
}

std::string numberWords(const BuiltScene& scene, uint16_t number, int32_t value) {
    const auto [v, element] = variableByNumber(scene, number, false);
    if (!v)
        return "variable " + std::to_string(number) + " = " + std::to_string(value);
    return v->name + (v->isArray() ? "[" + std::to_string(element) + "]" : "") + " = " + valueInWords(*v, value);
}

std::string noElementWords(const BuiltScene& scene, uint16_t number, int32_t index) {
    const Variable* v = variableByNumber(scene, number, false).variable;
    return (v ? v->name : "variable " + std::to_string(number)) + " has no element " + std::to_string(index);
}

std::string ruleWords(const BuiltScene& scene, uint16_t number) {
    if (number >= scene.rules->sources.size())
        return "rule " + std::to_string(number);
    const RuleSource& source = scene.rules->sources[number];
    return source.file + ".rules, line " + std::to_string(source.line);
}

std::string slotWords(const BuiltScene& scene, uint16_t number) {
    if (number >= scene.rules->slots.size())
        return "slot " + std::to_string(number);
    const SlotInfo& slot = scene.rules->slots[number];
    const auto& widgets = scene.parts[static_cast<size_t>(slot.screen)]->source->widgets;
    return widgets[static_cast<size_t>(slot.widget)]->name + "." + slot.property->key;
}

const char* eventWord(uint16_t event) {
    static const char* const words[] = {"start", "enter", "press",     "release", "tap",
                                        "leave", "timer", "condition", "done"};
    return event < std::size(words) ? words[event] : "event";
}

}  // namespace

std::string traceLine(const BuiltScene& scene, const TraceEntry& entry) {
    std::string words;
    switch (entry.what) {
        case GORSE_TRACE_RULE:
            words = ruleWords(scene, entry.a) + (entry.b != 0 ? " runs its otherwise" : " runs");
            break;
        case GORSE_TRACE_SCREEN:
            words = "screen " +
                    (entry.a < scene.parts.size() ? scene.parts[entry.a]->source->name : std::to_string(entry.a));
            break;
        case GORSE_TRACE_NUMBER: words = numberWords(scene, entry.a, entry.b); break;
        case GORSE_TRACE_CLAMPED: words = numberWords(scene, entry.a, entry.b) + ", clamped to its range"; break;
        case GORSE_TRACE_HOOK:
            words = "call " +
                    (entry.a < scene.rules->hooks.size() ? scene.rules->hooks[entry.a].name : std::to_string(entry.a));
            break;
        case GORSE_TRACE_DIVISION_BY_ZERO:
            words = (entry.a == GORSE_NONE ? "an expression" : ruleWords(scene, entry.a)) + " divided by zero";
            break;
        case GORSE_TRACE_ELEMENT: words = noElementWords(scene, entry.a, entry.b); break;
        case GORSE_TRACE_FOLLOWED: words = slotWords(scene, entry.a) + " follows its expression"; break;
        case GORSE_TRACE_ROUNDS: words = "rules still wait after the last round"; break;
        case GORSE_TRACE_TEXT: {
            const Variable* v = variableByNumber(scene, entry.a, true).variable;
            words = (v ? v->name : "text") + " changes";
            break;
        }
        default:
            words = eventWord(entry.a);
            if (entry.b != GORSE_NONE)
                words += " of widget " + std::to_string(entry.b);
            break;
    }
    return std::to_string(entry.ms) + " ms  " + words;
}

}  // namespace gorsefinch
