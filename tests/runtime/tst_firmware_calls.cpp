// SPDX-License-Identifier: GPL-3.0-or-later
// What firmware may call, at any time and with anything: results, the time to sleep, time that jumps, and values from
// interrupts.
#include <QtTest>

#include "core/edits/edit.h"
#include "core/scene/built_scene.h"
#include "runtime/gorse_latch.h"
#include "runtime/gorse_scene.h"
#include "tests/support/projects.h"
#include "tests/support/test_case.h"

using namespace gorsefinch;
using namespace support;

namespace {

// A project with the rules given and whole variables `a` and `b` from 0 to 100000.
Document withRulesOn(const std::string& rules) {
    Document d = withVariable(withVariable(makeDocument({"one", "two"}), makeNumber("a", 0, 100000, 0)),
                              makeNumber("b", 0, 100000, 0));
    return withRules(d, "main", rules);
}

// Runs a scene with a port of its own, as firmware does.
class Firmware {
  public:
    explicit Firmware(const Document& document) : scene_(builder_.build(document)), state_(1000), buffer_(20000) {
        port_.flush = [](void*, uint16_t, uint16_t, uint16_t, uint16_t, const uint8_t*, uint32_t) {};
        port_.changed = [](void* user, uint16_t variable) {
            static_cast<Firmware*>(user)->changed.push_back(variable);
        };
        port_.user = this;
    }
    gorse_result begin() {
        return gorse_begin(&g, &scene_->scene, &port_, state_.data(), static_cast<uint32_t>(state_.size() * 4),
                           buffer_.data(), static_cast<uint32_t>(buffer_.size() * 4));
    }
    const BuiltScene& scene() const { return *scene_; }
    gorse_port& port() { return port_; }

    gorse g{};
    std::vector<int> changed;

  private:
    SceneBuilder builder_;
    BuiltSceneRef scene_;
    std::vector<uint32_t> state_, buffer_;
    gorse_port port_{};
};

}  // namespace

class TestFirmwareCalls : public QObject {
    Q_OBJECT

    // How often the rule `every PERIOD` ran when one step follows another by `gap`, and in the calls that then return
    // 0.
    int runsAfter(const char* header, uint32_t gap, uint32_t* wait = nullptr) {
        Firmware f(withRulesOn(std::string(header) + "\n    a = a + 1\n"));
        if (f.begin() != GORSE_RESULT_OK || hasErrors(f.scene().problems))
            return -1;
        uint32_t now = 5000;
        gorse_step(&f.g, now);
        now += gap;
        uint32_t rest = 0;
        for (int i = 0; i < 100 && (rest = gorse_step(&f.g, now)) == 0; ++i) {
        }
        if (wait)
            *wait = rest;
        return gorse_number(&f.g, 0);
    }

  private Q_SLOTS:
    void nothingHappensBeforeBegin() {
        const auto checkIdle = [](gorse& g) {
            QCOMPARE(gorse_step(&g, 10), GORSE_FOREVER);
            gorse_touch(&g, 1, 1, 1);
            gorse_redraw(&g);
            QCOMPARE(int{gorse_set_number(&g, 0, 1)}, int{GORSE_RESULT_NOT_BEGUN});
            QCOMPARE(int{gorse_set_text(&g, 0, "x")}, int{GORSE_RESULT_NOT_BEGUN});
            QCOMPARE(int{gorse_go(&g, 0)}, int{GORSE_RESULT_NOT_BEGUN});
            QCOMPARE(gorse_number(&g, 0), 0);
            QCOMPARE(gorse_text_value(&g, 0), "");
            QCOMPARE(int{gorse_screen_now(&g)}, 0);
        };
        Firmware f(withRulesOn(""));
        checkIdle(f.g);
        QCOMPARE(int{f.begin()}, int{GORSE_RESULT_OK});
        QCOMPARE(int{gorse_set_number(&f.g, 0, 1)}, int{GORSE_RESULT_OK});
        // A failed one leaves it as if it had never begun.
        f.port().flush = nullptr;
        QCOMPARE(int{f.begin()}, int{GORSE_RESULT_NULL});
        checkIdle(f.g);
    }

    void pointersThatAreMissingAreRefused() {
        Firmware f(withRulesOn(""));
        uint32_t memory[1000];
        const auto begin = [&](gorse* g, const gorse_scene* scene, const gorse_port* port, void* state, void* buffer) {
            return int{gorse_begin(g, scene, port, state, sizeof memory, buffer, sizeof memory)};
        };
        const gorse_scene* scene = &f.scene().scene;
        QCOMPARE(begin(nullptr, scene, &f.port(), memory, memory), int{GORSE_RESULT_NULL});
        QCOMPARE(begin(&f.g, nullptr, &f.port(), memory, memory), int{GORSE_RESULT_NULL});
        QCOMPARE(begin(&f.g, scene, nullptr, memory, memory), int{GORSE_RESULT_NULL});
        QCOMPARE(begin(&f.g, scene, &f.port(), nullptr, memory), int{GORSE_RESULT_NULL});
        QCOMPARE(begin(&f.g, scene, &f.port(), memory, nullptr), int{GORSE_RESULT_NULL});
    }

