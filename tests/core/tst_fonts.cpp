// SPDX-License-Identifier: GPL-3.0-or-later
// From a face to the target's glyphs: bits by hand, subsets, kerning, black and white.
#include <QtTest>

#include "core/emit/export_font.h"
#include "core/font/baked_font.h"
#include "core/font/face_facts.h"
#include "core/image/pack.h"
#include "tests/support/projects.h"
#include "tests/support/test_case.h"

using namespace gorsefinch;
using namespace support;

namespace {

using Bytes8 = std::vector<uint8_t>;

std::shared_ptr<const FaceAtSize> faceAt(int size, int bits, const char* path = nullptr) {
    Disk disk;
    const auto bytes = readFile(disk, path ? path : examplePath("kiln") + "/fonts/B612-Regular.otf", kMaxPictureFile);
    return *openFace(std::make_shared<const FileContents>(*bytes), "face", {size, bits});
}

BakedFont fontOf(std::shared_ptr<const FaceAtSize> face, int size, int bits) {
    FontSource source;
    source.faces = {std::move(face)};
    source.settings.bits = bits;
    return {{"face", size}, source};
}

BakedFont bakedWith(const std::set<char32_t>& characters, int size = 20, int bits = 4) {
    BakedFont font = fontOf(faceAt(size, bits), size, bits);
    font.need(characters, 1);
    font.bake();
    return font;
}

}  // namespace

class TestFonts : public QObject {
    Q_OBJECT

  private Q_SLOTS:
    // Coverages 0, 255, 128, 64, 200 in each depth: nearest levels, leftmost in the highest bits, no gaps.
    void coverageByHand() {
        const Bytes8 coverage{0, 255, 128, 64, 200};
        QCOMPARE(packCoverage(coverage, 1), (Bytes8{0x68}));        // 0 1 1 0 1
        QCOMPARE(packCoverage(coverage, 2), (Bytes8{0x39, 0x80}));  // 0 3 2 1 | 2
        QCOMPARE(packCoverage(coverage, 4), (Bytes8{0x0f, 0x84, 0xc0}));
        QCOMPARE(packCoverage(coverage, 8), coverage);
    }

    void glyphsAreWhatTheFaceDraws() {
        const auto face = faceAt(24, 8);
        BakedFont font = fontOf(face, 24, 8);
        font.need({U'g'}, 1);
        font.bake();
        const GlyphBitmap bitmap = face->glyph(U'g');
        const gorse_glyph& glyph = font.glyphs()[1];
        QCOMPARE(int{glyph.width}, bitmap.width);
        QCOMPARE(int{glyph.height}, bitmap.height);
        QCOMPARE(int{glyph.advance}, bitmap.advance);
        QCOMPARE(int{glyph.top} - GORSE_TOP_BIAS, face->ascent() - bitmap.rise);
        const size_t offset = static_cast<size_t>(glyph.offset_high) << 16 | glyph.offset_low;
        QVERIFY(std::equal(bitmap.coverage.begin(), bitmap.coverage.end(),
                           font.bitsOfGlyphs().begin() + static_cast<std::ptrdiff_t>(offset)));
        // A g hangs below the baseline.
        QVERIFY(bitmap.height > bitmap.rise);
    }

    void blackAndWhiteHasNoGreys() {
        const GlyphBitmap mono = faceAt(14, 1)->glyph(U'S');
        QVERIFY(!mono.coverage.empty());
        for (const uint8_t value : mono.coverage)
            QVERIFY(value == 0 || value == 255);
        const GlyphBitmap grey = faceAt(14, 4)->glyph(U'S');
        QVERIFY(std::any_of(grey.coverage.begin(), grey.coverage.end(), [](uint8_t v) { return v != 0 && v != 255; }));
    }

    void needsAreCounted() {
        BakedFont font = fontOf(faceAt(16, 4), 16, 4);
        font.need({U'a', U'b'}, 1);
        font.need({U'b', U'c'}, 1);
        QVERIFY(font.bake());
        QCOMPARE(font.glyphCount(), size_t{4});
        QVERIFY(!font.bake());
        font.need({U'a', U'b'}, -1);
        QVERIFY(font.bake());
        QCOMPARE(font.glyphCount(), size_t{3});
        QCOMPARE(font.glyphOf(U'a'), 0);
        QVERIFY(font.glyphOf(U'b') > 0 && font.glyphOf(U'c') > 0);
    }

