// SPDX-License-Identifier: GPL-3.0-or-later
// The knob and the keys: what they reach and in which order, what they press and change, and the rules about them.
#include <QtTest>

#include "core/document/panel_keys.h"
#include "core/sim/script.h"
#include "core/sim/twin.h"
#include "runtime/gorse_focus.h"
#include "tests/support/projects.h"
#include "tests/support/test_case.h"

using namespace gorsefinch;
using namespace support;

namespace {

Document withKeys(const Document& document, bool knob, std::vector<std::string> keys, bool wraps = false) {
    Panel panel = *document.panel;
    panel.knob = knob;
    panel.keys = std::move(keys);
    panel.focusWraps = wraps;
    return withPanel(document, panel);
}

Widget key(const std::string& name, int x, int y) {
    return makeWidget(name, Kind::Button, x, y, 40, 20, {{"fill", opaque(0x404040)}});
}

// Two rows of buttons, a slider below, and another screen with one button.
Document panelWithKnob(const std::string& rules = {}, bool wraps = false, PixelFormat format = PixelFormat::Rgb565) {
    Document d = withPanelOf(makeDocument({"first", "second"}), format, 0, 160, 120);
    d = withKeys(d, true, {"up", "down", "left", "right", "enter", "back", "menu", "light"}, wraps);
    d = withVariable(d, makeNumber("level", 0, 100, 50));
    d = withVariable(d, makeNumber("count", 0, 1000, 0));
    d = withVariable(d, makeYesNo("lit", false));
    d = addWidgets(d, "first",
                   {key("d", 60, 42), key("b", 60, 10), key("a", 10, 12), key("c", 10, 40),
                    makeWidget("dim", Kind::Slider, 10, 80, 120, 20,
                               {{"value", std::string("level")}, {"step", std::string("5")}}),
                    makeWidget("words", Kind::Rectangle, 0, 110, 20, 10)});
    d = addWidgets(d, "second", {key("only", 10, 10)});
    return rules.empty() ? d : withRules(d, "main", rules);
}

class Knob {
  public:
    explicit Knob(const Document& document) : twin(builder_.build(document)) { twin.step(0); }

    void turn(int steps) {
        QVERIFY(twin.turn(steps));
        twin.step(time_ += 10);
    }
    void down(const char* name) {
        QVERIFY(twin.key(name, true));
        twin.step(time_ += 10);
    }
    void up(const char* name) {
        QVERIFY(twin.key(name, false));
        twin.step(time_ += 10);
    }
    void press(const char* name) {
        down(name);
        up(name);
    }
    void wait(uint32_t ms) { twin.step(time_ += ms); }
    std::string focus() {
        const uint16_t widget = gorse_focus_of(twin.run())->widget;
        const auto& widgets = twin.scene().parts[static_cast<size_t>(twin.screen())]->source->widgets;
        return widget == GORSE_NONE ? std::string() : widgets[widget]->name;
    }
    std::string operator[](const char* variable) const { return twin.get(variable); }
    bool isWhole() {
        const std::vector<uint8_t> shown = twin.memory().bytes();
        gorse_redraw(twin.run());
        wait(0);
        return twin.memory().bytes() == shown;
    }

  private:
    SceneBuilder builder_;
    uint32_t time_ = 0;

  public:
    Twin twin;
};

}  // namespace

class TestFocus : public QObject {
    Q_OBJECT

  private Q_SLOTS:
    // A push that is still down while the knob turns on presses nothing any more.
    void turningWhileItIsPushedLetsGo() {
        Knob knob(
            panelWithKnob("on a.press\n    lit = yes\non a.release\n    lit = no\non a.tap\n    count = count + 1\n"));
        QCOMPARE(knob.focus(), std::string("a"));
        knob.down("push");
        QCOMPARE(knob["lit"], std::string("yes"));
        QCOMPARE(gorse_head_of(knob.twin.run())->pressed, uint16_t{2});
        knob.turn(1);
        QCOMPARE(gorse_head_of(knob.twin.run())->pressed, uint16_t{GORSE_NONE});
        knob.up("push");
        QCOMPARE(knob["count"], std::string("0"));
        QVERIFY(knob.isWhole());
        knob.press("push");
        knob.turn(-1);
        knob.press("push");
        QCOMPARE(knob["count"], std::string("1"));
    }

