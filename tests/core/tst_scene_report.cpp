// SPDX-License-Identifier: GPL-3.0-or-later
// The cached costs and problems of a scene after many edits equal those computed from nothing.
#include <QtTest>

#include "core/edits/image_edits.h"
#include "core/emit/generation_problems.h"
#include "core/emit/scene_report.h"
#include "tests/support/projects.h"
#include "tests/support/random_project.h"
#include "tests/support/test_case.h"

using namespace gorsefinch;
using namespace support;

namespace {

bool sameCost(const Cost& a, const Cost& b) { return a.flash == b.flash && a.ram == b.ram; }

bool sameList(const std::vector<std::pair<std::string, Cost>>& a, const std::vector<std::pair<std::string, Cost>>& b) {
    return std::equal(a.begin(), a.end(), b.begin(), b.end(),
                      [](const auto& x, const auto& y) { return x.first == y.first && sameCost(x.second, y.second); });
}

std::vector<std::string> texts(const Problems& problems) {
    std::vector<std::string> out;
    for (const Problem& each : problems)
        out.push_back(each.text());
    return out;
}

}  // namespace

class TestSceneReport : public QObject {
    Q_OBJECT

    SceneBuilder builder_;
    SceneReporter reporter_;

    void check(const Document& document) {
        const BuiltSceneRef scene = builder_.build(document);
        const SceneReport report = reporter_.report(*scene);
        const Costs whole = costsOf(*scene);
        QVERIFY(sameList(report.costs.screens, whole.screens));
        QVERIFY(sameList(report.costs.images, whole.images) && sameList(report.costs.fonts, whole.fonts));
        QVERIFY(sameCost(report.costs.total(), whole.total()));
        QVERIFY(sameCost(report.costs.runtime, whole.runtime));
        QCOMPARE(texts(report.problems), texts(generationProblems(*scene)));
    }

  private Q_SLOTS:
    void manyEdits() {
        for (uint32_t seed = 1; seed <= 6; ++seed) {
            Document d = RandomProject(seed).document();
            check(d);
            for (int i = 0; i < 30; ++i) {
                const std::string screen = d.screens[static_cast<size_t>(i) % d.screens.size()]->name;
                const Names one{"w" + std::to_string(i % 9)};
                if (i % 7 == 3)
                    d = addScreen(d, 0, "s" + std::to_string(i));
                else if (i % 7 == 5)
                    d = addWidgets(d, screen,
                                   {makeWidget("extra_" + std::to_string(i), Kind::Text, 1, 2, 30, 20,
                                               {{"text", std::string("{level} of ") + std::to_string(i)}})});
                else if (i % 7 == 6)
                    d = removeScreen(d, static_cast<int>(d.screens.size()) - 1);
                else
                    d = changeWidgets(d, screen, one,
                                      [&](Widget& w) { w.x += 3, w.properties["radius"] = int64_t{i}; });
                check(d);
                if (QTest::currentTestFailed())
                    return;
            }
        }
    }

    // Names that become the same in C only across screens, variables and hooks.
    void clashes() {
        Document d = addWidgets(makeDocument({"a", "a_b"}), "a", {makeWidget("b_c", Kind::Rectangle, 0, 0, 9, 9)});
        check(d);
        QVERIFY(generationProblems(*builder_.build(d)).empty());
        Document clash = addWidgets(d, "a_b", {makeWidget("c", Kind::Rectangle, 0, 0, 9, 9)});
        check(clash);
        QCOMPARE(generationProblems(*builder_.build(clash)).size(), size_t{1});
        check(d);
        clash = withVariable(withVariable(d, makeNumber("x", 0, 9, 0)), makeNumber("set_x", 0, 9, 0));
        clash = addWidgets(addScreen(clash, 0, "set"), "set", {makeWidget("x", Kind::Rectangle, 0, 0, 9, 9)});
        check(clash);
        QVERIFY(!generationProblems(*builder_.build(clash)).empty());
        clash = d;
        clash.name = "gorse";
        check(clash);
        QVERIFY(!generationProblems(*builder_.build(clash)).empty());
        clash = addWidgets(d, "a", {makeWidget("int", Kind::Rectangle, 0, 0, 9, 9)});
        check(clash);
        check(d);
    }

    // The second frame of an image and another image of the same name in C, as long as all frames are shown.
    void clashesOfFrames() {
        const auto image = [](const Document& d, const char* name, const char* from) {
            Image copy = *d.image(from);
            copy.name = name;
            return addImages(d, {copy});
        };
        Document d = openKiln();
        d = image(image(d, "spark", "flame"), "spark_2", "glaze");
        d = addWidgets(d, "alarm",
                       {makeWidget("one", Kind::Image, 0, 0, 40, 40, {{"image", std::string("spark")}}),
                        makeWidget("two", Kind::Image, 0, 0, 40, 40, {{"image", std::string("spark_2")}})});
        check(d);
        QVERIFY(generationProblems(*builder_.build(d)).empty());
        const Document clash = addWidgets(
            d, "alarm", {makeWidget("three", Kind::Frames, 0, 0, 40, 40, {{"image", std::string("spark")}})});
        check(clash);
        QVERIFY(!generationProblems(*builder_.build(clash)).empty());
        check(d);
        check(*renameImage(clash, "spark_2", "other"));
        check(clash);
        QVERIFY(!generationProblems(*builder_.build(clash)).empty());
    }
};

GORSEFINCH_TEST(TestSceneReport, Nothing)
#include "tst_scene_report.moc"
