// SPDX-License-Identifier: GPL-3.0-or-later
// Each check: what makes its problem, what mends it by its fix, and where there is none.
#include <QtTest>

#include "core/base/problem_codes.h"
#include "core/check/budget_check.h"
#include "core/check/contrast.h"
#include "core/check/fixes.h"
#include "core/check/project_check.h"
#include "core/check/screen_check.h"
#include "core/edits/look_edits.h"
#include "core/edits/meant_edits.h"
#include "core/edits/named_edits.h"
#include "core/project/project_text.h"
#include "tests/support/kiln_face.h"
#include "tests/support/projects.h"
#include "tests/support/test_case.h"

using namespace gorsefinch;
using namespace support;

namespace {

// A screen on a black ground of 160x120 pixels, 32 mm wide.
Document black() {
    Document d = withKilnFace(withPanelOf(makeDocument({"one", "two"}), PixelFormat::Rgb565, 0, 160, 120));
    Panel panel = *d.panel;
    panel.widthMm = 32;
    d = withPanel(d, panel);
    return withRules(d, "main", "every 9 s\n    go two\n");
}

Document with(std::vector<Widget> widgets) { return addWidgets(black(), "one", std::move(widgets)); }

Widget words(const char* name, int x, int y, int w, int h, PropertyMap more = {}) {
    more.insert({{"text", std::string("Words")}, {"size", int64_t{16}}});
    return makeWidget(name, Kind::Text, x, y, w, h, std::move(more));
}

Problems problemsOf(const Document& document, const char* code) {
    const BuiltSceneRef scene = SceneBuilder().build(document);
    SharedProblems all = scene->problems;
    all.add(checkProject(scene));
    Problems out;
    std::copy_if(all.begin(), all.end(), std::back_inserter(out),
                 [&](const Problem& each) { return each.code == code; });
    return out;
}

// Those of the widgets, in the order of the list.
Names widgetsWith(const Document& document, const char* code) {
    Names out;
    for (const Problem& each : problemsOf(document, code))
        out.push_back(each.widget);
    return out;
}

bool isMended(const Document& document, const char* code) {
    const Problems before = problemsOf(document, code);
    const auto fix = before.empty() ? std::nullopt : fixOf(*SceneBuilder().build(document), before.front());
    return fix && problemsOf(fix->document, code).size() + 1 == before.size();
}

Look lookOf(const char* name, PropertyMap style) {
    Look out;
    out.name = name;
    out.style = std::move(style);
    return out;
}

}  // namespace

class TestScreenCheck : public QObject {
    Q_OBJECT

  private Q_SLOTS:
    void contrastIsThatOfTheStandard() {
        QCOMPARE(contrastOf(0xffffffff, 0xff000000), 21.0);
        QCOMPARE(contrastOf(0xff123456, 0xff123456), 1.0);
        // The well-known grey at the limit of 4.5.
        QVERIFY(contrastOf(0xff767676, 0xffffffff) > 4.5 && contrastOf(0xff777777, 0xffffffff) < 4.5);
    }

    void textsAreMeasuredOnTheirGround() {
        const Document d =
            with({words("good", 5, 5, 60, 20), words("weak", 5, 30, 60, 20, {{"colour", opaque(0x303030)}}),
                  words("large", 5, 55, 100, 40, {{"colour", opaque(0x686868)}, {"size", int64_t{30}}}),
                  words("hidden", 80, 5, 60, 20, {{"colour", opaque(0x101010)}})});
        Document hidden = changeWidgets(d, "one", Names{"hidden"}, [](Widget& w) { w.visible = false; });
        QCOMPARE(widgetsWith(hidden, kLowContrast), Names{"weak"});
        QCOMPARE(widgetsWith(d, kLowContrast), (Names{"weak", "hidden"}));
        // What is really behind it counts.
        const Document light = addWidgets(
            hidden, "one", {makeWidget("card", Kind::Rectangle, 0, 0, 160, 50, {{"fill", opaque(0xf0f0f0)}})});
        const Document below = reorderWidgets(light, "one", Names{"card"}, Depth::ToBottom);
        QCOMPARE(widgetsWith(below, kLowContrast), Names{"good"});
    }

    void eachSetOfColoursIsMeasured() {
        std::string name;
        Document d = addNamedColour(with({words("title", 5, 5, 60, 20)}), "ink", opaque(0xffffff), &name);
        d = *addColourSet(d, "dark");
        d = *gorsefinch::setProperty(d, "one", Names{"title"}, "colour", ValueName{"ink"});
        QVERIFY(widgetsWith(d, kLowContrast).empty());
        d = setNamedColour(d, "ink", 1, opaque(0x202020));
        const Problems found = problemsOf(d, kLowContrast);
        QCOMPARE(found.size(), size_t{1});
        QVERIFY(found.front().reason.find("in the set dark") != std::string::npos);
    }

