// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include <memory>

#include "core/sim/twin.h"
#include "runtime/gorse_internal.h"
#include "tests/support/built_scene.h"
#include "tests/support/projects.h"

namespace support {

// A test that operates one interface on the desktop.
class OnTwin {
  protected:
    gorsefinch::SceneBuilder builder_;
    std::unique_ptr<gorsefinch::Twin> twin_;

    // Begins a project, which must build without errors; texts may lack a face.
    void begin(const gorsefinch::Document& document) {
        const gorsefinch::BuiltSceneRef scene = builder_.build(document);
        for (const gorsefinch::Problem& each : scene->problems)
            if (each.severity == gorsefinch::Severity::Error && each.reason.find("face") == std::string::npos)
                qFatal("%s: %s", each.place.c_str(), each.reason.c_str());
        for (const gorsefinch::Problem& each : scene->rules->problems)
            if (each.severity == gorsefinch::Severity::Error)
                qFatal("%s: %s", each.place.c_str(), each.reason.c_str());
        twin_ = std::make_unique<gorsefinch::Twin>(scene);
        twin_->step(0);
        (void)twin_->takeFlushed();
    }

    // Steps of `step` ms.
    void wait(int ms, int step = 16) {
        for (int passed = 0; passed < ms; passed += step)
            twin_->step(twin_->now() + static_cast<uint32_t>(step));
    }

    void tap(int x, int y) {
        twin_->touch(x, y, true);
        wait(16);
        twin_->touch(x, y, false);
        wait(32);
    }

    // From a place by steps of 4 px, a step of `ms` each; the finger stays down unless `up`.
    void swipe(int x, int y, int dx, int dy, int ms = 16, bool up = true) {
        twin_->touch(x, y, true);
        const int steps = std::max({1, std::abs(dx) / 4, std::abs(dy) / 4});
        for (int i = 1; i <= steps; ++i) {
            twin_->touch(x + dx * i / steps, y + dy * i / steps, true);
            twin_->step(twin_->now() + static_cast<uint32_t>(ms));
        }
        if (up)
            twin_->touch(x + dx, y + dy, false);
    }

    int slot(const char* widget, const char* key) { return slotNow(*twin_, widget, key); }
    int number(const char* variable) const { return std::stoi(twin_->get(variable)); }
    std::string screen() const { return twin_->scene().document.screens[static_cast<size_t>(twin_->screen())]->name; }
    std::vector<uint8_t> picture() const { return twin_->memory().bytes(); }
    // What is shown is what a whole new drawing shows.
    bool isWhole() {
        const auto shown = picture();
        gorse_redraw(twin_->run());
        gorse_paint(twin_->run());
        return picture() == shown;
    }
};

}  // namespace support
