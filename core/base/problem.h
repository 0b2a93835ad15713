// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include <string>
#include <vector>

namespace gorsefinch {

enum class Severity { Note, Warning, Error };

// Something wrong or risky in a project, with enough to lead the user there. Raised in the core, shown by the
// application and the command line.
struct Problem {
    Severity severity = Severity::Error;
    std::string file;   // relative to the project's folder
    std::string place;  // "status.title", "line 4, column 7", "panel.width"
    std::string reason;
    std::string remedy;
    std::string screen;  // set when the place is a screen or a widget on it
    std::string widget;
    int line = 0;  // from 1, when the place is in a rules file
    int column = 0;

    std::string text() const;
};

using Problems = std::vector<Problem>;

// True if any of them keeps code from being generated.
bool hasErrors(const Problems& problems);

}  // namespace gorsefinch
