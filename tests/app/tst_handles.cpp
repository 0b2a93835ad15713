// SPDX-License-Identifier: GPL-3.0-or-later
// Points, angles and pivots of the selected widget, dragged on the canvas; the fields beside them; and the zones of the
// sheet.
#include <QLineEdit>
#include <QPushButton>
#include <QScrollArea>
#include <QSlider>
#include <QToolButton>
#include <QtTest>

#include "app/screens/canvas.h"
#include "app/widgets/fields.h"
#include "app/widgets/zones_field.h"
#include "tests/support/projects.h"
#include "tests/support/test_case.h"
#include "tests/support/window.h"

using namespace gorsefinch;
using namespace gorsefinch::app;

class TestHandles : public QObject, support::OnWindow {
    Q_OBJECT

    Canvas* canvas() { return find<Canvas>("canvas"); }

    // A corner of a pixel of the panel, on the canvas.
    QPoint on(double x, double y) { return canvas()->fromPanel(QPointF(x, y)).toPoint(); }

    void put(Kind kind, const QRect& box, const PropertyMap& properties) {
        Names names;
        const Document next = addWidgets(
            session_->document(), "alarm",
            {support::makeWidget("probe", kind, box.x(), box.y(), box.width(), box.height(), properties)}, &names);
        session_->selection().showScreen("alarm");
        session_->edit(next, "Test");
        session_->selection().select(names);
    }

    template <typename T>
    T value(const char* key) {
        return std::get<T>(effectiveValue(session_->document(), widget("alarm", "probe"), key));
    }
    PointList points() { return value<PointList>("points"); }

    template <typename T>
    T* field(const char* name) {
        return find<QScrollArea>("sheet")->widget()->findChild<T*>(name);
    }

    void undo() { QTest::keyClick(window_, Qt::Key_Z, Qt::ControlModifier); }

  private Q_SLOTS:
    void initTestCase() { prepare(); }
    void init() { QVERIFY(open("kiln")); }
    void cleanup() { close(); }

    void aPointIsDragged() {
        put(Kind::Line, QRect(60, 60, 80, 40), {{"points", PointList{{0, 0}, {40, 20}, {80, 0}}}});
        support::OpenWindow::drag(canvas(), on(100, 80), on(110, 95));
        QCOMPARE(points(), (PointList{{0, 0}, {50, 35}, {80, 0}}));
        // The box stays, and one undo takes all of the way back.
        QCOMPARE(widget("alarm", "probe").w, 80);
        undo();
        QCOMPARE(points(), (PointList{{0, 0}, {40, 20}, {80, 0}}));
        // A point on the corner of the box is a point, not the corner.
        support::OpenWindow::drag(canvas(), on(60, 60), on(66, 64));
        QCOMPARE(points().front(), (Point{6, 4}));
        QCOMPARE(widget("alarm", "probe").x, 60);
    }

    // A line goes from where the press was to where it was let go.
    void aLineIsDrawn() {
        session_->selection().showScreen("alarm");
        for (const auto& [from, to] :
             {std::pair(QPoint(60, 90), QPoint(120, 70)), {QPoint(100, 60), QPoint(100, 100)}}) {
            QTest::mouseClick(find<QWidget>("tray_line"), Qt::LeftButton);
            support::OpenWindow::drag(canvas(), on(from.x() + 0.5, from.y() + 0.5), on(to.x() + 0.5, to.y() + 0.5));
            const WidgetRef made = session_->selection().widgets().at(0);
            QCOMPARE(info(made->kind).key, "line");
            const PointList ends = std::get<PointList>(made->properties.at("points"));
            QCOMPARE(QPoint(made->x + ends[0].x, made->y + ends[0].y), from);
            QCOMPARE(QPoint(made->x + ends[1].x, made->y + ends[1].y), to);
        }
    }

    // Shift+A makes what is chosen another kind.
    void aWidgetBecomesAnotherKind() {
        put(Kind::Progress, QRect(60, 60, 80, 40), {{"value", std::string("kiln_temp")}});
        canvas()->setFocus();
        support::onNextDialog([](QWidget* dialog) {
            QTest::keyClicks(dialog->findChild<QLineEdit*>(), "ring");
            QTest::keyClick(dialog->findChild<QLineEdit*>(), Qt::Key_Return);
        });
        QTest::keyClick(canvas(), Qt::Key_A, Qt::ShiftModifier);
        QCOMPARE(widget("alarm", "probe").kind, Kind::Ring);
        QCOMPARE(value<std::string>("value"), std::string("kiln_temp"));
        undo();
        QCOMPARE(widget("alarm", "probe").kind, Kind::Progress);
    }

