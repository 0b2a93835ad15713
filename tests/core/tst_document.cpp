// SPDX-License-Identifier: GPL-3.0-or-later
// Names, edits, undo and redo of the document as a value.
#include <QtTest>

#include "core/document/new_widget.h"
#include "core/image/levels.h"
#include "core/document/history.h"
#include "core/document/names.h"
#include "core/edits/presets.h"
#include "core/edits/tree_edits.h"
#include "tests/support/projects.h"
#include "tests/support/test_case.h"

using namespace gorsefinch;
using namespace support;

class TestDocument : public QObject {
    Q_OBJECT

  private Q_SLOTS:
    void unusableNames_data() {
        QTest::addColumn<QString>("name");
        QTest::addColumn<QString>("why");
        QTest::newRow("keyword of C") << "while"
                                      << "keyword";
        QTest::newRow("keyword of C++") << "co_await"
                                        << "keyword";
        QTest::newRow("digit in front") << "2nd"
                                        << "digit";
        QTest::newRow("not ASCII") << "größe"
                                   << "letters a to z";
        QTest::newRow("blank") << "two words"
                               << "letters a to z";
        QTest::newRow("two underscores") << "a__b"
                                         << "two of them";
        QTest::newRow("underscore behind") << "a_"
                                           << "two of them";
        QTest::newRow("empty") << ""
                               << "missing";
        QTest::newRow("long") << QString(49, 'a') << "longer";
    }

    void unusableNames() {
        QFETCH(QString, name);
        QFETCH(QString, why);
        const auto error = nameError(name.toStdString());
        QVERIFY(error.has_value());
        QVERIFY2(QString::fromStdString(*error).contains(why), error->c_str());
    }

    void usableNames() {
        for (const char* name : {"a", "kiln_temp", "Fire2", "whiles"})
            QVERIFY2(!nameError(name), name);
    }

    void namesFromWords() {
        QCOMPARE(nameFrom("Zurück!", "x"), std::string("zurueck"));
        QCOMPARE(nameFrom("  Hold / Go on ", "x"), std::string("hold_go_on"));
        QCOMPARE(nameFrom("3 cm", "x"), std::string("n3_cm"));
        QCOMPARE(nameFrom("…", "x"), std::string("x"));
        QVERIFY(!nameError(nameFrom("while", "x")));
        Screen screen;
        QCOMPARE(widgetNameFor(screen, Kind::Button, "Back"), std::string("back_button"));
        screen.widgets.push_back(std::make_shared<Widget>(makeWidget("back_button", Kind::Button, 0, 0, 1, 1)));
        QCOMPARE(widgetNameFor(screen, Kind::Button, "Back"), std::string("back_button_2"));
    }

    void decimalTexts() {
        QCOMPARE(decimalText(1043, 1), std::string("104.3"));
        QCOMPARE(decimalText(-5, 2), std::string("-0.05"));
        QCOMPARE(*decimalFromText("104.25", 1), 1043);
        QCOMPARE(*decimalFromText("-0.05", 2), -5);
        QCOMPARE(*decimalFromText(" 7 ", 3), 7000);
        for (const char* wrong : {"", "-", "1x", "1.2.3", "99999999999", "3000000000"})
            QVERIFY2(!decimalFromText(wrong, 0), wrong);
        QVERIFY(!decimalFromText("3000", 6));
    }

    void anEditSharesWhatItDoesNotTouch() {
        Document a = makeDocument({"first", "second"});
        a = addWidgets(a, "first",
                       {makeWidget("one", Kind::Text, 0, 0, 10, 10), makeWidget("two", Kind::Text, 0, 0, 10, 10)});
        const std::string name = "one";
        const Document b = changeWidgets(a, "first", std::span(&name, 1), [](Widget& w) { w.x = 5; });
        QVERIFY(a.screens[0] != b.screens[0]);
        QCOMPARE(a.screens[1], b.screens[1]);
        QCOMPARE(a.screens[0]->widgets[1], b.screens[0]->widgets[1]);
        QCOMPARE(a.screens[0]->widgets[0]->x, 0);
        QCOMPARE(b.screens[0]->widgets[0]->x, 5);
        QCOMPARE(a.panel, b.panel);
    }

