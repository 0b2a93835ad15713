// SPDX-License-Identifier: GPL-3.0-or-later
// Rows, columns and anchors: the boxes that the document says, and those that the interface shows when something hides
// or changes its size.
#include <QtTest>
#include <random>

#include "core/document/arrange.h"
#include "core/document/widget_tree.h"
#include "core/kinds/edges.h"
#include "core/sim/twin.h"
#include "tests/support/built_scene.h"
#include "tests/support/projects.h"
#include "tests/support/test_case.h"

using namespace gorsefinch;
using namespace support;

namespace {

using Boxes = std::map<std::string, std::vector<int>>;

Boxes boxesOf(const Document& document) {
    Boxes out;
    for (const WidgetRef& each : document.screens[0]->widgets)
        out[each->name] = {each->x, each->y, each->w, each->h};
    return out;
}

// A group of widgets of these sizes, named a, b, c.
Document groupOf(const PropertyMap& properties, const std::vector<std::pair<int, int>>& sizes, int w = 100,
                 int h = 40) {
    Document d = withPanelOf(makeDocument({"first"}), PixelFormat::Rgb565, 0, 240, 120);
    d = addWidgets(d, "first", {makeWidget("group", Kind::Group, 10, 10, w, h, properties)});
    for (size_t i = 0; i < sizes.size(); ++i)
        d = addWidgets(d, "first",
                       {makeWidget(std::string(1, static_cast<char>('a' + i)), Kind::Rectangle, 3, 4, sizes[i].first,
                                   sizes[i].second)},
                       nullptr, "group");
    return d;
}

Document with(const Document& document, const std::string& widget, const char* key, const PropertyValue& value) {
    const auto next = setProperty(document, "first", std::vector<std::string>{widget}, key, value);
    if (!next)
        qFatal("%s", next.error().text().c_str());
    return *next;
}

// A property as the interface has it now.
int shown(Twin& twin, const std::string& widget, const char* key) {
    const Screen& screen = *twin.scene().document.screens[0];
    const int number = widgetIndex(screen, widget);
    const Widget& each = *screen.widgets[static_cast<size_t>(number)];
    if (const auto value = slotValue(twin, 0, number, *findProperty(each.kind, key)))
        return static_cast<int>(std::get<int64_t>(*value));
    return static_cast<int>(std::get<int64_t>(*ownValue(each, *findProperty(each.kind, key))));
}

}  // namespace

class TestArrange : public QObject {
    Q_OBJECT

    static void compareBoxes(const Document& document, const Boxes& expected) {
        const Boxes boxes = boxesOf(document);
        for (const auto& [name, box] : expected)
            QVERIFY2(boxes.at(name) == box, qPrintable(QString("%1: %2 %3 %4 %5")
                                                           .arg(name.c_str())
                                                           .arg(boxes.at(name)[0])
                                                           .arg(boxes.at(name)[1])
                                                           .arg(boxes.at(name)[2])
                                                           .arg(boxes.at(name)[3])));
    }

    // Random properties for random widgets of three containers, one in another.
    static Document randomDocument(std::mt19937& random, bool flows) {
        const auto upTo = [&](int n) { return static_cast<int>(random() % static_cast<unsigned>(n)); };
        Document d = withPanelOf(makeDocument({"first"}), PixelFormat::Rgb565, 0, 240, 120);
        int number = 0;
        std::string into;
        for (int level = 0; level < 3; ++level) {
            Widget group =
                makeWidget("g" + std::to_string(level), Kind::Group, upTo(20), upTo(20), 60 + upTo(120), 40 + upTo(60));
            if (flows && upTo(4) != 0) {
                group.properties["flow"] = std::string(upTo(2) != 0 ? "row" : "column");
                group.properties["gap"] = int64_t{upTo(6)};
                group.properties["wrap"] = upTo(2) != 0;
            }
            group.anchors = edgesInWords(static_cast<unsigned>(upTo(16)));
            std::vector<Widget> widgets;
            for (int i = upTo(5); i >= 0; --i) {
                widgets.push_back(makeWidget("w" + std::to_string(number++), Kind::Rectangle, upTo(30), upTo(30),
                                             4 + upTo(40), 4 + upTo(30)));
                widgets.back().anchors = edgesInWords(static_cast<unsigned>(upTo(16)));
                widgets.back().visible = upTo(5) != 0;
            }
            d = addWidgets(d, "first", {group}, nullptr, into);
            d = addWidgets(d, "first", widgets, nullptr, group.name);
            into = group.name;
        }
        return d;
    }

    static void compareShown(Twin& twin, const Document& expected, int seed) {
        const auto& widgets = expected.screens[0]->widgets;
        for (size_t i = 0; i < widgets.size(); ++i) {
            if (!widgets[i]->visible)
                continue;
            for (const PropertyInfo& property : placeProperties().first(4))
                if (const int is = shown(twin, widgets[i]->name, property.key), wanted = (*widgets[i]).*property.number;
                    is != wanted)
                    QFAIL(qPrintable(QString("seed %1: %2.%3 is %4, not %5")
                                         .arg(seed)
                                         .arg(widgets[i]->name.c_str(), property.key)
                                         .arg(is)
                                         .arg(wanted)));
        }
    }

