// SPDX-License-Identifier: GPL-3.0-or-later
// Assemblies: the interface is that of the same widgets, variables and rules made by hand, byte for byte.
#include <QtTest>

#include "core/check/project_check.h"
#include "core/document/names.h"
#include "core/edits/assembly_edits.h"
#include "core/edits/named_edits.h"
#include "core/emit/costs.h"
#include "core/emit/generate.h"
#include "core/project/project_text.h"
#include "core/assemblies/assemblies.h"
#include "tests/support/built_scene.h"
#include "tests/support/kiln_face.h"
#include "tests/support/operated.h"
#include "tests/support/projects.h"
#include "tests/support/same_by_hand.h"
#include "tests/support/test_case.h"

using namespace gorsefinch;
using namespace support;

namespace {

using Names = std::vector<std::string>;

Document tankProject() {
    Document d = withKilnFace(withPanelOf(makeDocument({"one", "two"}), PixelFormat::Rgb565, 0, 240, 160));
    d = withVariable(d, makeNumber("level", 0, 100, 10));
    d = withVariable(d, makeNumber("count", 0, 1000, 0));
    return withVariable(d, arrayOf(makeNumber("fill", 0, 100, 20), 4));
}

AssemblyInput input(const std::string& name, InputType type, const std::string& start) {
    AssemblyInput out;
    out.name = name;
    out.type = type;
    out.start = start;
    return out;
}

Widget follows(Widget widget, const std::string& key, const std::string& expression) {
    widget.expressions[key] = expression;
    return widget;
}

Widget body(const std::string& name, const PropertyValue& colour) {
    Widget out = makeWidget(name, Kind::Rectangle, 0, 0, 60, 40, {{"fill", colour}});
    out.anchors = "left top right bottom";
    return out;
}

Widget title(const std::string& name, const std::string& text) {
    return makeWidget(name, Kind::Text, 2, 2, 56, 16, {{"text", text}});
}

Widget column(const std::string& name, const std::string& width) {
    return follows(makeWidget(name, Kind::Rectangle, 2, 20, 10, 8, {{"fill", opaque(0x00ffff)}}), "w", width);
}

Widget drain(const std::string& name, const std::string& text = "go") {
    Widget out = makeWidget(name, Kind::Button, 30, 20, 28, 18, {{"text", text}});
    out.anchors = "right bottom";
    return out;
}

Screen tank() {
    Screen out;
    out.name = "tank";
    for (const Widget& each : {body("body", ValueName{"tint"}), title("title", "{label} {amount}"),
                               column("column", "4 + amount / 2"), drain("drain")})
        out.widgets.push_back(std::make_shared<const Widget>(each));
    Assembly assembly;
    assembly.width = 60;
    assembly.height = 40;
    AssemblyInput times = input("times", InputType::Number, "0");
    times.inner = true;
    assembly.inputs = {input("label", InputType::Text, "Tank"), input("amount", InputType::Number, "5"),
                       input("tint", InputType::Colour, "#203040"), input("target", InputType::Variable, "count"),
                       times};
    assembly.events = {{"drained", "drain", "tap", {}}};
    out.assembly = std::make_shared<const Assembly>(assembly);
    return out;
}

Widget use(const std::string& name, int x, int y, InputMap inputs, int w = 60, int h = 40) {
    Widget out = makeWidget(name, Kind::Assembly, x, y, w, h, {{kOfKey, std::string("tank")}});
    out.inputs = std::move(inputs);
    return out;
}

Document withTank(Document d) {
    d.screens.push_back(std::make_shared<const Screen>(tank()));
    return withRules(d, "tank",
                     "on drain.tap\n    times = times + 1\n    target = target + times\n    body.fill = #FF0000\n");
}

// Two uses: one with a live amount, the other with one that rules set.
Document withTanks() {
    Document d = withTank(tankProject());
    d = addWidgets(d, "one",
                   {use("left", 4, 4, {{"label", "L {level}"}, {"amount", "= level"}, {"tint", "#400000"}}),
                    use("right", 100, 4, {{"label", "R"}, {"amount", "40"}}, 100, 60)});
    return withRules(d, "main",
                     "on right.drained\n    right.amount = right.amount + 10\n\n"
                     "when level > 50\n    right.amount = 3\n");
}

Document withTanksByHand() {
    Document d = tankProject();
    for (const char* each : {"times_l", "times_r"})
        d = withVariable(d, makeNumber(each, -32768, 32767, 0));
    d = withVariable(d, makeNumber("amount_r", -32768, 32767, 40));
    d = addWidgets(d, "one",
                   {makeWidget("left", Kind::Group, 4, 4, 60, 40), makeWidget("right", Kind::Group, 100, 4, 100, 60)});
    d = addWidgets(d, "one",
                   {body("body_l", opaque(0x400000)), title("title_l", "L {level} {level}"),
                    column("column_l", "4 + level / 2"), drain("drain_l")},
                   nullptr, "left");
    Widget large = body("body_r", opaque(0x203040));
    large.w = 100;
    large.h = 60;
    Widget moved = drain("drain_r");
    moved.x += 40;
    moved.y += 20;
    d = addWidgets(d, "one", {large, title("title_r", "R {amount_r}"), column("column_r", "4 + amount_r / 2"), moved},
                   nullptr, "right");
    return withRules(
        d, "main",
        "on drain_l.tap\n    times_l = times_l + 1\n    count = count + times_l\n    body_l.fill = #FF0000\n\n"
        "on drain_r.tap\n    times_r = times_r + 1\n    count = count + times_r\n    body_r.fill = #FF0000\n\n"
        "on drain_r.tap\n    amount_r = amount_r + 10\n\n"
        "when level > 50\n    amount_r = 3\n");
}

}  // namespace

