// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include <string>
#include <vector>

#include "core/rules/rule_compiler.h"

namespace gorsefinch {

// What the rules of all files share while they are compiled: slots, strings and the byte code. Equal ones are held
// once. Code refers to slots by the order in which they came up; finish() numbers them as the runtime wants them.
class RulePool {
  public:
    // Both must outlive this.
    RulePool(const ProjectNames& names, CompiledRules& out) : names_(names), out_(out) {}

    int slot(const ProjectNames::WidgetPlace& place, const PropertyInfo& property);
    int string(const std::string& words);
    // Appends finished code with its END; gives where it begins.
    uint16_t place(Compiled code);
    // Sorts the slots by screen and widget and fills their numbers into the code. Once, at the end.
    void finish();

    const ProjectNames& names() const { return names_; }
    CompiledRules& out() { return out_; }

  private:
    const ProjectNames& names_;
    CompiledRules& out_;
    std::vector<SlotUse> uses_;
};

}  // namespace gorsefinch
