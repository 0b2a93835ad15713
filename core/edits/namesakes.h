// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include "core/edits/edit.h"

// Widgets of the same name and kind on several screens: a title, a back button. They are meant to lie at the same
// place.
namespace gorsefinch {

// How many there are on other screens.
int namesakesOf(const Document& document, std::string_view screen, std::string_view widget);

// Gives the namesakes of the named widgets, on all other screens, their places on the panel and their sizes. Locked
// ones stay.
Document placeNamesakes(const Document& document, std::string_view screen, std::span<const std::string> names);

}  // namespace gorsefinch
