// SPDX-License-Identifier: GPL-3.0-or-later
// Properties that follow expressions: what they show, when they are computed, what is said of wrong ones, and that
// files, renames and edits carry them.
#include <QtTest>

#include "core/edits/replace_kind.h"
#include "core/sim/twin.h"
#include "runtime/gorse_internal.h"
#include "tests/support/built_scene.h"
#include "tests/support/projects.h"
#include "tests/support/test_case.h"

using namespace gorsefinch;
using namespace support;

namespace {

constexpr uint32_t kRed = 0xffff0000, kGreen = 0xff00ff00;

Widget followed(Widget widget, ExpressionMap expressions) {
    widget.expressions = std::move(expressions);
    return widget;
}

Document withWidgets(std::vector<Widget> widgets) {
    Document document = withPanelOf(makeDocument({"first", "second"}), PixelFormat::Argb8888, 0, 80, 40);
    document = withVariable(document, makeNumber("level", -20, 60, 5));
    document = withVariable(document, makeNumber("heat", 0, 9999, 200, 1));
    document = withVariable(document, makeYesNo("hot", false));
    document = withVariable(document, makeText("title", "Kiln"));
    return addWidgets(document, "first", std::move(widgets));
}

Widget box(const std::string& name, int x, ExpressionMap expressions) {
    return followed(makeWidget(name, Kind::Rectangle, x, 10, 4, 4, {{"fill", Colour{kRed}}}), std::move(expressions));
}

Widget bar(ExpressionMap expressions, PropertyMap properties = {}) {
    properties.insert({{"fill", Colour{kRed}}, {"colour", Colour{kGreen}}});
    return followed(makeWidget("bar", Kind::Progress, 0, 20, 40, 4, std::move(properties)), std::move(expressions));
}

uint32_t pixel(const Twin& twin, int x, int y) { return twin.memory().picture().at(x, y); }

int litColumns(const Twin& twin) {
    int columns = 0;
    while (columns < 40 && pixel(twin, columns, 21) == kGreen)
        ++columns;
    return columns;
}

void show(Twin& twin, const char* variable, const char* value) {
    QVERIFY(twin.set(variable, value));
    twin.step(twin.now() + 10);
}

// How often expressions were computed since the last call.
int computed(Twin& twin) {
    const auto trace = twin.takeTrace();
    return static_cast<int>(std::count_if(trace.begin(), trace.end(),
                                          [](const TraceEntry& each) { return each.what == GORSE_TRACE_FOLLOWED; }));
}

Document withExpression(const Document& document, const std::string& widget, const char* key, const char* text) {
    const auto next = setExpression(document, "first", Names{widget}, key, text);
    if (!next)
        qFatal("%s", next.error().text().c_str());
    return *next;
}

}  // namespace

class TestFollowed : public QObject {
    Q_OBJECT

    SceneBuilder builder_;

    BuiltSceneRef built(const Document& document) { return builtWithoutErrors(builder_, document); }

    std::vector<std::string> problemsOf(const Document& document) {
        std::vector<std::string> out;
        const BuiltSceneRef scene = builder_.build(document);
        for (const auto& each : scene->problems.list())
            out.push_back(each.text());
        return out;
    }

  private Q_SLOTS:
    void placeColourAndVisibility() {
        Twin twin(built(withWidgets({box("a", 0, {{"x", "level + 20"}, {"fill", "hot ? #00FF00 : #FF0000"}}),
                                     box("b", 70, {{"visible", "level > 10"}})})));
        twin.step(0);
        QCOMPARE(pixel(twin, 25, 12), kRed);
        QCOMPARE(pixel(twin, 24, 12), 0xff000000u);
        QCOMPARE(pixel(twin, 72, 12), 0xff000000u);
        show(twin, "level", "30");
        QCOMPARE(pixel(twin, 25, 12), 0xff000000u);
        QCOMPARE(pixel(twin, 50, 12), kRed);
        QCOMPARE(pixel(twin, 72, 12), kRed);
        show(twin, "hot", "yes");
        QCOMPARE(pixel(twin, 50, 12), kGreen);
    }

    void theFirstFrameAndRulesOfTheStartHaveIt() {
        Document document = withWidgets({box("a", 0, {{"x", "level * 4"}})});
        document = withRules(document, "main", "on start\n    level = a.x\n");
        Twin twin(built(document));
        twin.step(0);
        QCOMPARE(twin.get("level"), std::string("20"));
        QCOMPARE(pixel(twin, 60, 12), 0xff000000u);
        // The rule's value is followed too: 20 * 4 lies outside.
        QCOMPARE(gorse_slots(twin.run())[0], 80);
    }

