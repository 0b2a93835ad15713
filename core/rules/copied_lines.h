// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include <optional>
#include <vector>

#include "core/rules/lexer.h"
#include "core/rules/project_names.h"

// Rules speak of a widget once, however many copies of it an expanded document has.
namespace gorsefinch {

// What the event of a rule happens to: nothing for a widget without copies, and for all other events.
struct RuleCopies {
    std::optional<int> series;              // the number that the rule is compiled for
    std::vector<ProjectNames::Copy> those;  // of that number, the first on the widget's own screen
};

// The copies of the widget that the line of an event names, by their numbers in its series; one without any for each
// other line. At most so many copies.
std::vector<RuleCopies> copiesOfEvent(const ProjectNames& names, const std::vector<Token>& header, size_t most);

// The line as it is about number `series` of series, if there is one: the numbers of its screen's widgets and the word
// `series` are that.
std::vector<Token> lineInSeries(const ProjectNames& names, std::vector<Token> line, std::optional<int> series);

// The statements that one stands for: one for each copy of the widget that it changes. With `series` only those with
// that number are meant, where there are some. At most so many.
std::vector<std::vector<Token>> statementsForCopies(const ProjectNames& names, const std::vector<Token>& statement,
                                                    std::optional<int> series, size_t most);

}  // namespace gorsefinch
