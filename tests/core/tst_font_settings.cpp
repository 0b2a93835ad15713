// SPDX-License-Identifier: GPL-3.0-or-later
// What a font's settings do to its glyphs: measures, distances, digits of one width, stand-ins, characters
// held besides, pixels set by hand; and that they are kept and leave screens alone.
#include <QtTest>
#include <numeric>

#include "core/document/history.h"
#include "core/font/hand_glyph.h"
#include "core/font/unicode_blocks.h"
#include "core/scene/font_reasons.h"
#include "core/sim/specimen.h"
#include "tests/support/kiln_face.h"
#include "tests/support/test_case.h"

using namespace gorsefinch;
using namespace support;

namespace {

// JSON with ' for ".
std::string json(std::string text) {
    std::replace(text.begin(), text.end(), '\'', '"');
    return text;
}

long sum(const Bytes8& values) { return std::accumulate(values.begin(), values.end(), 0L); }

}  // namespace

class TestFontSettings : public QObject {
    Q_OBJECT

  private Q_SLOTS:
    void sizesCountWhatTheySay() {
        const Document document = withText("H");
        for (const int bits : {1, 4})
            for (int size = 6; size <= 60; ++size) {
                const auto font = [&](SizeMeasure measure) {
                    return baked(change(document, size, [&](FontSettings& s) { s.bits = bits, s.measure = measure; }),
                                 size, {U'H', U'g'});
                };
                QCOMPARE(font(SizeMeasure::Capitals).capitals(), size);
                QVERIFY(std::abs(font(SizeMeasure::Line).lineHeight() - size) <= 2);
            }
    }

    void edgesGetHeavierAndLighter() {
        const Document document = withText("S");
        const auto weight = [&](int gamma) {
            return sum(baked(change(document, 24, [&](FontSettings& s) { s.gamma = gamma; }), 24, {U'S'})
                           .bitmap(U'S')
                           .coverage);
        };
        QVERIFY(weight(60) < weight(100));
        QVERIFY(weight(100) < weight(180));
        // Black and white has no edges to weigh.
        const Document mono = change(document, 24, [](FontSettings& s) { s.bits = 1, s.gamma = 300; });
        QCOMPARE(baked(mono, 24, {U'S'}).bitmap(U'S').coverage,
                 baked(change(mono, 24, [](FontSettings& s) { s.gamma = 100; }), 24, {U'S'}).bitmap(U'S').coverage);
    }

    void hintingChangesPixels() {
        const Document document = withText("E");
        const auto pixels = [&](Hinting hinting) {
            return baked(change(document, 13, [&](FontSettings& s) { s.hinting = hinting; }), 13, {U'E'})
                .bitmap(U'E')
                .coverage;
        };
        QCOMPARE(pixels(Hinting::Default), pixels(Hinting::Light));
        QVERIFY(pixels(Hinting::None) != pixels(Hinting::Light));
    }

    void distancesAreInTheRecord() {
        const Document document = withText("ab");
        const BakedFont defaults = baked(document, 20, {U'a', U'b'});
        const BakedFont wide =
            baked(change(document, 20, [](FontSettings& s) { s.letter = 3, s.line = -2; }), 20, {U'a', U'b'});
        for (size_t i = 0; i < defaults.glyphs().size(); ++i)
            QCOMPARE(int{wide.glyphs()[i].advance}, defaults.glyphs()[i].advance + 3);
        QCOMPARE(int{wide.record()->line_height}, defaults.record()->line_height - 2);
    }

    // With digits of one width nothing beside a changed digit moves.
    void readoutsDoNotJitter() {
        Document document = withText("0");
        document =
            addFace(document, "Inter-Regular.otf", fileBytes("/usr/share/fonts/opentype/inter/Inter-Regular.otf"));
        const std::string inter = document.faces->back().name;
        const auto font = [&](bool even) {
            FontSettings settings;
            settings.evenDigits = even;
            const Document next = withFontSettings(document, {inter, 40}, settings);
            auto out = std::make_unique<BakedFont>(FontKey{inter, 40}, *fontSource(next, {inter, 40}, 4));
            out->need({U'0', U'1', U'2', U'3', U'4', U'5', U'6', U'7', U'8', U'9', U'.', U'A'}, 1);
            out->bake();
            return out;
        };
        const auto uneven = font(false), even = font(true);
        std::set<int> advances;
        for (char32_t c = U'0'; c <= U'9'; ++c) {
            advances.insert(uneven->bitmap(c).advance);
            QCOMPARE(even->bitmap(c).advance, even->bitmap(U'0').advance);
        }
        QVERIFY(advances.size() > 1);
        QCOMPARE(even->bitmap(U'0').advance, *advances.rbegin());
        for (const gorse_kern& kern : even->kerns())
            for (const uint16_t glyph : {kern.left, kern.right})
                QVERIFY(glyph < even->glyphOf(U'0') || glyph > even->glyphOf(U'9'));
        // The 1 stands in the middle of its room.
        const GlyphBitmap one = even->bitmap(U'1');
        QVERIFY(std::abs(one.left - (one.advance - one.width - one.left)) <= 4);
    }

