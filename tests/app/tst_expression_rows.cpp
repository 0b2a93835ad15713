// SPDX-License-Identifier: GPL-3.0-or-later
// Properties that follow expressions in the window: begun and ended in the sheet, with their result and mistakes; and
// variables that are made on the spot or dropped on the canvas.
#include <QAbstractItemView>
#include <QCheckBox>
#include <QComboBox>
#include <QCompleter>
#include <QLabel>
#include <QMenu>
#include <QPushButton>
#include <QScrollArea>
#include <QTableView>
#include <QToolButton>
#include <QtTest>

#include "app/screens/canvas.h"
#include "app/screens/property_row.h"
#include "app/widgets/drag_formats.h"
#include "app/widgets/fields.h"
#include "tests/support/test_case.h"
#include "tests/support/window.h"

using namespace gorsefinch;
using namespace gorsefinch::app;

class TestExpressionRows : public QObject, support::OnWindow {
    Q_OBJECT

    template <typename T>
    T* field(const char* name) {
        return find<QScrollArea>("sheet")->widget()->findChild<T*>(name);
    }

    PropertyRow* row(const char* key) { return field<PropertyRow>((std::string("row_") + key).c_str()); }
    QLineEdit* expression(const char* key) { return row(key)->findChild<QLineEdit*>("expression"); }
    QString result(const char* key) { return row(key)->findChild<QLabel*>("result")->text(); }
    ExpressionMap expressions() { return widget("status", "hold_button").expressions; }

    // After a dialog the window has to come back first.
    void undo() {
        window_->activateWindow();
        QTRY_VERIFY(window_->isActiveWindow());
        QTest::keyClick(window_, Qt::Key_Z, Qt::ControlModifier);
    }

  private Q_SLOTS:
    void initTestCase() { prepare(); }
    void init() {
        QVERIFY(open("kiln"));
        session_->selection().showScreen("status");
        session_->selection().select({"hold_button"});
    }
    void cleanup() { close(); }

    void theSignBeginsOneAndTheResultShows() {
        auto* x = field<NumberField>("x");
        QVERIFY(!row("x")->isVisible());
        x->setFocus();
        QTest::keyClick(x, Qt::Key_Equal);
        QVERIFY(row("x")->isVisible() && expression("x")->hasFocus());
        QTest::keyClicks(expression("x"), "20 + step * 2");
        QTest::keyClick(expression("x"), Qt::Key_Return);
        QCOMPARE(expressions(), (ExpressionMap{{"x", "20 + step * 2"}}));
        session_->runner().step();
        const int step = std::stoi(session_->runner().twin().get("step"));
        QCOMPARE(result("x"), QString("now %1").arg(20 + step * 2));
        QVERIFY(session_->runner().setValue("step", "5"));
        QCOMPARE(result("x"), QString("now 30"));
        QTest::keyClick(window_, Qt::Key_Z, Qt::ControlModifier);
        QVERIFY(expressions().empty());
        QVERIFY(!row("x")->isVisible());
    }

    void backToThePlainValueOfNow() {
        session_->edit(setExpression(session_->document(), "status", Names{"hold_button"}, "w", "step * 10"), "Test");
        QVERIFY(session_->runner().setValue("step", "4"));
        auto* button = row("w")->findChild<QToolButton*>();
        QVERIFY(button->isVisible());
        QTest::mouseClick(button, Qt::LeftButton);
        QVERIFY(expressions().empty());
        QCOMPARE(widget("status", "hold_button").w, 40);
        QTest::keyClick(window_, Qt::Key_Z, Qt::ControlModifier);
        QCOMPARE(expressions().at("w"), std::string("step * 10"));
    }

    void mistakesAreToldInTheirPlace() {
        session_->edit(setExpression(session_->document(), "status", Names{"hold_button"}, "fill", "kiln_temp"),
                       "Test");
        QVERIFY2(result("fill").contains("it takes a colour, this is a number"), qPrintable(result("fill")));
        QVERIFY(row("fill")->findChild<QLabel*>("result")->isVisible());
        QVERIFY(expression("fill")->isVisible() && !field<ColourField>("fill")->isVisible());
        retype(expression("fill"), "holding ? #102030 : #405060");
        session_->runner().step();
        QCOMPARE(result("fill"), QString("now #405060"));
    }

    void escapeLeavesThePropertyAsItIs() {
        auto* radius = field<NumberField>("radius");
        radius->setFocus();
        QTest::keyClick(radius, Qt::Key_Equal);
        QVERIFY(expression("radius")->hasFocus());
        QTest::keyClick(expression("radius"), Qt::Key_Escape);
        QVERIFY(radius->isVisible() && radius->hasFocus());
        QVERIFY(expressions().empty());
    }

