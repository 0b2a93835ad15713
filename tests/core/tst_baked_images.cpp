// SPDX-License-Identifier: GPL-3.0-or-later
// Whole recipes: what they give, what is remembered, and that the runtime draws it like the reference on every panel.
#include <QBuffer>
#include <QImage>
#include <QtTest>

#include "core/edits/edit.h"
#include "core/edits/image_edits.h"
#include "core/emit/export_image.h"
#include "core/image/make_palette.h"
#include "core/image/reduce.h"
#include "core/project/project_text.h"
#include "core/sim/twin.h"
#include "tests/support/gif.h"
#include "tests/support/projects.h"
#include "tests/support/test_case.h"

using namespace gorsefinch;
using namespace support;

namespace {

Bytes pngOf(const Picture& picture) { return std::make_shared<const FileContents>(encodePng(picture)); }

// Colours all over, clear at two corners.
Picture sample(int w = 37, int h = 21) {
    Picture p = makePicture(w, h);
    for (int y = 0; y < h; ++y)
        for (int x = 0; x < w; ++x)
            p.at(x, y) =
                x + y < 6 || x > w - 4
                    ? 0
                    : 0xff000000u | static_cast<uint32_t>(x * 7 % 256 << 16 | y * 12 % 256 << 8 | (x * y) % 256);
    return p;
}

Document withImage(const Picture& picture, PixelFormat panelFormat) {
    Document document = makeDocument();
    Panel panel = *document.panel;
    panel.width = 48;
    panel.height = 32;
    panel.format = panelFormat;
    document = withPanel(document, panel);
    document = addImage(document, "pot.png", pngOf(picture), nullptr);
    return addWidgets(document, "first",
                      {makeWidget("pot_image", Kind::Image, 3, 2, 40, 24, {{"image", std::string("pot")}})});
}

Document withRecipe(const Document& document, const std::function<void(Recipe&)>& change) {
    Document next = document;
    auto images = std::make_shared<std::vector<Image>>(*document.images);
    change(images->front().recipe);
    next.images = images;
    return next;
}

// What the panel shows, with a draw buffer of `bytes`, upright.
Picture shown(const Document& document, long bytes = 0) {
    SceneBuilder builder;
    const BuiltSceneRef scene = builder.build(document);
    if (hasErrors(scene->problems))
        return {};
    Twin twin(scene, Twin::View::Panel, bytes);
    twin.step(0);
    return twin.memory().picture();
}

// The image as its format holds it, set into a black panel of another format.
Picture expected(const Picture& image, PixelFormat imageFormat, const std::vector<Colour>& palette, PixelFormat panel) {
    Reducing how{imageFormat};
    how.palette = palette;
    Picture held = reduce(image, how).picture();
    Picture all = makePicture(48, 32, 0xff000000u);
    const int left = 3 + (40 - image.width) / 2, top = 2 + (24 - image.height) / 2;
    for (int y = 0; y < image.height; ++y)
        for (int x = 0; x < image.width; ++x)
            if (image.at(x, y) >> 24 != 0)
                all.at(left + x, top + y) = held.at(x, y) | 0xff000000u;
    return reduce(all, {panel}).picture();
}

int differences(const Picture& a, const Picture& b) {
    if (a.width != b.width || a.height != b.height)
        return -1;
    int count = 0;
    for (size_t i = 0; i < a.pixels.size(); ++i)
        count += a.pixels[i] != b.pixels[i];
    return count;
}

}  // namespace

class TestBakedImages : public QObject {
    Q_OBJECT

  private Q_SLOTS:
    void everyFormatOnEveryPanel_data() {
        QTest::addColumn<QString>("panel");
        for (const PixelFormatInfo& each : pixelFormats())
            if (each.panel)
                QTest::newRow(each.key) << QString(each.key);
    }

