// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include <algorithm>
#include <map>
#include <set>
#include <string>
#include <tuple>
#include <unordered_map>
#include <vector>

#include "core/rules/rule_compiler.h"

namespace gorsefinch {

// Limits of all rules of a project: properties that they use, texts, and hooks.
// Statements and rules that are compiled for further copies of widgets.
inline constexpr size_t kMaxCopiedLines = 20000;
inline constexpr size_t kMaxSlots = 10000, kMaxStrings = 10000, kMaxHooks = 1000;

// A slot that follows an expression.
struct FollowedSlot {
    uint16_t code;
    int slot;
    int screen;                // -1 if it is an indicator's value
    std::set<int> variables;   // bindings that it depends on
    std::set<int> properties;  // slots that it depends on
};

// What the rules of all files share while they are compiled: slots, strings and the byte code. Equal ones are stored
// once. Code refers to slots by the order in which they came up; finish() numbers them as the runtime wants them.
class RulePool {
  public:
    // Both must outlive this.
    RulePool(const ProjectNames& names, CompiledRules& out) : names_(names), out_(out) {}

    // Each returns a number, or nothing if the limit is reached.
    std::optional<int> slot(const ProjectNames::WidgetPlace& place, const PropertyInfo& property);
    std::optional<int> string(const std::string& words);
    // Does not compare the values with those of an earlier hook of the same name.
    std::optional<int> hook(const HookInfo& hook);
    // Appends finished code with its END; returns where it begins. The caller checks that it fits 16 bits.
    uint16_t place(Compiled code);
    // The slot follows the expression that was placed. What it depends on has to come before it.
    void follow(FollowedSlot followed);
    // Counts a line that is compiled for another copy of a widget. False if there are too many.
    bool countCopiedLine() { return ++copiedLines_ <= kMaxCopiedLines; }
    size_t copiedLinesLeft() const { return kMaxCopiedLines - std::min(copiedLines_, kMaxCopiedLines); }
    // True if an expression depends on the slot.
    bool isRead(int slot) const { return read_.count(slot) != 0; }
    // Rules read the slot.
    void readByRules(int slot) { inRules_.insert(slot); }
    // Sorts the slots by screen and widget and fills their numbers into the code. Once, at the end.
    void finish();

    const ProjectNames& names() const { return names_; }
    CompiledRules& out() { return out_; }

  private:
    const ProjectNames& names_;
    CompiledRules& out_;
    size_t copiedLines_ = 0;
    std::vector<SlotUse> uses_;
    std::vector<FollowedSlot> follows_;
    std::set<int> read_, inRules_;
    std::map<std::tuple<int, int, const PropertyInfo*>, int> slots_;
    std::unordered_map<std::string, int> strings_, hooks_;
};

}  // namespace gorsefinch
