// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include "core/kinds/kinds.h"

namespace gorsefinch {

// Fills a new shape that has no look, so that it is seen. KindInfo::start of shapes.
inline void startShape(Widget& widget, bool oneBit) {
    if (widget.look.empty())
        widget.properties["fill"] = opaque(oneBit ? 0xFFFFFF : 0x2B3436);
}

}  // namespace gorsefinch
