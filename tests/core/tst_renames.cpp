// SPDX-License-Identifier: GPL-3.0-or-later
// Whatever gets another name, all that speaks of it goes on meaning it, and all else stays as it was.
#include <QtTest>

#include "core/project/project_text.h"
#include "core/sim/twin.h"
#include "tests/support/projects.h"
#include "tests/support/test_case.h"

using namespace gorsefinch;
using namespace support;

namespace {

// Two screens with a button `go_button` on the first, `enter` on the second, and an animation `bee` on it.
Document renameProject(const std::string& rules) {
    Document d = makeDocument({"status", "menu"});
    d = withVariable(d, makeNumber("temp", 0, 100, 5));
    d = withVariable(d, makeNumber("s", 0, 100, 5));
    d = withVariable(d, makeNumber("mm", 0, 100, 5));
    d = addWidgets(d, "status", {makeWidget("go_button", Kind::Button, 0, 0, 90, 40)});
    d = addWidgets(d, "menu",
                   {makeWidget("enter", Kind::Button, 0, 0, 90, 40), makeWidget("bee", Kind::Frames, 0, 90, 9, 9)});
    return withRules(d, "main", rules);
}

std::string rulesOf(const Document& document) { return document.rules->front().text; }

Document renamedWidget(const Document& d, const std::string& screen, const std::string& from, const std::string& to) {
    const auto next = renameWidget(d, screen, from, to);
    return next ? *next : d;
}

// Gives each thing of a project another name.
Document renamedThroughout(Document d, const std::function<std::string(const std::string&)>& fresh) {
    const Document before = d;
    for (const Variable& each : *before.variables)
        d = *renameVariable(d, each.name, fresh(each.name));
    for (const Look& each : *before.looks)
        d = *renameLook(d, each.name, fresh(each.name));
    for (const Image& each : *before.images)
        d = *renameImage(d, each.name, fresh(each.name));
    for (const Face& each : *before.faces)
        d = *renameFace(d, each.name, fresh(each.name));
    for (const ScreenRef& screen : before.screens) {
        for (const WidgetRef& widget : screen->widgets)
            d = *renameWidget(d, screen->name, widget->name, fresh(widget->name));
        d = *renameScreen(d, screen->name, fresh(screen->name));
    }
    return d;
}

}  // namespace

class TestRenames : public QObject {
    Q_OBJECT

