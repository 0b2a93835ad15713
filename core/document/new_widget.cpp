// SPDX-License-Identifier: GPL-3.0-or-later
#include "core/document/new_widget.h"

#include <algorithm>

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

void startContent(const Document& document, Widget& widget) {
    const KindInfo& kind = info(widget.kind);
    if (const std::string image = startImage(document, widget.kind); !image.empty())
        widget.properties[requiredImage(kind)->key] = image;
    if (kind.start)
        kind.start(widget, info(document.panel->format).isOneBit());
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
    widget.look = startLook(document, kind);
    startContent(document, widget);
    widget.name = widgetNameFor(screen, kind, "");
    return widget;
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
