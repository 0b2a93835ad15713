// SPDX-License-Identifier: GPL-3.0-or-later
// Bitmap fonts between this program and the general tools of the distribution, both ways, pixel by pixel.
#include <QImage>
#include <QProcess>
#include <QTemporaryDir>
#include <QtTest>

#include "core/emit/export_font.h"
#include "core/font/bdf.h"
#include "core/font/face_facts.h"
#include "tests/support/projects.h"
#include "tests/support/test_case.h"
#include "tests/target/target_build.h"

using namespace gorsefinch;
using namespace support;
using namespace target;

namespace {

Bytes fileBytes(const QString& path) { return std::make_shared<const FileContents>(readFile(path).toStdString()); }

const QString kRegular = QString::fromStdString(examplePath("kiln")) + "/fonts/B612-Regular.otf";

BakedFont fontFrom(const QString& path, int size, int bits, const std::set<char32_t>& characters) {
    FontSource source;
    source.faces = {*openFace(fileBytes(path), "face", {size, bits})};
    source.settings.bits = bits;
    BakedFont font({"face", size}, source);
    font.need(characters, 1);
    font.bake();
    return font;
}

std::set<char32_t> latin() {
    std::set<char32_t> out{U'°', U'€', U'ß', U'Ω'};
    for (char32_t c = 32; c < 127; ++c)
        out.insert(c);
    return out;
}

// Every glyph of `font` is in `face` with the same box, place, advance and pixels.
QString difference(const BakedFont& font, const FaceAtSize& face) {
    for (const char32_t c : font.held()) {
        const GlyphBitmap ours = font.bitmap(c), theirs = face.glyph(c);
        const auto packed = [&](const GlyphBitmap& g) { return packCoverage(g.coverage, font.bits()); };
        if (ours.width != theirs.width || ours.height != theirs.height || ours.advance != theirs.advance ||
            packed(ours) != packed(theirs))
            return QString("U+%1: %2x%3 %4 against %5x%6 %7")
                .arg(c, 4, 16)
                .arg(ours.width)
                .arg(ours.height)
                .arg(ours.advance)
                .arg(theirs.width)
                .arg(theirs.height)
                .arg(theirs.advance);
        if (ours.width > 0 && (ours.left != theirs.left || ours.rise != theirs.rise))
            return QString("U+%1 stands elsewhere").arg(c, 4, 16);
    }
    return {};
}

int run(const QString& program, const QStringList& arguments) {
    QProcess process;
    process.setStandardErrorFile(QProcess::nullDevice());
    process.start(program, arguments);
    return process.waitForFinished(60000) ? process.exitCode() : -1;
}

}  // namespace

class TestFontTools : public QObject {
    Q_OBJECT

    QTemporaryDir dir_;

    QString file(const char* name, const std::string& text) {
        const QString path = dir_.filePath(name);
        return writeFile(path, QByteArray::fromStdString(text)) ? path : QString();
    }

  private Q_SLOTS:
    // Two glyphs of a hand-made face, the whole file.
    void bdfByHand() {
        FontSource source;
        source.faces = {*openFace(fileBytes(kRegular), "face", {8, 1})};
        source.settings.bits = 1;
        source.byHand = {{U'L', {1, 5, 5, {"#..", "#..", "#..", "#..", "###"}}},
                         {U'y', {0, 3, 4, {"#.#", "#.#", ".#.", "#.."}}}};
        BakedFont font({"tiny", 8}, source);
        font.need({U'L', U'y'}, 1);
        font.bake();
        const std::string text = writeBdf(font);
        QVERIFY2(text.find("SIZE 8 72 72\nFONTBOUNDINGBOX 4 6 0 -1\n") != std::string::npos, text.c_str());
        QVERIFY(text.find("CHARS 2\nSTARTCHAR U+004C\nENCODING 76\nSWIDTH 625 0\nDWIDTH 5 0\nBBX 3 5 1 "
                          "0\nBITMAP\n80\n80\n80\n80\nE0\nENDCHAR\n"
                          "STARTCHAR U+0079\nENCODING 121\nSWIDTH 500 0\nDWIDTH 4 0\nBBX 3 4 0 "
                          "-1\nBITMAP\nA0\nA0\n40\n80\nENDCHAR\nENDFONT\n") != std::string::npos);
    }

    void bdfComesBack_data() {
        QTest::addColumn<int>("size");
        QTest::addColumn<int>("bits");
        for (const int bits : {1, 2, 4, 8})
            for (const int size : {9, 16, 31})
                QTest::addRow("%d px %d bits", size, bits) << size << bits;
    }