  private Q_SLOTS:
    void rowsAndColumns() {
        const std::vector<std::pair<int, int>> sizes{{20, 10}, {30, 20}, {40, 12}};
        compareBoxes(groupOf({{"flow", std::string("row")}, {"gap", int64_t{4}}}, sizes),
                     {{"a", {0, 0, 20, 10}}, {"b", {24, 0, 30, 20}}, {"c", {58, 0, 40, 12}}});
        compareBoxes(groupOf({{"flow", std::string("column")}, {"gap", int64_t{4}}}, sizes),
                     {{"a", {0, 0, 20, 10}}, {"b", {0, 14, 30, 20}}, {"c", {0, 38, 40, 12}}});
        compareBoxes(groupOf({{"flow", std::string("row")}, {"gap", int64_t{6}}, {"wrap", true}}, sizes),
                     {{"a", {0, 0, 20, 10}}, {"b", {26, 0, 30, 20}}, {"c", {0, 26, 40, 12}}});
        compareBoxes(groupOf({{"flow", std::string("none")}}, sizes), {{"b", {3, 4, 30, 20}}});
    }

    void whatIsHiddenLeavesItsPlace() {
        Document d = groupOf({{"flow", std::string("row")}, {"gap", int64_t{4}}}, {{20, 10}, {30, 20}, {40, 12}});
        d = with(d, "b", "visible", false);
        compareBoxes(d, {{"a", {0, 0, 20, 10}}, {"c", {24, 0, 40, 12}}});
        d = with(d, "b", "visible", true);
        compareBoxes(d, {{"c", {58, 0, 40, 12}}});
        d = with(d, "a", "w", int64_t{33});
        compareBoxes(d, {{"b", {37, 0, 30, 20}}, {"c", {71, 0, 40, 12}}});
        d = removeWidgets(d, "first", std::vector<std::string>{"a"});
        compareBoxes(d, {{"b", {0, 0, 30, 20}}, {"c", {34, 0, 40, 12}}});
        d = reorderWidgets(d, "first", std::vector<std::string>{"c"}, Depth::ToBottom);
        compareBoxes(d, {{"b", {44, 0, 30, 20}}, {"c", {0, 0, 40, 12}}});
    }

    void anchorsInAFlow() {
        Document d = groupOf({{"flow", std::string("row")}, {"gap", int64_t{4}}}, {{20, 10}, {30, 20}, {40, 12}});
        d = with(d, "a", "anchors", std::string("left bottom"));
        d = with(d, "c", "anchors", std::string("top bottom"));
        compareBoxes(d, {{"a", {0, 30, 20, 10}}, {"b", {24, 0, 30, 20}}, {"c", {58, 0, 40, 40}}});
        d = with(d, "a", "anchors", std::string("left"));
        compareBoxes(d, {{"a", {0, 15, 20, 10}}});
        // One that keeps its distance from both sides takes what the others leave, two share it.
        d = with(d, "b", "anchors", std::string("left top right"));
        compareBoxes(d, {{"b", {24, 0, 32, 20}}, {"c", {60, 0, 40, 40}}});
        d = with(d, "a", "anchors", std::string("left top right"));
        compareBoxes(d, {{"a", {0, 0, 26, 10}}, {"b", {30, 0, 26, 20}}, {"c", {60, 0, 40, 40}}});
        d = with(d, "group", "w", int64_t{140});
        compareBoxes(d, {{"a", {0, 0, 46, 10}}, {"b", {50, 0, 46, 20}}, {"c", {100, 0, 40, 40}}});
    }

    void anchorsOfAGroupAndOfThePanel() {
        Document d = groupOf({}, {{20, 10}, {30, 20}, {40, 12}, {8, 8}});
        d = with(d, "a", "anchors", std::string("right bottom"));
        d = with(d, "b", "anchors", std::string("left top right bottom"));
        d = with(d, "d", "anchors", std::string(kNoEdges));
        const Document before = d;
        for (int w = 101; w <= 160; ++w)
            d = with(d, "group", "w", int64_t{w});
        d = with(d, "group", "h", int64_t{61});
        compareBoxes(d, {{"a", {63, 25, 20, 10}}, {"b", {3, 4, 90, 41}}, {"c", {3, 4, 40, 12}}, {"d", {33, 14, 8, 8}}});
        d = with(with(d, "group", "w", int64_t{100}), "group", "h", int64_t{40});
        QVERIFY(boxesOf(d) == boxesOf(before));
        // The panel's edges move the group, which stretches with them.
        d = with(d, "group", "anchors", std::string("left right"));
        Panel panel = *d.panel;
        panel.width += 20;
        d = withPanel(d, panel);
        compareBoxes(d, {{"group", {10, 10, 120, 40}}, {"a", {23, 4, 20, 10}}, {"b", {3, 4, 50, 20}}});
    }