class TestAssemblies : public QObject {
    Q_OBJECT

    static void raise(Hand& hand) {
        QVERIFY(hand.twin.set("level", "60"));
        hand.step(20);
    }

  private Q_SLOTS:
    void usesAreTheSameByHand() {
        compareByHand(withTanks(), withTanksByHand(),
                      {[](Hand& hand) { hand.tap(40, 30); }, [](Hand& hand) { hand.tap(180, 50); },
                       [](Hand& hand) { hand.tap(180, 50); }, raise});
    }

    void aSeriesOfUsesHasAnArray() {
        Document d = withTank(tankProject());
        Widget row = use("row", 4, 4, {{"label", "T{series + 1}"}, {"amount", "7"}, {"target", "fill[series]"}});
        row.seriesColumns = 3;
        row.seriesX = 70;
        d = addWidgets(d, "one", {row});
        d = withRules(d, "main",
                      "on row.drained\n    row.amount = row.amount + 10 * (series + 1)\n    count = count + 1\n");
        Document byHand = tankProject();
        std::string rules;
        for (int i = 0; i < 3; ++i) {
            const std::string n = std::to_string(i);
            byHand = withVariable(byHand, makeNumber("a" + n, -32768, 32767, 7));
            byHand = withVariable(byHand, makeNumber("t" + n, -32768, 32767, 0));
            byHand = addWidgets(byHand, "one", {makeWidget("g" + n, Kind::Group, 4 + 70 * i, 4, 60, 40)});
            byHand = addWidgets(
                byHand, "one",
                {body("b" + n, opaque(0x203040)), title("t" + n + "t", "T" + std::to_string(i + 1) + " {a" + n + "}"),
                 column("c" + n, "4 + a" + n + " / 2"), drain("d" + n)},
                nullptr, "g" + n);
            rules += "on d" + n + ".tap\n    t" + n + " = t" + n + " + 1\n    fill[" + n + "] = fill[" + n + "] + t" +
                     n + "\n    b" + n + ".fill = #FF0000\n    a" + n + " = a" + n + " + 10 * (" + n +
                     " + 1)\n    count = count + 1\n\n";
        }
        byHand = withRules(byHand, "main", rules);
        std::vector<std::function<void(Hand&)>> steps;
        for (int i = 0; i < 3; ++i)
            steps.push_back([i](Hand& hand) { hand.tap(40 + 70 * i, 30); });
        compareByHand(d, byHand, steps);
        Hand hand(d);
        hand.tap(40 + 70, 30);
        hand.tap(40 + 70, 30);
        QCOMPARE(hand["fill"], std::string("20, 23, 20, 20"));
    }

