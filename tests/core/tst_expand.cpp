// SPDX-License-Identifier: GPL-3.0-or-later
// Backing screens and series: the interface is that of the same screens made by hand, byte for byte.
#include <QtTest>

#include "core/check/fixes.h"
#include "core/check/project_check.h"
#include "core/emit/generate.h"
#include "core/project/project_text.h"
#include "core/emit/costs.h"
#include "core/rules/series_text.h"
#include "core/scene/expand.h"
#include "core/sim/draw_screen.h"
#include "tests/support/built_scene.h"
#include "tests/support/kiln_face.h"
#include "tests/support/operated.h"
#include "tests/support/projects.h"
#include "tests/support/same_by_hand.h"
#include "tests/support/test_case.h"

using namespace gorsefinch;
using namespace support;

namespace {

using Names = std::vector<std::string>;

Document withScreenOf(const Document& document, const std::string& name, const std::function<void(Screen&)>& change) {
    Screen screen = *document.screen(name);
    change(screen);
    return withScreen(document, document.screenIndex(name), std::move(screen));
}

Document backedBy(const Document& document, const std::string& screen, Names below, Names above = {}) {
    return withScreenOf(document, screen, [&](Screen& to) {
        to.below = std::move(below);
        to.above = std::move(above);
    });
}

Widget follows(Widget widget, const std::string& key, const std::string& expression) {
    widget.expressions[key] = expression;
    return widget;
}

Widget inSeries(Widget widget, int columns, int rows, int x, int y) {
    widget.seriesColumns = columns;
    widget.seriesRows = rows;
    widget.seriesX = x;
    widget.seriesY = y;
    return widget;
}

Widget label(const std::string& name, int x, int y, const std::string& text) {
    return makeWidget(name, Kind::Text, x, y, 70, 18, {{"text", text}});
}

Document project(const Names& screens) {
    Document d = withKilnFace(withPanelOf(makeDocument(screens), PixelFormat::Rgb565, 0, 240, 160));
    d = withVariable(d, makeNumber("level", 0, 100, 10));
    d = withVariable(d, makeNumber("count", 0, 1000, 0));
    return withVariable(d, arrayOf(makeYesNo("zone", false), 8));
}

Widget bar() { return makeWidget("ground", Kind::Rectangle, 0, 0, 240, 24, {{"fill", opaque(0x203040)}}); }
Widget menu() { return makeWidget("menu", Kind::Button, 180, 2, 56, 20, {{"text", std::string("Menu")}}); }

// Two screens with a bar on top, which leads to the second one and counts.
Document withBar() {
    Document d = project({"one", "two", "bar"});
    d = addWidgets(d, "bar",
                   {bar(), label("title", 4, 2, "Level {level}"), menu(),
                    follows(makeWidget("mark", Kind::Rectangle, 4, 20, 10, 2, {{"fill", opaque(0xff0000)}}), "w",
                            "title.x * 4 + level")});
    for (const char* each : {"one", "two"}) {
        d = addWidgets(d, each, {label("own", 4, 60, each)});
        d = backedBy(d, each, {}, {"bar"});
    }
    return withRules(d, "main",
                     "on bar.menu.tap\n    count = count + 1\n    bar.title.x = bar.title.x + 6\n    go two\n\n"
                     "when count == 2\n    bar.mark.fill = #00FF00\n    hide menu\n");
}

// The same without a backing screen.
Document withBarByHand() {
    Document d = project({"one", "two", "bar"});
    for (const char* each : {"one", "two"}) {
        const std::string on = each;
        d = addWidgets(d, on,
                       {label("own", 4, 60, on), bar(), label("title", 4, 2, "Level {level}"), menu(),
                        follows(makeWidget("mark", Kind::Rectangle, 4, 20, 10, 2, {{"fill", opaque(0xff0000)}}), "w",
                                on + ".title.x * 4 + level")});
    }
    std::string rules;
    for (const char* each : {"one", "two"})
        rules += "on " + std::string(each) +
                 ".menu.tap\n    count = count + 1\n    one.title.x = one.title.x + 6\n"
                 "    two.title.x = two.title.x + 6\n    go two\n\n";
    return withRules(d, "main",
                     rules +
                         "when count == 2\n    one.mark.fill = #00FF00\n    two.mark.fill = #00FF00\n"
                         "    hide one.menu\n    hide two.menu\n");
}

// Six lamps in two rows that are touched, each with its text, and a group of two widgets four times in a row.
Document withSeries() {
    Document d = project({"one"});
    d = addWidgets(d, "one",
                   {inSeries(makeWidget("lamp", Kind::Button, 4, 4, 50, 24,
                                        {{"text", std::string("Zone {series + 1} {zone[series]}")}}),
                             3, 2, 60, 30),
                    inSeries(makeWidget("cell", Kind::Group, 4, 80, 40, 50), 4, 1, 48, 0)});
    d = addWidgets(d, "one",
                   {follows(makeWidget("fill", Kind::Rectangle, 0, 0, 30, 10, {{"fill", opaque(0x00ffff)}}), "w",
                            "10 + series * 4 + level"),
                    follows(makeWidget("edge", Kind::Rectangle, 0, 14, 30, 4, {{"fill", opaque(0x00ffff)}}), "w",
                            "one.fill.w + 2"),
                    label("number", 0, 24, "{series}")},
                   nullptr, "cell");
    return withRules(d, "main",
                     "on lamp.tap\n    zone[series] = !zone[series]\n    lamp.fill = #FF8000\n    count = series * 10\n"
                     "    fill.fill = #FFFFFF\n\n"
                     "when level > 50\n    edge.fill = #0000FF\n    number.text = \"no {series}\"\n");
}

Document withSeriesByHand() {
    Document d = project({"one"});
    std::string rules, high = "when level > 50\n";
    for (int i = 0; i < 6; ++i) {
        const std::string n = std::to_string(i), name = "lamp" + n;
        d = addWidgets(d, "one",
                       {makeWidget(name, Kind::Button, 4 + i % 3 * 60, 4 + i / 3 * 30, 50, 24,
                                   {{"text", "Zone " + std::to_string(i + 1) + " {zone[" + n + "]}"}})});
        rules += "on " + name + ".tap\n    zone[" + n + "] = !zone[" + n + "]\n    " + name + ".fill = #FF8000\n" +
                 "    count = " + std::to_string(i * 10) + "\n" +
                 (i < 4 ? "    fill" + n + ".fill = #FFFFFF\n" : std::string("    fill0.fill = fill0.fill\n")) + "\n";
    }
    for (int i = 0; i < 4; ++i) {
        const std::string n = std::to_string(i);
        d = addWidgets(d, "one", {makeWidget("cell" + n, Kind::Group, 4 + i * 48, 80, 40, 50)});
        d = addWidgets(d, "one",
                       {follows(makeWidget("fill" + n, Kind::Rectangle, 0, 0, 30, 10, {{"fill", opaque(0x00ffff)}}),
                                "w", std::to_string(10 + i * 4) + " + level"),
                        follows(makeWidget("edge" + n, Kind::Rectangle, 0, 14, 30, 4, {{"fill", opaque(0x00ffff)}}),
                                "w", "one.fill" + n + ".w + 2"),
                        label("number" + n, 0, 24, n)},
                       nullptr, "cell" + n);
        high += "    edge" + n + ".fill = #0000FF\n    number" + n + ".text = \"no " + n + "\"\n";
    }
    return withRules(d, "main", rules + high);
}

}  // namespace

