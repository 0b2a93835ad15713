// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include "core/edits/edit.h"

// Edits of which widget lies in which container. Where widgets are on the panel they stay.
namespace gorsefinch {

// Puts the named widgets, with what they hold, into a container, or onto the screen for "", as number `to` from the
// bottom among what it holds without them; clamped. Refused if the container is none, is one of them or lies in one of
// them, or if anything would lie deeper than kMaxDepth.
Result<Document> moveInto(const Document& document, std::string_view screen, std::span<const std::string> names,
                          std::string_view container, int to);

// Puts the named widgets into a new group around them, in the container of the topmost one, and tells its name. Its box
// is that of the container if rules or expressions say where any of them is. Refused if that would show other pixels,
// as something lies between them.
Result<Document> groupWidgets(const Document& document, std::string_view screen, std::span<const std::string> names,
                              std::string* made = nullptr);

// Takes the named groups away, without what they hold, which `freed` receives. What a group draws itself stays as a
// rectangle. Names of other widgets are passed over.
Document ungroupWidgets(const Document& document, std::string_view screen, std::span<const std::string> names,
                        Names* freed = nullptr);

}  // namespace gorsefinch
