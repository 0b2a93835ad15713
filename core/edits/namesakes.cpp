// SPDX-License-Identifier: GPL-3.0-or-later
#include "core/edits/namesakes.h"

#include "core/edits/align.h"

namespace gorsefinch {

namespace {

// The number of the widget's namesake on a screen; -1 if there is none.
int namesakeOn(const Screen& screen, const Widget& widget) {
    const int at = widgetIndex(screen, widget.name);
    return at >= 0 && screen.widgets[static_cast<size_t>(at)]->kind == widget.kind ? at : -1;
}

}  // namespace

int namesakesOf(const Document& document, std::string_view screen, std::string_view widget) {
    const ScreenRef on = document.screen(screen);
    const int at = on ? widgetIndex(*on, widget) : -1;
    int out = 0;
    if (at >= 0)
        for (const ScreenRef& each : document.screens)
            out +=
                each != on && !each->assembly && namesakeOn(*each, *on->widgets[static_cast<size_t>(at)]) >= 0 ? 1 : 0;
    return out;
}

Document placeNamesakes(const Document& document, std::string_view screen, std::span<const std::string> names) {
    const ScreenRef on = document.screen(screen);
    if (!on)
        return document;
    Document next = document;
    for (const std::string& name : names) {
        const int at = widgetIndex(*on, name);
        if (at < 0)
            continue;
        const Widget& widget = *on->widgets[static_cast<size_t>(at)];
        const Box box = boxOnPanel(on->widgets, static_cast<size_t>(at));
        for (const ScreenRef& each : document.screens) {
            if (each != on && !each->assembly && namesakeOn(*each, widget) >= 0)
                next = placeBoxes(next, each->name, {{name, box}});
        }
    }
    return next;
}

}  // namespace gorsefinch
