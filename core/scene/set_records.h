// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include <memory>
#include <vector>

#include "core/scene/screen_part.h"

namespace gorsefinch {

// What a screen in one of the sets of colours has of its own; all else is that of the first set.
struct OwnRecords {
    std::vector<uint32_t> widgets;  // whose records differ
    bool slots = false;             // some begin with other values
    long flash8 = 0, flash32 = 0;   // bytes of these on targets of 8 and 32 bits, without looks
};

// Compares a screen as it was built in two sets.
std::shared_ptr<const OwnRecords> ownRecords(const ScreenPart& first, const ScreenPart& other);

}  // namespace gorsefinch