    void namesAreCompleted() {
        auto* x = field<NumberField>("x");
        x->setFocus();
        QTest::keyClick(x, Qt::Key_Equal);
        QLineEdit* edit = expression("x");
        QTest::keyClicks(edit, "2 * kiln_");
        auto* completer = row("x")->findChild<QCompleter*>();
        QVERIFY(completer->completionCount() >= 1);
        QCOMPARE(completer->currentCompletion(), QString("kiln_temp"));
        Q_EMIT completer->activated(completer->currentCompletion());
        QCOMPARE(edit->text(), QString("2 * kiln_temp"));
        // A name is chosen from the list before the expression is taken.
        edit->setText("2 * ");
        QTest::keyClicks(edit, "kiln_");
        QTRY_VERIFY(completer->popup()->isVisible());
        QTest::keyClick(completer->popup(), Qt::Key_Down);
        QTest::keyClick(completer->popup(), Qt::Key_Return);
        QCOMPARE(edit->text(), QString("2 * kiln_temp"));
        QVERIFY(expressions().empty());
        QTest::keyClick(edit, Qt::Key_Return);
        QCOMPARE(expressions().at("x"), std::string("2 * kiln_temp"));
        edit->setText("pot_image.");
        edit->setCursorPosition(10);
        QTest::keyClick(edit, Qt::Key_Space, Qt::ControlModifier);
        QStringList offered;
        for (int i = 0; completer->setCurrentRow(i); ++i)
            offered << completer->currentCompletion();
        QVERIFY(offered.contains("visible") && offered.contains("x") && !offered.contains("kiln_temp"));
    }

    void aTextMayStillBeginWithTheSign() {
        auto* text = field<QLineEdit>("text");
        retype(text, "a = b");
        QCOMPARE(effectiveValue(session_->document(), widget("status", "hold_button"), "text"),
                 PropertyValue(std::string("a = b")));
        text->selectAll();
        QTest::keyClick(text, Qt::Key_Equal);
        QVERIFY(expression("text")->hasFocus());
        QTest::keyClick(expression("text"), Qt::Key_Equal);
        QCOMPARE(effectiveValue(session_->document(), widget("status", "hold_button"), "text"),
                 PropertyValue(std::string("=")));
        QVERIFY(expressions().empty());
    }

    void theCanvasShowsAndMovesWhatItCan() {
        session_->edit(setExpression(session_->document(), "status", Names{"hold_button"}, "x", "100"), "Test");
        auto* canvas = find<Canvas>("canvas");
        const int y = widget("status", "hold_button").y;
        canvas->setFocus();
        QTest::keyClick(canvas, Qt::Key_Right);
        QTest::keyClick(canvas, Qt::Key_Down);
        QCOMPARE(expressions().at("x"), std::string("100"));
        QCOMPARE(widget("status", "hold_button").y, y + 1);
        QTest::mouseClick(canvas, Qt::LeftButton, Qt::NoModifier, canvas->fromPanel(QPointF(5, 5)).toPoint());
        QVERIFY(session_->selection().names() != Names{"hold_button"});
        QTest::mouseClick(canvas, Qt::LeftButton, Qt::NoModifier, canvas->fromPanel(QPointF(104, y + 5)).toPoint());
        QCOMPARE(session_->selection().names(), Names{"hold_button"});
    }

    void theListOfVariablesOffersOne() {
        session_->selection().select({"heat_bar"});
        auto* value = field<QComboBox>("value");
        value->setCurrentIndex(value->findText("Expression…"));
        Q_EMIT value->activated(value->currentIndex());
        QVERIFY(expression("value")->hasFocus());
        QTest::keyClicks(expression("value"), "heating / 2");
        QTest::keyClick(expression("value"), Qt::Key_Return);
        QCOMPARE(widget("status", "heat_bar").expressions.at("value"), std::string("heating / 2"));
    }

