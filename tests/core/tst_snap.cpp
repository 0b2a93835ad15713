// SPDX-License-Identifier: GPL-3.0-or-later
// Guides: what a box that is dragged or resized comes to lie in line with, and the distances that are shown.
#include <QtTest>
#include <random>

#include "core/edits/guide_edits.h"
#include "core/edits/snap.h"
#include "core/scene/baselines.h"
#include "core/sim/draw_screen.h"
#include "tests/support/kiln_face.h"
#include "tests/support/projects.h"
#include "tests/support/rounds.h"
#include "tests/support/test_case.h"

using namespace gorsefinch;
using namespace support;

namespace {

constexpr Box kPanel{0, 0, 320, 240};

SnapScene sceneOf(const std::vector<Box>& boxes) {
    SnapScene out;
    out.frames = {kPanel};
    for (const Box& each : boxes)
        out.neighbours.push_back({each, std::nullopt});
    return out;
}

bool hasGuide(const Snapped& snapped, bool upright, int at, SnapTo what) {
    return std::any_of(snapped.guides.begin(), snapped.guides.end(), [&](const Guide& each) {
        return each.upright == upright && each.at == at && each.what == what;
    });
}

}  // namespace

class TestSnap : public QObject {
    Q_OBJECT

  private Q_SLOTS:
    void edgesAndMiddles() {
        const SnapScene scene = sceneOf({{100, 50, 140, 70}});
        // 3 pixels off the other's left edge; 30 below it.
        const Snapped left = snap({103, 100, 163, 110}, {}, scene, 4);
        QCOMPARE(left.x, -3);
        QCOMPARE(left.y, 0);
        QVERIFY(hasGuide(left, true, 100, SnapTo::Edge));
        QCOMPARE(left.gaps, (std::vector<GapMark>{{false, 70, 100, 100, false}}));
        // The middle of the panel: 160 - 15 = 145.
        const Snapped middle = snap({147, 200, 177, 210}, {}, sceneOf({}), 4);
        QCOMPARE(middle.x, -2);
        QVERIFY(hasGuide(middle, true, 160, SnapTo::Middle));
        const Snapped bottom = snap({10, 228, 40, 238}, {}, sceneOf({}), 4);
        QCOMPARE(bottom.y, 2);
        QVERIFY(hasGuide(bottom, false, 240, SnapTo::Edge));
        const Snapped nothing = snap({200, 100, 230, 111}, {}, scene, 4);
        QVERIFY(nothing.x == 0 && nothing.y == 0 && nothing.guides.empty() && nothing.gaps.empty());
    }

    void onlyTheSidesThatMove() {
        const Snapped right = snap({2, 2, 318, 52}, {}, sceneOf({}), 4, {false, true, false, false, false});
        QCOMPARE(right.x, 2);
        QCOMPARE(right.y, 0);
        QVERIFY(hasGuide(right, true, 320, SnapTo::Edge));
        // A middle is none of them.
        QCOMPARE(snap({100, 2, 219, 52}, {}, sceneOf({}), 4, {false, true, false, false, false}).x, 0);
    }

    void baselinesComeFirst() {
        SnapScene scene = sceneOf({});
        scene.neighbours.push_back({{10, 50, 60, 72}, 66});
        // Its top is two pixels off, its baseline too: the baseline wins.
        const Snapped snapped = snap({100, 52, 150, 80}, 64, scene, 4);
        QCOMPARE(snapped.y, 2);
        QVERIFY(hasGuide(snapped, false, 66, SnapTo::Baseline));
        QCOMPARE(snap({100, 52, 150, 80}, {}, scene, 4).y, -2);
    }

    void equalGaps() {
        const SnapScene scene = sceneOf({{10, 10, 30, 30}, {110, 12, 130, 32}});
        // Between two: 80 pixels, 20 wide: 30 on each side.
        const Snapped between = snap({57, 14, 77, 26}, {}, scene, 4);
        QCOMPARE(between.x, 3);
        QCOMPARE(std::count_if(between.gaps.begin(), between.gaps.end(),
                               [](const GapMark& each) { return each.across && each.equal && each.length() == 30; }),
                 std::ptrdiff_t{2});
        // As far behind two as these are apart.
        const Snapped on = snap({208, 15, 228, 25}, {}, scene, 4);
        QCOMPARE(on.x, 130 + 80 - 208);
        QVERIFY(std::count_if(on.gaps.begin(), on.gaps.end(),
                              [](const GapMark& each) { return each.equal && each.length() == 80; }) == 2);
        // What lies in another row has no say.
        QCOMPARE(snap({57, 100, 77, 112}, {}, scene, 4).x, 0);
        // Down as well.
        const SnapScene column = sceneOf({{10, 10, 30, 30}, {12, 50, 32, 70}});
        QCOMPARE(snap({14, 92, 24, 99}, {}, column, 4).y, -2);
    }

    void linesMarginAndContainer() {
        SnapScene scene = sceneOf({});
        scene.upright = {97};
        scene.level = {33};
        scene.margin = 8;
        const Snapped line = snap({95, 34, 145, 60}, {}, scene, 4);
        QCOMPARE(line.x, 2);
        QCOMPARE(line.y, -1);
        QVERIFY(hasGuide(line, true, 97, SnapTo::Line) && hasGuide(line, false, 33, SnapTo::Line));
        const Snapped margin = snap({6, 100, 56, 120}, {}, scene, 3);
        QCOMPARE(margin.x, 2);
        QVERIFY(hasGuide(margin, true, 8, SnapTo::Margin));
        scene.frames.push_back({40, 40, 240, 140});
        QCOMPARE(snap({46, 80, 90, 100}, {}, scene, 3).x, 2);  // the container's margin
    }