    void everyFormatOnEveryPanel() {
        QFETCH(QString, panel);
        const PixelFormat on = pixelFormatByKey(panel.toStdString())->format;
        const Picture picture = sample();
        for (const PixelFormatInfo& each : pixelFormats()) {
            if (!each.panel)
                continue;
            for (const Packing packing : {Packing::Plain, Packing::Runs})
                for (const bool outside : {false, true}) {
                    const Document document = withRecipe(withImage(picture, on), [&](Recipe& recipe) {
                        recipe.format = each.format;
                        recipe.packing = packing;
                        recipe.outside = outside;
                    });
                    ImageBakery bakery;
                    const auto baked = bakery.bake(document, document.images->front());
                    QVERIFY2(baked.has_value(), each.key);
                    const Picture want = expected(picture, each.format, (*baked)->palette, on);
                    for (const long buffer : {0L, 200L})
                        QVERIFY2(differences(shown(document, buffer), want) == 0,
                                 qPrintable(QString("%1 %2 %3").arg(each.key).arg(toKey(packing)).arg(outside)));
                }
        }
    }

    // A part of a picture that lies outside its box, at any place, is cut: columns inside a byte too.
    void clippedAtAnyColumn() {
        const Picture picture = sample(64, 20);
        for (const PixelFormat format : {PixelFormat::Row1, PixelFormat::Row1Lsb, PixelFormat::Index2,
                                         PixelFormat::Grey4, PixelFormat::Page1, PixelFormat::Rgb565}) {
            Document whole = withRecipe(withImage(picture, PixelFormat::Rgb888), [&](Recipe& recipe) {
                recipe.format = format;
                recipe.packing = Packing::Runs;
            });
            const auto place = [&](int x, int y, int w, int h) {
                const std::string name[] = {"pot_image"};
                return changeWidgets(whole, "first", name, [&](Widget& widget) {
                    widget.x = x, widget.y = y, widget.w = w, widget.h = h;
                    widget.properties["align"] = std::string("left");
                    widget.properties["place"] = std::string("top");
                });
            };
            const Picture reference = shown(place(-16, 5, 64, 20));
            for (int x = -17; x > -33; --x) {
                const Picture moved = shown(place(x, 5, 64, 20));
                int wrong = 0;
                for (int y = 0; y < 32; ++y)
                    for (int column = 0; column + 32 < 48 - 16; ++column)
                        wrong += moved.at(column, y) != reference.at(column - 16 - x, y) && column - 16 - x < 48;
                QCOMPARE(wrong, 0);
            }
        }
    }

    void masksAndOneColour() {
        ImageBakery bakery;
        Document document = withImage(sample(20, 10), PixelFormat::Rgb565);
        const auto baked = *bakery.bake(document, document.images->front());
        QCOMPARE(baked->frames[0].pixels.size(), size_t{20 * 10 * 2});
        QCOMPARE(baked->frames[0].mask.size(), size_t{10 * 10});
        document = withRecipe(document, [](Recipe& r) { r.background = opaque(0x123456); });
        QVERIFY((*bakery.bake(document, document.images->front()))->frames[0].mask.empty());
        document = withRecipe(document, [](Recipe& r) { r.maskOnly = true; });
        QVERIFY((*bakery.bake(document, document.images->front()))->frames[0].pixels.empty());
    }

    void nothingIsComputedTwice() {
        ImageBakery bakery;
        const Document first = withImage(sample(), PixelFormat::Rgb565);
        const auto baked = *bakery.bake(first, first.images->front());
        QCOMPARE(*bakery.bake(first, first.images->front()), baked);
        const Document changed = withRecipe(first, [](Recipe& r) { r.reduction = Reduction::Bayer4; });
        QVERIFY(*bakery.bake(changed, changed.images->front()) != baked);
        QCOMPARE(*bakery.bake(first, first.images->front()), baked);  // undo
        Document renamed = *renameImage(first, "pot", "jar");
        QCOMPARE(*bakery.bake(renamed, renamed.images->front()), baked);
        Panel panel = *first.panel;
        panel.format = PixelFormat::Rgb888;
        const Document other = withPanel(first, panel);
        QVERIFY(*bakery.bake(other, other.images->front()) != baked);
    }

