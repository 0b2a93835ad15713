// SPDX-License-Identifier: GPL-3.0-or-later
// Error diffusion of large pictures, which are cut into bands: no seam, the same every time, as true in tone as a whole
// one; and the search for the nearest colour against every distance.
#include <QtTest>
#include <cmath>

#include "core/image/diffuse.h"
#include "core/image/make_palette.h"
#include "core/image/nearest_colour.h"
#include "core/image/picture.h"
#include "tests/support/test_case.h"

using namespace gorsefinch;

namespace {

uint32_t grey(int value) { return 0xff000000u | static_cast<uint32_t>(value) * 0x010101u; }

Picture flat(int w, int h, uint32_t colour) { return makePicture(w, h, colour); }

uint32_t random32(uint32_t& state) { return state = state * 1664525u + 1013904223u; }

double litShare(const std::vector<uint8_t>& levels, int width, int first, int last) {
    long lit = 0;
    for (int y = first; y < last; ++y)
        for (int x = 0; x < width; ++x)
            lit += levels[static_cast<size_t>(y) * static_cast<size_t>(width) + static_cast<size_t>(x)];
    return static_cast<double>(lit) / (static_cast<double>(width) * (last - first));
}

}  // namespace

class TestDiffusion : public QObject {
    Q_OBJECT

  private Q_SLOTS:
    // 900x700 pixels are several bands, 180x700 are one. Sixteen rows of an even grey hold its share of lit pixels,
    // more or less; a seam would show as rows that are farther off than they ever are in one band.
    void bandsLeaveNoSeam_data() {
        QTest::addColumn<int>("value");
        for (const int value : {13, 64, 102, 128, 200, 247})
            QTest::addRow("grey %d", value) << value;
    }

    void bandsLeaveNoSeam() {
        QFETCH(int, value);
        const auto worst = [&](int width) {
            const int height = 700;
            const auto levels =
                diffusedGreys(flat(width, height, grey(value)), LevelSteps(1, false), Reduction::FloydSteinberg, 100);
            double out = 0;
            for (int y = 32; y + 16 <= height; y += 4)
                out = std::max(out, std::abs(litShare(levels, width, y, y + 16) - value / 255.0));
            return out;
        };
        const double cut = worst(900), whole = worst(180);
        QVERIFY2(cut < whole + 0.004, qPrintable(QString("%1 against %2").arg(cut).arg(whole)));
        QVERIFY(cut < 0.02);
    }

    void tonesHoldOverAWholeRamp() {
        Picture ramp = makePicture(640, 640);
        for (int y = 0; y < 640; ++y)
            for (int x = 0; x < 640; ++x)
                ramp.at(x, y) = grey(x * 255 / 639);
        for (const int bits : {1, 2, 4}) {
            const LevelSteps steps(bits, false);
            const auto levels = diffusedGreys(ramp, steps, Reduction::FloydSteinberg, 100);
            double sum = 0;
            for (const uint8_t level : levels)
                sum += level;
            const double mean = sum / static_cast<double>(levels.size()) / steps.top();
            QVERIFY2(std::abs(mean - 0.5) < 0.005, qPrintable(QString("%1 bits: %2").arg(bits).arg(mean)));
        }
    }

    // However many threads there are, and whenever they come to run.
    void theSameEveryTime() {
        Picture noise = makePicture(800, 500);
        uint32_t state = 9;
        for (uint32_t& pixel : noise.pixels)
            pixel = 0xff000000u | random32(state) >> 8;
        const Picture* const one[] = {&noise};
        const NearestColour palette(makePalette(one, 16));
        const auto first = diffusedPalette(noise, palette, false, Reduction::FloydSteinberg, 100);
        for (int i = 0; i < 4; ++i)
            QVERIFY(diffusedPalette(noise, palette, false, Reduction::FloydSteinberg, 100) == first);
        QVERIFY(makePalette(one, 16) == palette.colours());
    }

