// SPDX-License-Identifier: GPL-3.0-or-later
// Widgets in containers: the tree of a screen, its edits, which keep every pixel, and its files.
#include <QtTest>

#include "core/edits/replace_kind.h"
#include "core/edits/tree_edits.h"
#include "core/sim/twin.h"
#include "tests/support/built_scene.h"
#include "tests/support/random_tree.h"
#include "tests/support/rounds.h"
#include "tests/support/test_case.h"

using namespace gorsefinch;
using namespace support;

namespace {

// "a(b(c)d)e": names, with what they hold in brackets.
std::string treeOf(const Document& document) {
    std::string out;
    int depth = 0;
    for (const WidgetRef& each : document.screens.front()->widgets) {
        for (; depth < each->depth; ++depth)
            out += "(";
        for (; depth > each->depth; --depth)
            out += ")";
        out += each->name;
    }
    return out + std::string(static_cast<size_t>(depth), ')');
}

// Letters are widgets beside one another, capital ones groups.
Document documentOf(const std::string& tree) {
    Document out = withPanelOf(makeDocument(), PixelFormat::Rgb565, 0, 100, 80);
    Screen screen = *out.screens.front();
    int depth = 0, at = 0;
    for (const char each : tree) {
        if (each == '(' || each == ')') {
            depth += each == '(' ? 1 : -1;
            continue;
        }
        Widget widget = makeWidget(std::string(1, each), each < 'a' ? Kind::Group : Kind::Rectangle, 8 * at, 2 + at, 7,
                                   20, {{"fill", opaque(0x102030u * static_cast<uint32_t>(at + 1))}});
        ++at;
        if (each < 'a')
            widget.properties.clear();
        widget.depth = depth;
        screen.widgets.push_back(std::make_shared<const Widget>(std::move(widget)));
    }
    out.screens.front() = std::make_shared<const Screen>(std::move(screen));
    return out;
}

}  // namespace

class TestContainers : public QObject {
    Q_OBJECT

    SceneBuilder builder_;

    std::vector<uint8_t> shown(const Document& document) { return shownBytes(builder_, document); }

  private Q_SLOTS:
    void theTree() {
        const Document d = documentOf("aB(cD(e)f)g");
        const auto& widgets = d.screens.front()->widgets;
        QCOMPARE(treeOf(d), std::string("aB(cD(e)f)g"));
        QCOMPARE(endOf(widgets, 1), size_t{6});
        QCOMPARE(endOf(widgets, 3), size_t{5});
        QVERIFY(containersOf(widgets) == (std::vector<int>{-1, -1, 1, 1, 3, 1, -1}));
        QCOMPARE(containerOf(widgets, 5), 1);
        const Offset place = placeOnPanel(widgets, 4);
        QCOMPARE(place.x, widgets[1]->x + widgets[3]->x + widgets[4]->x);
        QCOMPARE(place.y, widgets[1]->y + widgets[3]->y + widgets[4]->y);
    }

    void orderIsAmongThoseOfOneContainer() {
        const Document d = documentOf("aB(cD(e)f)g");
        const auto order = [&](const Names& names, Depth where) {
            return treeOf(reorderWidgets(d, "first", names, where));
        };
        QCOMPARE(order({"B"}, Depth::ToTop), std::string("agB(cD(e)f)"));
        QCOMPARE(order({"D"}, Depth::Raise), std::string("aB(cfD(e))g"));
        QCOMPARE(order({"f", "g"}, Depth::ToBottom), std::string("gaB(fcD(e))"));
        QCOMPARE(order({"e"}, Depth::ToTop), std::string("aB(cD(e)f)g"));
        QCOMPARE(treeOf(removeWidgets(d, "first", Names{"D", "g"})), std::string("aB(cf)"));
        QCOMPARE(treeOf(addWidgets(d, "first", {makeWidget("h", Kind::Text, 0, 0, 9, 9)}, nullptr, "D")),
                 std::string("aB(cD(eh)f)g"));
    }

    void widgetsMoveBetweenContainers() {
        const Document d = documentOf("aB(cD(e)f)g");
        const auto moved = [&](const Names& names, const std::string& into, int to) {
            const auto next = moveInto(d, "first", names, into, to);
            if (next && shown(*next) != shown(d))
                return std::string("other pixels");
            return next ? treeOf(*next) : next.error().text();
        };
        QCOMPARE(moved({"e"}, "", 9), std::string("aB(cDf)ge"));
        QCOMPARE(moved({"e"}, "B", 1), std::string("aB(ceDf)g"));
        QCOMPARE(moved({"g"}, "B", 9), std::string("aB(cD(e)fg)"));
        QCOMPARE(moved({"a", "D", "e"}, "", 1), std::string("B(cf)aD(e)g"));
        QVERIFY(moved({"B"}, "D", 0).find("can't lie in itself") != std::string::npos);
        QVERIFY(moved({"B"}, "B", 0).find("can't lie in itself") != std::string::npos);
        QVERIFY(moved({"g"}, "a", 0).find("holds no widgets") != std::string::npos);
        const Document deep = documentOf("A(B(C(D(E(F(G(H(i))))))))J(k)");
        QVERIFY(!moveInto(deep, "first", Names{"J"}, "H", 0));
        QCOMPARE(treeOf(*moveInto(deep, "first", Names{"J"}, "G", 0)), std::string("A(B(C(D(E(F(G(J(k)H(i))))))))"));
    }

