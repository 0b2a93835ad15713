// SPDX-License-Identifier: GPL-3.0-or-later
#include "core/document/variable.h"

#include <algorithm>
#include <array>
#include <set>

#include "core/document/key_table.h"

namespace gorsefinch {

namespace {

constexpr std::array<std::pair<VariableType, const char*>, 5> typeKeys{{
    {VariableType::Whole, "whole"},
    {VariableType::Decimal, "decimal"},
    {VariableType::YesNo, "yes/no"},
    {VariableType::Text, "text"},
    {VariableType::Choice, "choice"},
}};
constexpr std::array<std::pair<Writer, const char*>, 3> writerKeys{{
    {Writer::Firmware, "firmware"},
    {Writer::Panel, "panel"},
    {Writer::Both, "both"},
}};

std::string_view trimmed(std::string_view text) {
    const size_t from = text.find_first_not_of(" \t\r\n");
    return from == std::string_view::npos ? std::string_view()
                                          : text.substr(from, text.find_last_not_of(" \t\r\n") - from + 1);
}

// Characters that separate names, or that mean something in the quotes of rules and texts.
bool isReserved(char c) {
    return static_cast<unsigned char>(c) < 32 || std::string_view(",|\"\\{}").find(c) != std::string_view::npos;
}

}  // namespace

std::optional<std::string> choicesError(std::span<const std::string> choices) {
    if (choices.empty() || choices.size() > kMaxChoices)
        return "a choice has 1 to " + std::to_string(kMaxChoices) + " names";
    size_t bytes = 0;
    std::set<std::string_view> known;
    for (const std::string& each : choices) {
        if (each.empty() || each.size() > kMaxChoiceBytes)
            return "a name of a choice has 1 to " + std::to_string(kMaxChoiceBytes) + " bytes";
        if (trimmed(each) != each || std::any_of(each.begin(), each.end(), isReserved))
            return "\"" + each + "\" has a character that names of choices can't have";
        if (!known.insert(each).second)
            return "\"" + each + "\" is there twice";
        bytes += each.size() + 1;
    }
    if (bytes > kMaxChoicesBytes)
        return "the names of a choice have at most " + std::to_string(kMaxChoicesBytes) + " bytes together";
    return std::nullopt;
}

void setChoices(Variable& variable, std::vector<std::string> choices) {
    variable.choices = std::move(choices);
    variable.min = 0;
    variable.max = static_cast<int32_t>(variable.choices.size()) - 1;
    variable.start = std::clamp(variable.start, variable.min, variable.max);
}

std::vector<std::string> listFromText(std::string_view text) {
    std::vector<std::string> out;
    for (;;) {
        const size_t comma = text.find_first_of(",|");
        out.emplace_back(trimmed(text.substr(0, comma)));
        if (comma == std::string_view::npos)
            return out;
        text.remove_prefix(comma + 1);
    }
}

std::string choicesInWords(std::span<const std::string> choices, const char* separator) {
    std::string out;
    for (const std::string& each : choices)
        out += (out.empty() ? "" : separator) + each;
    return out;
}

std::string shownInExpressions(const Variable& variable) { return variable.name + (variable.isArray() ? "[0]" : ""); }

std::string valueInWords(const Variable& variable, int32_t value) {
    if (variable.type == VariableType::YesNo)
        return value != 0 ? "yes" : "no";
    if (variable.type == VariableType::Choice && value >= 0 && static_cast<size_t>(value) < variable.choices.size())
        return variable.choices[static_cast<size_t>(value)];
    return decimalText(value, variable.decimals);
}

std::optional<int32_t> valueFromWords(const Variable& variable, std::string_view words) {
    if (variable.type == VariableType::YesNo)
        return words == "yes" || words == "1" || words == "true"   ? std::optional(1)
               : words == "no" || words == "0" || words == "false" ? std::optional(0)
                                                                   : std::nullopt;
    if (variable.type == VariableType::Choice) {
        const auto found = std::find(variable.choices.begin(), variable.choices.end(), words);
        return found == variable.choices.end() ? std::nullopt
                                               : std::optional(static_cast<int32_t>(found - variable.choices.begin()));
    }
    return decimalFromText(std::string(words), variable.decimals);
}

ElementName elementName(std::string_view written) {
    const size_t bracket = written.find('[');
    if (bracket == std::string_view::npos || !written.ends_with(']'))
        return {std::string(written), std::nullopt};
    const std::string_view digits = written.substr(bracket + 1, written.size() - bracket - 2);
    const auto number = decimalFromText(std::string(digits), 0);
    if (!number || *number < 0 || *number > 9999)
        return {std::string(written), std::nullopt};
    return {std::string(written.substr(0, bracket)), *number};
}

Result<std::vector<ElementSetting>> settingsFromWords(const Variable& variable, std::optional<int> element,
                                                      const std::string& words) {
    if (element && (!variable.isArray() || *element >= variable.count))
        return failure(
            "", variable.name, "it has no element " + std::to_string(*element),
            variable.isArray() ? "They go from 0 to " + std::to_string(variable.count - 1) : "Leave out the brackets");
    const bool isList = variable.isArray() && !element;
    const std::vector<std::string> values = isList ? listFromText(words) : std::vector<std::string>{words};
    if (values.size() > static_cast<size_t>(variable.count))
        return failure("", variable.name, "it has only " + std::to_string(variable.count) + " elements",
                       "Write fewer values");
    std::vector<ElementSetting> out;
    for (size_t i = 0; i < values.size(); ++i) {
        const auto value = valueFromWords(variable, values[i]);
        if (!value)
            return failure("", variable.name, "\"" + values[i] + "\" is no " + toKey(variable.type) + " value",
                           variable.type == VariableType::Choice ? "Write one of " + choicesInWords(variable.choices)
                                                                 : "Correct the value");
        out.push_back({element.value_or(static_cast<int>(i)), *value});
    }
    return out;
}

size_t numbersOf(const Variable& variable) { return variable.isText() ? 0 : static_cast<size_t>(variable.count); }

const char* toKey(VariableType type) { return keyOf<VariableType>(typeKeys, type); }
const char* toKey(Writer writer) { return keyOf<Writer>(writerKeys, writer); }
std::optional<VariableType> variableTypeByKey(std::string_view key) { return valueOfKey<VariableType>(typeKeys, key); }
std::optional<Writer> writerByKey(std::string_view key) { return valueOfKey<Writer>(writerKeys, key); }

std::vector<std::string> variableTypeKeys() {
    std::vector<std::string> out;
    for (const auto& [type, key] : typeKeys)
        out.emplace_back(key);
    return out;
}

}  // namespace gorsefinch
