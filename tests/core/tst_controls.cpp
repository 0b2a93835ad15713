// SPDX-License-Identifier: GPL-3.0-or-later
// What a finger does to buttons, switches, checkboxes and zones: their variables, events and pictures.
#include <QtTest>

#include "tests/support/kiln_face.h"
#include "tests/support/operated.h"
#include "tests/support/test_case.h"

using namespace gorsefinch;
using namespace support;

class TestControls : public QObject {
    Q_OBJECT

  private Q_SLOTS:
    void aMomentaryButtonHoldsItsVariable() {
        Hand p(controlsOf({button("push", 10, {{"value", std::string("lit")}})},
                          "on push.tap\n    count = count + 1\nwhen lit\n    level = 50\notherwise\n    level = 0\n"));
        QCOMPARE(p["lit"], std::string("no"));
        p.down(20, 30);
        p.step(10);
        QCOMPARE(p["lit"], std::string("yes"));
        QCOMPARE(p["level"], std::string("50"));
        QVERIFY(p.isWhole());
        // Off the button it is let go, and back on it is held again.
        p.down(200, 30);
        p.step(10);
        QCOMPARE(p["lit"], std::string("no"));
        p.down(20, 30);
        p.step(10);
        QCOMPARE(p["lit"], std::string("yes"));
        p.up(20, 30);
        p.step(10);
        QCOMPARE(p["lit"], std::string("no"));
        QCOMPARE(p["level"], std::string("0"));
        QCOMPARE(p["count"], std::string("1"));
        QVERIFY(p.isWhole());
    }

    void aHeldButtonFallsBackWhenItGoes() {
        const std::vector<Widget> widgets{button("push", 10, {{"value", std::string("lit")}})};
        for (const std::string& what : std::vector<std::string>{"go second", "hide push", "disable push"}) {
            Hand p(controlsOf(widgets, "when count > 5\n    " + what + "\non push.change\n    level = level + 1\n"));
            p.down(20, 30);
            p.step(10);
            QCOMPARE(p["lit"], std::string("yes"));
            QVERIFY(p.twin.set("count", "6"));
            p.step(10);
            p.step(10);
            QVERIFY2(p["lit"] == "no", what.c_str());
            QCOMPARE(p["level"], std::string(what == "go second" ? "11" : "12"));
            QVERIFY2(p.isWhole(), what.c_str());
            p.down(25, 30);
            p.up(25, 30);
            p.step(10);
            QVERIFY2(p["lit"] == "no", what.c_str());
        }
    }

    void aLatchingButtonTurnsOver() {
        Hand p(
            controlsOf({button("latch", 10, acting("latching", "lit"))}, "on latch.change\n    count = count + 1\n"));
        const auto off = p.bytes();
        p.tap(20, 30);
        QCOMPARE(p["lit"], std::string("yes"));
        QVERIFY(p.bytes() != off);
        QVERIFY(p.isWhole());
        // A finger that slid away taps nothing.
        p.down(20, 30);
        p.up(200, 30);
        p.step(10);
        QCOMPARE(p["lit"], std::string("yes"));
        // The firmware's value moves it, which is no change of its own.
        QVERIFY(p.twin.set("lit", "no"));
        p.step(10);
        QVERIFY(p.bytes() == off);
        QCOMPARE(p["count"], std::string("1"));
        p.tap(20, 30);
        p.tap(20, 30);
        QCOMPARE(p["count"], std::string("3"));
        QVERIFY(p.bytes() == off);
    }

    void buttonsOfOneVariableExcludeEachOther() {
        std::vector<Widget> widgets;
        int x = 5;
        for (const char* each : {"low", "mid", "high"}) {
            PropertyMap properties = acting("choice", "mode");
            properties["choice"] = std::string(each);
            properties["may_clear"] = std::string(each) == "high";
            widgets.push_back(button(std::string(each) + "_button", x, std::move(properties)));
            x += 70;
        }
        Hand p(controlsOf(widgets));
        for (const auto& [at, mode] : std::vector<std::pair<int, const char*>>{
                 {10, "low"}, {10, "low"}, {150, "high"}, {80, "mid"}, {150, "high"}, {150, "low"}}) {
            p.tap(at, 30);
            QCOMPARE(p["mode"], std::string(mode));
            QVERIFY(p.isWhole());
        }
    }

