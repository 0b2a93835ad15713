// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include <optional>
#include <vector>

#include "core/rules/lexer.h"
#include "core/rules/project_names.h"

// Rules speak of a widget once, however many copies of it an expanded document has.
namespace gorsefinch {

// The copies of a widget for which a rule about its event is compiled once.
struct RuleCopies {
    std::optional<int> series;              // their index in the series; nothing outside a series
    std::vector<ProjectNames::Copy> those;  // the first is on the widget's own screen; empty for all other rules
};

// Returns the copies of the widget that the header of an event names, grouped by their index in the series, at most
// `most` copies. Every other header gives one element without copies.
std::vector<RuleCopies> copiesOfEvent(const ProjectNames& names, const std::vector<Token>& header, size_t most);

// Returns the line for index `series` of a series: names of widgets in series mean the copies with that index, and the
// word `series` becomes the number. Without an index the line is returned unchanged.
std::vector<Token> lineInSeries(const ProjectNames& names, std::vector<Token> line, std::optional<int> series);

// Returns one statement for each copy of the widget that the given one changes, at most `most`. With an index only
// copies with that index are changed, as far as the widget is in a series.
std::vector<std::vector<Token>> statementsForCopies(const ProjectNames& names, const std::vector<Token>& statement,
                                                    std::optional<int> series, size_t most);

}  // namespace gorsefinch
