// SPDX-License-Identifier: GPL-3.0-or-later
// Named looks: what they set, what they are based on, how they are taken from widgets and put on others.
#include <QtTest>
#include <random>

#include "core/edits/font_edits.h"
#include "core/edits/look_edits.h"
#include "core/project/project_text.h"
#include "core/sim/draw_screen.h"
#include "tests/support/kiln_face.h"
#include "tests/support/projects.h"
#include "tests/support/rounds.h"
#include "tests/support/test_case.h"

using namespace gorsefinch;
using namespace support;

namespace {

Look lookOf(const std::string& name, const std::string& base, PropertyMap style) {
    Look out;
    out.name = name;
    out.basedOn = base;
    out.style = std::move(style);
    return out;
}

// plain <- card <- alarm, and a button with each.
Document family() {
    Document d = withKilnFace(makeDocument({"one", "two"}));
    d = withLook(d, lookOf("plain", "", {{"fill", opaque(0x102030)}, {"radius", int64_t{3}}}));
    d = withLook(d, lookOf("card", "plain", {{"fill", opaque(0x405060)}, {"border_width", int64_t{1}}}));
    Look alarm = lookOf("alarm", "card", {{"colour", opaque(0xff0000)}});
    alarm.states["pressed"]["fill"] = opaque(0xffffff);
    d = withLook(d, alarm);
    for (int i = 0; i < 3; ++i) {
        Widget w =
            makeWidget("b" + std::to_string(i), Kind::Button, 10, 10 + i * 40, 80, 30, {{"text", std::string("x")}});
        w.look = (*d.looks)[static_cast<size_t>(i)].name;
        d = addWidgets(d, i == 1 ? "two" : "one", {w});
    }
    return d;
}

const Widget& widget(const Document& d, const char* screen, const char* name) {
    const ScreenRef on = d.screen(screen);
    return *on->widgets[static_cast<size_t>(widgetIndex(*on, name))];
}

Colour colourOf(const Document& d, const char* screen, const char* name, const char* key) {
    return std::get<Colour>(effectiveValue(d, widget(d, screen, name), key));
}

template <typename T>
T must(const Result<T>& result) {
    if (!result)
        qFatal("%s", result.error().text().c_str());
    return *result;
}

std::vector<PanelMemory> drawnScreens(const Document& d) {
    SceneBuilder builder;
    const BuiltSceneRef scene = builder.build(d);
    std::vector<PanelMemory> out;
    for (int i = 0; i < static_cast<int>(d.screens.size()); ++i)
        out.push_back(drawScreen(*scene, i));
    return out;
}

}  // namespace

class TestLooks : public QObject {
    Q_OBJECT

  private Q_SLOTS:
    void valuesComeFromTheBase() {
        const Document d = family();
        QCOMPARE(colourOf(d, "one", "b2", "fill"), opaque(0x405060));
        QCOMPARE(colourOf(d, "one", "b2", "colour"), opaque(0xff0000));
        QCOMPARE(std::get<int64_t>(effectiveValue(d, widget(d, "one", "b2"), "radius")), int64_t{3});
        QCOMPARE(std::get<int64_t>(effectiveValue(d, widget(d, "one", "b0"), "border_width")),
                 std::get<int64_t>(styleProperty("border_width").fallback));
        // A state of the base wins over what the look sets for all states.
        Document pressed = must(setLookProperty(d, "plain", "pressed", "fill", opaque(0x00ff00)));
        const auto looks = lookAndBases(pressed, pressed.look("card"));
        QCOMPARE(std::get<Colour>(lookValue(d, looks, "pressed", "fill")), opaque(0x00ff00));
        QCOMPARE(std::get<Colour>(lookValue(d, looks, "on", "fill")), opaque(0x405060));
        QCOMPARE(std::get<Colour>(lookValue(pressed, lookAndBases(pressed, pressed.look("alarm")), "pressed", "fill")),
                 opaque(0xffffff));
    }

    // The runtime draws what the values say: as with the same values written out in each look.
    void itIsDrawnAsIfWrittenOut() {
        const Document d = family();
        Document flat = d;
        auto looks = std::make_shared<std::vector<Look>>(*d.looks);
        for (Look& each : *looks) {
            const auto chain = lookAndBases(d, d.look(each.name));
            for (const PropertyInfo& property : styleProperties())
                each.style[property.key] = lookValue(d, chain, "", property.key);
            each.basedOn.clear();
        }
        flat.looks = looks;
        const auto a = drawnScreens(d), b = drawnScreens(flat);
        for (size_t i = 0; i < a.size(); ++i)
            QCOMPARE(a[i].bytes(), b[i].bytes());
    }

