// SPDX-License-Identifier: GPL-3.0-or-later
// Importing pictures: every kind, every frame, whole and broken; and the first part of a recipe.
#include <QBuffer>
#include <QImage>
#include <QLoggingCategory>
#include <QtTest>

#include "core/image/baked_image.h"
#include "core/image/scale.h"
#include "core/image/series.h"
#include "core/image/tone.h"
#include "tests/support/gif.h"
#include "tests/support/test_case.h"

using namespace gorsefinch;
using namespace support;

namespace {

std::string saved(const QImage& image, const char* format) {
    QByteArray data;
    QBuffer buffer(&data);
    buffer.open(QIODevice::WriteOnly);
    image.save(&buffer, format);
    return data.toStdString();
}

QImage testImage(int w = 32, int h = 24) {
    QImage image(w, h, QImage::Format_ARGB32);
    for (int y = 0; y < h; ++y)
        for (int x = 0; x < w; ++x)
            image.setPixel(x, y, qRgba(x * 7 % 256, y * 9 % 256, (x + y) * 5 % 256, 255));
    return image;
}

const char* const drawing =
    "<svg xmlns='http://www.w3.org/2000/svg' width='20' height='10'>"
    "<rect width='10' height='10' fill='#ff0000'/></svg>";

Picture numbered(int w, int h) {
    Picture p = makePicture(w, h);
    for (size_t i = 0; i < p.pixels.size(); ++i)
        p.pixels[i] = 0xff000000u | static_cast<uint32_t>(i);
    return p;
}

// A 4x2 GIF: red all over; then a green 2x1 piece at 1, 1 with the given disposal; then a blue pixel at 3, 0.
std::string threeFrames(int disposal, int hundredths = 7) {
    GifWriter gif(4, 2, {0x000000, 0xff0000, 0x00ff00, 0x0000ff});
    gif.add({0, 0, 4, 2, std::vector<uint8_t>(8, 1), hundredths, 1, 0});
    gif.add({1, 1, 2, 1, {2, 2}, hundredths, disposal, 0});
    gif.add({3, 0, 1, 1, {3}, hundredths, 0, 0});
    return gif.finish();
}

}  // namespace

class TestPictures : public QObject {
    Q_OBJECT

  private Q_SLOTS:
    void initTestCase() { QLoggingCategory::setFilterRules("qt.gui.imageio*=false"); }

    void everyKindIsRead() {
        const QImage image = testImage();
        for (const char* format : {"png", "bmp", "ppm", "xbm", "pbm", "pgm", "jpg"}) {
            const auto original = decodeOriginal(saved(image, format), "test");
            QVERIFY2(original.has_value(), format);
            QCOMPARE(original->frames.size(), size_t{1});
            QCOMPARE(original->width(), 32);
            QCOMPARE(original->ms[0], 0);
            if (format != std::string("jpg") && format[0] != 'x' && std::string(format) != "pbm" &&
                std::string(format) != "pgm")
                QCOMPARE(original->frames[0].at(5, 7), static_cast<uint32_t>(image.pixel(5, 7)));
        }
    }

    void aDrawingIsSharpAtAnySize() {
        const auto plain = decodeOriginal(drawing, "x.svg");
        QVERIFY(plain && plain->drawing);
        QCOMPARE(plain->width(), 20);
        const auto large = decodeOriginal(drawing, "x.svg", 8);
        QCOMPARE(large->width(), 160);
        QCOMPARE(large->frames[0].at(79, 40), 0xffff0000u);
        QCOMPARE(large->frames[0].at(80, 40), 0u);
        QVERIFY(decodeOriginal(drawing, "x.svg", 1e9)->frames[0].pixels.size() <= static_cast<size_t>(kMaxPixels));
    }

    void framesWithEveryDisposal() {
        for (int disposal = 0; disposal <= 3; ++disposal) {
            const auto gif = decodeOriginal(threeFrames(disposal), "x.gif");
            QVERIFY(gif.has_value());
            QCOMPARE(gif->frames.size(), size_t{3});
            QCOMPARE(gif->ms, (std::vector<int>{70, 70, 70}));
            QCOMPARE(gif->frames[1].at(1, 1), 0xff00ff00u);
            QCOMPARE(gif->frames[1].at(0, 0), 0xffff0000u);
            const Picture& last = gif->frames[2];
            QCOMPARE(last.at(3, 0), 0xff0000ffu);
            QCOMPARE(last.at(0, 1), 0xffff0000u);
            if (disposal <= 1)
                QCOMPARE(last.at(2, 1), 0xff00ff00u);
            else if (disposal == 2)
                QCOMPARE(last.at(2, 1) >> 24, 0u);
            else
                QCOMPARE(last.at(2, 1), 0xffff0000u);
        }
    }