    void settersSayWhatHappened() {
        Firmware f(withVariable(withVariable(makeDocument(), makeNumber("n", -5, 10, 0)), makeText("t", "hi", 6)));
        QCOMPARE(int{f.begin()}, int{GORSE_RESULT_OK});
        QCOMPARE(int{gorse_set_number(&f.g, 0, 10)}, int{GORSE_RESULT_OK});
        QCOMPARE(int{gorse_set_number(&f.g, 0, 10)}, int{GORSE_RESULT_UNCHANGED});
        QCOMPARE(int{gorse_set_number(&f.g, 0, 11)}, int{GORSE_RESULT_CLAMPED});
        QCOMPARE(gorse_number(&f.g, 0), 10);
        QCOMPARE(int{gorse_set_number(&f.g, 0, INT32_MIN)}, int{GORSE_RESULT_CLAMPED});
        QCOMPARE(gorse_number(&f.g, 0), -5);
        QCOMPARE(int{gorse_set_number(&f.g, 1, 0)}, int{GORSE_RESULT_UNKNOWN});
        QCOMPARE(int{gorse_set_text(&f.g, 0, "hi")}, int{GORSE_RESULT_UNCHANGED});
        QCOMPARE(int{gorse_set_text(&f.g, 0, "abc")}, int{GORSE_RESULT_OK});
        QCOMPARE(int{gorse_set_text(&f.g, 0, "abcdefgh")}, int{GORSE_RESULT_CLAMPED});
        QCOMPARE(QString(gorse_text_value(&f.g, 0)), QString("abcdef"));
        QCOMPARE(int{gorse_set_text(&f.g, 0, nullptr)}, int{GORSE_RESULT_NULL});
        QCOMPARE(int{gorse_set_text(&f.g, 7, "x")}, int{GORSE_RESULT_UNKNOWN});
        QCOMPARE(gorse_text_value(&f.g, 7), "");
        QCOMPARE(int{gorse_go(&f.g, 0)}, int{GORSE_RESULT_OK});
        QCOMPARE(int{gorse_go(&f.g, 1)}, int{GORSE_RESULT_UNKNOWN});
    }

    void everyResultHasItsName() {
        QCOMPARE(QString(gorse_result_name(GORSE_RESULT_OK)), QString("OK"));
        QSet<QString> names;
        for (int result = GORSE_RESULT_OK; result <= GORSE_RESULT_BUFFER_TOO_SMALL; ++result)
            names.insert(gorse_result_name(static_cast<gorse_result>(result)));
        QCOMPARE(names.size(), GORSE_RESULT_BUFFER_TOO_SMALL + 1);
        QVERIFY(!names.contains("?"));
        QCOMPARE(QString(gorse_result_name(200)), QString("?"));
    }

    void stepSaysHowLongItMaySleep() {
        Firmware quiet(withRulesOn("when a > 5\n    b = 1\n"));
        QCOMPARE(int{quiet.begin()}, int{GORSE_RESULT_OK});
        QCOMPARE(gorse_step(&quiet.g, 77), GORSE_FOREVER);
        Firmware busy(withRulesOn("every 250 ms\n    a = a + 1\nevery 1 s\n    b = b + 1\n"));
        QCOMPARE(int{busy.begin()}, int{GORSE_RESULT_OK});
        QCOMPARE(gorse_step(&busy.g, 1000), 250u);
        QCOMPARE(gorse_step(&busy.g, 1100), 150u);
        QCOMPARE(gorse_step(&busy.g, 1250), 250u);
        QCOMPARE(gorse_step(&busy.g, 1990), 10u);
        // Rules that set each other off for ever leave something for the next step.
        Firmware endless(withRulesOn("when a == b\n    a = a + 1\notherwise\n    b = b + 1\n"));
        QCOMPARE(int{endless.begin()}, int{GORSE_RESULT_OK});
        QCOMPARE(gorse_step(&endless.g, 0), 0u);
    }

