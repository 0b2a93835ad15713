// SPDX-License-Identifier: GPL-3.0-or-later
// Several widgets on the canvas: aligned with a look at the result, dragged with guides, copied, placed by typed
// numbers.
#include <QAction>
#include <QComboBox>
#include <QMenu>
#include <QScrollArea>
#include <QToolButton>
#include <QtTest>

#include "app/screens/layout_popup.h"
#include "core/edits/align.h"
#include "tests/support/operated_window.h"
#include "tests/support/test_case.h"

using namespace gorsefinch;
using namespace gorsefinch::app;

class TestLayingOut : public QObject, support::OperatedWindow {
    Q_OBJECT

    QToolButton* button(const char* name) { return find<QToolButton>(name); }
    // An entry of one of the bar's menus.
    QAction* entry(const char* menu, const char* name) {
        for (QAction* each : find<QMenu>(qPrintable(QString("entries_") + menu))->actions())
            if (each->objectName() == name)
                return each;
        return nullptr;
    }
    void enter(QWidget* widget) {
        QEnterEvent event(QPointF(5, 5), QPointF(5, 5), QPointF(5, 5));
        QApplication::sendEvent(widget, &event);
    }
    void leave(QWidget* widget) {
        QEvent event(QEvent::Leave);
        QApplication::sendEvent(widget, &event);
    }
    void drag(const QPoint& from, const QPoint& to, Qt::KeyboardModifiers keys = Qt::NoModifier) {
        support::OpenWindow::drag(canvas(), from, to, keys);
    }
    // Holds the button down, in the middle of a drag.
    void carry(const QPoint& from, const QPoint& to, Qt::KeyboardModifiers keys = Qt::NoModifier) {
        QTest::mousePress(canvas(), Qt::LeftButton, keys, from);
        for (int i = 1; i <= 4; ++i)
            moveTo(from + (to - from) * i / 4, keys);
    }
    void letGo(const QPoint& to, Qt::KeyboardModifiers keys = Qt::NoModifier) {
        QTest::mouseRelease(canvas(), Qt::LeftButton, keys, to);
    }
    QLineEdit* inSheet(const char* name) { return find<QScrollArea>("sheet")->widget()->findChild<QLineEdit*>(name); }

  private Q_SLOTS:
    void initTestCase() { prepare(); }

    void init() {
        QVERIFY(open("kiln", 5));
        begin({support::makeWidget("a", Kind::Rectangle, 20, 20, 40, 30, {{"fill", opaque(0x204060)}}),
               support::makeWidget("b", Kind::Rectangle, 85, 31, 50, 30, {{"fill", opaque(0x602040)}}),
               support::makeWidget("c", Kind::Rectangle, 207, 35, 60, 40, {{"fill", opaque(0x206040)}})});
        canvas()->setFocus();
    }

    void cleanup() { close(); }

    void theBarShowsWithTwo() {
        auto* bar = find<QWidget>("align_bar");
        QVERIFY(!bar->isVisible());
        click(30, 30);
        QVERIFY(!bar->isVisible());
        click(100, 40, Qt::ShiftModifier);
        QVERIFY(bar->isVisible());
        QVERIFY(!entry("gaps_across", "gaps_across")->isEnabled() && entry("tidy", "swap")->isEnabled());
        click(220, 50, Qt::ShiftModifier);
        QVERIFY(entry("gaps_across", "gaps_across")->isEnabled() && !entry("tidy", "swap")->isEnabled());
        // A menu of it shows the result while its entry is chosen.
        QTest::mouseClick(button("menu_gaps_across"), Qt::LeftButton);
        auto* menu = bar->findChild<QMenu*>("entries_gaps_across");
        QVERIFY(menu->isVisible());
        menu->setActiveAction(entry("gaps_across", "gaps_across"));
        QVERIFY(session_->isPreviewing());
        QTest::keyClick(menu, Qt::Key_Return);
        QVERIFY(!session_->isPreviewing());
        QCOMPARE(box("b").x(), 60 + (207 - 60 - 50) / 2 + 1);
        undo();
        QCOMPARE(box("b").x(), 85);
        canvas()->setFocus();
        // Nothing jumps when it comes and goes.
        const QSize size = canvas()->size();
        QTest::keyClick(canvas(), Qt::Key_Escape);
        QVERIFY(!bar->isVisible());
        QTest::qWait(1);
        QCOMPARE(canvas()->size(), size);
    }

