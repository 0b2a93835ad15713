// SPDX-License-Identifier: GPL-3.0-or-later
// The window driven as a user drives it: mouse, keys, and what they see.
#include <QAction>
#include <QApplication>
#include <QClipboard>
#include <QComboBox>
#include <QLabel>
#include <QLineEdit>
#include <QListView>
#include <QListWidget>
#include <QPushButton>
#include <QtTest>

#include "app/rules/scintilla.h"
#include "app/screens/canvas.h"
#include "app/theme/theme.h"
#include "app/widgets/fields.h"
#include "tests/support/test_case.h"
#include "tests/support/window.h"

using namespace gorsefinch;
using namespace gorsefinch::app;
using support::OpenWindow;

class TestWindow : public QObject, support::OnWindow {
    Q_OBJECT

    QString project() const { return open_->folder(); }
    Canvas* canvas() { return window_->findChild<Canvas*>("canvas"); }
    template <typename T>
    T* inSheet(const char* name) {
        return window_->findChild<QWidget*>("sheet_page")->findChild<T*>(name);
    }
    QPoint at(int x, int y) { return canvas()->fromPanel(QPointF(x + 0.5, y + 0.5)).toPoint(); }
    void press(QWidget* on, int key, Qt::KeyboardModifiers modifiers = Qt::NoModifier) {
        QTest::keyClick(on, static_cast<Qt::Key>(key), modifiers);
    }
    void drag(const QPoint& from, const QPoint& to, Qt::KeyboardModifiers modifiers = Qt::NoModifier) {
        OpenWindow::drag(canvas(), from, to, modifiers);
    }
    void clickTwin(int x, int y) {
        auto* twin = find<QWidget>("twin");
        const double scale = std::min(twin->width() / 320.0, twin->height() / 240.0);
        const double used = scale >= 1 ? std::floor(scale) : scale;
        const QPoint corner((twin->width() - static_cast<int>(320 * used)) / 2,
                            (twin->height() - static_cast<int>(240 * used)) / 2);
        QTest::mouseClick(twin, Qt::LeftButton, {},
                          corner + QPoint(static_cast<int>((x + 0.5) * used), static_cast<int>((y + 0.5) * used)));
    }

  private Q_SLOTS:
    void initTestCase() { prepare(); }

    void init() {
        QVERIFY(open("kiln"));
        canvas()->setFocus();
    }
    void cleanup() { close(); }

    void clickSelectsAndShiftAdds() {
        QTest::mouseClick(canvas(), Qt::LeftButton, {}, at(100, 70));
        QCOMPARE(session_->selection().names(), Names{"kiln_temp_text"});
        QTest::mouseClick(canvas(), Qt::LeftButton, Qt::ShiftModifier, at(50, 210));
        QCOMPARE(session_->selection().names(), (Names{"kiln_temp_text", "hold_button"}));
        QTest::mouseClick(canvas(), Qt::LeftButton, Qt::ShiftModifier, at(50, 210));
        QCOMPARE(session_->selection().names(), Names{"kiln_temp_text"});
        QTest::mouseClick(canvas(), Qt::LeftButton, {}, at(198, 190));
        QCOMPARE(session_->selection().names(), Names{});
    }

    void aBandSelectsWhatItTouches() {
        drag(at(2, 190), at(318, 236));
        QCOMPARE(session_->selection().names(), (Names{"hold_button", "programme_button", "stop_button"}));
    }

    void lockedWidgetsAreLeftAlone() {
        QTest::mouseClick(canvas(), Qt::LeftButton, {}, at(195, 5));
        QCOMPARE(session_->selection().names(), Names{});
    }

    void dragMovesTheTwinFollowsAndUndoTakesItBack() {
        const auto before = session_->runner().twin().memory().bytes();
        drag(at(100, 164), at(113, 171), Qt::ControlModifier);
        QCOMPARE(widget("status", "heating_text").x, 25);
        QCOMPARE(widget("status", "heating_text").y, 161);
        QVERIFY(session_->runner().twin().memory().bytes() != before);
        QTest::keyClick(window_, Qt::Key_Z, Qt::ControlModifier);
        QCOMPARE(widget("status", "heating_text").x, 12);
        QCOMPARE(session_->runner().twin().memory().bytes(), before);
        QTest::keyClick(window_, Qt::Key_Z, Qt::ControlModifier | Qt::ShiftModifier);
        QCOMPARE(widget("status", "heating_text").x, 25);
        QVERIFY(!session_->history().canRedo());
    }

