// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include <string>
#include <vector>

#include "core/rules/lexer.h"

namespace gorsefinch {

// A word that names a thing of the project.
struct Reference {
    enum class What { Variable, Screen, Widget, Choice };
    What what;
    size_t token = 0;   // its position among the words
    std::string owner;  // of a widget: the screen written before it, "" for the short form; of a choice: its variable
    bool orScreen = false;  // of a widget: a screen of that name is meant, if there is one
};

// Those of one line of rules, and of one expression, as the compiler would read them; whether there are such things
// is not used, so any word in quotes that a variable gets or is compared with is a choice. Insets of texts in quotes
// are not looked into.
std::vector<Reference> referencesInLine(const std::vector<Token>& tokens);
std::vector<Reference> referencesInExpression(const std::vector<Token>& tokens);

}  // namespace gorsefinch