    void aLookAtTheResultChangesNothing() {
        session_->selection().select({"a", "c", "b"});
        const QImage before = canvas()->grab().toImage();
        const auto twinBefore = session_->runner().twin().memory().bytes();
        const Document document = session_->document();
        enter(button("do_align_left"));
        QVERIFY(session_->isPreviewing());
        QVERIFY(canvas()->grab().toImage() != before);
        QVERIFY(session_->runner().twin().memory().bytes() != twinBefore);
        QCOMPARE(session_->document().screens, document.screens);
        leave(button("do_align_left"));
        QVERIFY(!session_->isPreviewing());
        QCOMPARE(canvas()->grab().toImage(), before);
        QCOMPARE(session_->runner().twin().memory().bytes(), twinBefore);
        // The twin's past is as it was, too.
        session_->runner().step();
        const size_t first = session_->runner().past().first(), last = session_->runner().past().last();
        enter(button("do_align_left"));
        session_->runner().step();
        leave(button("do_align_left"));
        QCOMPARE(size_t{session_->runner().past().first()}, first);
        QCOMPARE(size_t{session_->runner().past().last()}, last);
        // The keyboard's focus shows it, too; space takes it.
        button("do_align_left")->setFocus();
        QVERIFY(session_->isPreviewing());
        const auto shown = session_->runner().twin().memory().bytes();
        QTest::keyClick(button("do_align_left"), Qt::Key_Space);
        QCOMPARE(box("a").x(), 85);
        QCOMPARE(box("c").x(), 85);
        QCOMPARE(session_->runner().twin().memory().bytes(), shown);
        // An edit ends a look.
        enter(button("do_align_top"));
        canvas()->setFocus();
        QTest::keyClick(canvas(), Qt::Key_Down);
        QVERIFY(!session_->isPreviewing());
        QCOMPARE(box("a").y(), 21);
    }

    void keysAlignByWhatIsChosen() {
        session_->selection().select({"a", "b"});
        QTest::keyClick(canvas(), Qt::Key_Right, Qt::AltModifier);
        QCOMPARE(box("a"), QRect(95, 20, 40, 30));
        QTest::keyClick(canvas(), Qt::Key_Up, Qt::AltModifier | Qt::ShiftModifier);
        QCOMPARE(box("a"), QRect(95, 31, 40, 30));
        find<QComboBox>("align_by")->setFocus();
        QTest::keyClick(find<QComboBox>("align_by"), Qt::Key_Down);
        canvas()->setFocus();
        QTest::keyClick(canvas(), Qt::Key_Down, Qt::AltModifier);
        QCOMPARE(box("a").bottom(), 239);
        QCOMPARE(box("b").bottom(), 239);
        // By the panel one is enough.
        click(220, 50);
        QTest::keyClick(canvas(), Qt::Key_Left, Qt::AltModifier);
        QCOMPARE(box("c").x(), 0);
        QTest::keyClick(canvas(), Qt::Key_Left, Qt::AltModifier);
        QVERIFY(find<QLabel>("notice")->text().contains("nothing moves"));
        session_->selection().select({"c", "b"});
        QTest::keyClick(canvas(), Qt::Key_B, Qt::AltModifier);
        QCOMPARE(box("c").size(), QSize(50, 30));
        QTest::keyClick(canvas(), Qt::Key_S, Qt::AltModifier);
        QCOMPARE(box("c").topLeft(), QPoint(85, 210));
        session_->selection().select({"a", "b", "c"});
        const Document tidy = tidyIntoGrid(session_->document(), "alarm", session_->selection().names());
        QTest::keyClick(canvas(), Qt::Key_T, Qt::AltModifier);
        QCOMPARE(box("b"), boxOf(*tidy.screen("alarm")->widgets[1]));
        QVERIFY(session_->history().undoLabel() == "Tidy into a grid");
        // It is kept for the next start.
        QCOMPARE(QSettings().value("align_by").toInt(), 1);
        find<QComboBox>("align_by")->setFocus();
        QTest::keyClick(find<QComboBox>("align_by"), Qt::Key_Up);
    }