    void theRecordStaysWhereItIs() {
        BakedFont font = fontOf(faceAt(16, 4), 16, 4);
        const gorse_font* record = font.record();
        font.need({U'a'}, 1);
        font.bake();
        font.need({U'b', U'°', U'€'}, 1);
        font.bake();
        QCOMPARE(font.record(), record);
        QCOMPARE(int{record->range_count}, 3);
        QCOMPARE(record->glyphs, font.glyphs().data());
    }

    void rangesAreSortedAndClosed() {
        const BakedFont font = bakedWith({U'z', U'0', U'1', U'2', U'A', U'é', U'B'});
        uint32_t last = 0;
        int glyph = 1;
        for (const gorse_range& range : font.ranges()) {
            QVERIFY(range.first > last);
            QCOMPARE(int{range.glyph}, glyph);
            glyph += range.count;
            last = range.first + range.count - 1;
        }
        QCOMPARE(font.ranges().size(), size_t{4});
        QCOMPARE(static_cast<size_t>(glyph), font.glyphCount());
    }

    // The face's own kerning, from its GPOS table: an A before a V moves closer, two n don't.
    void kerningComesFromTheFace() {
        const char* path = "/usr/share/fonts/opentype/inter/Inter-Regular.otf";
        QVERIFY2(QFileInfo::exists(path), "fonts-inter must be installed");
        const auto face = faceAt(48, 4, path);
        const std::vector<int> by = face->kerning(U'A', {U'V', U'n'});
        QVERIFY(by[0] < 0);
        QCOMPARE(face->kerning(U'n', {U'n'}).front(), 0);
        BakedFont font = fontOf(face, 48, 4);
        font.need({U'A', U'V', U'n'}, 1);
        font.bake();
        QVERIFY(!font.kerns().empty());
        const auto sorted =
            std::is_sorted(font.kerns().begin(), font.kerns().end(), [](const gorse_kern& a, const gorse_kern& b) {
                return std::pair(a.left, a.right) < std::pair(b.left, b.right);
            });
        QVERIFY(sorted);
        const auto pair = std::find_if(font.kerns().begin(), font.kerns().end(), [&](const gorse_kern& k) {
            return k.left == font.glyphOf(U'A') && k.right == font.glyphOf(U'V');
        });
        QVERIFY(pair != font.kerns().end());
        QCOMPARE(int{pair->by}, by[0]);
    }

    void theMissingBoxComesFirst() {
        const BakedFont font = bakedWith({U'a', 0x1F600});
        QVERIFY(!font.has(0x1F600));
        QCOMPARE(font.glyphCount(), size_t{2});
        QVERIFY(font.glyphs()[0].width > 3 && font.glyphs()[0].height > 3);
    }

    void titles() {
        Disk disk;
        const auto bytes = readOriginal(disk, examplePath("kiln") + "/fonts/B612-Bold.otf", kMaxPictureFile);
        QVERIFY(faceFacts(*bytes, "x")->title().find("Bold") != std::string::npos);
        const auto none = faceFacts(std::make_shared<const FileContents>("no face"), "fonts/x.ttf");
        QVERIFY(!none);
        QCOMPARE(none.error().file, std::string("fonts/x.ttf"));
    }

    void filesOfAFont() {
        const BakedFont font = bakedWith({U'1', U'2'}, 12, 2);
        const auto c = exportFont(font, ".c");
        QVERIFY(c.has_value());
        QVERIFY(c->find("3 glyphs") != std::string::npos &&
                c->find("gorse_font face_font_face_12") != std::string::npos);
        const auto sheet = decodePicture(*exportFont(font, ".png"), "sheet");
        QVERIFY(sheet.has_value());
        QVERIFY(std::any_of(sheet->pixels.begin(), sheet->pixels.end(), [](uint32_t p) { return p == 0xffffffffu; }));
        QVERIFY(!exportFont(font, ".doc"));
    }
};

GORSEFINCH_TEST(TestFonts, Nothing)
#include "tst_fonts.moc"
