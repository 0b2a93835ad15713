// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include <cstdint>
#include <optional>
#include <span>
#include <string>
#include <string_view>
#include <vector>

#include "core/base/decimal.h"
#include "core/base/result.h"
#include "core/kinds/kinds.h"

namespace gorsefinch {

// Limits of one variable.
inline constexpr int kMaxElements = 256;
inline constexpr size_t kMaxChoices = 64;
inline constexpr size_t kMaxChoiceBytes = 40;  // of one name
// Of all names, each with a closing zero: an inset of a text holds them.
inline constexpr size_t kMaxChoicesBytes = 220;
// Numbers of all variables of a project together: 4 bytes of state each.
inline constexpr size_t kMaxNumbers = 12000;

enum class VariableType { Whole, Decimal, YesNo, Text, Choice };
enum class Writer { Firmware, Panel, Both };

// A value shared with the firmware. Decimals count in steps of 10^-decimals, also in min, max and start. The value of a
// choice is the position of its name, from 0 on.
struct Variable {
    std::string name;
    VariableType type = VariableType::Whole;
    int decimals = 0;  // 0 to 6, of a decimal
    int32_t min = -2147483647 - 1, max = 2147483647, start = 0;
    int count = 1;                     // elements: above 1 it is an array, whose elements all begin with `start`
    std::vector<std::string> choices;  // of a choice: 1 to kMaxChoices names
    std::string startText;             // of a text
    int length = 16;                   // maximum bytes of a text: 1 to 200
    std::string unit;
    Writer writer = Writer::Firmware;
    bool kept = false;           // over power-off
    bool fromInterrupt = false;  // its setter may be called from an interrupt; of single numbers and yes/no
    std::string note;
    UnknownKeys unknown;
    friend bool operator==(const Variable&, const Variable&) = default;

    bool isArray() const { return count > 1; }
    bool isText() const { return type == VariableType::Text; }
    // Its setter could be called from an interrupt.
    bool mayBeLatched() const { return !isText() && !isArray() && writer != Writer::Panel; }
    // Whole or decimal: has a range of its own.
    bool isNumeric() const { return type == VariableType::Whole || type == VariableType::Decimal; }
};

// Why these can't be the names of a choice; nothing if they can.
std::optional<std::string> choicesError(std::span<const std::string> choices);
// Gives a choice its names, and the range and start value that they allow. They must be possible.
void setChoices(Variable& variable, std::vector<std::string> choices);
// "idle, warming, hold", or with | between them, each cut free of blanks around it.
std::vector<std::string> listFromText(std::string_view text);
std::string choicesInWords(std::span<const std::string> choices, const char* separator = ", ");

// What shows it in expressions: its name, of an array its first element.
std::string shownInExpressions(const Variable& variable);

// One value of a variable that is no text: "12.5", "yes", "warming".
std::string valueInWords(const Variable& variable, int32_t value);
// The reverse, which takes 1, true, 0 and false for yes and no, too; nothing for what is no such value. Whether a
// number is in the range is not checked.
std::optional<int32_t> valueFromWords(const Variable& variable, std::string_view words);

// A variable, or an element of one: "zone[3]".
struct ElementName {
    std::string name;
    std::optional<int> element;  // 0 to 9999
};
ElementName elementName(std::string_view written);

// Values for elements, as they are written: one for `element`, else for all from the first on, separated by commas. A
// single variable is an array of one. Fails for what is no value of it, or an element that it lacks.
struct ElementSetting {
    int element;
    int32_t value;
};
Result<std::vector<ElementSetting>> settingsFromWords(const Variable& variable, std::optional<int> element,
                                                      const std::string& words);

// The numbers that hold a variable's values: none for a text.
size_t numbersOf(const Variable& variable);

const char* toKey(VariableType type);
const char* toKey(Writer writer);
std::optional<VariableType> variableTypeByKey(std::string_view key);
std::optional<Writer> writerByKey(std::string_view key);
// The keys of all types, in the order of the enumeration.
std::vector<std::string> variableTypeKeys();

}  // namespace gorsefinch
