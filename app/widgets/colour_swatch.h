// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include <QPixmap>

#include "core/kinds/value.h"

namespace gorsefinch::app {

// A colour over a checked ground, with an edge; the ground alone for nothing.
QPixmap colourSwatch(std::optional<Colour> colour, const QSize& size = {18, 16});

}  // namespace gorsefinch::app
