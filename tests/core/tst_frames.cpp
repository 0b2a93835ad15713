// SPDX-License-Identifier: GPL-3.0-or-later
// Frames that play by time, follow a value, obey rules and go on through edits; the ladder; what is generated of
// images.
#include <QtTest>

#include "core/edits/image_edits.h"
#include "core/emit/generate.h"
#include "core/image/ladder.h"
#include "core/project/recipe_text.h"
#include "core/sim/twin.h"
#include "tests/support/gif.h"
#include "tests/support/projects.h"
#include "tests/support/test_case.h"

using namespace gorsefinch;
using namespace support;

namespace {

// Four frames of 100 ms; frame n has n + 1 lit columns.
Bytes columnsGif() {
    GifWriter gif(8, 8, {0x000000, 0xffffff});
    for (int f = 0; f < 4; ++f) {
        std::vector<uint8_t> pixels(64, 0);
        for (int y = 0; y < 8; ++y)
            for (int x = 0; x <= f; ++x)
                pixels[static_cast<size_t>(y) * 8 + static_cast<size_t>(x)] = 1;
        gif.add({0, 0, 8, 8, pixels, 10, 1, -1});
    }
    return std::make_shared<const FileContents>(gif.finish());
}

Document withFrames(PropertyMap properties, const std::string& rules = "", ExpressionMap expressions = {}) {
    Document document = makeDocument({"first", "second"});
    Panel panel = *document.panel;
    panel.width = 32;
    panel.height = 16;
    panel.format = PixelFormat::Row1;
    document = withPanel(document, panel);
    document = addImage(document, "columns.gif", columnsGif());
    document = withVariable(document, makeNumber("level", 0, 99, 0));
    document = withVariable(document, makeNumber("ends", 0, 100, 0));
    properties["image"] = std::string("columns");
    Widget bar = makeWidget("bar", Kind::Frames, 0, 0, 8, 8, std::move(properties));
    bar.expressions = std::move(expressions);
    document = addWidgets(document, "first", {bar});
    return rules.empty() ? document : withRules(document, "main", rules);
}

// Which frame the panel shows, from 1; 0 for none.
int shown(const Twin& twin) {
    const Picture p = twin.memory().picture();
    int lit = 0;
    while (lit < 8 && (p.at(lit, 0) & 255) != 0)
        ++lit;
    return lit;
}

// The frames that are shown at each 100 ms from 0 on.
std::vector<int> played(Twin& twin, int steps) {
    std::vector<int> out;
    for (int i = 0; i < steps; ++i) {
        twin.step(static_cast<uint32_t>(i) * 100);
        out.push_back(shown(twin));
    }
    return out;
}

using Order = std::vector<int>;

}  // namespace

class TestFrames : public QObject {
    Q_OBJECT

    SceneBuilder builder_;

    std::vector<int> playedBy(const Document& document, int steps) {
        const BuiltSceneRef scene = builder_.build(document);
        if (hasErrors(scene->problems))
            return {};
        Twin twin(scene, Twin::View::Panel);
        return played(twin, steps);
    }

  private Q_SLOTS:
    void playsInEachWay() {
        QCOMPARE(playedBy(withFrames({}), 9), (Order{1, 2, 3, 4, 1, 2, 3, 4, 1}));
        QCOMPARE(playedBy(withFrames({{"play", std::string("once")}}), 7), (Order{1, 2, 3, 4, 4, 4, 4}));
        QCOMPARE(playedBy(withFrames({{"play", std::string("to and fro")}}), 9), (Order{1, 2, 3, 4, 3, 2, 1, 2, 3}));
        QCOMPARE(playedBy(withFrames({{"starts", false}}), 4), (Order{1, 1, 1, 1}));
    }