class TestExpand : public QObject {
    Q_OBJECT

  private Q_SLOTS:
    void aBackingScreenIsTheSameByHand() {
        const auto tapMenu = [](Hand& hand) { hand.tap(200, 10); };
        const auto raise = [](Hand& hand) {
            QVERIFY(hand.twin.set("level", "60"));
            hand.step(20);
        };
        const auto back = [](Hand& hand) {
            hand.twin.go(0);
            hand.step(20);
        };
        compareByHand(withBar(), withBarByHand(), {raise, tapMenu, back, tapMenu, back});
    }

    void backingScreensLieBelowAndAbove() {
        Document d = project({"one", "low", "high"});
        d = addWidgets(d, "low", {makeWidget("a", Kind::Rectangle, 0, 0, 100, 100, {{"fill", opaque(0xff0000)}})});
        d = addWidgets(d, "one", {makeWidget("b", Kind::Rectangle, 20, 20, 100, 100, {{"fill", opaque(0x00ff00)}})});
        d = addWidgets(d, "high", {makeWidget("c", Kind::Rectangle, 40, 40, 100, 100, {{"fill", opaque(0x0000ff)}})});
        d = backedBy(d, "one", {"low"}, {"high"});
        Document byHand = project({"one"});
        for (const auto& [screen, name] : {std::pair("low", "a"), std::pair("one", "b"), std::pair("high", "c")})
            byHand = addWidgets(byHand, "one", {*d.screen(screen)->widgets[0]});
        SceneBuilder builder, other;
        QVERIFY(shownBytes(builder, d) == shownBytes(other, byHand));
        const Screen& expanded = *builder.build(d)->document.screens[0];
        QCOMPARE(expanded.widgets[0]->name, std::string("low__a"));
        QCOMPARE(expanded.widgets[1]->name, std::string("b"));
        QCOMPARE(expanded.widgets[2]->name, std::string("high__c"));
    }

