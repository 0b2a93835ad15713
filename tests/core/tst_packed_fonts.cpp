// SPDX-License-Identifier: GPL-3.0-or-later
// Fonts packed by runs: their bytes, read back in pieces, and the same pixels as plain ones.
#include <QtTest>

#include "core/sim/specimen.h"
#include "tests/support/kiln_face.h"
#include "tests/support/test_case.h"

using namespace gorsefinch;
using namespace support;

class TestPackedFonts : public QObject {
    Q_OBJECT

  private Q_SLOTS:
    // Lengths of runs, not set first: 2 of 0, 17 of 1 (15 and 2), 1 of 0.
    void runsByHand() {
        Bytes8 line(20, 255);
        line[0] = line[1] = line[19] = 0;
        QCOMPARE(packCoverageRuns(line, 1), (Bytes8{0x2f, 0x21}));
        QCOMPARE(packCoverageRuns({255, 255}, 1), (Bytes8{0x02}));
        // Two bits: value above, length less 1 below; from 4 on the rest follows.
        QCOMPARE(packCoverageRuns({0, 85, 85, 170, 255, 255, 255, 255, 255}, 2), (Bytes8{0x05, 0x8f, 0x10}));
        // Four bits: 0 and 15 with a length.
        QCOMPARE(packCoverageRuns({0, 0, 0, 136, 255, 17}, 4), (Bytes8{0x02, 0x8f, 0x01}));
        QCOMPARE(packCoverageRuns({255, 9, 0, 0}, 8), (Bytes8{0xff, 0x00, 0x90, 0x01}));
    }

    void runsReadBackInPieces() {
        for (const int bits : {1, 2, 4, 8}) {
            Bytes8 coverage;
            uint32_t state = 7;
            for (int i = 0; i < 3000; ++i) {
                state = state * 1664525u + 1013904223u;
                const auto value = static_cast<uint8_t>(state >> 24 < 90 ? 0 : state >> 24 < 170 ? 255 : state >> 16);
                for (uint32_t n = 0; n < (state >> 8 & 31); ++n)
                    coverage.push_back(value);
            }
            const Bytes8 packed = packCoverageRuns(coverage, bits);
            const Bytes8 expected = unpackCoverage(packCoverage(coverage, bits), 0, coverage.size(), bits);
            gorse_glyph_reader runs{packed.data(), 0, 255, static_cast<uint8_t>(bits), 0, 0};
            size_t at = 0;
            uint16_t skip = 0, n = 1;
            while (at + skip + n < expected.size()) {
                Bytes8 out(n);
                gorse_read_glyph_runs(&runs, skip, n, out.data());
                at += skip;
                QVERIFY(std::equal(out.begin(), out.end(), expected.begin() + static_cast<std::ptrdiff_t>(at)));
                at += n;
                skip = static_cast<uint16_t>(at * 7 % 61);
                n = static_cast<uint16_t>(1 + at * 3 % 90);
            }
        }
    }

    void packedFontsDrawTheSamePixels_data() {
        QTest::addColumn<int>("bits");
        for (const int bits : {1, 2, 4, 8})
            QTest::addRow("%d bits", bits) << bits;
    }

    // On every panel format, whole frames.
    void packedFontsDrawTheSamePixels() {
        QFETCH(int, bits);
        const Document start = withText("Kiln");
        for (const PixelFormatInfo& format : pixelFormats()) {
            if (!format.panel)
                continue;
            Panel panel = *start.panel;
            panel.format = format.format;
            panel.palette.clear();
            Document document = withPanel(start, panel);
            SpecimenRequest request{
                {faceName(start), 33}, "Ofen 1/3 & Größe", opaque(0xf0e0d0), opaque(0x102030), 210, 96, true};
            std::vector<Picture> pictures;
            for (const GlyphPacking packing : {GlyphPacking::Plain, GlyphPacking::Runs}) {
                document = change(document, 33, [&](FontSettings& s) { s.bits = bits, s.packing = packing; });
                pictures.push_back(specimen(document, request));
            }
            QVERIFY2(pictures[0].pixels == pictures[1].pixels, format.key);
            QVERIFY(std::set<uint32_t>(pictures[0].pixels.begin(), pictures[0].pixels.end()).size() >= 2);
        }
    }

    void smallestTakesTheSmaller() {
        const Document document = withText("0", 64);
        const std::set<char32_t> digits{U'0', U'1', U'8'};
        const BakedFont plain = baked(document, 64, digits);
        const BakedFont large =
            baked(change(document, 64, [](FontSettings& s) { s.packing = GlyphPacking::Smallest; }), 64, digits);
        QVERIFY(large.isPacked() && large.bytes() < plain.bytes());
        QCOMPARE(large.bitmapBytes(true), large.bitsOfGlyphs().size());
        QCOMPARE(large.bitmapBytes(false), plain.bitsOfGlyphs().size());
        const BakedFont tiny =
            baked(change(document, 7, [](FontSettings& s) { s.packing = GlyphPacking::Smallest; }), 7, digits);
        QCOMPARE(tiny.isPacked(), tiny.bitmapBytes(true) < tiny.bitmapBytes(false));
    }
};

GORSEFINCH_TEST(TestPackedFonts, Nothing)
#include "tst_packed_fonts.moc"
