// SPDX-License-Identifier: GPL-3.0-or-later
// Shapes cover of each pixel what lies inside their outline: against places in it, mirrored, next to each other
// and in whatever parts they are drawn.
#include <QtTest>
#include <cmath>
#include <random>

#include "runtime/gorse_cover.h"
#include "tests/support/rounds.h"
#include "tests/support/test_case.h"

namespace {

constexpr int kSide = 96, kPart = 20;
constexpr double kDegree = 3.14159265358979323846 / 180;
using Coverage = std::vector<int>;
using Outline = std::vector<std::pair<int, int>>;  // 1/64 pixel

size_t at(int x, int y) { return static_cast<size_t>(y) * kSide + static_cast<size_t>(x); }

// The coverage of all pixels, drawn in parts that begin at `first`.
template <typename Trace>
Coverage covered(const Trace& trace, int first = 0) {
    Coverage out(kSide * kSide);
    for (int y = 0; y < kSide; ++y)
        for (int x = first; x < kSide; x += kPart) {
            gorse_cover part;
            const int n = std::min(kPart, kSide - x);
            gorse_cover_begin(&part, 0, x, y, static_cast<uint16_t>(n));
            trace(part);
            const uint8_t* coverage = gorse_cover_end(&part);
            for (int i = std::max(0, -x); i < n; ++i)
                out[at(x + i, y)] = coverage[i];
        }
    return out;
}

void traceOutline(gorse_cover& part, const Outline& outline) {
    for (size_t i = 0; i < outline.size(); ++i) {
        const auto& [x0, y0] = outline[i];
        const auto& [x1, y1] = outline[(i + 1) % outline.size()];
        const gorse_fine from{x0, y0}, end{x1, y1};
        gorse_cover_line(&part, &from, &end);
    }
}

Coverage polygon(const Outline& outline, int first = 0) {
    return covered([&](gorse_cover& part) { traceOutline(part, outline); }, first);
}

// An ellipse with a hole of a part of its radius and, unless they are equal, between two angles.
struct Sector {
    gorse_ellipse outer, inner;
    int from = 0, to = 0;
};

void traceSector(gorse_cover& part, const Sector& s) {
    const auto from = static_cast<uint16_t>(s.from * GORSE_DEGREE), to = static_cast<uint16_t>(s.to * GORSE_DEGREE);
    gorse_cover_ring(&part, &s.outer, &s.inner, from, to);
}

Coverage sector(const Sector& s, int first = 0) {
    return covered([&](gorse_cover& part) { traceSector(part, s); }, first);
}

Sector randomSector(std::mt19937& random, bool round) {
    const auto any = [&](int from, int to) { return std::uniform_int_distribution<int>(from, to)(random); };
    Sector s;
    const int w = any(1, 90), h = round ? w : any(1, 90), x = any(0, kSide - w), y = any(0, kSide - h);
    const int hole = any(0, 2) == 0 ? 0 : any(1, 95);
    s.outer = {{x * 64 + w * 32, y * 64 + h * 32}, {w * 32, h * 32}};
    s.inner = {s.outer.centre, {s.outer.radius.x * hole / 100, s.outer.radius.y * hole / 100}};
    if (any(0, 3) != 0) {
        s.from = any(0, 359);
        s.to = any(0, 359);
    }
    return s;
}

// How much of a pixel is inside, 0 to 255, from places x places in it.
template <typename Inside>
double sampledAt(const Inside& inside, int x, int y, int places) {
    int count = 0;
    for (int i = 0; i < places; ++i)
        for (int k = 0; k < places; ++k)
            count += inside(x + (i + 0.5) / places, y + (k + 0.5) / places) ? 1 : 0;
    return count * 255.0 / (places * places);
}

bool isInside(const Sector& s, double x, double y) {
    const auto within = [&](const gorse_ellipse& e) {
        const double dx = (x * 64 - e.centre.x) / e.radius.x, dy = (y * 64 - e.centre.y) / e.radius.y;
        return e.radius.x > 0 && e.radius.y > 0 && dx * dx + dy * dy <= 1;
    };
    if (!within(s.outer) || within(s.inner))
        return false;
    if (s.from == s.to)
        return true;
    // The angles are those of a circle that was squeezed to the ellipse.
    double angle =
        std::atan2((x * 64 - s.outer.centre.x) / s.outer.radius.x, -(y * 64 - s.outer.centre.y) / s.outer.radius.y) /
        kDegree;
    angle -= s.from;
    angle -= std::floor(angle / 360) * 360;
    return angle < (s.to - s.from + 360) % 360;
}

bool isInside(const Outline& outline, double x, double y) {
    int turns = 0;
    for (size_t i = 0; i < outline.size(); ++i) {
        const auto [x0, y0] = outline[i];
        const auto [x1, y1] = outline[(i + 1) % outline.size()];
        const double level = y * 64;
        if ((y0 <= level) != (y1 <= level) && x0 + (level - y0) * (x1 - x0) / double(y1 - y0) < x * 64)
            turns += y0 < y1 ? 1 : -1;
    }
    return turns != 0;
}

// How far coverages are from the samples, in parts of full coverage.
struct Errors {
    double sum = 0, worst = 0;
    int edges = 0;