    void theGridWhereNothingElseIs() {
        SnapScene scene = sceneOf({{100, 50, 140, 70}});
        scene.grid = {10, 3, 0, 4, false, true, {}};
        QCOMPARE(snap({205, 100, 231, 111}, {}, scene, 4).x, 0);  // not used
        scene.toGrid = true;
        const Snapped grid = snap({205, 101, 231, 113}, {}, scene, 4);
        QCOMPARE(grid.x, -2);
        QCOMPARE(grid.y, -1);
        QVERIFY(grid.guides.empty());
        QCOMPARE(snap({102, 101, 131, 113}, {}, scene, 4).x, -2);  // the edge of a neighbour comes first
        QCOMPARE(snap({-9, 300, 11, 313}, {}, scene, 4).x, 2);     // before the first line
        // The grid draws as far as its own reach says.
        scene.grid.strength = 1;
        QCOMPARE(snap({205, 101, 231, 113}, {}, scene, 4).x, 0);
        // Of a box that is resized the edges that move.
        scene.grid.strength = 5;
        QCOMPARE(snap({205, 101, 231, 113}, {}, scene, 4, {false, true, false, false, false}).x, 2);
    }

    // Whatever lies around: the move is within reach, and all that is drawn is true of where the box lies then.
    void guidesAreTrueForAnyBoxes() {
        std::mt19937 random(11);
        const auto draw = [&](int from, int to) { return std::uniform_int_distribution<int>(from, to)(random); };
        const auto box = [&] {
            const int x = draw(-20, 300), y = draw(-20, 220);
            return Box{x, y, x + draw(1, 80), y + draw(1, 60)};
        };
        for (int round = 0; round < rounds(2000); ++round) {
            std::vector<Box> all;
            for (int i = draw(0, 12); i > 0; --i)
                all.push_back(box());
            SnapScene scene = sceneOf(all);
            scene.margin = draw(0, 20);
            if (draw(0, 1) != 0)
                scene.upright = {draw(0, 320)};
            const Box own = box();
            const Snapped out = snap(own, {}, scene, 4);
            QVERIFY(std::abs(out.x) <= 4 && std::abs(out.y) <= 4);
            const Box moved = own.moved(out.x, out.y);
            for (const Guide& each : out.guides) {
                const int low = each.upright ? moved.x0 : moved.y0, high = each.upright ? moved.x1 : moved.y1;
                QVERIFY(each.at == low || each.at == high || each.at == (low + high) >> 1);
                QVERIFY(each.from <= (each.upright ? moved.y0 : moved.x0) &&
                        each.to >= (each.upright ? moved.y1 : moved.x1));
            }
            for (const GapMark& each : out.gaps)
                QVERIFY(each.length() > 0);
            // From there nothing moves it on.
            if (out.guides.size() == 2) {
                const Snapped again = snap(moved, {}, scene, 0);
                QVERIFY(again.x == 0 && again.y == 0 && !again.guides.empty());
            }
        }
    }

    void baselinesOfTexts() {
        Document d = withKilnFace(makeDocument());
        Widget low = makeWidget("low", Kind::Text, 10, 10, 100, 40, {{"text", std::string("Hxg")}});
        Widget high = makeWidget("high", Kind::Text, 10, 60, 100, 40, {{"text", std::string("Hxg")}});
        low.properties["place"] = std::string("bottom");
        high.properties["place"] = std::string("top");
        d = addWidgets(d, "first", {low, high, makeWidget("box", Kind::Rectangle, 0, 0, 9, 9)});
        SceneBuilder builder;
        const BuiltSceneRef scene = builder.build(d);
        const auto bottom = baselineOf(*scene, 0, 0), top = baselineOf(*scene, 0, 1);
        QVERIFY(bottom && top && !baselineOf(*scene, 0, 2));
        // The row below the H as it is drawn.
        const auto lastRow = [&](size_t widget) {
            const PanelMemory memory = drawScreen(*scene, 0);
            const Picture picture = memory.picture();
            const Widget& each = *d.screens[0]->widgets[widget];
            int last = 0;
            for (int y = each.y; y < each.y + each.h; ++y)
                for (int x = each.x; x < each.x + 8; ++x)
                    if ((picture.at(x, y) & 0xffffff) != 0)
                        last = y;
            return last + 1 - each.y;
        };
        QCOMPARE(*top, lastRow(1));
        QCOMPARE(*bottom, lastRow(0));
        QVERIFY(*bottom > *top);
    }

    void linesAreKeptTidy() {
        Document d = makeDocument({"one", "two"});
        d = withLine(d, {"one", true, 40});
        d = withLine(d, {"one", true, 20});
        d = withLine(d, {"one", true, 40});
        d = withLine(d, {"", false, 99});
        QCOMPARE(linesOf(d, "one").upright, (std::vector<int>{20, 40}));
        QCOMPARE(linesOf(d, "").level, (std::vector<int>{99}));
        QVERIFY(linesOf(d, "two").empty());
        QCOMPARE(withLine(d, {"one", true, 321}).screens, d.screens);
        QCOMPARE(withLine(d, {"nowhere", true, 20}).screens, d.screens);
        QCOMPARE(linesOf(withoutLine(d, {"one", true, 20}), "one").upright, (std::vector<int>{40}));
        GuideLines many;
        for (int i = 0; i < 200; ++i)
            many.upright.push_back(i);
        QCOMPARE(linesOf(withLines(d, "two", many), "two").upright.size(), kMaxGuideLines);
    }
};

GORSEFINCH_TEST(TestSnap, Nothing)
#include "tst_snap.moc"