    void coloursFallTogetherOnPanelsOfFew() {
        const auto of = [](PixelFormat format, uint32_t ink, uint32_t card) {
            Document d = with({makeWidget("card", Kind::Rectangle, 0, 0, 100, 40, {{"fill", opaque(card)}}),
                               words("title", 5, 5, 60, 20, {{"colour", opaque(ink)}})});
            return widgetsWith(withPanelOf(d, format), kColoursFallTogether);
        };
        QCOMPARE(of(PixelFormat::Row1, 0xffffff, 0xb0b0b0), Names{"title"});
        QVERIFY(of(PixelFormat::Rgb565, 0xffffff, 0xb0b0b0).empty());
        QVERIFY(of(PixelFormat::Row1, 0xffffff, 0x303030).empty());
    }

    void placesOutsideThePanel() {
        Document d = with({makeWidget("far", Kind::Rectangle, 170, 5, 20, 20), words("cut", 130, 5, 60, 20),
                           makeWidget("edge", Kind::Rectangle, 150, 40, 30, 20), words("fine", 5, 60, 60, 20),
                           makeWidget("half", Kind::Button, 120, 80, 60, 30, {{"text", std::string("x")}})});
        QCOMPARE(widgetsWith(d, kOutsidePanel), (Names{"far", "cut", "half"}));
        QVERIFY(isMended(d, kOutsidePanel));
        d = *gorsefinch::setExpression(withVariable(d, makeNumber("level", 0, 9, 0)), "one", Names{"far"}, "x",
                                       "level * 3");
        QCOMPARE(widgetsWith(d, kOutsidePanel), (Names{"cut", "half"}));
        Panel round = *d.panel;
        round.round = true;
        round.height = 160;
        const Document disc = withPanel(with({words("corner", 2, 2, 60, 20), words("middle", 50, 70, 60, 20)}), round);
        QCOMPARE(widgetsWith(disc, kOutsidePanel), Names{"corner"});
    }

    void whatIsCovered() {
        const Widget below = words("below", 20, 20, 60, 20);
        const auto with2 = [&](PropertyMap card) {
            return with({below, makeWidget("card", Kind::Rectangle, 10, 10, 100, 60, std::move(card))});
        };
        const Document d = with2({{"fill", opaque(0x405060)}});
        QCOMPARE(widgetsWith(d, kCovered), Names{"below"});
        QVERIFY(isMended(d, kCovered));
        QVERIFY(widgetsWith(with2({{"fill", Colour{0x80405060}}}), kCovered).empty());
        QVERIFY(widgetsWith(with2({{"fill", opaque(0x405060)}, {"radius", int64_t{8}}}), kCovered).empty());
        // A zone under a button gets no touch.
        const Document zone = with({makeWidget("area", Kind::Zone, 20, 20, 40, 40),
                                    makeWidget("go_on", Kind::Button, 10, 10, 80, 80, {{"text", std::string("Go")}})});
        QCOMPARE(widgetsWith(zone, kCovered), Names{"area"});
    }

    void targetsOfTouch() {
        const auto button = [](const char* name, int x, int y, int w, int h) {
            return makeWidget(name, Kind::Button, x, y, w, h, {{"text", std::string("x")}});
        };
        // 5 px are a millimetre.
        Document d = with({button("large", 5, 5, 50, 40), button("small", 80, 5, 50, 30)});
        QCOMPARE(widgetsWith(d, kSmallTarget), Names{"small"});
        QVERIFY(isMended(d, kSmallTarget));
        Panel unknown = *d.panel;
        unknown.widthMm = 0;
        QVERIFY(widgetsWith(withPanel(d, unknown), kSmallTarget).empty());
        unknown.touch = false;
        d = with({button("first", 5, 5, 50, 40), button("second", 50, 20, 50, 40), button("third", 5, 70, 50, 40)});
        QCOMPARE(widgetsWith(d, kTargetsOverlap), Names{"first"});
        QVERIFY(widgetsWith(withPanel(d, unknown), kTargetsOverlap).empty());
    }

    void textsThatAreCut() {
        Document d = with({words("fits", 5, 5, 80, 20)});
        d = withVariable(d, makeNumber("level", 0, 100000, 5));
        QVERIFY(widgetsWith(d, kClippedText).empty());
        d = addWidgets(d, "one", {words("cut", 5, 40, 30, 20, {{"text", std::string("{level} bar")}})});
        d = changeWidgets(d, "one", Names{"cut"}, [](Widget& w) { w.properties["text"] = std::string("{level} bar"); });
        QCOMPARE(widgetsWith(d, kClippedText), Names{"cut"});
        QVERIFY(isMended(d, kClippedText));
    }

    void unusedThings() {
        Document d = with({words("title", 5, 5, 60, 20)});
        d = withLook(d, lookOf("odd_one", {{"fill", opaque(0x102030)}}));
        d = withVariable(d, makeNumber("nobody", 0, 9, 0));
        d = withVariable(d, makeNumber("level", 0, 9, 0));
        std::string name;
        d = addNamedColour(d, "ink", opaque(0xffffff), &name);
        d = withRules(d, "more", "when level > 5\n    title.visible = no\n");
        std::vector<std::string> places;
        for (const Problem& each : problemsOf(d, kUnused)) {
            QCOMPARE(each.severity, Severity::Note);
            places.push_back(each.place);
        }
        QCOMPARE(places, (std::vector<std::string>{"look odd_one", "colour ink", "variable nobody"}));
        QVERIFY(isMended(d, kUnused));
        d = changeWidgets(d, "one", Names{"title"}, [](Widget& w) { w.look = "odd_one"; });
        QCOMPARE(problemsOf(d, kUnused).size(), size_t{2});
    }