    // Against 16 x 16 places in each pixel. They miss up to 1/32 of it for each edge that crosses it, and several do
    // where a shape is as thin as a pixel: what seems wrong is held against more places.
    template <typename Inside>
    void add(const Coverage& got, const Inside& inside) {
        for (int y = 0; y < kSide; ++y)
            for (int x = 0; x < kSide; ++x) {
                const double wanted = sampledAt(inside, x, y, 16);
                double error = std::abs(got[at(x, y)] - wanted) / 255;
                if (error > 0.06)
                    error = std::abs(got[at(x, y)] - sampledAt(inside, x, y, 128)) / 255;
                worst = std::max(worst, error);
                if (wanted > 0 && wanted < 255) {
                    sum += error;
                    ++edges;
                }
            }
    }
    double mean() const { return sum / std::max(edges, 1); }
};

// A polygon that goes once round its middle.
Outline randomOutline(std::mt19937& random) {
    const auto any = [&](int from, int to) { return std::uniform_int_distribution<int>(from, to)(random); };
    const int corners = any(3, 12), turn = any(0, 359);
    Outline out;
    for (int i = 0; i < corners; ++i) {
        const double angle = (turn + 360.0 * i / corners) * kDegree, radius = any(300, 3000);
        out.emplace_back(kSide * 32 + static_cast<int>(std::lround(radius * std::sin(angle))),
                         kSide * 32 - static_cast<int>(std::lround(radius * std::cos(angle))));
    }
    return out;
}

Coverage mirrored(const Coverage& of, bool across) {
    Coverage out(of.size());
    for (int y = 0; y < kSide; ++y)
        for (int x = 0; x < kSide; ++x)
            out[at(x, y)] = of[across ? at(kSide - 1 - x, y) : at(x, kSide - 1 - y)];
    return out;
}

}  // namespace

class TestCover : public QObject {
    Q_OBJECT

  private Q_SLOTS:
    void polygonsCoverTheirArea() {
        std::mt19937 random(7);
        Errors errors;
        for (int round = 0, end = support::rounds(30); round < end; ++round) {
            const Outline outline = randomOutline(random);
            errors.add(polygon(outline), [&](double x, double y) { return isInside(outline, x, y); });
        }
        QVERIFY2(errors.mean() < 0.02 && errors.worst < 0.08,
                 qPrintable(QString("mean %1 worst %2").arg(errors.mean()).arg(errors.worst)));
    }

    void sectorsCoverTheirArea() {
        std::mt19937 random(8);
        for (const bool round : {true, false}) {
            Errors errors;
            for (int i = 0, end = support::rounds(30); i < end; ++i) {
                const Sector s = randomSector(random, round);
                errors.add(sector(s), [&](double x, double y) { return isInside(s, x, y); });
            }
            QVERIFY2(errors.mean() < 0.02 && errors.worst < 0.08,
                     qPrintable(QString("mean %1 worst %2").arg(errors.mean()).arg(errors.worst)));
        }
    }

