// SPDX-License-Identifier: GPL-3.0-or-later
// The map of screens in the place of the reel, and where the sheet says that a tap leads.
#include <QComboBox>
#include <QScrollArea>
#include <QSplitter>
#include <QToolButton>
#include <QtTest>

#include "app/screens/reel.h"
#include "app/screens/screen_map_view.h"
#include "core/edits/leads.h"
#include "tests/support/operated_window.h"
#include "tests/support/test_case.h"

using namespace gorsefinch;
using namespace gorsefinch::app;

class TestScreenMapView : public QObject, support::OperatedWindow {
    Q_OBJECT

    ScreenMapView* map() { return find<ScreenMapView>("screen_map"); }
    int screen(const char* name) { return session_->document().screenIndex(name); }
    int widgetNumber(const char* on, const char* name) { return widgetIndex(*session_->document().screen(on), name); }
    QPoint middleOf(const char* name) { return map()->thumbnail(screen(name)).center() + QPoint(0, -20); }
    QPoint middleOf(const char* on, const char* widget) {
        return map()->widgetOn(screen(on), widgetNumber(on, widget)).center();
    }
    std::string leadsTo(const char* on, const char* widget) {
        const auto lead = leadOf(session_->document(), on, widget);
        return lead ? lead->to + (lead->transition.empty() ? "" : ", " + lead->transition) : "nowhere";
    }
    QComboBox* inSheet(const char* name) { return find<QScrollArea>("sheet")->widget()->findChild<QComboBox*>(name); }
    void choose(QComboBox* box, const QString& entry) {
        box->setFocus();
        box->setCurrentIndex(box->findText(entry));
        Q_EMIT box->activated(box->currentIndex());
    }

  private Q_SLOTS:
    void initTestCase() { prepare(); }
    void init() {
        QVERIFY(open("kiln", 5));
        QTest::keyClick(canvas(), Qt::Key_M, Qt::ControlModifier);
    }
    void cleanup() {
        if (window_ && map()->isVisible())
            QTest::keyClick(canvas(), Qt::Key_M, Qt::ControlModifier);
        close();
    }

    void itSharesThePlaceOfTheReel() {
        QVERIFY(map()->isVisible() && !find<Reel>("reel")->isVisible());
        QVERIFY(find<QToolButton>("show_map")->isChecked());
        QVERIFY(find<QSplitter>("screens_splitter")->sizes()[0] > 350);
        QTest::mouseClick(find<QToolButton>("show_map"), Qt::LeftButton);
        QVERIFY(!map()->isVisible() && find<Reel>("reel")->isVisible());
        QTest::mouseClick(find<QToolButton>("show_map"), Qt::LeftButton);
        // It is there again at the next start.
        close();
        QVERIFY(open("kiln", 5));
        QVERIFY(map()->isVisible() && find<QToolButton>("show_map")->isChecked());
    }

    void clicksAndKeysChooseScreens() {
        QTest::mouseClick(map(), Qt::LeftButton, {}, middleOf("course"));
        QCOMPARE(session_->selection().screenName(), QString("course"));
        QTest::keyClick(map(), Qt::Key_Up);
        QCOMPARE(session_->selection().screenName(), QString("status"));
        QTest::keyClick(map(), Qt::Key_Down);
        QTest::keyClick(map(), Qt::Key_Down);
        QCOMPARE(session_->selection().screenName(), QString("lock"));
        QTest::keyClick(map(), Qt::Key_Down);
        QCOMPARE(session_->selection().screenName(), QString("settings"));
        QTest::keyClick(map(), Qt::Key_Left);
        QCOMPARE(session_->selection().screenName(), QString("settings"));
        QTest::keyClick(map(), Qt::Key_D, Qt::ControlModifier);
        QCOMPARE(session_->document().screens.size(), size_t{10});
        // Nothing leads to the copy, which is painted so.
        QVERIFY(!map()->thumbnail(7).isEmpty());
        QTest::keyClick(map(), Qt::Key_Delete);
        QCOMPARE(session_->document().screens.size(), size_t{9});
    }