    void aButtonSaysSomethingElseWhileItIsOn() {
        Document d = controlsOf({});
        d = addFace(d, "B612-Regular.otf", fileBytes(examplePath("kiln") + "/fonts/B612-Regular.otf"));
        PropertyMap properties = acting("latching", "lit");
        properties["text"] = std::string("Start");
        properties["text_on"] = std::string("Stop {count}");
        d = addWidgets(d, "first", {button("run", 10, properties)});
        Hand p(d);
        const auto text = [&] {
            gorse_view view;
            gorse_see(p.twin.run(), 0, &view);
            return std::string(gorse_shown_text(p.twin.run(), gorse_text_widget_of(view.widget)).plain);
        };
        QCOMPARE(text(), std::string("Start"));
        p.tap(20, 30);
        QCOMPARE(text(), std::string("Stop 0"));
        QVERIFY(p.isWhole());
        QVERIFY(p.twin.set("count", "7"));
        p.step(10);
        QCOMPARE(text(), std::string("Stop 7"));
        QVERIFY(p.isWhole());
        p.tap(20, 30);
        QCOMPARE(text(), std::string("Start"));
        QVERIFY(p.isWhole());
    }

    void aButtonRepeatsAndHolds() {
        const std::string rules =
            "on more.tap\n    count = count + 100\non more.repeat\n    count = count + 1\non long.hold\n    level = "
            "77\n"
            "on long.tap\n    level = 33\n";
        Hand p(controlsOf({button("more", 10, {{"repeat_after", int64_t{300}}, {"repeat_every", int64_t{100}}}),
                           button("long", 100, {})},
                          rules));
        p.down(20, 30);
        p.step(290);
        QCOMPARE(p["count"], std::string("0"));
        p.step(20);
        QCOMPARE(p["count"], std::string("1"));
        for (int i = 0; i < 5; ++i)
            p.step(100);
        QCOMPARE(p["count"], std::string("6"));
        // One that repeated is no tap, and repeats no more.
        p.up(20, 30);
        p.step(500);
        QCOMPARE(p["count"], std::string("6"));
        p.tap(20, 30);
        QCOMPARE(p["count"], std::string("106"));
        p.down(110, 30);
        p.step(599);
        QCOMPARE(p["level"], std::string("10"));
        p.step(1);
        QCOMPARE(p["level"], std::string("77"));
        p.up(110, 30);
        p.step(10);
        QCOMPARE(p["level"], std::string("77"));
        p.tap(110, 30);
        QCOMPARE(p["level"], std::string("33"));
        // Beside it nothing is held.
        p.down(110, 30);
        p.step(100);
        p.down(110, 100);
        p.step(1000);
        QCOMPARE(p["level"], std::string("33"));
    }

    void aStepReturnsWhenAHoldIsDue() {
        Hand p(controlsOf({button("long", 100, {})}, "on long.hold\n    level = 77\n"));
        p.down(110, 30);
        QCOMPARE(gorse_step(p.twin.run(), 0), 600u);
        QCOMPARE(gorse_step(p.twin.run(), 450), 150u);
        QCOMPARE(gorse_step(p.twin.run(), 600), GORSE_FOREVER);
        QCOMPARE(p["level"], std::string("77"));
    }

    void aSwitchSlides() {
        Hand p(controlsOf({makeWidget("lamp", Kind::Switch, 10, 20, 60, 26,
                                      {{"value", std::string("lit")},
                                       {"slide", int64_t{100}},
                                       {"fill", opaque(0x202020)},
                                       {"border_width", int64_t{1}}})},
                          "on lamp.change\n    count = count + 1\n"));
        const auto off = p.bytes();
        p.tap(20, 30);
        QCOMPARE(p["lit"], std::string("yes"));
        std::set<std::vector<uint8_t>> pictures{off};
        for (int i = 0; i < 10; ++i) {
            p.step(20);
            pictures.insert(p.bytes());
            QVERIFY(p.isWhole());
        }
        QVERIFY(pictures.size() >= 4);
        const auto on = p.bytes();
        p.step(1000);
        QVERIFY(p.bytes() == on);
        QVERIFY(p.twin.set("lit", "no"));
        // A step that comes late ends at the same picture.
        p.step(1);
        p.step(5000);
        QVERIFY(p.bytes() == off);
        QCOMPARE(p["count"], std::string("1"));
    }

