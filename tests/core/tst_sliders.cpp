// SPDX-License-Identifier: GPL-3.0-or-later
// What a finger moves: sliders, knobs and steppers, and what the firmware sets meanwhile.
#include <QtTest>
#include <cmath>

#include "tests/support/operated.h"
#include "tests/support/test_case.h"

using namespace gorsefinch;
using namespace support;

class TestSliders : public QObject {
    Q_OBJECT

  private Q_SLOTS:
    void aSliderFollowsTheFinger_data() {
        QTest::addColumn<QString>("direction");
        for (const char* each : {"right", "up", "left", "down"})
            QTest::newRow(each) << each;
    }
    void aSliderFollowsTheFinger() {
        QFETCH(QString, direction);
        const bool upright = direction == "up" || direction == "down";
        // The grip of 10 pixels moves 120 pixels, from -20 to 100.
        const Widget slider = makeWidget("dim", Kind::Slider, 20, 10, upright ? 24 : 130, upright ? 130 : 24,
                                         {{"value", std::string("level")},
                                          {"direction", direction.toStdString()},
                                          {"grip", int64_t{10}},
                                          {"fill", opaque(0x202020)}});
        Hand p(controlsOf({slider}, "on dim.done\n    count = count + 1\n"));
        const auto point = [&](int along, int across = 12) {
            const int way = direction == "right" || direction == "down" ? along : 129 - along;
            return upright ? QPoint(20 + across, 10 + way) : QPoint(20 + way, 10 + across);
        };
        const auto down = [&](int along, int across = 12) {
            p.down(point(along, across).x(), point(along, across).y());
            p.step(10);
            QVERIFY(p.isWhole());
        };
        down(65);
        QCOMPARE(p["level"], std::string("40"));
        down(66);
        QCOMPARE(p["level"], std::string("41"));
        down(500);
        QCOMPARE(p["level"], std::string("100"));
        down(0);
        QCOMPARE(p["level"], std::string("-20"));
        // Beside the slider it moves half as far, then a quarter.
        down(25);
        QCOMPARE(p["level"], std::string("0"));
        down(25, 70);
        down(45, 70);
        QCOMPARE(p["level"], std::string("10"));
        down(45, 120);
        down(85, 120);
        QCOMPARE(p["level"], std::string("20"));
        QCOMPARE(p["count"], std::string("0"));
        p.up(point(85, 120).x(), point(85, 120).y());
        p.step(10);
        QCOMPARE(p["level"], std::string("20"));
        QCOMPARE(p["count"], std::string("1"));
        // The grip is at 40 now: it does not jump to a finger that takes it.
        down(48);
        QCOMPARE(p["level"], std::string("20"));
        down(58);
        QCOMPARE(p["level"], std::string("30"));
    }

    void aSliderMovesByTheFinger() {
        Hand p(controlsOf({makeWidget("dim", Kind::Slider, 20, 10, 130, 24,
                                      {{"value", std::string("level")},
                                       {"moves", std::string("by the finger")},
                                       {"step", std::string("5")},
                                       {"grip", int64_t{10}}})}));
        p.down(140, 20);
        p.step(10);
        QCOMPARE(p["level"], std::string("10"));
        p.down(142, 20);
        p.step(10);
        QCOMPARE(p["level"], std::string("10"));
        p.down(143, 20);
        p.step(10);
        QCOMPARE(p["level"], std::string("15"));
        p.down(20, 20);
        p.step(10);
        QCOMPARE(p["level"], std::string("-20"));
    }

    void theFingerWinsUntilItLetsGo() {
        const Widget slider =
            makeWidget("dim", Kind::Slider, 20, 10, 130, 24, {{"value", std::string("level")}, {"grip", int64_t{10}}});
        for (const Writer writer : {Writer::Both, Writer::Panel, Writer::Firmware}) {
            Document d = controlsOf({slider});
            Variable level = *d.variable("level");
            level.writer = writer;
            d = withVariable(d, level);
            Hand p(d);
            p.down(85, 20);
            p.step(10);
            const auto held = p.bytes();
            QCOMPARE(p["level"], std::string("40"));
            QVERIFY(p.twin.set("level", "90"));
            p.step(10);
            QCOMPARE(p["level"], std::string("90"));
            QVERIFY(p.bytes() == held);
            QVERIFY(p.isWhole());
            p.up(85, 20);
            p.step(10);
            QCOMPARE(p["level"], std::string(writer == Writer::Firmware ? "90" : "40"));
            QVERIFY((p.bytes() == held) == (writer != Writer::Firmware));
            QVERIFY(p.isWhole());
        }
    }

