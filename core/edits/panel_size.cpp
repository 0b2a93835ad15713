// SPDX-License-Identifier: GPL-3.0-or-later
#include "core/edits/panel_size.h"

#include <algorithm>
#include <cmath>

#include "core/document/arrange.h"
#include "core/edits/guide_edits.h"

namespace gorsefinch {

namespace {

// How much larger the panel becomes.
struct Scale {
    double across, down;
    double text() const { return std::min(across, down); }
};

int scaled(int value, double by) { return static_cast<int>(std::lround(value * by)); }

// The property of looks and widgets that says how large texts are, if it is set.
void scaleText(PropertyMap& style, const Scale& scale) {
    const auto found = style.find("size");
    if (found == style.end())
        return;
    if (auto* size = std::get_if<int64_t>(&found->second); size && *size > 0)
        *size =
            std::max<int64_t>(scaled(static_cast<int>(*size), scale.text()), std::min<int64_t>(*size, kMinScaledText));
}

// Both edges go to the nearest pixel, so that what touched touches still.
WidgetRef scaledWidget(const Widget& widget, const Scale& scale) {
    auto out = std::make_shared<Widget>(widget);
    const int x = scaled(widget.x, scale.across), y = scaled(widget.y, scale.down);
    setBox(*out, x, y, scaled(widget.x + widget.w, scale.across) - x, scaled(widget.y + widget.h, scale.down) - y);
    if (const auto resize = info(widget.kind).resize)
        resize(*out, widget);
    scaleText(out->properties, scale);
    return out;
}

GuideLines scaledLines(GuideLines lines, const Scale& scale, const Panel& panel) {
    for (int& each : lines.upright)
        each = scaled(each, scale.across);
    for (int& each : lines.level)
        each = scaled(each, scale.down);
    return tidyLines(std::move(lines), panel);
}

// The named sizes that texts have anywhere.
std::set<std::string> textSizes(const Document& document) {
    std::set<std::string> out;
    const auto add = [&](const PropertyMap& style) {
        if (const auto size = style.find("size"); size != style.end() && !nameIn(size->second).empty())
            out.emplace(nameIn(size->second));
    };
    for (const Look& look : *document.looks) {
        add(look.style);
        for (const auto& [state, style] : look.states)
            add(style);
    }
    for (const ScreenRef& screen : document.screens)
        for (const WidgetRef& widget : screen->widgets)
            add(widget->properties);
    return out;
}

NamedValues scaledValues(NamedValues named, const std::set<std::string>& texts, const Scale& scale) {
    for (NamedSize& each : named.sizes)
        if (texts.count(each.name) != 0 && each.size > 0)
            each.size = std::max(scaled(each.size, scale.text()), std::min(each.size, int{kMinScaledText}));
    return named;
}

Document scaledDocument(const Document& document, const Panel& panel) {
    const Scale scale{double(panel.width) / document.panel->width, double(panel.height) / document.panel->height};
    Document next = document;
    next.panel = std::make_shared<const Panel>(panel);
    next.named = std::make_shared<const NamedValues>(scaledValues(*document.named, textSizes(document), scale));
    for (ScreenRef& each : next.screens) {
        Screen screen = *each;
        for (WidgetRef& widget : screen.widgets)
            widget = scaledWidget(*widget, scale);
        screen.lines = scaledLines(screen.lines, scale, panel);
        if (screen.assembly) {
            Assembly drawn = *screen.assembly;
            drawn.width = std::clamp(scaled(drawn.width, scale.across), 1, kMaxPanelSide);
            drawn.height = std::clamp(scaled(drawn.height, scale.down), 1, kMaxPanelSide);
            screen.assembly = std::make_shared<const Assembly>(std::move(drawn));
        }
        arrange(screen.widgets, *next.named);
        each = std::make_shared<const Screen>(std::move(screen));
    }
    auto looks = std::make_shared<std::vector<Look>>(*document.looks);
    for (Look& each : *looks) {
        scaleText(each.style, scale);
        for (auto& [state, style] : each.states)
            scaleText(style, scale);
    }
    next.looks = std::move(looks);
    LayoutAids aids = *document.aids;
    aids.lines = scaledLines(aids.lines, scale, panel);
    next.aids = std::make_shared<const LayoutAids>(std::move(aids));
    return next;
}

}  // namespace

Document withPanelSize(const Document& document, const Panel& panel, PanelResize how) {
    const bool same = panel.width == document.panel->width && panel.height == document.panel->height;
    if (same || how == PanelResize::FollowEdges)
        return withPanel(document, panel);
    if (how == PanelResize::Scale)
        return scaledDocument(document, panel);
    Document next = document;
    next.panel = std::make_shared<const Panel>(panel);
    return next;
}

}  // namespace gorsefinch