    void takenNamesGetANumber() {
        Names added;
        Document d = addWidgets(
            makeDocument(), "first",
            {makeWidget("fire", Kind::Button, 0, 0, 9, 9), makeWidget("fire", Kind::Button, 0, 0, 9, 9)}, &added);
        QCOMPARE(added, (Names{"fire", "fire_2"}));
        d = addScreen(d, 0, "first");
        QCOMPARE(d.screens[1]->name, std::string("first_2"));
        d = duplicateScreen(d, 0);
        QCOMPARE(d.screens[1]->name, std::string("first_3"));
        QCOMPARE(d.screens[1]->widgets.size(), size_t{2});
    }

    void depth() {
        Document d = addWidgets(makeDocument(), "first",
                                {makeWidget("a", Kind::Text, 0, 0, 1, 1), makeWidget("b", Kind::Text, 0, 0, 1, 1),
                                 makeWidget("c", Kind::Text, 0, 0, 1, 1)});
        const auto order = [](const Document& doc) {
            std::string out;
            for (const WidgetRef& w : doc.screens[0]->widgets)
                out += w->name;
            return out;
        };
        const Names a{"a"}, ab{"a", "b"};
        QCOMPARE(order(reorderWidgets(d, "first", a, Depth::Raise)), std::string("bac"));
        QCOMPARE(order(reorderWidgets(d, "first", ab, Depth::Raise)), std::string("cab"));
        QCOMPARE(order(reorderWidgets(d, "first", a, Depth::ToTop)), std::string("bca"));
        QCOMPARE(order(reorderWidgets(d, "first", Names{"c"}, Depth::ToBottom)), std::string("cab"));
        QCOMPARE(order(reorderWidgets(d, "first", Names{"c"}, Depth::Lower)), std::string("acb"));
        QCOMPARE(order(*moveInto(d, "first", Names{"a"}, "", 1)), std::string("bac"));
    }

    void valuesThatDoNotFitAreRefused() {
        const Document d = addWidgets(makeDocument(), "first", {makeWidget("a", Kind::Text, 0, 0, 10, 10)});
        const Names a{"a"};
        QVERIFY(!gorsefinch::setProperty(d, "first", a, "w", int64_t{0}));
        QVERIFY(!gorsefinch::setProperty(d, "first", a, "align", std::string("sideways")));
        QVERIFY(!gorsefinch::setProperty(d, "first", a, "fill", std::string("red")));
        QVERIFY(!gorsefinch::setProperty(d, "first", a, "look", std::string("nowhere")));
        const auto fine = gorsefinch::setProperty(d, "first", a, "align", std::string("right"));
        QVERIFY(fine);
        QCOMPARE(std::get<std::string>(effectiveValue(*fine, *fine->screens[0]->widgets[0], "align")),
                 std::string("right"));
        const Document cleared = clearProperty(*fine, "first", a, "align");
        QCOMPARE(std::get<std::string>(effectiveValue(cleared, *cleared.screens[0]->widgets[0], "align")),
                 std::string("left"));
    }

    void aRenameFollowsThrough() {
        Document d = makeDocument({"status", "menu"});
        d = withVariable(d, makeNumber("temp", 0, 100, 5));
        d = addWidgets(
            d, "status",
            {makeWidget("go_button", Kind::Button, 0, 0, 9, 9, {{"text", std::string("{temp} {{temp}} {temp:0.0}")}})});
        d = withRules(
            d, "main",
            "// temp stays in comments\non go_button.tap\n    temp = temp + 1\n    go menu\n\n"
            "on status.enter\n    status.go_button.text = \"at {temp}\"\n\nwhen temp > 3\n    hide go_button\n");
        auto next = renameVariable(d, "temp", "kiln_temp");
        QVERIFY(next);
        next = renameScreen(*next, "menu", "programme");
        QVERIFY(next);
        next = renameScreen(*next, "status", "home");
        QVERIFY(next);
        next = renameWidget(*next, "home", "go_button", "start_button");
        QVERIFY(next);
        QCOMPARE(
            next->rules->front().text,
            std::string(
                "// temp stays in comments\non start_button.tap\n    kiln_temp = kiln_temp + 1\n    go programme\n\n"
                "on home.enter\n    home.start_button.text = \"at {kiln_temp}\"\n\nwhen kiln_temp > 3\n    hide "
                "start_button\n"));
        QCOMPARE(std::get<std::string>(next->screens[0]->widgets[0]->properties.at("text")),
                 std::string("{kiln_temp} {{temp}} {kiln_temp:0.0}"));
        QVERIFY(!renameVariable(*next, "kiln_temp", "int"));
        QVERIFY(!renameScreen(*next, "home", "programme"));
    }

