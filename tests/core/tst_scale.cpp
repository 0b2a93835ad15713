// SPDX-License-Identifier: GPL-3.0-or-later
// Scaling in linear light: even colours stay what they are at any ratio, means are means of light, and what is
// transparent gives no colour.
#include <QtTest>
#include <cmath>
#include <random>

#include "core/image/scale.h"
#include "tests/support/test_case.h"

using namespace gorsefinch;

namespace {

double lightOf(double stored) {
    const double v = stored / 255;
    return v <= 0.04045 ? v / 12.92 : std::pow((v + 0.055) / 1.055, 2.4);
}
double storedOf(double light) {
    return 255 * (light <= 0.0031308 ? light * 12.92 : 1.055 * std::pow(light, 1 / 2.4) - 0.055);
}

// The mean light of a box of a picture's green, as stored.
double meanOf(const Picture& p, int x0, int y0, int x1, int y1) {
    double sum = 0;
    for (int y = y0; y < y1; ++y)
        for (int x = x0; x < x1; ++x)
            sum += lightOf(p.at(x, y) >> 8 & 255);
    return storedOf(sum / ((x1 - x0) * (y1 - y0)));
}

}  // namespace

class TestScale : public QObject {
    Q_OBJECT

  private Q_SLOTS:
    void evenColoursStay_data() {
        QTest::addColumn<int>("from");
        QTest::addColumn<int>("to");
        const std::pair<int, int> ratios[] = {{64, 32},  {64, 21}, {300, 7}, {100, 99}, {50, 13}, {16, 40},
                                              {33, 100}, {1, 9},   {2, 1},   {3, 1},    {5, 2}};
        for (const auto& [from, to] : ratios)
            QTest::addRow("%d to %d", from, to) << from << to;
    }

    void evenColoursStay() {
        QFETCH(int, from);
        QFETCH(int, to);
        for (uint32_t value = 0; value < 256; value += 1) {
            const uint32_t argb = 0xff000000u | value << 16 | (255 - value) << 8 | value / 2;
            const Picture out = scaled(makePicture(from, from, argb), to, to);
            QCOMPARE(out.width, to);
            for (const uint32_t pixel : out.pixels)
                QCOMPARE(pixel, argb);
        }
    }

    void meansAreMeansOfLight() {
        std::mt19937 random(9);
        Picture p = makePicture(480, 360);
        for (uint32_t& pixel : p.pixels)
            pixel = 0xff000000u | (random() & 0xffffff);
        for (const int by : {2, 3, 5, 8, 40}) {
            const Picture out = scaled(p, p.width / by, p.height / by);
            for (int y = 0; y < out.height; ++y)
                for (int x = 0; x < out.width; ++x) {
                    const double wanted = meanOf(p, x * by, y * by, x * by + by, y * by + by);
                    const double got = out.at(x, y) >> 8 & 255;
                    QVERIFY2(std::abs(wanted - got) <= 2.1,
                             qPrintable(QString("%1: %2, not %3").arg(by).arg(got).arg(wanted)));
                }
        }
    }

    // Half black, half white is a light grey, not the middle one.
    void blackAndWhiteGiveTheMiddleOfLight() {
        Picture p = makePicture(2, 2, 0xff000000u);
        p.at(0, 0) = p.at(1, 1) = 0xffffffffu;
        QVERIFY(std::abs(static_cast<int>(scaled(p, 1, 1).at(0, 0) & 255) - 188) <= 2);
    }

    // One pixel that is not whole makes the picture transparent there, whatever it was taken for first.
    void aSingleTransparentPixelCounts() {
        Picture p = makePicture(40, 40, 0xffc08040u);
        p.at(13, 27) = 0;
        const Picture out = scaled(p, 10, 10);
        for (int y = 0; y < 10; ++y)
            for (int x = 0; x < 10; ++x) {
                const bool there = x == 13 / 4 && y == 27 / 4;
                QCOMPARE(out.at(x, y) >> 24, there ? 239u : 255u);
                // Its colour is that of its neighbours: nothing is drawn in from what is clear.
                for (const int shift : {0, 8, 16})
                    QVERIFY(std::abs(static_cast<int>(out.at(x, y) >> shift & 255) -
                                     static_cast<int>(0xc08040u >> shift & 255)) <= 1);
            }
    }

    void whatIsClearStaysClear() {
        const Picture out = scaled(makePicture(30, 30, 0x00ff00ffu), 7, 5);
        QVERIFY(std::all_of(out.pixels.begin(), out.pixels.end(), [](uint32_t pixel) { return pixel == 0; }));
    }

    void theSameSizeIsTheSamePicture() {
        Picture p = makePicture(3, 2, 0x80123456u);
        QVERIFY(scaled(p, 3, 2).pixels == p.pixels);
    }

    // Very thin and very small ones.
    void edgesOfSizes() {
        for (const auto& [w, h, to_w, to_h] : {std::tuple{1, 1, 5, 3}, {1, 500, 1, 2}, {4096, 1, 3, 1}, {7, 3, 1, 1}}) {
            const Picture out = scaled(makePicture(w, h, 0xff336699u), to_w, to_h);
            QCOMPARE(out.pixels.size(), static_cast<size_t>(to_w) * static_cast<size_t>(to_h));
            QVERIFY(
                std::all_of(out.pixels.begin(), out.pixels.end(), [](uint32_t pixel) { return pixel == 0xff336699u; }));
        }
    }
};

GORSEFINCH_TEST(TestScale, Nothing)
#include "tst_scale.moc"
