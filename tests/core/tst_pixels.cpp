// SPDX-License-Identifier: GPL-3.0-or-later
// Packing and reducing pictures, against values worked out by hand.
#include <QBuffer>
#include <QImage>
#include <QLoggingCategory>
#include <QtTest>
#include <cmath>

#include "core/emit/asset_files.h"
#include "core/image/baked_image.h"
#include "core/image/scale.h"

using namespace gorsefinch;

namespace {

using Bytes8 = std::vector<uint8_t>;

Picture row(std::initializer_list<uint32_t> pixels) {
    return {static_cast<int>(pixels.size()), 1, std::vector<uint32_t>(pixels)};
}

std::string pngOf(const QImage& image, const char* format = "png") {
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

double meanGrey(const Picture& p) {
    double sum = 0;
    for (const uint32_t pixel : p.pixels)
        sum += greyOf(pixel);
    return sum / static_cast<double>(p.pixels.size());
}

}  // namespace

// Three by two pixels in four colours, made by hand.
std::string handMadeGif() {
    const uint8_t bytes[] = {'G', 'I', 'F', '8', '9', 'a', 3, 0, 2, 0, 0x81, 0, 0,
                             0, 0, 0, 255, 0, 0, 0, 255, 0, 0, 0, 255,
                             0x2c, 0, 0, 0, 0, 3, 0, 2, 0, 0, 2, 3, 0x44, 0x34, 0x05, 0, 0x3b};
    return {reinterpret_cast<const char*>(bytes), sizeof bytes};
}

class TestPixels : public QObject {
    Q_OBJECT

  private Q_SLOTS:
    void initTestCase() { QLoggingCategory::setFilterRules("qt.gui.imageio*=false"); }

    // Red, green, blue, and (200, 100, 50): 200*31/255 = 24.3 -> 24, 100*63/255 = 24.7 -> 25, 50*31/255 = 6.08 -> 6;
    // 24<<11 | 25<<5 | 6 = 0xC326. Truncating would make green 24.
    void packedByHand() {
        const Picture p = row({0xffff0000, 0xff00ff00, 0xff0000ff, 0xffc86432});
        QCOMPARE(packed(p, PixelFormat::Rgb565), (Bytes8{0x00, 0xf8, 0xe0, 0x07, 0x1f, 0x00, 0x26, 0xc3}));
        QCOMPARE(packed(p, PixelFormat::Rgb565Be), (Bytes8{0xf8, 0x00, 0x07, 0xe0, 0x00, 0x1f, 0xc3, 0x26}));
        QCOMPARE(packed(p, PixelFormat::Rgb888), (Bytes8{255, 0, 0, 0, 255, 0, 0, 0, 255, 200, 100, 50}));
    }

    // 3 x 10 pixels: two pages of 3 bytes; column 0 lit in rows 0, 3, 7, 9; column 1 none; column 2 all ten.
    void pagesByHand() {
        Picture p = makePicture(3, 10, 0xff000000);
        for (const int y : {0, 3, 7, 9})
            p.at(0, y) = 0xffffffff;
        for (int y = 0; y < 10; ++y)
            p.at(2, y) = 0xffffffff;
        QCOMPARE(packed(p, PixelFormat::Page1), (Bytes8{0x89, 0x00, 0xff, 0x02, 0x00, 0x03}));
    }

    // Alphas 0, 64, 128, 255, 100: nearest of 2, 4, 16, 256 levels; leftmost in the highest bits; rows padded.
    void masksByHand() {
        const Picture p = row({0x00000000, 0x40000000, 0x80000000, 0xff000000, 0x64000000});
        QCOMPARE(packed(p, PixelFormat::A1), (Bytes8{0x30}));        // 0 0 1 1 0 -> 0011 0000
        QCOMPARE(packed(p, PixelFormat::A2), (Bytes8{0x1b, 0x40}));  // 0 1 2 3 | 1
        QCOMPARE(packed(p, PixelFormat::A4), (Bytes8{0x04, 0x8f, 0x60}));
        QCOMPARE(packed(p, PixelFormat::A8), (Bytes8{0, 64, 128, 255, 100}));
    }