    void aPartOfThemPlays() {
        const auto order = [](PropertyMap properties, const std::string& rules = "") {
            SceneBuilder builder;
            Twin twin(builder.build(withFrames(std::move(properties), rules)));
            return played(twin, 9);
        };
        const int64_t two = 2, three = 3;
        QCOMPARE(order({{"first", two}, {"last", three}}), (Order{2, 3, 2, 3, 2, 3, 2, 3, 2}));
        QCOMPARE(order({{"first", two}}), (Order{2, 3, 4, 2, 3, 4, 2, 3, 4}));
        QCOMPARE(order({{"last", two}, {"play", std::string("once")}}), (Order{1, 2, 2, 2, 2, 2, 2, 2, 2}));
        QCOMPARE(order({{"first", two}, {"play", std::string("to and fro")}}), (Order{2, 3, 4, 3, 2, 3, 4, 3, 2}));
        QCOMPARE(order({{"first", three}, {"last", three}}), (Order{3, 3, 3, 3, 3, 3, 3, 3, 3}));
        // A rule goes over to another part, whose first frame comes at once.
        QCOMPARE(order({{"last", two}}, "every 350 ms\n    bar.first = 3\n    bar.last = 4\n"),
                 (Order{1, 2, 1, 2, 3, 4, 3, 4, 3}));
    }

    void aPartFollowsAValue() {
        SceneBuilder builder;
        Twin twin(builder.build(
            withFrames({{"variable", std::string("level")}, {"first", int64_t{2}}, {"last", int64_t{3}}})));
        for (const auto& [level, frame] : {std::pair(0, 2), {49, 2}, {50, 3}, {99, 3}}) {
            QVERIFY(twin.set("level", std::to_string(level)).has_value());
            twin.step(0);
            QCOMPARE(shown(twin), frame);
        }
        const BuiltSceneRef changed =
            builder.build(withFrames({{"variable", std::string("level")}}, "on start\n    bar.first = 3\n"));
        QVERIFY(hasErrors(changed->problems));
    }

    void mistakesInPartsAreReported() {
        SceneBuilder builder;
        const auto reason = [&](int64_t first, int64_t last) {
            const BuiltSceneRef scene = builder.build(withFrames({{"first", first}, {"last", last}}));
            return scene->problems.empty() ? std::string() : scene->problems.front().reason;
        };
        QCOMPARE(reason(2, 4), std::string());
        QCOMPARE(reason(2, 0), std::string());
        QCOMPARE(reason(5, 0), std::string("the image has 4 frames, this shows others"));
        QCOMPARE(reason(1, 5), std::string("the image has 4 frames, this shows others"));
        QCOMPARE(reason(3, 2), std::string("the last frame is before the first"));
    }

    // A choice is one of its words in quotes.
    void rulesMirrorThem() {
        const std::string rules =
            "when level > 50\n    bar.mirror = \"left-right\"\notherwise\n    bar.mirror = \"none\"\n\n"
            "when bar.mirror == \"left-right\"\n    ends = 1\notherwise\n    ends = 2\n";
        SceneBuilder builder;
        const BuiltSceneRef scene = builder.build(withFrames({{"last", int64_t{1}}}, rules));
        QCOMPARE(scene->problems.size(), size_t{0});
        Twin twin(scene);
        const auto lit = [&](int x) { return (twin.memory().picture().at(x, 0) & 255) != 0; };
        twin.step(0);
        QVERIFY(lit(0) && !lit(7));
        for (const int level : {60, 20, 99}) {
            QVERIFY(twin.set("level", std::to_string(level)).has_value());
            twin.step(10);
            twin.step(20);
            QCOMPARE(lit(7), level > 50);
            QCOMPARE(lit(0), level <= 50);
            QCOMPARE(twin.get("ends"), std::string(level > 50 ? "1" : "2"));
        }
    }

    void expressionsMirrorThem() {
        const auto built = [](const char* expression) {
            SceneBuilder builder;
            return builder.build(withFrames({{"last", int64_t{1}}}, "", {{"mirror", expression}}));
        };
        const BuiltSceneRef scene = built("level > 50 ? \"left-right\" : \"none\"");
        QCOMPARE(scene->problems.size(), size_t{0});
        Twin twin(scene);
        for (const int level : {60, 20, 99}) {
            QVERIFY(twin.set("level", std::to_string(level)).has_value());
            twin.step(0);
            QCOMPARE((twin.memory().picture().at(7, 0) & 255) != 0, level > 50);
        }
        const std::pair<const char*, const char*> mistakes[] = {
            {"\"sideways\"", "column 1: it takes \"none\", \"left-right\" or \"top-bottom\", this is a text"},
            {"level", "column 1: it takes \"none\", \"left-right\" or \"top-bottom\", this is a number"},
            {"bar.play == \"once\" ? \"none\" : \"none\"", "column 5: rules can't read \"play\" of it"}};
        for (const auto& [expression, reason] : mistakes)
            QCOMPARE(built(expression)->problems.front().reason, std::string(reason));
    }