    // A colour that the palette has stays untouched, in every band.
    void coloursOfThePaletteStay() {
        const std::vector<Colour> colours{opaque(0x000000), opaque(0x3366cc), opaque(0xe0b040), opaque(0xffffff)};
        Picture p = makePicture(512, 640);
        uint32_t state = 3;
        for (uint32_t& pixel : p.pixels)
            pixel = colours[random32(state) >> 20 & 3].argb;
        const NearestColour palette(colours);
        for (const bool linear : {false, true}) {
            const auto numbers = diffusedPalette(p, palette, linear, Reduction::FloydSteinberg, 100);
            for (size_t i = 0; i < numbers.size(); ++i)
                QCOMPARE(colours[numbers[i]].argb, p.pixels[i]);
        }
    }

    // Below a band's size nothing is cut: the first rows of a picture don't know how many more follow.
    void smallPicturesAreWhole() {
        Picture tall = makePicture(128, 200), cut = makePicture(128, 120);
        uint32_t state = 5;
        for (uint32_t& pixel : tall.pixels)
            pixel = grey(static_cast<int>(random32(state) >> 24));
        std::copy_n(tall.pixels.begin(), cut.pixels.size(), cut.pixels.begin());
        const LevelSteps steps(2, false);
        const auto all = diffusedGreys(tall, steps, Reduction::FloydSteinberg, 100),
                   part = diffusedGreys(cut, steps, Reduction::FloydSteinberg, 100);
        QVERIFY(std::equal(part.begin(), part.end(), all.begin()));
    }

    // By hand: 4 pixels of grey 128 in a row. The first becomes white (error -127), 7/16 of it comes to the next:
    // 128 - 55.56 is black, and so on.
    void aRowByHand() {
        const auto levels = diffusedGreys(flat(4, 1, grey(128)), LevelSteps(1, false), Reduction::FloydSteinberg, 100);
        QCOMPARE(levels, (std::vector<uint8_t>{1, 0, 1, 0}));
    }

    void weakerDithersPassOnLess() {
        const Picture p = flat(400, 400, grey(100));
        const LevelSteps steps(1, false);
        const double whole = litShare(diffusedGreys(p, steps, Reduction::FloydSteinberg, 100), 400, 0, 400);
        const double half = litShare(diffusedGreys(p, steps, Reduction::FloydSteinberg, 50), 400, 0, 400);
        QVERIFY(std::abs(whole - 100 / 255.0) < 0.01);
        QVERIFY(half < whole - 0.03);
        QCOMPARE(litShare(diffusedGreys(p, steps, Reduction::FloydSteinberg, 0), 400, 0, 400), 0.0);
    }

    void theNearestIsTheNearest_data() {
        QTest::addColumn<int>("count");
        for (const int count : {1, 2, 5, 16, 61, 256})
            QTest::addRow("%d colours", count) << count;
    }

    void theNearestIsTheNearest() {
        QFETCH(int, count);
        uint32_t state = static_cast<uint32_t>(count) * 77u;
        std::vector<Colour> colours;
        for (int i = 0; i < count; ++i)
            colours.push_back(opaque(random32(state) >> 8));
        const NearestColour search(colours);
        for (int i = 0; i < 30000; ++i) {
            // Half of them near an entry, where the choice is close.
            uint32_t rgb = random32(state) >> 8;
            if (i % 2 == 0)
                rgb = (colours[rgb % colours.size()].argb & 0xf0f0f0) | (rgb & 0x0f0f0f);
            uint32_t best = 0;
            for (uint32_t entry = 1; entry < colours.size(); ++entry)
                if (colourDistance(colours[entry].argb, rgb) < colourDistance(colours[best].argb, rgb))
                    best = entry;
            QCOMPARE(search.of(0xff000000u | rgb), best);
        }
    }

    // Palettes of pictures with few colours hold just those.
    void fewColoursAreKept() {
        Picture p = makePicture(300, 300);
        for (size_t i = 0; i < p.pixels.size(); ++i)
            p.pixels[i] = i % 3 == 0 ? 0xff112233u : i % 3 == 1 ? 0xffe0e0e0u : 0xff00ff00u;
        const Picture* const one[] = {&p};
        std::vector<Colour> palette = makePalette(one, 16);
        std::sort(palette.begin(), palette.end());
        QCOMPARE(palette, (std::vector<Colour>{opaque(0x00ff00), opaque(0x112233), opaque(0xe0e0e0)}));
    }
};

GORSEFINCH_TEST(TestDiffusion, Nothing)
#include "tst_diffusion.moc"