    void aCheckboxMarks() {
        std::vector<Widget> widgets{
            makeWidget("box", Kind::Checkbox, 10, 10, 40, 20,
                       {{"value", std::string("lit")}, {"border_width", int64_t{1}}, {"fill", opaque(0x101010)}})};
        for (int i = 0; i < 2; ++i)
            widgets.push_back(makeWidget("round_" + std::to_string(i), Kind::Checkbox, 10, 40 + 30 * i, 40, 20,
                                         {{"value", std::string("mode")},
                                          {"acts", std::string("choice")},
                                          {"shape", std::string("round")},
                                          {"choice", std::string(i == 0 ? "low" : "high")},
                                          {"border_width", int64_t{1}}}));
        Hand p(controlsOf(widgets));
        p.tap(15, 15);
        QCOMPARE(p["lit"], std::string("yes"));
        QVERIFY(p.isWhole());
        p.tap(15, 15);
        QCOMPARE(p["lit"], std::string("no"));
        p.tap(15, 80);
        QCOMPARE(p["mode"], std::string("high"));
        p.tap(15, 80);
        QCOMPARE(p["mode"], std::string("high"));
        p.tap(15, 50);
        QCOMPARE(p["mode"], std::string("low"));
        QVERIFY(p.isWhole());
    }

    void aTouchGoesToTheTopmostThatTakesIt() {
        Widget top = makeWidget("top", Kind::Zone, 20, 20, 60, 40);
        Widget below = makeWidget("below", Kind::Zone, 10, 10, 100, 80);
        Widget cover = makeWidget("cover", Kind::Rectangle, 0, 0, 200, 150);
        Widget beside = makeWidget("beside", Kind::Zone, 150, 20, 10, 10);
        beside.touchMargin = 12;
        Hand p(controlsOf(
            {below, top, cover, beside},
            "on top.tap\n    count = count + 1\non below.tap\n    count = count + 10\n"
            "on beside.tap\n    count = count + 100\nwhen lit\n    disable top\notherwise\n    enable top\n"));
        p.tap(30, 30);
        QCOMPARE(p["count"], std::string("1"));
        QVERIFY(p.twin.set("lit", "yes"));
        p.step(10);
        p.tap(30, 30);
        QCOMPARE(p["count"], std::string("11"));
        QVERIFY(p.twin.set("lit", "no"));
        p.step(10);
        p.tap(30, 30);
        QCOMPARE(p["count"], std::string("12"));
        for (const QPoint& each : {QPoint(138, 8), QPoint(171, 41)})
            p.tap(each.x(), each.y());
        QCOMPARE(p["count"], std::string("212"));
        for (const QPoint& each : {QPoint(137, 20), QPoint(172, 20), QPoint(155, 42)})
            p.tap(each.x(), each.y());
        QCOMPARE(p["count"], std::string("212"));
    }

    void swipes() {
        Hand p(controlsOf({makeWidget("pad", Kind::Zone, 10, 10, 100, 100)},
                          "on pad.swipe left\n    count = count + 1\non first.swipe left\n    count = count + 10\n"
                          "on first.swipe up\n    count = count + 100\non pad.tap\n    count = count + 500\n"));
        const auto swipe = [&](QPoint from, QPoint to, uint32_t ms) {
            p.down(from.x(), from.y());
            p.step(ms);
            p.down(to.x(), to.y());
            p.up(to.x(), to.y());
            p.step(10);
        };
        swipe({100, 50}, {40, 55}, 100);
        QCOMPARE(p["count"], std::string("11"));
        swipe({200, 120}, {205, 60}, 100);
        QCOMPARE(p["count"], std::string("111"));
        // Too slow, too short, aslant.
        swipe({200, 120}, {205, 60}, 700);
        swipe({200, 120}, {200, 100}, 100);
        swipe({200, 120}, {160, 80}, 100);
        QCOMPARE(p["count"], std::string("111"));
        // One without a rule is a tap if it stays on the target.
        swipe({20, 50}, {90, 55}, 100);
        QCOMPARE(p["count"], std::string("611"));
    }

    void looksFollowTheStates() {
        Document d = controlsOf({});
        Look look;
        look.name = "key";
        look.style["fill"] = opaque(0x101010);
        look.states["on"]["fill"] = opaque(0x00ff00);
        look.states["on"]["border"] = opaque(0xffffff);
        look.states["pressed"]["fill"] = opaque(0x0000ff);
        look.states["disabled"]["fill"] = opaque(0x808080);
        d = withLook(d, look);
        PropertyMap properties = acting("latching", "lit");
        properties["on_colour"] = Colour{0};
        Widget key = button("key", 10, properties);
        key.look = "key";
        d = addWidgets(d, "first", {key});
        d = withRules(d, "main", "when level > 50\n    disable key\notherwise\n    enable key\n");
        Hand p(d);
        const auto fill = [&] {
            gorse_view view;
            gorse_see(p.twin.run(), 0, &view);
            return view.look->fill & 0xffffff;
        };
        const auto border = [&] {
            gorse_view view;
            gorse_see(p.twin.run(), 0, &view);
            return view.look->border & 0xffffff;
        };
        QCOMPARE(fill(), 0x101010u);
        p.down(20, 30);
        QCOMPARE(fill(), 0x0000ffu);
        p.up(20, 30);
        p.step(10);
        QCOMPARE(fill(), 0x00ff00u);
        // Of several states the later wins, property by property.
        p.down(20, 30);
        QCOMPARE(fill(), 0x0000ffu);
        QCOMPARE(border(), 0xffffffu);
        p.step(10);
        QVERIFY(p.isWhole());
        QVERIFY(p.twin.set("level", "60"));
        p.step(10);
        QCOMPARE(fill(), 0x808080u);
        QVERIFY(p.isWhole());
    }

