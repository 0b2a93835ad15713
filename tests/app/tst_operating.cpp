// SPDX-License-Identifier: GPL-3.0-or-later
// Controls in the window: operated on the twin and on the canvas by mouse, wheel and keys, joined, and made from
// variables; the panel's knob and keys.
#include <QComboBox>
#include <QLineEdit>
#include <QScrollArea>
#include <QSlider>
#include <QtTest>

#include "app/screens/canvas.h"
#include "app/screens/twin_view.h"
#include "app/widgets/fields.h"
#include "core/edits/variable_widgets.h"
#include "tests/support/projects.h"
#include "tests/support/test_case.h"
#include "tests/support/window.h"

using namespace gorsefinch;
using namespace gorsefinch::app;

class TestOperating : public QObject, support::OnWindow {
    Q_OBJECT

    Canvas* canvas() { return find<Canvas>("canvas"); }
    TwinPanel* twin() { return find<TwinPanel>("twin"); }

    void put(std::vector<Widget> widgets) {
        session_->edit(addWidgets(session_->document(), "alarm", std::move(widgets)), "Test");
        session_->selection().showScreen("alarm");
        session_->runner().twin().go(session_->document().screenIndex("alarm"));
        session_->runner().step();
    }
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

  private Q_SLOTS:
    void initTestCase() { prepare(); }
    void init() { QVERIFY(open("kiln", 5)); }
    void cleanup() { close(); }

    void aSliderIsDraggedOnTheTwin() {
        addVariable(support::makeNumber("dim_level", 0, 100, 0));
        put({support::makeWidget("dim", Kind::Slider, 20, 20, 210, 24,
                                 {{"value", std::string("dim_level")}, {"grip", int64_t{10}}})});
        support::OpenWindow::drag(twin(), onTwin(25, 30), onTwin(125, 30));
        QCOMPARE(valueOf("dim_level"), std::string("50"));
        // The slider to try a value drives it too.
        session_->selection().select({"dim"});
        auto* trial = find<QScrollArea>("sheet")->widget()->findChild<QSlider*>();
        QVERIFY(trial);
        trial->setFocus();
        QTest::keyClick(trial, Qt::Key_Home);
        QTRY_COMPARE(valueOf("dim_level"), std::string("0"));
    }

    void theWheelAndKeysOperateTheTwin() {
        giveKeys();
        addVariable(support::makeYesNo("fan_runs", false));
        addVariable(support::makeNumber("dim_level", 0, 100, 0));
        put({support::makeWidget("fan", Kind::Switch, 10, 40, 50, 24, {{"value", std::string("fan_runs")}}),
             support::makeWidget("dim", Kind::Slider, 80, 40, 100, 24,
                                 {{"value", std::string("dim_level")}, {"step", std::string("10")}})});
        for (const WidgetRef& each : session_->document().screen("alarm")->widgets)
            if (each->name != "fan" && each->name != "dim")
                session_->edit(
                    gorsefinch::setProperty(session_->document(), "alarm", std::vector<std::string>{each->name},
                                            "focus", std::string(kNeverFocused)),
                    "Test");
        session_->runner().step();
        QTest::mouseClick(twin(), Qt::MiddleButton, Qt::NoModifier, twin()->rect().center());
        QCOMPARE(valueOf("fan_runs"), std::string("yes"));
        turnWheel(twin(), 1);
        QTest::mouseClick(twin(), Qt::MiddleButton, Qt::NoModifier, twin()->rect().center());
        turnWheel(twin(), 3);
        QCOMPARE(valueOf("dim_level"), std::string("30"));
        twin()->setFocus();
        QTest::keyClick(twin(), Qt::Key_Up);
        QCOMPARE(valueOf("dim_level"), std::string("20"));
        QTest::keyClick(twin(), Qt::Key_Backspace);
        QTest::keyClick(twin(), Qt::Key_Up);
        QTest::keyClick(twin(), Qt::Key_Return);
        QCOMPARE(valueOf("fan_runs"), std::string("no"));
    }

    void theCanvasIsOperatedInPlace() {
        giveKeys();
        addVariable(support::makeNumber("presses", 0, 100, 0));
        session_->edit(withRules(session_->document(), "more",
                                 "on key menu\n    presses = presses + 1\non knob right\n"
                                 "    presses = presses + 10\n"),
                       "Test");
        session_->runner().step();
        canvas()->setFocus();
        QTest::keyPress(canvas(), Qt::Key_H);
        QVERIFY(canvas()->isOperating());
        QTest::keyClick(canvas(), Qt::Key_M);
        turnWheel(canvas(), 2);
        QCOMPARE(valueOf("presses"), std::string("11"));
        QTest::keyRelease(canvas(), Qt::Key_H);
        QVERIFY(!canvas()->isOperating());
        // Else the wheel moves the view, and letters are commands.
        turnWheel(canvas(), 2);
        QTest::keyClick(canvas(), Qt::Key_M);
        QCOMPARE(valueOf("presses"), std::string("11"));
    }

