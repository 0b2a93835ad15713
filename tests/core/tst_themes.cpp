// SPDX-License-Identifier: GPL-3.0-or-later
// Named colours and sizes, and sets of colours: whatever has a name looks as if it had the value itself, in each set.
#include <QtTest>
#include <random>

#include "core/document/history.h"
#include "core/edits/look_edits.h"
#include "core/edits/named_edits.h"
#include "core/edits/panel_size.h"
#include "core/project/project_text.h"
#include "core/sim/draw_screen.h"
#include "tests/support/built_scene.h"
#include "tests/support/kiln_face.h"
#include "tests/support/projects.h"
#include "tests/support/rounds.h"
#include "tests/support/test_case.h"

using namespace gorsefinch;
using namespace support;

namespace {

template <typename T>
T must(const Result<T>& result) {
    if (!result)
        qFatal("%s", result.error().text().c_str());
    return *result;
}

ValueName named(const char* name) { return {name}; }

// Two sets, and all that can have a name with one: looks and their states, kinds' own colours, zones, backgrounds.
Document themed() {
    Document d = withKilnFace(withPanelOf(makeDocument({"one", "two"}), PixelFormat::Rgb565, 0, 160, 120));
    d = withVariable(d, makeNumber("level", 0, 100, 60));
    d = withVariable(d, makeYesNo("hot", false));
    NamedValues values;
    values.sets = {"light", "dark"};
    values.colours = {{"ground", {opaque(0xf0f0f0), opaque(0x101010)}},
                      {"ink", {opaque(0x202020), opaque(0xe0e0e0)}},
                      {"accent", {opaque(0xe3b505), opaque(0x8a3b12)}},
                      {"always", {opaque(0x336699), opaque(0x336699)}}};
    values.sizes = {{"gap", 6}, {"big", 22}};
    d.named = std::make_shared<const NamedValues>(values);
    Look card;
    card.name = "card";
    card.style = {
        {"fill", named("accent")}, {"colour", named("ink")}, {"radius", named("gap")}, {"size", named("big")}};
    card.states["pressed"] = {{"fill", named("ink")}, {"colour", named("ground")}};
    d = withLook(d, card);
    Look deep;
    deep.name = "deep";
    deep.basedOn = "card";
    deep.style = {{"border", named("ink")}, {"border_width", int64_t{2}}};
    d = withLook(d, deep);
    Look still;
    still.name = "still";
    still.style = {{"fill", named("always")}, {"colour", opaque(0xffffff)}};
    d = withLook(d, still);
    Screen one = *d.screens[0];
    one.ground = "ground";
    d = withScreen(d, 0, one);
    Widget button = makeWidget("go_on", Kind::Button, 4, 4, 60, 30, {{"text", std::string("Go")}});
    button.look = "deep";
    Widget gauge = makeWidget("meter", Kind::Gauge, 70, 4, 60, 60,
                              {{"value", std::string("level")},
                               {"colour", named("ink")},
                               {"zones", ZoneList{{"0", "50", opaque(0x00ff00)}, {"50", "100", Colour{}, "accent"}}}});
    Widget shade =
        makeWidget("shade", Kind::Rectangle, 4, 40, 60, 20, {{"fill", named("accent")}, {"fill_to", named("ground")}});
    Widget slider = makeWidget("dim", Kind::Slider, 4, 66, 60, 20,
                               {{"value", std::string("level")}, {"grip_colour", named("ink")}});
    Widget box = makeWidget("box", Kind::Rectangle, 140, 4, 16, 16, {{"fill", named("accent")}});
    Widget follows = makeWidget("lamp", Kind::Rectangle, 140, 24, 16, 16, {{"fill", named("ink")}});
    follows.expressions["fill"] = "hot ? accent : ground";
    Widget plain = makeWidget("plain", Kind::Rectangle, 140, 44, 16, 16, {{"fill", opaque(0x123456)}});
    Widget trend = makeWidget("course", Kind::Trend, 70, 70, 60, 40,
                              {{"value", std::string("level")},
                               {"colour", named("ink")},
                               {"interval", int64_t{20}},
                               {"min", std::string("0")},
                               {"max", std::string("100")}});
    d = addWidgets(d, "one", {button, gauge, shade, slider, box, follows, plain, trend});
    Widget quiet = makeWidget("quiet", Kind::Button, 4, 4, 60, 30, {{"text", std::string("x")}});
    quiet.look = "still";
    d = addWidgets(d, "two", {quiet});
    return withRules(d, "main",
                     "on go_on.tap\n    theme = dark\n\nwhen level > 90\n    box.fill = #FF0000\n\n"
                     "when level < 10\n    theme = \"light\"\n    hot = theme == \"light\"\n");
}

// The same without names, as it is in a set.
Document withoutNames(const Document& document, size_t set) {
    NamedValues shown = *document.named;
    shown.shown = set;
    Document out = document;
    out.named = std::make_shared<const NamedValues>();
    const auto plain = [&](const PropertyInfo& property, PropertyValue& value) {
        value = resolvedValue(shown, property, value);
        if (auto* zones = std::get_if<ZoneList>(&value))
            for (Zone& each : *zones)
                each.named.clear();
    };
    auto looks = *document.looks;
    for (Look& look : looks) {
        for (auto& [key, value] : look.style)
            plain(styleProperty(key), value);
        for (auto& [state, style] : look.states)
            for (auto& [key, value] : style)
                plain(styleProperty(key), value);
    }
    out.looks = std::make_shared<const std::vector<Look>>(looks);
    for (ScreenRef& ref : out.screens) {
        Screen screen = *ref;
        if (!screen.ground.empty())
            screen.background = *shown.shownColour(screen.ground);
        screen.ground.clear();
        for (WidgetRef& each : screen.widgets) {
            Widget widget = *each;
            for (auto& [key, value] : widget.properties)
                plain(*findProperty(widget.kind, key), value);
            each = std::make_shared<const Widget>(std::move(widget));
        }
        ref = std::make_shared<const Screen>(std::move(screen));
    }
    return out;
}

// Without the rule of the theme, and the expression with names spelled out.
Document spelledOut(const Document& document, size_t set) {
    Document out = withoutNames(document, set);
    const std::string hot = set == 0 ? "#E3B505" : "#8A3B12", cold = set == 0 ? "#F0F0F0" : "#101010";
    out = must(setExpression(out, "one", Names{"lamp"}, "fill", "hot ? " + hot + " : " + cold));
    return withRules(out, "main", "when level > 90\n    box.fill = #FF0000\n");
}

std::vector<uint8_t> bytesOf(const Twin& twin) {
    const auto bytes = twin.memory().bytes();
    return {bytes.begin(), bytes.end()};
}

}  // namespace

