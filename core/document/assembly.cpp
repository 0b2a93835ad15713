// SPDX-License-Identifier: GPL-3.0-or-later
#include "core/document/assembly.h"

#include <algorithm>
#include <array>

#include "core/base/decimal.h"
#include "core/document/names.h"

namespace gorsefinch {

namespace {

constexpr std::array<const char*, 9> kInputTypes{"text",   "number", "yes_no", "choice", "variable",
                                                 "colour", "size",   "image",  "look"};

template <typename T>
const T* named(const std::vector<T>& all, std::string_view name) {
    const auto at = std::find_if(all.begin(), all.end(), [&](const T& each) { return each.name == name; });
    return at == all.end() ? nullptr : &*at;
}

Variable rangeOf(const AssemblyInput& input) {
    Variable out;
    switch (input.type) {
        case InputType::Text: out.type = VariableType::Text; break;
        case InputType::YesNo:
            out.type = VariableType::YesNo;
            out.min = 0;
            out.max = 1;
            break;
        case InputType::Choice:
            out.type = VariableType::Choice;
            setChoices(out, input.choices);
            break;
        default:
            out.type = input.decimals > 0 ? VariableType::Decimal : VariableType::Whole;
            out.decimals = input.decimals;
            out.min = input.min;
            out.max = input.max;
            break;
    }
    return out;
}

// A name, or one of an element: "zone[2]", "zone[series]".
bool namesVariable(std::string_view text) {
    const size_t bracket = text.find('[');
    return !nameError(text.substr(0, bracket)) && (bracket == std::string_view::npos || text.ends_with("]"));
}

}  // namespace

const AssemblyInput* Assembly::input(std::string_view name) const { return named(inputs, name); }
const ToldEvent* Assembly::event(std::string_view name) const { return named(events, name); }

const char* toKey(InputType type) { return kInputTypes[static_cast<size_t>(type)]; }

std::optional<InputType> inputTypeByKey(std::string_view key) {
    const auto at = std::find(kInputTypes.begin(), kInputTypes.end(), key);
    return at == kInputTypes.end() ? std::nullopt : std::optional(static_cast<InputType>(at - kInputTypes.begin()));
}

std::vector<std::string> inputTypeKeys() { return {kInputTypes.begin(), kInputTypes.end()}; }

std::optional<std::string> inputError(const AssemblyInput& input, std::string_view text) {
    if (text.empty() || (input.isValue() && input.type != InputType::Text && expressionText(text)))
        return std::nullopt;
    switch (input.type) {
        case InputType::Text: return std::nullopt;
        case InputType::Colour:
            return colourFromText(text) || !nameError(text)
                       ? std::nullopt
                       : std::optional<std::string>("it is no colour such as #2A7FD0, and no name of one");
        case InputType::Size: {
            const auto size = decimalFromText(text, 0);
            const bool isNumber = size && *size >= 0 && *size <= 4096 && std::to_string(*size) == text;
            return isNumber || !nameError(text)
                       ? std::nullopt
                       : std::optional<std::string>("it is no size in pixels, and no name of one");
        }
        case InputType::Variable:
            return namesVariable(text) ? std::nullopt : std::optional<std::string>("it is no name of a variable");
        case InputType::Image:
        case InputType::Look: return nameError(text);
        default: break;
    }
    const Variable range = rangeOf(input);
    const auto value = valueFromWords(range, text);
    if (!value)
        return input.type == InputType::Choice ? "it is none of " + choicesInWords(input.choices)
               : input.type == InputType::YesNo
                   ? std::string("it is neither yes nor no")
                   : "it is no number with " + std::to_string(input.decimals) + " decimals";
    if (*value < range.min || *value > range.max)
        return "it is outside " + valueInWords(range, range.min) + " to " + valueInWords(range, range.max);
    return std::nullopt;
}

Variable variableOf(const AssemblyInput& input, const std::string& name, std::string_view text) {
    Variable out = rangeOf(input);
    out.name = name;
    out.writer = Writer::Panel;
    if (out.isText()) {
        out.startText = text;
        out.length = static_cast<int>(std::clamp<size_t>(text.size() + 8, 24, 200));
        out.startText.resize(std::min(out.startText.size(), static_cast<size_t>(out.length)));
        return out;
    }
    out.start = std::clamp(valueFromWords(out, text).value_or(0), out.min, out.max);
    return out;
}

}  // namespace gorsefinch
