// SPDX-License-Identifier: GPL-3.0-or-later
// Widgets that are placed by one another: aligned, distributed, made as large, tidied and swapped.
#include <QtTest>
#include <random>

#include "core/document/box.h"
#include "core/document/widget_tree.h"
#include "core/edits/align.h"
#include "tests/support/projects.h"
#include "tests/support/rounds.h"
#include "tests/support/test_case.h"

using namespace gorsefinch;
using namespace support;

namespace {

Document boxes(const std::vector<Box>& all) {
    Document d = makeDocument();
    std::vector<Widget> widgets;
    for (size_t i = 0; i < all.size(); ++i)
        widgets.push_back(makeWidget(std::string(1, static_cast<char>('a' + i)), Kind::Rectangle, all[i].x0, all[i].y0,
                                     all[i].w(), all[i].h()));
    return addWidgets(d, "first", std::move(widgets));
}

Box boxOf(const Document& document, const std::string& name) {
    const Screen& screen = *document.screens[0];
    return boxOnPanel(screen.widgets, static_cast<size_t>(widgetIndex(screen, name)));
}

Names firstOf(size_t count) {
    Names out;
    for (size_t i = 0; i < count; ++i)
        out.push_back(std::string(1, static_cast<char>('a' + i)));
    return out;
}

}  // namespace

class TestAlign : public QObject {
    Q_OBJECT

  private Q_SLOTS:
    void sixWaysByTheLast() {
        const Document d = boxes({{10, 20, 30, 30}, {100, 90, 150, 105}, {200, 50, 241, 81}});
        const Names names{"a", "b", "c"};
        const auto moved = [&](Alignment how, const char* name) {
            return boxOf(alignWidgets(d, "first", names, how, AlignBy::Last), name);
        };
        QCOMPARE(moved(Alignment::Left, "a").x0, 200);
        QCOMPARE(moved(Alignment::Right, "b").x1, 241);
        QCOMPARE(moved(Alignment::Centre, "a").x0, (200 + 241 - 20) / 2);
        QCOMPARE(moved(Alignment::Top, "b").y0, 50);
        QCOMPARE(moved(Alignment::Bottom, "a").y1, 81);
        QCOMPARE(moved(Alignment::Middle, "b").y0, (50 + 81 - 15) / 2);
        // The other axis, the sizes, and the last one stay.
        QCOMPARE(moved(Alignment::Left, "a"), (Box{200, 20, 220, 30}));
        QCOMPARE(moved(Alignment::Left, "c"), boxOf(d, "c"));
        // Another order, another last.
        QCOMPARE(boxOf(alignWidgets(d, "first", Names{"c", "a"}, Alignment::Left, AlignBy::Last), "c").x0, 10);
    }

    void byThePanelAndByItsContainer() {
        Document d = boxes({{10, 20, 30, 30}});
        d = addWidgets(d, "first", {makeWidget("group", Kind::Group, 100, 100, 60, 40)});
        d = addWidgets(d, "first", {makeWidget("inner", Kind::Rectangle, 5, 5, 10, 10)}, nullptr, "group");
        const Names names{"a", "inner"};
        const Document panel = alignWidgets(d, "first", names, Alignment::Right, AlignBy::Panel);
        QCOMPARE(boxOf(panel, "a").x1, 320);
        QCOMPARE(boxOf(panel, "inner").x1, 320);
        const Document own = alignWidgets(d, "first", names, Alignment::Bottom, AlignBy::Container);
        QCOMPARE(boxOf(own, "a").y1, 240);
        QCOMPARE(boxOf(own, "inner").y1, 140);
        QCOMPARE(own.screens[0]->widgets[2]->y, 30);
        // What lies in a named container goes with it, once.
        const Document both = alignWidgets(d, "first", Names{"inner", "group", "a"}, Alignment::Left, AlignBy::Last);
        QCOMPARE(boxOf(both, "group").x0, 10);
        QCOMPARE(boxOf(both, "inner").x0, 15);
    }