    void pointsAreAddedAndRemoved() {
        put(Kind::Polygon, QRect(60, 60, 80, 60), {{"points", PointList{{0, 0}, {80, 0}, {80, 60}, {0, 60}}}});
        QTest::mouseDClick(canvas(), Qt::LeftButton, Qt::NoModifier, on(100, 60));
        QCOMPARE(points(), (PointList{{0, 0}, {40, 0}, {80, 0}, {80, 60}, {0, 60}}));
        // Between the last and the first, too.
        QTest::mouseDClick(canvas(), Qt::LeftButton, Qt::NoModifier, on(60, 90));
        QCOMPARE(points().back(), (Point{0, 30}));
        QTest::mouseClick(canvas(), Qt::LeftButton, Qt::ControlModifier, on(100, 60));
        QCOMPARE(points(), (PointList{{0, 0}, {80, 0}, {80, 60}, {0, 60}, {0, 30}}));
        // It keeps what an area needs.
        for (int i = 0; i < 4; ++i)
            QTest::mouseClick(canvas(), Qt::LeftButton, Qt::ControlModifier,
                              on(60 + points().front().x, 60 + points().front().y));
        QCOMPARE(points().size(), size_t{3});
        for (int i = 0; i < 5; ++i)
            undo();
        QCOMPARE(points(), (PointList{{0, 0}, {80, 0}, {80, 60}, {0, 60}}));
    }

    void pointsAreTyped() {
        put(Kind::Line, QRect(60, 60, 80, 40), {});
        auto* text = field<QLineEdit>("points");
        retype(text, "1,2 30,40;  -5 , 6");
        QCOMPARE(points(), (PointList{{1, 2}, {30, 40}, {-5, 6}}));
        QCOMPARE(text->text(), QString("1,2 30,40 -5,6"));
        for (const char* wrong : {"1,2", "1,2 3", "a,b c,d", "1,2 5000,3", ""}) {
            retype(text, wrong);
            QCOMPARE(points(), (PointList{{1, 2}, {30, 40}, {-5, 6}}));
            QCOMPARE(text->text(), QString("1,2 30,40 -5,6"));
        }
    }

    void aResizedBoxTakesItsPointsAlong() {
        put(Kind::Polygon, QRect(60, 60, 80, 40), {{"points", PointList{{20, 10}, {60, 10}, {40, 30}}}});
        support::OpenWindow::drag(canvas(), on(140, 80), on(220, 80), Qt::ControlModifier);
        QCOMPARE(widget("alarm", "probe").w, 160);
        QCOMPARE(points(), (PointList{{40, 10}, {120, 10}, {80, 30}}));
        undo();
        QCOMPARE(points(), (PointList{{20, 10}, {60, 10}, {40, 30}}));
    }

    void anAngleIsDragged() {
        put(Kind::Ring, QRect(60, 60, 80, 80), {{"from_angle", int64_t{270}}, {"to_angle", int64_t{180}}});
        // The end of the ring is at the bottom; to the right is a quarter less.
        support::OpenWindow::drag(canvas(), on(100, 140), on(150, 100));
        QCOMPARE(value<int64_t>("to_angle"), int64_t{90});
        QCOMPARE(value<int64_t>("from_angle"), int64_t{270});
        // Steps with Shift.
        support::OpenWindow::drag(canvas(), on(140, 100), on(128, 75), Qt::ShiftModifier);
        QCOMPARE(value<int64_t>("to_angle") % 15, int64_t{0});
        undo();
        undo();
        QCOMPARE(value<int64_t>("to_angle"), int64_t{180});
    }

    void aPivotIsDragged() {
        put(Kind::Gauge, QRect(60, 60, 100, 100), {{"pivot_x", int64_t{50}}, {"pivot_y", int64_t{50}}});
        support::OpenWindow::drag(canvas(), on(110, 110), on(100, 130));
        QCOMPARE(value<int64_t>("pivot_x"), int64_t{40});
        QCOMPARE(value<int64_t>("pivot_y"), int64_t{70});
        undo();
        QCOMPARE(value<int64_t>("pivot_x"), int64_t{50});
        QCOMPARE(value<int64_t>("pivot_y"), int64_t{50});
    }

    // Handles belong to a widget that is alone and not locked.
    void noHandlesForSeveralOrLocked() {
        put(Kind::Line, QRect(60, 60, 80, 40), {{"points", PointList{{10, 10}, {70, 30}}}});
        const PointList before = points();
        const Document locked = changeWidgets(session_->document(), "alarm", std::vector<std::string>{"probe"},
                                              [](Widget& each) { each.locked = true; });
        session_->edit(locked, "Lock");
        session_->selection().select({"probe"});
        support::OpenWindow::drag(canvas(), on(70, 70), on(90, 90));
        QCOMPARE(points(), before);
    }

