// SPDX-License-Identifier: GPL-3.0-or-later
#include "core/check/fixes.h"

#include "core/check/namesake_check.h"
#include "core/edits/align.h"

namespace gorsefinch {

namespace {

std::optional<Fix> placeTheSame(const Document& document, const Problem& problem) {
    const ScreenRef screen = document.screen(problem.screen);
    const int at = screen ? widgetIndex(*screen, problem.widget) : -1;
    if (at < 0)
        return std::nullopt;
    const Kind kind = screen->widgets[static_cast<size_t>(at)]->kind;
    const auto usual = usualBox(document, problem.widget, kind);
    if (!usual)
        return std::nullopt;
    Document next = placeBoxes(document, problem.screen, {{problem.widget, *usual}});
    if (next.screens == document.screens)
        return std::nullopt;
    return Fix{"Place it the same", std::move(next)};
}

}  // namespace

std::optional<Fix> fixOf(const Document& document, const Problem& problem) {
    if (problem.code == kNamesakesApart)
        return placeTheSame(document, problem);
    return std::nullopt;
}

}  // namespace gorsefinch
