// SPDX-License-Identifier: GPL-3.0-or-later
// A screen with values at the ends of what they can be, and what of it a finger can operate.
#include <QtTest>

#include "core/check/touch_targets.h"
#include "core/sim/extremes.h"
#include "tests/support/kiln_face.h"
#include "tests/support/projects.h"
#include "tests/support/test_case.h"

using namespace gorsefinch;
using namespace support;

namespace {

Document project() {
    Document d = withKilnFace(withPanelOf(makeDocument({"first"}), PixelFormat::Rgb565, 0, 240, 120));
    d = withVariable(d, makeNumber("level", -50, 900, 7));
    d = withVariable(d, makeNumber("heat", 0, 500, 100, 1));
    d = withVariable(d, makeChoice("mode", {"on", "warming up", "no"}, 2));
    d = withVariable(d, makeYesNo("lit", true));
    d = withVariable(d, makeText("title", "Hi", 12));
    return withVariable(d, arrayOf(makeNumber("zone", 1, 9, 3), 3));
}

Widget text(const std::string& name, const std::string& words, int w, int h = 20) {
    return makeWidget(name, Kind::Text, 4, 4, w, h, {{"text", words}, {"size", int64_t{16}}});
}

std::string valueAt(Extreme extreme, const char* variable) {
    SceneBuilder builder;
    return extremeTwin(builder.build(project()), extreme)->get(variable);
}

// The names of what is cut, with its text.
QStringList cutIn(const Document& document, Extreme extreme) {
    SceneBuilder builder;
    const BuiltSceneRef scene = builder.build(document);
    QStringList out;
    for (const CutText& each : cutTexts(*scene, 0, *extremeTwin(scene, extreme)))
        out.append(QString::fromStdString(scene->document.screens[0]->widgets[each.widget]->name + ":" + each.text));
    return out;
}

Widget button(const char* name, int x, int y, int w, int h) { return makeWidget(name, Kind::Button, x, y, w, h); }

}  // namespace

class TestExtremes : public QObject {
    Q_OBJECT

  private Q_SLOTS:
    void valuesAreAtTheirEnds() {
        const auto all = [](Extreme extreme) {
            QStringList out;
            for (const char* each : {"level", "heat", "mode", "lit", "zone[1]"})
                out.append(QString::fromStdString(valueAt(extreme, each)));
            return out.join(" ");
        };
        QCOMPARE(all(Extreme::Lowest), QString("-50 0.0 on no 1"));
        QCOMPARE(all(Extreme::Highest), QString("900 50.0 no yes 9"));
        QCOMPARE(all(Extreme::Shortest), QString("0 0.0 on no 1"));
        QCOMPARE(all(Extreme::Longest), QString("-50 50.0 warming up yes 1"));
        QCOMPARE(all(Extreme::Stale), QString("7 10.0 no yes 3"));
        QCOMPARE(valueAt(Extreme::Lowest, "title"), std::string());
        QCOMPARE(valueAt(Extreme::Longest, "title"), std::string(12, 'n'));
    }

    void whatIsCutIsTold() {
        Document d = addWidgets(project(), "first",
                                {text("mode_text", "{mode}", 40), text("level_text", "{level}", 30),
                                 text("plain", "never changes, and is as long as it is", 30)});
        QCOMPARE(cutIn(d, Extreme::Shortest), QStringList());
        QCOMPARE(cutIn(d, Extreme::Lowest), QStringList());
        QCOMPARE(cutIn(d, Extreme::Longest), QStringList{"mode_text:warming up"});
        d = *gorsefinch::setProperty(d, "first", std::vector<std::string>{"level_text"}, "w", int64_t{22});
        QCOMPARE(cutIn(d, Extreme::Highest), QStringList{"level_text:900"});
        // What rolls, or ends in dots, is meant to.
        for (const char* overflow : {"roll", "dots"})
            QCOMPARE(cutIn(*gorsefinch::setProperty(d, "first", std::vector<std::string>{"mode_text"}, "overflow",
                                                    std::string(overflow)),
                           Extreme::Longest),
                     QStringList{"level_text:-50"});
    }

    void brokenLinesAreCutBelow() {
        Widget words = text("words", "It is {mode} now", 70, 22);
        words.properties["wrap"] = true;
        const Document d = addWidgets(project(), "first", {words});
        SceneBuilder builder;
        const BuiltSceneRef scene = builder.build(d);
        const auto longest = cutTexts(*scene, 0, *extremeTwin(scene, Extreme::Longest));
        QCOMPARE(longest.size(), size_t{1});
        QVERIFY(longest[0].down);
        QVERIFY(longest[0].needs > longest[0].room);
        const Document higher =
            *gorsefinch::setProperty(d, "first", std::vector<std::string>{"words"}, "h", int64_t{longest[0].needs});
        QCOMPARE(cutIn(higher, Extreme::Longest), QStringList());
    }