    void sectorsOfADiscSumToIt() {
        std::mt19937 random(9);
        for (int i = 0; i < 100; ++i) {
            Sector whole = randomSector(random, i % 2 == 0), one = whole, other = whole;
            one.from = other.to = i * 37 % 360;
            one.to = other.from = (i * 37 + 1 + i * 3) % 360;
            whole.from = whole.to = 0;
            if (one.from == one.to)
                continue;
            const Coverage all = sector(whole), first = sector(one), second = sector(other);
            for (size_t k = 0; k < all.size(); ++k)
                QVERIFY2(std::abs(first[k] + second[k] - all[k]) <= 2,
                         qPrintable(QString("%1: %2 + %3, %4").arg(i).arg(first[k]).arg(second[k]).arg(all[k])));
        }
    }

    void mirroredShapesAreAlike() {
        std::mt19937 random(10);
        for (int i = 0; i < 60; ++i) {
            Sector s = randomSector(random, i % 2 == 0);
            s.outer.centre = s.inner.centre = {kSide * 32, kSide * 32};
            s.from = s.to = 0;
            const Coverage disc = sector(s);
            QCOMPARE(mirrored(disc, true), disc);
            QCOMPARE(mirrored(disc, false), disc);
            Outline outline = randomOutline(random);
            const Coverage plain = polygon(outline);
            for (auto& [x, y] : outline)
                x = kSide * 64 - x;
            QCOMPARE(mirrored(polygon(outline), true), plain);
            for (auto& [x, y] : outline) {
                x = kSide * 64 - x;
                y = kSide * 64 - y;
            }
            QCOMPARE(mirrored(polygon(outline), false), plain);
        }
    }

    void roundOnesAreAlikeEightWays() {
        for (int size = 1; size <= 90; ++size) {
            const Sector s{{{kSide * 32, kSide * 32}, {size * 32, size * 32}}, {{kSide * 32, kSide * 32}, {0, 0}}};
            const Coverage disc = sector(s);
            int worst = 0;
            for (int y = 0; y < kSide; ++y)
                for (int x = 0; x < kSide; ++x)
                    worst = std::max(worst, std::abs(disc[at(x, y)] - disc[at(y, x)]));
            QVERIFY2(worst <= 8, qPrintable(QString("%1: %2").arg(size).arg(worst)));
        }
    }

    void partsMayBeginAnywhere() {
        std::mt19937 random(11);
        for (int i = 0; i < 30; ++i) {
            const Outline outline = randomOutline(random);
            const Sector s = randomSector(random, false);
            for (const int first : {-1, -7, -19}) {
                QCOMPARE(polygon(outline, first), polygon(outline));
                QCOMPARE(sector(s, first), sector(s));
            }
        }
    }

    // Points that coincide, lie far outside, or make no area; and coordinates as large as rules can make them.
    void degenerateOutlines() {
        const auto isEmpty = [](const Coverage& all) { return std::ranges::all_of(all, [](int c) { return c == 0; }); };
        const auto isFull = [](const Coverage& all) {
            return std::ranges::all_of(all, [](int c) { return c == 255; });
        };
        QVERIFY(isEmpty(polygon({})) && isEmpty(polygon({{640, 640}})) && isEmpty(polygon({{640, 640}, {1280, 1300}})));
        QVERIFY(isEmpty(polygon({{640, 640}, {640, 640}, {640, 640}})));
        const int far = 32767 * 64;
        QVERIFY(isFull(polygon({{-far, -far}, {far, -far}, {far, far}, {-far, far}})));
        QVERIFY(isFull(polygon({{-far, far}, {far, far}, {far, -far}, {-far, -far}})));
        QVERIFY(isEmpty(polygon({{far - 64, -far}, {far, -far}, {far, far}})));
        QVERIFY(isFull(sector({{{0, 0}, {far, far}}, {{0, 0}, {0, 0}}})));
        QVERIFY(isEmpty(sector({{{0, 0}, {far, far}}, {{0, 0}, {far, far}}})));
        const Sector cut{{{kSide * 32, kSide * 32}, {far, far}}, {{kSide * 32, kSide * 32}, {0, 0}}, 90, 270};
        const Coverage half = sector(cut);
        for (int y = 0; y < kSide; ++y)
            QCOMPARE(half[at(5, y)], y < kSide / 2 ? 0 : 255);
    }
};

GORSEFINCH_TEST(TestCover, Nothing)
#include "tst_cover.moc"