    void aSeriesIsTheSameByHand() {
        std::vector<std::function<void(Hand&)>> steps;
        for (int i = 0; i < 6; ++i)
            steps.push_back([i](Hand& hand) { hand.tap(20 + i % 3 * 60, 14 + i / 3 * 30); });
        steps.push_back([](Hand& hand) {
            QVERIFY(hand.twin.set("level", "60"));
            hand.step(20);
        });
        compareByHand(withSeries(), withSeriesByHand(), steps);
    }

    void aSeriesFlows() {
        Document d = project({"one"}), byHand = d;
        const auto row =
            makeWidget("row", Kind::Group, 4, 4, 200, 40, {{"flow", std::string("row")}, {"gap", int64_t{4}}});
        const auto box = [](const std::string& name) {
            return makeWidget(name, Kind::Rectangle, 0, 0, 20, 20, {{"fill", opaque(0xffffff)}});
        };
        d = addWidgets(d, "one", {row});
        d = addWidgets(d, "one", {inSeries(box("box"), 3, 1, 99, 99), box("last")}, nullptr, "row");
        byHand = addWidgets(byHand, "one", {row});
        byHand = addWidgets(byHand, "one", {box("a"), box("b"), box("c"), box("last")}, nullptr, "row");
        const std::string rules = "when level > 50\n    hide ";
        d = withRules(d, "main", rules + "box\n");
        byHand = withRules(byHand, "main", rules + "a\n    hide b\n    hide c\n");
        compareByHand(d, byHand, {[](Hand& hand) {
                          QVERIFY(hand.twin.set("level", "60"));
                          hand.step(20);
                      }});
    }

    void aBackingScreenHasSeries() {
        Document d = project({"one", "two", "bar"});
        d = addWidgets(d, "bar",
                       {inSeries(makeWidget("tab", Kind::Button, 4, 4, 40, 30, {{"text", std::string("T{series}")}}), 3,
                                 1, 50, 0)});
        d = backedBy(backedBy(d, "one", {"bar"}), "two", {"bar"});
        d = withRules(d, "main", "on bar.tab.tap\n    count = series + 1\n    tab.text = \"on\"\n    go two\n");
        Hand hand(d);
        hand.tap(4 + 2 * 50 + 5, 10);
        QCOMPARE(hand["count"], std::string("3"));
        QCOMPARE(hand.twin.screen(), 1);
        hand.tap(4 + 50 + 5, 10);
        QCOMPARE(hand["count"], std::string("2"));
        const auto bytes = hand.bytes();
        hand.twin.go(0);
        hand.step(20);
        QVERIFY2(hand.bytes() == bytes, "the bar is the same on both");
    }

    void textsOfASeriesAreCounted() {
        QCOMPARE(textInSeries("Zone {series + 1} of {{3}} {level:0.1}", 4), std::string("Zone 5 of {{3}} {level:0.1}"));
        QCOMPARE(textInSeries("{series*10-3}{zone[series]}", 2), std::string("17{zone[2]}"));
        QCOMPARE(textInSeries("plain {5}", 2), std::string("plain {5}"));
        QCOMPARE(textInSeries("{series * 2147483647}", 9), std::string("{9 * 2147483647}"));
        QCOMPARE(expressionInSeries("level > series * 10", 7), std::string("level > 7 * 10"));
        QCOMPARE(expressionInSeries("series.x + 1", 7), std::string("series.x + 1"));
    }