    void aReadoutIsMeasuredWithItsUnit() {
        const Document d = addWidgets(
            project(), "first",
            {makeWidget("kiln", Kind::Readout, 4, 4, 40, 24,
                        {{"value", std::string("level")}, {"unit", std::string("degrees")}, {"size", int64_t{20}}})});
        QCOMPARE(cutIn(d, Extreme::Highest).size(), 1);
        QVERIFY(cutIn(*gorsefinch::setProperty(d, "first", std::vector<std::string>{"kiln"}, "w", int64_t{200}),
                      Extreme::Highest)
                    .isEmpty());
    }

    // What the canvas shows: the same as a twin that was set to these values.
    void theScreenShowsThem() {
        const Document d =
            addWidgets(project(), "first", {text("a", "{level} {mode} {title}", 230), text("b", "{zone[2]}", 40)});
        SceneBuilder builder;
        const BuiltSceneRef scene = builder.build(d);
        Twin twin(scene);
        twin.step(0);
        for (const auto& [name, value] :
             {std::pair("level", "900"), std::pair("mode", "no"), std::pair("zone[2]", "9")})
            QVERIFY(twin.set(name, value));
        QVERIFY(twin.set("title", std::string(12, 'n')));
        twin.step(20);
        QVERIFY(drawScreen(*scene, 0, extremeTwin(scene, Extreme::Highest).get()).bytes() == twin.memory().bytes());
    }

    void aStaleReadoutLooksStale() {
        const Document d = withLook(
            addWidgets(project(), "first", {[] {
                           Widget w = makeWidget("kiln", Kind::Readout, 4, 4, 90, 24,
                                                 {{"value", std::string("level")}, {"stale_after", int64_t{1000}}});
                           w.look = "shown";
                           return w;
                       }()}),
            Look{"shown", "", {}, {{"wrong", {{"colour", opaque(0xff0000)}}}}, {}});
        SceneBuilder builder;
        const BuiltSceneRef scene = builder.build(d);
        ShownStates stale;
        stale.stale = true;
        Twin twin(scene);
        twin.step(0);
        const auto fresh = twin.memory().bytes();
        QVERIFY(drawScreen(*scene, 0).bytes() == fresh);
        twin.step(2000);
        QVERIFY(twin.memory().bytes() != fresh);
        QVERIFY(drawScreen(*scene, 0, nullptr, stale).bytes() == twin.memory().bytes());
    }

    void targetsAreMeasured() {
        Panel panel = *project().panel;
        panel.widthMm = 48;  // 5 pixels a mm
        panel.touch = true;
        Document d = withPanel(project(), panel);
        Widget wide = button("wide", 10, 10, 60, 30);
        wide.touchMargin = 5;
        Widget off = button("off", 100, 60, 40, 40);
        off.enabled = false;
        Widget hidden = button("hidden", 150, 60, 40, 40);
        hidden.visible = false;
        d = addWidgets(d, "first",
                       {wide, button("covered", 100, 10, 20, 20), button("over", 90, 5, 50, 40), off, hidden,
                        button("part", 130, 30, 40, 40), makeWidget("box", Kind::Rectangle, 0, 60, 90, 60)});
        SceneBuilder builder;
        const BuiltSceneRef scene = builder.build(d);
        const auto targets = touchTargets(*scene, 0);
        const auto find = [&](const char* name) -> const TouchTarget& {
            for (const TouchTarget& each : targets)
                if (scene->document.screens[0]->widgets[each.widget]->name == name)
                    return each;
            qFatal("no target %s", name);
        };
        QCOMPARE(targets.size(), size_t{4});
        QCOMPARE(find("wide").box, (Box{5, 5, 75, 45}));
        QCOMPARE(*find("wide").mm, 8.0);
        QVERIFY(!find("wide").isSmall && !find("wide").isCovered && find("wide").shared.empty());
        QVERIFY(find("covered").isCovered && find("covered").isSmall);
        QVERIFY(!find("over").isCovered);
        QCOMPARE(find("over").shared, (std::vector<Box>{{130, 30, 140, 45}}));
        // Without a size of the panel nothing is too small, and without touch nothing is a target.
        panel.widthMm = 0;
        QVERIFY(!touchTargets(*builder.build(withPanel(d, panel)), 0)[0].mm);
        panel.touch = false;
        QVERIFY(touchTargets(*builder.build(withPanel(d, panel)), 0).empty());
    }

    void whatAContainerHidesIsNoTarget() {
        Document d =
            addWidgets(project(), "first", {makeWidget("group", Kind::Group, 10, 10, 50, 50, {{"clip", true}})});
        d = addWidgets(d, "first", {button("in", 30, 0, 60, 20), button("out", 60, 0, 20, 20)}, nullptr, "group");
        SceneBuilder builder;
        const auto targets = touchTargets(*builder.build(d), 0);
        QCOMPARE(targets.size(), size_t{1});
        QCOMPARE(targets[0].box, (Box{40, 10, 60, 30}));
    }
};

GORSEFINCH_TEST(TestExtremes, Nothing)
#include "tst_extremes.moc"