    void aLateStepCatchesUp() {
        Twin twin(builder_.build(withFrames({})), Twin::View::Panel);
        twin.step(0);
        twin.step(250);
        QCOMPARE(shown(twin), 3);
        twin.step(100000);  // hours behind: it goes on from now, and does not hang
        const int at = shown(twin);
        twin.step(100100);
        QCOMPARE(shown(twin), at % 4 + 1);
    }

    void timesOfTheRecipeHold() {
        Document document = withFrames({});
        Recipe recipe = document.image("columns")->recipe;
        recipe.frames = {{3, 100}, {0, 200}};
        QCOMPARE(playedBy(withRecipe(document, "columns", recipe), 6), (Order{4, 1, 1, 4, 1, 1}));
    }

    void followsAValue() {
        Twin twin(builder_.build(withFrames({{"variable", std::string("level")}})), Twin::View::Panel);
        for (const auto& [level, frame] :
             {std::pair(0, 1), {24, 1}, {25, 2}, {49, 2}, {50, 3}, {75, 4}, {99, 4}, {0, 1}}) {
            (void)twin.set("level", std::to_string(level));
            twin.step(twin.now() + 10);
            QCOMPARE(shown(twin), frame);
        }
        Twin part(builder_.build(withFrames(
                      {{"variable", std::string("level")}, {"from", std::string("40")}, {"to", std::string("47")}})),
                  Twin::View::Panel);
        for (const auto& [level, frame] : {std::pair(10, 1), {41, 1}, {42, 2}, {46, 4}, {90, 4}}) {
            (void)part.set("level", std::to_string(level));
            part.step(part.now() + 10);
            QCOMPARE(shown(part), frame);
        }
    }

    void rulesPlayStopAndHearTheEnd() {
        Document document =
            withFrames({{"play", std::string("once")}, {"starts", false}},
                       "when level > 10\n    play bar\notherwise\n    stop bar\n\non bar.done\n    ends = ends + 1\n");
        const BuiltSceneRef scene = builder_.build(document);
        QVERIFY2(scene->problems.empty(), scene->problems.empty() ? "" : scene->problems.front().text().c_str());
        Twin twin(scene, Twin::View::Panel);
        twin.step(0);
        twin.step(500);
        QCOMPARE(shown(twin), 1);
        (void)twin.set("level", "20");
        twin.step(510);
        twin.step(710);
        QCOMPARE(shown(twin), 3);
        (void)twin.set("level", "0");
        twin.step(720);
        twin.step(1500);
        QCOMPARE(shown(twin), 3);
        QCOMPARE(twin.get("ends"), std::string("0"));
        (void)twin.set("level", "30");
        twin.step(1510);
        twin.step(1910);
        QCOMPARE(twin.get("ends"), std::string("1"));
        QCOMPARE(shown(twin), 4);
    }

    void mistakesAreTold() {
        const auto reason = [&](const Document& document) {
            QStringList all;
            for (const Problem& each : builder_.build(document)->problems)
                all << QString::fromStdString(each.reason);
            return all.join("; ");
        };
        Document document = withFrames({});
        document = addWidgets(document, "first", {makeWidget("words", Kind::Text, 0, 0, 8, 8)});
        QVERIFY(reason(withRules(document, "main", "on start\n    play words\n")).contains("does not play"));
        QVERIFY(reason(withRules(document, "main", "on words.done\n    play bar\n")).contains("never comes to an end"));
        QVERIFY(reason(withRules(document, "main", "on bar.tap\n    stop bar\n")).contains("takes no touch"));
        QVERIFY(reason(withRules(document, "main", "on start\n    play nothing\n")).contains("no widget"));
        QVERIFY(reason(withFrames({{"variable", std::string("none")}})).contains("no variable"));
        QVERIFY(reason(withFrames(
                           {{"variable", std::string("level")}, {"from", std::string("9")}, {"to", std::string("3")}}))
                    .contains("above the first"));
        QVERIFY(reason(withFrames({{"variable", std::string("level")}, {"from", std::string("warm")}}))
                    .contains("not a number"));
    }

