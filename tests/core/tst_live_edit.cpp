// SPDX-License-Identifier: GPL-3.0-or-later
// Edits reach the running twin and leave it where it is; what is built in steps equals what is built at once.
#include <QtTest>
#include <random>

#include "core/sim/draw_screen.h"
#include "tests/support/projects.h"
#include "tests/support/test_case.h"

using namespace gorsefinch;
using namespace support;

namespace {

void tap(Twin& twin, int x, int y) {
    twin.touch(x, y, true);
    twin.touch(x, y, false);
    twin.step(twin.now() + 10);
}

}  // namespace

class TestLiveEdit : public QObject {
    Q_OBJECT

  private Q_SLOTS:
    void theTwinKeepsItsStateThroughAnEdit() {
        SceneBuilder builder;
        Document d = openKiln();
        Twin twin(builder.build(d));
        twin.step(0);
        tap(twin, 160, 212);
        QVERIFY(twin.set("kiln_temp", "888").has_value());
        QVERIFY(twin.set("programme_name", "Glaze").has_value());
        twin.step(5000);
        const std::string elapsed = twin.get("elapsed");
        d = *gorsefinch::setProperty(d, "programme", Names{"title_text"}, "text", std::string("Steps"));
        d = addWidgets(d, "status",
                       {makeWidget("new_text", Kind::Text, 0, 0, 50, 20, {{"text", std::string("{limit}")}})});
        twin.update(builder.build(d));
        QCOMPARE(twin.screen(), 1);
        QCOMPARE(twin.get("kiln_temp"), std::string("888"));
        QCOMPARE(twin.get("programme_name"), std::string("Glaze"));
        QCOMPARE(twin.get("elapsed"), elapsed);
        tap(twin, 60, 212);
        QCOMPARE(twin.screen(), 0);
    }

    // The picture after an edit is that of a twin that never saw the old document.
    void theEditShowsAtOnce() {
        SceneBuilder builder;
        Document d = withRules(openKiln(), "main", "");
        Twin twin(builder.build(d));
        twin.step(0);
        d = *gorsefinch::setProperty(d, "status", Names{"step_text"}, "colour", opaque(0x00ff00));
        d = *gorsefinch::setProperty(d, "status", Names{"step_text"}, "x", int64_t{150});
        twin.update(builder.build(d));
        SceneBuilder fresh;
        Twin other(fresh.build(d));
        other.step(0);
        QCOMPARE(twin.memory().bytes(), other.memory().bytes());
    }

    void changedPropertiesAndConditionsStay() {
        SceneBuilder builder;
        Document d = openKiln();
        Twin twin(builder.build(d));
        twin.step(0);
        tap(twin, 60, 212);  // hold: its text and colour changed by a rule
        const auto before = twin.memory().bytes();
        const int runs = twin.ruleRuns()[6];
        d = *gorsefinch::setProperty(d, "alarm", Names{"title_text"}, "y", int64_t{70});
        twin.update(builder.build(d));
        twin.step(twin.now() + 1);
        QCOMPARE(twin.memory().bytes(), before);
        QCOMPARE(twin.ruleRuns()[6], runs);
        QCOMPARE(twin.get("holding"), std::string("yes"));
    }

    void screensThatMoveOrGo() {
        SceneBuilder builder;
        Document d = openKiln();
        Twin twin(builder.build(d));
        twin.step(0);
        tap(twin, 160, 212);
        twin.update(builder.build(moveScreen(d, 1, 0)));
        QCOMPARE(twin.screen(), 0);
        const auto renamed = renameScreen(moveScreen(d, 1, 0), "programme", "plan");
        twin.update(builder.build(*renamed));
        QCOMPARE(twin.screen(), 0);
        twin.update(builder.build(removeScreen(*renamed, 0)));
        QCOMPARE(twin.scene().document.screens[static_cast<size_t>(twin.screen())]->name, std::string("status"));
        twin.step(twin.now() + 10);
    }

