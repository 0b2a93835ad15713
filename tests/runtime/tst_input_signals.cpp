// SPDX-License-Identifier: GPL-3.0-or-later
// What firmware measures of keys, knobs and a resistive touch: signals that bounce, skip and have noise.
#include <QtTest>
#include <random>

#include "runtime/gorse_debounce.h"
#include "runtime/gorse_knob_decode.h"
#include "runtime/gorse_touch_map.h"
#include "tests/support/test_case.h"

namespace {

// The levels of both phases at a quarter of a period, which may be negative.
std::pair<uint8_t, uint8_t> phasesAt(int quarter) {
    const int at = ((quarter % 4) + 4) % 4;
    return {static_cast<uint8_t>(at == 1 || at == 2), static_cast<uint8_t>(at == 2 || at == 3)};
}

}  // namespace

class TestInputSignals : public QObject {
    Q_OBJECT

  private Q_SLOTS:
    void keysThatBounce() {
        std::mt19937 random(5);
        gorse_debounced key{};
        uint32_t now = 0xffffff00u;  // wraps on the way
        int presses = 0;
        uint8_t before = 0;
        const auto read = [&](uint8_t level, uint32_t ms) {
            for (uint32_t i = 0; i < ms; ++i) {
                const uint8_t down = gorse_debounce(&key, level, now++, 10);
                presses += down > before;
                before = down;
            }
        };
        for (int press = 0; press < 200; ++press) {
            for (const uint8_t level : {uint8_t{1}, uint8_t{0}}) {
                // Up to 8 ms of bounces, none of them stable.
                for (int i = static_cast<int>(random() % 5); i > 0; --i)
                    read(static_cast<uint8_t>(random() % 2), 1 + random() % 2);
                read(level, 30);
                QCOMPARE(before, level);
            }
            QCOMPARE(presses, press + 1);
        }
        // A spike is no press.
        read(1, 5);
        read(0, 30);
        QCOMPARE(presses, 200);
    }

    void aKeyCountsWhenItsLevelIsStable() {
        gorse_debounced key{};
        QCOMPARE(gorse_debounce(&key, 1, 1000, 10), uint8_t{0});
        QCOMPARE(gorse_debounce(&key, 1, 1009, 10), uint8_t{0});
        QCOMPARE(gorse_debounce(&key, 7, 1010, 10), uint8_t{1});
        QCOMPARE(gorse_debounce(&key, 0, 1011, 10), uint8_t{1});
        QCOMPARE(gorse_debounce(&key, 0, 5000, 10), uint8_t{0});
        // Without a time it counts at once.
        QCOMPARE(gorse_debounce(&key, 1, 5001, 0), uint8_t{1});
    }

    void knobsThatBounceAndSkip_data() {
        QTest::addColumn<int>("quarters");
        for (const int each : {1, 2, 4})
            QTest::addRow("%d", each) << each;
    }
    void knobsThatBounceAndSkip() {
        QFETCH(int, quarters);
        std::mt19937 random(7);
        gorse_knob_phases knob{};
        int at = 0, steps = 0;
        const auto show = [&](int quarter) {
            const auto [a, b] = phasesAt(quarter);
            steps += gorse_knob_decode(&knob, a, b, static_cast<uint8_t>(quarters));
        };
        show(0);
        QCOMPARE(steps, 0);
        for (int turn = 0; turn < 500; ++turn) {
            const int direction = random() % 2 == 0 ? 1 : -1;
            const int way = quarters * static_cast<int>(1 + random() % 6);
            for (int i = 0; i < way; ++i) {
                // A contact bounces between two quarters.
                for (int bounce = static_cast<int>(random() % 3); bounce > 0; --bounce) {
                    show(at + direction);
                    show(at);
                }
                // A quarter is missed, in the middle of a movement.
                if (i > 1 && i + 2 < way && random() % 4 == 0) {
                    at += direction;
                    ++i;
                }
                at += direction;
                show(at);
            }
            // Where it stands it is read many times.
            for (int i = 0; i < 3; ++i)
                show(at);
            QCOMPARE(steps, at / quarters);
        }
    }

    void aKnobBeginsWhereItStands() {
        gorse_knob_phases knob{};
        QCOMPARE(int{gorse_knob_decode(&knob, 1, 1, 4)}, 0);
        QCOMPARE(int{gorse_knob_decode(&knob, 1, 1, 4)}, 0);
        int steps = 0;
        for (const int quarter : {3, 4, 5, 6})
            steps += gorse_knob_decode(&knob, phasesAt(quarter).first, phasesAt(quarter).second, 4);
        QCOMPARE(steps, 1);
    }

