// SPDX-License-Identifier: GPL-3.0-or-later
// Packing and reducing pictures, against values worked out by hand.
#include <QtTest>
#include <cmath>

#include "core/image/make_palette.h"
#include "core/image/pack.h"
#include "core/image/reduce.h"
#include "core/image/runs.h"
#include "core/image/threshold_map.h"
#include "tests/support/test_case.h"

using namespace gorsefinch;

namespace {

using Bytes8 = std::vector<uint8_t>;

Picture row(std::initializer_list<uint32_t> pixels) {
    return {static_cast<int>(pixels.size()), 1, std::vector<uint32_t>(pixels)};
}

double meanGrey(const Picture& p) {
    double sum = 0;
    for (const uint32_t pixel : p.pixels)
        sum += greyOf(pixel);
    return sum / static_cast<double>(p.pixels.size());
}

double meanLight(const Picture& p) {
    double sum = 0;
    for (const uint32_t pixel : p.pixels) {
        const double v = (pixel & 255) / 255.0;
        sum += v <= 0.04045 ? v / 12.92 : std::pow((v + 0.055) / 1.055, 2.4);
    }
    return sum / static_cast<double>(p.pixels.size());
}

Picture greyRamp() {
    Picture ramp = makePicture(256, 64);
    for (int y = 0; y < 64; ++y)
        for (int x = 0; x < 256; ++x)
            ramp.at(x, y) = 0xff000000u | static_cast<uint32_t>(x) * 0x010101u;
    return ramp;
}

Picture colourful(int w = 37, int h = 19) {
    Picture p = makePicture(w, h);
    for (size_t i = 0; i < p.pixels.size(); ++i)
        p.pixels[i] = static_cast<uint32_t>(i * 2654435761u);
    return p;
}

constexpr Reduction methods[] = {Reduction::Nearest,   Reduction::Bayer4,         Reduction::Bayer8,
                                 Reduction::BlueNoise, Reduction::FloydSteinberg, Reduction::Atkinson};

}  // namespace

class TestPixels : public QObject {
    Q_OBJECT