    void guidesCatchEdges() {
        // The text's left edge comes within 3 pixels of the panel's: it lands on it.
        drag(at(100, 164), at(100 - 10, 164));
        QCOMPARE(widget("status", "heating_text").x, 0);
    }

    void resizeAtACorner() {
        QTest::mouseClick(canvas(), Qt::LeftButton, {}, at(50, 210));
        drag(at(106, 230), at(100, 226), Qt::ControlModifier);
        QCOMPARE(widget("status", "hold_button").w, 90);
        QCOMPARE(widget("status", "hold_button").h, 30);
        QCOMPARE(widget("status", "hold_button").x, 10);
    }

    void arrowsMoveByOneAndTen() {
        QTest::mouseClick(canvas(), Qt::LeftButton, {}, at(50, 210));
        press(canvas(), Qt::Key_Right);
        press(canvas(), Qt::Key_Down, Qt::ShiftModifier);
        QCOMPARE(widget("status", "hold_button").x, 11);
        QCOMPARE(widget("status", "hold_button").y, 206);
        press(canvas(), Qt::Key_Left, Qt::ControlModifier);
        QCOMPARE(widget("status", "hold_button").w, 95);
    }

    void wordsAndColourInTheSheetShowAtOnce() {
        QTest::mouseClick(canvas(), Qt::LeftButton, {}, at(30, 14));
        QCOMPARE(session_->selection().names(), Names{"programme_text"});
        const auto before = session_->runner().twin().memory().bytes();
        retype(inSheet<QLineEdit>("text"), "Kiln 2", false);
        QCOMPARE(std::get<std::string>(widget("status", "programme_text").properties.at("text")),
                 std::string("Kiln 2"));
        const auto words = session_->runner().twin().memory().bytes();
        QVERIFY(words != before);
        auto* colour = inSheet<QWidget>("colour");
        retype(colour->findChild<QLineEdit*>(), "#FF8800");
        QCOMPARE(std::get<Colour>(widget("status", "programme_text").properties.at("colour")), opaque(0xff8800));
        QVERIFY(session_->runner().twin().memory().bytes() != words);
        canvas()->setFocus();
        QTest::keyClick(window_, Qt::Key_Z, Qt::ControlModifier);
        QTest::keyClick(window_, Qt::Key_Z, Qt::ControlModifier);
        QCOMPARE(session_->runner().twin().memory().bytes(), before);
    }

    void fieldsTakeSums() {
        QTest::mouseClick(canvas(), Qt::LeftButton, {}, at(50, 210));
        retype(inSheet<QLineEdit>("x"), "320-24-w");
        QCOMPARE(widget("status", "hold_button").x, 200);
        retype(inSheet<QLineEdit>("w"), "w/2 + 4");
        QCOMPARE(widget("status", "hold_button").w, 52);
        retype(inSheet<QLineEdit>("h"), "0");
        QCOMPARE(widget("status", "hold_button").h, 34);
        QVERIFY(inSheet<QLineEdit>("h")->property("wrong").toBool());
        QCOMPARE(valueOfSum("(10+4)*3-2/2"), std::optional(41));
        QVERIFY(!valueOfSum("4+") && !valueOfSum("a") && !valueOfSum("1/0") && !valueOfSum(""));
    }

    void renameKeepsNamesUnique() {
        QTest::mouseClick(canvas(), Qt::LeftButton, {}, at(50, 210));
        press(canvas(), Qt::Key_F2);
        auto* name = inSheet<QLineEdit>("name");
        QVERIFY(name->hasFocus());
        retype(name, "wait_button");
        QVERIFY(widget("status", "wait_button").w == 96);
        QVERIFY(session_->document().rules->front().text.find("on wait_button.change") != std::string::npos);
        retype(inSheet<QLineEdit>("name"), "stop_button");
        QVERIFY(widget("status", "wait_button").w == 96);
        retype(inSheet<QLineEdit>("name"), "while");
        QVERIFY(widget("status", "wait_button").w == 96);
        QVERIFY(find<QLabel>("notice")->text().contains("keyword"));
    }

