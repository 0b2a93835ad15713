// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include <string>
#include <vector>

#include "core/sim/twin.h"
#include "runtime/gorse_internal.h"
#include "tests/support/projects.h"

// A running interface with controls, and a finger on it.
namespace support {

// A screen with the widgets and these variables, and another one.
inline Document controlsOf(const std::vector<Widget>& widgets, const std::string& rules = {}) {
    Document d = withPanelOf(makeDocument({"first", "second"}), PixelFormat::Rgb565, 0, 240, 160);
    d = withVariable(d, makeYesNo("lit", false));
    d = withVariable(d, makeNumber("level", -20, 100, 10));
    d = withVariable(d, makeNumber("warmth", 0, 200, 50, 1));
    d = withVariable(d, makeChoice("mode", {"low", "mid", "high"}, 1));
    d = withVariable(d, makeNumber("count", 0, 1000, 0));
    d = addWidgets(d, "first", widgets);
    return rules.empty() ? d : withRules(d, "main", rules);
}

inline Widget button(const std::string& name, int x, PropertyMap properties) {
    return makeWidget(name, Kind::Button, x, 20, 60, 30, std::move(properties));
}

// A running interface and a finger.
class Hand {
  public:
    explicit Hand(const Document& document) : twin(builder_.build(document)) { twin.step(0); }

    void down(int x, int y) { twin.touch(x, y, true); }
    void up(int x, int y) { twin.touch(x, y, false); }
    void tap(int x, int y) {
        down(x, y);
        step(20);
        up(x, y);
        step(20);
    }
    void step(uint32_t ms) { twin.step(time_ += ms); }
    std::string operator[](const char* variable) const { return twin.get(variable); }
    // The picture is the one that is drawn from nothing.
    bool isWhole() {
        const std::vector<uint8_t> shown = bytes();
        gorse_redraw(twin.run());
        step(0);
        return bytes() == shown;
    }
    std::vector<uint8_t> bytes() const { return twin.memory().bytes(); }

  private:
    SceneBuilder builder_;
    uint32_t time_ = 0;

  public:
    Twin twin;
};

inline PropertyMap acting(const char* acts, const char* value) {
    return {{"acts", std::string(acts)}, {"value", std::string(value)}};
}

}  // namespace support