    // The slider beside a variable drives the twin, not the project, and the canvas follows.
    void valuesAreTried() {
        put(Kind::Ring, QRect(60, 60, 80, 80), {{"value", std::string("kiln_temp")}, {"thickness", int64_t{10}}});
        const auto value = [&] { return session_->runner().twin().get("kiln_temp"); };
        const QImage before = canvas()->grab().toImage();
        QTest::mouseClick(field<QToolButton>("try_min"), Qt::LeftButton);
        QCOMPARE(value(), std::string("0"));
        const QImage least = canvas()->grab().toImage();
        QTest::mouseClick(field<QToolButton>("try_max"), Qt::LeftButton);
        QCOMPARE(value(), field<QToolButton>("try_max")->text().toStdString());
        QVERIFY(canvas()->grab().toImage() != least);
        QTest::mouseClick(field<QToolButton>("try_middle"), Qt::LeftButton);
        QCOMPARE(value(), field<QToolButton>("try_middle")->text().toStdString());
        auto* slider = field<QSlider>("try_slider");
        QCOMPARE(slider->value(), slider->maximum() / 2);
        slider->setFocus();
        QTest::keyClick(slider, Qt::Key_Home);
        QCOMPARE(value(), std::string("0"));
        QCOMPARE(canvas()->grab().toImage(), least);
        QVERIFY(before != least);
        // Nothing of this is an edit.
        undo();
        QVERIFY(session_->selection().names().empty() || session_->selection().names().front() != "probe");
    }

    // A half circle from 0 at the left to 100 at the right: 50 is at the top.
    void limitsOfZonesAreDragged() {
        const Colour low = opaque(0x102030), high = opaque(0x405060);
        const ZoneList zones{{"", "30", low}, {"30", "80", high}, {"80", "", low}};
        put(Kind::Gauge, QRect(60, 60, 120, 80),
            {{"from_angle", int64_t{270}},
             {"to_angle", int64_t{90}},
             {"pivot_x", int64_t{60}},
             {"pivot_y", int64_t{70}},
             {"min", std::string("0")},
             {"max", std::string("100")},
             {"zones", zones}});
        const auto place = [&](double value) {
            const double angle = (value - 50) / 100 * 3.14159265;
            return on(120 + 0.86 * 60 * std::sin(angle), 130 - 0.86 * 60 * std::cos(angle));
        };
        support::OpenWindow::drag(canvas(), place(30), place(50));
        QCOMPARE(value<ZoneList>("zones"), (ZoneList{{"", "50", low}, {"50", "80", high}, {"80", "", low}}));
        // Beyond the scale is its end.
        support::OpenWindow::drag(canvas(), place(80), on(175, 150));
        QCOMPARE(value<ZoneList>("zones"), (ZoneList{{"", "50", low}, {"50", "100", high}, {"100", "", low}}));
        undo();
        undo();
        QCOMPARE(value<ZoneList>("zones"), zones);
        support::OpenWindow::drag(canvas(), place(80), place(63), Qt::ShiftModifier);
        QCOMPARE(value<ZoneList>("zones")[1].to, std::string("65"));
    }

    void zonesAreAddedSetAndRemoved() {
        put(Kind::Lamp, QRect(60, 60, 40, 40), {});
        auto* zones = field<ZonesField>("zones");
        const auto press = [&](const char* name) {
            auto* button = zones->findChild<QAbstractButton*>(name);
            QVERIFY(button);
            QTest::mouseClick(button, Qt::LeftButton);
            QCoreApplication::sendPostedEvents(nullptr, QEvent::DeferredDelete);
        };
        press("add_zone");
        retype(zones->findChild<QLineEdit*>("zone_to_0"), "20.5");
        press("add_zone");
        retype(zones->findChild<ColourField*>("zone_colour_1")->findChild<QLineEdit*>(), "#102030");
        const auto now = value<ZoneList>("zones");
        QCOMPARE(now.size(), size_t{2});
        QCOMPARE(now[0].to, std::string("20.5"));
        // The next one begins where the last ends.
        QCOMPARE(now[1].from, std::string("20.5"));
        QCOMPARE(now[1].colour, opaque(0x102030));
        press("zone_remove_0");
        QCOMPARE(value<ZoneList>("zones"), (ZoneList{now[1]}));
        for (int i = 0; i < 7; ++i)
            press("add_zone");
        QCOMPARE(value<ZoneList>("zones").size(), size_t{8});
        QVERIFY(!zones->findChild<QPushButton*>("add_zone")->isEnabled());
    }
};

GORSEFINCH_TEST(TestHandles, Windows)
#include "tst_handles.moc"
