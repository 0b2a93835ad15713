// SPDX-License-Identifier: GPL-3.0-or-later
// Fields and keyboards in the window: typed into on the twin and on the canvas, set in the sheet and at the station
// Panel.
#include <QComboBox>
#include <QLabel>
#include <QLineEdit>
#include <QPlainTextEdit>
#include <QScrollArea>
#include <QtTest>

#include "core/sim/draw_screen.h"
#include "tests/support/operated_window.h"
#include "tests/support/test_case.h"

using namespace gorsefinch;
using namespace gorsefinch::app;

class TestTypingView : public QObject, support::OperatedWindow {
    Q_OBJECT

    template <typename T>
    T* inSheet(const char* name) {
        return find<QScrollArea>("sheet")->widget()->findChild<T*>(name);
    }
    QStringList offered(const char* row) {
        QStringList out;
        const auto* box = inSheet<QWidget>(row)->findChild<QComboBox*>();
        for (int i = 0; i < box->count(); ++i)
            out << box->itemText(i);
        return out;
    }
    void wait(int ms) {
        Twin& now = session_->runner().twin();
        now.step(now.now() + static_cast<uint32_t>(ms));
        session_->runner().step();
    }
    const Widget& widget(const char* name) const {
        const ScreenRef screen = session_->document().screen("alarm");
        return *screen->widgets[static_cast<size_t>(widgetIndex(*screen, name))];
    }

  private Q_SLOTS:
    void init() {
        QVERIFY(open("kiln", 5));
        put({support::makeWidget("note", Kind::Field, 10, 10, 150, 30, {{"value", std::string("edited")}}),
             support::makeWidget("keys", Kind::Keyboard, 0, 120, 320, 120,
                                 {{"layout", std::string("own")}, {"rows", std::string("a b\n{done}")}})});
    }

    void cleanup() { close(); }

    // A field that is touched is open for the computer's keyboard, whose letters are no commands then.
    void theTwinIsTypedInto() {
        QTest::mouseClick(twin(), Qt::LeftButton, Qt::NoModifier, onTwin(100, 25));
        QVERIFY(session_->runner().twin().isTyping());
        wait(400);
        const size_t widgets = session_->document().screen("alarm")->widgets.size();
        QTest::keyClicks(twin(), " Hj");
        QTest::keyClick(twin(), Qt::Key_Backspace);
        QTest::keyClick(twin(), Qt::Key_Left);
        QTest::keyClick(twin(), Qt::Key_A);
        QTest::keyClick(twin(), Qt::Key_Return);
        QCOMPARE(valueOf("edited"), std::string("Bisque 04 aH"));
        QVERIFY(!session_->runner().twin().isTyping());
        QCOMPARE(session_->document().screen("alarm")->widgets.size(), widgets);
        QTest::mouseClick(twin(), Qt::LeftButton, Qt::NoModifier, onTwin(100, 25));
        QTest::keyClicks(twin(), "xyz");
        QTest::keyClick(twin(), Qt::Key_Escape);
        QCOMPARE(valueOf("edited"), std::string("Bisque 04 aH"));
    }

    // So is the canvas while it operates; H is a letter then.
    void theCanvasIsTypedInto() {
        QTest::keyClick(canvas(), Qt::Key_H, Qt::ShiftModifier);
        QTest::mouseClick(canvas(), Qt::LeftButton, Qt::NoModifier, canvas()->fromPanel(QPointF(100, 25)).toPoint());
        QVERIFY(session_->runner().twin().isTyping());
        QTest::keyClicks(canvas(), "hd");
        QTest::keyClick(canvas(), Qt::Key_Return);
        QCOMPARE(valueOf("edited"), std::string("Bisque 04hd"));
        QTest::keyClick(canvas(), Qt::Key_H, Qt::ShiftModifier);
        QVERIFY(widgetIndex(*session_->document().screen("alarm"), "note") >= 0);
    }

    // The sheet offers texts for what is typed, and numbers for what is not.
    void theSheetOffersTexts() {
        session_->selection().select({"note"});
        QVERIFY(offered("row_value").contains("programme_name"));
        QVERIFY(!offered("row_value").contains("kiln_temp"));
        QVERIFY(!offered("row_value").contains("panel.light"));
        auto* box = inSheet<QWidget>("row_value")->findChild<QComboBox*>();
        box->setCurrentText("name_2");
        Q_EMIT box->activated(box->currentIndex());
        QCOMPARE(std::get<std::string>(widget("note").properties.at("value")), std::string("name_2"));
    }

    // A new variable that is no text is refused, and the notice says what to write.
    void onlyATextIsTyped() {
        session_->selection().select({"note"});
        const auto make = [&](const char* line) {
            support::onNextDialog([line](QWidget* dialog) {
                auto* field = dialog->findChild<QLineEdit*>("line");
                QTest::keyClicks(field, line);
                QTest::keyClick(field, Qt::Key_Return);
            });
            auto* box = inSheet<QWidget>("row_value")->findChild<QComboBox*>();
            box->setCurrentIndex(box->count() - 1);
            Q_EMIT box->activated(box->count() - 1);
        };
        make("owner 0 to 9");
        QTRY_VERIFY(find<QLabel>("notice")->text().contains("owner text 20"));
        QVERIFY(!session_->document().variable("owner"));
        make("owner text 20");
        QTRY_VERIFY(session_->document().variable("owner"));
        QCOMPARE(std::get<std::string>(widget("note").properties.at("value")), std::string("owner"));
    }

    // Rows of keys are edited as lines; what is wrong with them is a problem at once.
    void rowsAreEditedAsLines() {
        session_->selection().select({"keys"});
        auto* rows = inSheet<QWidget>("row_rows")->findChild<QPlainTextEdit*>();
        QVERIFY(rows);
        QCOMPARE(rows->toPlainText(), QString("a b\n{done}"));
        rows->moveCursor(QTextCursor::End);
        QTest::keyClick(rows, Qt::Key_Return);
        QTest::keyClicks(rows, "{shift:1.5} {nothing}");
        QCOMPARE(std::get<std::string>(widget("keys").properties.at("rows")),
                 std::string("a b\n{done}\n{shift:1.5} {nothing}"));
        const auto told = [&] {
            return std::any_of(session_->scene()->problems.begin(), session_->scene()->problems.end(),
                               [](const Problem& each) { return each.widget == "keys"; });
        };
        QVERIFY(told());
        session_->undo();
        QVERIFY(!told());
        QCOMPARE(rows->toPlainText(), QString("a b\n{done}"));
    }

    // A keyboard shows on the canvas while it is selected, else by its outline.
    void aKeyboardShowsWhenItIsSelected() {
        const auto pixel = [&] {
            return drawScreen(*session_->scene(), session_->selection().screenIndex(), nullptr, {},
                              &session_->selection().panes())
                .picture()
                .at(160, 230);
        };
        session_->selection().select({"note"});
        const uint32_t closed = pixel();
        session_->selection().select({"keys"});
        QVERIFY(pixel() != closed);
    }

    void thePanelSaysWhichLetters() {
        station(1);
        auto* box = find<QComboBox>("keyboard");
        QCOMPARE(box->currentText(), QString("qwerty"));
        box->setCurrentText("azerty");
        Q_EMIT box->activated(box->currentIndex());
        QCOMPARE(session_->document().panel->keyboard, std::string("azerty"));
        session_->undo();
        QCOMPARE(box->currentText(), QString("qwerty"));
    }
};

GORSEFINCH_TEST(TestTypingView, Windows)
#include "tst_typing_view.moc"
