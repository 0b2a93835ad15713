// SPDX-License-Identifier: GPL-3.0-or-later
// Which screen leads to which, and where they lie on the map.
#include <QtTest>
#include <random>

#include "core/scene/screen_map.h"
#include "tests/support/built_scene.h"
#include "tests/support/projects.h"
#include "tests/support/test_case.h"

using namespace gorsefinch;
using namespace support;

namespace {

ScreenStep step(int from, int to, int widget = -1) { return {from, widget, to, "main", 1}; }

// "row,column" of each, with ! behind one that nothing reaches and . behind one that nothing leaves.
std::string placed(size_t screens, const std::vector<ScreenStep>& steps, int columns = 3) {
    std::string out;
    for (const ScreenPlace& each : screenPlaces(screens, steps, columns))
        out += (out.empty() ? "" : " ") + std::to_string(each.row) + "," + std::to_string(each.column) +
               (each.reached ? "" : "!") + (each.left ? "" : ".");
    return out;
}

}  // namespace

class TestScreenMap : public QObject {
    Q_OBJECT

  private Q_SLOTS:
    void stepsComeFromRules() {
        Document d = makeDocument({"one", "two", "three"});
        d = addWidgets(d, "one",
                       {makeWidget("a", Kind::Rectangle, 0, 0, 9, 9), makeWidget("next", Kind::Button, 0, 9, 9, 9)});
        d = withVariable(d, makeYesNo("hot", false));
        d = withRules(
            d, "main",
            "on next.tap\n    go two\n    go two\n\non two.enter\n    back\n\nwhen hot\n    go three\notherwise\n"
            "    go one\n\non one.swipe left\n    animate a.x to 5 in 1 s\n    then go three\n\non one.leave\n"
            "    go one\n");
        SceneBuilder builder;
        const auto steps = screenSteps(*builtWithoutErrors(builder, d));
        QCOMPARE(steps.size(), size_t{5});
        QVERIFY(steps[0] == (ScreenStep{0, 1, 1, "main", 1}));
        QVERIFY(steps[1] == (ScreenStep{1, -1, kLeadsBack, "main", 5}));
        QVERIFY(steps[2] == (ScreenStep{-1, -1, 2, "main", 8}));
        QVERIFY(steps[3] == (ScreenStep{-1, -1, 0, "main", 8}));
        QVERIFY(steps[4].from == 0 && steps[4].to == 2 && steps[4].line == 13);
    }

    void rowsCountTheSteps() {
        QCOMPARE(placed(1, {}), std::string("0,0."));
        QCOMPARE(placed(3, {step(0, 1), step(1, 2), step(2, 0)}), std::string("0,0 1,0 2,0"));
        // What nothing reaches lies below, also if it leads on.
        QCOMPARE(placed(4, {step(0, 2), step(1, 2), step(3, 1)}), std::string("0,0 2,0! 1,0. 2,1!"));
        // A rule that holds anywhere reaches, and leaves all but where it leads to.
        QCOMPARE(placed(3, {step(-1, 1)}), std::string("0,0 1,0. 2,0!"));
        QCOMPARE(placed(2, {step(0, 1), step(1, kLeadsBack)}), std::string("0,0 1,0"));
    }

    void rowsWrap() {
        std::vector<ScreenStep> steps;
        for (int to = 1; to <= 7; ++to)
            steps.push_back(step(0, to));
        QCOMPARE(placed(8, steps), std::string("0,0 1,0. 1,1. 1,2. 2,0. 2,1. 2,2. 3,0."));
        QCOMPARE(placed(3, {step(0, 1), step(0, 2)}, 0), std::string("0,0 1,0. 2,0."));
    }

    // Arrows cross less: what the right one leads to lies on the right.
    void rowsFollowThoseAbove() {
        QCOMPARE(placed(5, {step(0, 1), step(0, 2), step(2, 3), step(1, 4)}), std::string("0,0 1,0 1,1 2,1. 2,0."));
        QCOMPARE(placed(3, {step(0, 2, 1), step(0, 1, 5)}), std::string("0,0 1,1. 1,0."));
    }

    void randomOnesHavePlacesOfTheirOwn() {
        std::mt19937 random(7);
        for (int round = 0; round < 400; ++round) {
            const int screens = 1 + static_cast<int>(random() % 30), columns = 1 + static_cast<int>(random() % 5);
            std::vector<ScreenStep> steps;
            for (int i = static_cast<int>(random() % 60); i > 0; --i)
                steps.push_back(step(static_cast<int>(random() % static_cast<unsigned>(screens + 1)) - 1,
                                     static_cast<int>(random() % static_cast<unsigned>(screens + 1)) - 1,
                                     static_cast<int>(random() % 9) - 1));
            const auto places = screenPlaces(static_cast<size_t>(screens), steps, columns);
            std::set<std::pair<int, int>> taken;
            for (const ScreenPlace& each : places) {
                QVERIFY(each.row >= 0 && each.row < screens && each.column >= 0 && each.column < columns);
                QVERIFY(taken.emplace(each.row, each.column).second);
            }
            // A step leads down by one layer at most, and never out of the reached ones.
            for (const ScreenStep& each : steps)
                if (each.from >= 0 && each.to >= 0 && places[static_cast<size_t>(each.from)].reached)
                    QVERIFY(places[static_cast<size_t>(each.to)].reached);
        }
    }
};

GORSEFINCH_TEST(TestScreenMap, Nothing)
#include "tst_screen_map.moc"
