// SPDX-License-Identifier: GPL-3.0-or-later
// Strokes and areas of points: what they cover against 16 x 16 places in each pixel, their borders, dashes and ends,
// and how crisp they are on one bit.
#include <QtTest>
#include <cmath>
#include <random>

#include "core/sim/twin.h"
#include "tests/support/projects.h"
#include "tests/support/rounds.h"
#include "tests/support/test_case.h"

using namespace gorsefinch;
using namespace support;

namespace {

constexpr int kOutlineSide = 48;

struct Place {
    double x = 0, y = 0;
};
Place operator+(Place a, Place b) { return {a.x + b.x, a.y + b.y}; }
Place operator-(Place a, Place b) { return {a.x - b.x, a.y - b.y}; }
Place operator*(Place a, double by) { return {a.x * by, a.y * by}; }
double dotOf(Place a, Place b) { return a.x * b.x + a.y * b.y; }
double crossOf(Place a, Place b) { return a.x * b.y - a.y * b.x; }
Place unit(Place a) { return a * (1 / std::hypot(a.x, a.y)); }

// White on black, in a box as large as the panel.
Picture drawn(Kind kind, PropertyMap properties, PixelFormat format = PixelFormat::Grey8) {
    Document document = withPanelOf(makeDocument(), format, 0, kOutlineSide, kOutlineSide);
    for (const auto& [key, value] : PropertyMap{{"colour", opaque(0xFFFFFF)}})
        properties.emplace(key, value);
    document = addWidgets(document, "first",
                          {makeWidget("shape", kind, 0, 0, kOutlineSide, kOutlineSide, std::move(properties))});
    SceneBuilder builder;
    Twin twin(builder.build(document));
    twin.step(0);
    return twin.memory().picture();
}

int level(const Picture& picture, int x, int y) { return static_cast<int>(picture.at(x, y) & 255); }

bool isInConvex(const std::vector<Place>& corners, Place at) {
    bool left = true, right = true;
    for (size_t i = 0; i < corners.size(); ++i) {
        const double side = crossOf(corners[(i + 1) % corners.size()] - corners[i], at - corners[i]);
        left = left && side <= 0;
        right = right && side >= 0;
    }
    return left || right;
}

// What a stroke is meant to cover: its edges, and at its points discs, or mitres and bevels.
class Stroke {
  public:
    Stroke(const PointList& points, int thickness, bool round) : half_(thickness / 2.0), round_(round) {
        const double offset = thickness % 2 != 0 ? 0.5 : 0;
        for (const Point& each : points)
            if (points_.empty() || points_.back().x != each.x + offset || points_.back().y != each.y + offset)
                points_.push_back({each.x + offset, each.y + offset});
        if (!round && thickness % 2 != 0 && points_.size() > 1) {
            points_.front() = points_.front() - unit(points_[1] - points_[0]) * 0.5;
            points_.back() = points_.back() + unit(points_.back() - points_[points_.size() - 2]) * 0.5;
        }
    }

    bool covers(Place at) const {
        for (size_t i = 0; i + 1 < points_.size(); ++i) {
            const Place from = points_[i], along = unit(points_[i + 1] - from), off = at - from;
            const double length = std::hypot(points_[i + 1].x - from.x, points_[i + 1].y - from.y);
            if (std::abs(crossOf(along, off)) <= half_ && dotOf(along, off) >= 0 && dotOf(along, off) <= length)
                return true;
            if (round_ ? std::hypot(off.x, off.y) <= half_ : i > 0 && coversCorner(i, at))
                return true;
        }
        return round_ && std::hypot(at.x - points_.back().x, at.y - points_.back().y) <= half_;
    }

  private:
    bool coversCorner(size_t i, Place at) const {
        const Place was = unit(points_[i] - points_[i - 1]), is = unit(points_[i + 1] - points_[i]);
        const double side = crossOf(was, is) > 0 ? half_ : -half_, open = 1 + dotOf(was, is);
        const Place a = Place{was.y, -was.x} * side, b = Place{is.y, -is.x} * side;
        std::vector<Place> corners{points_[i], points_[i] + a, points_[i] + b};
        if (open > 1e-9 && std::hypot((a + b).x / open, (a + b).y / open) <= 2.5 * half_)
            corners.insert(corners.begin() + 2, points_[i] + (a + b) * (1 / open));
        return isInConvex(corners, at);
    }