  private Q_SLOTS:
    void eachPlaceOfRules_data() {
        QTest::addColumn<QString>("what");
        QTest::addColumn<QString>("before");
        QTest::addColumn<QString>("after");
        const auto row = [](const char* title, const char* what, const char* before, const char* after) {
            QTest::newRow(title) << what << before << after;
        };
        row("event", "widget", "on go_button.tap\n    back\n", "on NEW.tap\n    back\n");
        row("event with its screen", "widget", "on status.go_button.tap\n    back\n", "on status.NEW.tap\n    back\n");
        row("another screen's", "widget", "on menu.go_button.tap\n    back\n", "on menu.go_button.tap\n    back\n");
        row("shown and hidden", "widget",
            "on start\n    show go_button\n    hide status.go_button\n    toggle go_button\n",
            "on start\n    show NEW\n    hide status.NEW\n    toggle NEW\n");
        row("properties", "widget", "when go_button.visible\n    status.go_button.x = go_button.y + 1\n",
            "when NEW.visible\n    status.NEW.x = NEW.y + 1\n");
        row("a variable of its name", "widget", "on start\n    go_button = 1 + go_button\n",
            "on start\n    go_button = 1 + go_button\n");
        row("a hook of its name", "widget", "on start\n    call go_button(go_button.x)\n",
            "on start\n    call go_button(NEW.x)\n");
        row("a property of its name", "widget", "on start\n    bee.go_button = 1\n",
            "on start\n    bee.go_button = 1\n");
        row("played", "bee", "on start\n    play bee\n    stop menu.bee\n\non bee.done\n    play menu.bee\n",
            "on start\n    play NEW\n    stop menu.NEW\n\non NEW.done\n    play menu.NEW\n");
        row("a widget named as an event", "enter",
            "on menu.enter\n    hide enter\n\non menu.enter.tap\n    show menu.enter\n",
            "on menu.enter\n    hide NEW\n\non menu.NEW.tap\n    show menu.NEW\n");
        row("variables", "variable",
            "when temp > 3\n    temp = temp + 1\notherwise\n    go_button.x = temp\n    call temp(temp)\n",
            "when NEW > 3\n    NEW = NEW + 1\notherwise\n    go_button.x = NEW\n    call temp(NEW)\n");
        row("variables in texts", "variable",
            "on start\n    go_button.text = \"{temp:0.0} temp {{temp}} {temp > 1 ? temp : 2}\"\n",
            "on start\n    go_button.text = \"{NEW:0.0} temp {{temp}} {NEW > 1 ? NEW : 2}\"\n");
        row("a comment", "variable", "// temp\non start // temp\n    temp = 1 // temp\n",
            "// temp\non start // temp\n    NEW = 1 // temp\n");
        row("while", "variable", "every 1 s while temp > 1\n    back\n", "every 1 s while NEW > 1\n    back\n");
        row("a unit of time", "s", "every 1 s while s > 1\n    s = 2\n", "every 1 s while NEW > 1\n    NEW = 2\n");
        row("the form of an inset", "mm", "on start\n    go_button.text = \"{mm:mm:ss}\"\n",
            "on start\n    go_button.text = \"{NEW:mm:ss}\"\n");
        row("the word that begins a rule", "when", "when when > 1\n    when = when + 1\notherwise\n    back\n",
            "when NEW > 1\n    NEW = NEW + 1\notherwise\n    back\n");
        row("a statement of its name", "back", "on start\n    back\n    back = 1\n",
            "on start\n    back\n    NEW = 1\n");
        row("screens", "screen",
            "on menu.enter\n    go menu\n\non menu.enter.tap\n    hide menu.bee\n    menu.bee.x = menu.bee.y\n",
            "on NEW.enter\n    go NEW\n\non NEW.enter.tap\n    hide NEW.bee\n    NEW.bee.x = NEW.bee.y\n");
        row("a widget named as the screen", "screen", "on menu.tap\n    menu.x = 1\n    show menu\n",
            "on menu.tap\n    menu.x = 1\n    show menu\n");
        row("animated", "widget",
            "on start\n    animate go_button.x from go_button.x to status.go_button.y in 1 s, ease out\n    then stop "
            "go_button.x\n    then animate status.go_button.x to 3 in 2 s, there and back\n    stop "
            "status.go_button.x\n",
            "on start\n    animate NEW.x from NEW.x to status.NEW.y in 1 s, ease out\n    then stop NEW.x\n    then "
            "animate status.NEW.x to 3 in 2 s, there and back\n    stop status.NEW.x\n");
        row("animated by variables", "variable",
            "on start\n    animate go_button.x from temp to temp * 2 + go_button.y in 1 s\n    then temp = temp + 1\n",
            "on start\n    animate go_button.x from NEW to NEW * 2 + go_button.y in 1 s\n    then NEW = NEW + 1\n");
        for (const char* name : {"to", "in"})
            row((std::string("a variable named ") + name).c_str(), name,
                QString("on start\n    animate go_button.x from %1 to %1 + (%1) in 1 s\n").arg(name).toUtf8(),
                "on start\n    animate go_button.x from NEW to NEW + (NEW) in 1 s\n");
        row("words of animations", "s", "on start\n    animate go_button.x to s in 1 s, repeat 2\n",
            "on start\n    animate go_button.x to NEW in 1 s, repeat 2\n");
        row("the screen of what is animated", "screen",
            "on start\n    animate menu.bee.x to menu.bee.y in 1 s\n    then go menu, slide left 1 s\n    stop "
            "menu.bee\n    stop menu.bee.x\n",
            "on start\n    animate NEW.bee.x to NEW.bee.y in 1 s\n    then go NEW, slide left 1 s\n    stop "
            "NEW.bee\n    stop NEW.bee.x\n");
        row("words of transitions", "slide", "on start\n    go menu, slide left 1 s\n    back, slide left\n",
            "on start\n    go menu, slide left 1 s\n    back, slide left\n");
        row("while nobody is there", "variable", "on idle 60 s while temp > 1\n    back\notherwise\n    temp = 2\n",
            "on idle 60 s while NEW > 1\n    back\notherwise\n    NEW = 2\n");
        row("while a swipe", "while", "on go_button.swipe left while while > 1\n    back\n",
            "on go_button.swipe left while NEW > 1\n    back\n");
        row("odd spaces and words that are none", "variable", "on  start \n\ttemp=temp+ 1\r\n    temp $ (temp\n",
            "on  start \n\tNEW=NEW+ 1\r\n    NEW $ (NEW\n");
    }

