// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include "core/edits/edit.h"

// Edits of what helps to lay out screens.
namespace gorsefinch {

Document withAids(const Document& document, const LayoutAids& aids);

// A guide line at x (upright) or y, of one screen, or of all for "".
struct GuideLine {
    std::string screen;
    bool upright = true;
    int at = 0;  // pixels
    friend bool operator==(const GuideLine&, const GuideLine&) = default;
};

// Sorted and each once; places outside the panel, and more than kMaxGuideLines, are left out.
GuideLines tidyLines(GuideLines lines, const Panel& panel);

// The lines of a screen, or those on all for ""; no lines for a screen that is not there.
GuideLines linesOf(const Document& document, std::string_view screen);
// The same with other lines, as tidyLines() gives them.
Document withLines(const Document& document, std::string_view screen, GuideLines lines);
Document withLine(const Document& document, const GuideLine& line);
Document withoutLine(const Document& document, const GuideLine& line);

}  // namespace gorsefinch
