// SPDX-License-Identifier: GPL-3.0-or-later
// Which files of the runtime a project brings along: what it uses, and not what it doesn't.
#include <QSet>
#include <QtTest>

#include "core/edits/edit.h"
#include "core/edits/image_edits.h"
#include "core/emit/runtime_sources.h"
#include "core/image/picture.h"
#include "core/project/project_text.h"
#include "core/scene/built_scene.h"
#include "tests/support/projects.h"
#include "tests/support/test_case.h"

using namespace gorsefinch;
using namespace support;

namespace {

QSet<QString> sourcesOf(const Document& document) {
    SceneBuilder builder;
    QSet<QString> out;
    for (const std::string& each : neededSources(*builder.build(document)))
        out << QString::fromStdString(each);
    return out;
}

Document withWidget(const Document& d, Kind kind, PropertyMap properties = {}) {
    return addWidgets(d, "first", {makeWidget("it", kind, 0, 0, 40, 20, std::move(properties))});
}

Document withPicture(const Document& d) {
    return addImage(d, "pot.png", std::make_shared<const FileContents>(encodePng(makePicture(8, 8, 0xff335577u))));
}

}  // namespace

class TestNeededSources : public QObject {
    Q_OBJECT

  private Q_SLOTS:
    void anEmptyProjectBringsNoKinds() {
        const QSet<QString> files = sourcesOf(makeDocument());
        QVERIFY(files.contains("gorse_run.c") && files.contains("gorse_paint.c") &&
                files.contains("gorse_format_rgb565.c"));
        for (const QString& each : files)
            QVERIFY2(!each.startsWith("gorse_kind_") && !each.startsWith("gorse_glyph_") &&
                         !each.startsWith("gorse_turn_") && each != "gorse_motion.c",
                     qPrintable(each));
    }

    void kindsComeWithTheirWidgets() {
        QVERIFY(sourcesOf(withWidget(makeDocument(), Kind::Rectangle)).contains("gorse_kind_rectangle.c"));
        QVERIFY(sourcesOf(withWidget(makeDocument(), Kind::Text)).contains("gorse_kind_text.c"));
        const QSet<QString> frames = sourcesOf(withWidget(makeDocument(), Kind::Frames));
        QVERIFY(frames.contains("gorse_kind_frames.c") && frames.contains("gorse_motion.c"));
    }

    void aMappedTouchBringsItsFunctions() {
        Panel panel;
        panel.touchMapped = true;
        const Document mapped = withPanel(makeDocument(), panel);
        QVERIFY(sourcesOf(mapped).contains("gorse_touch_map.c") && sourcesOf(mapped).contains("gorse_touch_map.h"));
        QVERIFY(!sourcesOf(makeDocument()).contains("gorse_touch_map.c"));
        QVERIFY(toFiles(mapped).at(kMainFile).text().find("\"touch_mapped\": true") != std::string_view::npos);
        panel.touch = false;
        QVERIFY(!sourcesOf(withPanel(mapped, panel)).contains("gorse_touch_map.c"));
    }

    // One of the two draws boxes: what rounds corners only where something does.
    void roundCornersComeWithWhatHasThem_data() {
        QTest::addColumn<bool>("round");
        for (const char* each : {"square", "lamp"})
            QTest::newRow(each) << (each == std::string("lamp"));
        for (const char* each : {"own", "look", "state of a look", "rule", "corner of a rectangle"})
            QTest::newRow(each) << true;
    }
    void roundCornersComeWithWhatHasThem() {
        QFETCH(bool, round);
        const std::string how = QTest::currentDataTag();
        Look look;
        look.name = "plate";
        look.style["fill"] = opaque(0x223344);
        (how == "state of a look" ? look.states["pressed"] : look.style)["radius"] =
            int64_t{how == "look" || how == "state of a look" ? 4 : 0};
        Document d = withLook(makeDocument(), look);
        // Only what is touched has states.
        d = withWidget(d,
                       how == "lamp"              ? Kind::Lamp
                       : how == "state of a look" ? Kind::Button
                                                  : Kind::Rectangle,
                       how == "own"                     ? PropertyMap{{"radius", int64_t{3}}}
                       : how == "corner of a rectangle" ? PropertyMap{{"corners", std::string("0 5 0 0")}}
                                                        : PropertyMap{});
        d = changeWidgets(d, "first", Names{"it"}, [](Widget& widget) { widget.look = "plate"; });
        if (how == "rule")
            d = withRules(d, "main", "on start\n    first.it.radius = 5\n");
        const QSet<QString> files = sourcesOf(d);
        QCOMPARE(files.contains("gorse_box.c"), round);
        QCOMPARE(files.contains("gorse_box_square.c"), !round);
    }

    void framesThatFollowAValueAreOthers() {
        const Document d = withVariable(withPicture(makeDocument()), makeNumber("level", 0, 9, 0));
        const PropertyMap plays{{"image", std::string("pot")}},
            follows{{"image", std::string("pot")}, {"variable", std::string("level")}};
        const QSet<QString> playing = sourcesOf(withWidget(d, Kind::Frames, plays));
        QVERIFY(!playing.contains("gorse_frames_following.c"));
        const QSet<QString> following = sourcesOf(withWidget(d, Kind::Frames, follows));
        QVERIFY(following.contains("gorse_frames_following.c") && following.contains("gorse_kind_frames_following.c"));
    }

