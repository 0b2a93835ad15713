// SPDX-License-Identifier: GPL-3.0-or-later
#include "core/document/box.h"

#include "core/document/widget_tree.h"

namespace gorsefinch {

Box boxOnPanel(const std::vector<WidgetRef>& widgets, size_t at) {
    const Offset place = placeOnPanel(widgets, at);
    return {place.x, place.y, place.x + widgets[at]->w, place.y + widgets[at]->h};
}

}  // namespace gorsefinch