    void nearestNeverTruncates() {
        for (const int bits : {1, 2, 4, 5, 6, 8})
            for (uint32_t v = 0; v < 256; ++v) {
                const double top = (1 << bits) - 1;
                QCOMPARE(levelOf(v, bits), static_cast<uint32_t>(std::floor(v * top / 255 + 0.5)));
                const uint32_t level = v % static_cast<uint32_t>(top + 1);
                QCOMPARE(valueOf(level, bits), static_cast<uint32_t>(std::floor(level * 255 / top + 0.5)));
                QCOMPARE(levelOf(valueOf(level, bits), bits), level);
            }
    }

    void packAndUnpackIsTheIdentity() {
        Picture source = makePicture(37, 19);
        for (size_t i = 0; i < source.pixels.size(); ++i)
            source.pixels[i] = static_cast<uint32_t>(i * 2654435761u);
        for (const PixelFormatInfo& format : pixelFormats()) {
            Picture p = reduced(source, format.format, Reduction::Nearest);
            for (uint32_t& pixel : p.pixels)
                pixel = format.mask ? pixel | 0xffffff : pixel | 0xff000000;
            const auto bytes = packed(p, format.format);
            QCOMPARE(static_cast<long>(bytes.size()), packedBytes(format.format, 37, 19));
            QVERIFY2(unpacked(bytes, format.format, 37, 19).pixels == p.pixels, format.key);
            QVERIFY(unpacked(Bytes8(3), format.format, 37, 19).pixels.empty());
        }
    }

    void reductionKeepsTheMeanTone() {
        Picture ramp = makePicture(256, 64);
        for (int y = 0; y < 64; ++y)
            for (int x = 0; x < 256; ++x)
                ramp.at(x, y) = 0xff000000u | static_cast<uint32_t>(x) * 0x010101u;
        const double before = meanGrey(ramp);
        for (const PixelFormat format : {PixelFormat::Page1, PixelFormat::Rgb565, PixelFormat::Rgb888})
            for (const Reduction how : {Reduction::Nearest, Reduction::FloydSteinberg})
                QVERIFY2(std::abs(meanGrey(reduced(ramp, format, how)) - before) < 2.55, info(format).key);
        // And locally: a flat grey of a quarter is a quarter lit.
        const Picture lit = reduced(makePicture(64, 64, 0xff404040), PixelFormat::Page1, Reduction::FloydSteinberg);
        QVERIFY(std::abs(meanGrey(lit) - 64) < 2.55);
    }

    void ditherLeavesWhatTheFormatHolds() {
        Picture p = row({0xff000000, 0xffffffff, 0xffff0000, 0xff00ff00});
        QCOMPARE(reduced(p, PixelFormat::Rgb565, Reduction::FloydSteinberg).pixels, p.pixels);
    }

    void sizes() {
        Recipe r;
        QCOMPARE(resultSize(r, 64, 48).width, 64);
        r.width = 32;
        QCOMPARE(resultSize(r, 64, 48).height, 24);
        r.height = 32;
        QCOMPARE(resultSize(r, 64, 48).height, 32);
        const Picture source = makePicture(64, 48, 0xffff0000);
        r.background = opaque(0x0000ff);
        const Picture contained = fitted(source, r);
        QCOMPARE(contained.width, 32);
        QCOMPARE(contained.at(16, 1), 0xff0000ffu);
        QCOMPARE(contained.at(16, 16), 0xffff0000u);
        r.fit = Fit::Cover;
        QCOMPARE(fitted(source, r).at(16, 1), 0xffff0000u);
        r.fit = Fit::Contain;
        r.background = Colour{0};
        QCOMPARE(fitted(source, r).at(16, 1) >> 24, 0u);
    }

    // Half black, half white averages to linear half: 188 as stored, not 128.
    void scalingIsInLinearLight() {
        Picture p = makePicture(64, 64, 0xff000000);
        for (int y = 0; y < 64; ++y)
            for (int x = y % 2; x < 64; x += 2)
                p.at(x, y) = 0xffffffff;
        const Picture small = scaled(p, 16, 16);
        for (const uint32_t pixel : small.pixels)
            QVERIFY(std::abs(static_cast<int>(pixel & 255) - 188) <= 1);
    }

    void transparentPixelsGiveNoColour() {
        Picture p = makePicture(2, 1);
        p.at(0, 0) = 0xffff0000;
        p.at(1, 0) = 0x0000ff00;
        const Picture one = scaled(p, 1, 1);
        QCOMPARE(one.at(0, 0) & 0xffffff, 0xff0000u);
        QCOMPARE(one.at(0, 0) >> 24, 128u);
    }

