// SPDX-License-Identifier: GPL-3.0-or-later
#include "core/check/fixes.h"

#include <algorithm>
#include <cmath>

#include "core/base/problem_codes.h"
#include "core/check/namesake_check.h"
#include "core/check/screen_check.h"
#include "core/document/widget_tree.h"
#include "core/edits/align.h"
#include "core/edits/font_edits.h"
#include "core/edits/image_edits.h"
#include "core/edits/look_edits.h"
#include "core/edits/named_edits.h"
#include "core/scene/content_size.h"

namespace gorsefinch {

namespace {

// The widget that a problem is about.
struct Place {
    const BuiltScene& scene;
    const Document& document;
    size_t screen, widget;
    const std::vector<WidgetRef>& widgets() const { return document.screens[screen]->widgets; }
    const Widget& at() const { return *widgets()[widget]; }
    const std::string& screenName() const { return document.screens[screen]->name; }
};

std::optional<Fix> made(const Place& place, const char* label, Document next) {
    if (next.screens == place.document.screens)
        return std::nullopt;
    return Fix{label, std::move(next)};
}

std::optional<Fix> placeTheSame(const Place& place) {
    const auto usual = usualBox(place.document, place.at().name, place.at().kind);
    if (!usual)
        return std::nullopt;
    return made(place, "Place it the same",
                placeBoxes(place.document, place.screenName(), {{place.at().name, *usual}}));
}

// As far as it has to go; what is larger than the panel begins at its edge.
std::optional<Fix> moveInside(const Place& place) {
    const Panel& panel = *place.document.panel;
    const Box box = boxOnPanel(place.widgets(), place.widget);
    const auto into = [](int from, int size, int room) { return std::clamp(from, 0, std::max(0, room - size)); };
    if (panel.round)
        return std::nullopt;
    const int x = into(box.x0, box.w(), panel.width), y = into(box.y0, box.h(), panel.height);
    return made(
        place, "Move it inside",
        placeBoxes(place.document, place.screenName(), {{place.at().name, Box{x, y, x + box.w(), y + box.h()}}}));
}

std::optional<Fix> fitContent(const Place& place, const char* label, bool wholly) {
    // The first of a series has its name.
    const int shown = widgetIndex(*place.scene.document.screens[place.screen], place.at().name);
    const auto size = shown < 0 ? std::nullopt : contentSizeOf(place.scene, place.screen, static_cast<size_t>(shown));
    if (!size)
        return std::nullopt;
    Box box = boxOnPanel(place.widgets(), place.widget);
    box.x1 = box.x0 + std::max(box.w(), size->w);
    if (wholly)
        box.y1 = box.y0 + std::max(box.h(), size->h);
    return made(place, label, placeBoxes(place.document, place.screenName(), {{place.at().name, box}}));
}

std::optional<Fix> raise(const Place& place) {
    return made(place, "Raise it above",
                reorderWidgets(place.document, place.screenName(), std::span(&place.at().name, 1), Depth::ToTop));
}

// The least margin with which the target is large enough.
std::optional<Fix> giveMargin(const Place& place) {
    const Panel& panel = *place.document.panel;
    const PropertyInfo& margin = *findIn(placeProperties(), "touch_margin");
    for (int pixels = place.at().touchMargin + 1; pixels <= margin.max; ++pixels) {
        Widget with = place.at();
        with.touchMargin = pixels;
        const int side = std::min(with.w, with.h) + 2 * pixels;
        const auto mm = targetMm(panel, {0, 0, side, side});
        if (!mm || *mm < kLeastTarget)
            continue;
        return made(place, "Give it a touch margin",
                    changeWidgets(place.document, place.screenName(), std::span(&place.at().name, 1),
                                  [pixels](Widget& w) { w.touchMargin = pixels; }));
    }
    return std::nullopt;
}

std::optional<Fix> fixOfWidget(const Place& place, std::string_view code) {
    if (place.at().locked)
        return std::nullopt;
    if (code == kNamesakesApart)
        return placeTheSame(place);
    if (code == kOutsidePanel)
        return moveInside(place);
    if (code == kClippedText)
        return fitContent(place, "Make it as wide as its longest text", false);
    if (code == kPictureCut)
        return fitContent(place, "Make it as large as its picture", true);
    if (code == kCovered)
        return raise(place);
    if (code == kSmallTarget)
        return giveMargin(place);
    return std::nullopt;
}

// "look plain", "colour ink": what the place of a problem of the whole project says.
std::optional<Fix> removeUnused(const Document& document, const std::string& place) {
    const size_t space = place.find(' ');
    const std::string what = place.substr(0, space), name = space == std::string::npos ? "" : place.substr(space + 1);
    Document next = what == "look"                       ? removeLook(document, name)
                    : what == "colour" || what == "size" ? removeNamedValue(document, name)
                    : what == "image"                    ? removeImages(document, std::span(&name, 1))
                    : what == "face"                     ? removeFace(document, name)
                    : what == "variable"                 ? removeVariable(document, name)
                                                         : document;
    const bool same = next.looks == document.looks && next.named == document.named && next.images == document.images &&
                      next.faces == document.faces && next.variables == document.variables;
    return same ? std::nullopt : std::optional(Fix{"Delete it", std::move(next)});
}

}  // namespace

std::optional<Fix> fixOf(const BuiltScene& scene, const Problem& problem) {
    const Document& document = scene.given;
    if (problem.code == kUnused)
        return removeUnused(document, problem.place);
    const int screen = problem.widget.empty() ? -1 : document.screenIndex(problem.screen);
    const int widget = screen < 0 ? -1 : widgetIndex(*document.screens[static_cast<size_t>(screen)], problem.widget);
    if (widget < 0)
        return std::nullopt;
    return fixOfWidget({scene, document, static_cast<size_t>(screen), static_cast<size_t>(widget)}, problem.code);
}

}  // namespace gorsefinch
