// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include "core/edits/edit.h"

namespace gorsefinch {

// Gives a widget the turn of another one among those that the focus reaches, which are named in their present order;
// the others move up. All of them get numbers for their focus, from 1 on. A widget that is not among them joins them;
// one that is not on the screen changes nothing.
Document moveInFocus(const Document& document, std::string_view screen, std::vector<std::string> order,
                     const std::string& widget, const std::string& to);
// The focus passes over a widget, or reaches it again, at its place or behind those that have numbers.
Document passOver(const Document& document, std::string_view screen, const std::string& widget, bool pass);
// The focus goes by place again.
Document focusByPlace(const Document& document, std::string_view screen);

}  // namespace gorsefinch