    void looksThatAreMostlyOverridden() {
        Document d = withLook(black(), lookOf("card", {{"fill", opaque(0x102030)}}));
        for (int i = 0; i < 4; ++i) {
            Widget w = makeWidget("box_" + std::to_string(i), Kind::Rectangle, 5 + 30 * i, 5, 20, 20);
            w.look = "card";
            if (i < 2)
                w.properties["fill"] = opaque(0x405060);
            d = addWidgets(d, "one", {w});
        }
        QVERIFY(problemsOf(d, kOftenOverridden).empty());
        d = *gorsefinch::setProperty(d, "one", Names{"box_2"}, "fill", opaque(0x405060));
        QCOMPARE(problemsOf(d, kOftenOverridden).size(), size_t{1});
        QVERIFY(problemsOf(d, kNeverHappens).empty());
        d = *setLookProperty(d, "card", "pressed", "fill", opaque(0xffffff));
        QCOMPARE(problemsOf(d, kNeverHappens).size(), size_t{1});
    }

    void screensThatNothingLeadsTo() {
        QVERIFY(problemsOf(black(), kNothingLeadsTo).empty());
        const Problems found = problemsOf(withRules(black(), "main", ""), kNothingLeadsTo);
        QCOMPARE(found.size(), size_t{1});
        QCOMPARE(found.front().screen, std::string("two"));
    }

    void budgets() {
        Panel panel;
        Costs costs;
        costs.state = panel.ramBytes + 1;
        QCOMPARE(budgetProblems(panel, costs).size(), size_t{1});
        costs.state = panel.ramBytes;
        QVERIFY(budgetProblems(panel, costs).empty());
    }

    void whatIsMeantSoIsKept() {
        Document d = with({words("weak", 5, 30, 60, 20, {{"colour", opaque(0x303030)}})});
        const Problem problem = problemsOf(d, kLowContrast).front();
        QVERIFY(!meantSo(*d.meantSo, problem));
        d = *withMeantSo(d, problem, "only for the workshop");
        const auto isMeant = [&](const Document& document) {
            const Problems found = problemsOf(document, kLowContrast);
            const MeantSo* meant = meantSo(*document.meantSo, found.front());
            return meant && meant->reason == "only for the workshop";
        };
        QVERIFY(isMeant(d));
        QVERIFY(isMeant(*readFiles(toFiles(d)).document));
        QVERIFY(isMeant(*renameWidget(d, "one", "weak", "faint")));
        QVERIFY(isMeant(*renameScreen(d, "one", "first")));
        QVERIFY(!meantSo(*withoutMeantSo(d, problem).meantSo, problem));
        Problem error = problem;
        error.severity = Severity::Error;
        QVERIFY(!withMeantSo(d, error, "no"));
        error.severity = Severity::Warning;
        error.code.clear();
        QVERIFY(!withMeantSo(d, error, "no"));
    }

    // One that is kept from document to document finds what a fresh one finds.
    void aKeptCheckIsUpToDate() {
        Document d = with({words("weak", 5, 30, 60, 20, {{"colour", opaque(0x303030)}})});
        SceneBuilder builder;
        ProjectCheck kept;
        const auto found = [&](const Document& document) {
            kept.follow(builder.build(document));
            while (kept.checkNext(1))
                ;
            return kept.problems().size();
        };
        QCOMPARE(found(d), size_t{1});
        QCOMPARE(found(d), size_t{1});
        Document more = addWidgets(d, "two", {words("weak_too", 5, 5, 60, 20, {{"colour", opaque(0x303030)}})});
        QCOMPARE(found(more), size_t{2});
        Screen lit = *more.screens[0];
        lit.background = opaque(0xffffff);
        QCOMPARE(found(withScreen(more, 0, lit)), size_t{1});
        QCOMPARE(found(d), size_t{1});
    }

    // The projects that ship have none that is not meant so.
    void examplesHaveNone_data() {
        QTest::addColumn<QString>("example");
        for (const char* each : {"kiln", "hive", "enlarger", "aquifer"})
            QTest::newRow(each) << each;
    }
    void examplesHaveNone() {
        QFETCH(QString, example);
        const Document d = openExample(qPrintable(example));
        for (const Problem& each : checkProject(SceneBuilder().build(d)))
            QVERIFY2(meantSo(*d.meantSo, each), each.text().c_str());
    }

    void everyKindHasAPage() {
        QFile file(SOURCE_DIR "/docs/problems.md");
        QVERIFY(file.open(QFile::ReadOnly));
        const QString page = QString::fromUtf8(file.readAll());
        for (const ProblemKind& each : problemKinds())
            QVERIFY2(page.contains(QString("\n## %1\n").arg(each.title)), each.title);
    }
};

GORSEFINCH_TEST(TestScreenCheck, Nothing)
#include "tst_screen_check.moc"