    void pasteOnAnotherScreenKeepsNameAndPlace() {
        QTest::mouseClick(canvas(), Qt::LeftButton, {}, at(50, 210));
        press(canvas(), Qt::Key_C, Qt::ControlModifier);
        auto* reel = find<QListView>("reel");
        QTest::mouseClick(reel->viewport(), Qt::LeftButton, {}, reel->visualRect(reel->model()->index(2, 0)).center());
        QCOMPARE(session_->selection().screenName(), QString("alarm"));
        canvas()->setFocus();
        press(canvas(), Qt::Key_V, Qt::ControlModifier);
        QCOMPARE(widget("alarm", "hold_button").x, 10);
        QCOMPARE(session_->selection().names(), Names{"hold_button"});
        press(canvas(), Qt::Key_V, Qt::ControlModifier);
        QCOMPARE(widget("alarm", "hold_button_2").x, 18);
        press(canvas(), Qt::Key_D, Qt::ControlModifier);
        QCOMPARE(widget("alarm", "hold_button_3").x, 26);
        press(canvas(), Qt::Key_Delete);
        QCOMPARE(widget("alarm", "hold_button_3").name, std::string());
    }

    void aStrangeClipboardDoesNothing() {
        auto* data = new QMimeData;
        data->setData("application/x-gorsefinch-widgets", "{ broken");
        QApplication::clipboard()->setMimeData(data);
        const Document before = session_->document();
        press(canvas(), Qt::Key_V, Qt::ControlModifier);
        QCOMPARE(session_->document().screens, before.screens);
        QVERIFY(!find<QLabel>("notice")->text().isEmpty());
    }

    void depthByKeysAndLayers() {
        QTest::mouseClick(canvas(), Qt::LeftButton, {}, at(50, 210));
        press(canvas(), Qt::Key_PageUp, Qt::ShiftModifier);
        QCOMPARE(session_->selection().screen()->widgets.back()->name, std::string("hold_button"));
        auto* layers = find<QListView>("layers");
        QCOMPARE(layers->model()->index(0, 0).data().toString(), QString("hold_button"));
        QTest::mouseClick(layers->viewport(), Qt::LeftButton, {},
                          layers->visualRect(layers->model()->index(1, 0)).topLeft() + QPoint(90, 10));
        QCOMPARE(session_->selection().names(), Names{"stop_button"});
        const QPoint row = layers->visualRect(layers->model()->index(1, 0)).topLeft();
        QTest::mouseClick(layers->viewport(), Qt::LeftButton, {}, row + QPoint(18, 10));
        QVERIFY(widget("status", "stop_button").offCanvas && widget("status", "stop_button").visible);
        QTest::mouseClick(layers->viewport(), Qt::LeftButton, {}, row + QPoint(40, 10));
        QVERIFY(widget("status", "stop_button").locked);
        canvas()->setFocus();
        session_->selection().select({"stop_button"});
        press(canvas(), Qt::Key_Delete);
        QCOMPARE(widget("status", "stop_button").name, std::string("stop_button"));
        press(canvas(), Qt::Key_L);
        QVERIFY(!widget("status", "stop_button").locked);
    }

    void aButtonFromTheTray() {
        QTest::mouseClick(find<QWidget>("tray_button"), Qt::LeftButton);
        drag(at(60, 120), at(130, 150));
        QCOMPARE(session_->selection().names(), Names{"button"});
        const Widget made = widget("status", "button");
        QCOMPARE(made.kind, Kind::Button);
        QCOMPARE(made.x, 60);
        QCOMPARE(made.y, 120);
        QVERIFY(std::abs(made.w - 71) <= 1 && std::abs(made.h - 31) <= 1);
        retype(inSheet<QLineEdit>("name"), "vent_button");
        QTest::mouseClick(inSheet<QPushButton>("add_rule"), Qt::LeftButton);
        auto* editor = find<QsciScintilla>("rules_text");
        QVERIFY(editor->isVisible());
        QVERIFY(editor->text().endsWith("on vent_button.tap\n    "));
        QTest::keyClicks(editor->viewport(), "go alarm");
        QTRY_VERIFY(session_->document().rules->front().text.ends_with("on vent_button.tap\n    go alarm"));
        QCOMPARE(session_->scene()->rules->rules.size(), size_t{33});
        station(5);
        session_->runner().step();
        clickTwin(80, 135);
        session_->runner().step();
        QCOMPARE(session_->runner().twin().screen(), 2);
    }

