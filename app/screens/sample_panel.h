// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include "core/document/document.h"

namespace gorsefinch::app {

// A panel of another size for a picture of something: with the same pixels, but neither turned nor mirrored, and
// without keys, so that the focus is on nothing.
inline Panel samplePanel(const Panel& from, int width, int height) {
    Panel panel = from;
    panel.width = width;
    panel.height = height;
    panel.round = false;
    panel.turn = 0;
    panel.mirrorX = panel.mirrorY = panel.invert = panel.swapRedBlue = false;
    panel.knob = false;
    panel.keys.clear();
    panel.columnOffset = panel.rowOffset = 0;
    return panel;
}

}  // namespace gorsefinch::app
