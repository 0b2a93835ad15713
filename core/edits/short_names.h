// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include <span>
#include <string>
#include <vector>

#include "core/document/document.h"

namespace gorsefinch {

// Widgets of these names are about to come to another screen too. Where rules mean the only one of such a name by its
// name alone, the screen is written before it, so that they go on meaning that one.
Document withClearShortNames(const Document& document, std::span<const std::string> names);

// True if a screen but for `except`, and but for those that draw assemblies, has a widget of that name.
bool otherScreenHas(const Document& document, std::string_view except, std::string_view widget);

// The lines of rules that speak of a widget.
std::vector<std::string> rulesAboutWidget(const Document& document, const std::string& screen,
                                          const std::string& widget);

}  // namespace gorsefinch