    void whatIsPlainStaysTheSame() {
        const Document d = openExample("enlarger");
        Expander expander;
        const Expanded expanded = expander.expand(d);
        QVERIFY(expanded.document.screens == d.screens);
        QVERIFY(expanded.problems.empty());
        // And what was expanded before is not expanded again.
        const Document series = withSeries();
        const auto first = expander.expand(series).document.screens, second = expander.expand(series).document.screens;
        QVERIFY(first == second);
        QVERIFY(first != series.screens);
        QVERIFY(expander.expand(withVariable(series, makeNumber("more", 0, 1, 0))).document.screens == first);
    }

    void filesKeepThem() {
        for (const Document& d : {withBar(), withSeries()}) {
            const ReadProject read = readFiles(toFiles(d));
            QVERIFY(read.document && read.problems.empty());
            QVERIFY(toFiles(*read.document) == toFiles(d));
            SceneBuilder one, two;
            QVERIFY(shownBytes(one, d) == shownBytes(two, *read.document));
        }
        const Document series = withSeries();
        const Widget& cell = *readFiles(toFiles(series)).document->screens[0]->widgets[1];
        QCOMPARE(cell.seriesColumns, 4);
        QCOMPARE(cell.seriesX, 48);
    }

    void hostileListsAreRefused() {
        ProjectFiles files = toFiles(withBar());
        std::string text(files.at("screens/one.json").text());
        const auto at = text.find("\"bar\"");
        QVERIFY(at != std::string::npos);
        text.replace(at, 5, "\"bar\", \"one\", \"../x\", 7, \"bar\", \"gone\"");
        files["screens/one.json"] = SharedBytes(std::move(text));
        const ReadProject read = readFiles(files);
        QVERIFY(read.document);
        QCOMPARE(read.document->screens[0]->above, (Names{"bar", "gone"}));
        QCOMPARE(read.problems.size(), size_t{3});
        SceneBuilder builder;
        QVERIFY(tells(builder.build(*read.document)->problems, "a screen \"gone\", which the project lacks"));
    }

    void renamesAndDeletesFollow() {
        Document d = withBar();
        d = *renameScreen(d, "bar", "header");
        QCOMPARE(d.screens[0]->above, Names{"header"});
        SceneBuilder builder;
        (void)builtWithoutErrors(builder, d);
        d = *renameWidget(d, "header", "menu", "go_on");
        (void)builtWithoutErrors(builder, d);
        Hand hand(d);
        hand.tap(200, 10);
        QCOMPARE(hand["count"], std::string("1"));
        d = removeScreen(d, d.screenIndex("header"));
        QVERIFY(d.screens[0]->above.empty() && d.screens[1]->above.empty());
    }

    void problemsAreToldOnce() {
        Document d = withBar();
        d = addWidgets(d, "bar",
                       {makeWidget("lost", Kind::Image, 0, 100, 10, 10, {{"image", std::string("none")}}),
                        follows(label("odd", 0, 120, "a"), "x", "nowhere + 1")});
        SceneBuilder builder;
        const BuiltSceneRef scene = builder.build(d);
        int lost = 0, odd = 0;
        for (const Problem& each : scene->problems) {
            lost += each.widget == "lost" && each.screen == "bar";
            odd += each.widget == "odd" && each.screen == "bar";
            QVERIFY2(each.widget.find("__") == std::string::npos, each.text().c_str());
        }
        QCOMPARE(lost, 1);
        QCOMPARE(odd, 1);
    }

    void backingScreensAreCheckedWhereTheyShow() {
        // Dark on the black of the bar itself, readable on the screens that it is for.
        Document d =
            withScreenOf(project({"one", "two", "bar"}), "one", [](Screen& to) { to.background = opaque(0xffffff); });
        d = withScreenOf(d, "two", [](Screen& to) { to.background = opaque(0xffffff); });
        Widget title = label("title", 4, 2, "Ready");
        title.properties["colour"] = opaque(0x101010);
        d = addWidgets(d, "bar", {title});
        d = backedBy(backedBy(d, "one", {}, {"bar"}), "two", {}, {"bar"});
        d = withRules(d, "main", "on one.swipe left\n    go two\n\non two.swipe left\n    go one\n");
        const auto contrasts = [](const Document& document) {
            Problems out;
            for (const Problem& each : checkProject(SceneBuilder().build(document)))
                if (each.widget == "title")
                    out.push_back(each);
            return out;
        };
        QVERIFY(contrasts(d).empty());
        for (const char* each : {"one", "two"})
            d = withScreenOf(d, each, [](Screen& to) { to.background = opaque(0x202020); });
        const Problems found = contrasts(d);
        QCOMPARE(found.size(), size_t{1});
        QCOMPARE(found[0].screen, std::string("bar"));
    }

