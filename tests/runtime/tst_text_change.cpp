// SPDX-License-Identifier: GPL-3.0-or-later
// Finding what differs between two texts: no pixel that differs lies outside the boxes, however the texts are aligned
// and however their glyphs overlap; and what stays the same is left alone.
#include <QtTest>
#include <random>
#include <vector>

#include "core/sim/twin.h"
#include "runtime/gorse_draw.h"
#include "tests/support/projects.h"
#include "tests/support/rounds.h"
#include "tests/support/test_case.h"

using namespace gorsefinch;
using namespace support;

namespace {

constexpr int kLineWidth = 200, kLineHeight = 40;

// A panel of grey bytes with one text in the middle of it, drawn by the runtime itself.
class Bench {
  public:
    Bench() {
        twin_ = std::make_unique<Twin>(builder_.build(withPanelOf(openKiln(), PixelFormat::Grey8)));
        twin_->step(0);
        for (const FontRef& each : scene().fonts)
            fonts_.push_back(each->record());
    }
    const BuiltScene& scene() const { return twin_->scene(); }
    const std::vector<const gorse_font*>& fonts() const { return fonts_; }

    std::vector<uint8_t> drawn(const std::string& text, const gorse_text_box& where, const gorse_font* font) {
        std::vector<uint8_t> pixels(static_cast<size_t>(kLineWidth) * kLineHeight, 0);
        gorse_canvas c{};
        c.strip.pixels = pixels.data();
        c.strip.stride = kLineWidth;
        c.clip = {0, 0, kLineWidth, kLineHeight};
        c.format = &gorse_format_grey8;
        c.run = twin_->run();
        gorse_draw_text(&c, gorse_plain_text(text.c_str()), &where, font, 0xffffffffu);
        return pixels;
    }

  private:
    SceneBuilder builder_;
    std::unique_ptr<Twin> twin_;
    std::vector<const gorse_font*> fonts_;
};

using Boxes = std::vector<gorse_rect>;

Boxes differenceOf(const std::string& before, const std::string& after, const gorse_text_box& where,
                   const gorse_font* font) {
    Boxes out;
    gorse_text_difference(
        gorse_plain_text(before.c_str()), gorse_plain_text(after.c_str()), &where, font,
        [](void* to, const gorse_rect* area) {
            if (gorse_is_empty(area) == 0)
                static_cast<Boxes*>(to)->push_back(*area);
        },
        &out);
    return out;
}

bool isInside(const Boxes& boxes, int x, int y) {
    return std::any_of(boxes.begin(), boxes.end(),
                       [&](const gorse_rect& b) { return x >= b.x0 && x < b.x1 && y >= b.y0 && y < b.y1; });
}

}  // namespace

class TestTextChange : public QObject {
    Q_OBJECT

    Bench bench_;

  private Q_SLOTS:
    void noDifferenceIsMissed_data() {
        QTest::addColumn<int>("align");
        QTest::newRow("left") << int{GORSE_ALIGN_START};
        QTest::newRow("middle") << int{GORSE_ALIGN_MIDDLE};
        QTest::newRow("right") << int{GORSE_ALIGN_END};
    }

    void noDifferenceIsMissed() {
        QFETCH(int, align);
        std::mt19937 random(3);
        const std::string letters = "0123456789.:-AVTofil °";
        const auto textOf = [&](size_t max) {
            std::string out;
            for (size_t i = std::uniform_int_distribution<size_t>(0, max)(random); i > 0; --i)
                out += letters[std::uniform_int_distribution<size_t>(0, 20)(random)];
            return out;
        };
        for (const gorse_font* font : bench_.fonts())
            for (int round = 0, end = support::rounds(120); round < end; ++round) {
                const std::string before = textOf(9);
                std::string after = textOf(9);
                // Most changes are of a character or two.
                if (round % 2 == 0 && !before.empty()) {
                    after = before;
                    after[static_cast<size_t>(round) % after.size()] =
                        letters[std::uniform_int_distribution<size_t>(0, 20)(random)];
                }
                const gorse_text_box where{
                    {10, 4, kLineWidth - 10, kLineHeight - 4}, static_cast<uint8_t>(align), GORSE_ALIGN_MIDDLE, 0};
                const Boxes boxes = differenceOf(before, after, where, font);
                const auto a = bench_.drawn(before, where, font), b = bench_.drawn(after, where, font);
                for (int y = 0; y < kLineHeight; ++y)
                    for (int x = 0; x < kLineWidth; ++x) {
                        const auto at = static_cast<size_t>(y) * kLineWidth + static_cast<size_t>(x);
                        if (a[at] != b[at])
                            QVERIFY2(isInside(boxes, x, y), qPrintable(QString("\"%1\" to \"%2\" at %3,%4")
                                                                           .arg(before.c_str(), after.c_str())
                                                                           .arg(x)
                                                                           .arg(y)));
                    }
            }
    }

    void equalTextsDifferNowhere() {
        const gorse_text_box where{{0, 0, kLineWidth, kLineHeight}, GORSE_ALIGN_END, GORSE_ALIGN_MIDDLE, 0};
        for (const gorse_font* font : bench_.fonts())
            for (const char* text : {"", "1043", "AVAV", "12:34"})
                QVERIFY(differenceOf(text, text, where, font).empty());
    }

    // Aligned at the right, a longer number leaves the digits behind it alone.
    void digitsThatStayAreLeftAlone() {
        // The largest shows the temperature, so it holds all digits.
        const gorse_font* font =
            *std::max_element(bench_.fonts().begin(), bench_.fonts().end(),
                              [](const auto* x, const auto* y) { return x->line_height < y->line_height; });
        const gorse_text_box where{{0, 0, kLineWidth, kLineHeight}, GORSE_ALIGN_END, GORSE_ALIGN_MIDDLE, 0};
        const Boxes boxes = differenceOf("043", "1043", where, font);
        QCOMPARE(boxes.size(), size_t{1});
        QVERIFY(boxes[0].x1 < kLineWidth - 10);
        const gorse_text_box left{{0, 0, kLineWidth, kLineHeight}, GORSE_ALIGN_START, GORSE_ALIGN_MIDDLE, 0};
        const Boxes last = differenceOf("1043", "1044", left, font);
        // The old and the new glyph, which the dirty list joins.
        QCOMPARE(last.size(), size_t{2});
        for (const gorse_rect& box : last)
            QVERIFY(box.x0 > boxes[0].x1 - boxes[0].x0 && box.x1 - box.x0 <= font->line_height);
    }

    void withoutAFontNothingDiffers() {
        const gorse_text_box where{{0, 0, 10, 10}, GORSE_ALIGN_START, GORSE_ALIGN_START, 0};
        QVERIFY(differenceOf("a", "b", where, nullptr).empty());
    }
};

GORSEFINCH_TEST(TestTextChange, Nothing)
#include "tst_text_change.moc"
