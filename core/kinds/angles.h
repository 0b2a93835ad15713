// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include "core/kinds/property.h"

namespace gorsefinch {

// A property that is an angle in whole degrees, dragged on what KindInfo::round says.
inline PropertyInfo angleProperty(const char* key, const char* label, int fallback, bool inRules, const char* help) {
    return {.key = key,
            .label = label,
            .type = PropertyType::Whole,
            .fallback = int64_t{fallback},
            .min = 0,
            .max = 360,
            .unit = "\u00b0",
            .help = help,
            .inRules = inRules,
            .handle = HandleType::Angle};
}

inline PropertyInfo fromAngle(int fallback, bool inRules = true) {
    return angleProperty("from_angle", "From", fallback, inRules, "where it begins: 0 is at the top, clockwise");
}
inline PropertyInfo toAngle(int fallback, bool inRules = true) {
    return angleProperty("to_angle", "To", fallback, inRules, "where it ends, clockwise; where it begins: all round");
}

}  // namespace gorsefinch
