// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include <string>
#include <string_view>
#include <vector>

#include "core/document/document.h"

namespace gorsefinch {

// What is being written at the end of a text: a word of letters, digits and underscores or, in quotes that are open,
// all behind them.
std::string_view wordAtEnd(std::string_view before);

// What can stand at the end of `before` in an expression, whatever of it is written already: behind "widget." its
// properties, behind "screen." its widgets; in quotes the names of the choice before them, in their braces what an
// expression can have; else variables, screens, widgets, and the words that are values.
std::vector<std::string> namesInExpression(const Document& document, std::string_view before);
// The same at the beginning of a statement, where cells of maps can be set, too.
std::vector<std::string> namesInStatement(const Document& document, std::string_view before);
// The same behind "on": behind "widget." its events, behind "screen." those of a screen and its widgets.
std::vector<std::string> namesInEvent(const Document& document, std::string_view before);

}  // namespace gorsefinch