    void looksRenameInWidgets() {
        Document d = addWidgets(makeDocument(), "first", {makeWidget("a", Kind::Text, 0, 0, 1, 1)});
        Look look;
        look.name = "plain";
        d = withLook(d, look);
        d = *gorsefinch::setProperty(d, "first", Names{"a"}, "look", std::string("plain"));
        const auto next = renameLook(d, "plain", "calm");
        QVERIFY(next);
        QCOMPARE(next->screens[0]->widgets[0]->look, std::string("calm"));
        QVERIFY(next->look("calm") && !next->look("plain"));
    }

    void undoAndRedoWithoutLimit() {
        History history(makeDocument());
        for (int i = 0; i < 3000; ++i) {
            Document next = history.now();
            next.name = "n" + std::to_string(i);
            history.push(next, "step");
        }
        for (int i = 0; i < 3000; ++i)
            history.undo();
        QVERIFY(!history.canUndo());
        QCOMPARE(history.now().name, std::string("demo"));
        for (int i = 0; i < 3000; ++i)
            history.redo();
        QCOMPARE(history.now().name, std::string("n2999"));
        QVERIFY(!history.canRedo());
    }

    void gesturesMergeToOneStep() {
        History history(makeDocument());
        const auto push = [&](const char* name, const char* merge) {
            Document next = history.now();
            next.name = name;
            history.push(next, name, merge);
        };
        push("a", "drag 1");
        push("b", "drag 1");
        push("c", "drag 2");
        history.undo();
        QCOMPARE(history.now().name, std::string("b"));
        history.undo();
        QCOMPARE(history.now().name, std::string("demo"));
        QCOMPARE(history.redoLabel(), std::string("a"));
    }

    void savedMark() {
        History history(makeDocument());
        history.markSaved();
        QVERIFY(history.isSaved());
        Document next = history.now();
        next.name = "x";
        history.push(next, "x", "k");
        QVERIFY(!history.isSaved());
        history.undo();
        QVERIFY(history.isSaved());
        history.redo();
        history.markSaved();
        next.name = "y";
        history.push(next, "y", "k");
        QVERIFY2(!history.isSaved(), "an edit after saving must not merge into the saved state");
        history.undo();
        history.undo();
        history.push(next, "z");
        history.undo();
        QVERIFY2(!history.isSaved(), "the saved state was cut off by a new branch");
    }

    void presetsMakeUsableProjects() {
        for (const Preset& preset : presets()) {
            const auto made = newProject(preset, "thing");
            QVERIFY2(made.has_value(), preset.key);
            QCOMPARE(made->panel->width, preset.width);
            QCOMPARE(made->screens.size(), size_t{1});
        }
        QVERIFY(!newProject(presets()[0], "for"));
    }

    // What a new widget shows can be told from its screen, whatever the screen's colour.
    void newWidgetsStandOut() {
        for (const PixelFormat format : {PixelFormat::Rgb565, PixelFormat::Row1})
            for (const uint32_t background : {0x000000u, 0xFFFFFFu, 0xF1EADBu, 0x20262Au}) {
                Document document = withPanelOf(makeDocument(), format);
                Screen screen = *document.screens[0];
                screen.background = opaque(background);
                document = withScreen(document, 0, screen);
                for (const KindInfo* kind : kinds()) {
                    const Widget made = newWidget(document, screen, kind->kind, 0, 0, 60, 40, true);
                    for (const char* key : {"colour", "unit_colour", "second_colour"}) {
                        if (!findProperty(kind->kind, key) ||
                            (key != std::string("colour") && !made.properties.count(key)))
                            continue;
                        const Colour ink = std::get<Colour>(effectiveValue(document, made, key));
                        const int difference = std::abs(int(greyOf(ink.argb)) - int(greyOf(background)));
                        if (kind->has(kIsInked | kHasText | kHasLabels))
                            QVERIFY2(difference > 50, kind->key);
                    }
                }
            }
    }
};

GORSEFINCH_TEST(TestDocument, Nothing)
#include "tst_document.moc"
