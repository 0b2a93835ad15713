// SPDX-License-Identifier: GPL-3.0-or-later
#include "core/document/new_widget.h"

#include <algorithm>
#include <cmath>

#include "core/document/names.h"

namespace gorsefinch {

std::string startImage(const Document& document, Kind kind) {
    const PropertyInfo* property = requiredImage(info(kind));
    if (!property || document.images->empty())
        return "";
    const bool animated = showsAllFrames(info(kind), *property);
    const auto moves = [](const Image& each) {
        return !each.more.empty() || each.recipe.columns * each.recipe.rows > 1 || each.file.ends_with(".gif") ||
               each.file.ends_with(".webp");
    };
    for (const Image& each : *document.images)
        if (moves(each) == animated)
            return each.name;
    return document.images->front().name;
}

std::string startLook(const Document& document, Kind kind) {
    for (const char* look : info(kind).looks)
        if (document.look(look))
            return look;
    return "";
}

namespace {

// The relative luminance of a colour, 0 to 1 (WCAG 2.1).
double luminance(Colour colour) {
    const auto linear = [&](int shift) {
        const double c = (colour.argb >> shift & 255) / 255.0;
        return c <= 0.03928 ? c / 12.92 : std::pow((c + 0.055) / 1.055, 2.4);
    };
    return 0.2126 * linear(16) + 0.7152 * linear(8) + 0.0722 * linear(0);
}

bool differs(Colour ink, Colour background) {
    const double a = luminance(ink), b = luminance(background);
    return (std::max(a, b) + 0.05) / (std::min(a, b) + 0.05) >= 2.5;
}

}  // namespace

void standOut(const Document& document, Widget& widget, Colour background) {
    const bool isOneBit = info(document.panel->format).isOneBit();
    const bool isLight = luminance(background) > 0.4;
    const Colour ink = opaque(isLight ? (isOneBit ? 0x000000 : 0x22302E) : (isOneBit ? 0xFFFFFF : 0xF2EEE4));
    const Colour quiet = isOneBit ? ink : opaque(isLight ? 0x5F6B66 : 0x93A099);
    constexpr unsigned kHasInk = kIsInked | kHasText | kHasLabels;
    if (widget.look.empty() && widget.properties.count("colour") == 0 && info(widget.kind).has(kHasInk) &&
        !differs(std::get<Colour>(styleProperty("colour").fallback), background))
        widget.properties["colour"] = ink;
    for (auto& [key, value] : widget.properties)
        if (auto* colour = std::get_if<Colour>(&value);
            colour && key != "fill" && key != "border" && !differs(*colour, background))
            *colour = key == "colour" ? ink : quiet;
}

void startContent(const Document& document, Widget& widget, Colour background) {
    const KindInfo& kind = info(widget.kind);
    if (const std::string image = startImage(document, widget.kind); !image.empty())
        widget.properties[requiredImage(kind)->key] = image;
    if (kind.start)
        kind.start(widget, info(document.panel->format).isOneBit());
    standOut(document, widget, background);
}

Widget newWidget(const Document& document, const Screen& screen, Kind kind, int x, int y, int w, int h, bool drawn) {
    const KindInfo& kindInfo = info(kind);
    const Panel& panel = *document.panel;
    Widget widget;
    widget.kind = kind;
    widget.w = drawn ? w : std::min(kindInfo.width, panel.width / 2);
    widget.h = drawn ? h : std::min(kindInfo.height, panel.height / 3);
    widget.x = drawn ? x : std::clamp(x, 0, panel.width - widget.w);
    widget.y = drawn ? y : std::clamp(y, 0, panel.height - widget.h);
    // Keyboards come from below.
    if (kind == Kind::Keyboard && !drawn) {
        widget.x = 0;
        widget.w = panel.width;
        widget.h = panel.height / 2;
        widget.y = panel.height - widget.h;
    }
    widget.look = startLook(document, kind);
    startContent(document, widget, backgroundOf(document, screen));
    widget.name = widgetNameFor(screen, kind, "");
    return widget;
}

Widget newPage(const Screen& screen, const Widget& pager, const std::vector<Widget>& others) {
    Widget page;
    page.kind = Kind::Group;
    page.name = uniqueName("page", [&](std::string_view name) {
        return name == pager.name || widgetIndex(screen, name) >= 0 ||
               std::any_of(others.begin(), others.end(), [&](const Widget& each) { return each.name == name; });
    });
    page.depth = pager.depth + 1;
    page.w = pager.w;
    page.h = pager.h;
    return page;
}

std::vector<Widget> sampleContent(const Widget& container) {
    std::vector<Widget> out;
    const auto add = [&](Kind kind, int depth, int x, int y, int w, int h, uint32_t fill) {
        Widget part;
        part.kind = kind;
        part.name = "part" + std::to_string(out.size());
        part.depth = depth;
        part.x = x;
        part.y = y;
        part.w = std::max(w, 1);
        part.h = std::max(h, 1);
        if (fill != 0)
            part.properties["fill"] = opaque(fill);
        out.push_back(std::move(part));
    };
    constexpr uint32_t quiet = 0x8A948E;
    const int w = container.w, h = container.h;
    if (container.kind == Kind::Group) {
        add(Kind::Rectangle, 1, w / 8, h / 4, w / 3, h / 2, quiet);
        add(Kind::Disc, 1, w * 5 / 8, h / 4, h / 2, h / 2, quiet);
    } else if (container.kind == Kind::Pager) {
        for (int page = 0; page < 3; ++page) {
            add(Kind::Group, 1, page * w, 0, w, h, 0);
            add(Kind::Rectangle, 2, w / 8, h / 5, w * 3 / 4, h / 4, quiet);
        }
    } else if (container.kind == Kind::Drawer) {
        for (int line = 0; line < 3; ++line)
            add(Kind::Rectangle, 1, w / 6, (2 * line + 1) * h / 7, w / 2, std::max(h / 9, 1), quiet);
    }
    return out;
}

std::vector<Widget> newContent(const Screen& screen, const Widget& container) {
    std::vector<Widget> out;
    if (container.kind == Kind::Pager)
        for (int i = 0; i < 2; ++i)
            out.push_back(newPage(screen, container, out));
    return out;
}

Widget imageWidget(const Document& document, const Screen& screen, const std::string& image, int w, int h, int x, int y,
                   bool moves) {
    const Panel& panel = *document.panel;
    Widget widget;
    widget.kind = moves ? Kind::Frames : Kind::Image;
    widget.w = w;
    widget.h = h;
    widget.x = std::clamp(x - w / 2, 0, std::max(panel.width - w, 0));
    widget.y = std::clamp(y - h / 2, 0, std::max(panel.height - h, 0));
    widget.properties["image"] = image;
    widget.name = widgetNameFor(screen, widget.kind, image);
    return widget;
}

}  // namespace gorsefinch
