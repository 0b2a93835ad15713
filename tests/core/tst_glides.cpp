// SPDX-License-Identifier: GPL-3.0-or-later
// Properties that rules animate: each has the value that its time says.
#include <QtTest>
#include <random>

#include "core/sim/twin.h"
#include "runtime/gorse_ease.h"
#include "runtime/gorse_internal.h"
#include "tests/support/built_scene.h"
#include "tests/support/projects.h"
#include "tests/support/rounds.h"
#include "tests/support/test_case.h"

using namespace gorsefinch;
using namespace support;

namespace {

Document documentWith(const std::string& rules) {
    Document d = withPanelOf(makeDocument({"one", "two"}), PixelFormat::Rgb565, 0, 100, 60);
    d = withVariable(d, makeNumber("go_on", 0, 9, 0));
    d = withVariable(d, makeNumber("level", 0, 90, 40));
    d = withVariable(d, makeNumber("ends", 0, 1000, 0));
    d = addWidgets(d, "one",
                   {makeWidget("box", Kind::Rectangle, 10, 5, 20, 20, {{"fill", opaque(0x400000)}}),
                    makeWidget("other", Kind::Rectangle, 60, 5, 20, 20, {{"fill", opaque(0x00ff00)}})});
    return withRules(d, "main", rules);
}

}  // namespace

class TestGlides : public QObject {
    Q_OBJECT

    SceneBuilder builder_;
    std::unique_ptr<Twin> twin_;

    void begin(const std::string& rules) {
        const BuiltSceneRef scene = builder_.build(documentWith(rules));
        for (const Problem& each : scene->rules->problems)
            qWarning("%s", each.text().c_str());
        QVERIFY(scene->rules->problems.empty());
        twin_ = std::make_unique<Twin>(scene);
        twin_->step(0);
    }

    int value(const char* widget, const char* key) { return slotNow(*twin_, widget, key); }
    int at(uint32_t ms, const char* key = "x", const char* widget = "box") {
        twin_->step(ms);
        return value(widget, key);
    }

  private Q_SLOTS:
    void numbersGo() {
        begin("on start\n    animate box.x from 0 to 80 in 400 ms\n");
        QCOMPARE(value("box", "x"), 0);
        QCOMPARE(at(100), 20);
        QCOMPARE(at(200), 40);
        QCOMPARE(at(395), 79);
        QCOMPARE(at(400), 80);
        QCOMPARE(at(4000), 80);
        // From where it is, to what an expression says.
        begin("when go_on == 1\n    animate box.x to level * 2 in 100 ms\n");
        twin_->step(50);
        QVERIFY(twin_->set("go_on", "1"));
        QCOMPARE(at(1000), 10);
        QCOMPARE(at(1050), 45);
        QVERIFY(twin_->set("level", "10"));
        QCOMPARE(at(1100), 80);
    }

    void coloursGo() {
        begin("on start\n    animate box.fill from #400000 to #0080FF in 256 ms\n");
        const auto now = [&](uint32_t ms) { return static_cast<uint32_t>(at(ms, "fill")); };
        QCOMPARE(now(0), 0xff400000u);
        QCOMPARE(now(128), 0xff204080u);
        QCOMPARE(now(256), 0xff0080ffu);
    }

    void easing() {
        const std::pair<const char*, int> halves[] = {
            {"none", 50}, {"in", 25}, {"out", 75}, {"both", 50}, {"bounce", 81}};
        for (const auto& [word, half] : halves) {
            begin(std::string("on start\n    animate box.x from 0 to 100 in 1 s, ease ") + word + "\n");
            QCOMPARE(at(500), half);
            QCOMPARE(at(1000), 100);
        }
        // None overshoots, all begin and end where they should, and but for the bounce none turns round.
        for (uint8_t ease = GORSE_EASE_NONE; ease <= GORSE_EASE_BOUNCE; ++ease) {
            int before = 0;
            for (uint32_t ms = 0; ms <= 3000; ++ms) {
                const int now = gorse_eased(ms, 3000, ease);
                QVERIFY(now >= 0 && now <= GORSE_EASED);
                QVERIFY(ease == GORSE_EASE_BOUNCE || now >= before);
                before = now;
            }
            QCOMPARE(gorse_eased(0, 3000, ease), uint16_t{0});
            QCOMPARE(before, int{GORSE_EASED});
            QCOMPARE(gorse_eased(1000000, 1000000, ease), static_cast<uint16_t>(GORSE_EASED));
        }
    }

    void roundsAndBack() {
        begin("on start\n    animate box.x from 0 to 50 in 100 ms, repeat 3\n");
        QCOMPARE(at(50), 25);
        QCOMPARE(at(150), 25);
        QCOMPARE(at(299), 49);
        QCOMPARE(at(300), 50);
        QCOMPARE(at(450), 50);
        begin("on start\n    animate box.x from 0 to 50 in 100 ms, there and back, repeat 2\n");
        QCOMPARE(at(50), 25);
        QCOMPARE(at(100), 50);
        QCOMPARE(at(150), 25);
        QCOMPARE(at(250), 25);
        QCOMPARE(at(400), 0);
        begin(
            "on start\n    animate box.x from 0 to 50 in 100 ms, repeat for ever\n\nwhen go_on == 1\n    stop box.x\n");
        QCOMPARE(at(100050), 25);
        QVERIFY(twin_->set("go_on", "1"));
        QCOMPARE(at(100080), 40);
        QCOMPARE(at(100120), 40);
        QVERIFY(gorse_step(twin_->run(), 100130) > 100000);
    }

