// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include <QKeyEvent>
#include <QMouseEvent>
#include <QWheelEvent>

#include "app/session/twin_runner.h"

namespace gorsefinch::app {

// The mouse and the keyboard as the twin's knob and keys: the wheel turns the knob and its button is the push; the
// arrow keys, Return and Backspace are the keys of those names, and a key of the panel's own is the first letter of its
// name. While a field of the panel is open, what is typed goes there; Return and the arrow keys only if the panel has
// no such keys.
class PanelInput {
  public:
    explicit PanelInput(TwinRunner& runner) : runner_(runner) {}

    // Each returns false, and does nothing, for what the panel does not have.
    bool wheel(const QWheelEvent& event);
    bool mouse(const QMouseEvent& event, bool down);
    bool key(const QKeyEvent& event, bool down);
    // Lets go of the keys that are down: nobody hears of their release once the keyboard is elsewhere.
    void releaseAll();

  private:
    bool press(const std::string& name, bool down);
    bool type(const QKeyEvent& event);

    TwinRunner& runner_;
    std::vector<std::string> down_;
    int turned_ = 0;  // of the wheel, 1/8 degree, that make no whole step yet
};

}  // namespace gorsefinch::app