    void valuesOfIndicators() {
        Twin twin(built(
            withWidgets({bar({{"value", "level * 2"}}, {{"min", std::string("0")}, {"max", std::string("40")}})})));
        twin.step(0);
        QCOMPARE(litColumns(twin), 10);
        twin.takeFlushed();
        show(twin, "level", "12");
        QCOMPARE(litColumns(twin), 24);
        // Only what the bar grew by is drawn.
        const auto flushed = twin.takeFlushed();
        QCOMPARE(flushed.size(), size_t{1});
        QCOMPARE(flushed[0].w, 14);
    }

    void valuesHaveTheDecimalsAndRangeOfTheExpression() {
        // 0.0 to 999.9 from the variable, so 10.0 to 1009.9.
        Twin twin(built(withWidgets({bar({{"value", "heat + 10"}})})));
        twin.step(0);
        QCOMPARE(litColumns(twin), 1);  // 20.0 of 999.9
        show(twin, "heat", "500");
        QCOMPARE(litColumns(twin), 20);
        Twin yes(built(withWidgets({bar({{"value", "hot && level > 0"}})})));
        yes.step(0);
        QCOMPARE(litColumns(yes), 0);
        show(yes, "hot", "yes");
        QCOMPARE(litColumns(yes), 40);
    }

    void onlyWhatChangedIsComputed() {
        Twin twin(built(withWidgets({box("a", 0, {{"x", "level"}, {"y", "heat > 20 ? 3 : level"}}),
                                     box("b", 30, {{"visible", "hot"}}), bar({{"value", "level + heat"}})})));
        twin.step(0);
        QCOMPARE(computed(twin), 4);
        twin.step(10);
        QCOMPARE(computed(twin), 0);
        show(twin, "hot", "yes");
        QCOMPARE(computed(twin), 1);
        show(twin, "title", "another");
        QCOMPARE(computed(twin), 0);
        show(twin, "heat", "100");
        QCOMPARE(computed(twin), 2);
        show(twin, "level", "7");
        QCOMPARE(computed(twin), 3);
        show(twin, "level", "7");
        QCOMPARE(computed(twin), 0);
    }

    void propertiesFollowProperties() {
        // In the file's order c comes first and has to be computed last.
        Document document =
            withWidgets({box("c", 0, {{"x", "b.x + 10"}}), box("b", 0, {{"x", "a.x + 10"}}), box("a", 3, {})});
        document = withRules(document, "main", "when hot\n    a.x = 30\notherwise\n    a.x = 3\n");
        Twin twin(built(document));
        twin.step(0);
        twin.step(10);
        QCOMPARE(pixel(twin, 23, 12), kRed);
        show(twin, "hot", "yes");
        twin.step(twin.now() + 10);
        for (const int x : {30, 40, 50})
            QCOMPARE(pixel(twin, x, 12), kRed);
        QCOMPARE(pixel(twin, 23, 12), 0xff000000u);
    }

    void rulesSeeWhatFollows() {
        Document document = withWidgets({box("a", 0, {{"x", "level * 2"}})});
        document = withRules(document, "main", "when a.x > 50\n    hot = yes\notherwise\n    hot = no\n");
        Twin twin(built(document));
        twin.step(0);
        QCOMPARE(twin.get("hot"), std::string("no"));
        show(twin, "level", "30");
        twin.step(twin.now());
        QCOMPARE(twin.get("hot"), std::string("yes"));
    }

    void whatWasWrittenLastHolds() {
        Document document = withWidgets({box("a", 0, {{"x", "level"}})});
        document = withRules(document, "main", "when hot\n    a.x = 50\n");
        Twin twin(built(document));
        twin.step(0);
        show(twin, "hot", "yes");
        twin.step(twin.now() + 10);
        QCOMPARE(pixel(twin, 50, 12), kRed);
        show(twin, "level", "20");
        QCOMPARE(pixel(twin, 20, 12), kRed);
        QCOMPARE(pixel(twin, 50, 12), 0xff000000u);
    }

