// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include <map>

#include "core/edits/edit.h"

// Edits of named looks. A look that is not there leaves the document as it is, or is refused where the result says so.
namespace gorsefinch {

// Sets a property of a look, for a state or for all ("").
Result<Document> setLookProperty(const Document& document, std::string_view look, std::string_view state,
                                 std::string_view key, const PropertyValue& value);
// The look sets the property no longer, so that what it is based on, or the default, holds again. A state for which
// nothing is set is gone.
Document clearLookProperty(const Document& document, std::string_view look, std::string_view state,
                           std::string_view key);
// "" for no base. One that is based on the look itself is refused.
Result<Document> baseLook(const Document& document, std::string_view look, std::string_view base);
// Adds a look under a name made unique, which is given back.
Document addLook(const Document& document, Look look, std::string* name);
// Looks that are based on it take over its values and its base. Widgets that have it keep its name, which is then a
// reported problem.
Document removeLook(const Document& document, std::string_view look);

// How many widgets have each look, those without left out.
std::map<std::string, int, std::less<>> lookUses(const Document& document);

// A new look with what the widget sets for itself over its look, which it is based on; the widget has it from then on
// and sets nothing for itself.
Document lookFromWidget(const Document& document, std::string_view screen, std::string_view widget, std::string* name);

// What a widget looks like, to be put on others.
struct TakenStyle {
    std::string look;
    PropertyMap own;  // style properties that it sets for itself
};
std::optional<TakenStyle> takeStyle(const Document& document, std::string_view screen, std::string_view widget);
// Gives the named widgets that look and those properties, where their kind has them, in place of all style properties
// of their own.
Document putStyle(const Document& document, std::string_view screen, std::span<const std::string> names,
                  const TakenStyle& style);

// The named widgets set no style property for themselves.
Document clearOwnStyle(const Document& document, std::string_view screen, std::span<const std::string> names);

}  // namespace gorsefinch