    void anotherFaceStandsIn() {
        Document document = withText(
            "a\xd0\x96"
            "b");  // the face has no Cyrillic
        document = addFace(document, "DejaVuSans.ttf", fileBytes("/usr/share/fonts/truetype/dejavu/DejaVuSans.ttf"));
        const std::string other = document.faces->back().name;
        SceneBuilder builder;
        const auto warnings = [&](const Document& now) {
            std::vector<Problem> out;
            for (const Problem& each : builder.build(now)->problems)
                if (each.reason.find("U+0416") != std::string::npos)
                    out.push_back(each);
            return out;
        };
        const auto told = warnings(document);
        QCOMPARE(told.size(), size_t{1});
        QCOMPARE(told[0].screen, std::string("first"));
        QCOMPARE(told[0].widget, std::string("words"));
        const Document helped = change(document, 20, [&](FontSettings& s) { s.fallback = other; });
        QVERIFY(warnings(helped).empty());
        const BakedFont font = baked(helped, 20, {U'a', 0x416});
        QVERIFY(font.glyphOf(0x416) > 0 && font.bitmap(0x416).width > 5);
        // A circle of stand-ins ends.
        const Document circle = withFontSettings(helped, {other, 20}, [&] {
            FontSettings s;
            s.fallback = faceName(helped);
            return s;
        }());
        QCOMPARE(facesOfFont(circle, {faceName(circle), 20}).size(), size_t{2});
        // A rename follows.
        const auto renamed = renameFace(helped, other, "signs");
        QVERIFY(renamed.has_value());
        QCOMPARE(renamed->faces->front().settings(20).fallback, std::string("signs"));
    }

    void charactersHeldBesides() {
        const Document document = change(withText("K"), 20, [](FontSettings& s) {
            s.holds = {{HeldCharacters::From::Block, "Latin-1 Supplement", ""},
                       {HeldCharacters::From::Text, "", "xyz"},
                       {HeldCharacters::From::File, "menu.csv", "Ω"}};
        });
        SceneBuilder builder;
        const BuiltSceneRef scene = builder.build(document);
        const BakedFont& font = *scene->fonts.front();
        for (const char32_t c : std::u32string(U"Kxyzé°ÿ"))
            QVERIFY2(font.held().count(c) != 0, qPrintable(QString::number(c, 16)));
        QVERIFY(font.held().count(U'J') == 0);
        // Why: the widget's words, then each entry.
        const auto reasons = fontReasons(*scene, font);
        QCOMPARE(reasons.size(), size_t{4});
        QCOMPARE(reasons[0].widget, std::string("words"));
        QCOMPARE(reasons[0].detail, std::string("K"));
        QCOMPARE(reasons[1].detail, std::string("Latin-1 Supplement"));
        QCOMPARE(reasons[3].detail, std::string("menu.csv"));
    }

    void valuesAreReasonsToo() {
        Document document = withText("Now {heat:0.0} of {state}");
        document = withVariable(document, makeNumber("heat", -500, 13000, 200, 1));
        document = withVariable(document, makeText("state", "idle"));
        SceneBuilder builder;
        const BuiltSceneRef scene = builder.build(document);
        const auto reasons = fontReasons(*scene, *scene->fonts.front());
        QCOMPARE(reasons.size(), size_t{3});
        QCOMPARE(reasons[1].detail, std::string("{heat:0.0}"));
        std::set<char32_t> digits{U'-', U'.'};
        for (char32_t c = U'0'; c <= U'9'; ++c)
            digits.insert(c);
        QCOMPARE(reasons[1].characters, digits);
        QCOMPARE(reasons[2].characters.size(), size_t{95});
    }

    void blocksOfUnicode() {
        // All but the soft hyphen, which shows nothing.
        QCOMPARE(charactersOfBlock("latin-1 supplement").size(), size_t{95});
        QVERIFY(charactersOfBlock("no such").empty());
        QCOMPARE(blockOf(U'я')->name, std::string("Cyrillic"));
        QCOMPARE(characterName(U'°'), std::string("DEGREE SIGN"));
        for (size_t i = 1; i < unicodeBlocks().size(); ++i)
            QVERIFY(unicodeBlocks()[i - 1].last < unicodeBlocks()[i].first);
    }