    void touchesAreMapped() {
        // A panel of 320 x 240 whose glass is mirrored, turned by a little and measured from 200 to 3900.
        const auto measure = [](double x, double y) {
            return gorse_touch_point{static_cast<int16_t>(std::lround(3900 - x * 11 + y * 0.4)),
                                     static_cast<int16_t>(std::lround(250 + y * 14 + x * 0.3))};
        };
        const gorse_touch_point shown[3] = {{32, 24}, {288, 120}, {160, 216}};
        gorse_touch_point measured[3];
        for (int i = 0; i < 3; ++i)
            measured[i] = measure(shown[i].x, shown[i].y);
        gorse_touch_matrix matrix{};
        QCOMPARE(gorse_touch_calibrate(measured, shown, &matrix), uint8_t{1});
        for (int x = 0; x < 320; x += 13)
            for (int y = 0; y < 240; y += 11) {
                gorse_touch_filter filter{};
                gorse_touch_point out{-1, -1};
                const gorse_touch_point raw = measure(x, y);
                for (int i = 0; i < 3; ++i)
                    QCOMPARE(gorse_touch_map(&filter, &matrix, 1, raw.x, raw.y, &out), uint8_t{i == 2});
                QVERIFY2(std::abs(out.x - x) <= 1 && std::abs(out.y - y) <= 1,
                         qPrintable(QString("%1, %2: %3, %4").arg(x).arg(y).arg(out.x).arg(out.y)));
            }
    }

    void noiseAndJumpsDoNotReachThePoint() {
        const gorse_touch_point shown[3] = {{0, 0}, {300, 0}, {0, 200}};
        const gorse_touch_point measured[3] = {{100, 100}, {3700, 100}, {100, 3300}};
        gorse_touch_matrix matrix{};
        QCOMPARE(gorse_touch_calibrate(measured, shown, &matrix), uint8_t{1});
        std::mt19937 random(3);
        gorse_touch_filter filter{};
        gorse_touch_point out{-1, -1};
        // A spike of two measurements is no touch.
        for (int i = 0; i < 2; ++i)
            QCOMPARE(gorse_touch_map(&filter, &matrix, 1, 500, 500, &out), uint8_t{0});
        QCOMPARE(gorse_touch_map(&filter, &matrix, 0, 0, 0, &out), uint8_t{0});
        for (int i = 0; i < 1000; ++i) {
            const bool jumps = i % 3 == 2;
            const auto noise = [&](int at) { return static_cast<int16_t>(at + static_cast<int>(random() % 25) - 12); };
            const uint8_t down = gorse_touch_map(&filter, &matrix, 1, jumps ? int16_t{4095} : noise(1300),
                                                 jumps ? int16_t{0} : noise(1700), &out);
            QCOMPARE(down, uint8_t{i >= 2});
            if (down != 0)
                QVERIFY(std::abs(out.x - 100) <= 2 && std::abs(out.y - 100) <= 2);
            // A single gap does not lift the finger; the measurements begin anew behind it.
            if (i % 50 == 49) {
                QCOMPARE(gorse_touch_map(&filter, &matrix, 0, 0, 0, &out), uint8_t{1});
                for (int more = 0; more < 2; ++more)
                    QCOMPARE(gorse_touch_map(&filter, &matrix, 1, noise(1300), noise(1700), &out), uint8_t{1});
            }
        }
        QCOMPARE(gorse_touch_map(&filter, &matrix, 0, 0, 0, &out), uint8_t{1});
        QCOMPARE(gorse_touch_map(&filter, &matrix, 0, 0, 0, &out), uint8_t{0});
        QVERIFY(std::abs(out.x - 100) <= 2);
    }

    void calibrationsThatTellTooLittleAreRefused() {
        const gorse_touch_point shown[3] = {{0, 0}, {300, 0}, {0, 200}};
        gorse_touch_matrix matrix{1, 2, 3, 4, 5, 6};
        for (const auto& measured :
             std::vector<std::array<gorse_touch_point, 3>>{{{{100, 100}, {2000, 2000}, {3900, 3900}}},
                                                           {{{100, 100}, {100, 100}, {100, 100}}},
                                                           {{{100, 100}, {200, 100}, {100, 200}}},
                                                           {{{-32768, 100}, {3900, 100}, {100, 3900}}},
                                                           {{{100, 100}, {110, 4095}, {4095, 110}}}}) {
            const bool fine = measured[1].y == 4095;
            QCOMPARE(gorse_touch_calibrate(measured.data(), shown, &matrix), uint8_t{fine});
            QVERIFY(fine || matrix.x0 == 3);
        }
        const gorse_touch_point beyond[3] = {{0, 0}, {5000, 0}, {0, 200}};
        const gorse_touch_point measured[3] = {{100, 100}, {3700, 100}, {100, 3300}};
        QCOMPARE(gorse_touch_calibrate(measured, beyond, &matrix), uint8_t{0});
    }
};

GORSEFINCH_TEST(TestInputSignals, Nothing)
#include "tst_input_signals.moc"
