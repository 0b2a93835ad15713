// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include "core/sim/twin.h"

namespace gorsefinch {

// What a panel's outputs make of its picture.
struct OutputState {
    int light = 100;    // 0 to 100; at 0 a tenth is left, so that there is something to see
    int contrast = 50;  // 0 to 100: 0 is all grey, 50 as drawn
    bool inverted = false;
    bool on = true;
    friend bool operator==(const OutputState&, const OutputState&) = default;
};

// The twin's outputs as they are now; those that its panel lacks as they are above.
OutputState outputsOf(const Twin& twin);
// Changes a picture to what the user sees of it.
void applyOutputs(Picture& picture, const OutputState& outputs);

}  // namespace gorsefinch