    void aKnobFollowsTheFinger() {
        // 270 degrees from -20 to 100; the middle is at 70, 70.
        Hand p(controlsOf({makeWidget("turn", Kind::Knob, 20, 20, 100, 100,
                                      {{"value", std::string("level")}, {"shows_value", false}})},
                          "on turn.done\n    count = count + 1\n"));
        const auto at = [&](double degrees, int radius = 40) {
            const double angle = degrees * 3.14159265358979 / 180;
            p.down(70 + static_cast<int>(std::lround(radius * std::sin(angle))),
                   70 - static_cast<int>(std::lround(radius * std::cos(angle))));
            p.step(10);
            QVERIFY(p.isWhole());
        };
        const auto near = [&](int value) { return std::abs(std::stoi(p["level"]) - value) <= 1; };
        at(0);
        QVERIFY(near(40));
        at(45);
        QVERIFY(near(60));
        at(90);
        QVERIFY(near(80));
        at(134);
        QVERIFY(near(100));
        // Through the gap it stays at its end, and does not jump to the other one.
        for (const int each : {150, 180, 200, 224, 230})
            at(each);
        QCOMPARE(p["level"], std::string("100"));
        // The way back begins where the finger turns.
        at(200);
        at(100);
        QVERIFY(std::stoi(p["level"]) < 100);
        p.up(70, 30);
        p.step(10);
        QCOMPARE(p["count"], std::string("1"));
    }

    void aKnobInItsGapStays() {
        Hand p(controlsOf({makeWidget("turn", Kind::Knob, 20, 20, 100, 100,
                                      {{"value", std::string("level")}, {"shows_value", false}})}));
        p.down(70, 115);
        p.step(10);
        QCOMPARE(p["level"], std::string("10"));
        p.up(70, 115);
        p.down(70, 70);
        p.step(10);
        QCOMPARE(p["level"], std::string("10"));
    }

    void aKnobTurnsByItsWay() {
        Hand p(controlsOf({makeWidget(
            "turn", Kind::Knob, 20, 20, 100, 100,
            {{"value", std::string("level")}, {"turns", std::string("by its way")}, {"shows_value", false}})}));
        p.down(70, 70);
        p.step(10);
        QCOMPARE(p["level"], std::string("10"));
        p.down(120, 70);
        p.step(10);
        QCOMPARE(p["level"], std::string("40"));
        p.down(120, 20);
        p.step(10);
        QCOMPARE(p["level"], std::string("70"));
        p.down(120, 239);
        p.step(10);
        QCOMPARE(p["level"], std::string("-20"));
    }

    void aStepperSteps() {
        Hand p(controlsOf({makeWidget("warm", Kind::Stepper, 10, 10, 120, 30,
                                      {{"value", std::string("warmth")},
                                       {"step", std::string("2.5")},
                                       {"repeat_after", int64_t{400}},
                                       {"repeat_every", int64_t{100}}})},
                          "on warm.change\n    count = count + 1\n"));
        QCOMPARE(p["warmth"], std::string("5.0"));
        p.tap(120, 20);
        QCOMPARE(p["warmth"], std::string("7.5"));
        p.tap(20, 20);
        QCOMPARE(p["warmth"], std::string("5.0"));
        p.tap(70, 20);
        QCOMPARE(p["warmth"], std::string("5.0"));
        p.down(120, 20);
        p.step(399);
        QCOMPARE(p["warmth"], std::string("7.5"));
        p.step(1);
        p.step(100);
        QCOMPARE(p["warmth"], std::string("12.5"));
        QVERIFY(p.isWhole());
        for (int i = 0; i < 10; ++i)
            p.step(100);
        QCOMPARE(p["warmth"], std::string("20.0"));
        p.up(120, 20);
        p.step(10);
        QCOMPARE(p["count"], std::string("8"));
        QVERIFY(p.isWhole());
    }
};

GORSEFINCH_TEST(TestSliders, Nothing)
#include "tst_sliders.moc"