    void textsOfWords() {
        Widget text = makeWidget("t", Kind::Text, 0, 0, 60, 14);
        text.expressions["text"] = "hot ? \"{level} hot\" : \"cold\"";
        Document document = withWidgets({text});
        document = addFace(document, "face.otf",
                           std::make_shared<const FileContents>(*readFile(
                               *std::make_unique<Disk>(), examplePath("kiln/fonts/B612-Regular.otf"), 1 << 22)),
                           nullptr);
        const BuiltSceneRef scene = built(document);
        Twin twin(scene);
        const auto shown = [&] {
            const gorse_widget& widget = scene->tables[0]->records[0].widget;
            return std::string(gorse_screen_memory(twin.run()) + widget.memory);
        };
        twin.step(0);
        QCOMPARE(shown(), std::string("cold"));
        show(twin, "hot", "yes");
        QCOMPARE(shown(), std::string("5 hot"));
        show(twin, "level", "17");
        QCOMPARE(shown(), std::string("17 hot"));
    }

    void otherScreensAreComputedToo() {
        Document document = withWidgets({});
        document = addWidgets(document, "second", {box("far", 0, {{"x", "level"}})});
        Twin twin(built(document));
        twin.step(0);
        show(twin, "level", "33");
        twin.go(1);
        twin.step(twin.now() + 10);
        QCOMPARE(pixel(twin, 33, 12), kRed);
    }

    void mistakesAreToldWithTheirPlace() {
        for (const auto& [key, text, told] : {std::tuple("x", "levle", "there is no variable \"levle\""),
                                              {"x", "hot", "it takes a number, this is yes or no"},
                                              {"x", "5000", "it goes from -4096 to 4096"},
                                              {"x", "level level", "column 7: this does not belong here"},
                                              {"x", "", "a value is missing here"},
                                              {"fill", "level", "it takes a colour, this is a number"},
                                              {"visible", "level", "it takes yes or no, this is a number"}}) {
            const auto problems = problemsOf(withWidgets({box("a", 0, {{key, text}})}));
            QCOMPARE(problems.size(), size_t{1});
            QVERIFY2(problems[0].find(told) != std::string::npos, problems[0].c_str());
            QVERIFY2(problems[0].find(std::string("a.") + key) != std::string::npos, problems[0].c_str());
        }
    }

    // The rest of the scene works; what follows the circle keeps its value as well.
    void circlesAreNamed() {
        Document document =
            withWidgets({box("a", 10, {{"x", "b.x"}}), box("b", 20, {{"x", "c.x"}}), box("c", 30, {{"x", "a.x"}}),
                         box("d", 40, {{"y", "a.x"}, {"x", "level"}}), box("e", 50, {{"w", "e.w"}})});
        const auto problems = problemsOf(document);
        QCOMPARE(problems.size(), size_t{4});
        for (size_t i = 0; i < 3; ++i)
            QVERIFY2(
                problems[i].find("it depends on itself: a.x follows b.x follows c.x follows a.x") != std::string::npos,
                problems[i].c_str());
        QVERIFY2(problems[3].find("e.w follows e.w") != std::string::npos, problems[3].c_str());
        Twin twin(builder_.build(document));
        twin.step(0);
        for (const int x : {5, 10, 20, 30, 50})
            QCOMPARE(pixel(twin, x, 12), kRed);
    }

    void liveEditsCarryOn() {
        Document document = withWidgets({box("a", 0, {{"x", "level"}}), box("b", 60, {})});
        Twin twin(built(document));
        twin.step(0);
        show(twin, "level", "30");
        document = withExpression(document, "a", "x", "level + 10");
        twin.update(built(document));
        QCOMPARE(pixel(twin, 40, 12), kRed);
        // A widget below it moves the numbers of those above.
        document = reorderWidgets(document, "first", Names{"a"}, Depth::ToTop);
        twin.update(built(document));
        show(twin, "level", "35");
        QCOMPARE(pixel(twin, 45, 12), kRed);
        document = clearProperty(document, "first", Names{"a"}, "x");
        twin.update(built(document));
        show(twin, "level", "10");
        QCOMPARE(pixel(twin, 0, 12), kRed);
    }

