// SPDX-License-Identifier: GPL-3.0-or-later
// An entry of an indexed image's palette that a rule or an expression gives another colour: every pixel of it has that
// colour, and no other pixel changes.
#include <QtTest>
#include <QBuffer>
#include <QImage>

#include "core/edits/image_edits.h"
#include "core/sim/twin.h"
#include "tests/support/built_scene.h"
#include "tests/support/panel_picture.h"
#include "tests/support/projects.h"
#include "tests/support/test_case.h"

using namespace gorsefinch;
using namespace support;

namespace {

constexpr int kSide = 24, kImageSide = 17;
constexpr uint32_t kInks[] = {0xff000000, 0xffe02020, 0xff20c040, 0xffffffff};

// Pixels of four colours, in no order.
Bytes picture() {
    QImage image(kImageSide, kImageSide, QImage::Format_ARGB32);
    for (int y = 0; y < kImageSide; ++y)
        for (int x = 0; x < kImageSide; ++x)
            image.setPixel(x, y, kInks[(x * 7 + y * 5 + x * y) % 11 % 4]);
    QByteArray bytes;
    QBuffer buffer(&bytes);
    buffer.open(QIODevice::WriteOnly);
    image.save(&buffer, "PNG");
    return std::make_shared<const FileContents>(bytes.toStdString());
}

// Shows the picture by a kind, with entry 1 as red and 2 as green.
Document shown(PixelFormat format, Kind kind, Packing packing, PropertyMap more, ExpressionMap expressions = {}) {
    Document d = withPanelOf(makeDocument(), format, 0, kSide, kSide);
    d = withVariable(d, makeNumber("level", 0, 9, 0));
    std::string name;
    d = addImage(d, "ink.png", picture(), &name);
    Recipe recipe = d.image(name)->recipe;
    recipe.format = PixelFormat::Index2;
    recipe.packing = packing;
    recipe.paletteSource = PaletteSource::Own;
    for (const uint32_t each : kInks)
        recipe.palette.push_back(Colour{each});
    d = withRecipe(d, name, recipe);
    more.insert({{"image", name}, {"fill", opaque(0x2040A0)}});
    Widget widget = makeWidget("ink", kind, 1, 2, 20, 19, std::move(more));
    widget.expressions = std::move(expressions);
    return addWidgets(d, "first", {widget});
}

PropertyMap exchanged(int entry, Colour colour, PropertyMap more = {}) {
    more.insert({{"palette_entry", int64_t{entry}}, {"palette_colour", colour}});
    return more;
}

// What a colour is on a panel of that format.
uint32_t asShown(PixelFormat format, uint32_t argb) {
    Document d = withPanelOf(makeDocument(), format, 0, kSide, kSide);
    d = addWidgets(d, "first", {makeWidget("all", Kind::Rectangle, 0, 0, kSide, kSide, {{"fill", Colour{argb}}})});
    return panelPicture(d).at(3, 3);
}

}  // namespace

class TestExchangedColours : public QObject {
    Q_OBJECT

  private Q_SLOTS:
    void onlyThatEntry_data() {
        QTest::addColumn<int>("format");
        QTest::addColumn<int>("kind");
        QTest::addColumn<int>("packing");
        QTest::addColumn<QString>("mirror");
        for (const PixelFormat format :
             {PixelFormat::Rgb565, PixelFormat::Rgb565Be, PixelFormat::Rgb888, PixelFormat::Argb8888,
              PixelFormat::Rgb332, PixelFormat::Grey8, PixelFormat::Index8})
            for (const Kind kind : {Kind::Image, Kind::Frames})
                for (const Packing packing : {Packing::Plain, Packing::Runs})
                    for (const char* mirror : {"none", "left-right"})
                        QTest::addRow("%s %s %d %s", info(format).key, info(kind).key, static_cast<int>(packing),
                                      mirror)
                            << static_cast<int>(format) << static_cast<int>(kind) << static_cast<int>(packing)
                            << mirror;
    }

