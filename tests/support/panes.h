// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include "tests/support/on_twin.h"

// Projects with a pager, and with a drawer.
namespace support {

using namespace gorsefinch;

inline Widget in(Widget widget, int depth) {
    widget.depth = depth;
    return widget;
}

// Three pages of 100 x 60 px at 10, 10, each with a button that counts.
inline Document pagerDocument(PropertyMap properties = {}, bool withVariable = true) {
    Document d = withPanelOf(makeDocument({"one"}), PixelFormat::Rgb565, 0, 120, 96);
    d = gorsefinch::withVariable(d, makeNumber("shown", 0, 10, 0));
    d = gorsefinch::withVariable(d, makeNumber("taps", 0, 1000, 0));
    d = gorsefinch::withVariable(d, makeNumber("changes", 0, 1000, 0));
    if (withVariable)
        properties["page"] = std::string("shown");
    std::vector<Widget> widgets{makeWidget("pager", Kind::Pager, 10, 10, 100, 60, properties)};
    for (int i = 0; i < 3; ++i) {
        widgets.push_back(in(makeWidget("page" + std::to_string(i), Kind::Group, 0, 0, 5, 5,
                                        {{"fill", opaque(0x203040u + 0x300000u * static_cast<uint32_t>(i))}}),
                             1));
        widgets.push_back(
            in(makeWidget("button" + std::to_string(i), Kind::Button, 30, 20, 40, 20, {{"text", std::string()}}), 2));
    }
    d = addWidgets(d, "one", widgets);
    return withRules(d, "main",
                     "on pager.change\n    changes = changes + 1\n\non button0.tap\n    taps = taps + 1\n\n"
                     "on button1.tap\n    taps = taps + 10\n\non button2.tap\n    taps = taps + 100\n");
}

// A drawer of 60 x 96 px at the left edge of a panel of 120 x 96, with a button; another button lies on the right.
inline Document drawerDocument(PropertyMap properties = {}, const std::string& edge = "left") {
    Document d = withPanelOf(makeDocument({"one"}), PixelFormat::Rgb565, 0, 120, 96);
    d = gorsefinch::withVariable(d, makeYesNo("menu", false));
    d = gorsefinch::withVariable(d, makeNumber("inside", 0, 1000, 0));
    d = gorsefinch::withVariable(d, makeNumber("outside", 0, 1000, 0));
    d = gorsefinch::withVariable(d, makeNumber("events", 0, 1000, 0));
    properties["edge"] = edge;
    properties["fill"] = opaque(0x304050);
    d = addWidgets(d, "one",
                   {makeWidget("opener", Kind::Button, 80, 10, 30, 20, {{"text", std::string()}}),
                    makeWidget("drawer", Kind::Drawer, edge == "right" ? 60 : 0, 0, 60, 96, properties),
                    in(makeWidget("item", Kind::Button, 10, 40, 40, 20, {{"text", std::string()}}), 1)});
    return withRules(d, "main",
                     "on opener.tap\n    outside = outside + 1\n    open drawer\n\n"
                     "on item.tap\n    inside = inside + 1\n    close drawer\n\n"
                     "on drawer.open\n    events = events + 1\n\non drawer.close\n    events = events + 100\n");
}

}  // namespace support