    void turnsGoRowByRow() {
        Knob p(panelWithKnob());
        QCOMPARE(p.focus(), std::string("a"));
        std::string order;
        for (int i = 0; i < 6; ++i) {
            order += p.focus() + " ";
            QVERIFY(p.isWhole());
            p.turn(1);
        }
        QCOMPARE(order, std::string("a b c d dim dim "));
        p.turn(-3);
        QCOMPARE(p.focus(), std::string("b"));
        p.turn(-9);
        QCOMPARE(p.focus(), std::string("a"));
    }

    void turnsWrapWhereThePanelSaysSo() {
        Knob p(panelWithKnob({}, true));
        p.turn(-1);
        QCOMPARE(p.focus(), std::string("dim"));
        p.turn(2);
        QCOMPARE(p.focus(), std::string("b"));
        p.turn(5);
        QCOMPARE(p.focus(), std::string("b"));
    }

    void numbersComeFirst() {
        Document d = panelWithKnob();
        const auto set = [&](const char* widget, const char* focus) {
            d = changeWidgets(d, "first", std::vector<std::string>{widget}, [&](Widget& each) { each.focus = focus; });
        };
        set("dim", "1");
        set("c", "2");
        set("b", "never");
        Knob p(d);
        std::string order;
        for (int i = 0; i < 5; ++i) {
            order += p.focus() + " ";
            p.turn(1);
        }
        QCOMPARE(order, std::string("dim c a d d "));
        set("a", "soon");
        SceneBuilder builder;
        QVERIFY(tells(builder.build(d)->problems, "\"soon\" is no turn of the focus"));
        const ReadProject read = readFiles(toFiles(d));
        QVERIFY(read.document && read.document->panel->keys == d.panel->keys && read.document->panel->knob);
        QCOMPARE(read.document->screens[0]->widgets[1]->focus, std::string("never"));
    }

    void whatIsHiddenOrDisabledIsPassedOver() {
        Knob p(
            panelWithKnob("when level > 60\n    hide a\n    disable b\notherwise\n    show a\n    enable b\n"
                          "on c.focus\n    count = count + 1\non a.blur\n    count = count + 10\n"));
        QVERIFY(p.twin.set("level", "70"));
        p.wait(10);
        p.wait(10);
        QCOMPARE(p.focus(), std::string("c"));
        QCOMPARE(p["count"], std::string("11"));
        p.turn(-1);
        QCOMPARE(p.focus(), std::string("c"));
        QVERIFY(p.isWhole());
        QVERIFY(p.twin.set("level", "10"));
        p.wait(10);
        p.turn(-1);
        QCOMPARE(p.focus(), std::string("b"));
    }

    void aPushPresses() {
        Knob p(
            panelWithKnob("on a.tap\n    count = count + 1\non a.press\n    level = 1\non a.release\n    level = 2\n"
                          "on b.hold\n    count = count + 50\non b.tap\n    count = count + 100\n"));
        p.down("push");
        QCOMPARE(p["level"], std::string("1"));
        QVERIFY(p.isWhole());
        p.up("push");
        QCOMPARE(p["level"], std::string("2"));
        QCOMPARE(p["count"], std::string("1"));
        QVERIFY(p.isWhole());
        p.press("enter");
        QCOMPARE(p["count"], std::string("2"));
        p.turn(1);
        p.down("push");
        p.wait(700);
        p.up("push");
        QCOMPARE(p["count"], std::string("52"));
        p.press("push");
        QCOMPARE(p["count"], std::string("152"));
    }

    void aPushOnAValueEntersIt() {
        Knob p(panelWithKnob("on dim.change\n    count = count + 1\non dim.done\n    lit = yes\n"));
        p.turn(4);
        QCOMPARE(p.focus(), std::string("dim"));
        p.press("push");
        QVERIFY(p.isWhole());
        p.turn(3);
        QCOMPARE(p["level"], std::string("65"));
        p.turn(-20);
        QCOMPARE(p["level"], std::string("0"));
        p.press("right");
        QCOMPARE(p["level"], std::string("5"));
        QCOMPARE(p["count"], std::string("3"));
        QCOMPARE(p["lit"], std::string("no"));
        p.press("back");
        QCOMPARE(p["lit"], std::string("yes"));
        p.turn(-1);
        QCOMPARE(p.focus(), std::string("d"));
        QCOMPARE(p["level"], std::string("5"));
        QVERIFY(p.isWhole());
    }

    void eachScreenRemembers() {
        Knob p(panelWithKnob("on key menu\n    go second\non only.tap\n    back\n"));
        p.turn(2);
        QCOMPARE(p.focus(), std::string("c"));
        p.press("menu");
        QCOMPARE(p.twin.screen(), 1);
        QCOMPARE(p.focus(), std::string("only"));
        QVERIFY(p.isWhole());
        p.press("enter");
        p.wait(10);
        QCOMPARE(p.twin.screen(), 0);
        QCOMPARE(p.focus(), std::string("c"));
        QVERIFY(p.isWhole());
    }