    std::vector<Place> points_;
    double half_;
    bool round_;
};

struct StrokeErrors {
    double sum = 0, worst = 0;
    int edges = 0, bad = 0;

    template <typename Covers>
    void add(const Picture& picture, const Covers& covers) {
        for (int y = 0; y < kOutlineSide; ++y)
            for (int x = 0; x < kOutlineSide; ++x) {
                int count = 0;
                for (int i = 0; i < 16; ++i)
                    for (int k = 0; k < 16; ++k)
                        count += covers(Place{x + (i + 0.5) / 16, y + (k + 0.5) / 16}) ? 1 : 0;
                const double error = std::abs(level(picture, x, y) / 255.0 - count / 256.0);
                worst = std::max(worst, error);
                bad += error > 0.08 ? 1 : 0;
                if (count > 0 && count < 256) {
                    sum += error;
                    ++edges;
                }
            }
    }
    double mean() const { return sum / std::max(edges, 1); }
    QString text() const {
        return QString("mean %1, worst %2, %3 of %4 beyond 8%").arg(mean()).arg(worst).arg(bad).arg(edges);
    }
};

PropertyMap strokeOf(const PointList& points, int thickness, const char* ends) {
    return {{"points", points}, {"thickness", int64_t{thickness}}, {"ends", std::string(ends)}};
}

// Points so far apart, and turns so wide, that each edge has room for its mitres.
PointList roomyPoints(std::mt19937& random, int thickness) {
    const auto any = [&](int from, int to) { return std::uniform_int_distribution<int>(from, to)(random); };
    PointList out{{any(4, 44), any(4, 44)}};
    const int count = any(2, 5);
    for (int tries = 0; static_cast<int>(out.size()) < count && tries < 1000; ++tries) {
        const Point next{any(4, 44), any(4, 44)};
        const Place along{double(next.x - out.back().x), double(next.y - out.back().y)};
        if (std::hypot(along.x, along.y) < 3 * thickness + 2)
            continue;
        if (out.size() > 1) {
            const Point &was = out[out.size() - 2], &is = out.back();
            if (dotOf(unit(along), unit({double(is.x - was.x), double(is.y - was.y)})) < -0.5)
                continue;
        }
        out.push_back(next);
    }
    return out;
}

// True if two edges that are not neighbours come so near that their pixels touch.
bool touchesItself(const PointList& points, int thickness) {
    for (size_t i = 0; i + 1 < points.size(); ++i)
        for (size_t k = i + 2; k + 1 < points.size(); ++k)
            for (int a = 0; a <= 32; ++a)
                for (int b = 0; b <= 32; ++b) {
                    const auto on = [&](size_t edge, int part) {
                        return Place{points[edge].x + (points[edge + 1].x - points[edge].x) * part / 32.0,
                                     points[edge].y + (points[edge + 1].y - points[edge].y) * part / 32.0};
                    };
                    const Place off = on(i, a) - on(k, b);
                    if (std::hypot(off.x, off.y) < thickness * 3 + 3)
                        return true;
                }
    return false;
}

int countLit(const Picture& picture) {
    int out = 0;
    for (int y = 0; y < kOutlineSide; ++y)
        for (int x = 0; x < kOutlineSide; ++x)
            out += level(picture, x, y) != 0 ? 1 : 0;
    return out;
}

size_t pixelAt(int x, int y) { return static_cast<size_t>(y) * kOutlineSide + static_cast<size_t>(x); }

std::string row(const Picture& picture, int y, int width = 12) {
    std::string out;
    for (int x = 0; x < width; ++x)
        out += level(picture, x, y) == 255 ? '#' : level(picture, x, y) == 0 ? '.' : '+';
    return out;
}

}  // namespace

class TestOutlines : public QObject {
    Q_OBJECT