    void aPressSurvivesAnEdit() {
        SceneBuilder builder;
        Document d = openKiln();
        Twin twin(builder.build(d));
        twin.step(0);
        twin.touch(160, 212, true);
        twin.step(10);
        d = *gorsefinch::setProperty(d, "status", Names{"hold_button"}, "text", std::string("Wait"));
        twin.update(builder.build(d));
        twin.touch(160, 212, false);
        twin.step(20);
        QCOMPARE(twin.screen(), 1);
    }

    void variablesThatChange() {
        SceneBuilder builder;
        Document d = openKiln();
        Twin twin(builder.build(d));
        twin.step(0);
        QVERIFY(twin.set("kiln_temp", "900").has_value());
        d = *renameVariable(d, "limit", "ceiling");
        d = withVariable(d, makeNumber("first", 0, 9, 3));
        twin.update(builder.build(d));
        QCOMPARE(twin.get("kiln_temp"), std::string("900"));
        QCOMPARE(twin.get("first"), std::string("3"));
        Variable narrow = *d.variable("kiln_temp");
        narrow.max = 800;
        narrow.start = 700;
        twin.update(builder.build(withVariable(d, narrow)));
        QCOMPARE(twin.get("kiln_temp"), std::string("800"));
    }

    // Random edits through one builder give the same frames as a fresh one: nothing stale is kept.
    void buildingInStepsEqualsBuildingAtOnce() {
        SceneBuilder steady;
        Document d = openKiln();
        (void)steady.build(d);
        std::mt19937 random(3);
        for (int i = 0; i < 120; ++i) {
            const auto screen = static_cast<size_t>(random() % d.screens.size());
            const Screen& on = *d.screens[screen];
            const std::string name = on.widgets.empty() ? "" : on.widgets[random() % on.widgets.size()]->name;
            const Names names{name};
            Result<Document> next = d;
            switch (random() % 9) {
                case 0:
                    next =
                        gorsefinch::setProperty(d, on.name, names, "text",
                                                std::string(1 + random() % 9, static_cast<char>('A' + random() % 50)));
                    break;
                case 1:
                    next = gorsefinch::setProperty(d, on.name, names, "x", static_cast<int64_t>(random() % 300));
                    break;
                case 2:
                    next = gorsefinch::setProperty(d, on.name, names, "size", static_cast<int64_t>(10 + random() % 30));
                    break;
                case 3:
                    next = gorsefinch::setProperty(d, on.name, names, "look",
                                                   std::string(random() % 2 != 0 ? "quiet" : "danger"));
                    break;
                case 4:
                    next = addWidgets(
                        d, on.name,
                        {makeWidget("more", Kind::Text, 5, 5, 90, 20, {{"text", std::string("{target} ß")}})});
                    break;
                case 5: {
                    Look look = *d.look("button");
                    look.style["radius"] = static_cast<int64_t>(random() % 12);
                    next = withLook(d, look);
                    break;
                }
                case 6: {
                    Variable v = *d.variable("target");
                    v.start = 20 + static_cast<int32_t>(random() % 900);
                    next = withVariable(d, v);
                    break;
                }
                case 7:
                    next = d.screens.size() < 6 ? duplicateScreen(d, static_cast<int>(screen)) : moveScreen(d, 0, 2);
                    break;
                default: next = gorsefinch::setProperty(d, on.name, names, "visible", random() % 3 != 0); break;
            }
            if (!next)
                continue;
            d = *next;
            const BuiltSceneRef kept = steady.build(d);
            SceneBuilder fresh;
            const BuiltSceneRef anew = fresh.build(d);
            QCOMPARE(kept->problems.size(), anew->problems.size());
            for (int s = 0; s < static_cast<int>(d.screens.size()); ++s)
                QVERIFY2(drawScreen(*kept, s).bytes() == drawScreen(*anew, s).bytes(),
                         qPrintable(QString("edit %1, screen %2").arg(i).arg(s)));
            QCOMPARE(gorse_state_bytes(&kept->scene), gorse_state_bytes(&anew->scene));
        }
    }

