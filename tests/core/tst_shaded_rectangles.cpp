// SPDX-License-Identifier: GPL-3.0-or-later
// Rectangles with corners of their own, and fills that pass into another colour: as finely as the panel can, without
// bands.
#include <QtTest>

#include "core/edits/edit.h"
#include "core/sim/twin.h"
#include "tests/support/panel_picture.h"
#include "tests/support/projects.h"
#include "tests/support/test_case.h"

using namespace gorsefinch;
using namespace support;

namespace {

constexpr int kSide = 64;

Document withBox(PixelFormat format, PropertyMap properties, int x = 0, int y = 0, int w = kSide, int h = kSide) {
    Document document = withPanelOf(makeDocument(), format, 0, kSide, kSide);
    document = withVariable(document, makeNumber("level", 0, 100, 0));
    return addWidgets(document, "first", {makeWidget("box", Kind::Rectangle, x, y, w, h, std::move(properties))});
}

double channelOf(uint32_t argb, int shift) { return argb >> shift & 255; }

}  // namespace

class TestShadedRectangles : public QObject {
    Q_OBJECT

  private Q_SLOTS:
    // Four equal corners are those of the radius, pixel for pixel.
    void equalCornersAreTheRadius() {
        for (const PixelFormat format : {PixelFormat::Rgb565, PixelFormat::Row1, PixelFormat::Page1, PixelFormat::Grey4,
                                         PixelFormat::Rgb888, PixelFormat::Argb8888})
            for (const auto& [radius, border] : {std::pair(0, 0), {7, 0}, {12, 3}, {3, 6}, {200, 2}})
                for (const uint32_t fill : {0xff4080c0u, 0x804080c0u}) {
                    PropertyMap look{{"fill", Colour{fill}},
                                     {"border", opaque(0xE0D0A0)},
                                     {"border_width", int64_t{border}},
                                     {"radius", int64_t{radius}}};
                    const Picture plain = panelPicture(withBox(format, look, 5, 4, 50, 37));
                    QVERIFY(!plain.pixels.empty());
                    const QString four = QString("%1 %1 %1, %1").arg(radius);
                    look["corners"] = four.toStdString();
                    look["radius"] = int64_t{1};
                    const Document document = withBox(format, look, 5, 4, 50, 37);
                    QCOMPARE(panelPicture(document).pixels == plain.pixels, true);
                    QCOMPARE(panelPicture(document, 8L * kSide * 4).pixels == plain.pixels, true);
                }
    }

    // Each corner is where it is said, clockwise from the top left.
    void eachCornerIsItsOwn() {
        const char* const corners[] = {"20 0 0 0", "0 20 0 0", "0 0 20 0", "0 0 0 20"};
        const std::pair<int, int> at[] = {{0, 0}, {kSide - 1, 0}, {kSide - 1, kSide - 1}, {0, kSide - 1}};
        for (int i = 0; i < 4; ++i) {
            const Picture picture = panelPicture(
                withBox(PixelFormat::Rgb888, {{"fill", opaque(0xFFFFFF)}, {"corners", std::string(corners[i])}}));
            for (int k = 0; k < 4; ++k)
                QCOMPARE(picture.at(at[k].first, at[k].second) == 0xff000000, k == i);
        }
    }

    void passesFromColourToColour_data() {
        QTest::addColumn<int>("format");
        QTest::addColumn<double>("step");  // between levels of the panel
        for (const auto& [format, step] : {std::pair(PixelFormat::Rgb888, 1.0),
                                           {PixelFormat::Argb8888, 1.0},
                                           {PixelFormat::Rgb565, 8.3},
                                           {PixelFormat::Rgb565Be, 8.3},
                                           {PixelFormat::Rgb332, 85.0},
                                           {PixelFormat::Grey8, 1.0},
                                           {PixelFormat::Grey4, 17.0},
                                           {PixelFormat::Grey2, 85.0},
                                           {PixelFormat::Row1, 255.0},
                                           {PixelFormat::Page1, 255.0}})
            QTest::newRow(info(format).key) << static_cast<int>(format) << step;
    }
    void passesFromColourToColour() {
        QFETCH(int, format);
        QFETCH(double, step);
        const auto panel = static_cast<PixelFormat>(format);
        const uint32_t from = 0x202020, to = 0xD8D8D8;
        for (const char* direction : {"down", "right"}) {
            const Document document = withBox(
                panel, {{"fill", opaque(from)}, {"fill_to", opaque(to)}, {"direction", std::string(direction)}});
            const Picture picture = panelPicture(document);
            QVERIFY(!picture.pixels.empty());
            for (const long bytes : {long{kSide} * 4 * 8, long{kSide} * 4 * 24})
                QCOMPARE(panelPicture(document, bytes).pixels == picture.pixels, true);
            const bool down = std::string_view(direction) == "down";
            const auto ideal = [&](int x, int y, int shift) {
                const double t = ((down ? y : x) + 0.5) / kSide;
                return channelOf(from, shift) * (1 - t) + channelOf(to, shift) * t;
            };
            for (const int shift : {0, 8, 16})
                for (int blockY = 0; blockY < kSide; blockY += 8)
                    for (int blockX = 0; blockX < kSide; blockX += 8) {
                        double shown = 0, wanted = 0;
                        for (int y = blockY; y < blockY + 8; ++y)
                            for (int x = blockX; x < blockX + 8; ++x) {
                                const double value = channelOf(picture.at(x, y), shift);
                                QVERIFY(std::abs(value - ideal(x, y, shift)) <= step + 1.5);
                                shown += value;
                                wanted += ideal(x, y, shift);
                            }
                        // No band: the mean of a small area is as it should be, whatever the panel's levels.
                        QVERIFY2(std::abs(shown - wanted) / 64 <= 1.0 + step / 16,
                                 qPrintable(QString("%1 %2: %3").arg(blockX).arg(blockY).arg((shown - wanted) / 64)));
                    }
        }
    }

