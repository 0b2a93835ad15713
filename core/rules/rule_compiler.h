// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include <memory>
#include <optional>
#include <string>
#include <vector>

#include "core/base/problem.h"
#include "core/rules/arranged_expressions.h"
#include "core/rules/expression.h"
#include "core/rules/text_compiler.h"
#include "runtime/gorse_scene.h"

namespace gorsefinch {

// What the expression of an indicator's value gives.
struct ShownRange {
    int decimals = 0;
    int32_t min = 0, max = 0;  // in steps of 10^-decimals
    friend bool operator==(const ShownRange&, const ShownRange&) = default;
};

// A property that rules read or write, or that follows an expression.
struct SlotInfo {
    int screen = 0, widget = 0;
    const PropertyInfo* property = nullptr;
    std::vector<int> strings;         // texts that rules and its expression give it
    std::optional<ShownRange> shown;  // of an indicator's value
    friend bool operator==(const SlotInfo&, const SlotInfo&) = default;
};

// A C function of the firmware that rules call.
struct HookInfo {
    std::string name;
    std::vector<ValueType> values;
    std::vector<int> scales;
};

// In place of a screen: the one before.
inline constexpr int kLeadsBack = -1;

struct RuleSource {
    std::string file;  // its name
    int line = 0, lastLine = 0;
    std::vector<int> leadsTo;  // screens that it goes to; kLeadsBack
};

// Bytes of code: offsets in it have 16 bits.
inline constexpr size_t kMaxCode = 65000;
// What is reported when rules need more, and the way out.
std::string tooMuchCode();
inline constexpr const char* kLessCode = "Take some out, or do more of it in hooks";

// All rules and expressions of a project as the runtime runs them. Those with a mistake are left out.
struct CompiledRules {
    std::vector<gorse_rule> rules;
    std::vector<RuleSource> sources;  // beside each rule
    std::vector<uint8_t> code;
    std::vector<size_t> commands;  // positions in it of the operands of commands, see Compiled
    std::vector<CompiledText> strings;
    std::vector<std::string> stringWords;
    std::set<std::pair<int, int>> cellsSet;  // screens and widgets: maps whose cells they set
    std::vector<SlotInfo> slots;             // by screen, then widget, then property; a value last
    std::vector<gorse_follow> follows;
    std::set<int> readNumbers;  // bindings that code reads
    bool readFollowed = false;  // rules read a property that follows an expression
    std::vector<HookInfo> hooks;
    std::set<int> opened, gone;                 // screens that are opened over others, and that rules go to
    std::vector<gorse_tone> tones;              // of all sounds, see gorse_outputs
    std::vector<gorse_transition> transitions;  // that rules ask for, each once
    std::vector<gorse_glide> glides;            // by their numbers
    int timers = 0, whens = 0;
    int stackDepth = 1;          // values that the deepest expression puts on the stack
    bool needsExtended = false;  // some code has operations of gorse_code_extended.c
    bool needsElements = false;  // some code works on arrays
    Problems problems;
    MentionedProperties mentioned;                                    // by the rules
    std::map<std::string, std::vector<ArrangedExpression>> arranged;  // by screen
    std::shared_ptr<const NamedWidgets> named;                        // on which the rules depend
    bool readsNamedValues = false;                                    // so that they depend on these
};

// The rules of the files, and the expressions of all widgets.
CompiledRules compileRules(const ProjectNames& names, const std::vector<RuleFile>& files);

}  // namespace gorsefinch