    void aButtonWithAnImageIsAnotherThanOneWithout() {
        const QSet<QString> plain = sourcesOf(withWidget(makeDocument(), Kind::Button));
        QVERIFY(plain.contains("gorse_kind_button.c") && !plain.contains("gorse_kind_button_image.c"));
        const QSet<QString> pictured =
            sourcesOf(withWidget(withPicture(makeDocument()), Kind::Button, {{"image", std::string("pot")}}));
        QVERIFY(pictured.contains("gorse_kind_button_image.c") && !pictured.contains("gorse_kind_button.c"));
    }

    void pixelFormatsComeOnTheirOwn_data() {
        QTest::addColumn<int>("format");
        QTest::addColumn<QString>("file");
        for (const PixelFormatInfo& each : pixelFormats())
            if (each.panel)
                QTest::newRow(each.key) << static_cast<int>(each.format) << QString(each.panelSymbol.source);
    }

    void pixelFormatsComeOnTheirOwn() {
        QFETCH(int, format);
        QFETCH(QString, file);
        const QSet<QString> files = sourcesOf(withPanelOf(makeDocument(), static_cast<PixelFormat>(format)));
        QVERIFY(files.contains(file));
        QCOMPARE(
            std::count_if(files.begin(), files.end(),
                          [](const QString& each) { return each.startsWith("gorse_format_") && each.endsWith(".c"); }),
            1);
        QCOMPARE(files.contains("gorse_palette.c"), info(static_cast<PixelFormat>(format)).hasPalette());
    }

    void turnsBringWhatTurns() {
        QVERIFY(!sourcesOf(makeDocument()).contains("gorse_paint_squares.c"));
        const QSet<QString> upsideDown = sourcesOf(withPanelOf(makeDocument(), PixelFormat::Rgb565, 180));
        QVERIFY(upsideDown.contains("gorse_turn_pixels.c") && !upsideDown.contains("gorse_paint_squares.c"));
        const QSet<QString> quarter = sourcesOf(withPanelOf(makeDocument(), PixelFormat::Rgb565, 90));
        QVERIFY(quarter.contains("gorse_turn_pixels.c") && quarter.contains("gorse_paint_squares.c"));
    }

    // Division, texts and bits are apart; comparing, adding and screens are not.
    void rulesBringMoreOnlyWhenTheyNeedIt_data() {
        QTest::addColumn<QString>("rule");
        QTest::addColumn<bool>("more");
        QTest::newRow("adding") << "count = count + 1" << false;
        QTest::newRow("comparing") << "armed = count > 3 && count <= 9 || !armed" << false;
        QTest::newRow("multiplying") << "count = count * 2 - 1" << false;
        QTest::newRow("a hook") << "call tell(count)" << false;
        QTest::newRow("dividing") << "count = count / 2" << true;
        QTest::newRow("the rest") << "count = count % 2" << true;
        QTest::newRow("rounding") << "count = level" << true;
        QTest::newRow("bits") << "count = count & 3" << true;
        QTest::newRow("a text") << "title = \"hot\"" << true;
        QTest::newRow("comparing texts") << "armed = title == \"hot\"" << true;
        QTest::newRow("a hook with a text") << "call tell(title)" << true;
    }

    void rulesBringMoreOnlyWhenTheyNeedIt() {
        QFETCH(QString, rule);
        QFETCH(bool, more);
        Document d = withVariable(makeDocument(), makeNumber("count", -1000, 1000, 0));
        d = withVariable(d, makeNumber("level", 0, 1000, 0, 1));
        d = withVariable(d, makeYesNo("armed", false));
        d = withVariable(d, makeText("title", "x"));
        d = withRules(d, "main", "on start\n    " + rule.toStdString() + "\n");
        SceneBuilder builder;
        const BuiltSceneRef scene = builder.build(d);
        QVERIFY2(!hasErrors(scene->problems), scene->problems.empty() ? "" : scene->problems.front().text().c_str());
        QCOMPARE(scene->scene.extended != nullptr, more);
        QCOMPARE(sourcesOf(d).contains("gorse_code_extended.c"), more);
    }

    // An inset is code too.
    void insetsBringMoreToo() {
        Document d = withVariable(makeDocument(), makeNumber("count", 0, 100, 0));
        QVERIFY(!sourcesOf(withWidget(d, Kind::Text, {{"text", std::string("{count + 1}")}}))
                     .contains("gorse_code_extended.c"));
        QVERIFY(sourcesOf(withWidget(d, Kind::Text, {{"text", std::string("{count / 2}")}}))
                    .contains("gorse_code_extended.c"));
    }

    void glyphsComeWithTheirReader() {
        const auto readers = [](const Document& d) {
            QSet<QString> out;
            for (const QString& each : sourcesOf(d))
                if (each.startsWith("gorse_glyph_"))
                    out << each;
            return out;
        };
        QCOMPARE(readers(openExample("hive")), (QSet<QString>{"gorse_glyph_bits.c", "gorse_glyph_runs.c"}));
        QVERIFY(readers(openKiln()).contains("gorse_glyph_nibbles.c"));
        QVERIFY(!readers(openKiln()).contains("gorse_glyph_bits.c"));
    }
};

GORSEFINCH_TEST(TestNeededSources, Nothing)
#include "tst_needed_sources.moc"