    void bdfComesBack() {
        QFETCH(int, size);
        QFETCH(int, bits);
        const BakedFont font = fontFrom(kRegular, size, bits, latin());
        const auto face = openFace(std::make_shared<const FileContents>(writeBdf(font)), "out.bdf", {size, bits});
        QVERIFY(face.has_value());
        QCOMPARE(difference(font, **face), QString());
        QCOMPARE((*face)->ascent(), font.ascent());
        QCOMPARE((*face)->lineHeight(), font.lineHeight());
        QCOMPARE((*face)->characters().size(), font.held().size());
    }

    // The window system's own compiler takes it whole; what it writes is read here.
    void pcfComesBack() {
        const BakedFont font = fontFrom(kRegular, 14, 1, latin());
        const QString bdf = file("out.bdf", writeBdf(font)), pcf = dir_.filePath("out.pcf");
        QCOMPARE(run("bdftopcf", {"-o", pcf, bdf}), 0);
        const auto face = openFace(fileBytes(pcf), "out.pcf", {14, 1});
        QVERIFY(face.has_value());
        QCOMPARE(difference(font, **face), QString());
        QCOMPARE((*face)->ascent(), font.ascent());
        QCOMPARE(QString::fromStdString(faceFacts(fileBytes(pcf), "out.pcf")->format), QString("PCF"));
    }

    // A general picture tool writes a line of text with it: the same pixels as our own glyphs side by side.
    void othersDrawTheSame() {
        const std::set<char32_t> all = latin();
        const BakedFont font = fontFrom(kRegular, 16, 1, all);
        const QString bdf = file("draw.bdf", writeBdf(font));
        QProcess process;
        process.start("sh",
                      {"-c", QString("pbmtext -font '%1' -nomargins 'Kiln 42' | pnmcrop -white | pnmtopng").arg(bdf)});
        QVERIFY(process.waitForFinished(60000));
        const QImage theirs = QImage::fromData(process.readAllStandardOutput());
        QVERIFY(!theirs.isNull());
        QImage ours(200, 60, QImage::Format_RGB32);
        ours.fill(Qt::white);
        int pen = 20;
        for (const char32_t c : std::u32string(U"Kiln 42")) {
            const GlyphBitmap g = font.bitmap(c);
            for (int y = 0; y < g.height; ++y)
                for (int x = 0; x < g.width; ++x)
                    if (g.coverage[static_cast<size_t>(y) * static_cast<size_t>(g.width) + static_cast<size_t>(x)] != 0)
                        ours.setPixel(pen + g.left + x, 40 - g.rise + y, 0xff000000u);
            pen += g.advance;
        }
        QRect box;
        for (int y = 0; y < 60; ++y)
            for (int x = 0; x < 200; ++x)
                if (ours.pixel(x, y) == 0xff000000u)
                    box = box.united(QRect(x, y, 1, 1));
        QCOMPARE(theirs.size(), box.size());
        for (int y = 0; y < box.height(); ++y)
            for (int x = 0; x < box.width(); ++x)
                QVERIFY2(qGray(theirs.pixel(x, y)) == qGray(ours.pixel(box.x() + x, box.y() + y)),
                         qPrintable(QString("%1 %2").arg(x).arg(y)));
    }

    // Another converter's BDF is read here, and written again holds the same glyphs.
    void theirBdf() {
        const QString bdf = dir_.filePath("theirs.bdf");
        run("otf2bdf", {"-p", "20", "-r", "72", "-o", bdf, kRegular});
        QVERIFY(QFileInfo(bdf).size() > 1000);
        const auto facts = faceFacts(fileBytes(bdf), "theirs.bdf");
        QVERIFY(facts.has_value());
        QCOMPARE(facts->strikes, std::vector<int>{20});
        const auto face = openFace(fileBytes(bdf), "theirs.bdf", {20, 1});
        const std::vector<char32_t> characters = (*face)->characters();
        QVERIFY(characters.size() > 300);
        const BakedFont font = fontFrom(bdf, 20, 1, {characters.begin(), characters.end()});
        const auto again = openFace(std::make_shared<const FileContents>(writeBdf(font)), "again.bdf", {20, 1});
        QCOMPARE(difference(font, **again), QString());
        QCOMPARE((*again)->characters(), characters);
    }

