// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include <string>
#include <string_view>
#include <vector>

#include "core/document/document.h"

namespace gorsefinch {

// The word that is being written at the end of a text: letters, digits and underscores.
std::string_view wordAtEnd(std::string_view before);

// What can stand at the end of `before` in an expression, whatever of it is written already: behind "widget." its
// properties, behind "screen." its widgets; else variables, screens, widgets, and the words that are values.
std::vector<std::string> namesInExpression(const Document& document, std::string_view before);
// The same at the beginning of a statement, where cells of maps can be set, too.
std::vector<std::string> namesInStatement(const Document& document, std::string_view before);

}  // namespace gorsefinch