    void anEditLeavesOtherScreensBuilt() {
        SceneBuilder builder;
        Document d = openKiln();
        const BuiltSceneRef before = builder.build(d);
        d = *gorsefinch::setProperty(d, "status", Names{"step_text"}, "x", int64_t{1});
        const BuiltSceneRef after = builder.build(d);
        QVERIFY(before->parts[0] != after->parts[0]);
        QCOMPARE(before->parts[1], after->parts[1]);
        QCOMPARE(before->parts[2], after->parts[2]);
        QCOMPARE(before->rules, after->rules);
    }

    void fontsHoldJustWhatIsNeeded() {
        SceneBuilder builder;
        Document d = makeDocument();
        Disk disk;
        d = addFace(d, "B612-Regular.otf",
                    std::make_shared<const FileContents>(
                        *readFile(disk, examplePath("kiln") + "/fonts/B612-Regular.otf", kMaxPictureFile)),
                    nullptr);
        d = addWidgets(d, "first", {makeWidget("t", Kind::Text, 0, 0, 90, 20, {{"text", std::string("abba")}})});
        const BuiltSceneRef one = builder.build(d);
        QCOMPARE(one->fonts.size(), size_t{1});
        QCOMPARE(one->fonts[0]->glyphCount(), size_t{3});  // the missing box, a, b
        d = *gorsefinch::setProperty(d, "first", Names{"t"}, "text", std::string("cd {x}"));
        d = withVariable(d, makeNumber("x", -5, 5, 0));
        const BuiltSceneRef two = builder.build(d);
        QCOMPARE(two->fonts[0]->glyphCount(), size_t{1 + 3 + 10 + 1});  // c d blank, digits, minus
        d = *gorsefinch::setProperty(d, "first", Names{"t"}, "text", std::string("😀"));
        QVERIFY(!builder.build(d)->problems.empty());
    }

    void referencesToNothingAreProblems() {
        Document d = openKiln();
        d = addWidgets(d, "alarm",
                       {makeWidget("lost", Kind::Image, 0, 0, 10, 10, {{"image", std::string("nowhere")}}),
                        makeWidget("faceless", Kind::Text, 0, 0, 10, 10,
                                   {{"text", std::string("x")}, {"font", std::string("gone")}})});
        d = changeWidgets(d, "alarm", Names{"title_text"}, [](Widget& w) { w.look = "missing"; });
        SceneBuilder builder;
        const BuiltSceneRef scene = builder.build(d);
        int found = 0;
        for (const Problem& p : scene->problems)
            found += p.screen == "alarm" && !p.widget.empty() && !p.reason.empty() && !p.remedy.empty();
        QVERIFY(found >= 3);
        (void)drawScreen(*scene, 2);
    }

    void facesThatAreNone() {
        Document d = makeDocument();
        d = addFace(d, "noise.ttf", std::make_shared<const FileContents>(std::string(5000, 'x')), nullptr);
        d = addWidgets(d, "first", {makeWidget("t", Kind::Text, 0, 0, 90, 20, {{"text", std::string("abba")}})});
        SceneBuilder builder;
        const BuiltSceneRef scene = builder.build(d);
        QVERIFY(hasErrors(scene->problems));
        QVERIFY(scene->problems.front().text().find("fonts/noise.ttf") != std::string::npos);
        Disk disk;
        const std::string whole = *readFile(disk, examplePath("kiln") + "/fonts/B612-Regular.otf", kMaxPictureFile);
        for (size_t length = 0; length < whole.size(); length += whole.size() / 40) {
            const auto face =
                openFace(std::make_shared<const FileContents>(whole.substr(0, length)), "cut.otf", {16, 4});
            if (face)
                (void)(*face)->glyph(U'A');
        }
        QVERIFY(!openFace(std::make_shared<const FileContents>(whole.substr(0, 100)), "cut.otf", {16, 4}));
    }
};

GORSEFINCH_TEST(TestLiveEdit, Nothing)
#include "tst_live_edit.moc"
