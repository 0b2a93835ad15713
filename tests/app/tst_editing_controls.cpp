// SPDX-License-Identifier: GPL-3.0-or-later
// Controls as they are edited: made one of several, their focus put in order, a state in sight, what a press on them
// does, and whether anything else leads away from their screen.
#include <QComboBox>
#include <QLineEdit>
#include <QMessageBox>
#include <QScrollArea>
#include <QToolButton>
#include <QtTest>

#include "core/edits/variable_widgets.h"
#include "tests/support/operated_window.h"
#include "tests/support/test_case.h"

using namespace gorsefinch;
using namespace gorsefinch::app;

class TestEditingControls : public QObject, support::OperatedWindow {
    Q_OBJECT

  private Q_SLOTS:
    void initTestCase() { prepare(); }
    void init() { QVERIFY(open("kiln", 5)); }
    void cleanup() { close(); }

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
        session_->selection().select({"slow", "fast"});
        canvas()->setFocus();
        QTest::keyClick(canvas(), Qt::Key_J, Qt::ShiftModifier);
        QCOMPARE(session_->document().variable("alarm_choice")->choices,
                 (std::vector<std::string>{"none", "slow", "fast"}));
        session_->runner().step();
        for (const char* each : {"fast", "none"}) {
            QTest::mouseClick(twin(), Qt::LeftButton, Qt::NoModifier, onTwin(100, 30));
            QCOMPARE(valueOf("alarm_choice"), std::string(each));
        }
        QTest::keyClick(window_, Qt::Key_Z, Qt::ControlModifier);
        // One alone says what it needs.
        session_->selection().select({"slow"});
        canvas()->setFocus();
        QTest::keyClick(canvas(), Qt::Key_J);
        QVERIFY2(find<QLabel>("notice")->text().contains("needs several buttons"),
                 qPrintable(find<QLabel>("notice")->text()));
    }

    void aButtonThatIsDroppedOnAnotherExcludesIt() {
        put({support::makeWidget("slow", Kind::Button, 10, 20, 60, 24, {{"text", std::string("Slow")}}),
             support::makeWidget("fast", Kind::Button, 100, 20, 60, 24, {{"text", std::string("Fast")}}),
             support::makeWidget("lamp", Kind::Lamp, 200, 20, 20, 20)});
        const auto at = [this](int x, int y) { return canvas()->fromPanel(QPointF(x, y)).toPoint(); };
        const auto box = [this](const char* name) {
            const ScreenRef screen = session_->document().screen("alarm");
            return boxOf(*screen->widgets[static_cast<size_t>(widgetIndex(*screen, name))]);
        };
        support::OpenWindow::drag(canvas(), at(40, 32), at(132, 33));
        QCOMPARE(box("slow"), QRect(10, 20, 60, 24));
        const Variable* variable = session_->document().variable("alarm_choice");
        QVERIFY(variable);
        QCOMPARE(variable->choices, (std::vector<std::string>{"slow", "fast"}));
        // One step back.
        QTest::keyClick(window_, Qt::Key_Z, Qt::ControlModifier);
        QVERIFY(!session_->document().variable("alarm_choice"));
        QCOMPARE(box("slow"), QRect(10, 20, 60, 24));
        // Beside it, and on what can't be one of several, it is only moved.
        support::OpenWindow::drag(canvas(), at(40, 32), at(88, 90));
        QVERIFY(box("slow").y() > 60);
        support::OpenWindow::drag(canvas(), at(210, 30), at(130, 32));
        QVERIFY(box("lamp").x() < 140);
        QVERIFY(!session_->document().variable("alarm_choice"));
    }

    void theFocusIsOrderedByItsNumbers() {
        giveKeys();
        auto* shows = find<QToolButton>("show_focus");
        QVERIFY(shows->isVisible());
        put({support::makeWidget("a", Kind::Button, 20, 20, 60, 24),
             support::makeWidget("b", Kind::Button, 100, 20, 60, 24),
             support::makeWidget("c", Kind::Button, 180, 20, 60, 24)});
        const auto focus = [this](const char* name) {
            const ScreenRef screen = session_->document().screen("alarm");
            return screen->widgets[static_cast<size_t>(widgetIndex(*screen, name))]->focus;
        };
        const auto badge = [this](int x) { return canvas()->fromPanel(QPointF(x, 32)).toPoint(); };
        const QImage plain = canvas()->grab().toImage();
        QTest::mouseClick(shows, Qt::LeftButton);
        QVERIFY(canvas()->grab().toImage() != plain);
        support::OpenWindow::drag(canvas(), badge(180), badge(22));
        QCOMPARE(focus("c") + focus("a") + focus("b"), std::string("123"));
        QCOMPARE(focus("understood_button"), std::string("4"));
        // Onto the middle of a box as well as onto its number; on nothing it changes nothing.
        support::OpenWindow::drag(canvas(), badge(180), badge(130));
        QCOMPARE(focus("a") + focus("b") + focus("c"), std::string("123"));
        support::OpenWindow::drag(canvas(), badge(180), canvas()->fromPanel(QPointF(280, 120)).toPoint());
        QCOMPARE(focus("a") + focus("b") + focus("c"), std::string("123"));
        QTest::mouseDClick(canvas(), Qt::LeftButton, Qt::NoModifier, badge(100));
        QCOMPARE(focus("b"), std::string("never"));
        QTest::mouseDClick(canvas(), Qt::LeftButton, Qt::NoModifier, badge(100));
        QCOMPARE(focus("b"), std::string());
        QTest::keyClick(window_, Qt::Key_Z, Qt::ControlModifier);
        QCOMPARE(focus("b"), std::string("never"));
        // Without it a press selects again.
        QTest::mouseClick(shows, Qt::LeftButton);
        QTest::mouseClick(canvas(), Qt::LeftButton, Qt::NoModifier, badge(130));
        QCOMPARE(session_->selection().names(), std::vector<std::string>{"b"});
    }

    void theFootSaysWhatAPressDoes() {
        auto* press = find<QLabel>("press");
        const auto moveTo = [this](int x, int y) {
            const QPoint at = canvas()->fromPanel(QPointF(x, y)).toPoint();
            QMouseEvent move(QEvent::MouseMove, at, canvas()->mapToGlobal(at), Qt::NoButton, Qt::NoButton,
                             Qt::NoModifier);
            QApplication::sendEvent(canvas(), &move);
        };
        moveTo(160, 212);
        QCOMPARE(press->text(), QString("a press on programme_button: tap: go programme"));
        moveTo(50, 212);
        QVERIFY2(press->text().startsWith("a press on hold_button: turns holding over; change: call hold(holding)"),
                 qPrintable(press->text()));
        moveTo(50, 60);
        QCOMPARE(press->text(), QString());
        // A margin belongs to it; what is hidden takes nothing.
        session_->edit(changeWidgets(session_->document(), "status", std::vector<std::string>{"course_button"},
                                     [](Widget& widget) { widget.touchMargin = 8; }),
                       "Test");
        moveTo(160, 148);
        QVERIFY(press->text().contains("course_button"));
        session_->edit(changeWidgets(session_->document(), "status", std::vector<std::string>{"course_button"},
                                     [](Widget& widget) { widget.visible = false; }),
                       "Test");
        moveTo(160, 148);
        QCOMPARE(press->text(), QString());
    }

    void deletingTheOnlyWayOutAsks() {
        session_->selection().showScreen("alarm");
        const auto remove = [this](bool really) {
            session_->selection().select({"understood_button"});
            window_->activateWindow();
            if (!QTest::qWaitForWindowActive(window_))
                return QString();
            canvas()->setFocus();
            QString asked;
            support::onNextDialog([&](QWidget* dialog) {
                auto* box = qobject_cast<QMessageBox*>(dialog);
                asked = box ? box->text() : "another dialog";
                const auto buttons = box ? box->buttons() : QList<QAbstractButton*>();
                for (QAbstractButton* each : buttons)
                    if (box->buttonRole(each) == (really ? QMessageBox::DestructiveRole : QMessageBox::RejectRole)) {
                        QTest::mouseClick(each, Qt::LeftButton);
                        return;
                    }
            });
            QTest::keyClick(canvas(), Qt::Key_Delete);
            return asked;
        };
        const auto isThere = [this] {
            return widgetIndex(*session_->document().screen("alarm"), "understood_button") >= 0;
        };
        const QString asked = remove(false);
        QVERIFY2(asked.contains("understood_button leads away from the screen alarm"), qPrintable(asked));
        QVERIFY(isThere());
        remove(true);
        QVERIFY(!isThere());
        // What is not the only one goes without a question.
        session_->selection().showScreen("status");
        session_->selection().select({"course_button"});
        window_->activateWindow();
        QVERIFY(QTest::qWaitForWindowActive(window_));
        canvas()->setFocus();
        QTest::keyClick(canvas(), Qt::Key_Delete);
        QVERIFY(widgetIndex(*session_->document().screen("status"), "course_button") < 0);
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

GORSEFINCH_TEST(TestEditingControls, Windows)
#include "tst_editing_controls.moc"
