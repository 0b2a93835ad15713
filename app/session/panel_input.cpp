// SPDX-License-Identifier: GPL-3.0-or-later
#include "app/session/panel_input.h"

#include "core/document/panel_keys.h"

namespace gorsefinch::app {

namespace {

std::string keyName(const QKeyEvent& event, const Panel& panel) {
    switch (event.key()) {
        case Qt::Key_Up: return "up";
        case Qt::Key_Down: return "down";
        case Qt::Key_Left: return "left";
        case Qt::Key_Right: return "right";
        case Qt::Key_Return:
        case Qt::Key_Enter: return "enter";
        case Qt::Key_Backspace: return "back";
        case Qt::Key_Space: return std::string(kPushKey);
        default: break;
    }
    const std::string letter = event.text().toLower().toStdString();
    for (const std::string& each : panel.keys)
        if (!letter.empty() && QString::fromStdString(each).startsWith(QString::fromStdString(letter)) &&
            std::none_of(knownKeys().begin(), knownKeys().end(), [&](const char* known) { return each == known; }))
            return each;
    return {};
}

// A key that the panel has too, and that types nothing.
bool isPanelKey(const QKeyEvent& event, const Panel& panel) {
    switch (event.key()) {
        case Qt::Key_Up:
        case Qt::Key_Down:
        case Qt::Key_Left:
        case Qt::Key_Right:
        case Qt::Key_Return:
        case Qt::Key_Enter: return keyNumber(panel, keyName(event, panel)).has_value();
        default: return false;
    }
}

uint32_t editingCode(int key) {
    switch (key) {
        case Qt::Key_Backspace: return GORSE_TYPED_DELETE;
        case Qt::Key_Return:
        case Qt::Key_Enter: return GORSE_TYPED_NEW_LINE;
        case Qt::Key_Escape: return GORSE_TYPED_CANCEL;
        case Qt::Key_Left: return GORSE_TYPED_LEFT;
        case Qt::Key_Right: return GORSE_TYPED_RIGHT;
        default: return 0;
    }
}

}  // namespace

bool PanelInput::type(const QKeyEvent& event) {
    if (const uint32_t code = editingCode(event.key()))
        return runner_.type(code);
    bool any = false;
    for (const char32_t each : event.text().toUcs4())
        any = (each >= ' ' && runner_.type(each)) || any;
    return any;
}

bool PanelInput::press(const std::string& name, bool down) {
    std::erase(down_, name);
    if (down)
        down_.push_back(name);
    return runner_.key(name, down);
}

void PanelInput::releaseAll() {
    for (const std::string& each : std::exchange(down_, {}))
        runner_.key(each, false);
}

bool PanelInput::wheel(const QWheelEvent& event) {
    if (!runner_.twin().scene().document.panel->knob)
        return false;
    constexpr int kWheelStep = QWheelEvent::DefaultDeltasPerStep;
    turned_ -= event.angleDelta().y();
    const int steps = turned_ / kWheelStep;
    turned_ -= steps * kWheelStep;
    if (steps != 0)
        runner_.turn(steps);
    return true;
}

bool PanelInput::mouse(const QMouseEvent& event, bool down) {
    return event.button() == Qt::MiddleButton && press(std::string(kPushKey), down);
}

bool PanelInput::key(const QKeyEvent& event, bool down) {
    if ((event.modifiers() & (Qt::ControlModifier | Qt::AltModifier)) != 0)
        return false;
    if (runner_.twin().isTyping() && !isPanelKey(event, *runner_.twin().scene().document.panel))
        return down ? type(event) : true;
    const std::string name = keyName(event, *runner_.twin().scene().document.panel);
    return !name.empty() && (event.isAutoRepeat() || press(name, down));
}

}  // namespace gorsefinch::app
