// SPDX-License-Identifier: GPL-3.0-or-later
// Assemblies in the window: made of widgets, used, edited alone, taken loose.
#include <QComboBox>
#include <QDialog>
#include <QLineEdit>
#include <QListView>
#include <QPushButton>
#include <QTableWidget>
#include <QtTest>

#include "core/edits/assembly_edits.h"
#include "core/sim/draw_screen.h"
#include "tests/support/operated_window.h"
#include "tests/support/test_case.h"

using namespace gorsefinch;
using namespace gorsefinch::app;

class TestUses : public QObject, support::OperatedWindow {
    Q_OBJECT

    std::vector<uint8_t> shown(const char* name) {
        return drawScreen(*session_->scene(), session_->document().screenIndex(name)).bytes();
    }
    const Assembly& assembly(const char* name) const { return *session_->document().screen(name)->assembly; }
    void selectBoth() { session_->selection().select({"a", "b"}); }
    void key(int which, Qt::KeyboardModifiers with) {
        canvas()->setFocus();
        QTest::keyClick(canvas(), static_cast<Qt::Key>(which), with);
    }
    void doubleClick(int x, int y) {
        const QPoint at = canvas()->fromPanel(QPointF(x + 0.5, y + 0.5)).toPoint();
        QTest::mouseClick(canvas(), Qt::LeftButton, {}, at);
        QTest::mouseDClick(canvas(), Qt::LeftButton, {}, at);
    }
    // Gives the assembly an input "label" in its dialog.
    void addLabel() {
        support::onNextDialog([](QWidget* shown) {
            QTest::mouseClick(shown->findChild<QPushButton*>("add_input"), Qt::LeftButton);
            auto* inputs = shown->findChild<QTableWidget*>("inputs");
            QCOMPARE(inputs->rowCount(), 1);
            inputs->item(0, 0)->setText("label");
            inputs->item(0, 2)->setText("one");
            inputs->item(0, 4)->setText("what it says");
            QTest::mouseClick(shown->findChild<QPushButton*>("add_event"), Qt::LeftButton);
            auto* events = shown->findChild<QTableWidget*>("events");
            events->item(0, 0)->setText("pressed");
            static_cast<QComboBox*>(events->cellWidget(0, 1))->setCurrentText("b");
            QTest::keyClick(shown, Qt::Key_Return);
        });
        QTest::mouseClick(find<QPushButton>("edit_inputs"), Qt::LeftButton);
        window_->activateWindow();
        QVERIFY(QTest::qWaitForWindowActive(window_));
    }

  private Q_SLOTS:
    void initTestCase() { prepare(); }
    void init() {
        QVERIFY(open("kiln", 5));
        begin({support::makeWidget("a", Kind::Rectangle, 20, 20, 60, 40, {{"fill", opaque(0x204060)}}),
               support::makeWidget("b", Kind::Button, 30, 30, 40, 20, {{"text", std::string("{label}")}})});
    }
    void cleanup() { close(); }

    void widgetsBecomeAnAssembly() {
        const auto before = shown("alarm");
        selectBoth();
        key(Qt::Key_B, Qt::ControlModifier | Qt::ShiftModifier);
        QCOMPARE(session_->document().screen("alarm")->widgets.size(), size_t{1});
        const std::string use = selected();
        QCOMPARE(assemblyOf(onAlarm(use.c_str())), std::string("assembly"));
        QCOMPARE(box(use.c_str()), QRect(20, 20, 60, 40));
        QCOMPARE(assembly("assembly").width, 60);
        QVERIFY2(find<QPushButton>("tray_assembly") == nullptr && window_->findChild<QAbstractButton*>("tray_assembly"),
                 "the tray has it");
        // A double click goes there, where one change is seen in each use.
        doubleClick(25, 25);
        QCOMPARE(session_->selection().screenName(), QString("assembly"));
        addLabel();
        QCOMPARE(assembly("assembly").inputs.size(), size_t{1});
        QCOMPARE(assembly("assembly").events.front().widget, std::string("b"));
        session_->selection().showScreen("alarm");
        session_->selection().select({use});
        QCOMPARE(find<QLineEdit>("input_label")->placeholderText(), QString("one"));
        const auto plain = shown("alarm");
        support::OpenWindow::retype(find<QLineEdit>("input_label"), "two");
        QCOMPARE(onAlarm(use.c_str()).inputs.at("label"), std::string("two"));
        QVERIFY(shown("alarm") != plain);
        canvas()->setFocus();
        undo();
        QVERIFY(onAlarm(use.c_str()).inputs.empty());
        QVERIFY(shown("alarm") == plain);
        // The tray inserts another one.
        QTest::mouseClick(window_->findChild<QAbstractButton*>("tray_assembly"), Qt::LeftButton);
        QCOMPARE(usesOf(session_->document(), "assembly"), size_t{2});
        for (int i = 0; i < 3; ++i)
            undo();
        QCOMPARE(session_->document().screen("alarm")->widgets.size(), size_t{2});
        QVERIFY(shown("alarm") == before);
    }

    void aUseIsTakenLoose() {
        selectBoth();
        key(Qt::Key_B, Qt::ControlModifier | Qt::ShiftModifier);
        const std::string use = selected();
        const auto before = shown("alarm");
        key(Qt::Key_G, Qt::ControlModifier | Qt::ShiftModifier);
        QCOMPARE(onAlarm(use.c_str()).kind, Kind::Group);
        QCOMPARE(session_->document().screen("alarm")->widgets.size(), size_t{3});
        QVERIFY(shown("alarm") == before);
        QCOMPARE(usesOf(session_->document(), "assembly"), size_t{0});
    }

    void nothingHoldsItself() {
        session_->selection().showScreen("stage");
        const size_t before = session_->document().screen("stage")->widgets.size();
        QTest::mouseClick(window_->findChild<QAbstractButton*>("tray_stage"), Qt::LeftButton);
        QCOMPARE(session_->document().screen("stage")->widgets.size(), before);
        // Nor is an assembly deleted while it is used.
        find<QListView>("reel")->setFocus();
        QTest::keyClick(find<QListView>("reel"), Qt::Key_Delete);
        QVERIFY(session_->document().screen("stage"));
        session_->selection().showScreen("alarm");
        QTest::mouseClick(window_->findChild<QAbstractButton*>("tray_stage"), Qt::LeftButton);
        QCOMPARE(assemblyOf(*session_->document().screen("alarm")->widgets.back()), std::string("stage"));
    }

    void badInputsAreRefused() {
        session_->selection().showScreen("programme");
        session_->selection().select({"stage_2"});
        support::OpenWindow::retype(find<QLineEdit>("input_number"), "many");
        QCOMPARE(session_->document().screen("programme")->widgets[2]->inputs.at("number"), std::string("2"));
        QCOMPARE(find<QLineEdit>("input_number")->text(), QString("2"));
        support::OpenWindow::retype(find<QLineEdit>("input_number"), "= step");
        QCOMPARE(session_->document().screen("programme")->widgets[2]->inputs.at("number"), std::string("= step"));
        for (const Problem& each : session_->scene()->problems)
            QVERIFY2(each.screen != "programme", each.text().c_str());
    }
};

GORSEFINCH_TEST(TestUses, Windows)
#include "tst_uses.moc"