class TestThemes : public QObject {
    Q_OBJECT

  private Q_SLOTS:
    void eachSetLooksAsIfItHadTheColoursItself() {
        SceneBuilder builder, first, second;
        Twin twin(builtWithoutErrors(builder, themed()));
        Twin light(builtWithoutErrors(first, spelledOut(themed(), 0))),
            dark(builtWithoutErrors(second, spelledOut(themed(), 1)));
        for (Twin* each : {&twin, &light, &dark})
            each->step(0);
        QCOMPARE(twin.get("theme"), std::string("light"));
        QVERIFY(bytesOf(twin) == bytesOf(light));
        QVERIFY(bytesOf(twin) != bytesOf(dark));
        QVERIFY(twin.set("theme", "dark"));
        for (Twin* each : {&twin, &light, &dark})
            each->step(20);
        QVERIFY(bytesOf(twin) == bytesOf(dark));
        for (Twin* each : {&twin, &dark}) {
            QVERIFY(each->set("hot", "yes"));
            QVERIFY(each->set("level", "33"));
            each->touch(20, 20, true);
            each->step(40);
        }
        QVERIFY(bytesOf(twin) == bytesOf(dark));
        QVERIFY(twin.set("theme", "light"));
        QVERIFY(light.set("hot", "yes"));
        QVERIFY(light.set("level", "33"));
        light.touch(20, 20, true);
        for (Twin* each : {&twin, &light})
            each->step(60);
        QVERIFY(bytesOf(twin) == bytesOf(light));
    }

    void rulesSwitchIt() {
        SceneBuilder builder;
        Twin twin(builtWithoutErrors(builder, themed()));
        twin.step(0);
        twin.touch(20, 20, true);
        twin.step(20);
        twin.touch(20, 20, false);
        twin.step(40);
        QCOMPARE(twin.get("theme"), std::string("dark"));
        QVERIFY(twin.set("level", "5"));
        twin.step(60);
        twin.step(80);
        QCOMPARE(twin.get("theme"), std::string("light"));
        QCOMPARE(twin.get("hot"), std::string("yes"));
    }