    void framesSayWhenTheNextOneComes() {
        const Document d = openExample("hive");
        Firmware f(d);
        QCOMPARE(int{f.begin()}, int{GORSE_RESULT_OK});
        uint32_t now = 0, wait = gorse_step(&f.g, now);
        // Until then nothing is flushed, then something is.
        static int flushes = 0;
        for (int i = 0; i < 5 && wait != GORSE_FOREVER; ++i) {
            QVERIFY(wait > 0 && wait <= 60000);
            flushes = 0;
            f.g.port.flush = [](void*, uint16_t, uint16_t, uint16_t, uint16_t, const uint8_t*, uint32_t) { ++flushes; };
            gorse_step(&f.g, now + wait - 1);
            QCOMPARE(flushes, 0);
            now += wait;
            wait = gorse_step(&f.g, now);
        }
    }

    void aSmallStepBackIsNoTime() {
        Firmware f(withRulesOn("every 1 s\n    a = a + 1\n"));
        QCOMPARE(int{f.begin()}, int{GORSE_RESULT_OK});
        gorse_step(&f.g, 10000);
        for (int i = 0; i < 100; ++i) {
            gorse_step(&f.g, 10500);
            gorse_step(&f.g, 10499);
        }
        QCOMPARE(gorse_number(&f.g, 0), 0);
        QCOMPARE(gorse_step(&f.g, 10999), 1u);
        gorse_step(&f.g, 11000);
        QCOMPARE(gorse_number(&f.g, 0), 1);
    }

    void aClockThatBeginsAnewGoesOn() {
        Firmware f(withRulesOn("every 1 s\n    a = a + 1\n"));
        QCOMPARE(int{f.begin()}, int{GORSE_RESULT_OK});
        gorse_step(&f.g, 4000000000u);
        gorse_step(&f.g, 4000000600u);
        QCOMPARE(gorse_step(&f.g, 2500000000u), 400u);
        gorse_step(&f.g, 2500000400u);
        QCOMPARE(gorse_number(&f.g, 0), 1);
        // Wrapping is no step back.
        Firmware wraps(withRulesOn("every 1 s\n    a = a + 1\n"));
        QCOMPARE(int{wraps.begin()}, int{GORSE_RESULT_OK});
        gorse_step(&wraps.g, UINT32_MAX - 400);
        gorse_step(&wraps.g, 600);
        QCOMPARE(gorse_number(&wraps.g, 0), 1);
    }

    void missedRuns_data() {
        QTest::addColumn<QString>("header");
        QTest::addColumn<int>("gap");
        QTest::addColumn<int>("runs");
        QTest::addColumn<int>("wait");
        for (const char* header : {"every 1 s", "every 1 s, missed all"}) {
            QTest::newRow(qPrintable(QString("%1, in time").arg(header))) << header << 1000 << 1 << 1000;
            QTest::newRow(qPrintable(QString("%1, three").arg(header))) << header << 3100 << 3 << 900;
            QTest::newRow(qPrintable(QString("%1, a minute").arg(header))) << header << 60000 << 60 << 1000;
            QTest::newRow(qPrintable(QString("%1, an hour").arg(header))) << header << 3600000 << 60 << 1000;
        }
        QTest::newRow("once, in time") << "every 1 s, missed once" << 1000 << 1 << 1000;
        QTest::newRow("once, a minute") << "every 1 s, missed once" << 60250 << 1 << 750;
        QTest::newRow("none, in time") << "every 1 s, missed none" << 1999 << 1 << 1;
        QTest::newRow("none, a minute") << "every 1 s, missed none" << 60250 << 0 << 750;
        QTest::newRow("faster than steps") << "every 1 ms" << 10 << 10 << 1;
    }
    void missedRuns() {
        QFETCH(QString, header);
        QFETCH(int, gap);
        uint32_t wait = 0;
        QTEST(runsAfter(header.toUtf8().constData(), static_cast<uint32_t>(gap), &wait), "runs");
        QTEST(static_cast<int>(wait), "wait");
    }

    void wordsForMissedRunsAreChecked() {
        for (const char* header : {"every 1 s,", "every 1 s, missed", "every 1 s, missed some", "every 1 s, once",
                                   "every 1 s missed once"}) {
            SceneBuilder builder;
            const BuiltSceneRef scene = builder.build(withRulesOn(std::string(header) + "\n    a = 1\n"));
            QVERIFY2(hasErrors(scene->problems), header);
        }
        SceneBuilder builder;
        QVERIFY(!hasErrors(builder.build(withRulesOn("every 1 s, missed none while a > 1\n    a = 1\n"))->problems));
    }

