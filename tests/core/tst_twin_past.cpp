// SPDX-License-Identifier: GPL-3.0-or-later
// The last seconds of a twin: what it was at any of them, and that the same goes on from there.
#include <QtTest>

#include "core/sim/twin.h"
#include "tests/support/projects.h"
#include "tests/support/random_project.h"
#include "tests/support/test_case.h"

using namespace gorsefinch;
using namespace support;

namespace {

TwinMoment momentOf(uint32_t ms, size_t words, uint32_t value) {
    return {ms, ms, ms, std::make_shared<const std::vector<uint32_t>>(words, value)};
}

}  // namespace

class TestTwinPast : public QObject {
    Q_OBJECT

    // What a hand does in a frame, the same each time.
    static void operate(Twin& twin, int frame) {
        if (frame % 40 == 5)
            twin.touch(30 + frame % 50, 20 + frame % 30, true);
        if (frame % 40 == 12)
            twin.touch(40 + frame % 70, 25 + frame % 40, true);
        if (frame % 40 == 20)
            twin.touch(40, 25, false);
        if (frame % 25 == 0)
            twin.set("level", std::to_string(frame % 60));
        twin.step(static_cast<uint32_t>(frame) * 16);
    }

  private Q_SLOTS:
    void theLatestAreKept() {
        TwinPast past;
        QVERIFY(past.isEmpty() && !past.at(5));
        for (uint32_t ms = 0; ms <= 70000; ms += 16)
            past.add(momentOf(ms, 100, ms / 160));
        QCOMPARE(past.last(), 70000u);
        QVERIFY(past.last() - past.first() <= TwinPast::kReach && past.last() - past.first() > TwinPast::kReach - 20);
        QCOMPARE(past.at(50000)->ms, 50000u);
        QCOMPARE(past.at(50007)->ms, 50000u);
        QCOMPARE(past.at(0)->ms, past.first());
        QCOMPARE(past.at(1000000)->ms, past.last());
        // What was the same is kept once.
        QVERIFY(past.at(50000)->state == past.at(50016)->state);
        // Another way from a time on takes the place of the one that was.
        past.add(momentOf(50008, 100, 7));
        QCOMPARE(past.last(), 50008u);
        QCOMPARE(past.at(60000)->ms, 50008u);
        QCOMPARE(past.at(50007)->ms, 50000u);
        past.clear();
        QVERIFY(past.isEmpty());
    }

    // Large states lie farther apart and reach as far.
    void largeStatesAreFewer() {
        TwinPast past;
        const size_t words = 100000;
        size_t most = 0;
        for (uint32_t ms = 0; ms <= 31000; ms += 16)
            past.add(momentOf(ms, words, ms));
        std::set<const void*> states;
        for (uint32_t ms = past.first(); ms <= past.last(); ms += 8)
            states.insert(past.at(ms)->state.get());
        most = states.size() * words * 4;
        QVERIFY2(most <= TwinPast::kMostBytes + 3 * words * 4, qPrintable(QString::number(most)));
        QVERIFY(states.size() > 60);
        QVERIFY(past.last() - past.first() > TwinPast::kReach - 1000);
    }

    void aMomentShowsAndGoesOn_data() {
        QTest::addColumn<int>("seed");
        for (int seed = 0; seed < 12; ++seed)
            QTest::addRow("%d", seed) << seed;
    }

    void aMomentShowsAndGoesOn() {
        QFETCH(int, seed);
        RandomProject project(static_cast<unsigned>(seed));
        SceneBuilder builder;
        const BuiltSceneRef scene = builder.build(project.document());
        Twin twin(scene);
        std::vector<TwinMoment> moments;
        std::vector<std::vector<uint8_t>> frames;
        for (int frame = 0; frame < 120; ++frame) {
            operate(twin, frame);
            moments.push_back(twin.moment());
            frames.push_back(twin.memory().bytes());
        }
        for (const int frame : {119, 3, 60, 0, 61}) {
            twin.become(moments[static_cast<size_t>(frame)]);
            QCOMPARE(twin.now(), static_cast<uint32_t>(frame) * 16);
            QVERIFY(twin.memory().bytes() == frames[static_cast<size_t>(frame)]);
            for (int next = frame + 1; next < std::min(frame + 40, 120); ++next) {
                operate(twin, next);
                QVERIFY2(twin.memory().bytes() == frames[static_cast<size_t>(next)], qPrintable(QString::number(next)));
            }
        }
    }
};

GORSEFINCH_TEST(TestTwinPast, Nothing)
#include "tst_twin_past.moc"