    void aBackingScreenHasUses() {
        Document d = withTank(tankProject());
        d = addScreen(d, 1, "bar");
        d = addWidgets(d, "bar", {use("pump", 4, 4, {{"amount", "1"}})});
        for (const char* each : {"one", "two"}) {
            Screen screen = *d.screen(each);
            screen.above = {"bar"};
            d = withScreen(d, d.screenIndex(each), std::move(screen));
        }
        d = withRules(d, "main", "on bar.pump.drained\n    bar.pump.amount = bar.pump.amount + 10\n    go two\n");
        Hand hand(d);
        hand.tap(40, 30);
        QCOMPARE(hand.twin.screen(), 1);
        QCOMPARE(hand["count"], std::string("1"));
        QCOMPARE(hand["bar__pump__amount"], std::string("11"));
        const auto bytes = hand.bytes();
        hand.twin.go(0);
        hand.step(20);
        hand.tap(120, 100);
        QVERIFY2(hand.bytes() != std::vector<uint8_t>(bytes.size()), "something shows");
    }

    void theyNest() {
        Document d = withTank(tankProject());
        Screen plant;
        plant.name = "plant";
        Assembly assembly;
        assembly.width = 130;
        assembly.height = 50;
        assembly.inputs = {input("name", InputType::Text, "P"), input("paint", InputType::Colour, "#004000"),
                           input("held", InputType::Number, "9")};
        assembly.events = {{"emptied", "b", "drained", {}}};
        plant.assembly = std::make_shared<const Assembly>(assembly);
        for (const Widget& each : {use("a", 0, 0, {{"label", "{name}1"}, {"tint", "paint"}, {"amount", "= held + 1"}}),
                                   use("b", 66, 0, {{"label", "{name}2"}})})
            plant.widgets.push_back(std::make_shared<const Widget>(each));
        d.screens.push_back(std::make_shared<const Screen>(plant));
        Widget site = makeWidget("site", Kind::Assembly, 10, 10, 130, 50, {{kOfKey, std::string("plant")}});
        site.inputs = {{"name", "Q"}, {"held", "= level"}};
        d = addWidgets(d, "one", {site});
        d = withRules(d, "main", "on site.emptied\n    count = count + 100\n");
        SceneBuilder builder;
        const BuiltSceneRef scene = builtWithoutErrors(builder, d);
        const Screen& shown = *scene->document.screen("one");
        const auto at = [&](const std::string& name) {
            return *shown.widgets[static_cast<size_t>(widgetIndex(shown, name))];
        };
        QCOMPARE(std::get<std::string>(at("site__a__title").properties.at("text")), std::string("Q1 {((level) + 1)}"));
        QCOMPARE(std::get<std::string>(at("site__b__title").properties.at("text")), std::string("Q2 5"));
        QCOMPARE(std::get<Colour>(at("site__a__body").properties.at("fill")), opaque(0x004000));
        Hand hand(d);
        hand.tap(10 + 66 + 40, 10 + 30);
        QCOMPARE(hand["count"], std::string("101"));
    }

    void noAssemblyHoldsItself() {
        Document d = withTank(tankProject());
        d = addWidgets(d, "tank", {use("inner", 0, 0, {})});
        d = addWidgets(
            d, "one",
            {use("left", 4, 4, {}), makeWidget("odd", Kind::Assembly, 0, 0, 10, 10, {{kOfKey, std::string("gone")}})});
        SceneBuilder builder;
        const BuiltSceneRef scene = builder.build(d);
        QVERIFY(tells(scene->problems, "the assembly tank would hold itself"));
        QVERIFY(tells(scene->problems, "there is no assembly \"gone\""));
    }

    void filesKeepThem() {
        const Document d = withTanks();
        const ReadProject read = readFiles(toFiles(d));
        QVERIFY(read.document && read.problems.empty());
        QVERIFY(toFiles(*read.document) == toFiles(d));
        QVERIFY(*read.document->screen("tank")->assembly == *d.screen("tank")->assembly);
        Hand one(d), two(*read.document);
        QVERIFY(one.bytes() == two.bytes());
    }

    void hostileFilesAreRefused() {
        ProjectFiles files = toFiles(withTanks());
        std::string text(files.at("screens/tank.json").text());
        const std::string was = "\"name\": \"label\",";
        const auto at = text.find(was);
        QVERIFY(at != std::string::npos);
        text.replace(at, was.size(), "\"name\": \"7up\",");
        files["screens/tank.json"] = SharedBytes(text.replace(text.find("\"#203040\""), 9, "\"../x\""));
        std::string one(files.at("screens/one.json").text());
        files["screens/one.json"] = SharedBytes(one.replace(one.find("\"40\""), 4, "\"9e9\""));
        const ReadProject read = readFiles(files);
        QVERIFY(read.document);
        QCOMPARE(read.problems.size(), size_t{2});
        SceneBuilder builder;
        const auto& problems = builder.build(*read.document)->problems;
        QVERIFY(tells(problems, "its input amount is \"9e9\": it is no number"));
        QVERIFY(tells(problems, "its assembly has no input label"));
    }