    void onlyThatEntry() {
        QFETCH(int, format);
        QFETCH(int, kind);
        QFETCH(int, packing);
        QFETCH(QString, mirror);
        const auto as = static_cast<PixelFormat>(format);
        const auto made = [&](PropertyMap more) {
            more["mirror"] = mirror.toStdString();
            return shown(as, static_cast<Kind>(kind), static_cast<Packing>(packing), std::move(more));
        };
        const Picture plain = panelPicture(made({}));
        const Document d = made(exchanged(2, opaque(0xF0E040)));
        const Picture changed = panelPicture(d);
        QVERIFY(!plain.pixels.empty() && !changed.pixels.empty());
        const uint32_t green = asShown(as, kInks[2]), yellow = asShown(as, 0xffF0E040);
        QVERIFY(green != yellow);
        int exchangedPixels = 0;
        for (int y = 0; y < kSide; ++y)
            for (int x = 0; x < kSide; ++x) {
                const bool isGreen = plain.at(x, y) == green;
                QCOMPARE(changed.at(x, y), isGreen ? yellow : plain.at(x, y));
                exchangedPixels += isGreen;
            }
        QVERIFY(exchangedPixels > 40);
        QVERIFY(panelPicture(d, 4L * kSide).pixels == changed.pixels);
        // An entry that the palette lacks changes nothing.
        QVERIFY(panelPicture(made(exchanged(200, opaque(0xF0E040)))).pixels == plain.pixels);
        // Without a colour what is below shows.
        const Picture holes = panelPicture(made(exchanged(2, Colour{0})));
        const uint32_t ground = plain.at(1, 2);
        for (int y = 0; y < kSide; ++y)
            for (int x = 0; x < kSide; ++x)
                QCOMPARE(holes.at(x, y), plain.at(x, y) == green ? ground : plain.at(x, y));
    }

    // Half of a pattern of 16 and an exchanged colour: one is drawn by way of the other.
    void withAnOpacity() {
        Document d = shown(PixelFormat::Rgb888, Kind::Image, Packing::Plain, exchanged(2, opaque(0xF0E040)));
        const Picture whole = panelPicture(d);
        d = changeWidgets(d, "first", std::vector<std::string>{"ink"}, [](Widget& widget) { widget.opacity = 128; });
        const Picture faded = panelPicture(d);
        for (int y = 2; y < 21; ++y)
            for (int x = 1; x < 21; ++x)
                for (const int shift : {0, 8, 16}) {
                    const int from = static_cast<int>(whole.at(x, y) >> shift & 255);
                    QVERIFY(std::abs(static_cast<int>(faded.at(x, y) >> shift & 255) - from * 128 / 255) <= 1);
                }
    }

    void rulesAndExpressions() {
        const Document ruled = withRules(
            shown(PixelFormat::Rgb565, Kind::Image, Packing::Plain, exchanged(1, opaque(0xE02020))), "main",
            "when level > 4\n    ink.palette_colour = #4060F0\notherwise\n    ink.palette_colour = #E02020\n");
        const Document followed =
            shown(PixelFormat::Rgb565, Kind::Frames, Packing::Plain, {{"palette_entry", int64_t{1}}},
                  {{"palette_colour", "level > 4 ? #4060F0 : #E02020"}});
        for (const Document& each : {ruled, followed}) {
            SceneBuilder builder;
            Twin twin(builtWithoutErrors(builder, each));
            twin.step(0);
            const auto before = twin.memory().picture();
            const Kind kind = each.screens[0]->widgets[0]->kind;
            QVERIFY(before.pixels == panelPicture(shown(PixelFormat::Rgb565, kind, Packing::Plain, {})).pixels);
            QVERIFY(twin.set("level", "5"));
            twin.step(10);
            const Picture wanted =
                panelPicture(shown(PixelFormat::Rgb565, kind, Packing::Plain, exchanged(1, opaque(0x4060F0))));
            QVERIFY(twin.memory().picture().pixels == wanted.pixels);
            QVERIFY(twin.memory().picture().pixels != before.pixels);
        }
    }

    void whatHasNoPaletteIsSaid() {
        Document d = shown(PixelFormat::Rgb565, Kind::Image, Packing::Plain, exchanged(1, opaque(0xE02020)));
        Recipe recipe = d.image("ink")->recipe;
        recipe.format = PixelFormat::Rgb565;
        d = withRecipe(d, "ink", recipe);
        SceneBuilder builder;
        const auto problems = builder.build(d)->problems;
        QVERIFY(std::any_of(problems.begin(), problems.end(), [](const Problem& each) {
            return each.reason.find("no palette of its own") != std::string::npos && !each.remedy.empty();
        }));
    }
};

GORSEFINCH_TEST(TestExchangedColours, Nothing)
#include "tst_exchanged_colours.moc"
