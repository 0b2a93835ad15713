// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include "core/edits/edit.h"

namespace gorsefinch {

// Makes widgets of a screen another kind. Name, box, look and depth stay, and each property that the other kind has
// too, as far as its value fits there; the rest are as in a new widget.
Document replaceKind(const Document& document, std::string_view screen, std::span<const std::string> names, Kind kind);

}  // namespace gorsefinch