    // Codes of another character set are characters: 0xA3 of ISO 8859-2 is Ł.
    void otherCharacterSets() {
        const std::string text =
            "STARTFONT 2.1\nFONT -misc-t-medium-r-normal--4-40-72-72-c-40-iso8859-2\nSIZE 4 72 72\nFONTBOUNDINGBOX 4 4 "
            "0 0\n"
            "STARTPROPERTIES 4\nFONT_ASCENT 4\nFONT_DESCENT 0\nCHARSET_REGISTRY \"ISO8859\"\nCHARSET_ENCODING "
            "\"2\"\nENDPROPERTIES\n"
            "CHARS 2\nSTARTCHAR a\nENCODING 97\nSWIDTH 1000 0\nDWIDTH 4 0\nBBX 4 4 0 "
            "0\nBITMAP\nF0\n90\n90\nF0\nENDCHAR\n"
            "STARTCHAR Lslash\nENCODING 163\nSWIDTH 1000 0\nDWIDTH 4 0\nBBX 4 4 0 "
            "0\nBITMAP\n80\nC0\n80\nF0\nENDCHAR\nENDFONT\n";
        const auto face = openFace(std::make_shared<const FileContents>(text), "two.bdf", {4, 1});
        QVERIFY(face.has_value());
        QCOMPARE((*face)->characters(), (std::vector<char32_t>{U'a', 0x141}));
        QCOMPARE((*face)->glyph(0x141).coverage,
                 (std::vector<uint8_t>{255, 0, 0, 0, 255, 255, 0, 0, 255, 0, 0, 0, 255, 255, 255, 255}));
        // Twice as large is each pixel twice.
        const auto twice = openFace(std::make_shared<const FileContents>(text), "two.bdf", {9, 1});
        QCOMPARE((*twice)->glyph(U'a').width, 8);
        QCOMPARE((*twice)->glyph(U'a').advance, 8);
        QCOMPARE((*twice)->lineHeight(), 8);
    }

    // Damaged faces of each kind: an error or some glyphs, never a crash.
    void damagedFaces_data() {
        QTest::addColumn<QByteArray>("file");
        const BakedFont font = fontFrom(kRegular, 14, 1, latin());
        const QString bdf = file("whole.bdf", writeBdf(font)), pcf = dir_.filePath("whole.pcf");
        QCOMPARE(run("bdftopcf", {"-o", pcf, bdf}), 0);
        QTest::newRow("bdf") << readFile(bdf);
        QTest::newRow("pcf") << readFile(pcf);
        QTest::newRow("otf") << readFile(kRegular);
        QTest::newRow("ttf") << readFile("/usr/share/fonts/truetype/dejavu/DejaVuSansMono.ttf");
    }

    void damagedFaces() {
        QFETCH(QByteArray, file);
        uint32_t state = 12345;
        const auto random = [&](uint32_t below) {
            state = state * 1664525u + 1013904223u;
            return (state >> 8) % below;
        };
        int opened = 0;
        for (int i = 0; i < 2500; ++i) {
            std::string bytes = file.toStdString();
            if (i % 5 == 0)
                bytes.resize(random(static_cast<uint32_t>(bytes.size())));
            // Damage falls on the head as often as on all the rest.
            for (uint32_t n = 1 + random(6); n > 0 && !bytes.empty(); --n)
                bytes[random(i % 2 == 0 ? std::min<uint32_t>(600, static_cast<uint32_t>(bytes.size()))
                                        : static_cast<uint32_t>(bytes.size()))] = static_cast<char>(random(256));
            const auto held = std::make_shared<const FileContents>(std::move(bytes));
            const auto face = openFace(held, "damaged", {12, i % 3 == 0 ? 1 : 4});
            if (!face)
                continue;
            ++opened;
            for (const char32_t c : {U'A', U'g', U'0', U'é'}) {
                const GlyphBitmap glyph = (*face)->glyph(c);
                QVERIFY(glyph.width <= 255 && glyph.height <= 255);
                QCOMPARE(glyph.coverage.size(), static_cast<size_t>(glyph.width) * static_cast<size_t>(glyph.height));
            }
            QVERIFY((*face)->lineHeight() >= 1 && (*face)->lineHeight() <= 255);
            if (i % 50 == 0)
                (void)faceFacts(held, "damaged");
        }
        QVERIFY(opened > 0);
    }

    void sheetsAndSources() {
        const BakedFont font = fontFrom(kRegular, 12, 4, {U'a', U'b'});
        const auto sheet = decodePicture(*exportFont(font, ".png"), "sheet");
        QVERIFY(sheet.has_value());
        // The first cell holds the a, two pixels in.
        const GlyphBitmap a = font.bitmap(U'a');
        int lit = 0, expected = 0;
        for (int y = 0; y < sheet->height; ++y)
            for (int x = 0; x < sheet->width / 16; ++x)
                lit += (sheet->at(x, y) & 0xffffff) != 0 ? 1 : 0;
        for (const uint8_t each : unpackCoverage(packCoverage(a.coverage, 4), 0, a.coverage.size(), 4))
            expected += each != 0 ? 1 : 0;
        QCOMPARE(lit, expected);
    }
};

GORSEFINCH_TEST(TestFontTools, EventLoop)
#include "tst_font_tools.moc"