    void lockedOnesStayAndExpressionsHold() {
        Document d = boxes({{10, 20, 30, 30}, {100, 90, 150, 105}, {50, 50, 60, 60}});
        d = changeWidgets(d, "first", Names{"a"}, [](Widget& w) { w.locked = true; });
        d = changeWidgets(d, "first", Names{"c"}, [](Widget& w) { w.expressions["x"] = "7"; });
        const Document next = alignWidgets(d, "first", Names{"a", "c", "b"}, Alignment::Left, AlignBy::Last);
        QCOMPARE(boxOf(next, "a").x0, 10);
        QCOMPARE(boxOf(next, "c").x0, 50);
        QCOMPARE(boxOf(alignWidgets(d, "first", Names{"b", "a"}, Alignment::Left, AlignBy::Last), "b").x0, 10);
        // Nothing to do: the very same document.
        QCOMPARE(alignWidgets(d, "first", Names{"b"}, Alignment::Left, AlignBy::Last).screens, d.screens);
        QCOMPARE(alignWidgets(d, "first", Names{}, Alignment::Left, AlignBy::Panel).screens, d.screens);
        QCOMPARE(alignWidgets(d, "first", Names{"nobody"}, Alignment::Left, AlignBy::Panel).screens, d.screens);
        QCOMPARE(alignWidgets(d, "nowhere", Names{"b"}, Alignment::Left, AlignBy::Panel).screens, d.screens);
    }

    void gapsAndCentres() {
        const Document d = boxes({{0, 0, 10, 10}, {100, 0, 140, 10}, {30, 0, 40, 10}, {33, 5, 39, 9}});
        const Document gaps = distributeWidgets(d, "first", firstOf(4), Distribution::GapsAcross);
        // 140 wide, 10 + 10 + 6 + 40 covered: 74 for three gaps.
        QCOMPARE(boxOf(gaps, "a").x0, 0);
        QCOMPARE(boxOf(gaps, "c").x0, 10 + 25);
        QCOMPARE(boxOf(gaps, "d").x0, 20 + 49);
        QCOMPARE(boxOf(gaps, "b").x0, 100);
        QCOMPARE(boxOf(gaps, "d").y0, 5);
        const Document centres = distributeWidgets(d, "first", Names{"a", "b", "c"}, Distribution::CentresAcross);
        QCOMPARE(boxOf(centres, "c"), (Box{57, 0, 67, 10}));
        // Two are no distance to be the same.
        QCOMPARE(distributeWidgets(d, "first", Names{"a", "b"}, Distribution::GapsAcross).screens, d.screens);
    }

    // However they lie, also over one another: the ends stay, and distances differ by one pixel at most.
    void distancesAreEvenForAnyBoxes() {
        std::mt19937 random(7);
        const auto draw = [&](int from, int to) { return std::uniform_int_distribution<int>(from, to)(random); };
        for (int round = 0; round < rounds(300); ++round) {
            std::vector<Box> all;
            for (int i = draw(3, 9); i > 0; --i) {
                const int x = draw(-50, 300), y = draw(-50, 200);
                all.push_back({x, y, x + draw(1, 90), y + draw(1, 60)});
            }
            const Document d = boxes(all);
            const Names names = firstOf(all.size());
            const bool down = draw(0, 1) != 0;
            const auto low = [&](const Box& b) { return down ? b.y0 : b.x0; };
            const auto high = [&](const Box& b) { return down ? b.y1 : b.x1; };
            const Document gaps =
                distributeWidgets(d, "first", names, down ? Distribution::GapsDown : Distribution::GapsAcross);
            const Document centres =
                distributeWidgets(d, "first", names, down ? Distribution::CentresDown : Distribution::CentresAcross);
            Names order = names;
            std::stable_sort(order.begin(), order.end(), [&](const auto& a, const auto& b) {
                return low(boxOf(d, a)) + high(boxOf(d, a)) < low(boxOf(d, b)) + high(boxOf(d, b));
            });
            std::vector<int> distances, steps;
            for (size_t i = 1; i < order.size(); ++i) {
                distances.push_back(low(boxOf(gaps, order[i])) - high(boxOf(gaps, order[i - 1])));
                const Box a = boxOf(centres, order[i - 1]), b = boxOf(centres, order[i]);
                steps.push_back(low(b) + high(b) - low(a) - high(a));
            }
            const auto spread = [](const std::vector<int>& v) {
                return *std::max_element(v.begin(), v.end()) - *std::min_element(v.begin(), v.end());
            };
            QVERIFY2(spread(distances) <= 1, qPrintable(QString::number(round)));
            QVERIFY2(spread(steps) <= 4, qPrintable(QString::number(round)));
            for (const std::string& end : {order.front(), order.back()}) {
                QCOMPARE(boxOf(gaps, end), boxOf(d, end));
                QCOMPARE(boxOf(centres, end), boxOf(d, end));
            }
        }
    }

