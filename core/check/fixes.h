// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include "core/document/document.h"

namespace gorsefinch {

// What mends a problem in one step.
struct Fix {
    std::string label;  // "Place it the same"
    Document document;  // the project with it
};

// Nothing for problems that have no fix, for those that are gone, and for locked widgets.
std::optional<Fix> fixOf(const Document& document, const Problem& problem);

}  // namespace gorsefinch