    // An edit of a font's settings bakes its glyphs again, in a font of its own, and builds no screen anew.
    void settingsLeaveScreensAlone() {
        const Document document = withText("Kiln");
        SceneBuilder builder;
        const BuiltSceneRef before = builder.build(document);
        const int advance = before->fonts.front()->glyphs()[1].advance;
        const BuiltSceneRef after = builder.build(change(document, 20, [](FontSettings& s) { s.letter = 2; }));
        QCOMPARE(after->parts.front().get(), before->parts.front().get());
        QCOMPARE(int{after->fonts.front()->glyphs()[1].advance}, advance + 2);
        QCOMPARE(int{before->fonts.front()->glyphs()[1].advance}, advance);
    }

    // Rows of a small plus: a pixel added at its right makes the box wider, one taken off makes it tight again.
    void pixelsByHand() {
        GlyphBitmap plus{3, 3, 1, 4, 6, {0, 255, 0, 255, 255, 255, 0, 255, 0}};
        const HandGlyph wider = withPixel(plus, 5, 2, true);
        QCOMPARE(wider.rows, (std::vector<std::string>{".#...", "###.#", ".#..."}));
        QCOMPARE(wider.left, 1);
        QCOMPARE(wider.rise, 4);
        QCOMPARE(wider.advance, 6);
        const HandGlyph lower = withPixel(plus, 2, 3, false);
        QCOMPARE(lower.rows, (std::vector<std::string>{"###", ".#."}));
        QCOMPARE(lower.rise, 3);
    }

    void handSetGlyphsStay() {
        Document document = change(withText("A", 9), 9, [](FontSettings& s) { s.bits = 1; });
        const FontKey key{faceName(document), 9};
        const HandGlyph cross{0, 3, 4, {"#.#", ".#.", "#.#"}};
        document = withHandGlyph(document, key, U'A', cross);
        document = change(document, 9, [](FontSettings& s) { s.line = 1; });
        SceneBuilder builder;
        const BuiltSceneRef scene = builder.build(document);
        const BakedFont& font = *scene->fonts.front();
        QVERIFY(font.isByHand(U'A'));
        const gorse_glyph& glyph = font.glyphs()[static_cast<size_t>(font.glyphOf(U'A'))];
        QCOMPARE(int{glyph.width}, 3);
        QCOMPARE(unpackCoverage(font.bitsOfGlyphs(), glyph.offset_low, 9, 1),
                 (Bytes8{255, 0, 255, 0, 255, 0, 255, 0, 255}));
        // Other depths have the face's own.
        QVERIFY(!baked(change(document, 9, [](FontSettings& s) { s.bits = 4; }), 9, {U'A'}).isByHand(U'A'));
        QCOMPARE(withHandGlyph(document, key, U'A', std::nullopt).faces->front().ownSize(9)->byHand.size(), size_t{0});
    }

    void everythingIsSavedAndReadAgain() {
        Document document = change(withText("A", 9), 9, [](FontSettings& s) {
            s = {SizeMeasure::Capitals,
                 1,
                 Hinting::None,
                 140,
                 2,
                 -1,
                 true,
                 "other",
                 GlyphPacking::Smallest,
                 {{HeldCharacters::From::Block, "Greek and Coptic", ""}, {HeldCharacters::From::File, "de.csv", "äöü"}},
                 {}};
        });
        document = withHandGlyph(document, {faceName(document), 9}, U'Ä', HandGlyph{-1, 8, 6, {"#.#", "..."}});
        document = withFontSettings(document, {faceName(document), 0}, [] {
            FontSettings s;
            s.gamma = 80;
            return s;
        }());
        const ProjectFiles files = toFiles(document);
        const ReadProject read = fromFiles([&](const std::string& path, size_t) -> Result<SharedBytes> {
            const auto at = files.find(path);
            return at == files.end() ? Result<std::string>(failure(path, "", "missing", ""))
                                     : Result<std::string>(at->second);
        });
        QVERIFY2(read.problems.empty(), read.problems.empty() ? "" : read.problems[0].text().c_str());
        const Face &before = document.faces->front(), &after = read.document->faces->front();
        QVERIFY(before.defaults == after.defaults);
        QVERIFY(before.sizes == after.sizes);
        QVERIFY(toFiles(*read.document) == files);
    }