    void nothingHasToLeadToABackingScreen() {
        const auto tellsOfBar = [](const Document& d) {
            const SharedProblems found = checkProject(SceneBuilder().build(d));
            return std::any_of(found.begin(), found.end(),
                               [](const Problem& each) { return each.screen == "bar" && each.widget.empty(); });
        };
        QVERIFY(!tellsOfBar(withBar()));
        QVERIFY(tellsOfBar(backedBy(backedBy(withBar(), "one", {}), "two", {})));
    }

    void tooManyAreRefused() {
        Document d = project({"one"});
        d = addWidgets(d, "one", {inSeries(label("a", 0, 0, "x"), 100, 100, 1, 1)});
        SceneBuilder builder;
        const BuiltSceneRef scene = builder.build(d);
        QVERIFY(tells(scene->problems, "more than 2000 widgets"));
        QVERIFY(scene->document.screens[0]->widgets.empty());
        Widget outer = makeWidget("outer", Kind::Group, 0, 0, 50, 50);
        d = addWidgets(project({"one"}), "one", {inSeries(outer, 2, 1, 60, 0)});
        d = addWidgets(d, "one", {inSeries(label("inner", 0, 0, "x"), 2, 1, 60, 0)}, nullptr, "outer");
        QVERIFY(tells(builder.build(d)->problems, "a series inside the series outer"));
    }

    // Small files that would become very large.
    void whatIsRepeatedIsBounded() {
        Names screens{"bar"};
        for (int i = 0; i < 60; ++i)
            screens.push_back("s" + std::to_string(i));
        Document d = project(screens);
        d = addWidgets(d, "bar", {inSeries(menu(), 100, 10, 1, 1)});
        for (int i = 0; i < 60; ++i)
            d = backedBy(d, "s" + std::to_string(i), {"bar"});
        Expander expander;
        const Expanded expanded = expander.expand(d);
        QVERIFY(tells(expanded.problems, "more than 50000 widgets"));
        QVERIFY(expanded.document.screens.back()->widgets.empty());
        QCOMPARE(expanded.document.screens[1]->widgets.size(), size_t{1000});
        const ProjectNames names(expanded.document);
        QVERIFY(tells(compileRules(names, {{"main", "when level > 1\n    hide bar.menu\n"}}).problems,
                      "more than 20000 copies of widgets"));
        // Events of more widgets than there can be rules.
        QVERIFY(tells(compileRules(names, {{"main", "on bar.menu.tap\n    count = 1\n"}}).problems,
                      "more than 2000 rules"));
    }

    // The records of twenty uses are written once.
    void copiesShareTheirRecords() {
        const auto flash = [](const Document& d) {
            SceneBuilder builder;
            const BuiltSceneRef built = builder.build(d);
            const GeneratedCode code = generateCode(*built);
            for (const Problem& each : code.problems)
                if (each.severity == Severity::Error)
                    qFatal("%s", each.text().c_str());
            long records = 0;
            const std::string& scene = code.files.at("demo_scene.c");
            for (size_t at = 0; (at = scene.find("gorse_widget_text demo_", at)) != std::string::npos; ++at)
                ++records;
            return std::pair(costsOf(*built).total().flash, records);
        };
        Names screens;
        for (int i = 0; i < 20; ++i)
            screens.push_back("s" + std::to_string(i));
        screens.push_back("bar");
        Document d = project(screens);
        std::vector<Widget> labels;
        for (int i = 0; i < 6; ++i)
            labels.push_back(label("l" + std::to_string(i), 4, 4 + 20 * i, "Text " + std::to_string(i)));
        d = addWidgets(d, "bar", labels);
        const auto none = flash(d);
        for (int i = 0; i < 20; ++i)
            d = backedBy(d, "s" + std::to_string(i), {"bar"});
        const auto shared = flash(d);
        QCOMPARE(none.second, 6L);
        QCOMPARE(shared.second, 6L);
        // A pointer for each of the six on each of the twenty.
        QCOMPARE(shared.first - none.first, 20L * 6 * 4);
    }
};

GORSEFINCH_TEST(TestExpand, Nothing)
#include "tst_expand.moc"
