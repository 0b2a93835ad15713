// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include <QImage>

#include "core/sim/panel_memory.h"

namespace gorsefinch::app {

// A picture, and what a panel's memory shows, as the toolkit has them.
QImage toImage(const Picture& picture);
QImage toImage(const PanelMemory& memory);

}  // namespace gorsefinch::app