  private Q_SLOTS:
    void strokesCoverTheirArea() {
        std::mt19937 random(21);
        for (const char* ends : {"round", "flat"}) {
            StrokeErrors errors;
            for (int i = 0, end = support::rounds(80); i < end; ++i) {
                const int thickness = 1 + static_cast<int>(random() % 8);
                const PointList points = roomyPoints(random, thickness);
                if (touchesItself(points, thickness))
                    continue;
                const Stroke stroke(points, thickness, std::string(ends) == "round");
                errors.add(drawn(Kind::Line, strokeOf(points, thickness, ends)),
                           [&](Place at) { return stroke.covers(at); });
            }
            QVERIFY2(errors.edges > 3000 && errors.mean() < 0.02 && errors.worst < 0.08, qPrintable(errors.text()));
        }
    }

    // Where edges are too short for their corners, or the stroke meets itself, pixels at the meeting may get too much.
    void anyStrokeIsNearlyRight() {
        std::mt19937 random(22);
        for (const char* ends : {"round", "flat"}) {
            StrokeErrors errors;
            for (int i = 0, end = support::rounds(60); i < end; ++i) {
                PointList points(2 + random() % 7);
                for (Point& each : points)
                    each = {static_cast<int>(random() % 60) - 6, static_cast<int>(random() % 60) - 6};
                const int thickness = 1 + static_cast<int>(random() % 10);
                const Stroke stroke(points, thickness, std::string(ends) == "round");
                errors.add(drawn(Kind::Line, strokeOf(points, thickness, ends)),
                           [&](Place at) { return stroke.covers(at); });
            }
            QVERIFY2(errors.mean() < 0.02 && errors.bad * 100 < errors.edges * 5, qPrintable(errors.text()));
        }
    }

    // Straight strokes are whole pixels: an odd one lies on its pixels, an even one between them.
    void straightStrokesAreCrisp() {
        const auto lit = [](int thickness, const PointList& points) {
            return drawn(Kind::Line, strokeOf(points, thickness, "flat"));
        };
        Picture p = lit(1, {{2, 3}, {8, 3}});
        QCOMPARE(row(p, 3), std::string("..#######..."));
        QCOMPARE(countLit(p), 7);
        p = lit(2, {{2, 3}, {8, 3}});
        QCOMPARE(row(p, 2), std::string("..######...."));
        QCOMPARE(row(p, 3), std::string("..######...."));
        QCOMPARE(countLit(p), 12);
        p = lit(3, {{5, 2}, {5, 9}, {10, 9}});
        QCOMPARE(row(p, 1), std::string("............"));
        QCOMPARE(row(p, 2), std::string("....###....."));
        QCOMPARE(row(p, 8), std::string("....#######."));
        QCOMPARE(row(p, 10), std::string("....#######."));
        QCOMPARE(countLit(p), 3 * 6 + 3 * 7);
        // Closed: the first corner is pointed, too.
        p = lit(1, {{2, 2}, {9, 2}, {9, 6}, {2, 6}, {2, 2}});
        QCOMPARE(row(p, 2), std::string("..########.."));
        QCOMPARE(row(p, 4), std::string("..#......#.."));
        QCOMPARE(countLit(p), 8 * 2 + 3 * 2);
    }

    void dashesRepeatAlongTheStroke() {
        PropertyMap dashed = strokeOf({{0, 1}, {11, 1}}, 1, "flat");
        dashed["dash"] = int64_t{3};
        dashed["dash_gap"] = int64_t{2};
        dashed["points"] = PointList{{0, 0}, {12, 0}};
        dashed["thickness"] = int64_t{2};
        QCOMPARE(row(drawn(Kind::Line, dashed), 0), std::string("###..###..##"));
        // They go on behind a corner where they have got to.
        dashed["points"] = PointList{{4, 1}, {10, 1}, {10, 11}};
        const Picture p = drawn(Kind::Line, dashed);
        QCOMPARE(row(p, 1), std::string("....###..##."));
        std::string down;
        for (int y = 2; y < 11; ++y)
            down += level(p, 9, y) == 255 ? '#' : '.';
        QCOMPARE(down, std::string("#..###..#"));
    }