    void theMenuShowsTheResult() {
        session_->selection().select({"a", "b"});
        bool looked = false;
        support::onNextDialog([&](QWidget* popup) {
            auto* menu = qobject_cast<QMenu*>(popup);
            QVERIFY(menu);
            for (QAction* each : menu->actions())
                if (each->menu() && each->text() == "Align") {
                    each->menu()->popup(QPoint(10, 10));
                    each->menu()->setActiveAction(each->menu()->actions().front());
                    looked = session_->isPreviewing();
                    QTest::keyClick(each->menu(), Qt::Key_Return);
                }
            menu->close();
        });
        QContextMenuEvent event(QContextMenuEvent::Mouse, at(100, 40), canvas()->mapToGlobal(at(100, 40)));
        QApplication::sendEvent(canvas(), &event);
        QVERIFY(looked);
        QCOMPARE(box("a").x(), 85);
        QVERIFY(!session_->isPreviewing());
    }

    void dragsSnapUnlessCtrlIsHeld() {
        // b three pixels beside a's top: it goes there.
        drag(at(100, 40), at(100, 32));
        QCOMPARE(box("b").y(), 20);
        undo();
        drag(at(100, 40), at(100, 32), Qt::ControlModifier);
        QCOMPARE(box("b").y(), 23);
        undo();
        QTest::mouseClick(find<QToolButton>("use_guides"), Qt::LeftButton);
        drag(at(100, 40), at(100, 32));
        QCOMPARE(box("b").y(), 23);
    }

    void equalGapsAreFoundAndDrawn() {
        // Between a and c there are 147 pixels: 48 or 49 on each side of b.
        carry(at(100, 40), at(121, 44));
        QCOMPARE(box("b").x(), 60 + 48);
        const QImage shown = canvas()->grab().toImage();
        letGo(at(121, 44));
        QVERIFY(canvas()->grab().toImage() != shown);
        QCOMPARE(box("b").x(), 60 + 48);
    }

    void numbersSayWhere() {
        carry(at(100, 40), at(140, 45));
        QTest::keyClicks(canvas(), "150");
        QCOMPARE(box("b").x(), 150);
        // The pointer has no more say.
        moveTo(at(200, 90));
        QCOMPARE(box("b").x(), 150);
        QTest::keyClick(canvas(), Qt::Key_Backspace);
        QCOMPARE(box("b").x(), 15);
        QTest::keyClicks(canvas(), "1,77");
        QCOMPARE(box("b"), QRect(151, 77, 50, 30));
        QTest::keyClick(canvas(), Qt::Key_Return);
        moveTo(at(10, 10));
        letGo(at(10, 10));
        QCOMPARE(box("b"), QRect(151, 77, 50, 30));
        undo();
        QCOMPARE(box("b"), QRect(85, 31, 50, 30));
        // A size: from the corner at the lower right.
        click(100, 40);
        carry(at(135, 61), at(140, 66));
        QTest::keyClicks(canvas(), "80,44");
        letGo(at(140, 66));
        QCOMPARE(box("b"), QRect(85, 31, 80, 44));
        undo();
        // From the left edge the right one stays.
        carry(at(85, 46), at(80, 46));
        QTest::keyClicks(canvas(), "70");
        letGo(at(80, 46));
        QCOMPARE(box("b"), QRect(65, 31, 70, 30));
    }