    // An array is its first element's number to the firmware; one that it lacks is neither read nor set.
    void elementsOfArrays() {
        Document d = withVariable(withRulesOn("when a == 5\n    zone[a - 3] = 40\n\nwhen a == 7\n    zone = 3\n"),
                                  arrayOf(makeNumber("zone", -5, 50, 1), 4));
        d = withVariable(d, makeNumber("behind", 0, 9, 6));
        Firmware f(d);
        QVERIFY(!hasErrors(f.scene().problems));
        QCOMPARE(int{gorse_set_element(&f.g, 2, 4, 0, 1)}, int{GORSE_RESULT_NOT_BEGUN});
        QCOMPARE(gorse_element(&f.g, 2, 4, 0), 0);
        QCOMPARE(int{f.begin()}, int{GORSE_RESULT_OK});
        QCOMPARE(int{gorse_set_element(&f.g, 2, 4, 3, 9)}, int{GORSE_RESULT_OK});
        QCOMPARE(int{gorse_set_element(&f.g, 2, 4, 3, 9)}, int{GORSE_RESULT_UNCHANGED});
        QCOMPARE(int{gorse_set_element(&f.g, 2, 4, 0, 51)}, int{GORSE_RESULT_CLAMPED});
        for (const uint32_t index : {4u, 5u, 65536u, 0xffffffffu}) {
            QCOMPARE(int{gorse_set_element(&f.g, 2, 4, index, 9)}, int{GORSE_RESULT_UNKNOWN});
            QCOMPARE(gorse_element(&f.g, 2, 4, index), 0);
        }
        QCOMPARE(int{gorse_set_element(&f.g, 2, 60000, 40000, 9)}, int{GORSE_RESULT_UNKNOWN});
        QCOMPARE(int{gorse_set_element(&f.g, 60000, 60000, 1, 9)}, int{GORSE_RESULT_UNKNOWN});
        const auto zones = [&] {
            std::vector<int> out;
            for (uint32_t i = 0; i < 4; ++i)
                out.push_back(gorse_element(&f.g, 2, 4, i));
            return out;
        };
        QCOMPARE(zones(), (std::vector<int>{50, 1, 1, 9}));
        QCOMPARE(gorse_number(&f.g, 6), 6);
        QVERIFY(f.changed.empty());
        gorse_step(&f.g, 0);
        gorse_set_number(&f.g, 0, 5);
        gorse_step(&f.g, 1);
        QCOMPARE(zones(), (std::vector<int>{50, 1, 40, 9}));
        QCOMPARE(f.changed, (std::vector<int>{2}));
        gorse_set_number(&f.g, 0, 7);
        gorse_step(&f.g, 2);
        QCOMPARE(zones(), (std::vector<int>{3, 3, 3, 3}));
        QCOMPARE(f.changed, (std::vector<int>{2, 2, 2, 2, 2}));
        QCOMPARE(gorse_number(&f.g, 6), 6);
    }

    void changesByRulesAreReported() {
        Document d =
            withVariable(withRulesOn("when a > 5\n    b = a\n    words = \"many\"\n"), makeText("words", "few", 10));
        Firmware f(d);
        QVERIFY(!hasErrors(f.scene().problems));
        QCOMPARE(int{f.begin()}, int{GORSE_RESULT_OK});
        gorse_step(&f.g, 0);
        QVERIFY(f.changed.empty());
        gorse_set_number(&f.g, 0, 6);
        QVERIFY(f.changed.empty());
        gorse_step(&f.g, 1);
        QCOMPARE(f.changed, (std::vector<int>{1, 2}));
        // The same values again are no change.
        gorse_set_number(&f.g, 0, 0);
        gorse_step(&f.g, 2);
        f.changed.clear();
        gorse_set_number(&f.g, 0, 6);
        gorse_step(&f.g, 3);
        QVERIFY(f.changed.empty());
    }

    void aLatchGivesTheLatestValue() {
        gorse_latch latch{};
        int32_t value = 7;
        QCOMPARE(int{gorse_latch_take(&latch, &value)}, 0);
        QCOMPARE(value, 7);
        QCOMPARE(int{gorse_latch_put(&latch, 3, 0, 9)}, int{GORSE_RESULT_OK});
        QCOMPARE(int{gorse_latch_put(&latch, 12, 0, 9)}, int{GORSE_RESULT_CLAMPED});
        QCOMPARE(int{gorse_latch_take(&latch, &value)}, 1);
        QCOMPARE(value, 9);
        QCOMPARE(int{gorse_latch_take(&latch, &value)}, 0);
        // The count wraps.
        for (int i = 0; i < 1000; ++i) {
            gorse_latch_put(&latch, -i, -9999, 9999);
            QVERIFY(gorse_latch_take(&latch, &value) == 1 && value == -i);
        }
    }
};

GORSEFINCH_TEST(TestFirmwareCalls, Nothing)
#include "tst_firmware_calls.moc"