    void transparencyAndZeroDelays() {
        GifWriter gif(2, 1, {0x000000, 0xff0000, 0x00ff00});
        gif.add({0, 0, 2, 1, {1, 0}, 0, 1, 0});
        gif.add({0, 0, 2, 1, {0, 2}, 1, 1, 0});
        const auto original = decodeOriginal(gif.finish(), "x.gif");
        QVERIFY(original.has_value());
        QCOMPARE(original->frames[0].at(1, 0) >> 24, 0u);
        QCOMPARE(original->frames[1].at(0, 0), 0xffff0000u);
        QCOMPARE(original->frames[1].at(1, 0), 0xff00ff00u);
        QCOMPARE(original->ms, (std::vector<int>{100, 100}));
    }

    void aCutPictureIsAnError() {
        std::map<std::string, std::string> whole;
        for (const char* format : {"png", "jpg", "bmp", "ppm"})
            whole[format] = saved(testImage(), format);
        whole["gif"] = threeFrames(1);
        for (const auto& [format, bytes] : whole) {
            const size_t end = format == "gif" ? bytes.size() - 2 : bytes.size() * 9 / 10;
            for (size_t length = 0; length < end; length += 1 + bytes.size() / 60) {
                const auto picture = decodeOriginal(bytes.substr(0, length), "images/cut." + format);
                // A GIF that ends between two frames has all that it needs.
                if (format == "gif" && picture)
                    continue;
                QVERIFY2(!picture, qPrintable(QString("%1 cut at %2").arg(format.c_str()).arg(length)));
                QVERIFY(picture.error().file == "images/cut." + format && !picture.error().remedy.empty());
            }
        }
        for (const char* words : {"", "hello", "<svg", "#define x_width 9"})
            QVERIFY(!decodeOriginal(words, "x.png"));
    }

    // A header of 60,000 x 60,000 pixels is refused before any pixel is made, and the limit is told.
    void hugeHeadersAreRefused() {
        std::string png = saved(testImage(), "png"), bmp = saved(testImage(), "bmp"), gif = threeFrames(1);
        for (const size_t at : {16u, 20u})
            png.replace(at, 4, std::string("\0\0\xea\x60", 4));
        for (const size_t at : {18u, 22u})
            bmp.replace(at, 4, std::string("\x60\xea\0\0", 4));
        gif.replace(6, 4, "\x60\xea\x60\xea");
        QVERIFY(!decodeOriginal(png, "huge.png"));  // the checksum is wrong too
        QVERIFY(!decodeOriginal(bmp, "huge.bmp"));
        for (const std::string& each :
             {gif, std::string("P5 60000 60000 255\n123"), std::string("P6 60000 60000 255\n123")}) {
            const auto refused = decodeOriginal(each, "huge");
            QVERIFY(!refused);
            QVERIFY2(refused.error().remedy.find("64 megapixels") != std::string::npos, refused.error().text().c_str());
        }
    }

    void sizes() {
        RecipeShape r;
        QVERIFY(resultSize(r, 64, 48) == (PixelSize{64, 48}));
        r.width = 32;
        QVERIFY(resultSize(r, 64, 48) == (PixelSize{32, 24}));
        r.height = 32;
        QVERIFY(resultSize(r, 64, 48) == (PixelSize{32, 32}));
        const Picture source = makePicture(64, 48, 0xffff0000);
        const Picture contained = shaped(source, r);
        QCOMPARE(contained.width, 32);
        QCOMPARE(contained.at(16, 1), 0u);
        QCOMPARE(contained.at(16, 16), 0xffff0000u);
        r.fit = Fit::Cover;
        QCOMPARE(shaped(source, r).at(16, 1), 0xffff0000u);
        QCOMPARE(enlargement(r, 16, 16), 2.0);
    }

    // 3 x 2 pixels numbered 0 1 2 / 3 4 5.
    void turnsAndFlips() {
        const auto order = [](int turn, bool flipX, bool flipY) {
            RecipeShape shape;
            shape.turn = turn;
            shape.flipX = flipX;
            shape.flipY = flipY;
            QByteArray out;
            for (const uint32_t pixel : shaped(numbered(3, 2), shape).pixels)
                out += static_cast<char>('0' + (pixel & 255));
            return out;
        };
        QCOMPARE(order(0, false, false), QByteArray("012345"));
        QCOMPARE(order(90, false, false), QByteArray("304152"));
        QCOMPARE(order(180, false, false), QByteArray("543210"));
        QCOMPARE(order(270, false, false), QByteArray("251403"));
        QCOMPARE(order(0, true, false), QByteArray("210543"));
        QCOMPARE(order(0, false, true), QByteArray("345012"));
        QCOMPARE(order(90, true, false), QByteArray("031425"));
    }