    void areasAndTheirBorders() {
        const PropertyMap square{{"points", PointList{{2, 2}, {10, 2}, {10, 8}, {2, 8}}},
                                 {"fill", opaque(0xFFFFFF)},
                                 {"border", opaque(0x808080)},
                                 {"border_width", int64_t{2}}};
        for (const bool reversed : {false, true}) {
            PropertyMap properties = square;
            if (reversed)
                properties["points"] = PointList{{2, 8}, {10, 8}, {10, 2}, {2, 2}};
            const Picture p = drawn(Kind::Polygon, properties);
            QCOMPARE(row(p, 2), std::string("..++++++++.."));
            QCOMPARE(row(p, 4), std::string("..++####++.."));
            QCOMPARE(row(p, 8), std::string("............"));
        }
        // A border that leaves nothing inside.
        PropertyMap full = square;
        full["border_width"] = int64_t{3};
        QCOMPARE(row(drawn(Kind::Polygon, full), 4), std::string("..++++++++.."));
        full["border_width"] = int64_t{64};
        QCOMPARE(row(drawn(Kind::Polygon, full), 4), std::string("..++++++++.."));
    }

    void areasCoverTheirArea() {
        std::mt19937 random(23);
        StrokeErrors errors;
        for (int i = 0, end = support::rounds(60); i < end; ++i) {
            PointList points;
            const int corners = 3 + static_cast<int>(random() % 8);
            for (int k = 0; k < corners; ++k) {
                const double angle = 6.283185 * k / corners, radius = 6 + static_cast<double>(random() % 18);
                points.push_back({static_cast<int>(std::lround(24 + radius * std::sin(angle))),
                                  static_cast<int>(std::lround(24 - radius * std::cos(angle)))});
            }
            errors.add(drawn(Kind::Polygon, {{"points", points}, {"fill", opaque(0xFFFFFF)}}), [&](Place at) {
                int turns = 0;
                for (size_t k = 0; k < points.size(); ++k) {
                    const Point &a = points[k], &b = points[(k + 1) % points.size()];
                    if ((a.y <= at.y) != (b.y <= at.y) && a.x + (at.y - a.y) * (b.x - a.x) / double(b.y - a.y) < at.x)
                        turns += a.y < b.y ? 1 : -1;
                }
                return turns != 0;
            });
        }
        QVERIFY2(errors.mean() < 0.02 && errors.worst < 0.08, qPrintable(errors.text()));
    }

    // On one bit a stroke of one pixel is one in each column or row, and ends in its points.
    void thinStrokesOnOneBit() {
        std::mt19937 random(24);
        for (int i = 0; i < 300; ++i) {
            const Point a{static_cast<int>(random() % 48), static_cast<int>(random() % 48)};
            const Point b{static_cast<int>(random() % 48), static_cast<int>(random() % 48)};
            for (const char* ends : {"flat", "round"}) {
                const Picture p = drawn(Kind::Line, strokeOf({a, b}, 1, ends), PixelFormat::Row1);
                const int across = std::abs(a.x - b.x), down = std::abs(a.y - b.y);
                QVERIFY2(level(p, a.x, a.y) != 0 && level(p, b.x, b.y) != 0,
                         qPrintable(QString("%1,%2 %3,%4").arg(a.x).arg(a.y).arg(b.x).arg(b.y)));
                QCOMPARE(countLit(p), std::max(across, down) + 1);
            }
        }
    }