    void eachPlaceOfRules() {
        QFETCH(QString, what);
        QFETCH(QString, before);
        QFETCH(QString, after);
        Document d = renameProject(before.toStdString());
        for (const char* name : {"when", "back", "to", "in", "slide", "while"})
            d = withVariable(d, makeNumber(name, 0, 100, 5));
        Result<Document> next = d;
        if (what == "widget")
            next = renameWidget(d, "status", "go_button", "fresh");
        else if (what == "bee" || what == "enter")
            next = renameWidget(d, "menu", what.toStdString(), "fresh");
        else if (what == "screen")
            next = renameScreen(d, "menu", "fresh");
        else
            next = renameVariable(d, what == "variable" ? "temp" : what.toStdString(), "fresh");
        QVERIFY(next);
        QCOMPARE(QString::fromStdString(rulesOf(*next)), after.replace("NEW", "fresh"));
    }

    // A second widget of a name would make the short form mean neither: it gets its screen before that.
    void shortNamesGoOnMeaningTheOnlyOne() {
        const std::string rules = "on go_button.tap\n    hide go_button\n    status.go_button.x = 1\n";
        const std::string clear = "on status.go_button.tap\n    hide status.go_button\n    status.go_button.x = 1\n";
        const Document d = renameProject(rules);
        QCOMPARE(rulesOf(addWidgets(d, "menu", {makeWidget("go_button", Kind::Button, 0, 0, 9, 9)})), clear);
        QCOMPARE(rulesOf(duplicateScreen(d, 0)), clear);
        QCOMPARE(rulesOf(renamedWidget(d, "menu", "enter", "go_button")), clear);
        // On its own screen it gets a number, and the rules stay.
        QCOMPARE(rulesOf(addWidgets(d, "status", {makeWidget("go_button", Kind::Button, 0, 0, 9, 9)})), rules);
        QCOMPARE(rulesOf(addWidgets(d, "menu", {makeWidget("other", Kind::Button, 0, 0, 9, 9)})), rules);
        QCOMPARE(rulesOf(duplicateScreen(d, 1)), rules);
        // Among three the rules were clear already.
        const Document three = duplicateScreen(duplicateScreen(d, 0), 0);
        QCOMPARE(rulesOf(three), clear);
        QCOMPARE(rulesOf(renamedWidget(three, "status", "go_button", "b")),
                 "on status.b.tap\n    hide status.b\n    status.b.x = 1\n");
    }

    // The renamed one takes a name that another screen has: both are written with their screens.
    void takingAnothersNameClearsBoth() {
        const Document d = renameProject("on go_button.tap\n    hide enter\n\non enter.tap\n    hide go_button\n");
        QCOMPARE(rulesOf(renamedWidget(d, "status", "go_button", "enter")),
                 std::string("on status.enter.tap\n    hide menu.enter\n\non menu.enter.tap\n    hide status.enter\n"));
    }

    void aDuplicatedScreenLeavesTheRulesRunning() {
        const Document kiln = openKiln();
        for (int i = 0; i < static_cast<int>(kiln.screens.size()); ++i) {
            SceneBuilder builder;
            const BuiltSceneRef scene = builder.build(duplicateScreen(kiln, i));
            QVERIFY2(!hasErrors(scene->problems),
                     scene->problems.empty() ? "" : scene->problems.front().text().c_str());
            QCOMPARE(scene->rules->rules.size(), builder.build(kiln)->rules->rules.size());
        }
    }