    // Of an opaque fill into one that lets the ground through.
    void opacityPassesToo() {
        Document document = withBox(PixelFormat::Rgb888, {{"fill", opaque(0xFFFFFF)}, {"fill_to", Colour{0x01FFFFFF}}});
        Screen screen = *document.screens[0];
        screen.background = opaque(0x000000);
        const Picture picture = panelPicture(withScreen(document, 0, screen));
        int before = 256;
        for (int y = 0; y < kSide; ++y) {
            const int now = static_cast<int>(channelOf(picture.at(20, y), 8));
            QVERIFY(now <= before);
            before = now;
        }
        QVERIFY(channelOf(picture.at(20, 0), 8) > 250 && before < 5);
    }

    void rulesAndDegenerateBoxes() {
        Document document =
            withRules(withBox(PixelFormat::Rgb565, {{"fill", opaque(0x000000)}}), "main",
                      "when level > 50\n    box.fill_to = #FFFFFF\notherwise\n    box.fill_to = none\n");
        SceneBuilder builder;
        Twin twin(builder.build(document), Twin::View::Panel);
        twin.step(0);
        const Picture plain = twin.memory().picture();
        QVERIFY(twin.set("level", "60").has_value());
        twin.step(10);
        QVERIFY(twin.memory().picture().at(10, 60) != plain.at(10, 60));
        QVERIFY(twin.set("level", "0").has_value());
        twin.step(20);
        QCOMPARE(twin.memory().picture().pixels == plain.pixels, true);
        for (const auto& [w, h] : {std::pair(1, 1), {1, 40}, {40, 1}, {2, 2}, {4000, 3}})
            QVERIFY(!panelPicture(withBox(PixelFormat::Rgb565,
                                          {{"fill", opaque(0x204060)},
                                           {"fill_to", opaque(0xFFFFFF)},
                                           {"corners", std::string("255 0 9 1")},
                                           {"border_width", int64_t{3}}},
                                          -1, 2, w, h))
                         .pixels.empty());
    }

    void wrongCornersAreReported() {
        for (const char* wrong : {"1 2 3", "1 2 3 4 5", "a b c d", "1 2 3 256", "-1 0 0 0", "1 2 3 4x"}) {
            SceneBuilder builder;
            const BuiltSceneRef scene = builder.build(withBox(PixelFormat::Rgb565, {{"corners", std::string(wrong)}}));
            QVERIFY2(tells(scene->problems, "is no list of four radii"), wrong);
        }
    }

    void onlyShadedOnesPayForIt() {
        SceneBuilder builder;
        const auto symbol = [&](PropertyMap properties) {
            return std::string(
                builder.build(withBox(PixelFormat::Rgb565, std::move(properties)))->parts[0]->kinds[0]->symbol);
        };
        QCOMPARE(symbol({{"fill", opaque(1)}}), std::string("gorse_kind_rectangle"));
        QCOMPARE(symbol({{"fill_to", opaque(1)}}), std::string("gorse_kind_rectangle_shaded"));
        QCOMPARE(symbol({{"corners", std::string("1 1 1 1")}}), std::string("gorse_kind_rectangle_shaded"));
    }
};

GORSEFINCH_TEST(TestShadedRectangles, Nothing)
#include "tst_shaded_rectangles.moc"
