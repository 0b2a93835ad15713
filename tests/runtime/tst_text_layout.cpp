// SPDX-License-Identifier: GPL-3.0-or-later
// Where the glyphs of a text stand, against a layout done here from the font's tables in the plainest way.
#include <QtTest>
#include <random>

#include "core/sim/twin.h"
#include "runtime/gorse_text.h"
#include "tests/support/grey_canvas.h"
#include "tests/support/projects.h"
#include "tests/support/rounds.h"
#include "tests/support/test_case.h"

using namespace gorsefinch;
using namespace support;

namespace {

constexpr int kCanvasWidth = 220, kCanvasHeight = 120;
constexpr gorse_colour kWhite = 0xffffffffu;

struct Placed {
    const gorse_glyph* glyph;
    int x, y;
};

class PlainLayout {
  public:
    PlainLayout(const gorse_font& font, const gorse_text_box& where) : font_(font), where_(where) {}

    std::vector<Placed> place(const std::u32string& text) const {
        const std::vector<std::u32string> lines = broken(text);
        const int room = where_.box.y1 - where_.box.y0, height = font_.line_height;
        // Lines that were not wrapped begin where a single one would.
        const int all = where_.wrap != 0 ? height * static_cast<int>(lines.size()) : height;
        int y = where_.box.y0 + before(room - all, where_.place);
        std::vector<Placed> out;
        for (const std::u32string& line : lines) {
            int x = where_.box.x0 + before(where_.box.x1 - where_.box.x0 - widthOf(line), where_.align);
            int previous = -1;
            for (const char32_t c : line) {
                const int number = glyphOf(c);
                x += kernOf(previous, number);
                const gorse_glyph& glyph = font_.glyphs[number];
                out.push_back({&glyph, x, y});
                x += glyph.advance;
                previous = number;
            }
            y += height;
        }
        return out;
    }

  private:
    static int before(int free, int how) {
        return how == GORSE_ALIGN_START ? 0 : how == GORSE_ALIGN_END ? free : free / 2;
    }

    int glyphOf(char32_t c) const {
        for (int i = 0; i < font_.range_count; ++i)
            if (c >= font_.ranges[i].first && c < font_.ranges[i].first + font_.ranges[i].count)
                return font_.ranges[i].glyph + static_cast<int>(c - font_.ranges[i].first);
        return 0;
    }
    int kernOf(int left, int right) const {
        for (int i = 0; i < font_.kern_count; ++i)
            if (font_.kerns[i].left == left && font_.kerns[i].right == right)
                return font_.kerns[i].by;
        return 0;
    }
    int widthOf(const std::u32string& line) const {
        int width = 0, previous = -1;
        for (const char32_t c : line) {
            const int number = glyphOf(c);
            width += kernOf(previous, number) + font_.glyphs[number].advance;
            previous = number;
        }
        return width;
    }

    // At line breaks, and where it wraps at the last space before what is too wide, or else inside the word.
    std::vector<std::u32string> broken(const std::u32string& text) const {
        std::vector<std::u32string> out;
        std::u32string line;
        for (size_t i = 0; i < text.size(); ++i) {
            if (text[i] == U'\n') {
                out.push_back(std::exchange(line, {}));
                continue;
            }
            line += text[i];
            if (where_.wrap == 0 || text[i] == U' ' || line.size() == 1 ||
                widthOf(line) <= where_.box.x1 - where_.box.x0)
                continue;
            const size_t space = line.rfind(U' ');
            const std::u32string rest =
                space == std::u32string::npos ? line.substr(line.size() - 1) : line.substr(space + 1);
            out.push_back(space == std::u32string::npos ? line.substr(0, line.size() - 1) : line.substr(0, space));
            line.clear();
            i -= rest.size();
        }
        out.push_back(line);
        return out;
    }

    const gorse_font& font_;
    gorse_text_box where_;
};

std::string utf8(const std::u32string& text) {
    return QString::fromUcs4(text.data(), static_cast<qsizetype>(text.size())).toStdString();
}

}  // namespace

class TestTextLayout : public QObject {
    Q_OBJECT

    SceneBuilder builder_;
    BuiltSceneRef scene_;
    std::vector<const gorse_font*> fonts_;

    GreyCanvas drawn(const std::string& text, const gorse_text_box& where, const gorse_font& font,
                     const gorse_rect& clip) {
        GreyCanvas out(kCanvasWidth, kCanvasHeight);
        const gorse_canvas c = out.canvas(clip);
        gorse_draw_text(&c, gorse_plain_text(text.c_str()), &where, &font, kWhite);
        return out;
    }

    GreyCanvas expected(const std::u32string& text, const gorse_text_box& where, const gorse_font& font,
                        const gorse_rect& clip) {
        GreyCanvas out(kCanvasWidth, kCanvasHeight);
        const gorse_canvas c = out.canvas(clip);
        if (!text.empty())
            for (const Placed& each : PlainLayout(font, where).place(text))
                gorse_draw_glyph(&c, &font, each.glyph, each.x, each.y, kWhite);
        return out;
    }

  private Q_SLOTS:
    void initTestCase() {
        scene_ = builder_.build(openKiln());
        for (const FontRef& each : scene_->fonts)
            fonts_.push_back(each->record());
        QVERIFY(fonts_.size() >= 3);
    }

