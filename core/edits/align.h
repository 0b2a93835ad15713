// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include <map>

#include "core/document/box.h"
#include "core/edits/edit.h"

// Edits that place several widgets by one another. Each takes the names in the order of their selection. Positions
// count on the panel, so the widgets may lie in different containers. Locked widgets stay, but others go by them; what
// lies in a named container goes with it. Where nothing is to do the document is returned as it is.
namespace gorsefinch {

enum class Alignment { Left, Centre, Right, Top, Middle, Bottom };
// What widgets are aligned by: the last of the names, the panel, or what holds each of them.
enum class AlignBy { Last, Panel, Container };
Document alignWidgets(const Document& document, std::string_view screen, std::span<const std::string> names,
                      Alignment alignment, AlignBy by);

enum class Distribution { CentresAcross, CentresDown, GapsAcross, GapsDown };
// Gives centres, or the gaps between boxes, the same distance; the outermost two stay. Pixels that are left over are
// spread. Needs three widgets.
Document distributeWidgets(const Document& document, std::string_view screen, std::span<const std::string> names,
                           Distribution distribution);

enum class SameSize { Width, Height, Both };
// Makes all as large as the last of the names, from their corners at the top left.
Document makeSameSize(const Document& document, std::string_view screen, std::span<const std::string> names,
                      SameSize same);

// Gives widgets these boxes on the panel, by their names.
Document placeBoxes(const Document& document, std::string_view screen, const std::map<std::string, Box>& boxes);

// Makes each as large as what holds it: the container's box, or the panel.
Document fillContainers(const Document& document, std::string_view screen, std::span<const std::string> names);

// Places the widgets in the rows and columns that they nearly form: corners in line at the top left, columns as wide
// and rows as high as the largest in them, gaps as most of them are. The grid begins where they begin.
Document tidyIntoGrid(const Document& document, std::string_view screen, std::span<const std::string> names);

// Exchanges the places of two widgets. Side by side, or one below the other, they keep what they cover together and
// the gap between them.
Document swapPlaces(const Document& document, std::string_view screen, std::span<const std::string> names);

}  // namespace gorsefinch