    void asLargeAsTheLast() {
        Document d = boxes({{10, 20, 30, 30}, {100, 90, 150, 105}});
        d = addWidgets(d, "first",
                       {makeWidget("line", Kind::Line, 0, 0, 20, 10, {{"points", PointList{{0, 0}, {20, 10}}}})});
        QCOMPARE(boxOf(makeSameSize(d, "first", Names{"a", "b"}, SameSize::Width), "a"), (Box{10, 20, 60, 30}));
        QCOMPARE(boxOf(makeSameSize(d, "first", Names{"a", "b"}, SameSize::Height), "a"), (Box{10, 20, 30, 35}));
        const Document both = makeSameSize(d, "first", Names{"line", "b"}, SameSize::Both);
        QCOMPARE(boxOf(both, "line"), (Box{0, 0, 50, 15}));
        // What is drawn in it goes along.
        QCOMPARE(std::get<PointList>(both.screens[0]->widgets[2]->properties.at("points")).back(), (Point{50, 15}));
    }

    void tidyMakesRowsAndColumns() {
        // Two rows of three, nearly: the gaps are 6 to 10 wide and 5 high.
        const Document d = boxes({{12, 10, 50, 30},
                                  {56, 13, 90, 33},
                                  {99, 9, 140, 28},
                                  {10, 38, 46, 58},
                                  {58, 36, 91, 57},
                                  {101, 39, 139, 55}});
        const Document tidy = tidyIntoGrid(d, "first", firstOf(6));
        QCOMPARE(boxOf(tidy, "a").x0, boxOf(tidy, "d").x0);
        QCOMPARE(boxOf(tidy, "b").x0, boxOf(tidy, "e").x0);
        QCOMPARE(boxOf(tidy, "c").x0, boxOf(tidy, "f").x0);
        for (const char* each : {"b", "c"})
            QCOMPARE(boxOf(tidy, each).y0, boxOf(tidy, "a").y0);
        for (const char* each : {"e", "f"})
            QCOMPARE(boxOf(tidy, each).y0, boxOf(tidy, "d").y0);
        QCOMPARE(boxOf(tidy, "a").x0, 10);
        QCOMPARE(boxOf(tidy, "a").y0, 9);
        // Done twice it stays, and no two meet.
        QCOMPARE(tidyIntoGrid(tidy, "first", firstOf(6)).screens, tidy.screens);
        for (const std::string& one : firstOf(6))
            for (const std::string& other : firstOf(6))
                QVERIFY(one == other || !boxOf(tidy, one).meets(boxOf(tidy, other)));
        // A heap becomes a row.
        const Document heap =
            tidyIntoGrid(boxes({{10, 10, 30, 30}, {12, 11, 32, 31}, {14, 12, 34, 32}}), "first", firstOf(3));
        QCOMPARE(boxOf(heap, "b"), (Box{34, 10, 54, 30}));
        QCOMPARE(boxOf(heap, "c"), (Box{58, 10, 78, 30}));
    }

    void twoSwapPlaces() {
        const Document d = boxes({{10, 10, 30, 30}, {50, 12, 150, 25}, {12, 80, 20, 90}});
        const Document beside = swapPlaces(d, "first", Names{"a", "b"});
        QCOMPARE(boxOf(beside, "b"), (Box{10, 10, 110, 23}));
        QCOMPARE(boxOf(beside, "a"), (Box{130, 12, 150, 32}));
        QCOMPARE(swapPlaces(beside, "first", Names{"b", "a"}).screens[0]->widgets[0]->x, 10);
        const Document below = swapPlaces(d, "first", Names{"a", "c"});
        QCOMPARE(boxOf(below, "c"), (Box{10, 10, 18, 20}));
        QCOMPARE(boxOf(below, "a"), (Box{12, 70, 32, 90}));
        QCOMPARE(swapPlaces(d, "first", firstOf(3)).screens, d.screens);
        QCOMPARE(swapPlaces(d, "first", Names{"a"}).screens, d.screens);
    }
};

GORSEFINCH_TEST(TestAlign, Nothing)
#include "tst_align.moc"
