// SPDX-License-Identifier: GPL-3.0-or-later
// Boxes with borders and round corners: how much of each pixel is covered, alike on all sides, in whatever pieces they
// are drawn.
#include <QtTest>
#include <cmath>

#include "tests/support/grey_canvas.h"
#include "tests/support/test_case.h"

using support::GreyCanvas;

namespace {

constexpr gorse_colour kWhite = 0xffffffffu, kGrey = 0xff808080u;

gorse_look lookOf(gorse_colour fill, gorse_colour border, int width, int radius) {
    gorse_look look{};
    look.fill = fill;
    look.border = border;
    look.border_width = static_cast<uint8_t>(width);
    look.radius = static_cast<uint8_t>(radius);
    return look;
}

GreyCanvas drawn(const gorse_look& look, const gorse_rect& box, uint8_t ground = 0) {
    GreyCanvas out(100, 80, ground);
    const gorse_canvas c = out.canvas();
    gorse_draw_box(&c, &box, &look);
    return out;
}

// How much of a pixel lies in a box with round corners, 0 to 1, from 16 x 16 places in it.
double covered(const gorse_rect& box, double radius, int x, int y) {
    int inside = 0;
    for (int i = 0; i < 16; ++i)
        for (int j = 0; j < 16; ++j) {
            const double px = x + (i + 0.5) / 16, py = y + (j + 0.5) / 16;
            if (px < box.x0 || px > box.x1 || py < box.y0 || py > box.y1)
                continue;
            const double across = std::max({box.x0 + radius - px, px - (box.x1 - radius), 0.0});
            const double down = std::max({box.y0 + radius - py, py - (box.y1 - radius), 0.0});
            inside += across * across + down * down <= radius * radius;
        }
    return inside / 256.0;
}

}  // namespace

class TestBox : public QObject {
    Q_OBJECT

  private Q_SLOTS:
    void cornersCoverWhatACircleDoes() {
        for (int radius = 0; radius <= 30; ++radius) {
            const gorse_rect box{7, 5, 85, 71};
            const GreyCanvas picture = drawn(lookOf(kWhite, 0, 0, radius), box);
            double sum = 0, worst = 0;
            int edges = 0;
            for (int y = 0; y < picture.height(); ++y)
                for (int x = 0; x < picture.width(); ++x) {
                    const double wanted = covered(box, radius, x, y), got = picture.at(x, y) / 255.0;
                    worst = std::max(worst, std::abs(got - wanted));
                    if (wanted > 0 && wanted < 1) {
                        sum += got - wanted;
                        ++edges;
                    }
                    if (wanted == 0 && radius > 2)
                        QVERIFY2(got < 0.15,
                                 qPrintable(QString("radius %1 at %2,%3: %4").arg(radius).arg(x).arg(y).arg(got)));
                }
            // A pixel's edge is taken as straight, and square to the way to the middle.
            QVERIFY2(worst < (radius < 3 ? 0.35 : 0.17), qPrintable(QString("radius %1: %2").arg(radius).arg(worst)));
            if (radius > 3)
                QVERIFY2(std::abs(sum / edges) < 0.03,
                         qPrintable(QString("radius %1: %2").arg(radius).arg(sum / edges)));
        }
    }

    void allCornersAreAlike() {
        for (const int border : {0, 1, 3, 9})
            for (const int radius : {0, 1, 2, 5, 8, 13, 40})
                for (const auto& [w, h] : {std::pair{60, 40}, {41, 57}, {12, 60}, {9, 9}, {60, 3}}) {
                    const gorse_rect box{20, 10, 20 + w, 10 + h};
                    const GreyCanvas picture = drawn(lookOf(kGrey, kWhite, border, radius), box);
                    for (int y = 0; y < h; ++y)
                        for (int x = 0; x < w; ++x) {
                            const uint8_t here = picture.at(20 + x, 10 + y);
                            QCOMPARE(here, picture.at(20 + w - 1 - x, 10 + y));
                            QCOMPARE(here, picture.at(20 + x, 10 + h - 1 - y));
                        }
                    // Nothing outside.
                    for (int y = 0; y < picture.height(); ++y)
                        for (int x = 0; x < picture.width(); ++x)
                            if (x < box.x0 || x >= box.x1 || y < box.y0 || y >= box.y1)
                                QCOMPARE(int{picture.at(x, y)}, 0);
                }
    }

