// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include <functional>
#include <map>
#include <optional>
#include <string>
#include <string_view>
#include <vector>

#include "core/document/document.h"
#include "core/rules/references.h"

namespace gorsefinch {

// A thing that rules and texts speak of.
struct RuleThing {
    Reference::What what;
    std::string name;
    std::string owner = {};    // of a widget: its screen; of a choice: its variable
    bool isOnlyOne = false;    // of a widget: no other screen has one of its name, so the name alone means it
    bool isScreenToo = false;  // of a widget: a screen has its name
};

// It gets another name; where rules and texts speak of it, they are rewritten. All else in them, layout and comments
// too, stays as it is.
struct RuleRename {
    RuleThing thing;
    std::string to;
    std::string toShort = {};  // of a widget: in the place of its name alone; "screen.name" where others are named so
    std::string toOwner = {};  // of a widget: another screen that it lies on now; "" for the same
};

// In all rules and expressions of a project; files and screens without a change stay shared. The new name of a choice
// is written in quotes.
void renameInRules(Document& document, const RuleRename& rename);

// The same in the rules and on the screen of one assembly only; "" for all rules and screens that belong to none, as
// names of widgets inside an assembly are not known outside.
void renameInRulesOf(Document& document, std::string_view assembly, const RuleRename& rename);

std::string renamedRules(std::string_view rules, const RuleRename& rename);
std::string renamedExpression(std::string_view expression, const RuleRename& rename);
// The same in a text with insets.
std::string renamedText(std::string_view text, const RuleRename& rename);

// Widgets of a screen of which another one has copies under other names.
struct WidgetCopies {
    std::string from, to;                      // the screens
    std::map<std::string, std::string> names;  // those of the copies, by what they are copies of
};

// What speaks of these widgets speaks of their copies: an expression, and a text with insets. Takes time in proportion
// to its length.
std::string expressionOfCopies(std::string_view expression, const WidgetCopies& copies);
std::string textOfCopies(std::string_view text, const WidgetCopies& copies);

// The replacements of inputs of assemblies, by input name.
struct InputTexts {
    std::map<std::string, std::string> values;   // in expressions
    std::map<std::string, std::string> content;  // of texts, for insets of the name alone, braces and all
};

// Replaces inputs in an expression, and in a text with insets.
std::string expressionWithInputs(std::string_view expression, const InputTexts& inputs);
std::string textWithInputs(std::string_view text, const InputTexts& inputs);

// Returns the replacement of an input of a use of an assembly; nothing if there is no such input.
using InputOfUse =
    std::function<std::optional<std::string>(std::string_view screen, std::string_view widget, std::string_view input)>;

// Replaces "widget.input" and "screen.widget.input". `screen` is "" for the first form.
std::string expressionWithUses(std::string_view expression, const InputOfUse& uses);
std::string textWithUses(std::string_view text, const InputOfUse& uses);
std::string rulesWithUses(std::string_view rules, const InputOfUse& uses);

// A place that speaks of a thing: a line of rules, or a property of a widget.
struct Mention {
    std::string screen, widget, property;  // "" for a line of rules
    std::string rules;                     // the name of its file
    int line = 0;                          // from 1
    std::string words;                     // the line from its first word on; "lamp.visible = hot"
};

// The lines of a project's rules that speak of a thing; then the expressions that do.
std::vector<Mention> mentionsOf(const Document& document, const RuleThing& thing);
// True if a text with insets speaks of it.
bool textMentions(std::string_view text, const RuleThing& thing);

}  // namespace gorsefinch
