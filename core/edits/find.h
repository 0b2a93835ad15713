// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include "core/edits/edit.h"

namespace gorsefinch {

// What of a widget is looked through. Variables are found where a property, an expression or an inset of a text names
// them; a font by the name of its face, as the widget or its look has it.
enum class FindIn { Anything, Name, Text, Kind, Look, Font, Image, Variable };

struct Found {
    std::string screen, widget;
    FindIn in;
    std::string words;  // in which it was found
    friend bool operator==(const Found&, const Found&) = default;
};

// The widgets of all screens that have the text somewhere, each once, in the order of screens and widgets: at most
// `max`. Large and small letters of ASCII are the same. Nothing is found for "".
std::vector<Found> findWidgets(const Document& document, std::string_view text, FindIn in, size_t max = 5000);

// Replaces the text in all texts of the widgets that were found, as they were found. A text that grows beyond
// kMaxTextBytes stays as it is, and is counted in `tooLong`.
Document replaceText(const Document& document, std::span<const Found> found, std::string_view text, std::string_view by,
                     size_t* tooLong = nullptr);
// Gives them all a look; an unknown one is refused, "" is none.
Result<Document> replaceLook(const Document& document, std::span<const Found> found, std::string_view look);

}  // namespace gorsefinch