    void filesKeepThem() {
        Widget words = makeWidget("words", Kind::Text, 0, 0, 10, 10, {{"text", std::string("=")}});
        Widget sum = makeWidget("sum", Kind::Text, 0, 0, 10, 10, {{"text", std::string("= 5")}});
        Document document = withWidgets({box("a", 0, {{"x", "level + 1"}, {"fill", "hot ? #00FF00 : none"}}),
                                         bar({{"value", "level / 2"}}), words, sum});
        const ProjectFiles files = toFiles(document);
        QVERIFY(std::string(files.at("screens/first.json").text()).find("\"value\": \"= level / 2\"") !=
                std::string::npos);
        MemoryDisk disk;
        putProject(disk, files);
        const ReadProject read = ProjectFolder(disk, "/p").open();
        QVERIFY(read.problems.empty());
        const Screen& first = *read.document->screens[0];
        QCOMPARE(first.widgets[0]->expressions, document.screens[0]->widgets[0]->expressions);
        QCOMPARE(first.widgets[1]->expressions.at("value"), std::string("level / 2"));
        QVERIFY(first.widgets[1]->properties.count("value") == 0);
        for (const size_t i : {2u, 3u}) {
            QVERIFY(first.widgets[i]->expressions.empty());
            QCOMPARE(first.widgets[i]->properties, document.screens[0]->widgets[i]->properties);
        }
        QVERIFY(toFiles(*read.document) == files);
    }

    void aFileMayNotGiveOneWhereNoneIsTaken() {
        Document document = withWidgets({bar({{"origin", "level"}})});
        MemoryDisk disk;
        putProject(disk, toFiles(document));
        const ReadProject read = ProjectFolder(disk, "/p").open();
        QVERIFY(tells(read.problems, "it takes no expression"));
        QVERIFY(!setExpression(document, "first", Names{"bar"}, "origin", "level"));
        QVERIFY(!setExpression(document, "first", Names{"bar"}, "x", std::string(1001, '1')));
    }

    void renamesReachThem() {
        Document document =
            withWidgets({box("a", 0, {{"x", "level + b.x"}}), box("b", 9, {}), bar({{"value", "level"}})});
        document = *renameVariable(document, "level", "tank");
        document = *renameWidget(document, "first", "b", "base");
        QCOMPARE(document.screens[0]->widgets[0]->expressions.at("x"), std::string("tank + base.x"));
        QCOMPARE(document.screens[0]->widgets[2]->expressions.at("value"), std::string("tank"));
        // A second widget of that name makes the short form unclear.
        document = addWidgets(document, "second", {box("base", 0, {})});
        QCOMPARE(document.screens[0]->widgets[0]->expressions.at("x"), std::string("tank + first.base.x"));
        built(document);
    }

    void editsReplaceThem() {
        Document document = withWidgets({bar({{"value", "level"}, {"x", "level"}})});
        document = *gorsefinch::setProperty(document, "first", Names{"bar"}, "x", int64_t{7});
        QCOMPARE(document.screens[0]->widgets[0]->expressions, (ExpressionMap{{"value", "level"}}));
        document = withExpression(document, "bar", "fill", "hot ? #000000 : #FFFFFF");
        QVERIFY(document.screens[0]->widgets[0]->properties.count("fill") == 0);
        document = replaceKind(document, "first", Names{"bar"}, Kind::Ring);
        QCOMPARE(document.screens[0]->widgets[0]->expressions.at("value"), std::string("level"));
        document = replaceKind(document, "first", Names{"bar"}, Kind::Rectangle);
        QCOMPARE(document.screens[0]->widgets[0]->expressions.size(), size_t{1});
    }

    // A chain as long as a project can have one, whose first property follows its last.
    void aLongChainIsFollowed() {
        constexpr int kScreens = 36, kEach = 250;
        std::vector<std::string> names;
        for (int i = 0; i < kScreens; ++i)
            names.push_back("s" + std::to_string(i));
        Document document = withVariable(makeDocument(names), makeNumber("level", -20, 60, 5));
        for (int i = 0; i < kScreens; ++i) {
            std::vector<Widget> widgets;
            for (int k = 0; k < kEach; ++k) {
                const int next = i * kEach + k + 1;
                const bool isLast = next == kScreens * kEach;
                const std::string from =
                    "s" + std::to_string(next / kEach) + ".w" + std::to_string(next % kEach) + ".x";
                widgets.push_back(box("w" + std::to_string(k), 0, {{"x", isLast ? "level" : from}}));
            }
            document = addWidgets(document, names[static_cast<size_t>(i)], std::move(widgets));
        }
        SceneBuilder builder;
        const BuiltSceneRef scene = builder.build(document);
        QVERIFY(!hasErrors(scene->problems));
        QCOMPARE(scene->rules->follows.size(), size_t{kScreens} * kEach);
        // What is followed comes first.
        QCOMPARE(int{scene->rules->follows.front().slot}, kScreens * kEach - 1);
        QCOMPARE(int{scene->rules->follows.back().slot}, 0);
    }
};

GORSEFINCH_TEST(TestFollowed, Nothing)
#include "tst_followed.moc"