    void anEditLeavesThemPlaying() {
        const Document document = withFrames({});
        Twin twin(builder_.build(document), Twin::View::Panel);
        twin.step(0);
        twin.step(200);
        QCOMPARE(shown(twin), 3);
        twin.update(builder_.build(addWidgets(document, "first", {makeWidget("other", Kind::Rectangle, 20, 0, 4, 4)})));
        QCOMPARE(shown(twin), 3);
        twin.step(300);
        QCOMPARE(shown(twin), 4);
        // Fewer frames than the one that was shown: the last stands in.
        Recipe recipe;
        recipe.frames = {{0, 100}, {1, 100}};
        twin.update(builder_.build(withRecipe(document, "columns", recipe)));
        QCOMPARE(shown(twin), 2);
    }

    void theyBeginAnewWhenTheirScreenIsEntered() {
        Twin twin(builder_.build(withFrames({}, "when level > 50\n    go second\notherwise\n    go first\n")),
                  Twin::View::Panel);
        twin.step(0);
        twin.step(200);
        QCOMPARE(shown(twin), 3);
        (void)twin.set("level", "60");
        twin.step(210);
        QCOMPARE(twin.screen(), 1);
        (void)twin.set("level", "0");
        twin.step(1000);
        QCOMPARE(shown(twin), 1);
        twin.step(1100);
        QCOMPARE(shown(twin), 2);
    }

    void renamesFollowThrough() {
        Document document = withFrames({{"variable", std::string("level")}});
        document = *renameVariable(document, "level", "depth");
        document = *renameImage(document, "columns", "bars");
        const Widget& bar = *document.screens[0]->widgets[0];
        QVERIFY(bar.properties.at("variable") == PropertyValue(std::string("depth")));
        QVERIFY(bar.properties.at("image") == PropertyValue(std::string("bars")));
        QCOMPARE(usersOfImage(document, "bars"), (std::vector<std::string>{"first.bar"}));
        QVERIFY(!renameImage(document, "bars", "for").has_value());
        QVERIFY(!renameImage(document, "bars", "depth").has_value());
    }

    // Only what a widget shows is generated: all frames for frames, the first for an image, nothing for the unused.
    void onlyWhatIsUsedIsGenerated() {
        const auto images = [&](const Document& document) {
            const GeneratedCode code = generateCode(*builder_.build(document));
            return QString::fromStdString(code.files.at("demo_images.c"));
        };
        const Document document = addImage(withFrames({}), "spare.gif", columnsGif());
        const QString frames = images(document);
        QVERIFY(frames.contains("demo_image_columns_4 =") && frames.contains("demo_image_columns_frames =") &&
                !frames.contains("spare"));
        Document still = makeDocument();
        still = addImage(still, "columns.gif", columnsGif());
        still = addWidgets(still, "first",
                           {makeWidget("bar", Kind::Image, 0, 0, 8, 8, {{"image", std::string("columns")}})});
        const QString first = images(still);
        QVERIFY(first.contains("demo_image_columns =") && !first.contains("demo_image_columns_2"));
    }

    void outsideMemoryIsAFile() {
        Document document = withFrames({});
        Recipe recipe;
        recipe.outside = true;
        document = withRecipe(document, "columns", recipe);
        const BuiltSceneRef scene = builder_.build(document);
        const GeneratedCode code = generateCode(*scene);
        QCOMPARE(code.files.at("demo_outside.bin").size(), size_t{4 * 8});
        QCOMPARE(code.files.at("demo_outside.bin"), std::string(scene->outside.begin(), scene->outside.end()));
        QVERIFY(code.files.at("demo.h").find("void demo_read(uint32_t address, uint8_t *to, uint16_t n);") !=
                std::string::npos);
        QVERIFY(code.files.count("gorse/gorse_reader_outside.c") == 1 &&
                code.files.count("gorse/gorse_reader_runs.c") == 0);
        QVERIFY(generateCode(*builder_.build(withFrames({}))).files.count("demo_outside.bin") == 0);
    }