    // One builder over an edit of a base: what is derived is drawn anew.
    void anEditOfTheBaseReachesTheDerived() {
        SceneBuilder builder;
        Document d = family();
        (void)builder.build(d);
        for (const char* look : {"plain", "card", "alarm"}) {
            d = must(setLookProperty(d, look, "", "border", opaque(look[0] * 0x10101u)));
            const BuiltSceneRef scene = builder.build(d);
            for (int i = 0; i < 2; ++i)
                QCOMPARE(drawScreen(*scene, i).bytes(), drawnScreens(d)[static_cast<size_t>(i)].bytes());
        }
        d = must(baseLook(d, "alarm", ""));
        QCOMPARE(drawScreen(*builder.build(d), 0).bytes(), drawnScreens(d)[0].bytes());
        QVERIFY(drawScreen(*builder.build(d), 0).bytes() != drawnScreens(family())[0].bytes());
    }

    void circlesAreRefused() {
        const Document d = family();
        for (const char* base : {"plain", "card", "alarm"})
            QVERIFY(!baseLook(d, "plain", base));
        QVERIFY(!baseLook(d, "card", "alarm"));
        QVERIFY(!baseLook(d, "card", "nobody"));
        QVERIFY(!baseLook(d, "plain", "alarm"));
        QCOMPARE(must(baseLook(d, "alarm", "plain")).look("alarm")->basedOn, std::string("plain"));
        // In a document that has one all the same: an end is found.
        Document wrong = withLook(d, lookOf("plain", "alarm", {}));
        QCOMPARE(lookAndBases(wrong, wrong.look("alarm")).size(), size_t{3});
    }

    void filesKeepBasesAndMendCircles() {
        const Document d = family();
        const auto files = toFiles(d);
        const ReadProject back = readFiles(files);
        QVERIFY(back.problems.empty());
        QVERIFY(*back.document->looks == *d.looks);
        std::string main(files.at("gorsefinch.json").text());
        main.replace(main.find("\"name\": \"plain\""), 15, "\"name\": \"plain\", \"based_on\": \"alarm\"");
        main.replace(main.find("\"based_on\": \"plain\""), 19, "\"based_on\": \"ghost\"");
        ProjectFiles wrong = files;
        wrong["gorsefinch.json"] = SharedBytes(main);
        const ReadProject mended = readFiles(wrong);
        QCOMPARE(mended.problems.size(), size_t{1});
        QCOMPARE(mended.document->look("card")->basedOn, std::string());
        QCOMPARE(mended.document->look("plain")->basedOn, std::string("alarm"));
    }

    void renamedAndRemoved() {
        Document d = must(renameLook(family(), "card", "panel_card"));
        QCOMPARE(d.look("alarm")->basedOn, std::string("panel_card"));
        QCOMPARE(widget(d, "two", "b1").look, std::string("panel_card"));
        const auto before = drawnScreens(d);
        d = removeLook(d, "panel_card");
        // What was based on it looks as before.
        QCOMPARE(d.look("alarm")->basedOn, std::string("plain"));
        QCOMPARE(drawnScreens(d)[0].bytes(), before[0].bytes());
        QCOMPARE(removeLook(d, "nobody").looks, d.looks);
        QCOMPARE(lookUses(d).at("plain"), 1);
        QCOMPARE(lookUses(d).count("nobody"), size_t{0});
    }

    void propertiesAreSetAndCleared() {
        const Document d = family();
        Document next = must(setLookProperty(d, "plain", "focused", "border_width", int64_t{2}));
        QCOMPARE(std::get<int64_t>(next.look("plain")->states.at("focused").at("border_width")), int64_t{2});
        next = clearLookProperty(next, "plain", "focused", "border_width");
        QVERIFY(*next.looks == *d.looks);
        QVERIFY(!clearLookProperty(next, "plain", "", "fill").look("plain")->style.count("fill"));
        QCOMPARE(clearLookProperty(d, "plain", "on", "fill").looks, d.looks);
        QVERIFY(!setLookProperty(d, "plain", "", "fill", int64_t{1}));
        QVERIFY(!setLookProperty(d, "plain", "", "radius", int64_t{100000}));
        QVERIFY(!setLookProperty(d, "plain", "", "nonsense", int64_t{1}));
        QVERIFY(!setLookProperty(d, "nobody", "", "radius", int64_t{1}));
    }