    void keysAreCheckedWhereTheyAreTyped() {
        station(1);
        auto* keys = find<QLineEdit>("keys");
        support::OpenWindow::retype(keys, "up, up");
        QVERIFY(find<QLabel>("notice")->text().contains("two keys are called up"));
        QCOMPARE(keys->text(), QString());
        support::OpenWindow::retype(keys, "menu");
        QCOMPARE(session_->document().panel->keys, std::vector<std::string>{"menu"});
        QTest::keyClick(window_, Qt::Key_Z, Qt::ControlModifier);
        QVERIFY(session_->document().panel->keys.empty());
        auto* hold = find<NumberField>("hold_ms");
        support::OpenWindow::retype(hold, "900");
        QCOMPARE(session_->document().panel->holdMs, 900);
    }

    void buttonsAreMadeOneOfThese() {
        put({support::makeWidget("slow", Kind::Button, 10, 20, 60, 24, {{"text", std::string("Slow")}}),
             support::makeWidget("fast", Kind::Button, 80, 20, 60, 24, {{"text", std::string("Fast")}})});
        session_->selection().select({"slow", "fast"});
        canvas()->setFocus();
        QTest::keyClick(canvas(), Qt::Key_J);
        const Variable* variable = session_->document().variable("alarm_choice");
        QVERIFY(variable);
        QCOMPARE(variable->choices, (std::vector<std::string>{"slow", "fast"}));
        session_->runner().twin().go(session_->document().screenIndex("alarm"));
        session_->runner().step();
        QTest::mouseClick(twin(), Qt::LeftButton, Qt::NoModifier, onTwin(100, 30));
        QCOMPARE(valueOf("alarm_choice"), std::string("fast"));
        QTest::keyClick(window_, Qt::Key_Z, Qt::ControlModifier);
        QVERIFY(!session_->document().variable("alarm_choice"));
        // One alone says what it needs.
        session_->selection().select({"slow"});
        canvas()->setFocus();
        QTest::keyClick(canvas(), Qt::Key_J);
        QVERIFY2(find<QLabel>("notice")->text().contains("needs several buttons"),
                 qPrintable(find<QLabel>("notice")->text()));
    }

    // Else nothing could be set by the control that it is made for.
    void aControlsNewVariableIsWrittenByThePanel() {
        put({support::makeWidget("dim", Kind::Slider, 20, 20, 100, 24)});
        session_->selection().select({"dim"});
        auto* value = find<QScrollArea>("sheet")->widget()->findChild<QComboBox*>("value");
        QVERIFY(value);
        support::onNextDialog([](QWidget* dialog) {
            auto* line = dialog->findChild<QLineEdit*>("line");
            QTest::keyClicks(line, "brightness 0 to 100");
            QTest::keyClick(line, Qt::Key_Return);
        });
        value->setCurrentIndex(value->count() - 1);
        Q_EMIT value->activated(value->count() - 1);
        QTRY_VERIFY(session_->document().variable("brightness"));
        QVERIFY(session_->document().variable("brightness")->writer == Writer::Both);
        for (const Problem& each : session_->scene()->problems)
            QVERIFY2(each.widget != "dim", each.text().c_str());
    }

    void aStateStaysInSightWhileItIsEdited() {
        addVariable(support::makeYesNo("fan_runs", false));
        put({support::makeWidget("fan", Kind::Button, 20, 20, 80, 30,
                                 {{"value", std::string("fan_runs")}, {"acts", std::string("latching")}})});
        session_->edit(gorsefinch::setProperty(session_->document(), "alarm", std::vector<std::string>{"fan"}, "look",
                                               std::string("button")),
                       "Test");
        session_->selection().select({"fan"});
        auto* states = find<QScrollArea>("sheet")->widget()->findChild<QComboBox*>("shown_states");
        QVERIFY(states);
        QList<QImage> pictures;
        for (int i = 0; i < states->count(); ++i) {
            states->setFocus();
            QTest::keyClick(states, i == 0 ? Qt::Key_Home : Qt::Key_Down);
            QCOMPARE(states->currentIndex(), i);
            pictures << canvas()->grab().toImage();
        }
        QCOMPARE(pictures.size(), 4);
        for (int i = 1; i < pictures.size(); ++i)
            QVERIFY(pictures[i] != pictures[0]);
        // The twin is as it was, and another selection ends it.
        QCOMPARE(valueOf("fan_runs"), std::string("no"));
        session_->selection().select({});
        session_->selection().select({"fan"});
        QCOMPARE(session_->selection().shownStates(), uint8_t{0});
    }

    void controlsAreOfferedForWhatThePanelWrites() {
        const auto offered = [](const Variable& variable) {
            std::string out;
            for (const Kind kind : kindsFor(variable))
                out += std::string(info(kind).key) + " ";
            return out;
        };
        Variable fan = support::makeYesNo("fan", false), heat = support::makeNumber("heat", 0, 9, 0);
        QCOMPARE(offered(fan), std::string("lamp switch checkbox button text "));
        QCOMPARE(offered(heat), std::string("readout progress ring gauge trend lamp slider stepper knob text "));
        heat.writer = fan.writer = Writer::Firmware;
        QCOMPARE(offered(fan), std::string("lamp text "));
        QCOMPARE(offered(heat), std::string("readout progress ring gauge trend lamp text "));
        QCOMPARE(offered(support::arrayOf(support::makeNumber("zone", 0, 9, 0), 3)),
                 std::string("readout progress ring gauge trend lamp text "));
    }
};

GORSEFINCH_TEST(TestOperating, Windows)
#include "tst_operating.moc"
