// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include <vector>

#include "core/document/document.h"

namespace gorsefinch {

// The kinds that can show a variable, the one that suits its type best first.
std::vector<Kind> kindsFor(const Variable& variable);

// The widgets that show a variable on a screen: one of the kind, in a box of its usual size around the pixel x, y as
// far as the panel has room, and with a readout or text its caption above it. Their names are free on the screen.
std::vector<Widget> widgetsFor(const Document& document, const Screen& screen, const Variable& variable, Kind kind,
                               int x, int y);

}  // namespace gorsefinch
