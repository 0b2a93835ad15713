// SPDX-License-Identifier: GPL-3.0-or-later
// What is wrong with a project is told with the place, the reason and the way out; the rest goes on, and the problem
// goes when it is mended.
#include <QtTest>

#include "core/edits/image_edits.h"
#include "core/emit/generate.h"
#include "core/emit/generation_problems.h"
#include "core/sim/twin.h"
#include "tests/support/projects.h"
#include "tests/support/test_case.h"

using namespace gorsefinch;
using namespace support;

namespace {

Document withProperty(const Document& d, const char* key, const PropertyValue& value) {
    return *gorsefinch::setProperty(d, "status", Names{"step_text"}, key, value);
}

Document withWidget(const Document& d, const char* name, Kind kind, PropertyMap properties) {
    return addWidgets(d, "status", {makeWidget(name, kind, 0, 0, 40, 20, std::move(properties))});
}

struct Break {
    const char* title;
    std::function<Document(const Document&)> make;
    Severity severity;
    const char* place;   // part of file and place
    const char* reason;  // part of it
};

const std::vector<Break> breaks{
    {"no such look",
     [](const Document& d) {
         return changeWidgets(d, "status", Names{"step_text"}, [](Widget& w) { w.look = "gone"; });
     },
     Severity::Error, "screens/status.json: step_text", "no look \"gone\""},
    {"no such face", [](const Document& d) { return withProperty(d, "font", std::string("gone")); }, Severity::Error,
     "screens/status.json: step_text", "no face \"gone\""},
    {"no such image",
     [](const Document& d) {
         return withWidget(d, "picture", Kind::Image, {{"image", std::string("gone")}});
     },
     Severity::Error, "screens/status.json: picture", "no image \"gone\""},
    {"an image without one", [](const Document& d) { return withWidget(d, "picture", Kind::Image, {}); },
     Severity::Warning, "screens/status.json: picture", "no image"},
    {"frames that follow nothing",
     [](const Document& d) {
         return withWidget(d, "moving", Kind::Frames,
                           {{"image", std::string("flame")}, {"variable", std::string("gone")}});
     },
     Severity::Error, "screens/status.json: moving", "gone"},
    {"a text of no variable", [](const Document& d) { return withProperty(d, "text", std::string("{gone} of 6")); },
     Severity::Error, "step_text", "no variable \"gone\""},
    {"an open brace", [](const Document& d) { return withProperty(d, "text", std::string("step {step")); },
     Severity::Error, "step_text", "column"},
    {"an unknown form", [](const Document& d) { return withProperty(d, "text", std::string("{step:yards}")); },
     Severity::Error, "step_text", "form"},
    {"a character that no face has",
     [](const Document& d) { return withProperty(d, "text", std::string("\xe6\xad\xa5")); }, Severity::Warning,
     "step_text", "no character"},
    {"a rule of nothing", [](const Document& d) { return withRules(d, "main", "on gone.tap\n    back\n"); },
     Severity::Error, "rules/main.rules", "no widget \"gone\""},
    {"a rule that goes nowhere", [](const Document& d) { return withRules(d, "main", "on start\n    go gone\n"); },
     Severity::Error, "rules/main.rules", "no screen \"gone\""},
    {"a tap on a text", [](const Document& d) { return withRules(d, "main", "on step_text.tap\n    back\n"); },
     Severity::Error, "rules/main.rules", "takes no touch"},
    {"lost decimals", [](const Document& d) { return withRules(d, "main", "on start\n    kiln_temp = heating\n"); },
     Severity::Warning, "rules/main.rules", "decimals"},
    {"an image's file that is gone",
     [](const Document& d) {
         Image image = *d.image("pot");
         image.original = nullptr;
         return withImage(d, image);
     },
     Severity::Error, "pot", ""},
    {"an image's file that is none",
     [](const Document& d) {
         Image image = *d.image("pot");
         image.original = std::make_shared<const FileContents>("no picture");
         return withImage(d, image);
     },
     Severity::Error, "pot_image", "images/pot.png"},
    {"a face's file that is none",
     [](const Document& d) {
         Face face = *d.face("regular");
         face.original = std::make_shared<const FileContents>("no face");
         return withFace(d, face);
     },
     Severity::Error, "screens/", "fonts/"},
    {"a variable that is gone", [](const Document& d) { return removeVariable(d, "kiln_temp"); }, Severity::Error,
     "kiln_temp_text", "no variable"},
    {"a screen that is gone", [](const Document& d) { return removeScreen(d, 2); }, Severity::Error, "rules/main.rules",
     "no screen \"alarm\""},
};

Problems allProblems(const BuiltScene& scene) {
    Problems all = scene.problems.list();
    const Problems more = generationProblems(scene);
    all.insert(all.end(), more.begin(), more.end());
    return all;
}

}  // namespace

