// SPDX-License-Identifier: GPL-3.0-or-later
// Rules are compiled anew only for edits that they depend on, and a scene is the same either way.
#include <QtTest>

#include "core/edits/edit.h"
#include "core/edits/tree_edits.h"
#include "core/emit/generate.h"
#include "tests/support/projects.h"
#include "tests/support/test_case.h"

using namespace gorsefinch;
using namespace support;

namespace {

using Edit = std::function<Document(const Document&)>;

constexpr const char* kRules =
    "on one_button.tap\n    one.words.text = \"first\"\n    hide two.ground\n\n"
    "on two.two_button.tap\n    two.words.text = \"second\"\n    toggle two_button\n    stop two.fire\n\n"
    "every 5 s\n    one.words.x = two.words.w - 1\n";

// Rules that name widgets with and without their screen, and set texts of two screens.
Document project() {
    Document d = openKiln();
    for (const char* screen : {"one", "two"})
        d = addWidgets(addScreen(d, 0, screen), screen,
                       {makeWidget("ground", Kind::Rectangle, 0, 0, 90, 90),
                        makeWidget("words", Kind::Text, 0, 0, 90, 20, {{"text", std::string("at ") + screen}}),
                        makeWidget("fire", Kind::Frames, 0, 60, 40, 40, {{"image", std::string("flame")}}),
                        makeWidget(std::string(screen) + "_button", Kind::Button, 0, 30, 90, 20)});
    return withRules(d, "main", kRules);
}

Widget named(const char* name) { return makeWidget(name, Kind::Rectangle, 5, 5, 9, 9); }

struct EditOfRules {
    const char* title;
    bool compiles;
    Edit edit;
};

const std::vector<EditOfRules>& steps() {
    static const std::vector<EditOfRules> all = {
        {"a widget on top", false, [](const Document& d) { return addWidgets(d, "one", {named("more")}); }},
        {"its removal", false, [](const Document& d) { return removeWidgets(d, "one", Names{"more"}); }},
        {"a name that rules use in the short form, which names its screen then", true,
         [](const Document& d) { return addWidgets(d, "alarm", {named("one_button")}); }},
        {"the short form again, which is unclear", true,
         [](const Document& d) { return withRules(d, "main", kRules); }},
        {"is clear again", true, [](const Document& d) { return removeWidgets(d, "alarm", Names{"one_button"}); }},
        {"a name that rules use only with another screen", false,
         [](const Document& d) { return addWidgets(d, "alarm", {named("words")}); }},
        {"the lowest widget goes up, over those that rules name", true,
         [](const Document& d) { return reorderWidgets(d, "one", Names{"ground"}, Depth::ToTop); }},
        {"a widget that nobody names goes", false,
         [](const Document& d) {
             const Screen& status = *d.screens[static_cast<size_t>(d.screenIndex("status"))];
             return removeWidgets(d, "status", Names{status.widgets.front()->name});
         }},
        {"one above those that rules name", false,
         [](const Document& d) { return addWidgets(d, "two", {named("bottom")}); }},
        {"moves below them", true, [](const Document& d) { return *moveInto(d, "two", Names{"bottom"}, "", 0); }},
        {"and goes", true, [](const Document& d) { return removeWidgets(d, "two", Names{"bottom"}); }},
        {"a named widget moves", false,
         [](const Document& d) { return *setProperty(d, "two", Names{"words"}, "x", int64_t{3}); }},
        {"the text that rules exchange", false,
         [](const Document& d) { return *setProperty(d, "two", Names{"words"}, "text", std::string("zwei")); }},
        {"another kind under the same name", true,
         [](const Document& d) {
             return changeWidgets(d, "two", Names{"two_button"}, [](Widget& w) { w.kind = Kind::Rectangle; });
         }},
        {"a button again", true,
         [](const Document& d) {
             return changeWidgets(d, "two", Names{"two_button"}, [](Widget& w) { w.kind = Kind::Button; });
         }},
        {"a screen before the others", true, [](const Document& d) { return addScreen(d, 0, "zero"); }},
        {"screens in another order", true, [](const Document& d) { return moveScreen(d, 0, 2); }},
        {"other words in rules", true,
         [](const Document& d) {
             std::string text = d.rules->front().text;
             text.replace(text.find("first"), 5, "1st, ÄÖÜ");
             return withRules(d, "main", text);
         }},
        {"a named widget goes", true, [](const Document& d) { return removeWidgets(d, "two", Names{"words"}); }},
        {"and comes again", true, [](const Document& d) { return addWidgets(d, "two", {named("words")}); }},
    };
    return all;
}

}  // namespace

class TestRulesKept : public QObject {
    Q_OBJECT

  private Q_SLOTS:
    void aSceneIsTheSameEitherWay() {
        SceneBuilder builder;
        Document document = project();
        BuiltSceneRef before = builder.build(document);
        QVERIFY(!hasErrors(before->problems));
        for (const EditOfRules& step : steps()) {
            document = step.edit(document);
            const BuiltSceneRef kept = builder.build(document);
            const BuiltSceneRef anew = SceneBuilder().build(document);
            QCOMPARE(kept->problems.size(), anew->problems.size());
            for (auto a = kept->problems.begin(), b = anew->problems.begin(); a != kept->problems.end(); ++a, ++b)
                QCOMPARE(a->text(), b->text());
            const GeneratedCode one = generateCode(*kept), two = generateCode(*anew);
            QVERIFY2(one.files == two.files, step.title);
            QVERIFY2((kept->rules != before->rules) == step.compiles, step.title);
            before = kept;
        }
    }

    // An edit of one screen leaves another whose texts rules set as it was built.
    void screensWithTextsOfRulesStay() {
        SceneBuilder builder;
        const Document document = project();
        const BuiltSceneRef before = builder.build(document);
        const auto edited = [&](const char* screen) {
            return builder.build(*gorsefinch::setProperty(document, screen, Names{"ground"}, "x", int64_t{7}));
        };
        const int one = document.screenIndex("one"), two = document.screenIndex("two");
        const auto part = [](const BuiltSceneRef& scene, int screen) {
            return scene->parts[static_cast<size_t>(screen)].get();
        };
        BuiltSceneRef after = edited("one");
        QVERIFY(part(after, one) != part(before, one) && part(after, two) == part(before, two));
        QCOMPARE(part(after, two)->slotTexts.size(), size_t{1});
        after = edited("two");
        QVERIFY(part(after, two) != part(before, two));
    }
};

GORSEFINCH_TEST(TestRulesKept, Nothing)
#include "tst_rules_kept.moc"