    void groupingKeepsEveryPixel() {
        int grouped = 0, refused = 0;
        for (int round = 0, end = rounds(250); round < end; ++round) {
            RandomTree tree(static_cast<uint32_t>(round), false);
            // Nothing clips, so that a widget shows the same wherever it lies.
            Document d = tree.make(PixelFormat::Rgb565);
            Names all;
            for (const WidgetRef& each : d.screens.front()->widgets)
                all.push_back(each->name);
            d = changeWidgets(d, "tree", all, [](Widget& widget) {
                widget.properties.erase("clip");
                widget.visible = true;
            });
            Names names;
            for (const std::string& each : all)
                if (tree.maybe(25))
                    names.push_back(each);
            std::string made;
            const auto before = shown(d);
            const auto next = groupWidgets(d, "tree", names, &made);
            if (!next) {
                ++refused;
                continue;
            }
            QVERIFY2(shown(*next) == before, qPrintable(QString("tree %1 grouped").arg(round)));
            if (made.empty())
                continue;
            ++grouped;
            Names freed;
            const Document apart = ungroupWidgets(*next, "tree", Names{made}, &freed);
            QVERIFY(!freed.empty());
            QVERIFY(widgetIndex(*apart.screens.front(), made) < 0);
            QVERIFY2(shown(apart) == before, qPrintable(QString("tree %1 apart again").arg(round)));
            // Groups that draw leave what they draw.
            const Document bare = ungroupWidgets(apart, "tree", all);
            QVERIFY2(shown(bare) == before, qPrintable(QString("tree %1 without groups").arg(round)));
        }
        QVERIFY(grouped > 60);
        QVERIFY(refused > 5);
    }

    // What rules and expressions place stays where they place it.
    void groupingKeepsWhatRulesPlace() {
        Document d = withVariable(documentOf("ab"), makeNumber("way", 0, 60, 0));
        d = *setExpression(d, "first", Names{"a"}, "x", "way");
        d = withRules(d, "main", "when way > 20\n    b.y = way + 3\n");
        const Document grouped = *groupWidgets(d, "first", Names{"a", "b"});
        QCOMPARE(treeOf(grouped), std::string("group(ab)"));
        Twin one(builder_.build(d)), other(builder_.build(grouped));
        for (const char* way : {"7", "33", "60"}) {
            for (Twin* twin : {&one, &other}) {
                QVERIFY(twin->set("way", way));
                twin->step(twin->now() + 10);
            }
            QVERIFY(one.memory().bytes() == other.memory().bytes());
        }
        // Into a group elsewhere, an expression is shifted.
        const Document moved = *moveInto(addWidgets(d, "first", {makeWidget("G", Kind::Group, 20, 10, 50, 50)}),
                                         "first", Names{"a"}, "G", 0);
        const auto& widgets = moved.screens.front()->widgets;
        QCOMPARE(widgets.back()->expressions.at("x"), std::string("(way) - 20"));
    }

    void filesNest() {
        const Document d = documentOf("aB(cD(e)f)g");
        const ProjectFiles files = toFiles(d);
        const ReadProject read = readFiles(files);
        QVERIFY(read.problems.empty());
        QCOMPARE(treeOf(*read.document), treeOf(d));
        QVERIFY(toFiles(*read.document) == files);
        const std::string text(files.at("screens/first.json").text());
        QVERIFY(text.find("\"widgets\": []") == std::string::npos);
    }

    void hostileFiles() {
        ProjectFiles files = toFiles(documentOf("a"));
        const auto readScreen = [&](const std::string& widgets) {
            files["screens/first.json"] = SharedBytes("{\"name\": \"first\", \"widgets\": " + widgets + "}");
            return readFiles(files);
        };
        std::string deep = "[]";
        for (int i = 11; i-- > 0;)
            deep = "[{\"name\": \"g" + std::to_string(i) + "\", \"kind\": \"group\", \"widgets\": " + deep + "}]";
        const ReadProject nested = readScreen(deep);
        QVERIFY(tells(nested.problems, "deeper than 8"));
        QCOMPARE(nested.document->screens.front()->widgets.size(), size_t{11});
        QCOMPARE(deepest(nested.document->screens.front()->widgets), kMaxDepth);
        // Another kind's key of that name is kept, though nothing is in it.
        const ReadProject odd =
            readScreen("[{\"name\": \"t\", \"kind\": \"text\", \"widgets\": [{\"kind\": \"text\"}]}]");
        QCOMPARE(odd.document->screens.front()->widgets.size(), size_t{1});
        QVERIFY(toFiles(*odd.document).at("screens/first.json").text().find("\"widgets\"", 40) !=
                std::string_view::npos);
        std::string many;
        for (size_t i = 0; i <= kMaxWidgets; ++i)
            many += (i == 0 ? "" : ",") + std::string("{\"kind\": \"zone\", \"name\": \"z") + std::to_string(i) + "\"}";
        QVERIFY(tells(readScreen("[{\"name\": \"g\", \"kind\": \"group\", \"widgets\": [" + many + "]}]").problems,
                      "more than 2000 widgets"));
    }
};

GORSEFINCH_TEST(TestContainers, Nothing)
#include "tst_containers.moc"
