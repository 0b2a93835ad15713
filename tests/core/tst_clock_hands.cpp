// SPDX-License-Identifier: GPL-3.0-or-later
// The hands of a clock: where they point, what is redrawn as they move, when they want to be woken, and clocks without
// a clock.
#include <QtTest>
#include <cmath>
#include <numbers>

#include "core/edits/edit.h"
#include "core/sim/twin.h"
#include "tests/support/projects.h"
#include "tests/support/test_case.h"

using namespace gorsefinch;
using namespace support;

namespace {

constexpr int kFaceSide = 100;

Document withHands(PropertyMap properties, PixelFormat format = PixelFormat::Rgb565) {
    Document document = withClock(withPanelOf(makeDocument(), format, 0, kFaceSide, kFaceSide), Clock{});
    properties.emplace("colour", opaque(0xFFFFFF));
    properties.emplace("ticks", int64_t{0});
    return addWidgets(document, "first",
                      {makeWidget("face", Kind::Clock, 0, 0, kFaceSide, kFaceSide, std::move(properties))});
}

// Whether a hand reaches so far in a direction, in minutes of a dial.
bool reaches(const Picture& picture, double minutes, double distance) {
    const double angle = minutes * 6 * std::numbers::pi / 180;
    const int x = static_cast<int>(std::floor(50 + distance * std::sin(angle)));
    const int y = static_cast<int>(std::floor(50 - distance * std::cos(angle)));
    return (picture.at(x, y) & 0xffffff) != 0;
}

}  // namespace

class TestClockHands : public QObject {
    Q_OBJECT

  private Q_SLOTS:
    void theyPointToTheTime() {
        SceneBuilder builder;
        for (const auto& [hour, minute, second] :
             {std::tuple(0, 0, 30), {3, 0, 45}, {10, 9, 36}, {23, 59, 20}, {18, 30, 5}, {12, 15, 50}}) {
            Twin hours(builder.build(withHands({{"minute", false}, {"second", false}})));
            Twin minutes(builder.build(withHands({{"hour", false}, {"second", false}})));
            Twin seconds(builder.build(withHands({{"hour", false}, {"minute", false}})));
            for (Twin* each : {&hours, &minutes, &seconds}) {
                const QString time = QString("2026-11-30 %1:%2:%3")
                                         .arg(hour, 2, 10, QChar('0'))
                                         .arg(minute, 2, 10, QChar('0'))
                                         .arg(second, 2, 10, QChar('0'));
                QVERIFY(each->set("clock", time.toStdString()).has_value());
                each->step(0);
            }
            const double dial = hour % 12 * 5 + minute / 12.0;
            QVERIFY(reaches(hours.memory().picture(), dial, 24) && !reaches(hours.memory().picture(), dial, 31));
            QVERIFY(reaches(minutes.memory().picture(), minute, 37) &&
                    !reaches(minutes.memory().picture(), minute, 45));
            QVERIFY(reaches(seconds.memory().picture(), second, 39) &&
                    !reaches(seconds.memory().picture(), second, 46));
            // Nothing else than the hand is there.
            for (const double away : {10.0, 20.0, 42.0})
                QVERIFY(!reaches(minutes.memory().picture(), minute + away, 20));
        }
    }

    // A frame after any step is one that is drawn from nothing.
    void whatTheyLeaveIsRedrawn() {
        for (const PixelFormat format : {PixelFormat::Rgb565, PixelFormat::Page1}) {
            const BuiltSceneRef scene = [&] {
                SceneBuilder builder;
                return builder.build(withHands({{"ticks", int64_t{60}}, {"fill", opaque(0x202020)}}, format));
            }();
            QVERIFY(scene->problems.empty());
            Twin twin(scene);
            QVERIFY(twin.set("clock", "2026-11-30 09:58:30").has_value());
            uint32_t now = 0;
            for (int i = 0; i < 200; ++i, now += i % 7 == 0 ? 67000 : 1000) {
                twin.step(now);
                const Picture shown = twin.memory().picture();
                gorse_redraw(twin.run());
                twin.step(now);
                QCOMPARE(twin.memory().picture().pixels, shown.pixels);
            }
        }
    }

    void aSecondRedrawsItsHandOnly() {
        SceneBuilder builder;
        Twin twin(builder.build(withHands({})));
        QVERIFY(twin.set("clock", "2026-11-30 09:58:10").has_value());
        twin.step(0);
        (void)twin.takeFlushed();
        twin.step(1000);
        long area = 0;
        for (const Flushed& each : twin.takeFlushed())
            area += long{each.w} * each.h;
        QVERIFY2(area > 0 && area < 1200, qPrintable(QString::number(area)));
    }

    void theyAreWokenWhenTheyMove() {
        SceneBuilder builder;
        const BuiltSceneRef without = builder.build(withHands({{"second", false}}));
        QCOMPARE(without->scene.clock_by_minutes, uint8_t{1});
        QCOMPARE(builder.build(withHands({}))->scene.clock_by_minutes, uint8_t{0});
    }

    void withoutAClockTheyCanNotMove() {
        Document document = withHands({});
        document = withClock(document, std::nullopt);
        SceneBuilder builder;
        const BuiltSceneRef scene = builder.build(document);
        QVERIFY(hasErrors(scene->problems));
        QCOMPARE(scene->problems.front().reason, std::string("the project has no clock"));
        Twin twin(scene);
        twin.step(0);
        QVERIFY(reaches(twin.memory().picture(), 9, 30));
    }

    void everySizeStaysInItsBox() {
        for (const auto& [w, h] : {std::pair(1, 1), {2, 3}, {5, 40}, {40, 5}, {17, 16}}) {
            Document document = withPanelOf(makeDocument(), PixelFormat::Grey8, 0, kFaceSide, kFaceSide);
            document = withClock(document, Clock{});
            document = addWidgets(document, "first",
                                  {makeWidget("face", Kind::Clock, 30, 30, w, h,
                                              {{"hand_width", int64_t{40}}, {"colour", opaque(0xFFFFFF)}})});
            SceneBuilder builder;
            Twin twin(builder.build(document));
            twin.step(0);
            const Picture picture = twin.memory().picture();
            for (int y = 0; y < kFaceSide; ++y)
                for (int x = 0; x < kFaceSide; ++x)
                    if (x < 30 || x >= 30 + w || y < 30 || y >= 30 + h)
                        QCOMPARE(picture.at(x, y) & 0xffffff, 0u);
        }
    }
};

GORSEFINCH_TEST(TestClockHands, Nothing)
#include "tst_clock_hands.moc"
