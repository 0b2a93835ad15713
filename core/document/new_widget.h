// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include <string>
#include <vector>

#include "core/document/document.h"

namespace gorsefinch {

// The image that a new widget of a kind shows: for frames the first that moves; "" if it shows none.
std::string startImage(const Document& document, Kind kind);

// The look that a new widget of a kind takes: one of the kind's own name, else a plain one; "" if there is none.
std::string startLook(const Document& document, Kind kind);

// Gives a widget what a new one of its kind shows on a screen with this background: an image and the properties of
// KindInfo::start, in inks that stand out.
void startContent(const Document& document, Widget& widget, Colour background);

// Gives a widget other inks where its own, or the default, hardly differ from the background: dark ones on a light
// screen. Colours of its look, its box and its border stay.
void standOut(const Document& document, Widget& widget, Colour background);

// A new widget with its start look and content, at x, y in pixels. `drawn` says whether w and h were chosen by the
// user; else it has its default size, at most half a small panel's, and lies inside it. Its name is free on the screen.
Widget newWidget(const Document& document, const Screen& screen, Kind kind, int x, int y, int w, int h, bool drawn);

// What a new container holds: a pager two pages.
std::vector<Widget> newContent(const Screen& screen, const Widget& container);
// What the sample of a kind of container holds in the tray, small shapes that tell them apart; nothing for other kinds.
std::vector<Widget> sampleContent(const Widget& container);
// A page for a pager of a screen, whose names are free beside those of `others`.
Widget newPage(const Screen& screen, const Widget& pager, const std::vector<Widget>& others = {});

// A widget that shows an image of w x h pixels with its middle at x, y, as far inside the panel as it fits: frames
// where there are several. Its name comes from the image's and is free on the screen.
Widget imageWidget(const Document& document, const Screen& screen, const std::string& image, int w, int h, int x, int y,
                   bool moves);

}  // namespace gorsefinch