    void theSmallestPackingIsChosen() {
        ImageBakery bakery;
        const auto bake = [&](const Picture& picture, Packing packing) {
            const Document document =
                withRecipe(withImage(picture, PixelFormat::Rgb565), [&](Recipe& r) { r.packing = packing; });
            return *bakery.bake(document, document.images->front());
        };
        const auto flat = bake(makePicture(40, 20, 0xff336699), Packing::Smallest);
        QVERIFY(flat->packedByRuns() && flat->bytes() < flat->plainBytes / 5);
        Picture noise = makePicture(40, 20);
        for (size_t i = 0; i < noise.pixels.size(); ++i)
            noise.pixels[i] = 0xff000000u | static_cast<uint32_t>(i * 2654435761u);
        QVERIFY(!bake(noise, Packing::Smallest)->packedByRuns());
        QVERIFY(bake(noise, Packing::Runs)->packedByRuns());
    }

    void imagesShareAPalette() {
        Document document = withImage(sample(), PixelFormat::Rgb565);
        document = addImage(document, "jar.png", pngOf(makePicture(8, 8, 0xff00ff00)), nullptr);
        auto images = std::make_shared<std::vector<Image>>(*document.images);
        for (Image& each : *images)
            each.recipe.format = PixelFormat::Index4;
        (*images)[1].recipe.paletteSource = PaletteSource::Image;
        (*images)[1].recipe.paletteImage = "pot";
        document.images = images;
        ImageBakery bakery;
        const auto pot = *bakery.bake(document, (*images)[0]), jar = *bakery.bake(document, (*images)[1]);
        QCOMPARE(pot->palette, jar->palette);
        // When the lender's colours change, so do the borrower's.
        const Document lighter = withRecipe(document, [](Recipe& r) { r.brightness = 40; });
        QVERIFY((*bakery.bake(lighter, (*lighter.images)[1]))->palette != jar->palette);
        QCOMPARE(renameImage(document, "pot", "kiln_pot")->images->at(1).recipe.paletteImage, std::string("kiln_pot"));
        // A circle, and a lender that isn't there, are errors.
        Document circle = withRecipe(document, [](Recipe& r) {
            r.paletteSource = PaletteSource::Image;
            r.paletteImage = "jar";
        });
        QVERIFY(!bakery.bake(circle, (*circle.images)[0]));
    }

    void recipesSurviveAFile() {
        Document document = withRecipe(withImage(sample(), PixelFormat::Index4), [](Recipe& r) {
            r.columns = 2, r.rows = 3, r.cropX = 1, r.cropY = 2, r.cropWidth = 3, r.cropHeight = 4;
            r.keyed = true, r.keyTolerance = 9, r.trim = true, r.turn = 270, r.flipX = r.flipY = true;
            r.width = 40, r.height = 30, r.fit = Fit::Cover, r.brightness = -5, r.contrast = 6, r.gamma = 120,
            r.inverted = true;
            r.background = opaque(0xabcdef), r.maskBits = 2, r.maskOnly = true, r.format = PixelFormat::Index8;
            r.reduction = Reduction::BlueNoise, r.strength = 50, r.linear = true, r.threshold = 99;
            r.paletteSource = PaletteSource::Own, r.colours = 12, r.paletteImage = "pot",
            r.palette = {opaque(1), opaque(2)};
            r.packing = Packing::Smallest, r.outside = true, r.frames = {{2, 40}, {0, 60}};
            r.unknown = {{"from_tomorrow", "[1]"}};
        });
        document.defaultRecipe = std::make_shared<Recipe>(document.images->front().recipe);
        Panel panel = *document.panel;
        panel.palette = {opaque(0), opaque(0xff0000)};
        document = withPanel(document, panel);
        const ProjectFiles files = toFiles(document);
        const ReadProject read = fromFiles([&](const std::string& path, size_t) -> Result<SharedBytes> {
            const auto found = files.find(path);
            if (found == files.end())
                return failure(path, "", "missing");
            return found->second;
        });
        QVERIFY(read.document && read.problems.empty());
        QVERIFY(read.document->images->front().recipe == document.images->front().recipe);
        QVERIFY(*read.document->defaultRecipe == *document.defaultRecipe);
        QCOMPARE(read.document->panel->palette, panel.palette);
        QVERIFY(toFiles(*read.document) == files);
    }