  private Q_SLOTS:
    // Red, green, blue, and (200, 100, 50): 200*31/255 = 24.3 -> 24, 100*63/255 = 24.7 -> 25, 50*31/255 = 6.08 -> 6;
    // 24<<11 | 25<<5 | 6 = 0xC326. Truncating would make green 24.
    void coloursByHand() {
        const Picture p = row({0xffff0000, 0xff00ff00, 0xff0000ff, 0x80c86432});
        QCOMPARE(packed(p, PixelFormat::Rgb565), (Bytes8{0x00, 0xf8, 0xe0, 0x07, 0x1f, 0x00, 0x26, 0xc3}));
        QCOMPARE(packed(p, PixelFormat::Rgb565Be), (Bytes8{0xf8, 0x00, 0x07, 0xe0, 0x00, 0x1f, 0xc3, 0x26}));
        QCOMPARE(packed(p, PixelFormat::Rgb888), (Bytes8{255, 0, 0, 0, 255, 0, 0, 0, 255, 200, 100, 50}));
        QCOMPARE(packed(p, PixelFormat::Argb8888),
                 (Bytes8{0, 0, 255, 255, 0, 255, 0, 255, 255, 0, 0, 255, 50, 100, 200, 128}));
        // 200*7/255 = 5.49 -> 5, 100*7/255 = 2.7 -> 3, 50*3/255 = 0.59 -> 1: 101 011 01
        QCOMPARE(packed(p, PixelFormat::Rgb332), (Bytes8{0xe0, 0x1c, 0x03, 0xad}));
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

    // Ten pixels, lit: 0, 2, 3, 9. Highest bit first 1011 0000 01.. ; lowest bit first the same mirrored.
    void rowsByHand() {
        Picture p = makePicture(10, 1, 0xff000000);
        for (const int x : {0, 2, 3, 9})
            p.at(x, 0) = 0xffffffff;
        QCOMPARE(packed(p, PixelFormat::Row1), (Bytes8{0xb0, 0x40}));
        QCOMPARE(reduce(p, {PixelFormat::Row1}).bytes(), (Bytes8{0xb0, 0x40}));
        QCOMPARE(packed(p, PixelFormat::Row1Lsb), (Bytes8{0x0d, 0x02}));
    }

    // Greys 0, 100, 128, 200, 255: of 4 levels 0, 1 (100/85 = 1.18), 2 (1.51), 2 (2.35), 3; of 16: 0, 6, 8, 12, 15.
    void greysByHand() {
        const Picture p = row({0xff000000, 0xff646464, 0xff808080, 0xffc8c8c8, 0xffffffff});
        QCOMPARE(packed(p, PixelFormat::Grey2), (Bytes8{0x1a, 0xc0}));
        QCOMPARE(packed(p, PixelFormat::Grey4), (Bytes8{0x06, 0x8c, 0xf0}));
        QCOMPARE(packed(p, PixelFormat::Grey8), (Bytes8{0, 100, 128, 200, 255}));
    }

    // Palette red, green, blue, white; the last pixel is nearest to red.
    void indicesByHand() {
        const std::vector<Colour> palette{opaque(0xff0000), opaque(0x00ff00), opaque(0x0000ff), opaque(0xffffff)};
        const Picture p = row({0xff0000ff, 0xffffffff, 0xff00ff00, 0xffff0000, 0xffe01020});
        QCOMPARE(packed(p, PixelFormat::Index2, palette), (Bytes8{0xb4, 0x00}));  // 10 11 01 00 | 00
        QCOMPARE(packed(p, PixelFormat::Index4, palette), (Bytes8{0x23, 0x10, 0x00}));
        QCOMPARE(packed(p, PixelFormat::Index8, palette), (Bytes8{2, 3, 1, 0, 0}));
        const std::vector<Colour> two{opaque(0xffffff), opaque(0xff0000)};
        QCOMPARE(packed(p, PixelFormat::Index1, two),
                 (Bytes8{0x18}));  // blue and green are as far from both: the first
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
        for (const int bits : {1, 2, 3, 4, 5, 6, 8})
            for (uint32_t v = 0; v < 256; ++v) {
                const double top = (1 << bits) - 1;
                QCOMPARE(levelOf(v, bits), static_cast<uint32_t>(std::floor(v * top / 255 + 0.5)));
                const uint32_t level = v % static_cast<uint32_t>(top + 1);
                QCOMPARE(valueOf(level, bits), static_cast<uint32_t>(std::floor(level * 255 / top + 0.5)));
                QCOMPARE(levelOf(valueOf(level, bits), bits), level);
                QCOMPARE(uint32_t{word565(v << 16 | v << 8 | v)},
                         levelOf(v, 5) << 11 | levelOf(v, 6) << 5 | levelOf(v, 5));
            }
    }

    void packAndUnpackIsTheIdentity() {
        for (const PixelFormatInfo& format : pixelFormats()) {
            Picture p = reduce(colourful(), {format.format}).picture();
            QCOMPARE(p.pixels.size(), size_t{37 * 19});
            const auto bytes = packed(p, format.format);
            QCOMPARE(static_cast<long>(bytes.size()), packedBytes(format.format, 37, 19));
            QVERIFY2(unpacked(bytes, format.format, 37, 19).pixels == p.pixels, format.key);
            QVERIFY(unpacked(Bytes8(3), format.format, 37, 19).pixels.empty());
        }
    }

    void everyWordOf16BitsUnpacks() {
        Bytes8 low(131072), high(131072);
        for (size_t word = 0; word < 65536; ++word) {
            low[word * 2] = high[word * 2 + 1] = static_cast<uint8_t>(word);
            low[word * 2 + 1] = high[word * 2] = static_cast<uint8_t>(word >> 8);
        }
        for (const auto& [format, bytes] : {std::pair(PixelFormat::Rgb565, low), {PixelFormat::Rgb565Be, high}}) {
            const Picture p = unpacked(bytes, format, 256, 256);
            QCOMPARE(p.pixels.size(), size_t{65536});
            for (uint32_t word = 0; word < 65536; ++word)
                QCOMPARE(p.pixels[word], 0xff000000u | valueOf(word >> 11, 5) << 16 | valueOf(word >> 5 & 63, 6) << 8 |
                                             valueOf(word & 31, 5));
        }
    }

    void everyMethodKeepsTheMeanTone() {
        const Picture ramp = greyRamp();
        for (const PixelFormatInfo& format : pixelFormats()) {
            if (format.isMask() || format.format == PixelFormat::Index8)
                continue;
            for (const Reduction how : methods)
                for (const bool linear : {false, true}) {
                    // Atkinson drops a quarter of each error: as stored that evens out between the dark and the light
                    // half of the ramp; in light, of which the ramp has less than half, it cannot.
                    if (how == Reduction::Atkinson && linear)
                        continue;
                    // The nearest of colours that stand unevenly, as a named palette's do, have no mean to keep.
                    if (how == Reduction::Nearest && format.hasPalette() && format.bits > 1)
                        continue;
                    Reducing reducing{format.format, how};
                    reducing.linear = linear && how != Reduction::Nearest;
                    const Picture out = reduce(ramp, reducing).picture();
                    const double off =
                        reducing.linear ? meanLight(out) - meanLight(ramp) : (meanGrey(out) - meanGrey(ramp)) / 255;
                    QVERIFY2(std::abs(off) < 0.01,
                             qPrintable(QString("%1 %2 %3: %4").arg(format.key).arg(toKey(how)).arg(linear).arg(off)));
                }
        }
    }

    // Locally too: a flat grey of a quarter is a quarter lit.
    void aFlatGreyKeepsItsTone() {
        for (const Reduction how :
             {Reduction::Bayer4, Reduction::Bayer8, Reduction::BlueNoise, Reduction::FloydSteinberg}) {
            const Picture lit = reduce(makePicture(64, 64, 0xff404040), {PixelFormat::Row1, how}).picture();
            QVERIFY2(std::abs(meanGrey(lit) - 64) < 2.55, toKey(how));
        }
    }

    void strengthZeroIsNearest() {
        const Picture p = colourful();
        for (const PixelFormat format : {PixelFormat::Grey4, PixelFormat::Rgb565, PixelFormat::Index4})
            for (const Reduction how : methods) {
                Reducing reducing{format, how};
                reducing.strength = 0;
                const Picture out = reduce(p, reducing).picture(), plain = reduce(p, {format}).picture();
                int different = 0;
                for (size_t i = 0; i < out.pixels.size(); ++i)
                    different += out.pixels[i] != plain.pixels[i];
                QVERIFY2(different <= 1, toKey(how));
            }
    }

    void theThresholdDecidesWhatIsLit() {
        const Picture p = row({0xff000000, 0xff323232, 0xff646464, 0xffffffff});
        Reducing how{PixelFormat::Row1};
        how.threshold = 51;
        QCOMPARE(reduce(p, how).numbers, (Bytes8{0, 0, 1, 1}));
        how.threshold = 50;
        QCOMPARE(reduce(p, how).numbers, (Bytes8{0, 1, 1, 1}));
        how.threshold = 255;
        QCOMPARE(reduce(p, how).numbers, (Bytes8{0, 0, 0, 1}));
    }

    void whatTheFormatHoldsIsLeft() {
        const Picture p = row({0xff000000, 0xffffffff, 0xffff0000, 0xff00ff00});
        for (const Reduction how : methods)
            QCOMPARE(reduce(p, {PixelFormat::Rgb565, how}).picture().pixels, p.pixels);
    }

    // With a palette of just the picture's colours every method gives the picture.
    void aPictureOfFewColoursIsExact() {
        Picture p = makePicture(40, 40);
        const uint32_t colours[] = {0xff102030, 0xff112131, 0xffe3b505, 0xff4f7b58, 0xff7d6390, 0xffb4532a, 0xffffffff};
        for (size_t i = 0; i < p.pixels.size(); ++i)
            p.pixels[i] = colours[i * 7919 % 7];
        const Picture* const one[] = {&p};
        const std::vector<Colour> palette = makePalette(one, 16);
        QCOMPARE(palette.size(), size_t{7});
        for (const Reduction how : methods) {
            Reducing reducing{PixelFormat::Index4, how};
            reducing.palette = palette;
            QVERIFY2(reduce(p, reducing).picture().pixels == p.pixels, toKey(how));
        }
    }

    void palettesAreNoLargerThanWanted() {
        const Picture p = colourful(64, 64);
        const Picture* const one[] = {&p};
        for (const int count : {2, 3, 16, 256}) {
            const auto palette = makePalette(one, count);
            QVERIFY(palette.size() <= static_cast<size_t>(count) &&
                    palette.size() >= static_cast<size_t>(count) * 3 / 4);
        }
        QCOMPARE(makePalette({}, 16).size(), size_t{1});
        const Picture clear = makePicture(4, 4, 0);
        const Picture* const none[] = {&clear};
        QCOMPARE(makePalette(none, 16).size(), size_t{1});
    }

    // The order of the first published matrix: 0 8 2 10 / 12 4 14 6 / 3 11 1 9 / 15 7 13 5.
    void bayerByHand() {
        const ThresholdMap& map = thresholdMap(Reduction::Bayer4);
        QCOMPARE(map.order, (std::vector<uint16_t>{0, 8, 2, 10, 12, 4, 14, 6, 3, 11, 1, 9, 15, 7, 13, 5}));
        for (const Reduction how : {Reduction::Bayer8, Reduction::BlueNoise}) {
            std::vector<uint16_t> order = thresholdMap(how).order;
            std::sort(order.begin(), order.end());
            for (size_t i = 0; i < order.size(); ++i)
                QCOMPARE(size_t{order[i]}, i);
        }
    }

    // Neighbours in blue noise differ much more than chance would have them.
    void blueNoiseHasNoClumps() {
        const ThresholdMap& map = thresholdMap(Reduction::BlueNoise);
        double sum = 0;
        for (int y = 0; y < 64; ++y)
            for (int x = 0; x < 64; ++x)
                sum += std::abs(map.at(x, y) - map.at(x + 1, y));
        QVERIFY(sum / 4096 > 100);  // white noise: 85
    }

    // 5 x a, b, c, 3 x d: run of 5 (128 + 2), two others (1), run of 3 (128).
    void runsByHand() {
        const Bytes8 plain{9, 9, 9, 9, 9, 1, 2, 7, 7, 7, 7};
        const RunBytes packed = packedByRuns(plain, 11, 1, 8);
        QCOMPARE(packed.bytes, (Bytes8{130, 9, 1, 1, 2, 129, 7}));
        QCOMPARE(packed.groups, (std::vector<uint32_t>{0}));
        const Bytes8 words{1, 2, 1, 2, 1, 2, 3, 4};
        QCOMPARE(packedByRuns(words, 4, 2, 8).bytes, (Bytes8{128, 1, 2, 0, 3, 4}));
    }

    void runsComeBackWhole() {
        uint32_t random = 7;
        for (size_t unit = 1; unit <= 4; ++unit)
            for (const size_t width : {1u, 2u, 3u, 129u, 130u, 131u, 300u}) {
                const size_t rows = 19;
                Bytes8 plain(width * rows * unit);
                for (uint8_t& each : plain) {
                    random = random * 1664525u + 1013904223u;
                    each = (random >> 24) < 180 ? 5 : static_cast<uint8_t>(random >> 16 & 3);
                }
                const RunBytes packed = packedByRuns(plain, width, unit, 8);
                QCOMPARE(packed.groups.size(), (rows + 7) / 8);
                const auto back = unpackedRuns(packed, width, unit, rows);
                QVERIFY(back && *back == plain);
                RunBytes cut = packed;
                cut.bytes.pop_back();
                QVERIFY(!unpackedRuns(cut, width, unit, rows));
            }
    }
};

GORSEFINCH_TEST(TestPixels, Nothing)
#include "tst_pixels.moc"
