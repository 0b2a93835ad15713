// SPDX-License-Identifier: GPL-3.0-or-later
// The place of the looks: made, based on one another, changed, renamed, deleted; put on widgets by keys and by a brush.
#include <QComboBox>
#include <QLabel>
#include <QListView>
#include <QToolButton>
#include <QtTest>

#include "app/screens/looks_model.h"
#include "app/screens/looks_pane.h"
#include "tests/support/operated_window.h"
#include "tests/support/test_case.h"

using namespace gorsefinch;
using namespace gorsefinch::app;

class TestLooksPane : public QObject, support::OperatedWindow {
    Q_OBJECT

    QListView* looks() { return find<QListView>("looks"); }
    void press(const char* name) { QTest::mouseClick(find<QToolButton>(name), Qt::LeftButton); }
    void choose(const QString& name) {
        auto* model = static_cast<LooksModel*>(looks()->model());
        QVERIFY(model->rowOf(name) >= 0);
        looks()->setCurrentIndex(model->index(model->rowOf(name)));
    }
    QString chosen() { return looks()->currentIndex().data().toString(); }
    const Look& look(const char* name) { return *session_->document().look(name); }
    void pick(const char* field, const QString& words) {
        auto* box = find<QComboBox>(field);
        QVERIFY(box->findText(words) >= 0);
        box->setCurrentIndex(box->findText(words));
        Q_EMIT box->activated(box->currentIndex());
    }

  private Q_SLOTS:
    void initTestCase() { prepare(); }
    void init() {
        QVERIFY(open("kiln", 5));
        begin({support::makeWidget("a", Kind::Button, 20, 20, 90, 30,
                                   {{"text", std::string("Fire")}, {"fill", opaque(0x204060)}}),
               support::makeWidget("b", Kind::Button, 20, 90, 90, 30, {{"text", std::string("Stop")}})});
        canvas()->setFocus();
        QTest::keyClick(canvas(), Qt::Key_Y);
        QVERIFY(find<LooksPane>("looks_pane")->isVisible());
    }
    void cleanup() { close(); }

    void oneChangeRestylesAll() {
        session_->edit(changeWidgets(session_->document(), "alarm", Names{"a", "b"},
                                     [](Widget& w) {
                                         w.look = "button";
                                         w.properties.erase("fill");
                                     }),
                       "Test");
        session_->selection().select({"b"});
        QCOMPARE(chosen(), QString("button"));
        const QImage before = canvas()->grab().toImage();
        const auto twinBefore = session_->runner().twin().memory().bytes();
        const QImage sample = looks()->currentIndex().data(LooksModel::SampleRole).value<QImage>();
        support::OpenWindow::retype(find<QWidget>("look_fill")->findChild<QLineEdit*>(), "#884400");
        QCOMPARE(std::get<Colour>(look("button").style.at("fill")), opaque(0x884400));
        QVERIFY(canvas()->grab().toImage() != before);
        QVERIFY(session_->runner().twin().memory().bytes() != twinBefore);
        QVERIFY(looks()->currentIndex().data(LooksModel::SampleRole).value<QImage>() != sample);
        // For a state of its own.
        pick("look_state", "pressed");
        support::OpenWindow::retype(find<QLineEdit>("look_radius"), "+2");
        const auto own = look("button").states.at("pressed").find("radius");
        QVERIFY(own != look("button").states.at("pressed").end());
        QVERIFY(find<QToolButton>("clear_radius")->isVisible());
        press("clear_radius");
        QVERIFY(look("button").states.count("pressed") == 0 ||
                look("button").states.at("pressed").count("radius") == 0);
        QVERIFY(!find<QToolButton>("clear_radius")->isVisible());
        undo();
        undo();
        undo();
        QCOMPARE(session_->runner().twin().memory().bytes(), twinBefore);
    }

    void looksAreMadeBasedAndDeleted() {
        press("add_look");
        auto* editor = looks()->viewport()->findChild<QLineEdit*>();
        QVERIFY(editor);
        support::OpenWindow::retype(editor, "warm");
        QTRY_COMPARE(chosen(), QString("warm"));
        QCOMPARE(looks()->currentIndex().data(LooksModel::UsesRole).toInt(), 0);
        pick("look_base", "button");
        QCOMPARE(look("warm").basedOn, std::string("button"));
        choose("button");
        QCOMPARE(find<QComboBox>("look_base")->findText("warm"), -1);  // that would be a circle
        choose("warm");
        session_->selection().select({"a", "b"});
        choose("warm");
        press("give_look");
        QCOMPARE(onAlarm("a").look, std::string("warm"));
        QCOMPARE(onAlarm("b").look, std::string("warm"));
        press("remove_look");
        QVERIFY(find<QLabel>("notice")->text().contains("2 widgets have the look warm"));
        QVERIFY(session_->document().look("warm"));
        undo();
        looks()->setFocus();
        QTest::keyClick(looks(), Qt::Key_Delete);
        QVERIFY(!session_->document().look("warm"));
        undo();
        QVERIFY(session_->document().look("warm"));
    }

    void aLookIsMadeOfAWidget() {
        const auto before = session_->runner().twin().memory().bytes();
        click(30, 30);
        press("look_from_widget");
        QCOMPARE(onAlarm("a").look, std::string("a_look"));
        QCOMPARE(onAlarm("a").properties.count("fill"), size_t{0});
        QCOMPARE(chosen(), QString("a_look"));
        QCOMPARE(session_->runner().twin().memory().bytes(), before);
    }

    void keysTakeUpAndPutOn() {
        click(30, 100);
        QTest::keyClick(canvas(), Qt::Key_S, Qt::ControlModifier | Qt::AltModifier);
        QVERIFY(find<QLabel>("notice")->text().contains("Take up a look first"));
        click(30, 30);
        QTest::keyClick(canvas(), Qt::Key_C, Qt::ControlModifier | Qt::AltModifier);
        click(30, 100);
        QTest::keyClick(canvas(), Qt::Key_S, Qt::ControlModifier | Qt::AltModifier);
        QCOMPARE(std::get<Colour>(onAlarm("b").properties.at("fill")), opaque(0x204060));
        QCOMPARE(std::get<std::string>(onAlarm("b").properties.at("text")), std::string("Stop"));
        QTest::keyClick(canvas(), Qt::Key_X, Qt::ControlModifier | Qt::AltModifier);
        QCOMPARE(onAlarm("b").properties.count("fill"), size_t{0});
    }

    void theBrushPutsItOnEachClick() {
        click(30, 30);
        press("style_brush");
        QVERIFY(canvas()->hasStyleBrush());
        click(30, 100);
        QCOMPARE(std::get<Colour>(onAlarm("b").properties.at("fill")), opaque(0x204060));
        click(250, 200);
        QVERIFY(canvas()->hasStyleBrush());
        QTest::keyClick(canvas(), Qt::Key_Escape);
        QVERIFY(!canvas()->hasStyleBrush() && !find<QToolButton>("style_brush")->isChecked());
        undo();
        click(30, 100);
        QCOMPARE(selected(), std::string("b"));
        QCOMPARE(onAlarm("b").properties.count("fill"), size_t{0});
        // Nothing selected: nothing to take up.
        session_->selection().select({});
        press("style_brush");
        QVERIFY(!find<QToolButton>("style_brush")->isChecked() || canvas()->hasStyleBrush());
    }
};

GORSEFINCH_TEST(TestLooksPane, Windows)
#include "tst_looks_pane.moc"