    void cropsKeysAndTrims() {
        RecipeShape shape;
        shape.cropX = 1;
        shape.cropY = 1;
        shape.cropWidth = 2;
        shape.cropHeight = 5;
        const Picture cut = shaped(numbered(4, 3), shape);
        QCOMPARE(cut.pixels, (std::vector<uint32_t>{0xff000005, 0xff000006, 0xff000009, 0xff00000a}));
        shape = {};
        shape.keyed = true;
        shape.key = opaque(0xff00ff);
        shape.keyTolerance = 4;
        Picture p = makePicture(5, 4, 0xfffc02ff);
        p.at(2, 1) = 0xff123456;
        p.at(3, 2) = 0xfffa00ff;  // one step too far
        QCOMPARE(shaped(p, shape).at(0, 0), 0u);
        shape.trim = true;
        const Picture trimmed = shaped(p, shape);
        QCOMPARE(trimmed.width, 2);
        QCOMPARE(trimmed.height, 2);
        QCOMPARE(trimmed.at(0, 0), 0xff123456u);
        // Frames are trimmed together, so that nothing jumps.
        Picture other = makePicture(5, 4, 0xfffc02ff);
        other.at(0, 0) = 0xff00ff00;
        const Picture* const both[] = {&p, &other};
        const auto frames = shaped(both, shape);
        QVERIFY(frames[0].width == 4 && frames[1].width == 4 && frames[0].height == 3);
    }

    void toneByHand() {
        Recipe recipe;
        recipe.brightness = 20;  // +51
        QCOMPARE(toned(makePicture(1, 1, 0x80204060), recipe).at(0, 0), 0x80537393u);
        recipe = {};
        recipe.contrast = -100;
        QCOMPARE(toned(makePicture(1, 1, 0xff204060), recipe).at(0, 0), 0xff808080u);
        recipe = {};
        recipe.gamma = 200;  // the root: 64 -> 128
        QCOMPARE(toned(makePicture(1, 1, 0xff400040), recipe).at(0, 0), 0xff800080u);
        recipe = {};
        recipe.inverted = true;
        recipe.background = opaque(0xffffff);
        QCOMPARE(toned(makePicture(1, 1, 0xff0000ff), recipe).at(0, 0), 0xffffff00u);
        QCOMPARE(toned(makePicture(1, 1, 0), recipe).at(0, 0), 0xffffffffu);
    }

    // Half black, half white averages to linear half: 188 as stored, not 128.
    void scalingIsInLinearLight() {
        Picture p = makePicture(64, 64, 0xff000000);
        for (int y = 0; y < 64; ++y)
            for (int x = y % 2; x < 64; x += 2)
                p.at(x, y) = 0xffffffff;
        for (const int side : {32, 16, 8})
            for (const uint32_t pixel : scaled(p, side, side).pixels)
                QVERIFY(std::abs(static_cast<int>(pixel & 255) - 188) <= 1);
    }

    void flatAreasKeepTheirColour() {
        for (uint32_t grey = 0; grey < 256; ++grey) {
            const uint32_t argb = 0xff000000u | grey << 16 | (255 - grey) << 8 | grey / 2;
            for (const auto& [w, h] : {std::pair(3, 5), std::pair(17, 4), std::pair(40, 50), std::pair(7, 90)})
                for (const uint32_t pixel : scaled(makePicture(17, 23, argb), w, h).pixels)
                    QCOMPARE(pixel, argb);
            for (const uint32_t pixel : scaled(makePicture(9, 9, (argb & 0xffffff) | 0x40000000), 4, 4).pixels)
                QVERIFY(std::abs(static_cast<int>(pixel >> 16 & 255) - static_cast<int>(grey)) <= 1 &&
                        pixel >> 24 == 0x40);
        }
    }

    void transparentPixelsGiveNoColour() {
        Picture p = makePicture(2, 1);
        p.at(0, 0) = 0xffff0000;
        p.at(1, 0) = 0x0000ff00;
        const Picture one = scaled(p, 1, 1);
        QCOMPARE(one.at(0, 0) & 0xffffff, 0xff0000u);
        QCOMPARE(one.at(0, 0) >> 24, 128u);
    }

    void numbersStandInTheOrderThatPeopleExpect() {
        QVERIFY(naturallyBefore("bee2.png", "bee10.png"));
        QVERIFY(naturallyBefore("bee02.png", "bee10.png"));
        QVERIFY(!naturallyBefore("bee10.png", "bee9.png"));
        QVERIFY(naturallyBefore("Ant", "bee"));
        QVERIFY(naturallyBefore("a1b2", "a1b10"));
        const auto series = groupSeries(
            {"x/bee10.png", "x/logo.png", "x/bee2.png", "x/bee1.png", "x/bee_3.png", "y/bee3.png", "x/bee3.gif"});
        QCOMPARE(series.size(), size_t{5});
        QCOMPARE(series[0].files, (std::vector<std::string>{"x/bee1.png", "x/bee2.png", "x/bee10.png"}));
        QCOMPARE(series[0].stem, std::string("bee"));
    }

    void aSheetHasCells() {
        const auto cells = sheetCells(numbered(5, 4), 2, 2);  // a column is left over
        QCOMPARE(cells.size(), size_t{4});
        QCOMPARE(cells[3].pixels, (std::vector<uint32_t>{0xff00000c, 0xff00000d, 0xff000011, 0xff000012}));
    }
};

GORSEFINCH_TEST(TestPictures, Nothing)
#include "tst_pictures.moc"