    void whatRulesSetStays() {
        SceneBuilder builder;
        Twin twin(builtWithoutErrors(builder, themed()));
        twin.step(0);
        const auto fill = [&] { return static_cast<uint32_t>(slotNow(twin, "box", "fill")); };
        QCOMPARE(fill(), 0xffe3b505u);
        QVERIFY(twin.set("theme", "dark"));
        twin.step(20);
        QCOMPARE(fill(), 0xff8a3b12u);
        QVERIFY(twin.set("level", "95"));
        twin.step(40);
        QCOMPARE(fill(), 0xffff0000u);
        QVERIFY(twin.set("theme", "light"));
        twin.step(60);
        QCOMPARE(fill(), 0xffff0000u);
    }

    void anEditKeepsTheShownSet() {
        SceneBuilder builder, other;
        Document d = themed();
        Twin twin(builder.build(d));
        twin.step(0);
        QVERIFY(twin.set("theme", "dark"));
        twin.step(20);
        d = setNamedColour(d, "accent", 1, opaque(0x00aaff));
        d = must(setLookProperty(d, "still", "", "fill", opaque(0x445566)));
        twin.update(builder.build(d));
        twin.step(40);
        Twin dark(builtWithoutErrors(other, spelledOut(d, 1)));
        for (const uint32_t ms : {0, 20, 40})
            dark.step(ms);
        QVERIFY(bytesOf(twin) == bytesOf(dark));
        const TwinMoment then = twin.moment();
        QVERIFY(twin.set("theme", "light"));
        twin.step(60);
        QVERIFY(bytesOf(twin) != bytesOf(dark));
        twin.become(then);
        QVERIFY(bytesOf(twin) == bytesOf(dark));
        QVERIFY(drawScreen(twin.scene(), 0, &twin).bytes() == dark.memory().bytes());
        // Without its set it is shown in the one that is left.
        twin.update(builder.build(removeColourSet(d, 1)));
        twin.step(80);
        QVERIFY(bytesOf(twin) != bytesOf(dark));
    }

    void aScreenWithoutSuchColoursIsSharedByTheSets() {
        SceneBuilder builder;
        const BuiltSceneRef scene = builder.build(themed());
        QCOMPARE(scene->setCount(), size_t{2});
        QVERIFY(scene->otherSets[0].parts[0] != scene->parts[0]);
        QVERIFY(scene->otherSets[0].parts[1] == scene->parts[1]);
        // Of the other one the plain box is shared, too.
        const auto& own = scene->otherSets[0].own[0]->widgets;
        QCOMPARE(own, (std::vector<uint32_t>{0, 1, 2, 3, 4, 5, 7}));
    }

    void aKeptBuilderBuildsTheSame() {
        std::mt19937 random(7);
        SceneBuilder kept;
        Document d = themed();
        const auto upTo = [&](int end) { return static_cast<size_t>(random() % static_cast<uint32_t>(end)); };
        const char* const colours[] = {"ground", "ink", "accent", "always"};
        for (int i = 0; i < rounds(60); ++i) {
            const Colour colour = opaque(random() & 0xffffff);
            switch (upTo(8)) {
                case 0:
                case 1: d = setNamedColour(d, colours[upTo(4)], upTo(3), colour); break;
                case 2: d = setNamedSize(d, upTo(2) == 0 ? "gap" : "big", static_cast<int>(upTo(30))); break;
                case 3: d = must(setLookProperty(d, "card", "", "fill", named(colours[upTo(4)]))); break;
                case 4:
                    d = must(gorsefinch::setProperty(d, "one", Names{"plain"}, "fill", named(colours[upTo(4)])));
                    break;
                case 5: d = must(gorsefinch::setProperty(d, "one", Names{"plain"}, "fill", colour)); break;
                case 6: {
                    const auto more = addColourSet(d, nextSetName(*d.named));
                    d = d.named->sets.size() < 4 && more ? *more : removeColourSet(d, upTo(4));
                    break;
                }
                default: {
                    Screen screen = *d.screens[1];
                    screen.ground = upTo(2) == 0 ? "ink" : "";
                    d = withScreen(d, 1, std::move(screen));
                }
            }
            SceneBuilder fresh;
            const BuiltSceneRef a = kept.build(d), b = fresh.build(d);
            QCOMPARE(a->setCount(), b->setCount());
            for (const std::string& set : d.named->sets) {
                Twin one(a), other(b);
                for (Twin* each : {&one, &other}) {
                    each->step(0);
                    QVERIFY(d.named->setCount() < 2 || each->set("theme", set));
                    each->step(20);
                    each->go(i % 2);
                    each->step(40);
                }
                QVERIFY2(bytesOf(one) == bytesOf(other), qPrintable(QString("round %1, %2").arg(i).arg(set.c_str())));
            }
        }
    }

