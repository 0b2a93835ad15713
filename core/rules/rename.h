// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include <string>
#include <string_view>

namespace gorsefinch {

// A thing gets another name; where rules and texts speak of it, they are rewritten. All else in them, layout and
// comments too, stays as it is.
struct RuleRename {
    enum class What { Variable, Screen, Widget };
    What what;
    std::string screen;  // of a widget
    std::string from, to;
    bool shortForm;      // of a widget: no other screen has one of that name, so the name alone means it
};

std::string renamedRules(std::string_view rules, const RuleRename& rename);
// The same in a text with insets.
std::string renamedText(std::string_view text, const RuleRename& rename);

}  // namespace gorsefinch