    void onlyUsesAreGenerated() {
        const Document d = withTanks();
        SceneBuilder builder, lean(false);
        const GeneratedCode code = generateCode(*builtWithoutErrors(builder, d));
        for (const Problem& each : code.problems)
            QVERIFY2(each.severity != Severity::Error, each.text().c_str());
        QVERIFY(code.files == generateCode(*lean.build(d)).files);
        for (const auto& [file, text] : code.files)
            QVERIFY2(text.find("SCREEN_TANK") == std::string::npos, file.c_str());
        // Without uses nothing of it is left.
        const Document without = withTank(tankProject());
        Document plain = tankProject();
        SceneBuilder one, two;
        QVERIFY(generateCode(*one.build(without)).files == generateCode(*two.build(plain)).files);
    }

    // What a further use costs: less than half of the first.
    void usesShareTheirTables() {
        const auto costOf = [](int uses) {
            Document d = withTank(tankProject());
            for (int i = 0; i < uses; ++i)
                d = addWidgets(d, "one", {use("use" + std::to_string(i), 4, 4, {{"label", "same"}})});
            SceneBuilder lean(false);
            return costsOf(*lean.build(withRules(d, "tank", "on start\n    times = 1\n"))).total().flash;
        };
        const long none = costOf(0), one = costOf(1), twenty = costOf(20);
        qInfo("an assembly: the first use costs %ld bytes, each of 19 more %ld", one - none, (twenty - one) / 19);
        QVERIFY((twenty - one) / 19 < (one - none) / 2);
    }

    void mistakesInRulesAreToldOnce() {
        Document d = withTanks();
        d = withRules(d, "tank", "on drain.tap\n    nothing = 1\n");
        d = withRules(d, "more", "when level > 3\n    tank.body.fill = #FFFFFF\n    go tank\n");
        SceneBuilder builder;
        const Problems problems = builder.build(d)->problems.list();
        const auto count = [&](const char* words) {
            return std::count_if(problems.begin(), problems.end(),
                                 [&](const Problem& each) { return each.reason.find(words) != std::string::npos; });
        };
        QCOMPARE(count("there is no variable \"nothing\""), 1);
        QCOMPARE(count("tank is an assembly: only rules of its own"), 1);
        QCOMPARE(count("tank is an assembly, which is shown on screens only"), 1);
    }

    void problemsAreToldAtTheUse() {
        Document d = withTanks();
        d = addWidgets(d, "tank", {makeWidget("lost", Kind::Image, 0, 0, 10, 10, {{"image", std::string("none")}})});
        SceneBuilder builder;
        const Problems problems = builder.build(d)->problems.list();
        const auto lost =
            std::count_if(problems.begin(), problems.end(), [](const Problem& each) { return each.widget == "lost"; });
        QCOMPARE(lost, 1);
        for (const Problem& each : problems)
            QVERIFY2(each.widget.find("__") == std::string::npos, each.text().c_str());
        const UsePlace place = usePlace(d, "one", "left__drain");
        QCOMPARE(place.use, std::string("left"));
        QCOMPARE(place.part, std::string("drain"));
        QVERIFY(usePlace(d, "one", "left").use.empty());
        QVERIFY(usePlace(d, "one", "left__nothing__x").part == "nothing__x");
    }