    // Trends find their samples by their records, of which each set has its own.
    void aTrendKeepsItsCourse() {
        SceneBuilder builder, other;
        Twin twin(builtWithoutErrors(builder, themed())), dark(builtWithoutErrors(other, spelledOut(themed(), 1)));
        for (uint32_t ms = 0; ms <= 400; ms += 20)
            for (Twin* each : {&twin, &dark}) {
                QVERIFY(each->set("level", std::to_string(20 + ms / 8)));
                each->step(ms);
            }
        QVERIFY(twin.set("theme", "dark"));
        twin.step(400);
        dark.step(400);
        QVERIFY(bytesOf(twin) == bytesOf(dark));
        QVERIFY(drawScreen(twin.scene(), 0, &twin).bytes() == dark.memory().bytes());
    }

    void filesKeepAll() {
        Document d = themed();
        const auto back = [](const Document& document) {
            const ReadProject read = readFiles(toFiles(document));
            for (const Problem& each : read.problems)
                qWarning("%s", each.text().c_str());
            return *read.document;
        };
        QVERIFY(*back(d).named == *d.named);
        QVERIFY(*back(d).looks == *d.looks);
        QCOMPARE(toFiles(back(d)), toFiles(d));
        // So are keys that this version does not know.
        NamedValues more = *d.named;
        more.colours[0].unknown = {{"note", "\"from a later version\""}};
        more.sizes[0].unknown = {{"unit", "\"mm\""}};
        Document later = d;
        later.named = std::make_shared<const NamedValues>(more);
        QVERIFY(*back(later).named == more);
        const Document one = removeColourSet(d, 0);
        QVERIFY(*back(one).named == *one.named);
        QCOMPARE(one.named->colours[0].inSets, std::vector<Colour>{opaque(0x101010)});
    }

    void mistakesInFilesAreReported() {
        const auto withMain = [](const std::string& from, const std::string& to) {
            ProjectFiles files = toFiles(themed());
            std::string text(files["gorsefinch.json"].text());
            const size_t at = text.find(from);
            if (at == std::string::npos)
                qFatal("%s is not in the file", from.c_str());
            files["gorsefinch.json"] = text.replace(at, from.size(), to);
            return readFiles(files);
        };
        QVERIFY(tells(withMain("\"light\",\n", "\"li ght\",\n").problems, "different names"));
        QVERIFY(tells(withMain("\"name\": \"ink\"", "\"name\": \"accent\"").problems, "there twice"));
        QVERIFY(tells(withMain("\"name\": \"level\"", "\"name\": \"theme\"").problems, "which set of colours"));
        QVERIFY(tells(withMain("\"name\": \"level\"", "\"name\": \"ink\"").problems, "its name is that of a colour"));
        QVERIFY(tells(withMain("#8A3B12", "reddish").problems, "reddish"));
        // A name that nothing has is no mistake of the file, but of the project.
        const ReadProject missing = withMain("\"fill\": \"accent\"", "\"fill\": \"gone\"");
        QVERIFY(missing.problems.empty());
        SceneBuilder builder;
        QVERIFY(tells(builder.build(*missing.document)->problems, "no colour \"gone\""));
        QVERIFY(!tells(builder.build(themed())->problems, "no colour"));
    }