    // Strips, and areas of any place and size, hold what the whole picture holds there.
    void piecesMakeTheWhole() {
        const gorse_rect box{3, 4, 93, 75};
        for (const gorse_colour fill : {kGrey, gorse_colour{0x60808080u}, gorse_colour{0}})
            for (const int radius : {0, 6, 33})
                for (const int border : {0, 2, 10}) {
                    const gorse_look look = lookOf(fill, 0xc0ffffffu, border, radius);
                    const GreyCanvas whole = drawn(look, box, 30);
                    for (const auto& [across, down] : {std::pair{100, 1}, {1, 80}, {7, 11}, {64, 16}, {65, 3}}) {
                        GreyCanvas pieces(100, 80, 30);
                        for (int y = 0; y < 80; y += down)
                            for (int x = 0; x < 100; x += across) {
                                const gorse_canvas c =
                                    pieces.canvas({x, y, std::min(x + across, 100), std::min(y + down, 80)});
                                gorse_draw_box(&c, &box, &look);
                            }
                        QVERIFY2(pieces.pixels() == whole.pixels(),
                                 qPrintable(QString("radius %1, border %2, pieces of %3 x %4")
                                                .arg(radius)
                                                .arg(border)
                                                .arg(across)
                                                .arg(down)));
                    }
                }
    }

    // Through a fill that lets light pass the ground is seen, not the border's colour.
    void whatShinesThroughIsTheGround() {
        const gorse_rect box{10, 10, 70, 60};
        const GreyCanvas clear = drawn(lookOf(0, kWhite, 4, 12), box, 100);
        const GreyCanvas half = drawn(lookOf(0x80000000u, kWhite, 4, 12), box, 100);
        for (int y = 14; y < 56; ++y)
            for (int x = 30; x < 50; ++x) {
                QCOMPARE(int{clear.at(x, y)}, 100);
                QVERIFY(std::abs(half.at(x, y) - 50) <= 1);
            }
        for (int x = 25; x < 55; ++x)
            for (int y = 10; y < 14; ++y) {
                QCOMPARE(int{clear.at(x, y)}, 255);
                QCOMPARE(int{half.at(x, y)}, 255);
            }
        // On the way from the border to the ground no pixel is lighter than both.
        for (int i = 10; i < 35; ++i)
            QVERIFY(half.at(i, i) <= 255 && clear.at(i, i) >= 100);
    }

    void nothingOfNothing() {
        const GreyCanvas none = drawn(lookOf(0, kWhite, 0, 5), {10, 10, 50, 50}, 9);
        QVERIFY(none.pixels() == GreyCanvas(100, 80, 9).pixels());
        for (const gorse_rect& empty :
             {gorse_rect{10, 10, 10, 50}, {10, 10, 50, 10}, {50, 10, 20, 40}, {10, 50, 40, 20}})
            QVERIFY(drawn(lookOf(kWhite, kGrey, 3, 7), empty, 9).pixels() == GreyCanvas(100, 80, 9).pixels());
    }

    // Borders and radii beyond half the box end at half.
    void whatIsTooWideIsHeld() {
        const gorse_rect box{10, 10, 40, 30};
        QVERIFY(drawn(lookOf(kGrey, kWhite, 10, 10), box).pixels() ==
                drawn(lookOf(kGrey, kWhite, 255, 255), box).pixels());
        QCOMPARE(int{drawn(lookOf(kGrey, kWhite, 200, 0), box).at(25, 20)}, 255);
    }
};

GORSEFINCH_TEST(TestBox, Nothing)
#include "tst_box.moc"
