// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include <string>

#include "tests/support/kiln_face.h"

// All that a person operates, in all its states.
namespace support {

// A look that each state changes, alone and with others.
inline Look lookOfStates(const std::string& font) {
    Look look;
    look.name = "states";
    look.style = {{"fill", opaque(0x20302c)},   {"colour", opaque(0xe8e4d8)}, {"border", opaque(0x808880)},
                  {"border_width", int64_t{1}}, {"radius", int64_t{3}},       {"font", font},
                  {"size", int64_t{9}}};
    look.states["focused"] = {{"border", opaque(0xffffff)}};
    look.states["on"] = {{"fill", opaque(0x405c20)}, {"radius", int64_t{6}}};
    look.states["pressed"] = {{"colour", opaque(0xe3b505)}, {"border_width", int64_t{2}}};
    look.states["disabled"] = {{"colour", opaque(0x606860)}};
    return look;
}

// Each kind in its forms, in rows of six; `able` enables them all.
inline Document withEveryControl(PixelFormat format) {
    using S = std::string;
    Document d = withPanelOf(makeDocument(), format, 0, 208, 128);
    d = withKilnFace(d);
    Panel panel = *d.panel;
    panel.knob = true;
    panel.keys = {"up", "down", "back", "light"};
    panel.focusWraps = true;
    d = withPanel(d, panel);
    d = withVariable(d, makeYesNo("able", true));
    d = withVariable(d, makeYesNo("lit", false));
    d = withVariable(d, makeNumber("level", -20, 100, 10));
    d = withVariable(d, makeChoice("mode", {"low", "mid", "high"}, 1));
    d.looks = std::make_shared<const std::vector<Look>>(std::vector<Look>{lookOfStates(faceName(d))});
    const PropertyMap lit{{"value", S("lit")}}, level{{"value", S("level")}, {"step", S("4")}};
    const auto with = [](PropertyMap all, const PropertyMap& more) {
        all.insert(more.begin(), more.end());
        return all;
    };
    std::vector<Widget> widgets;
    const auto add = [&](Kind kind, PropertyMap properties) {
        const int at = static_cast<int>(widgets.size());
        Widget widget = makeWidget(S("w") + std::to_string(at), kind, 4 + at % 6 * 34, 4 + at / 6 * 31, 31, 28,
                                   std::move(properties));
        if (!info(kind).has(kIsUnseen))
            widget.look = "states";
        widget.expressions["enabled"] = "able";
        widgets.push_back(std::move(widget));
    };
    add(Kind::Switch, lit);
    add(Kind::Switch, with({{"slide", int64_t{0}}, {"on_colour", opaque(0xe3b505)}}, lit));
    add(Kind::Checkbox, with({{"acts", S("latching")}}, lit));
    for (const char* mode : {"low", "mid"})
        add(Kind::Checkbox, {{"value", S("mode")}, {"acts", S("choice")}, {"choice", S(mode)}, {"shape", S("round")}});
    for (const char* direction : {"right", "left", "down", "up"})
        add(Kind::Slider, with({{"direction", S(direction)}, {"shows_value", true}, {"ticks", int64_t{4}}}, level));
    add(Kind::Slider, with({{"moves", S("by the finger")}, {"fill_from", S("20")}}, level));
    add(Kind::Knob, with({{"shows_value", true}}, level));
    add(Kind::Knob, with({{"turns", S("by its way")}, {"thickness", int64_t{6}}}, level));
    add(Kind::Stepper, with({{"repeat_after", int64_t{300}}, {"repeat_every", int64_t{100}}}, level));
    add(Kind::Button, {{"text", S("Go")}});
    add(Kind::Button, with({{"text", S("Hold")}}, lit));
    add(Kind::Button, with({{"text", S("Off")}, {"text_on", S("{level}")}, {"acts", S("latching")}}, lit));
    for (const char* mode : {"mid", "high"})
        add(Kind::Button, {{"text", S(mode)}, {"value", S("mode")}, {"acts", S("choice")}, {"choice", S(mode)}});
    add(Kind::Zone, {});
    return withRules(
        addWidgets(d, d.screens.front()->name, widgets), "main",
        "on key light\n    able = !able\n\non w18.hold\n    level = 50\n\non w18.swipe left\n    lit = !lit\n");
}

// Every widget is pressed, moved on and let go; the focus visits all, and enters those with a value; then all of them
// are disabled, operated in vain and enabled again.
inline std::string everyControlScript() {
    std::string out;
    const auto point = [](int widget, int x) {
        return " " + std::to_string(4 + widget % 6 * 34 + x) + " " + std::to_string(4 + widget / 6 * 31 + 16) + "\n";
    };
    const auto operate = [&] {
        for (int i = 0; i < 19; ++i)
            out += "press" + point(i, 25) + "move" + point(i, 6) + "release" + point(i, 6);
        out += "wait 300\n";
        for (int i = 0; i < 19; ++i)
            out += "key_down push\nkey_up push\nturn 1\nkey back\n";
        out += "set level 77\nset lit yes\nset mode high\nwait 200\nset lit no\nset level -20\nwait 200\n";
    };
    operate();
    out += "key light\n";
    operate();
    return out + "key light\npress" + point(18, 10) + "wait 700\nrelease" + point(18, 10) + "press" + point(18, 28) +
           "move" + point(18, 2) + "release" + point(18, 2);
}

}  // namespace support