    void badSettingsAreTold_data() {
        QTest::addColumn<QByteArray>("face");
        QTest::addColumn<QString>("place");
        QTest::newRow("bits") << QByteArray("{'usual': {'bits': 3}}") << "fonts[0].usual.bits";
        QTest::newRow("size") << QByteArray("{'sizes': [{'size': 4000}]}") << "fonts[0].sizes[0].size";
        QTest::newRow("twice") << QByteArray("{'sizes': [{'size': 9}, {'size': 9}]}") << "fonts[0].sizes";
        QTest::newRow("rows") << QByteArray(
                                     "{'sizes': [{'size': 9, 'glyphs': [{'character': 'U+41', 'rows': ['##', '#']}]}]}")
                              << "fonts[0].sizes[0].glyphs[0].rows";
        QTest::newRow("character") << QByteArray(
                                          "{'sizes': [{'size': 9, 'glyphs': [{'character': 'A', 'rows': ['#']}]}]}")
                                   << "fonts[0].sizes[0].glyphs[0].character";
        QTest::newRow("hinting") << QByteArray("{'usual': {'hinting': 'strong'}}") << "fonts[0].usual.hinting";
        QTest::newRow("holds") << QByteArray("{'usual': {'holds': [7]}}") << "fonts[0].usual.holds[0]";
    }

    void badSettingsAreTold() {
        QFETCH(QByteArray, face);
        QFETCH(QString, place);
        face.insert(1, "'name': 'face', 'file': 'face.otf', ");
        const std::string main = "{'gorsefinch': 1, 'name': 'demo', 'panel': {}, 'fonts': [" + face.toStdString() +
                                 "], 'screens': ['first']}";
        const ReadProject read = fromFiles([&](const std::string& path, size_t) -> Result<SharedBytes> {
            return json(path == "gorsefinch.json" ? main : "{'widgets': []}");
        });
        QVERIFY(read.document.has_value());
        QStringList places;
        for (const Problem& each : read.problems)
            places << QString::fromStdString(each.place);
        QVERIFY2(places.contains(place), qPrintable(places.join(' ')));
    }

    void charactersOfEarlierFilesAreHeld() {
        const std::string main =
            "{'gorsefinch': 1, 'name': 'demo', 'panel': {}, 'fonts': [{'name': 'face', 'file': 'face.otf', "
            "'also_holds': 'äö'}], 'screens': ['first']}";
        const ReadProject read = fromFiles([&](const std::string& path, size_t) -> Result<SharedBytes> {
            return path == "gorsefinch.json" ? json(main) : std::string("{}");
        });
        QCOMPARE(read.document->faces->front().defaults.holds.front().characters, std::string("äö"));
    }

    // Another size is taken over wherever the old one was asked for: looks, their states, widgets.
    void anotherSizeEverywhere() {
        Document document = withText("A", 20);
        const std::string face = faceName(document);
        Look look;
        look.name = "title";
        look.style["size"] = int64_t{20};
        look.states["pressed"]["size"] = int64_t{24};
        document = withLook(document, look);
        Widget other = makeWidget("other", Kind::Text, 0, 0, 50, 20, {{"text", std::string("B")}});
        other.look = "title";
        document = addWidgets(document, "first", {other});
        QCOMPARE(usersOfFont(document, {face, 20}),
                 (std::vector<std::string>{"look title", "first.words", "first.other"}));
        const Document next = resizeFont(document, {face, 20}, 22);
        QVERIFY(usersOfFont(next, {face, 20}).empty());
        QCOMPARE(usersOfFont(next, {face, 22}), (std::vector<std::string>{"look title", "first.words", "first.other"}));
        QCOMPARE(std::get<int64_t>(next.looks->front().states.at("pressed").at("size")), int64_t{24});
        QVERIFY(next.screens[0]->widgets[1]->properties.count("size") == 0);
    }

    // A font that could not hold all that it was told to says so, and holds whole glyphs up to there.
    void fontsHaveABound() {
        Document large = withText("A", 200);
        Face face = large.faces->front();
        face.original = fileBytes("/usr/share/fonts/truetype/dejavu/DejaVuSans.ttf");
        large = withFace(large, face);
        const Document document = change(large, 200, [](FontSettings& s) {
            s.bits = 8;
            s.measure = SizeMeasure::Capitals;
            for (const UnicodeBlock& each : unicodeBlocks())
                if (s.holds.size() < kMaxHeld)
                    s.holds.push_back({HeldCharacters::From::Block, each.name, ""});
        });
        SceneBuilder builder;
        const BuiltSceneRef scene = builder.build(document);
        const BakedFont& font = *scene->fonts.front();
        QVERIFY(font.bitsOfGlyphs().size() <= 0xffffff);
        const bool told = std::any_of(scene->problems.begin(), scene->problems.end(),
                                      [](const Problem& p) { return p.reason.find("no room") != std::string::npos; });
        QCOMPARE(told, font.leftOut() > 0);
        QVERIFY(font.leftOut() > 0);
    }
};

GORSEFINCH_TEST(TestFontSettings, Nothing)
#include "tst_font_settings.moc"