    void everyTextStandsWhereItShould() {
        std::mt19937 random(31);
        const std::u32string letters = U"aeimtlAVTWo.,:10437  \n\n°Ä€";
        const auto of = [&](int count) { return static_cast<int>(random() % static_cast<unsigned>(count)); };
        for (int round = 0, end = support::rounds(1500); round < end; ++round) {
            const gorse_font& font = *fonts_[static_cast<size_t>(round) % fonts_.size()];
            std::u32string text;
            for (int i = of(30); i > 0; --i)
                text += letters[static_cast<size_t>(of(static_cast<int>(letters.size())))];
            const gorse_rect box{of(60) - 10, of(40) - 10, kCanvasWidth - of(120), kCanvasHeight - of(40)};
            const gorse_text_box where{box, static_cast<uint8_t>(of(3)), static_cast<uint8_t>(of(3)),
                                       static_cast<uint8_t>(of(2))};
            const int x = of(kCanvasWidth - 1), y = of(kCanvasHeight - 1);
            const gorse_rect clip = round % 3 == 0
                                        ? gorse_rect{x, y, x + 1 + of(kCanvasWidth - x), y + 1 + of(kCanvasHeight - y)}
                                        : gorse_rect{0, 0, kCanvasWidth, kCanvasHeight};
            const bool same =
                drawn(utf8(text), where, font, clip).pixels() == expected(text, where, font, clip).pixels();
            QVERIFY2(same, qPrintable(QString("round %1: \"%2\", align %3, place %4, wrap %5, room %6")
                                          .arg(round)
                                          .arg(utf8(text).c_str())
                                          .arg(where.align)
                                          .arg(where.place)
                                          .arg(where.wrap)
                                          .arg(box.x1 - box.x0)));
        }
    }

    // A word that is broken ends its line with its last glyph: the kerning to the next one does not count.
    void kerningBehindABrokenWord() {
        const std::u32string text = U"AVAVAWATAVA.ToWA AVAVATA";
        const gorse_rect all{0, 0, kCanvasWidth, kCanvasHeight};
        for (const gorse_font* font : fonts_)
            for (const uint8_t align : {GORSE_ALIGN_MIDDLE, GORSE_ALIGN_END})
                for (int room = 20; room < 140; ++room) {
                    const gorse_text_box where{{5, 3, 5 + room, 60}, align, GORSE_ALIGN_START, 1};
                    QVERIFY2(
                        drawn(utf8(text), where, *font, all).pixels() == expected(text, where, *font, all).pixels(),
                        qPrintable(QString("align %1, room %2").arg(align).arg(room)));
                }
    }

    // A broken sequence shows the box for a missing character once for each of its beginnings, and reading goes on.
    void brokenTextsShowTheMissingBox_data() {
        QTest::addColumn<QByteArray>("text");
        QTest::addColumn<QString>("as");
        const QString box = QChar(0xfffd);
        QTest::newRow("a lone later byte") << QByteArray(
                                                  "1\x80"
                                                  "2")
                                           << "1" + box + "2";
        QTest::newRow("cut by a letter") << QByteArray(
                                                "1\xe2\x82"
                                                "2")
                                         << "1" + box + "2";
        QTest::newRow("cut by the end") << QByteArray("12\xe2\x82") << "12" + box;
        QTest::newRow("too long a form") << QByteArray("1\xc0\xb1") << "1" + box + box;
        QTest::newRow("beyond what there is") << QByteArray(
                                                     "\xf8\x88\x80\x80"
                                                     "1")
                                              << box + box + box + box + "1";
        QTest::newRow("whole ones") << QByteArray("\xc2\xb0\xe2\x82\xac") << QString("\u00b0\u20ac");
    }

    void brokenTextsShowTheMissingBox() {
        QFETCH(QByteArray, text);
        QFETCH(QString, as);
        const gorse_text_box where{{2, 2, kCanvasWidth, kCanvasHeight}, GORSE_ALIGN_START, GORSE_ALIGN_START, 0};
        const gorse_rect whole{0, 0, kCanvasWidth, kCanvasHeight};
        for (const gorse_font* font : fonts_)
            QVERIFY(drawn(text.toStdString(), where, *font, whole).pixels() ==
                    expected(as.toStdU32String(), where, *font, whole).pixels());
        // The reader never runs past the end, whatever stands there.
        uint16_t at = 0;
        int characters = 0;
        while (gorse_next_character(gorse_plain_text(text.constData()), &at) != 0) {
            ++characters;
            QVERIFY(at <= text.size());
        }
        QCOMPARE(characters, as.size());
    }

    // Any bytes at all are drawn without leaving the box's clip or reading past the text.
    void anyBytesAreDrawn() {
        std::mt19937 random(32);
        const gorse_rect clip{20, 10, 120, 60};
        for (int round = 0, end = support::rounds(2000); round < end; ++round) {
            std::string bytes;
            for (auto i = random() % 40; i > 0; --i)
                bytes += static_cast<char>(1 + random() % 255);
            const gorse_text_box where{{10, 5, 130, 70},
                                       static_cast<uint8_t>(round % 3),
                                       static_cast<uint8_t>(round / 3 % 3),
                                       static_cast<uint8_t>(round % 2)};
            const std::vector<char> exact(bytes.c_str(), bytes.c_str() + bytes.size() + 1);
            const GreyCanvas picture =
                drawn(exact.data(), where, *fonts_[static_cast<size_t>(round) % fonts_.size()], clip);
            for (int y = 0; y < kCanvasHeight; ++y)
                for (int x = 0; x < kCanvasWidth; ++x)
                    if (x < clip.x0 || x >= clip.x1 || y < clip.y0 || y >= clip.y1)
                        QCOMPARE(int{picture.at(x, y)}, 0);
        }
    }
};

GORSEFINCH_TEST(TestTextLayout, Nothing)
#include "tst_text_layout.moc"