    void escapePutsBack() {
        carry(at(100, 40), at(180, 90));
        QVERIFY(box("b").x() > 100);
        QTest::keyClick(canvas(), Qt::Key_Escape);
        QCOMPARE(box("b"), QRect(85, 31, 50, 30));
        moveTo(at(20, 200));
        letGo(at(20, 200));
        QCOMPARE(box("b"), QRect(85, 31, 50, 30));
        QCOMPARE(selected(), std::string("b"));
        carry(at(100, 40), at(180, 90), Qt::AltModifier);
        QTest::keyClick(canvas(), Qt::Key_Escape);
        letGo(at(180, 90));
        QCOMPARE(session_->document().screen("alarm")->widgets.size(), size_t{3});
    }

    void altDragsACopyAndCtrlDRepeatsIt() {
        drag(at(30, 30), at(30, 80), Qt::AltModifier);
        QCOMPARE(box("a"), QRect(20, 20, 40, 30));
        QCOMPARE(selected(), std::string("a_2"));
        const int step = box("a_2").y() - 20;
        QVERIFY(std::abs(step - 50) <= 4);
        QTest::keyClick(canvas(), Qt::Key_D, Qt::ControlModifier);
        QCOMPARE(box("a_3").topLeft(), QPoint(box("a_2").x(), 20 + 2 * step));
        QTest::keyClick(canvas(), Qt::Key_D, Qt::ControlModifier);
        QCOMPARE(box("a_4").y(), 20 + 3 * step);
        undo();
        undo();
        undo();
        QCOMPARE(session_->document().screen("alarm")->widgets.size(), size_t{3});
        // A copy that is moved sets the step.
        click(100, 40);
        QTest::keyClick(canvas(), Qt::Key_D, Qt::ControlModifier);
        QCOMPARE(box("b_2"), QRect(93, 39, 50, 30));
        QTest::keyClick(canvas(), Qt::Key_Down, Qt::ShiftModifier);
        QTest::keyClick(canvas(), Qt::Key_D, Qt::ControlModifier);
        QCOMPARE(box("b_3"), QRect(101, 67, 50, 30));
        // Something else is selected: a step aside.
        click(30, 30);
        QTest::keyClick(canvas(), Qt::Key_D, Qt::ControlModifier);
        QCOMPARE(box("a_2"), QRect(28, 28, 40, 30));
    }

    void shiftKeepsTheRatio() {
        click(100, 40);
        drag(at(135, 61), at(185, 63), Qt::ShiftModifier);
        QCOMPARE(box("b"), QRect(85, 31, 100, 60));
        drag(at(135, 91), at(135, 61), Qt::ShiftModifier);
        QCOMPARE(box("b"), QRect(85, 31, 50, 30));
    }

    void linesComeOutOfTheRulers() {
        const QPoint ruler(5, at(0, 100).y());
        drag(ruler, at(150, 100));
        QCOMPARE(session_->document().screen("alarm")->lines.upright, std::vector<int>{150});
        // A box snaps to it.
        drag(at(100, 40), at(163, 150));
        QCOMPARE(box("b").x(), 150);
        undo();
        // Along it by its mark, onto all screens, and away.
        drag({at(150, 0).x(), 8}, {at(170, 0).x(), at(0, 60).y()}, Qt::ShiftModifier);
        QCOMPARE(session_->document().aids->lines.upright, std::vector<int>{170});
        QVERIFY(session_->document().screen("alarm")->lines.empty());
        drag({at(170, 0).x(), 8}, {at(180, 0).x(), at(0, 60).y()});
        QCOMPARE(session_->document().aids->lines.upright, std::vector<int>{180});
        // Along the ruler itself, too.
        drag({at(180, 0).x(), 8}, {at(190, 0).x(), 6});
        QCOMPARE(session_->document().aids->lines.upright, std::vector<int>{190});
        undo();
        drag({at(180, 0).x(), 8}, {6, at(0, 60).y()});
        QVERIFY(session_->document().aids->lines.empty());
        undo();
        QCOMPARE(session_->document().aids->lines.upright, std::vector<int>{180});
        drag({at(100, 0).x(), 5}, at(100, 33));
        QCOMPARE(session_->document().screen("alarm")->lines.level, std::vector<int>{33});
        // Escape, and a line that never came onto the panel, leave nothing.
        carry(ruler, at(40, 100));
        QTest::keyClick(canvas(), Qt::Key_Escape);
        letGo(at(40, 100));
        drag(ruler, ruler + QPoint(4, 4));
        QVERIFY(session_->document().screen("alarm")->lines.upright.empty());
    }