    void insertByTypingAtThePointer() {
        QTest::mouseMove(canvas(), at(30, 120));
        QMouseEvent move(QEvent::MouseMove, at(30, 120), canvas()->mapToGlobal(at(30, 120)), Qt::NoButton, Qt::NoButton,
                         Qt::NoModifier);
        QApplication::sendEvent(canvas(), &move);
        support::onNextDialog([](QWidget* popup) {
            auto* letters = popup->findChild<QLineEdit*>();
            QTest::keyClicks(letters, "rec");
            QTest::keyClick(letters, Qt::Key_Return);
        });
        press(canvas(), Qt::Key_A);
        QCOMPARE(widget("status", "box").kind, Kind::Rectangle);
        QCOMPARE(widget("status", "box").x, 30);
        QCOMPARE(widget("status", "box").y, 120);
    }

    void theTwinIsOperatedWithTheMouse() {
        session_->runner().step();
        clickTwin(160, 212);
        session_->runner().step();
        QCOMPARE(session_->runner().twin().screen(), 1);
        clickTwin(285, 212);
        QCOMPARE(session_->runner().twin().get("target"), std::string("1065"));
        // An edit leaves it there.
        QTest::mouseClick(canvas(), Qt::LeftButton, {}, at(50, 210));
        press(canvas(), Qt::Key_Right);
        QCOMPARE(session_->runner().twin().screen(), 1);
        QCOMPARE(session_->runner().twin().get("target"), std::string("1065"));
        clickTwin(60, 212);
        session_->runner().step();
        QCOMPARE(session_->runner().twin().screen(), 0);
    }

    void holdingHOperatesOnTheCanvas() {
        session_->runner().step();
        QTest::keyPress(canvas(), Qt::Key_H);
        QVERIFY(canvas()->isOperating());
        QTest::mouseClick(canvas(), Qt::LeftButton, {}, at(160, 212));
        session_->runner().step();
        QCOMPARE(session_->runner().twin().screen(), 1);
        QCOMPARE(session_->selection().names(), Names{});
        QTest::keyRelease(canvas(), Qt::Key_H);
        QVERIFY(!canvas()->isOperating());
    }

    void zoomIsInWholeNumbers() {
        const int before = canvas()->zoom();
        QTest::keyClick(canvas(), Qt::Key_Equal, Qt::ControlModifier);
        QCOMPARE(canvas()->zoom(), before + 1);
        QTest::keyClick(canvas(), Qt::Key_Minus, Qt::ControlModifier);
        QCOMPARE(canvas()->zoom(), before);
        const QPointF middle(canvas()->rect().center());
        QWheelEvent wheel(middle, canvas()->mapToGlobal(middle), {}, {0, 120}, Qt::NoButton, Qt::ControlModifier,
                          Qt::NoScrollPhase, false);
        const QPoint under = canvas()->toPanel(middle);
        QApplication::sendEvent(canvas(), &wheel);
        QCOMPARE(canvas()->zoom(), before + 1);
        QVERIFY((canvas()->toPanel(middle) - under).manhattanLength() <= 1);
    }

    void screensInTheReel() {
        QTest::mouseClick(find<QWidget>("add_screen"), Qt::LeftButton);
        QCOMPARE(session_->document().screens.size(), size_t{10});
        QCOMPARE(session_->selection().screenName(), QString("screen"));
        auto* reel = find<QListView>("reel");
        reel->setFocus();
        QTest::keyClick(reel, Qt::Key_Up, Qt::AltModifier);
        QCOMPARE(session_->document().screenIndex("screen"), 0);
        QTest::keyClick(reel, Qt::Key_D, Qt::ControlModifier);
        QCOMPARE(session_->document().screens.size(), size_t{11});
        QTest::keyClick(reel, Qt::Key_Delete);
        QTest::keyClick(window_, Qt::Key_Z, Qt::ControlModifier);
        QCOMPARE(session_->document().screens.size(), size_t{11});
    }
};

GORSEFINCH_TEST(TestWindow, Windows)
#include "tst_window.moc"
