// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include <map>

#include "core/edits/edit.h"

// Edits of the project's named colours and sizes, and of its sets of colours. One that is not there leaves the document
// as it is.
namespace gorsefinch {

// Adds a colour, the same in all sets, or a size, under a name made unique, which is given back.
Document addNamedColour(const Document& document, std::string_view wanted, Colour colour, std::string* name);
Document addNamedSize(const Document& document, std::string_view wanted, int size, std::string* name);
// Sets a colour in one of the sets.
Document setNamedColour(const Document& document, std::string_view name, size_t set, Colour colour);
// Clamped to kMaxNamedSize.
Document setNamedSize(const Document& document, std::string_view name, int size);
// Follows through looks, widgets, screens, rules and texts.
Result<Document> renameNamedValue(const Document& document, std::string_view from, std::string_view to);
// Whatever had it has its value in the first set from then on. Rules and expressions keep the name, which is then a
// reported problem.
Document removeNamedValue(const Document& document, std::string_view name);
// Looks, widgets and screens that have exactly this colour get the named one instead.
Document useNamedColour(const Document& document, std::string_view name, Colour instead);

// How often each name is used by looks, widgets and screens, those without left out.
std::map<std::string, int, std::less<>> namedUses(const Document& document);

// Adds a set whose colours are those of the last one. The first time the colours that there are become the set "light".
// Fails beyond kMaxColourSets, or where the name is none, is that of another set, or would need the name of the
// variable that says which set is shown.
Result<Document> addColourSet(const Document& document, const std::string& name);
// Follows through rules and texts.
Result<Document> renameColourSet(const Document& document, size_t set, const std::string& name);
// The last two sets become one without a name.
Document removeColourSet(const Document& document, size_t set);
// The name for a new set: "dark" after the first.
std::string nextSetName(const NamedValues& named);

}  // namespace gorsefinch