    // An outline of one pixel is closed and nowhere thicker than that takes: each of its pixels has one beside it that
    // is outside.
    void outlinesOnOneBit() {
        for (int size = 3; size <= 44; ++size) {
            Document document = withPanelOf(makeDocument(), PixelFormat::Row1, 0, kOutlineSide, kOutlineSide);
            const PropertyMap outlined{{"fill", Colour{0}}, {"border", opaque(0xFFFFFF)}, {"border_width", int64_t{1}}};
            document = addWidgets(document, "first", {makeWidget("disc", Kind::Disc, 2, 2, size, size, outlined)});
            SceneBuilder builder;
            Twin twin(builder.build(document));
            twin.step(0);
            const Picture p = twin.memory().picture();
            const auto lit = [&](int x, int y) {
                return x >= 0 && y >= 0 && x < kOutlineSide && y < kOutlineSide && level(p, x, y) != 0;
            };
            // What can be reached from a corner without crossing the outline by a side.
            std::vector<bool> outside(kOutlineSide * kOutlineSide);
            std::vector<std::pair<int, int>> open{{0, 0}};
            while (!open.empty()) {
                const auto [x, y] = open.back();
                open.pop_back();
                if (x < 0 || y < 0 || x >= kOutlineSide || y >= kOutlineSide || lit(x, y) || outside[pixelAt(x, y)])
                    continue;
                outside[pixelAt(x, y)] = true;
                for (const auto& [dx, dy] : {std::pair(1, 0), {-1, 0}, {0, 1}, {0, -1}})
                    open.emplace_back(x + dx, y + dy);
            }
            const auto isOutside = [&](int x, int y) { return outside[pixelAt(x, y)]; };
            QVERIFY2(!isOutside(2 + size / 2, 2 + size / 2), qPrintable(QString::number(size)));
            for (int y = 1; y < kOutlineSide - 1; ++y)
                for (int x = 1; x < kOutlineSide - 1; ++x) {
                    if (lit(x, y))
                        QVERIFY2(
                            isOutside(x + 1, y) || isOutside(x - 1, y) || isOutside(x, y + 1) || isOutside(x, y - 1),
                            qPrintable(QString("%1: %2,%3").arg(size).arg(x).arg(y)));
                    const int mirrored = 3 + size - x;
                    if (mirrored >= 0 && mirrored < kOutlineSide)
                        QCOMPARE(lit(x, y), lit(mirrored, y));
                    if (x < size + 2 && y < size + 2)
                        QCOMPARE(lit(x, y), lit(y, x));
                }
        }
    }

    // Points that coincide, turn back or lie far away draw what is left of them, and nothing outside the box.
    void degeneratePoints() {
        const PointList cases[] = {{{5, 5}, {5, 5}},
                                   {{5, 5}, {20, 5}, {5, 5}},
                                   {{5, 5}, {5, 5}, {30, 30}},
                                   {{-4096, -4096}, {4096, 4096}},
                                   {{4096, 7}, {-4096, 8}, {4096, 9}},
                                   {{5, 5}, {6, 5}, {5, 6}, {5, 5}},
                                   {{5, 5}, {20, 20}, {5, 20}, {20, 5}}};
        for (const PointList& points : cases)
            for (const char* ends : {"flat", "round"})
                for (const int thickness : {1, 2, 64})
                    for (const int dash : {0, 1, 255}) {
                        PropertyMap properties = strokeOf(points, thickness, ends);
                        properties["dash"] = int64_t{dash};
                        properties["dash_gap"] = int64_t{dash};
                        Document document = withPanelOf(makeDocument(), PixelFormat::Grey8, 0, 60, 60);
                        properties["colour"] = opaque(0xFFFFFF);
                        document =
                            addWidgets(document, "first", {makeWidget("l", Kind::Line, 10, 10, 40, 40, properties)});
                        SceneBuilder builder;
                        Twin twin(builder.build(document));
                        twin.step(0);
                        const Picture p = twin.memory().picture();
                        int lit = 0;
                        for (int y = 0; y < 60; ++y)
                            for (int x = 0; x < 60; ++x) {
                                lit += level(p, x, y) != 0 ? 1 : 0;
                                if (x < 10 || y < 10 || x >= 50 || y >= 50)
                                    QCOMPARE(level(p, x, y), 0);
                            }
                        QVERIFY2(lit > 0 || (points[0] == points[1] && points.size() == 2),
                                 qPrintable(QString("%1: %2 %3 px, dash %4")
                                                .arg(QString::fromStdString(toText(points)), ends)
                                                .arg(thickness)
                                                .arg(dash)));
                    }
        QCOMPARE(
            countLit(drawn(Kind::Polygon, {{"points", PointList{{5, 5}, {5, 5}, {5, 5}}}, {"fill", opaque(0xFFFFFF)}})),
            0);
    }
};

GORSEFINCH_TEST(TestOutlines, Nothing)
#include "tst_outlines.moc"