    void aLookIsMadeOfAWidget() {
        Document d = changeWidgets(family(), "one", Names{"b0"}, [](Widget& w) {
            w.properties["fill"] = opaque(0xabcdef);
            w.properties["padding"] = int64_t{6};
        });
        const auto before = drawnScreens(d);
        std::string name;
        d = lookFromWidget(d, "one", "b0", &name);
        QCOMPARE(name, std::string("b0_look"));
        QCOMPARE(d.look(name)->basedOn, std::string("plain"));
        QCOMPARE(d.look(name)->style.size(), size_t{2});
        QCOMPARE(widget(d, "one", "b0").look, name);
        QCOMPARE(widget(d, "one", "b0").properties.count("fill"), size_t{0});
        QCOMPARE(drawnScreens(d)[0].bytes(), before[0].bytes());
        QCOMPARE(lookFromWidget(d, "one", "nobody", &name).looks, d.looks);
    }

    void aStyleIsTakenAndPut() {
        Document d = changeWidgets(family(), "one", Names{"b2"}, [](Widget& w) {
            w.properties["fill"] = opaque(0xabcdef);
            w.properties["size"] = int64_t{22};
        });
        d = addWidgets(d, "one", {makeWidget("bare", Kind::Rectangle, 0, 0, 9, 9, {{"radius", int64_t{4}}})});
        const auto taken = takeStyle(d, "one", "b2");
        QVERIFY(taken && !takeStyle(d, "one", "nobody") && !takeStyle(d, "nowhere", "b2"));
        const Document next = putStyle(d, "one", Names{"b0", "bare"}, *taken);
        QCOMPARE(widget(next, "one", "b0").look, std::string("alarm"));
        QCOMPARE(std::get<int64_t>(widget(next, "one", "b0").properties.at("size")), int64_t{22});
        QCOMPARE(std::get<std::string>(widget(next, "one", "b0").properties.at("text")), std::string("x"));
        // A rectangle has no text; what it set itself is gone.
        QCOMPARE(widget(next, "one", "bare").properties.count("size"), size_t{0});
        QCOMPARE(widget(next, "one", "bare").properties.count("radius"), size_t{0});
        QCOMPARE(colourOf(next, "one", "bare", "fill"), opaque(0xabcdef));
        const Document plain = clearOwnStyle(next, "one", Names{"b0"});
        QCOMPARE(colourOf(plain, "one", "b0", "fill"), opaque(0x405060));
        QCOMPARE(widget(plain, "one", "b0").properties.size(), size_t{1});
    }

    // Any edits of looks, one after the other: a builder that follows them draws what a fresh one does, there is never
    // a circle, and files give the same looks back.
    void anyEditsInARow() {
        std::mt19937 random(5);
        const auto draw = [&](int from, int to) { return std::uniform_int_distribution<int>(from, to)(random); };
        SceneBuilder follows;
        Document d = family();
        for (int i = 0; i < rounds(120); ++i) {
            const Look some = (*d.looks)[static_cast<size_t>(draw(0, static_cast<int>(d.looks->size()) - 1))];
            const Look other = (*d.looks)[static_cast<size_t>(draw(0, static_cast<int>(d.looks->size()) - 1))];
            const std::string state = draw(0, 2) == 0 ? "pressed" : "";
            std::string name;
            switch (draw(0, 6)) {
                case 0: d = baseLook(d, some.name, other.name).value_or(d); break;
                case 1:
                    d = must(
                        setLookProperty(d, some.name, state, "fill", opaque(static_cast<uint32_t>(draw(0, 0xffffff)))));
                    break;
                case 2: d = clearLookProperty(d, some.name, state, "fill"); break;
                case 3: d = d.looks->size() < 8 ? addLook(d, lookOf("more", some.name, {}), &name) : d; break;
                case 4: d = d.looks->size() > 2 ? removeLook(d, some.name) : d; break;
                case 5:
                    d = must(gorsefinch::setProperty(d, draw(0, 1) != 0 ? "one" : "two", Names{"b0", "b1"}, "look",
                                                     some.name));
                    break;
                default: d = renameLook(d, some.name, "look_" + std::to_string(draw(0, 9))).value_or(d);
            }
            const BuiltSceneRef scene = follows.build(d);
            const auto fresh = drawnScreens(d);
            for (int screen = 0; screen < 2; ++screen)
                QCOMPARE(drawScreen(*scene, screen).bytes(), fresh[static_cast<size_t>(screen)].bytes());
            for (const Look& each : *d.looks) {
                const auto chain = lookAndBases(d, &each);
                QVERIFY(chain.back()->basedOn.empty());
            }
        }
    }
};

GORSEFINCH_TEST(TestLooks, Nothing)
#include "tst_looks.moc"
