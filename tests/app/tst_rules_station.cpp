// SPDX-License-Identifier: GPL-3.0-or-later
// Writing rules: what is offered while typing, where mistakes show, how they are reached, what undo takes back.
#include <QLabel>
#include <QListWidget>
#include <QPushButton>

#include "app/rules/scintilla.h"
#include "app/screens/canvas.h"
#include "app/theme/theme.h"
#include "tests/support/test_case.h"
#include "tests/support/window.h"

using namespace gorsefinch;
using namespace gorsefinch::app;
using support::OpenWindow;

class TestRulesStation : public QObject, support::OnWindow {
    Q_OBJECT

    QsciScintilla* editor_ = nullptr;

    // Begins a line at the end and types into it; what is offered then.
    QStringList offered(const QString& typed) {
        editor_->setCursorPosition(editor_->lines() - 1, static_cast<int>(editor_->text(editor_->lines() - 1).size()));
        if (!editor_->text(editor_->lines() - 1).isEmpty())
            QTest::keyClick(editor_->viewport(), Qt::Key_Return);
        QTest::keyClick(editor_->viewport(), Qt::Key_Home);
        QTest::keyClicks(editor_->viewport(), typed);
        if (!editor_->isListActive())
            return {};
        QStringList out;
        const long count = 200;
        QString last;
        for (long i = 0; i < count; ++i) {
            char text[200] = {};
            editor_->SendScintilla(QsciScintilla::SCI_AUTOCGETCURRENTTEXT, 0UL, static_cast<void*>(text));
            if (i > 0 && QString(text) == last)
                break;
            last = text;
            out << last;
            QTest::keyClick(editor_->viewport(), Qt::Key_Down);
        }
        QTest::keyClick(editor_->viewport(), Qt::Key_Escape);
        return out;
    }
    std::string rules() { return session_->document().rules->front().text; }
    void write(const std::string& text) {
        session_->edit(withRules(session_->document(), "main", text), "Edit rules");
        QTRY_COMPARE(editor_->text().toStdString(), text);
    }

  private Q_SLOTS:
    void initTestCase() { prepare(); }
    void init() {
        QVERIFY(open("kiln", 6));
        editor_ = open_->find<QsciScintilla>("rules_text");
        QVERIFY(editor_->isVisible());
        editor_->setFocus();
    }
    void cleanup() { close(); }

    void whatFitsIsOffered() {
        QCOMPARE(offered("on stop_button."),
                 (QStringList{"blur", "change", "focus", "hold", "press", "release", "repeat", "swipe", "tap"}));
        QCOMPARE(offered("on flame_frames."), QStringList{"done"});
        const QStringList ofScreen = offered("on programme.");
        QVERIFY(ofScreen.contains("enter") && ofScreen.contains("leave") && ofScreen.size() > 5);
        const QStringList properties = offered("    hold_button.");
        for (const char* each : {"text", "visible", "fill", "x"})
            QVERIFY2(properties.contains(each), each);
        QVERIFY(!properties.contains("tap"));
        QCOMPARE(offered("    kiln_t"), (QStringList{"kiln_temp", "kiln_temp_text"}));
        QVERIFY(offered("// on stop_button.").isEmpty());
        QVERIFY(offered("    programme_name = \"stop_button.").isEmpty());
        QVERIFY(offered("on nobody.").isEmpty());
        QCOMPARE(offered("    hold_button.align = \""), (QStringList{"left", "middle", "right"}));
        QCOMPARE(offered("    hold_button.align = \"mi"), QStringList{"middle"});
        QVERIFY(offered("    hold_button.text = \"{kiln_t").contains("kiln_temp"));
    }

    void aMistakeIsReachedFromTheFoot() {
        write(
            "on stop_button.tap\n    go alarm\n\non understood_button.tap\n    back\n\non hold_button.tap\n    "
            "kiln_temp = nothing + 1\n");
        QTRY_VERIFY(editor_->annotation(7).contains("nothing"));
        QVERIFY(editor_->annotation(1).isEmpty());
        open_->station(5);
        QVERIFY(open_->find<QPushButton>("problems")->text().contains("1 problem"));
        support::onNextDialog([](QWidget* dialog) {
            auto* list = dialog->findChild<QListWidget*>("problem_list");
            list->setCurrentRow(0);
            list->setFocus();
            QTest::keyClick(list, Qt::Key_Return);
        });
        QTest::mouseClick(open_->find<QPushButton>("problems"), Qt::LeftButton);
        QTRY_VERIFY(editor_->isVisible());
        int line = 0, column = 0;
        editor_->getCursorPosition(&line, &column);
        QCOMPARE(line, 7);
        QCOMPARE(column, 16);
    }

    // Rules beside a mistake go on.
    void writingBeginsAtTheEnd() {
        int line = 0, column = 0;
        editor_->getCursorPosition(&line, &column);
        QCOMPARE(line, editor_->lines() - 1);
        QCOMPARE(editor_->firstVisibleLine(), 0);
    }

    void anAltKeyWritesNothing() {
        const QString before = editor_->text();
        QTest::keyClick(editor_, Qt::Key_7, Qt::AltModifier);
        QTest::keyClick(editor_, Qt::Key_X, Qt::AltModifier);
        QCOMPARE(editor_->text(), before);
    }

    void otherRulesGoOn() {
        write("every 10 ms\n    target = target + 1\n\non hold_button.tap\n    nonsense\n");
        Twin twin(session_->scene());
        twin.step(0);
        twin.step(30);
        QCOMPARE(twin.get("target"), std::string("1063"));
    }

    void typingInALineIsOneStep() {
        const std::string before = rules();
        editor_->setCursorPosition(editor_->lines() - 1, 0);
        QTest::keyClicks(editor_->viewport(), "// a note");
        QVERIFY(rules() != before);
        QTest::keyClick(editor_, Qt::Key_Z, Qt::ControlModifier);
        QCOMPARE(rules(), before);
        QTRY_COMPARE(editor_->text().toStdString(), before);
        QTest::keyClick(editor_, Qt::Key_Y, Qt::ControlModifier);
        QVERIFY(rules().ends_with("// a note"));
        QTRY_COMPARE(editor_->text().toStdString(), rules());
    }

    void whatIsTypedRunsAtOnce() {
        write("when kiln_temp > 500\n    programme_name = \"hot\"\n");
        session_->runner().restart();
        session_->runner().step();
        QCOMPARE(session_->runner().twin().get("programme_name"), std::string("hot"));
        write("when kiln_temp > 500\n    programme_name = \"hot\"\n\nwhen target > 100\n    holding = yes\n");
        session_->runner().step();
        QCOMPARE(session_->runner().twin().get("holding"), std::string("yes"));
        QTRY_COMPARE(editor_->annotation(3), QString());
    }

    // A rename elsewhere is followed here, and the cursor stays where it was.
    void renamesShowInTheText() {
        editor_->setCursorPosition(3, 2);
        session_->edit(renameVariable(session_->document(), "kiln_temp", "heat"), "Rename variable");
        QVERIFY(!editor_->text().contains("kiln_temp"));
        QVERIFY(editor_->text().contains("heat"));
        int line = 0, column = 0;
        editor_->getCursorPosition(&line, &column);
        QCOMPARE(line, 3);
        session_->undo();
        QVERIFY(editor_->text().contains("kiln_temp"));
    }
};

GORSEFINCH_TEST(TestRulesStation, Windows)
#include "tst_rules_station.moc"