    void rulesKnowKeysAndTheKnob() {
        Knob p(
            panelWithKnob("on key light\n    lit = !lit\non knob\n    count = count + 1\n"
                          "on knob left while lit\n    count = count + 10\non knob right\n    count = count + 100\n"
                          "on key push\n    level = 7\n"));
        p.press("light");
        QCOMPARE(p["lit"], std::string("yes"));
        p.turn(1);
        QCOMPARE(p["count"], std::string("101"));
        p.turn(-1);
        QCOMPARE(p["count"], std::string("112"));
        p.press("push");
        QCOMPARE(p["level"], std::string("7"));
        // A key that the panel lacks, and a panel without keys.
        QVERIFY(!p.twin.key("other", true));
        for (const auto& [rule, words] : std::vector<std::pair<const char*, const char*>>{
                 {"on key other\n    count = 1\n", "the panel has no such key"},
                 {"on key\n    count = 1\n", "the panel has no such key"},
                 {"on knob sideways\n    count = 1\n", "does not belong here"}}) {
            SceneBuilder builder;
            QVERIFY2(tells(builder.build(panelWithKnob(rule))->problems, words), rule);
        }
        SceneBuilder builder;
        const Document none = withKeys(panelWithKnob("on knob\n    count = 1\n"), false, {});
        QVERIFY(tells(builder.build(none)->problems, "the panel has no knob"));
    }

    void keysWithoutAnythingToReach() {
        Document d = withPanelOf(makeDocument({"first", "second"}), PixelFormat::Page1, 0, 128, 64);
        d = withKeys(d, true, {});
        d = withRules(d, "main", "on knob right\n    go second\non knob left\n    go first\n");
        SceneBuilder builder;
        const BuiltSceneRef scene = builder.build(d);
        QVERIFY(!scene->scene.controls);
        // Without rules of them, and without touch, they do nothing.
        const auto isReported = [&](bool touch, const std::string& rules) {
            Panel panel = *d.panel;
            panel.touch = touch;
            const BuiltSceneRef built = builder.build(withRules(withPanel(d, panel), "main", rules));
            return std::count_if(built->problems.begin(), built->problems.end(), [](const Problem& each) {
                return each.reason == "the knob and the keys reach nothing on this screen";
            });
        };
        QCOMPARE(isReported(false, "on start\n    go first\n"), 2);
        QCOMPARE(isReported(true, "on start\n    go first\n"), 0);
        QCOMPARE(isReported(false, "on key push\n    go first\n"), 0);
        Twin twin(scene);
        twin.step(0);
        QVERIFY(twin.turn(1));
        twin.step(10);
        QCOMPARE(twin.screen(), 1);
        QVERIFY(twin.turn(-1));
        twin.step(20);
        QCOMPARE(twin.screen(), 0);
    }

    void theFocusShowsInEveryFormat_data() {
        QTest::addColumn<int>("format");
        for (const PixelFormat each : {PixelFormat::Page1, PixelFormat::Row1, PixelFormat::Grey4, PixelFormat::Rgb565})
            QTest::newRow(info(each).key) << static_cast<int>(each);
    }
    void theFocusShowsInEveryFormat() {
        QFETCH(int, format);
        Knob p(panelWithKnob({}, false, static_cast<PixelFormat>(format)));
        std::set<std::vector<uint8_t>> pictures;
        for (int i = 0; i < 5; ++i) {
            pictures.insert(p.twin.memory().bytes());
            p.turn(1);
        }
        p.press("push");
        pictures.insert(p.twin.memory().bytes());
        QCOMPARE(pictures.size(), size_t(6));
        QVERIFY(p.isWhole());
    }

    void whatIsMarkedIsTheTwoWidgets() {
        Knob p(panelWithKnob());
        (void)p.twin.takeFlushed();
        p.turn(1);
        long pixels = 0;
        for (const Flushed& each : p.twin.takeFlushed())
            pixels += long{each.w} * each.h;
        QCOMPARE(pixels, 2l * 40 * 20);
    }