    void editsMakeAndLoosenThem() {
        Document d = tankProject();
        d = addWidgets(d, "one", {body("body", opaque(0x203040)), drain("drain")});
        d = changeWidgets(d, "one", Names{"body", "drain"}, [](Widget& w) { w.x += 10, w.y += 20; });
        d = withRules(d, "main", "on drain.tap\n    count = count + 1\n    body.fill = #FF0000\n");
        const auto made = makeAssembly(d, "one", Names{"body", "drain"}, "tank");
        QVERIFY(made.has_value());
        QVERIFY(assemblyScreen(*made, "tank"));
        QCOMPARE(made->screen("tank")->assembly->width, 60);
        QCOMPARE(made->screen("one")->widgets.size(), size_t{1});
        compareByHand(*made, d, {[](Hand& hand) { hand.tap(50, 50); }});
        const auto loose = takeLoose(*made, "one", Names{made->screen("one")->widgets[0]->name});
        QVERIFY(loose.has_value());
        compareByHand(*loose, d, {[](Hand& hand) { hand.tap(50, 50); }});
        QVERIFY(!makeAssembly(d, "one", Names{"body"}, "two").has_value());
        for (const Document& each : {*made, *loose})
            for (const ScreenRef& screen : each.screens)
                for (const WidgetRef& widget : screen->widgets)
                    QVERIFY2(!nameError(widget->name), widget->name.c_str());
        // Renames follow.
        const std::string use = made->screen("one")->widgets[0]->name;
        for (const auto& other :
             {renameWidget(*made, "one", use, "vat"), renameWidget(*made, "tank", "drain", "cock")}) {
            QVERIFY(other.has_value());
            compareByHand(*other, d, {[](Hand& hand) { hand.tap(50, 50); }});
        }
        const auto renamed = renameScreen(*made, "tank", "vessel");
        QVERIFY(renamed.has_value());
        compareByHand(*renamed, d, {[](Hand& hand) { hand.tap(50, 50); }});
        // Screens that draw assemblies stay behind the others.
        QCOMPARE(addScreen(*made, 9, "more").screens.back()->name, std::string("tank"));
        QCOMPARE(moveScreen(*made, 2, 0).screens.back()->name, std::string("tank"));
        QCOMPARE(duplicateScreen(*made, 1).screens.back()->name, std::string("tank"));
        QCOMPARE(removeScreen(removeScreen(*made, 0), 0).screens.size(), size_t{2});
    }

    // Rules of an assembly, and rules elsewhere, mean different widgets by one name.
    void namesInsideAreTheirOwn() {
        Document d = addWidgets(withTanks(), "one", {makeWidget("drain", Kind::Button, 4, 100, 60, 30)});
        d = withRules(d, "more", "on drain.tap\n    count = 500\n");
        const auto operate = [](Hand& hand) {
            hand.tap(40, 30);
            hand.tap(20, 110);
        };
        for (const auto& other : {renameWidget(d, "one", "drain", "lower"), renameWidget(d, "tank", "drain", "cock")}) {
            QVERIFY(other.has_value());
            compareByHand(*other, d, {operate});
        }
        const auto loose = takeLoose(d, "one", Names{"right"});
        QVERIFY(loose.has_value());
        SceneBuilder builder;
        (void)builtWithoutErrors(builder, *loose);
        QVERIFY(loose->variable("one_right_amount"));
    }

    void renamesOfInputsFollow() {
        Document d = withTanks();
        const auto renamed = renameInput(d, "tank", "amount", "held");
        QVERIFY(renamed.has_value());
        compareByHand(*renamed, d,
                      {[](Hand& hand) { hand.tap(40, 30); }, [](Hand& hand) { hand.tap(180, 50); }, raise});
        const auto variable = renameVariable(d, "level", "height");
        QVERIFY(variable.has_value());
        SceneBuilder builder;
        (void)builtWithoutErrors(builder, *variable);
        QVERIFY(!renameInput(d, "tank", "amount", "label").has_value());
        // Names of things in inputs follow; a text that only reads like one does not.
        d = addWidgets(d, "one", {use("third", 4, 100, {{"label", "count"}, {"target", "fill[2]"}})});
        d = *renameVariable(*renameVariable(d, "fill", "filled"), "count", "sum");
        const InputMap& inputs = d.screen("one")->widgets.back()->inputs;
        QCOMPARE(inputs.at("target"), std::string("filled[2]"));
        QCOMPARE(inputs.at("label"), std::string("count"));
        QCOMPARE(d.screen("tank")->assembly->input("target")->start, std::string("sum"));
        NamedValues named;
        named.colours = {{"warm", {opaque(0x804020)}, {}}};
        d.named = std::make_shared<const NamedValues>(named);
        d = *setInput(d, "one", Names{"third"}, "tint", "warm");
        d = *renameNamedValue(d, "warm", "hot");
        QCOMPARE(d.screen("one")->widgets.back()->inputs.at("tint"), std::string("hot"));
        (void)builtWithoutErrors(builder, d);
    }
};

GORSEFINCH_TEST(TestAssemblies, Nothing)
#include "tst_assemblies.moc"