    void aVariableIsMadeOnTheSpot() {
        Names names;
        Widget ring;
        ring.name = "probe";
        ring.kind = Kind::Ring;
        session_->edit(addWidgets(session_->document(), "status", {ring}, &names), "Test");
        session_->selection().select(names);
        auto* value = field<QComboBox>("value");
        support::onNextDialog([&](QWidget* dialog) {
            auto* line = dialog->findChild<QLineEdit*>("line");
            auto* told = dialog->findChild<QLabel*>("told");
            QTest::keyClicks(line, "kiln_temp");
            QVERIFY(told->text().contains("is taken"));
            line->clear();
            QTest::keyClicks(line, "oil 0.5 to x");
            QVERIFY(told->text().contains("is no range"));
            line->clear();
            QTest::keyClicks(line, "oil 0.0 to 120.0 bar");
            QCOMPARE(told->text(), QString("decimal, 0.0 to 120.0 bar"));
            QTest::keyClick(line, Qt::Key_Return);
        });
        value->setCurrentIndex(value->count() - 1);
        Q_EMIT value->activated(value->count() - 1);
        QTRY_VERIFY(session_->document().variable("oil"));
        const Variable& oil = *session_->document().variable("oil");
        QCOMPARE(oil.max, 1200);
        QCOMPARE(oil.unit, std::string("bar"));
        QCOMPARE(widget("status", "probe").properties.at("value"), PropertyValue(std::string("oil")));
        undo();
        QVERIFY(!session_->document().variable("oil"));
    }

    // A variable dropped on a row is shown, followed, or written in the text, as the property takes it.
    void variablesAreDroppedOnRows() {
        const auto drop = [&](QWidget* on, const char* name) {
            QMimeData data;
            data.setData(kVariablesMime, name);
            QVERIFY(dragOver(on, data, on->rect().center()));
            dropAt(on, data, on->rect().center());
        };
        drop(row("text"), "kiln_temp");
        QCOMPARE(widget("status", "hold_button").properties.at("text"), PropertyValue(std::string("Hold {kiln_temp}")));
        drop(row("visible"), "firing");
        QCOMPARE(expressions().at("visible"), std::string("firing"));
        drop(row("border_width"), "holding");
        QCOMPARE(expressions().at("border_width"), std::string("holding ? 1 : 0"));
        drop(field<NumberField>("x"), "step");
        QCOMPARE(expressions().at("x"), std::string("step"));
        QVERIFY(row("x")->isVisible());
        undo();
        QVERIFY(expressions().count("x") == 0);
        drop(row("visible"), "kiln_temp");
        QCOMPARE(expressions().at("visible"), std::string("kiln_temp != 0"));
        session_->selection().select({"heat_bar"});
        drop(row("value"), "kiln_temp");
        QCOMPARE(widget("status", "heat_bar").properties.at("value"), PropertyValue(std::string("kiln_temp")));
        drop(row("value"), "programme_name");
        QVERIFY(find<QLabel>("notice")->text().contains("programme_name is a text"));
        // What takes neither refuses it, and so does everything else that is dragged.
        QMimeData variable, words;
        variable.setData(kVariablesMime, "kiln_temp");
        words.setText("kiln_temp");
        QVERIFY(!dragOver(row("origin"), variable, row("origin")->rect().center()));
        QVERIFY(!dragOver(row("value"), words, row("value")->rect().center()));
    }

    void variablesDroppedOnTheCanvasAskHow() {
        station(4);
        auto* table = find<QTableView>("variables");
        QVERIFY(table->dragEnabled());
        QModelIndex temperature;
        for (int i = 0; i < table->model()->rowCount(); ++i)
            if (table->model()->index(i, 0).data().toString() == "kiln_temp")
                temperature = table->model()->index(i, 0);
        const std::unique_ptr<QMimeData> data(table->model()->mimeData({temperature, temperature.siblingAtColumn(1)}));
        QCOMPARE(data->data(kVariablesMime), QByteArray("kiln_temp"));
        station(5);
        const size_t before = session_->selection().screen()->widgets.size();
        auto* canvas = find<Canvas>("canvas");
        QStringList offered;
        support::onNextDialog([&](QWidget* menu) {
            for (QAction* each : qobject_cast<QMenu*>(menu)->actions())
                offered << each->text().section(' ', -1);
            QTest::keyClick(menu, Qt::Key_Return);
        });
        dropAt(canvas, *data, canvas->fromPanel(QPointF(160, 200)).toPoint());
        QTRY_COMPARE(session_->selection().screen()->widgets.size(), before + 2);
        QCOMPARE(offered, (QStringList{"readout", "progress", "ring", "gauge", "trend", "lamp", "text"}));
        const Widget& shown = widget("status", "kiln_temp_readout");
        QCOMPARE(shown.properties.at("value"), PropertyValue(std::string("kiln_temp")));
        QCOMPARE(shown.properties.at("unit"), PropertyValue(std::string("°C")));
        QCOMPARE(widget("status", "kiln_temp_caption").properties.at("text"), PropertyValue(std::string("Kiln temp")));
        QVERIFY(widget("status", "kiln_temp_caption").y < shown.y);
        undo();
        QCOMPARE(session_->selection().screen()->widgets.size(), before);
    }
};

GORSEFINCH_TEST(TestExpressionRows, Windows)
#include "tst_expression_rows.moc"