    void editsKeepTheFinger() {
        SceneBuilder builder;
        Document d = controlsOf(
            {makeWidget("dim", Kind::Slider, 20, 10, 130, 24, {{"value", std::string("level")}, {"grip", int64_t{10}}}),
             button("push", 10, {{"value", std::string("lit")}})});
        d = changeWidgets(d, "first", std::vector<std::string>{"push"}, [](Widget& w) { w.y = 100; });
        Twin twin(builder.build(d));
        twin.step(0);
        twin.touch(85, 20, true);
        twin.step(10);
        QCOMPARE(twin.get("level"), std::string("40"));
        d = addWidgets(d, "first", {button("other", 150, acting("latching", "lit"))});
        twin.update(builder.build(d));
        twin.touch(95, 20, true);
        twin.step(20);
        QCOMPARE(twin.get("level"), std::string("50"));
        twin.touch(95, 20, false);
        twin.touch(20, 110, true);
        twin.step(30);
        QCOMPARE(twin.get("lit"), std::string("yes"));
        twin.update(builder.build(d));
        QCOMPARE(twin.get("lit"), std::string("yes"));
        // Without the button nothing holds its variable.
        d = removeWidgets(d, "first", std::vector<std::string>{"push"});
        twin.update(builder.build(d));
        twin.step(40);
        QCOMPARE(twin.get("lit"), std::string("no"));
    }

    void problemsAreTold() {
        const auto problem = [](const Widget& widget, const char* words) {
            SceneBuilder builder;
            const BuiltSceneRef scene = builder.build(controlsOf({widget}));
            return std::any_of(scene->problems.begin(), scene->problems.end(), [&](const Problem& each) {
                return each.text().find(words) != std::string::npos && !each.remedy.empty();
            });
        };
        QVERIFY(problem(button("a", 0, acting("latching", "")), "it acts on no variable"));
        QVERIFY(problem(button("a", 0, acting("latching", "nothing")), "there is no variable \"nothing\""));
        PropertyMap wrong = acting("choice", "mode");
        QVERIFY(problem(button("a", 0, wrong), "it has no choice"));
        wrong["choice"] = std::string("warm");
        QVERIFY(problem(button("a", 0, wrong), "\"warm\" is no value of mode"));
        wrong["choice"] = std::string("low");
        wrong["may_clear"] = true;
        QVERIFY(problem(button("a", 0, wrong), "a tap can't clear it"));
        QVERIFY(problem(makeWidget("s", Kind::Slider, 0, 0, 80, 20, {{"step", std::string("0")}}),
                        "its step is not above 0"));
        QVERIFY(
            problem(makeWidget("s", Kind::Slider, 0, 0, 80, 20, {{"min", std::string("5")}, {"max", std::string("5")}}),
                    "its maximum is not above its minimum"));
        SceneBuilder builder;
        for (const auto& [rule, words] : std::vector<std::pair<const char*, const char*>>{
                 {"on box.change\n    count = 1\n", "a rectangle has no event change"},
                 {"on box.hold\n    count = 1\n", "a rectangle takes no touch"},
                 {"on pad.repeat\n    count = 1\n", "a zone has no event repeat"},
                 {"on pad.swipe\n    count = 1\n", "the way of the swipe belongs here"},
                 {"on pad.swipe sideways\n    count = 1\n", "the way of the swipe belongs here"}}) {
            const BuiltSceneRef scene = builder.build(controlsOf(
                {makeWidget("box", Kind::Rectangle, 0, 0, 9, 9), makeWidget("pad", Kind::Zone, 0, 0, 9, 9)}, rule));
            QVERIFY2(tells(scene->problems, words), rule);
        }
    }
};

GORSEFINCH_TEST(TestControls, Nothing)
#include "tst_controls.moc"
