// SPDX-License-Identifier: GPL-3.0-or-later
// What is made once and shown several times, in the window: series and backing screens.
#include <QLabel>
#include <QListView>
#include <QMenu>
#include <QPushButton>
#include <QtTest>

#include "core/sim/draw_screen.h"
#include "tests/support/operated_window.h"
#include "tests/support/test_case.h"

using namespace gorsefinch;
using namespace gorsefinch::app;

class TestCopies : public QObject, support::OperatedWindow {
    Q_OBJECT

    void type(const char* field, const QString& number) { support::OpenWindow::retype(find<QLineEdit>(field), number); }
    // Chooses an entry of the menu that a button of the sheet shows.
    void choose(const char* button, const QString& entry) {
        support::onNextDialog([entry](QWidget* shown) {
            auto* menu = qobject_cast<QMenu*>(shown);
            QVERIFY(menu);
            for (QAction* each : menu->actions())
                if (each->text() == entry && each->isEnabled())
                    QTest::mouseClick(menu, Qt::LeftButton, {}, menu->actionGeometry(each).center());
            menu->close();
        });
        QTest::mouseClick(find<QPushButton>(button), Qt::LeftButton);
    }
    const Screen& screen(const char* name) const { return *session_->document().screen(name); }
    std::vector<uint8_t> shown(const char* name) {
        return drawScreen(*session_->scene(), session_->document().screenIndex(name)).bytes();
    }

  private Q_SLOTS:
    void initTestCase() { prepare(); }
    void init() {
        QVERIFY(open("kiln", 5));
        begin({support::makeWidget("a", Kind::Rectangle, 20, 20, 40, 30, {{"fill", opaque(0x204060)}})});
    }
    void cleanup() { close(); }

    void aWidgetBecomesASeries() {
        click(30, 30);
        QCOMPARE(selected(), std::string("a"));
        QVERIFY(!find<QLineEdit>("series_x")->isVisible());
        const auto before = shown("alarm");
        type("series_columns", "3");
        QCOMPARE(onAlarm("a").seriesColumns, 3);
        QVERIFY2(onAlarm("a").seriesX == 44, "as far as it is wide, and a little more");
        QVERIFY(find<QLineEdit>("series_x")->isVisible());
        type("series_rows", "2");
        type("series_y", "h+10");
        QCOMPARE(onAlarm("a").seriesY, 40);
        QVERIFY(shown("alarm") != before);
        // Any of them selects it, and moves it.
        session_->selection().select({});
        click(20 + 2 * 44 + 5, 20 + 40 + 5);
        QCOMPARE(selected(), std::string("a"));
        canvas()->setFocus();
        QTest::keyClick(canvas(), Qt::Key_Right);
        QCOMPARE(box("a").x(), 21);
        click(20 + 3 * 44 + 5, 25);
        QCOMPARE(selected(), std::string());
        for (int i = 0; i < 4; ++i)
            undo();
        QCOMPARE(onAlarm("a").seriesColumns, 1);
        QVERIFY(shown("alarm") == before);
    }

    void theEyeHidesTheWholeSeries() {
        const auto blank = [this] {
            return drawScreen(*session_->scene(), session_->document().screenIndex("alarm"), nullptr,
                              {{}, 0, {"a"}, {}})
                .bytes();
        };
        const auto nothing = blank();
        click(30, 30);
        type("series_columns", "3");
        QVERIFY(shown("alarm") != nothing);
        QVERIFY(blank() == nothing);
    }

    void aScreenTakesABackingScreen() {
        session_->selection().select({});
        const auto before = shown("alarm");
        QCOMPARE(find<QPushButton>("below")->text().trimmed(), QString("no backing screen"));
        choose("below", "head");
        QCOMPARE(screen("alarm").below, Names{"head"});
        QTRY_COMPARE(find<QPushButton>("below")->text().trimmed(), QString("head"));
        QVERIFY(shown("alarm") != before);
        // One that is shown behind others can't have any.
        choose("above", "course (has backing screens itself)");
        QVERIFY(screen("alarm").above.empty());
        // A double click on what it shows goes there.
        QTest::mouseDClick(canvas(), Qt::LeftButton, {}, at(290, 4));
        QCOMPARE(session_->selection().screenName(), QString("head"));
        QVERIFY(selected() == "header" || selected() == "programme_text");
        undo();
        QVERIFY(screen("alarm").below.empty());
        QVERIFY(shown("alarm") == before);
    }

    void theTwinOperatesWhatABackingScreenHas() {
        session_->selection().showScreen("head");
        session_->edit(
            addWidgets(session_->document(), "head", {support::makeWidget("jump", Kind::Button, 130, 2, 40, 24)}),
            "Test");
        session_->edit(withRules(session_->document(), "more", "on head.jump.tap\n    go alarm\n"), "Test");
        session_->runner().twin().go(session_->document().screenIndex("settings"));
        session_->runner().step();
        QTest::mousePress(twin(), Qt::LeftButton, {}, onTwin(150, 14));
        session_->runner().step();
        QTest::mouseRelease(twin(), Qt::LeftButton, {}, onTwin(150, 14));
        session_->runner().step();
        QCOMPARE(session_->runner().twin().screen(), session_->document().screenIndex("alarm"));
    }

    void widgetsBecomeABackingScreen() {
        put({support::makeWidget("b", Kind::Rectangle, 20, 60, 40, 30, {{"fill", opaque(0x604020)}})});
        const auto before = shown("alarm");
        const size_t screens = session_->document().screens.size();
        session_->selection().select({"b"});
        canvas()->setFocus();
        QTest::keyClick(canvas(), Qt::Key_B, Qt::ControlModifier);
        QCOMPARE(session_->document().screens.size(), screens + 1);
        QCOMPARE(session_->selection().screenName(), QString("backing"));
        QCOMPARE(screen("alarm").above, Names{"backing"});
        QVERIFY2(shown("alarm") == before, "the pixels are the same");
        QCOMPARE(find<QListView>("reel")->model()->index(static_cast<int>(screens), 0).isValid(), true);
        undo();
        QCOMPARE(session_->document().screens.size(), screens);
        // What lies below all else goes below.
        session_->selection().showScreen("alarm");
        session_->selection().select({"a"});
        canvas()->setFocus();
        QTest::keyClick(canvas(), Qt::Key_B, Qt::ControlModifier);
        QCOMPARE(screen("alarm").below, Names{"backing"});
        QVERIFY(shown("alarm") == before);
    }
};

GORSEFINCH_TEST(TestCopies, Windows)
#include "tst_copies.moc"