    void aDragMakesAStep() {
        QCOMPARE(leadsTo("status", "programme_button"), std::string("programme"));
        const std::string rules = session_->document().rules->front().text;
        const QImage before = map()->grab().toImage();
        support::OpenWindow::drag(map(), middleOf("status", "programme_button"), middleOf("course"));
        QCOMPARE(leadsTo("status", "programme_button"), std::string("course"));
        QVERIFY(map()->grab().toImage() != before);
        // Nothing leads to the programme now: it lies below all others.
        QVERIFY(map()->thumbnail(screen("programme")).top() > map()->thumbnail(screen("settings")).bottom());
        QTest::keyClick(window_, Qt::Key_Z, Qt::ControlModifier);
        QCOMPARE(session_->document().rules->front().text, rules);
        // A button that led nowhere gets a rule.
        QCOMPARE(leadsTo("status", "stop_button"), std::string("nowhere"));
        support::OpenWindow::drag(map(), middleOf("status", "stop_button"), middleOf("alarm"));
        QCOMPARE(leadsTo("status", "stop_button"), std::string("alarm"));
        // Beside all screens, on its own, and with Escape, nothing happens.
        const Document now = session_->document();
        support::OpenWindow::drag(map(), middleOf("status", "hold_button"),
                                  map()->thumbnail(screen("status")).topRight() + QPoint(40, 0));
        support::OpenWindow::drag(map(), middleOf("status", "hold_button"), middleOf("status"));
        QVERIFY(session_->document().rules == now.rules);
    }

    void theFootSaysWhatADragDoes() {
        QTest::mouseMove(map(), middleOf("status", "programme_button"));
        QMouseEvent event(QEvent::MouseMove, middleOf("status", "programme_button"), QPointF(), Qt::NoButton,
                          Qt::NoButton, Qt::NoModifier);
        QApplication::sendEvent(map(), &event);
        bool found = false;
        for (const QLabel* each : window_->findChildren<QLabel*>())
            found = found || each->text().contains("programme_button leads to programme");
        QVERIFY(found);
    }

    void theSheetSaysWhereATapLeads() {
        session_->selection().showScreen("status");
        session_->selection().select({"programme_button"});
        QCOMPARE(inSheet("leads_to")->currentText(), QString("programme"));
        choose(inSheet("leads_to"), "settings");
        QCOMPARE(leadsTo("status", "programme_button"), std::string("settings"));
        choose(inSheet("leads_by"), "slide left");
        QCOMPARE(leadsTo("status", "programme_button"), std::string("settings, slide left"));
        support::OpenWindow::retype(inSheet("leads_by")->lineEdit(), "cover up 400 ms, ease both");
        QCOMPARE(leadsTo("status", "programme_button"), std::string("settings, cover up 400 ms, ease both"));
        support::OpenWindow::retype(inSheet("leads_by")->lineEdit(), "sideways");
        QCOMPARE(inSheet("leads_by")->currentText(), QString("cover up 400 ms, ease both"));
        QVERIFY(!find<QLabel>("notice")->text().isEmpty());
        QCOMPARE(leadsTo("status", "programme_button"), std::string("settings, cover up 400 ms, ease both"));
        choose(inSheet("leads_to"), "back");
        QCOMPARE(leadsTo("status", "programme_button"), std::string(", cover up 400 ms, ease both"));
        choose(inSheet("leads_to"), "nowhere");
        QCOMPARE(leadsTo("status", "programme_button"), std::string("nowhere"));
        QVERIFY(!inSheet("leads_by")->isEnabled());
        // A screen that has come meanwhile is offered.
        session_->edit(addScreen(session_->document(), 0, "fresh"), "Test");
        choose(inSheet("leads_to"), "fresh");
        QCOMPARE(leadsTo("status", "programme_button"), std::string("fresh"));
        // A slider has no such row.
        session_->selection().showScreen("settings");
        for (const WidgetRef& each : session_->document().screen("settings")->widgets)
            if (each->kind == Kind::Slider) {
                session_->selection().select({each->name});
                QVERIFY(!inSheet("leads_to"));
            }
    }
};

GORSEFINCH_TEST(TestScreenMapView, Windows)
#include "tst_screen_map_view.moc"
