// SPDX-License-Identifier: GPL-3.0-or-later
// The named colours and sizes and their sets, the lists that offer samples, and problems that are marked as meant so.
#include <QCheckBox>
#include <QComboBox>
#include <QHeaderView>
#include <QInputDialog>
#include <QLabel>
#include <QListView>
#include <QListWidget>
#include <QPushButton>
#include <QTableView>
#include <QToolButton>
#include <QtTest>

#include "app/screens/named_model.h"
#include "app/widgets/sample_combo.h"
#include "core/edits/named_edits.h"
#include "core/sim/draw_screen.h"
#include "tests/support/operated_window.h"
#include "tests/support/test_case.h"

using namespace gorsefinch;
using namespace gorsefinch::app;

class TestNamedPane : public QObject, support::OperatedWindow {
    Q_OBJECT

    QTableView* table() { return find<QTableView>("named_values"); }
    NamedModel* model() { return static_cast<NamedModel*>(table()->model()); }
    void press(const char* name) { QTest::mouseClick(find<QToolButton>(name), Qt::LeftButton); }
    const NamedValues& named() { return *session_->document().named; }
    void choose(const char* name, int column) {
        QVERIFY(model()->rowOf(name) >= 0);
        table()->setCurrentIndex(model()->index(model()->rowOf(name), column));
    }
    void type(const QString& words) {
        table()->setFocus();
        QTest::keyClick(table(), Qt::Key_F2);
        auto* editor = qobject_cast<QLineEdit*>(QApplication::focusWidget());
        QVERIFY(editor && table()->isAncestorOf(editor));
        editor->selectAll();
        QTest::keyClicks(editor, words);
        QTest::keyClick(editor, Qt::Key_Return);
        QCoreApplication::processEvents();
    }
    void clickHeader(int column) {
        QHeaderView* header = table()->horizontalHeader();
        QTest::mouseClick(header->viewport(), Qt::LeftButton, {},
                          {header->sectionViewportPosition(column) + 12, header->height() / 2});
    }
    static SamplePicker* picker() {
        for (QWidget* each : QApplication::topLevelWidgets())
            if (auto* found = qobject_cast<SamplePicker*>(each); found && found->isVisible())
                return found;
        return nullptr;
    }
    static void key(int key) { QTest::keyClick(picker()->findChild<QLineEdit*>("filter"), static_cast<Qt::Key>(key)); }

  private Q_SLOTS:
    void initTestCase() { prepare(); }
    void init() {
        QVERIFY(open("kiln", 5));
        begin({support::makeWidget("a", Kind::Rectangle, 20, 20, 90, 30, {{"fill", opaque(0x204060)}})});
        canvas()->setFocus();
        QTest::keyClick(canvas(), Qt::Key_Y);
        for (auto* each : find<QWidget>("looks_page")->findChildren<QPushButton*>())
            if (each->text().startsWith("Colours"))
                QTest::mouseClick(each, Qt::LeftButton);
        QVERIFY(table()->isVisible());
    }
    void cleanup() { close(); }

    void coloursAreMadeChangedAndRenamed() {
        const size_t before = named().colours.size();
        press("add_named_colour");
        QCOMPARE(named().colours.size(), before + 1);
        QTest::keyClick(QApplication::focusWidget(), Qt::Key_Escape);
        QCoreApplication::processEvents();
        choose("colour", 0);
        type("ember");
        QVERIFY(named().colour("ember"));
        choose("ember", 2);
        type("102030");
        QCOMPARE(named().colour("ember")->inSets, (std::vector<Colour>{opaque(0x808080), opaque(0x102030)}));
        type("reddish");
        QVERIFY(find<QLabel>("notice")->text().contains("no colour"));
        QCOMPARE(named().colour("ember")->inSets[1], opaque(0x102030));
        press("add_named_size");
        QTest::keyClick(QApplication::focusWidget(), Qt::Key_Escape);
        QCoreApplication::processEvents();
        choose("size", 1);
        type("12");
        QCOMPARE(named().size("size")->size, 12);
        choose("ember", 0);
        press("remove_named");
        QVERIFY(!named().colour("ember"));
        undo();
        QVERIFY(named().colour("ember"));
    }

    void oneChangeRestylesAllThatHaveIt() {
        choose("ground", 1);
        session_->runner().twin().go(0);
        session_->runner().step();
        const auto before = session_->runner().twin().memory().bytes();
        type("#402060");
        QVERIFY(session_->runner().twin().memory().bytes() != before);
        undo();
        QVERIFY(session_->runner().twin().memory().bytes() == before);
    }

    void theHeadingOfASetShowsIt() {
        session_->selection().showScreen("status");
        const QImage day = canvas()->grab().toImage();
        clickHeader(2);
        QCOMPARE(valueOf("theme"), std::string("night"));
        QVERIFY(canvas()->grab().toImage() != day);
        clickHeader(1);
        QCOMPARE(valueOf("theme"), std::string("day"));
        press("add_set");
        QCOMPARE(named().sets, (std::vector<std::string>{"day", "night", "dark"}));
        QCOMPARE(model()->columnCount(), 4);
        undo();
        QCOMPARE(named().setCount(), size_t{2});
    }