    void theGridDrawsAndSnaps() {
        const QImage before = canvas()->grab().toImage();
        QTest::keyClick(canvas(), Qt::Key_G);
        auto* popup = find<LayoutPopup>("layout_popup");
        QVERIFY(popup->isVisible());
        QTest::mouseClick(popup->findChild<QCheckBox*>("grid_shown"), Qt::LeftButton, {}, QPoint(8, 8));
        QTest::mouseClick(popup->findChild<QCheckBox*>("grid_used"), Qt::LeftButton, {}, QPoint(8, 8));
        support::OpenWindow::retype(popup->findChild<QLineEdit*>("grid_step"), "25");
        support::OpenWindow::retype(popup->findChild<QLineEdit*>("grid_strength"), "12");
        support::OpenWindow::retype(popup->findChild<QLineEdit*>("layout_margin"), "10");
        support::OpenWindow::retype(popup->findChild<QLineEdit*>("lines_level"), "180; 8*25 junk");
        popup->close();
        QVERIFY(canvas()->grab().toImage() != before);
        QCOMPARE(session_->document().aids->grid.step, 25);
        QCOMPARE(session_->document().aids->margin, 10);
        QCOMPARE(session_->document().screen("alarm")->lines.level, (std::vector<int>{180, 200}));
        QVERIFY(find<QLabel>("notice")->text().contains("junk"));
        drag(at(100, 40), at(109, 94), Qt::NoModifier);  // to 94, 85
        QCOMPARE(box("b").topLeft(), QPoint(100, 75));
        drag(at(110, 85), at(22, 85), Qt::NoModifier);  // the margin
        QCOMPARE(box("b").x(), 10);
    }

    void numbersOfSeveral() {
        session_->selection().select({"a", "b", "c"});
        auto* x = inSheet("x");
        support::OpenWindow::retype(x, "+4");
        QCOMPARE(box("a").x(), 24);
        QCOMPARE(box("b").x(), 89);
        QCOMPARE(box("c").x(), 211);
        support::OpenWindow::retype(inSheet("w"), "w/2");
        QCOMPARE(box("a").width(), 20);
        QCOMPARE(box("c").width(), 30);
        support::OpenWindow::retype(inSheet("x"), "panel.w - w");
        QCOMPARE(box("a").x(), 300);
        QCOMPARE(box("c").x(), 290);
        // Each by one.
        x = inSheet("x");
        x->setFocus();
        QTest::keyClick(x, Qt::Key_Down);
        QCOMPARE(box("a").x(), 299);
        QCOMPARE(box("c").x(), 289);
        support::OperatedWindow::turnWheel(x, -1);
        QCOMPARE(box("a").x(), 300);
        QTest::keyClick(x, Qt::Key_Up, Qt::ShiftModifier);
        QCOMPARE(box("c").x(), 300);
        // One that would be out of range: none is set.
        support::OpenWindow::retype(inSheet("w"), "w - 25");
        QCOMPARE(box("c").width(), 30);
        QVERIFY(inSheet("w")->property("wrong").toBool());
        QTest::keyClick(inSheet("w"), Qt::Key_Escape);
        support::OpenWindow::retype(inSheet("y"), "50");
        for (const char* each : {"a", "b", "c"})
            QCOMPARE(box(each).y(), 50);
        // A wheel over a field that is not edited scrolls the page.
        canvas()->setFocus();
        support::OperatedWindow::turnWheel(inSheet("y"), 1);
        QCOMPARE(box("a").y(), 50);
    }
};

GORSEFINCH_TEST(TestLayingOut, Windows)
#include "tst_laying_out.moc"