    void theNextOneFollows() {
        begin(
            "on start\n    animate box.x from 0 to 20 in 100 ms\n    then animate box.x to 60 in 40 ms\n    then "
            "animate "
            "box.y to 45 in 40 ms\n    then ends = ends + 1\n    then go two\n");
        QCOMPARE(at(100), 20);
        // It begins when the one before it ends, even if nobody looks then.
        QCOMPARE(at(120), 40);
        QCOMPARE(at(160, "y"), 25);
        QCOMPARE(twin_->get("ends"), std::string("0"));
        QCOMPARE(at(179, "y"), 44);
        QCOMPARE(twin_->screen(), 0);
        twin_->step(180);
        QCOMPARE(twin_->get("ends"), std::string("1"));
        QCOMPARE(twin_->screen(), 1);
        begin(
            "on start\n    animate box.x from 0 to 20 in 100 ms\n    then animate box.x to 60 in 40 ms\n    then ends "
            "= 5\n");
        QCOMPARE(at(1000), 60);
        QCOMPARE(twin_->get("ends"), std::string("5"));
    }

    // Several at once, and a later one of the same property takes over from where it is.
    void laterOnesTakeOver() {
        begin(
            "on start\n    animate box.x from 0 to 80 in 400 ms\n    animate other.y from 0 to 40 in 400 ms\n\n"
            "when go_on == 1\n    animate box.x to 0 in 100 ms\n");
        QCOMPARE(at(200), 40);
        QVERIFY(twin_->set("go_on", "1"));
        QCOMPARE(at(200), 40);
        QCOMPARE(at(250), 20);
        QCOMPARE(value("other", "y"), 25);
        QCOMPARE(at(300), 0);
        QCOMPARE(at(400), 0);
        QCOMPARE(value("other", "y"), 40);
    }

    // The same value at the same time, however often it is looked at.
    void stepsDoNotMatter() {
        std::mt19937 random(3);
        const char* const rules =
            "on start\n    animate box.x from 0 to 80 in 700 ms, ease both\n    then animate box.x to 3 in 150 ms, "
            "there "
            "and back, repeat 2\n    then animate box.y to 50 in 300 ms, ease bounce\n    animate other.fill to "
            "#FFFFFF in "
            "1.1 s, ease out\n";
        begin(rules);
        std::vector<std::vector<uint8_t>> frames;
        for (uint32_t ms = 0; ms <= 2000; ++ms) {
            twin_->step(ms);
            frames.push_back(twin_->memory().bytes());
        }
        for (int round = 0, end = rounds(20); round < end; ++round) {
            begin(rules);
            for (uint32_t ms = 0; ms <= 2000; ms += 1 + static_cast<uint32_t>(random() % 300)) {
                twin_->step(ms);
                QVERIFY2(twin_->memory().bytes() == frames[ms], qPrintable(QString("after %1 ms").arg(ms)));
            }
        }
    }

    // An edit leaves what goes on as it is, under whatever number.
    void editsLetItGoOn() {
        const std::string rules =
            "on start\n    animate box.x from 0 to 80 in 400 ms\n    animate other.y from 0 to 40 in 400 ms, repeat "
            "for "
            "ever\n    then animate other.y to 1 in 9 ms\n";
        begin(rules);
        twin_->step(100);
        twin_->update(builder_.build(
            changeWidgets(documentWith(rules), "one", Names{"box"}, [](Widget& widget) { widget.h = 30; })));
        QCOMPARE(at(200), 40);
        twin_->update(builder_.build(documentWith("on two.enter\n    animate other.x from 0 to 5 in 1 s\n\n" + rules)));
        QCOMPARE(at(300), 60);
        QCOMPARE(value("other", "y"), 30);
    }

    void mistakesAreTold() {
        const auto problems = [&](const std::string& statement) {
            return builder_.build(documentWith("on start\n    " + statement + "\n"))->rules->problems;
        };
        QVERIFY(tells(problems("animate box.x to 50"), "in and a time"));
        QVERIFY(tells(problems("animate box.x in 50 ms"), "to and a value"));
        QVERIFY(tells(problems("animate box.x to 50 in 700 s"), "in and a time"));
        QVERIFY(tells(problems("animate box.w to 0 in 1 s"), "0"));
        QVERIFY(tells(problems("animate box.visible to yes in 1 s"), "no number and no colour"));
        QVERIFY(tells(problems("animate box.shine to 4 in 1 s"), "can't set \"shine\""));
        QVERIFY(tells(problems("animate nobody.x to 4 in 1 s"), "nobody"));
        QVERIFY(tells(problems("animate box.x to 4 in 1 s, ease up"), "bounce or none"));
        QVERIFY(tells(problems("animate box.x to 4 in 1 s, repeat 0"), "1 to 60000"));
        QVERIFY(tells(problems("animate box.x to 4 in 1 s, back"), "there and back"));
        QVERIFY(tells(problems("animate box.x to \"4\" in 1 s"), ""));
        QVERIFY(tells(problems("then go two"), "nothing comes before it"));
        QVERIFY(tells(problems("animate box.x to 4 in 1 s\n    then"), "a statement belongs behind it"));
        QVERIFY(problems("stop one.box.x").empty());
        QVERIFY(!builder_.build(documentWith(""))->scene.glides);
    }
};

GORSEFINCH_TEST(TestGlides, Nothing)
#include "tst_glides.moc"
