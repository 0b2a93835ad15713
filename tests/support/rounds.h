// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include <QtGlobal>
#include <algorithm>

namespace support {

// Rounds of a random test: `normal` of them, times what ./test long asks for.
inline int rounds(int normal) {
    return normal * std::clamp(qEnvironmentVariableIntValue("GORSEFINCH_ROUNDS"), 1, 2000);
}

}  // namespace support
