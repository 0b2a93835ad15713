// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include <QImage>

#include "core/sim/panel_memory.h"

namespace gorsefinch::app {

// What a panel's memory shows, as a picture of the toolkit.
QImage toImage(const PanelMemory& memory);

}  // namespace gorsefinch::app