    void namesFollowThrough() {
        const Document d = themed();
        const Document renamed = must(renameNamedValue(d, "accent", "glow"));
        QVERIFY(!namedUses(renamed).count("accent"));
        QCOMPARE(namedUses(renamed).at("glow"), namedUses(d).at("accent"));
        QCOMPARE(renamed.screens[0]->widgets[5]->expressions.at("fill"), std::string("hot ? glow : ground"));
        QVERIFY(!renameNamedValue(d, "accent", "ink"));
        QVERIFY(!renameNamedValue(d, "accent", "level"));
        QVERIFY(renameNamedValue(d, "accent", "card"));
        QVERIFY(!renameNamedValue(d, "accent", "no name"));
        const Document night = must(renameColourSet(d, 1, "night"));
        const std::string& rules = night.rules->front().text;
        QVERIFY(rules.find("theme = \"night\"") != std::string::npos);
        QVERIFY(!renameColourSet(d, 1, "light"));
        SceneBuilder a, b;
        QVERIFY(a.build(renamed)->problems.empty() || !hasErrors(a.build(renamed)->problems));
        QVERIFY(!hasErrors(b.build(night)->problems));
        QVERIFY(!renameVariable(d, "level", "theme"));
        QVERIFY(!renameVariable(d, "level", "accent"));
    }

    void removingOneLeavesItsValue() {
        const Document d = themed();
        const Document gone = removeNamedValue(removeNamedValue(d, "ink"), "gap");
        QCOMPARE(std::get<Colour>(gone.looks->front().style.at("colour")), opaque(0x202020));
        QCOMPARE(std::get<int64_t>(gone.looks->front().style.at("radius")), int64_t{6});
        QVERIFY(!namedUses(gone).count("ink"));
        SceneBuilder a, b;
        QVERIFY(drawScreen(*a.build(gone), 0).bytes() == drawScreen(*b.build(d), 0).bytes());
    }

    void aColourGetsANameWhereverItIs() {
        std::string name;
        Document d = themed();
        d = addNamedColour(d, "ink", opaque(0x123456), &name);
        QCOMPARE(name, std::string("ink_2"));
        const Document used = useNamedColour(d, name, opaque(0x123456));
        QCOMPARE(namedUses(used).at("ink_2"), 1);
        QVERIFY(used.screens[1] == d.screens[1]);
        SceneBuilder a, b;
        QVERIFY(drawScreen(*a.build(used), 0).bytes() == drawScreen(*b.build(d), 0).bytes());
    }

    void aSizeMovesWhatFlows() {
        Document d = makeDocument();
        std::string name;
        d = addNamedSize(d, "gap", 4, &name);
        Widget row =
            makeWidget("row", Kind::Group, 0, 0, 200, 40, {{"flow", std::string("row")}, {"gap", named("gap")}});
        d = addWidgets(d, "first", {row});
        d = addWidgets(d, "first", {makeWidget("a", Kind::Rectangle, 0, 0, 20, 20)}, nullptr, "row");
        d = addWidgets(d, "first", {makeWidget("b", Kind::Rectangle, 0, 0, 20, 20)}, nullptr, "row");
        const auto placeOf = [](const Document& document) { return document.screens[0]->widgets[2]->x; };
        QCOMPARE(placeOf(d), 24);
        QCOMPARE(placeOf(setNamedSize(d, "gap", 30)), 50);
        QCOMPARE(placeOf(*readFiles(toFiles(d)).document), 24);
    }

    void scalingThePanelScalesSizesOfTexts() {
        const Document d = themed();
        Panel panel = *d.panel;
        panel.width *= 2;
        panel.height *= 2;
        const Document twice = withPanelSize(d, panel, PanelResize::Scale);
        QCOMPARE(twice.named->size("big")->size, 44);
        QCOMPARE(twice.named->size("gap")->size, 6);
    }

    void thereAreLimits() {
        Document d = themed();
        while (d.named->sets.size() < kMaxColourSets)
            d = must(addColourSet(d, nextSetName(*d.named)));
        QVERIFY(!addColourSet(d, "one_more"));
        QVERIFY(!addColourSet(themed(), "dark"));
        Document taken = makeDocument();
        taken = withVariable(taken, makeNumber("theme", 0, 1, 0));
        QVERIFY(!addColourSet(taken, "dark"));
        Document many = themed();
        NamedValues values = *many.named;
        for (size_t i = 0; i < kMaxNamedValues; ++i)
            values.sizes.push_back({"s" + std::to_string(i), 1});
        Document next = many;
        next.named = std::make_shared<const NamedValues>(values);
        QVERIFY(exceededLimit(many, next).has_value());
        QVERIFY(!exceededLimit(next, next).has_value());
    }
};

GORSEFINCH_TEST(TestThemes, Nothing)
#include "tst_themes.moc"
