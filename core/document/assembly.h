// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include <cstdint>
#include <map>
#include <optional>
#include <string>
#include <string_view>
#include <vector>

#include "core/document/variable.h"

// Assemblies: kinds that the user makes of widgets. The screen that draws one has an Assembly; a widget of the kind
// `assembly` is a use of it.
namespace gorsefinch {

inline constexpr size_t kMaxInputs = 32, kMaxToldEvents = 32;  // of one assembly

enum class InputType { Text, Number, YesNo, Choice, Variable, Colour, Size, Image, Look };

// A parameter of an assembly, set on each use. Inside the assembly its name refers to the value, in texts, expressions
// and rules, and wherever a variable, a colour, a size, an image or a look is named.
struct AssemblyInput {
    std::string name;
    InputType type = InputType::Text;
    std::string start;                  // where a use sets nothing; written as there
    std::string help;                   // a line for who sets it
    int decimals = 0;                   // 0 to 6, of a number
    int32_t min = -32768, max = 32767;  // of a number, in steps of 10^-decimals
    std::vector<std::string> choices;   // of a choice
    bool inner = false;  // a variable of the assembly's own: each use has one, only the assembly's rules set it
    UnknownKeys unknown;
    friend bool operator==(const AssemblyInput&, const AssemblyInput&) = default;

    // Text, number, yes/no or choice: rules can set it while the interface runs.
    bool isValue() const { return type <= InputType::Choice; }
};

// An event of a widget inside, under a name that rules about a use know it by: `on tank2.full` for `valve.press`.
struct ToldEvent {
    std::string name, widget, event;
    UnknownKeys unknown;
    friend bool operator==(const ToldEvent&, const ToldEvent&) = default;
};

struct Assembly {
    int width = 120, height = 80;  // pixels, of a new use
    std::vector<AssemblyInput> inputs;
    std::vector<ToldEvent> events;
    UnknownKeys unknown;
    friend bool operator==(const Assembly&, const Assembly&) = default;

    // Null if there is none of that name.
    const AssemblyInput* input(std::string_view name) const;
    const ToldEvent* event(std::string_view name) const;
};

// A use of an assembly on a screen after the uses were replaced by what they show: see core/assemblies/assemblies.h.
struct AssemblyUse {
    std::string assembly;
    std::string widget;                          // the group that replaces it
    std::map<std::string, std::string> parts;    // the names of its widgets here, by their names in the assembly
    std::map<std::string, std::string> values;   // by input: what replaces it in expressions
    std::map<std::string, std::string> content;  // by input: what replaces its inset in a text, braces and all, if that
                                                 // is no expression
    std::map<std::string, std::string> events;   // that it tells, by name: "WIDGET.EVENT", with a widget of this screen
    int series = 1;                              // how often it is repeated with what it lies in
    bool alone = false;                          // the assembly's own screen
    friend bool operator==(const AssemblyUse&, const AssemblyUse&) = default;
};

const char* toKey(InputType type);
std::optional<InputType> inputTypeByKey(std::string_view key);
std::vector<std::string> inputTypeKeys();

// Why a text can't be what a use sets an input to; nothing if it can. Names of things are not looked up.
std::optional<std::string> inputError(const AssemblyInput& input, std::string_view text);
// A variable with the range and start value of an input that is a value, given as a text without "=".
Variable variableOf(const AssemblyInput& input, const std::string& name, std::string_view text);

}  // namespace gorsefinch
