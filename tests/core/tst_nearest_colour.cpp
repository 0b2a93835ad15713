// SPDX-License-Identifier: GPL-3.0-or-later
// The search for a palette's nearest colour against looking at every one, and the table of cells that stands in for it.
#include <QtTest>
#include <random>

#include "core/image/nearest_colour.h"
#include "tests/support/test_case.h"

using namespace gorsefinch;

namespace {

std::vector<Colour> randomPalette(std::mt19937& random, size_t count) {
    std::vector<Colour> out;
    for (size_t i = 0; i < count; ++i)
        out.push_back(opaque(random() & 0xffffff));
    return out;
}

uint32_t byLookingAtAll(const std::vector<Colour>& palette, uint32_t argb) {
    uint32_t best = 0;
    for (uint32_t i = 1; i < palette.size(); ++i)
        if (colourDistance(palette[i].argb, argb) < colourDistance(palette[best].argb, argb))
            best = i;
    return best;
}

}  // namespace

class TestNearestColour : public QObject {
    Q_OBJECT

  private Q_SLOTS:
    void theSearchIsExact_data() {
        QTest::addColumn<int>("count");
        for (const int count : {1, 2, 3, 16, 17, 64, 256})
            QTest::addRow("%d colours", count) << count;
    }

    void theSearchIsExact() {
        QFETCH(int, count);
        std::mt19937 random(static_cast<uint32_t>(count));
        const std::vector<Colour> palette = randomPalette(random, static_cast<size_t>(count));
        const NearestColour nearest(palette);
        for (int i = 0; i < 20000; ++i) {
            const uint32_t argb = random() & 0xffffff;
            QCOMPARE(nearest.of(argb), byLookingAtAll(palette, argb));
        }
    }

    void ofEqualColoursTheFirstIsTaken() {
        const NearestColour nearest({opaque(0x102030), opaque(0x102030), opaque(0xffffff)});
        QCOMPARE(nearest.of(0x102030), 0u);
        QCOMPARE(nearest.of(0x112233), 0u);
    }

    void anEmptyPaletteIsBlackAndALongOneIsCut() {
        QCOMPARE(NearestColour({}).of(0xffffff), 0u);
        std::vector<Colour> many(300, opaque(0));
        many[299] = opaque(0xffffff);
        QVERIFY(NearestColour(many).of(0xffffff) < 256);
    }

    void theTableOfCellsIsWhatItSays_data() { theSearchIsExact_data(); }

    // What is nearest to the middle of each cell, but where a colour of the palette lies.
    void theTableOfCellsIsWhatItSays() {
        QFETCH(int, count);
        std::mt19937 random(static_cast<uint32_t>(count) + 1);
        const std::vector<Colour> palette = randomPalette(random, static_cast<size_t>(count));
        NearestColour nearest(palette);
        QVERIFY(nearest.cells() == nullptr);
        nearest.prepareCells();
        size_t searched = 0;
        for (uint32_t cell = 0; cell < kColourCells; ++cell) {
            const uint32_t middle = (cell >> 10 << 19 | (cell >> 5 & 31) << 11 | (cell & 31) << 3) + 0x040404;
            if (nearest.cells()[cell] == NearestColour::kSearch)
                ++searched;
            else if (cell % 7 == 0)
                QCOMPARE(uint32_t{nearest.cells()[cell]}, byLookingAtAll(palette, middle));
        }
        QVERIFY(searched >= 1 && searched <= palette.size());
        for (const Colour& each : palette)
            QCOMPARE(palette[nearest.nearly(each.argb & 0xffffff)].argb, each.argb);
    }

    // What is nearly the nearest is no farther than a cell's size allows.
    void nearlyIsNeverFarOff() {
        std::mt19937 random(4);
        const std::vector<Colour> palette = randomPalette(random, 64);
        NearestColour nearest(palette);
        nearest.prepareCells();
        const NearestColour copy = nearest;  // shares what is prepared
        QVERIFY(copy.cells() == nearest.cells());
        for (int i = 0; i < 20000; ++i) {
            const uint32_t argb = random() & 0xffffff;
            const double best = std::sqrt(colourDistance(palette[nearest.of(argb)].argb, argb));
            const double taken = std::sqrt(colourDistance(palette[copy.nearly(argb)].argb, argb));
            QVERIFY(taken <= best + 2 * std::sqrt(3.0) * 4);
        }
    }
};

GORSEFINCH_TEST(TestNearestColour, Nothing)
#include "tst_nearest_colour.moc"
