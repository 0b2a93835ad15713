// SPDX-License-Identifier: GPL-3.0-or-later
#include "core/edits/focus_edits.h"

#include <algorithm>

namespace gorsefinch {

Document moveInFocus(const Document& document, std::string_view screen, std::vector<std::string> order,
                     const std::string& widget, const std::string& to) {
    const auto target = std::find(order.begin(), order.end(), to);
    if (target == order.end() || widget == to)
        return document;
    const auto turn = target - order.begin();
    order.erase(std::remove(order.begin(), order.end(), widget), order.end());
    order.insert(order.begin() + std::min(turn, static_cast<std::ptrdiff_t>(order.size())), widget);
    return changeWidgets(document, screen, order, [&](Widget& each) {
        const auto at = std::find(order.begin(), order.end(), each.name) - order.begin();
        each.focus = std::to_string(at + 1);
    });
}

Document passOver(const Document& document, std::string_view screen, const std::string& widget, bool pass) {
    return changeWidgets(document, screen, std::span(&widget, 1),
                         [&](Widget& each) { each.focus = pass ? std::string(kNeverFocused) : std::string(); });
}

Document focusByPlace(const Document& document, std::string_view screen) {
    std::vector<std::string> names;
    if (const ScreenRef on = document.screen(screen))
        for (const WidgetRef& each : on->widgets)
            if (!each->focus.empty() && each->focus != kNeverFocused)
                names.push_back(each->name);
    return changeWidgets(document, screen, names, [](Widget& each) { each.focus.clear(); });
}

}  // namespace gorsefinch