    // The same picture with the same recipe under two names lies in outside memory once.
    void twoNamesShareOutsideMemory() {
        Recipe recipe;
        recipe.outside = true;
        Document document = withRecipe(withFrames({}), "columns", recipe);
        const std::vector<uint8_t> once = builder_.build(document)->outside;
        Image other = *document.image("columns");
        other.name = "other";
        document = addImages(document, {other});
        document = addWidgets(document, "first",
                              {makeWidget("second", Kind::Frames, 8, 0, 8, 8, {{"image", std::string("other")}})});
        const BuiltSceneRef scene = builder_.build(document);
        QCOMPARE(scene->outside, once);
        const auto addressOf = [&](size_t image) {
            return scene->images[image].image->record()->source->pixel_address;
        };
        QCOMPARE(scene->images.size(), size_t{2});
        QCOMPARE(addressOf(1), addressOf(0));
    }

    void aRecipeGoesToOthersWithoutWhatIsTheirOwn() {
        Document document = addImage(withFrames({}), "other.gif", columnsGif());
        Recipe own;
        own.cropWidth = own.cropHeight = 3;
        own.frames = {{1, 50}};
        document = withRecipe(document, "other", own);
        Recipe wanted;
        wanted.brightness = 12;
        wanted.cropWidth = wanted.cropHeight = 5;
        const auto copied = recipeFromText(recipeText(wanted));
        QVERIFY(copied && *copied == wanted);
        const Document next = withRecipeOn(document, std::vector<std::string>{"other", "nobody"}, *copied);
        QCOMPARE(next.image("other")->recipe.brightness, 12);
        QCOMPARE(next.image("other")->recipe.cropWidth, 3);
        QCOMPARE(next.image("other")->recipe.frames.size(), size_t{1});
        QVERIFY(!recipeFromText("hello") && !recipeFromText("{}"));
    }

    void newPicturesTakeTheProjectsRecipe() {
        Document document = makeDocument();
        Recipe defaults;
        defaults.width = 5;
        document.defaultRecipe = std::make_shared<const Recipe>(defaults);
        document = addImage(document, "a.gif", columnsGif());
        document = addImage(document, "a.gif", columnsGif());
        QCOMPARE(document.images->at(0).recipe.width, 5);
        QVERIFY(document.images->at(0).name != document.images->at(1).name &&
                document.images->at(0).file != document.images->at(1).file);
    }

    void theLadderTellsCostsAndLosses() {
        Picture picture = makePicture(40, 30);
        for (int y = 0; y < 30; ++y)
            for (int x = 0; x < 40; ++x)
                picture.at(x, y) = 0xff000000u | static_cast<uint32_t>(x * 6 << 16 | y * 8 << 8 | (x + y) * 3);
        std::set<PixelFormat> formats;
        for (const Rung& rung : ladderRungs(PixelFormat::Rgb565)) {
            const RungResult result = makeRung(picture, rung, Recipe{});
            formats.insert(rung.format);
            const size_t palette =
                rung.colours == 0 ? 0 : result.plainBytes - static_cast<size_t>(packedBytes(rung.format, 40, 30));
            QCOMPARE(result.plainBytes - palette, static_cast<size_t>(packedBytes(rung.format, 40, 30)));
            QVERIFY(result.colours >= 2 && result.colours <= (1 << std::min(info(rung.format).bits, 16)));
            if (info(rung.format).bits >= 24)
                QVERIFY(std::isinf(result.psnr) && result.difference == 0.0);
            else
                QVERIFY(result.psnr > 3 && result.difference > 0);
            // Taken, the recipe stands on it.
            QVERIFY(rungOf(withRung(Recipe{}, rung, PixelFormat::Rgb565), PixelFormat::Rgb565) == rung);
        }
        QCOMPARE(formats.size(), size_t{12});
        const Picture grey = makePicture(4, 4, 0xff808080), dark = makePicture(4, 4, 0xff7f7f7f);
        QVERIFY(std::abs(psnrOf(grey, dark) - 48.13) < 0.01);  // 20 log 255
    }
};

GORSEFINCH_TEST(TestFrames, Nothing)
#include "tst_frames.moc"
