// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include <optional>
#include <string>
#include <string_view>

#include "core/base/result.h"
#include "core/document/document.h"

// Where a tap on a widget leads, as the rules say.
namespace gorsefinch {

struct Lead {
    std::string to;          // a screen; "" for the one that was shown before
    std::string transition;  // as it stands behind the comma; "" for the project's
    friend bool operator==(const Lead&, const Lead&) = default;
};

// True for kinds whose tap is there for what rules do.
bool canLead(Kind kind);

// The first step to a screen in the rules of a widget's tap that have no condition; nothing without one.
std::optional<Lead> leadOf(const Document& document, std::string_view screen, std::string_view widget);

// Lets the tap lead there from now on: in the line that says so, else in a new one of the rule of its tap, else in a
// new rule. Nothing takes the line away, and a rule that does nothing else. A transition that is none is refused.
Result<Document> withLead(const Document& document, std::string_view screen, std::string_view widget,
                          const std::optional<Lead>& lead);

}  // namespace gorsefinch