    void filesKeepThem() {
        Document d = groupOf({{"flow", std::string("row")}, {"gap", int64_t{4}}}, {{20, 10}, {30, 20}});
        d = with(d, "a", "anchors", std::string(kNoEdges));
        auto files = toFiles(d);
        const ReadProject read = readFiles(files);
        QVERIFY(read.problems.empty());
        QVERIFY(boxesOf(*read.document) == boxesOf(d));
        // Whatever else a file says of their places.
        std::string text(files["screens/first.json"].text());
        const size_t at = text.find("\"x\": 24");
        QVERIFY(at != std::string::npos);
        files["screens/first.json"] = SharedBytes(text.replace(at, 7, "\"x\": 77"));
        QVERIFY(boxesOf(*readFiles(files).document) == boxesOf(d));
    }

    // Which are visible follows variables: the interface shows what the document would say then.
    void hidingAsAModelDoes() {
        for (int seed = 0; seed < 300; ++seed) {
            std::mt19937 random(static_cast<unsigned>(seed));
            Document d = randomDocument(random, true);
            std::vector<std::string> hidden;
            for (const WidgetRef& each : d.screens[0]->widgets)
                if (each->kind == Kind::Rectangle && random() % 3 != 0)
                    hidden.push_back(each->name);
            const Document start = d;
            for (const std::string& name : hidden) {
                d = withVariable(d, makeYesNo("see_" + name, d.screens[0]->widgets[0]->visible));
                d = *setExpression(d, "first", std::vector<std::string>{name}, "visible", "see_" + name);
            }
            SceneBuilder builder;
            Twin twin(builtWithoutErrors(builder, d));
            uint32_t now = 0;
            for (int step = 0; step < 8; ++step) {
                Screen model = *start.screens[0];
                for (const std::string& name : hidden) {
                    const bool seen = random() % 2 != 0;
                    twin.set("see_" + name, seen ? "yes" : "no");
                    WidgetRef& widget = model.widgets[static_cast<size_t>(widgetIndex(model, name))];
                    auto next = std::make_shared<Widget>(*widget);
                    next->visible = seen;
                    widget = next;
                }
                twin.step(now += 20);
                compareShown(twin, withScreen(start, 0, model), seed);
                if (QTest::currentTestFailed())
                    return;
            }
        }
    }

    // The sizes of the outermost group and of widgets follow variables.
    void sizesAsAModelDoes() {
        for (int seed = 0; seed < 300; ++seed) {
            std::mt19937 random(static_cast<unsigned>(seed));
            const Document start = randomDocument(random, seed % 2 != 0);
            Document d = start;
            const std::string widget = "w" + std::to_string(random() % 3);
            const int w = d.screens[0]->widgets[0]->w, h = d.screens[0]->widgets[0]->h;
            d = withVariable(withVariable(d, makeNumber("wide", 1, 400, w)), makeNumber("high", 1, 400, h));
            d = *setExpression(d, "first", std::vector<std::string>{"g0"}, "w", "wide");
            d = *setExpression(d, "first", std::vector<std::string>{"g0"}, "h", "high");
            SceneBuilder builder;
            Twin twin(builtWithoutErrors(builder, d));
            uint32_t now = 0;
            for (int step = 0; step < 8; ++step) {
                const int wide = 60 + static_cast<int>(random() % 200), high = 50 + static_cast<int>(random() % 100);
                twin.set("wide", std::to_string(wide));
                twin.set("high", std::to_string(high));
                twin.step(now += 20);
                compareShown(twin, with(with(start, "g0", "w", int64_t{wide}), "g0", "h", int64_t{high}), seed);
                if (QTest::currentTestFailed())
                    return;
            }
        }
    }

    // Rules hide and animate what flows; an edit of a size shows in the same interface.
    void rulesHideAndEditsShow() {
        Document d = groupOf({{"flow", std::string("row")}, {"gap", int64_t{4}}}, {{20, 10}, {30, 20}, {40, 12}});
        d = withRules(withVariable(d, makeYesNo("short", false)), "main",
                      "when short\n    hide a\n    animate b.w to 10 in 100 ms\notherwise\n    show a\n");
        SceneBuilder builder;
        Twin twin(builtWithoutErrors(builder, d));
        twin.step(0);
        QCOMPARE(shown(twin, "c", "x"), 58);
        twin.set("short", "yes");
        twin.step(20);
        QCOMPARE(shown(twin, "b", "x"), 0);
        QCOMPARE(shown(twin, "c", "x"), 34);
        twin.step(70);
        QCOMPARE(shown(twin, "c", "x"), 24);
        twin.step(200);
        QCOMPARE(shown(twin, "c", "x"), 14);
        const BuiltSceneRef before = builder.build(d);
        d = with(d, "group", "gap", int64_t{9});
        Twin edited(builder.build(d));
        edited.step(0);
        QCOMPARE(shown(edited, "c", "x"), 68);
        // Without rules that hide, nothing needs a value that changes.
        QVERIFY(builder.build(withRules(d, "main", ""))->rules->slots.empty());
    }
};

GORSEFINCH_TEST(TestArrange, Nothing)
#include "tst_arrange.moc"
