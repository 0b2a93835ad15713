// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include <QCheckBox>
#include <QWheelEvent>

#include "app/screens/canvas.h"
#include "app/screens/twin_view.h"
#include "tests/support/projects.h"
#include "tests/support/window.h"

namespace support {

using namespace gorsefinch;
using namespace gorsefinch::app;

// A window whose interface is operated: on the twin, and on the canvas.
class OperatedWindow : public OnWindow {
  protected:
    Canvas* canvas() { return find<Canvas>("canvas"); }
    TwinPanel* twin() { return find<TwinPanel>("twin"); }

    void put(std::vector<Widget> widgets) {
        session_->edit(addWidgets(session_->document(), "alarm", std::move(widgets)), "Test");
        session_->selection().showScreen("alarm");
        session_->runner().twin().go(session_->document().screenIndex("alarm"));
        session_->runner().step();
    }
    // The screen "alarm" with nothing on it but these, none of them selected.
    void begin(std::vector<Widget> widgets) {
        Names all;
        session_->selection().showScreen("alarm");
        for (const WidgetRef& each : session_->document().screen("alarm")->widgets)
            all.push_back(each->name);
        session_->edit(removeWidgets(session_->document(), "alarm", all), "Test");
        put(std::move(widgets));
        session_->selection().select({});
    }
    const Widget& onAlarm(const char* name) const {
        const ScreenRef screen = session_->document().screen("alarm");
        return *screen->widgets[static_cast<size_t>(widgetIndex(*screen, name))];
    }
    QRect box(const char* name) const { return boxOf(onAlarm(name)); }
    // A pixel of the panel on the canvas.
    QPoint at(int x, int y) { return canvas()->fromPanel(QPointF(x, y)).toPoint(); }
    void click(int x, int y, Qt::KeyboardModifiers keys = Qt::NoModifier) {
        QTest::mouseClick(canvas(), Qt::LeftButton, keys, at(x, y));
    }
    void moveTo(const QPoint& to, Qt::KeyboardModifiers keys = Qt::NoModifier) {
        QMouseEvent event(QEvent::MouseMove, to, canvas()->mapToGlobal(to), Qt::NoButton, Qt::LeftButton, keys);
        QApplication::sendEvent(canvas(), &event);
    }
    // The names of what is selected.
    std::string selected() const {
        std::string out;
        for (const std::string& each : session_->selection().names())
            out += (out.empty() ? "" : " ") + each;
        return out;
    }
    void undo() { QTest::keyClick(window_, Qt::Key_Z, Qt::ControlModifier); }
    void addVariable(const Variable& variable) { session_->edit(withVariable(session_->document(), variable), "Test"); }
    std::string valueOf(const char* variable) { return session_->runner().twin().get(variable); }

    // Where a pixel of the panel is on the twin.
    QPoint onTwin(int x, int y) {
        const Panel& panel = *session_->document().panel;
        double scale = std::min(twin()->width() / double(panel.width), twin()->height() / double(panel.height));
        scale = scale >= 1 ? static_cast<int>(scale) : scale;
        const int left = (twin()->width() - static_cast<int>(panel.width * scale)) / 2;
        const int top = (twin()->height() - static_cast<int>(panel.height * scale)) / 2;
        return {left + static_cast<int>((x + 0.5) * scale), top + static_cast<int>((y + 0.5) * scale)};
    }
    static void turnWheel(QWidget* on, int steps) {
        const QPointF at = on->rect().center();
        QWheelEvent event(at, on->mapToGlobal(at), {}, {0, -120 * steps}, Qt::NoButton, Qt::NoModifier,
                          Qt::NoScrollPhase, false);
        QApplication::sendEvent(on, &event);
    }
    void giveKeys() {
        station(1);
        QTest::mouseClick(find<QCheckBox>("knob"), Qt::LeftButton, Qt::NoModifier, QPoint(8, 12));
        support::OpenWindow::retype(find<QLineEdit>("keys"), "up, down, enter, back, menu");
        QVERIFY(session_->document().panel->knob);
        QCOMPARE(session_->document().panel->keys, (std::vector<std::string>{"up", "down", "enter", "back", "menu"}));
        station(5);
    }
};

}  // namespace support