    void aLookForTheFocus() {
        Document d = panelWithKnob();
        Look look;
        look.name = "key";
        look.style["fill"] = opaque(0x101010);
        look.states["focused"]["fill"] = opaque(0x00ff00);
        d = withLook(d, look);
        d = changeWidgets(d, "first", std::vector<std::string>{"a", "b"}, [](Widget& each) { each.look = "key"; });
        d = changeWidgets(d, "first", std::vector<std::string>{"a", "b"},
                          [](Widget& each) { each.properties.clear(); });
        Knob p(d);
        const auto fill = [&](uint16_t widget) {
            gorse_view view;
            gorse_see(p.twin.run(), widget, &view);
            return view.look->fill & 0xffffff;
        };
        QCOMPARE(fill(2), 0x00ff00u);
        QCOMPARE(fill(1), 0x101010u);
        p.turn(1);
        QCOMPARE(fill(2), 0x101010u);
        QCOMPARE(fill(1), 0x00ff00u);
    }

    void scriptsTurnAndPress() {
        SceneBuilder builder;
        Twin twin(builder.build(panelWithKnob("on c.tap\n    count = count + 1\n")));
        const auto steps = parseScript("turn 2\nkey push\nkey_down enter\nkey_up enter\nturn -1\n", "demo.script");
        QVERIFY(steps && steps->size() == 6);
        QVERIFY(runScript(twin, *steps, "demo.script", [](int) {}));
        QCOMPARE(twin.get("count"), std::string("2"));
        for (const auto& [script, words] :
             std::vector<std::pair<const char*, const char*>>{{"key other\n", "line 1: the panel has no such key"},
                                                              {"turn\n", "can't be read"},
                                                              {"turn x\n", "can't be read"}}) {
            const auto parsed = parseScript(script, "demo.script");
            const auto run = parsed ? runScript(twin, *parsed, "demo.script", [](int) {})
                                    : Result<void>(tl::unexpected(parsed.error()));
            QVERIFY2(!run && run.error().text().find(words) != std::string::npos, script);
        }
    }

    void editsKeepTheFocus() {
        SceneBuilder builder;
        Document d = panelWithKnob();
        Twin twin(builder.build(d));
        twin.step(0);
        QVERIFY(twin.turn(2));
        twin.step(10);
        d = removeWidgets(d, "first", std::vector<std::string>{"a"});
        twin.update(builder.build(d));
        twin.step(20);
        QVERIFY(twin.turn(1));
        twin.step(30);
        const auto& widgets = twin.scene().parts[0]->source->widgets;
        QCOMPARE(widgets[gorse_focus_of(twin.run())->widget]->name, std::string("d"));
    }

    void aPressEndsWithTheKeys() {
        SceneBuilder builder;
        Document d = withPanelOf(makeDocument(), PixelFormat::Rgb565, 0, 160, 120);
        d = addWidgets(withKeys(d, true, {"enter"}), "first", {key("a", 10, 10)});
        Twin twin(builder.build(d));
        twin.step(0);
        QVERIFY(twin.key("enter", true));
        twin.step(10);
        QCOMPARE(int{gorse_head_of(twin.run())->pressed}, 0);
        twin.update(builder.build(withKeys(d, false, {})));
        QCOMPARE(int{gorse_head_of(twin.run())->pressed}, int{GORSE_NONE});
        QVERIFY(twin.touch(20, 15, true));
        twin.step(20);
        QVERIFY(twin.touch(20, 15, false));
        twin.step(30);
        QCOMPARE(int{gorse_head_of(twin.run())->pressed}, int{GORSE_NONE});
    }

    void namesOfKeys() {
        Panel panel;
        QVERIFY(!hasKeys(panel) && keysOf(panel).empty());
        panel.keys = {"menu", "enter", "light"};
        panel.knob = true;
        QCOMPARE(keyNumber(panel, "enter").value_or(-1), int{GORSE_KEY_ENTER});
        QCOMPARE(keyNumber(panel, "push").value_or(-1), int{GORSE_KEY_PUSH});
        QCOMPARE(keyNumber(panel, "menu").value_or(-1), int{GORSE_KEY_OWN});
        QCOMPARE(keyNumber(panel, "light").value_or(-1), int{GORSE_KEY_OWN} + 1);
        QVERIFY(!keyNumber(panel, "up"));
        for (const auto& [keys, possible] :
             std::vector<std::pair<std::vector<std::string>, bool>>{{{"up", "menu"}, true},
                                                                    {{"up", "up"}, false},
                                                                    {{"push"}, false},
                                                                    {{"9"}, false},
                                                                    {{""}, false},
                                                                    {{"for"}, false}})
            QCOMPARE(!keysError(keys), possible);
        QVERIFY(keysError(std::vector<std::string>(65, "x")).has_value());
    }
};

GORSEFINCH_TEST(TestFocus, Nothing)
#include "tst_focus.moc"