    void picturesOfEachKindAreRead() {
        const QImage image = testImage();
        for (const char* format : {"png", "bmp"}) {
            const auto picture = decodePicture(pngOf(image, format), "test");
            QVERIFY2(picture.has_value(), format);
            QCOMPARE(picture->width, 32);
            QCOMPARE(picture->at(5, 7), static_cast<uint32_t>(image.pixel(5, 7)));
        }
        QVERIFY(decodePicture(pngOf(image, "jpg"), "test").has_value());
        const auto gif = decodePicture(handMadeGif(), "test");
        QVERIFY(gif.has_value());
        QCOMPARE(gif->width, 3);
        QCOMPARE(gif->height, 2);
    }

    void brokenPicturesAreErrors() {
        const QImage image = testImage();
        for (const char* format : {"png", "jpg", "bmp"}) {
            const std::string whole = pngOf(image, format);
            for (size_t length = 0; length < whole.size() * 9 / 10; length += 1 + whole.size() / 60) {
                const auto picture = decodePicture(whole.substr(0, length), "images/cut." + std::string(format));
                QVERIFY2(!picture, qPrintable(QString("%1 cut at %2").arg(format).arg(length)));
                QVERIFY(picture.error().file == "images/cut." + std::string(format) && !picture.error().remedy.empty());
            }
        }
        const std::string gif = handMadeGif();
        for (size_t length = 0; length + 1 < gif.size(); ++length)
            QVERIFY2(!decodePicture(gif.substr(0, length), "x.gif"), qPrintable(QString("gif cut at %1").arg(length)));
        QVERIFY(!decodePicture("hello", "x.png"));
        QVERIFY(!decodePicture("", "x.png"));
    }

    // A PNG header of 60,000 x 60,000 pixels must not take memory.
    void hugeHeadersAreRefused() {
        std::string png = pngOf(testImage());
        for (const size_t at : {16u, 20u}) {
            png[at] = 0;
            png[at + 1] = 0;
            png[at + 2] = static_cast<char>(0xea);
            png[at + 3] = 0x60;
        }
        const auto picture = decodePicture(png, "huge.png");
        QVERIFY(!picture);
    }

    void bakedImages() {
        Image image;
        image.name = "pot";
        image.file = "pot.png";
        QImage source(20, 10, QImage::Format_ARGB32);
        source.fill(qRgba(255, 0, 0, 255));
        source.setPixel(0, 0, qRgba(0, 0, 0, 0));
        image.original = std::make_shared<const std::string>(pngOf(source));
        ImageBakery bakery;
        const auto baked = bakery.bake(image, PixelFormat::Rgb565);
        QVERIFY(baked.has_value());
        QCOMPARE((*baked)->pixels.size(), size_t{20 * 10 * 2});
        QCOMPARE((*baked)->mask.size(), size_t{10 * 10});
        QCOMPARE((*baked)->mask[0], uint8_t{0x0f});
        QCOMPARE(*bakery.bake(image, PixelFormat::Rgb565), *baked);
        image.recipe.background = opaque(0);
        QVERIFY((*bakery.bake(image, PixelFormat::Rgb565))->mask.empty());
        image.recipe.maskOnly = true;
        QVERIFY((*bakery.bake(image, PixelFormat::Page1))->pixels.empty());
        image.original = nullptr;
        QVERIFY(!bakery.bake(image, PixelFormat::Rgb888));
    }

    void imageFilesAsC() {
        const Picture p = row({0xffff0000, 0xff00ff00});
        const auto text = imageFile(p, PixelFormat::Rgb565, "two", ".h");
        QVERIFY(text.has_value());
        const QString c = QString::fromStdString(*text);
        QVERIFY(c.contains("#define TWO_WIDTH 2") && c.contains("#define TWO_HEIGHT 1") && c.contains("#define TWO_BYTES 4"));
        QVERIFY(c.contains("const uint8_t two[4] = {\n    0x00, 0xf8, 0xe0, 0x07,\n};"));
        QCOMPARE(*imageFile(p, PixelFormat::Rgb565, "two", ".bin"), std::string("\x00\xf8\xe0\x07", 4));
        QVERIFY(!imageFile(p, PixelFormat::Rgb565, "two", ".exe"));
    }
};

QTEST_APPLESS_MAIN(TestPixels)
#include "tst_pixels.moc"