class TestProblems : public QObject {
    Q_OBJECT

  private Q_SLOTS:
    void theDemosHaveNone() {
        for (const char* example : {"kiln", "hive", "enlarger", "aquifer"}) {
            SceneBuilder builder;
            const BuiltSceneRef scene = builder.build(openExample(example));
            QVERIFY2(allProblems(*scene).empty(), example);
        }
    }

    void eachIsToldAndGoesAgain_data() {
        QTest::addColumn<int>("number");
        for (size_t i = 0; i < breaks.size(); ++i)
            QTest::newRow(breaks[i].title) << static_cast<int>(i);
    }

    void eachIsToldAndGoesAgain() {
        QFETCH(int, number);
        const Break& broken = breaks[static_cast<size_t>(number)];
        const Document whole = openKiln();
        SceneBuilder builder;
        Twin twin(builder.build(whole));
        twin.step(0);
        const BuiltSceneRef scene = builder.build(broken.make(whole));
        const Problems all = allProblems(*scene);
        const auto told = std::find_if(all.begin(), all.end(), [&](const Problem& p) {
            return p.severity == broken.severity && (p.file + ": " + p.place).find(broken.place) != std::string::npos &&
                   p.reason.find(broken.reason) != std::string::npos;
        });
        std::string heard;
        for (const Problem& each : all)
            heard += each.text() + "\n";
        QVERIFY2(told != all.end(), heard.c_str());
        QVERIFY2(!told->remedy.empty(), told->text().c_str());
        QVERIFY(told->line > 0 || told->file.find("rules/") == std::string::npos);
        // Errors keep code back, warnings don't.
        QCOMPARE(generateCode(*scene).files.empty(), broken.severity == Severity::Error);
        // The twin goes on with what there is.
        twin.update(scene);
        twin.touch(160, 212, true);
        twin.touch(160, 212, false);
        twin.step(50);
        QVERIFY(allProblems(*builder.build(whole)).empty());
    }

    // The place of a mistake in rules is the word that is wrong.
    void rulesTellLineAndColumn() {
        SceneBuilder builder;
        const BuiltSceneRef scene = builder.build(
            withRules(openKiln(), "main", "on stop_button.tap\n    firing = no\n    kiln_temp = gone + 1\n"));
        QCOMPARE(scene->problems.size(), size_t{1});
        QCOMPARE(scene->problems.front().line, 3);
        QCOMPARE(scene->problems.front().column, 17);
        QVERIFY(scene->problems.front().text().find("rules/main.rules") != std::string::npos);
    }

    // One mistake is one problem, however many screens are built again around it.
    void problemsAreNotRepeated() {
        SceneBuilder builder;
        Document d = changeWidgets(openKiln(), "alarm", Names{"title_text"}, [](Widget& w) { w.look = "gone"; });
        const size_t once = builder.build(d)->problems.size();
        for (int i = 0; i < 5; ++i) {
            d = *gorsefinch::setProperty(d, "status", Names{"step_text"}, "x", int64_t{i});
            QCOMPARE(builder.build(d)->problems.size(), once);
        }
    }

    // Those of screens, of rules and of texts, in the order of their origins.
    void problemsOfSeveralOrigins() {
        Document d = withRules(openKiln(), "main", "on stop_button.tap\n    kiln_temp = gone + 1\n    also = gone\n");
        for (const char* screen : {"alarm", "status"})
            d = changeWidgets(d, screen, Names{screen == std::string("alarm") ? "title_text" : "step_text"},
                              [](Widget& w) { w.look = "gone"; });
        SceneBuilder builder;
        const BuiltSceneRef scene = builder.build(d);
        const Problems all = scene->problems.list();
        QCOMPARE(all.size(), scene->problems.size());
        size_t count = 0;
        for (const Problem& each : scene->problems)
            QCOMPARE(each.text(), all[count++].text());
        QCOMPARE(count, all.size());
        QCOMPARE(scene->problems.front().text(), all.front().text());
        QVERIFY(hasErrors(scene->problems));
        QCOMPARE(std::count_if(all.begin(), all.end(), [](const Problem& p) { return !p.screen.empty(); }), 2);
        QCOMPARE(std::count_if(all.begin(), all.end(), [](const Problem& p) { return p.line > 0; }), 2);
        const SharedProblems none;
        QVERIFY(none.empty() && none.list().empty() && none.begin() == none.end() && !hasErrors(none));
    }
};

GORSEFINCH_TEST(TestProblems, Nothing)
#include "tst_problems.moc"
