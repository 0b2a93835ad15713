// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include <random>

#include "core/document/widget_tree.h"
#include "tests/support/projects.h"

namespace support {

// Screens of rectangles in groups, up to eight deep, of which some clip, are moved, hidden, or let something through.
class RandomTree {
  public:
    static constexpr int kWidth = 72, kHeight = 48;

    explicit RandomTree(uint32_t seed, bool fades = true) : random_(seed), fades_(fades) {}

    int upTo(int end) { return static_cast<int>(random_() % static_cast<uint32_t>(end)); }
    bool maybe(int percent) { return upTo(100) < percent; }

    Document make(PixelFormat format, int turn = 0) {
        Screen screen;
        screen.name = "tree";
        screen.background = colour();
        for (int i = 0, count = 4 + upTo(20); i < count; ++i) {
            Widget widget = makeWidget("w" + std::to_string(i), maybe(45) ? Kind::Group : Kind::Rectangle,
                                       upTo(kWidth) - 14, upTo(kHeight) - 10, 1 + upTo(kWidth), 1 + upTo(kHeight));
            widget.visible = maybe(92);
            widget.depth = upTo(kMaxDepth + 2);
            if (widget.kind == Kind::Rectangle || maybe(40))
                widget.properties["fill"] = colour();
            if (maybe(20)) {
                widget.properties["border"] = colour();
                widget.properties["border_width"] = int64_t{1 + upTo(3)};
            }
            if (widget.kind == Kind::Group)
                shape(widget);
            screen.widgets.push_back(std::make_shared<const Widget>(std::move(widget)));
        }
        straighten(screen.widgets);
        Document out = withPanelOf(makeDocument({}), format, turn, kWidth, kHeight);
        Panel panel = *out.panel;
        panel.stripLines = 16 << upTo(2);
        out = withPanel(out, panel);
        out.screens.push_back(std::make_shared<const Screen>(std::move(screen)));
        return out;
    }

  private:
    Colour colour() { return opaque(static_cast<uint32_t>(random_() & 0xffffff)); }

    void shape(Widget& group) {
        group.properties["clip"] = maybe(40);
        if (maybe(30))
            group.properties["pan_x"] = int64_t{upTo(30) - 10};
        if (maybe(30))
            group.properties["pan_y"] = int64_t{upTo(30) - 10};
        if (fades_ && maybe(30))
            group.opacity = upTo(256);
    }

    std::mt19937 random_;
    bool fades_;
};

}  // namespace support