    void aSeriesIsAnAnimation() {
        Document document = withImage(makePicture(6, 6, 0xffff0000), PixelFormat::Rgb565);
        auto images = std::make_shared<std::vector<Image>>(*document.images);
        (*images)[0].more = {{"pot2.png", pngOf(makePicture(6, 6, 0xff00ff00))},
                             {"pot3.png", pngOf(makePicture(6, 6, 0xff0000ff))}};
        document.images = images;
        ImageBakery bakery;
        QCOMPARE((*bakery.bake(document, (*images)[0]))->frames.size(), size_t{3});
        document = withRecipe(document, [](Recipe& r) { r.frames = {{2, 50}, {0, 70}, {2, 90}}; });
        const auto baked = *bakery.bake(document, document.images->front());
        QCOMPARE(baked->times, (std::vector<uint16_t>{50, 70, 90}));
        QCOMPARE(baked->picture(0).at(0, 0), 0xff0000ffu);
        QCOMPARE(baked->picture(1).at(0, 0), 0xffff0000u);
        (*images)[0].more[1].original = pngOf(makePicture(7, 6));
        Document odd = document;
        odd.images = images;
        const auto refused = bakery.bake(odd, odd.images->front());
        QVERIFY(!refused && refused.error().file == "images/pot3.png");
    }

    void filesInC() {
        ImageBakery bakery;
        Picture two = makePicture(2, 1);
        two.pixels = {0xffff0000, 0xff00ff00};
        Image image;
        image.name = "two";
        image.file = "two.png";
        image.original = pngOf(two);
        const auto baked = bakeForExport(Document{}, image, PixelFormat::Rgb565, bakery);
        QVERIFY(baked.has_value());
        ExportStyle style{"two", "static const", "uint8_t"};
        const QString c = QString::fromStdString(*exportImage(**baked, style, ".h"));
        QVERIFY(c.contains("#define TWO_WIDTH 2") && c.contains("#define TWO_HEIGHT 1") &&
                c.contains("#define TWO_BYTES 4"));
        QVERIFY2(c.contains("static const uint8_t two[TWO_BYTES] = {\n    0x00, 0xf8, 0xe0, 0x07,\n};"), qPrintable(c));
        style.element = "uint16_t";
        const QString words = QString::fromStdString(*exportImage(**baked, style, ".c"));
        QVERIFY(words.contains("uint16_t two[TWO_BYTES / 2] = {\n    0xf800, 0x07e0,"));
        // Words have no first byte to speak of.
        QVERIFY(words.startsWith("/* two: 2x1 rgb565, 16-bit words"));
        QCOMPARE(*exportImage(**baked, style, ".bin"), std::string("\x00\xf8\xe0\x07", 4));
        QVERIFY(!exportImage(**baked, style, ".exe"));
        style.element = "int); evil(";
        QVERIFY(!exportImage(**baked, style, ".c"));
        const auto grey = bakeForExport(Document{}, image, PixelFormat::Grey4, bakery);
        QVERIFY(!exportImage(**grey, {"two", "const", "uint16_t"}, ".c"));
    }

    void framesInOneFile() {
        GifWriter gif(2, 1, {0x000000, 0xffffff});
        gif.add({0, 0, 2, 1, {1, 0}, 5, 1, -1});
        gif.add({0, 0, 2, 1, {0, 1}, 20, 1, -1});
        Image image;
        image.name = image.file = "blink";
        image.original = std::make_shared<const FileContents>(gif.finish());
        ImageBakery bakery;
        const auto baked = *bakeForExport(Document{}, image, PixelFormat::Page1, bakery);
        const QString c = QString::fromStdString(*exportImage(*baked, {"blink", "const", "unsigned char"}, ".c"));
        QVERIFY2(c.contains("#define BLINK_FRAMES 2") &&
                     c.contains("const unsigned char blink[BLINK_FRAMES][BLINK_BYTES] = {"),
                 qPrintable(c));
        QVERIFY(c.contains("0x01, 0x00,") && c.contains("0x00, 0x01,") && c.contains("50, 200,"));
    }
};

GORSEFINCH_TEST(TestBakedImages, Nothing)
#include "tst_baked_images.moc"
