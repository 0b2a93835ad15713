// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include <map>
#include <set>
#include <string>
#include <utility>
#include <vector>

#include "core/document/document.h"

namespace gorsefinch {

// Names of widgets, of any screen, with a key: what rules mention, and may change.
using MentionedProperties = std::set<std::pair<std::string, std::string>>;

MentionedProperties mentionedProperties(const std::vector<RuleFile>& files);

// An expression that nobody wrote.
struct ArrangedExpression {
    std::string widget, key, text;
    bool byRules = false;  // rules change what it depends on, so that it differs from the start on
    friend bool operator==(const ArrangedExpression&, const ArrangedExpression&) = default;
};

// The expressions that keep widgets where containers place them (see arrange.h) when what is visible changes, or the
// size of a container or of a widget in it. What can't change needs none. What a property follows already comes first.
std::vector<ArrangedExpression> arrangedExpressions(const Screen& screen, const MentionedProperties& mentioned,
                                                    const NamedValues& named);

}  // namespace gorsefinch
