// SPDX-License-Identifier: GPL-3.0-or-later
#include "core/check/touch_targets.h"

#include <algorithm>

#include "core/check/screen_check.h"
#include "core/document/widget_tree.h"

namespace gorsefinch {

namespace {

// What the container of a widget shows of it, which takes the touches.
Box seen(const Document& document, const std::vector<WidgetRef>& widgets, const std::vector<int>& containers, size_t at,
         Box box) {
    for (int each = containers[at]; each >= 0; each = containers[static_cast<size_t>(each)])
        if (const auto holder = static_cast<size_t>(each); clips(document, *widgets[holder]))
            box = overlap(box, boxOnPanel(widgets, holder));
    return box;
}

bool isShown(const std::vector<WidgetRef>& widgets, const std::vector<int>& containers, size_t at) {
    bool shown = widgets[at]->visible;
    for (int each = containers[at]; each >= 0 && shown; each = containers[static_cast<size_t>(each)])
        shown = widgets[static_cast<size_t>(each)]->visible;
    return shown;
}

}  // namespace

std::vector<TouchTarget> touchTargets(const BuiltScene& scene, size_t screen) {
    std::vector<TouchTarget> out;
    const Document& document = scene.document;
    const std::vector<WidgetRef>& widgets = document.screens[screen]->widgets;
    if (!document.panel->touch)
        return out;
    const std::vector<int> containers = containersOf(widgets);
    for (size_t i = 0; i < widgets.size(); ++i) {
        const Widget& widget = *widgets[i];
        if (!info(widget.kind).has(kIsTouched) || !widget.enabled || !isShown(widgets, containers, i))
            continue;
        TouchTarget target;
        target.widget = i;
        target.box = seen(document, widgets, containers, i, touchTarget(widgets, i));
        if (target.box.w() <= 0 || target.box.h() <= 0)
            continue;
        target.mm = targetMm(*document.panel, target.box);
        target.isSmall = target.mm && *target.mm < kLeastTarget;
        for (TouchTarget& below : out) {
            const Box common = overlap(below.box, target.box);
            if (common.w() <= 0 || common.h() <= 0)
                continue;
            below.shared.push_back(common);
            below.isCovered = below.isCovered || target.box.holds(below.box);
        }
        out.push_back(std::move(target));
    }
    return out;
}

}  // namespace gorsefinch