    // A swipe is one of a screen, else of a widget.
    void swipesFollow() {
        const Document d = renameProject("on menu.swipe left\n    temp = 1\n\non bee.swipe up\n    temp = 2\n");
        QCOMPARE(rulesOf(*renameScreen(d, "menu", "list")),
                 std::string("on list.swipe left\n    temp = 1\n\non bee.swipe up\n    temp = 2\n"));
        QCOMPARE(rulesOf(*renameWidget(d, "menu", "bee", "wasp")),
                 std::string("on menu.swipe left\n    temp = 1\n\non wasp.swipe up\n    temp = 2\n"));
        // One that has the name of a screen is not meant.
        const Document both = *renameWidget(d, "status", "go_button", "menu");
        QCOMPARE(rulesOf(*renameWidget(both, "status", "menu", "other")), rulesOf(d));
    }

    // However often a word stands that another statement follows, names behind it are followed.
    void longLinesAreRead() {
        std::string line = "on start\n    animate bee.x to 1 in 1 s\n    ";
        for (int i = 0; i < 150000; ++i)
            line += "then ";
        const Document d = renameProject(line + "temp = 1\n");
        QVERIFY(rulesOf(*renameVariable(d, "temp", "fresh")).ends_with("then fresh = 1\n"));
    }

    void namesThatAreRefused() {
        const Document d = renameProject("");
        for (const char* name : {"", "9", "a b", "int", "ü", "_a", "a__b", "menu", "yes", "no", "none", "s"})
            QVERIFY2(!renameVariable(d, "temp", name), name);
        for (const char* name : {"", "while", "status"})
            QVERIFY2(!renameScreen(d, "menu", name), name);
        QVERIFY(!renameWidget(d, "menu", "bee", "enter"));
        QVERIFY(renameWidget(d, "menu", "bee", "go_button"));
        // What isn't there, and what has that name already, leaves all as it is.
        QCOMPARE(toFiles(*renameVariable(d, "nowhere", "x")), toFiles(d));
        QCOMPARE(toFiles(*renameWidget(d, "menu", "nowhere", "x")), toFiles(d));
        QCOMPARE(toFiles(*renameScreen(d, "menu", "menu")), toFiles(d));
    }

    // A variable may have the name of a statement.
    void statementsAndVariablesOfOneName() {
        for (const char* name :
             {"go", "back", "call", "show", "play", "sample", "start", "every", "on", "animate", "then", "idle"}) {
            Document d = renameProject("on start\n    temp = temp + 1\n");
            d = *renameVariable(d, "temp", name);
            SceneBuilder builder;
            const BuiltSceneRef scene = builder.build(d);
            QVERIFY2(!hasErrors(scene->problems), name);
            Twin twin(scene);
            twin.step(0);
            QCOMPARE(twin.get(name), std::string("6"));
        }
    }

    void wholeProjects_data() {
        QTest::addColumn<QString>("example");
        for (const char* each : {"kiln", "hive", "enlarger", "aquifer"})
            QTest::newRow(each) << each;
    }

    // Every name of a demo is changed, and the interface runs as before; changed back, it is the same project.
    void wholeProjects() {
        QFETCH(QString, example);
        const Document before = openExample(qPrintable(example));
        const Document other = renamedThroughout(before, [](const std::string& name) { return name + "_new"; });
        SceneBuilder builder, second;
        Twin was(builder.build(before)), is(second.build(other));
        QCOMPARE(is.scene().problems.size(), was.scene().problems.size());
        for (uint32_t ms = 0; ms < 4000; ms += 250) {
            for (Twin* twin : {&was, &is}) {
                const Panel& panel = *before.panel;
                twin->touch(static_cast<int>(ms * 7) % panel.width, panel.height - 28, ms % 500 == 0);
                twin->step(ms);
            }
            QCOMPARE(is.screen(), was.screen());
            QVERIFY2(is.memory().bytes() == was.memory().bytes(), qPrintable(QString("%1 ms").arg(ms)));
        }
        QCOMPARE(is.ruleRuns(), was.ruleRuns());
        for (const Variable& each : *before.variables)
            QCOMPARE(is.get(each.name + "_new"), was.get(each.name));
        const Document again =
            renamedThroughout(other, [](const std::string& name) { return name.substr(0, name.size() - 4); });
        QCOMPARE(toFiles(again), toFiles(before));
    }
};

GORSEFINCH_TEST(TestRenames, Nothing)
#include "tst_renames.moc"