    void aFieldTakesANameByTypingAndFromItsList() {
        session_->selection().select({"a"});
        auto* code = find<QWidget>("fill")->findChild<QLineEdit*>();
        support::OpenWindow::retype(code, "accent");
        QCOMPARE(std::get<ValueName>(onAlarm("a").properties.at("fill")).name, std::string("accent"));
        QCOMPARE(code->text(), QString("accent"));
        // The list shows each while its mark is on it, and Escape puts back.
        const QImage before = canvas()->grab().toImage();
        QTest::mouseClick(find<QWidget>("fill")->findChild<QToolButton*>(), Qt::LeftButton);
        QVERIFY(picker());
        key(Qt::Key_Down);
        QVERIFY(session_->isPreviewing());
        QVERIFY(canvas()->grab().toImage() != before);
        key(Qt::Key_Escape);
        QVERIFY(!session_->isPreviewing());
        QCOMPARE(canvas()->grab().toImage(), before);
        QCOMPARE(std::get<ValueName>(onAlarm("a").properties.at("fill")).name, std::string("accent"));
        // Typing filters it.
        QTest::mouseClick(find<QWidget>("fill")->findChild<QToolButton*>(), Qt::LeftButton);
        QTest::keyClicks(picker()->findChild<QLineEdit*>("filter"), "dang");
        QCOMPARE(picker()->findChild<QListView*>("samples")->model()->rowCount(), 1);
        key(Qt::Key_Return);
        QCOMPARE(std::get<ValueName>(onAlarm("a").properties.at("fill")).name, std::string("danger"));
        undo();
        QCOMPARE(std::get<ValueName>(onAlarm("a").properties.at("fill")).name, std::string("accent"));
    }

    void looksArePickedFromSamples() {
        session_->selection().select({"a"});
        auto* look = find<SampleCombo>("look");
        const QImage before = canvas()->grab().toImage();
        look->showPopup();
        QVERIFY(picker());
        QTest::keyClicks(picker()->findChild<QLineEdit*>("filter"), "surf");
        QVERIFY(session_->isPreviewing());
        key(Qt::Key_Escape);
        QCOMPARE(onAlarm("a").look, std::string());
        QCOMPARE(canvas()->grab().toImage(), before);
        look->showPopup();
        QTest::keyClicks(picker()->findChild<QLineEdit*>("filter"), "surf");
        key(Qt::Key_Return);
        QCOMPARE(onAlarm("a").look, std::string("surface"));
    }

    void aColourIsUsedByItsNameEverywhere() {
        std::string name;
        session_->edit(addNamedColour(session_->document(), "sea", opaque(0x204060), &name), "Test");
        choose("sea", 1);
        press("use_named");
        QCOMPARE(std::get<ValueName>(onAlarm("a").properties.at("fill")).name, std::string("sea"));
        QVERIFY(find<QLabel>("notice")->text().contains("1 more"));
    }

    void whatIsMeantSoCountsNoMore() {
        put({support::makeWidget("faint", Kind::Text, 20, 80, 120, 24,
                                 {{"text", std::string("Faint words")}, {"colour", opaque(0x802a18)}})});
        const auto isFound = [this] {
            return std::any_of(session_->problems().begin(), session_->problems().end(),
                               [](const Problem& each) { return each.widget == "faint"; });
        };
        QTRY_VERIFY(isFound());
        support::onNextDialog([](QWidget* shown) {
            auto* list = shown->findChild<QListWidget*>("problem_list");
            auto* filter = shown->findChild<QLineEdit*>("problem_filter");
            QTest::keyClicks(filter, "faint");
            QCOMPARE(list->count(), 1);
            support::onNextDialog([](QWidget* asked) {
                QTest::keyClicks(asked->findChild<QLineEdit*>(), "it is a watermark");
                QTest::keyClick(asked->findChild<QLineEdit*>(), Qt::Key_Return);
            });
            QTest::mouseClick(shown->findChild<QPushButton*>("mark_meant"), Qt::LeftButton);
            QCOMPARE(list->count(), 0);
            QTest::mouseClick(shown->findChild<QCheckBox*>("show_meant"), Qt::LeftButton, {}, {8, 8});
            QCOMPARE(list->count(), 1);
            QVERIFY(list->item(0)->text().contains("it is a watermark"));
            auto* group = shown->findChild<QComboBox*>("problem_group");
            group->setCurrentIndex(2);
            Q_EMIT group->activated(2);
            QCOMPARE(list->count(), 2);
            QCOMPARE(list->item(0)->text(), QString("Low contrast"));
            shown->close();
        });
        QTest::mouseClick(find<QPushButton>("problems"), Qt::LeftButton);
        QCOMPARE(session_->document().meantSo->back().reason, std::string("it is a watermark"));
        const Problems& meant = session_->problemsMeantSo();
        QVERIFY(std::any_of(meant.begin(), meant.end(), [](const Problem& each) { return each.widget == "faint"; }));
        QVERIFY(!isFound());
        activate();
        undo();
        QVERIFY(isFound());
    }
};

GORSEFINCH_TEST(TestNamedPane, Windows)
#include "tst_named_pane.moc"
