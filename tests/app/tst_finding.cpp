// SPDX-License-Identifier: GPL-3.0-or-later
// Widgets are found on all screens while it is typed; screens are compared; problems are fixed from their list.
#include <QComboBox>
#include <QLabel>
#include <QListView>
#include <QListWidget>
#include <QPushButton>
#include <QSlider>
#include <QToolButton>
#include <QtTest>

#include "app/frame/problems_dialog.h"
#include "app/screens/find_dialog.h"
#include "app/screens/ghost_popup.h"
#include "tests/support/operated_window.h"
#include "tests/support/test_case.h"

using namespace gorsefinch;
using namespace gorsefinch::app;

class TestFinding : public QObject, support::OperatedWindow {
    Q_OBJECT

    FindDialog* dialog() { return find<FindDialog>("find_dialog"); }
    void look(const QString& text, int in = 0) {
        QTest::keyClick(canvas(), Qt::Key_F, Qt::ControlModifier);
        QVERIFY(dialog()->isVisible());
        dialog()->findChild<QComboBox*>("find_in")->setCurrentIndex(in);
        support::OpenWindow::retype(dialog()->findChild<QLineEdit*>("find_text"), text, false);
    }
    QStringList rows() {
        QStringList out;
        const auto* model = dialog()->findChild<QListView*>("found")->model();
        for (int i = 0; i < model->rowCount(); ++i)
            out << model->index(i, 0).data(FoundModel::PlaceRole).toString();
        return out;
    }

  private Q_SLOTS:
    void initTestCase() { prepare(); }
    void init() { QVERIFY(open("kiln", 5)); }
    void cleanup() { close(); }

    void whatIsFoundIsLedTo() {
        look("too hot");
        QCOMPARE(rows(), (QStringList{"status \u203a hot_text", "alarm \u203a title_text"}));
        auto* text = dialog()->findChild<QLineEdit*>("find_text");
        QTest::keyClick(text, Qt::Key_Return);
        QCOMPARE(session_->selection().screenName(), QString("status"));
        QCOMPARE(selected(), std::string("hot_text"));
        QTest::keyClick(text, Qt::Key_Down);
        QCOMPARE(session_->selection().screenName(), QString("alarm"));
        QVERIFY(text->hasFocus() || dialog()->isVisible());
        QTest::keyClick(text, Qt::Key_Up);
        QCOMPARE(selected(), std::string("hot_text"));
        // It follows edits.
        QTest::keyClicks(text, "test");
        QCOMPARE(rows(), QStringList());
        QVERIFY(dialog()->findChild<QLabel*>("found_count")->text().contains("Nothing"));
        support::OpenWindow::retype(text, "probe_9", false);
        QCOMPARE(rows(), QStringList());
        put({support::makeWidget("probe_9", Kind::Rectangle, 0, 0, 9, 9)});
        QCOMPARE(rows(), QStringList{"alarm \u203a probe_9"});
        QTest::keyClick(text, Qt::Key_Escape);
        QVERIFY(!dialog()->isVisible());
    }

    void wordsAndLooksAreReplaced() {
        look("too hot", 2);
        auto* by = dialog()->findChild<QLineEdit*>("replace_by");
        QVERIFY(by->isVisible());
        support::OpenWindow::retype(by, "Over limit", false);
        QTest::mouseClick(dialog()->findChild<QPushButton*>("replace_all"), Qt::LeftButton);
        QCOMPARE(rows(), QStringList());
        QCOMPARE(std::get<std::string>(onAlarm("title_text").properties.at("text")), std::string("Over limit"));
        undo();
        QCOMPARE(rows().size(), 2);
        look("button", 3);
        const int buttons = static_cast<int>(rows().size());
        QVERIFY(buttons > 3 && !by->isVisible());
        look("button", 4);
        QVERIFY(!rows().isEmpty());
        auto* looks = dialog()->findChild<QComboBox*>("replace_look");
        QVERIFY(looks->isVisible());
        looks->setCurrentIndex(0);
        QTest::mouseClick(dialog()->findChild<QPushButton*>("replace_all"), Qt::LeftButton);
        QCOMPARE(rows(), QStringList());
    }

    void anotherScreenShowsFaintly() {
        const QImage before = canvas()->grab().toImage();
        QTest::mouseClick(find<QToolButton>("show_ghost"), Qt::LeftButton);
        auto* popup = find<GhostPopup>("ghost_popup");
        QVERIFY(popup->isVisible());
        QCOMPARE(canvas()->grab().toImage(), before);
        auto* screens = popup->findChild<QComboBox*>("ghost_screen");
        QCOMPARE(screens->findData("status"), -1);
        screens->setFocus();
        for (int i = 0; i < screens->count() && screens->currentText() != "alarm"; ++i)
            QTest::keyClick(screens, Qt::Key_Down);
        QCOMPARE(screens->currentText(), QString("alarm"));
        const QImage half = canvas()->grab().toImage();
        QVERIFY(half != before);
        auto* strength = popup->findChild<QSlider*>("ghost_strength");
        strength->setValue(0);
        QCOMPARE(canvas()->grab().toImage(), before);
        strength->setValue(50);
        popup->close();
        QVERIFY(find<QToolButton>("show_ghost")->isChecked());
        QCOMPARE(canvas()->grab().toImage(), half);
        // Nothing of it is edited or run.
        QVERIFY(session_->history().isSaved());
    }

    void aProblemIsFixedFromItsList() {
        const auto titled = [](int x) {
            return support::makeWidget("probe_title", Kind::Rectangle, x, 10, 30, 10, {{"fill", opaque(0x204060)}});
        };
        session_->edit(addWidgets(session_->document(), "course", {titled(20)}), "Test");
        session_->edit(addWidgets(session_->document(), "alarm", {titled(22)}), "Test");
        QCOMPARE(session_->problems().size(), size_t{1});
        support::onNextDialog([](QWidget* shown) {
            auto* fix = shown->findChild<QPushButton*>("fix_problem");
            auto* list = shown->findChild<QListWidget*>("problem_list");
            QCOMPARE(list->count(), 1);
            QVERIFY(list->item(0)->text().contains("at 20,10 30x10, but at 22,10 30x10 on alarm"));
            QVERIFY(fix->isVisible() && fix->text().contains("Place it the same"));
            QTest::mouseClick(fix, Qt::LeftButton);
            QCOMPARE(list->count(), 0);
            QVERIFY(!fix->isVisible());
            shown->close();
        });
        for (auto* each : window_->findChildren<QPushButton*>())
            if (each->text() == "1 problem") {
                QTest::mouseClick(each, Qt::LeftButton);
                break;
            }
        QVERIFY(session_->problems().empty());
        // The screen alarm comes first, so it is the other one that moved.
        QCOMPARE(onAlarm("probe_title").x, 22);
        // All at once, from the canvas.
        activate();
        session_->selection().showScreen("course");
        session_->selection().select({"probe_title"});
        canvas()->setFocus();
        QTest::keyClick(canvas(), Qt::Key_Down, Qt::ShiftModifier);
        QTest::keyClick(canvas(), Qt::Key_P, Qt::ControlModifier | Qt::ShiftModifier);
        QCOMPARE(onAlarm("probe_title").y, 20);
        QTest::keyClick(canvas(), Qt::Key_P, Qt::ControlModifier | Qt::ShiftModifier);
        QVERIFY(find<QLabel>("notice")->text().contains("already"));
    }
};

GORSEFINCH_TEST(TestFinding, Windows)
#include "tst_finding.moc"
