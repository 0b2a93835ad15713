// SPDX-License-Identifier: GPL-3.0-or-later
#include "core/kinds/outline.h"

#include <algorithm>
#include <cassert>
#include <cmath>
#include <limits>

#include "runtime/gorse_scene.h"

namespace gorsefinch {

namespace {

// Vectors are of the length 1.
struct Vector {
    double x = 0, y = 0;
};

constexpr double kLongestMitre = 7.9;  // as multiples of 1/4096 in 16 bits
constexpr int kUnit = 1 << 14, kMitreUnit = 4096, kFine = 64;
constexpr int kMaxBorder = 64;

double dot(Vector a, Vector b) { return a.x * b.x + a.y * b.y; }
double cross(Vector a, Vector b) { return a.x * b.y - a.y * b.x; }
Vector leftOf(Vector along) { return {along.y, -along.x}; }

int16_t rounded(double value) {
    assert(std::abs(value) <= std::numeric_limits<int16_t>::max());
    return static_cast<int16_t>(std::lround(value));
}

// Where two edges meet and how far along them that takes, both per pixel beside them.
struct Mitre {
    Vector at;
    double reach = 0;
    bool turnsRight = false;
};

Mitre mitreOf(Vector was, Vector is) {
    const double open = 1 + dot(was, is);
    const Vector sum{leftOf(was).x + leftOf(is).x, leftOf(was).y + leftOf(is).y};
    Mitre out;
    out.turnsRight = cross(was, is) > 0;
    if (open < 1e-9) {
        // It turns back: the edges meet nowhere.
        out.at = {was.x * kLongestMitre, was.y * kLongestMitre};
        out.reach = std::numeric_limits<double>::infinity();
        return out;
    }
    out.at = {sum.x / open, sum.y / open};
    out.reach = std::abs(cross(was, is)) / open;
    if (const double length = std::hypot(out.at.x, out.at.y); length > kLongestMitre) {
        out.at = {out.at.x / length * kLongestMitre, out.at.y / length * kLongestMitre};
        out.reach = std::numeric_limits<double>::infinity();
    }
    return out;
}

// The points, their edges and mitres.
class OutlineBuilder {
  public:
    OutlineBuilder(PointList points, bool isClosed) : points_(std::move(points)), isClosed_(isClosed) {
        const size_t count = points_.size();
        for (size_t i = 0; i < count; ++i) {
            const Point &from = points_[i], &to = points_[(i + 1) % count];
            const double length = std::hypot(to.x - from.x, to.y - from.y);
            lengths_.push_back(length);
            along_.push_back(length > 0 ? Vector{(to.x - from.x) / length, (to.y - from.y) / length} : Vector{1, 0});
        }
        if (!isClosed_ && count > 1)
            along_.back() = along_[count - 2];
        for (size_t i = 0; i < count; ++i)
            mitres_.push_back(isEnd(i) ? Mitre{leftOf(along_[i])} : mitreOf(along_[before(i)], along_[i]));
    }

    Outline run() const {
        Outline out;
        out.count = static_cast<uint8_t>(points_.size());
        out.isClosed = isClosed_;
        for (size_t i = 0; i < points_.size(); ++i) {
            out.numbers.push_back(static_cast<int16_t>(points_[i].x));
            out.numbers.push_back(static_cast<int16_t>(points_[i].y));
            out.numbers.push_back(rounded(along_[i].x * kUnit));
            out.numbers.push_back(rounded(along_[i].y * kUnit));
            out.numbers.push_back(rounded(mitres_[i].at.x * kMitreUnit));
            out.numbers.push_back(rounded(mitres_[i].at.y * kMitreUnit));
            out.numbers.push_back(rounded(std::min(limit(i) * kFine, 32767.0)));
        }
        return out;
    }

    // Twice the area inside a border of so many pixels.
    double areaInside(double border) const {
        double area = 0;
        for (size_t i = 0; i < points_.size(); ++i)
            area += cross(inside(before(i), border), inside(i, border));
        return area;
    }

  private:
    size_t before(size_t i) const { return i == 0 ? points_.size() - 1 : i - 1; }
    bool isEnd(size_t i) const { return !isClosed_ && (i == 0 || i + 1 == points_.size()); }

    Vector inside(size_t i, double border) const {
        return {points_[i].x - mitres_[i].at.x * border, points_[i].y - mitres_[i].at.y * border};
    }

    // Up to how many pixels beside the edges the mitre at the inner side of a point lies on both of them, while those
    // at their other ends do, too.
    double limit(size_t i) const {
        if (isEnd(i))
            return 0;
        const auto room = [&](size_t edge, size_t other) {
            const bool sameSide = !isEnd(other) && mitres_[other].turnsRight == mitres_[i].turnsRight;
            const double reach = mitres_[i].reach + (sameSide ? mitres_[other].reach : 0);
            return reach == 0 ? std::numeric_limits<double>::infinity() : lengths_[edge] / reach;
        };
        return std::min(room(before(i), before(i)), room(i, (i + 1) % points_.size()));
    }

    PointList points_;
    bool isClosed_;
    std::vector<double> lengths_;  // pixels, of the edge from each point on
    std::vector<Vector> along_;
    std::vector<Mitre> mitres_;
};

PointList withoutRepeated(const PointList& points) {
    PointList out = points;
    out.erase(std::unique(out.begin(), out.end()), out.end());
    assert(out.size() <= 255);
    return out;
}

int scaledCoordinate(int value, int from, int to) {
    const double part = from > 0 ? static_cast<double>(value) * to / from : value;
    return static_cast<int>(std::clamp(std::round(part), double{-kMaxPoint}, double{kMaxPoint}));
}

}  // namespace

Outline strokeOutline(const PointList& points) {
    PointList left = withoutRepeated(points);
    const bool isClosed = left.size() > 3 && left.front() == left.back();
    if (isClosed)
        left.pop_back();
    if (left.size() == 1)
        left.push_back(left.front());
    return OutlineBuilder(left, isClosed).run();
}

Outline areaOutline(const PointList& points) {
    PointList left = withoutRepeated(points);
    while (left.size() > 1 && left.front() == left.back())
        left.pop_back();
    if (OutlineBuilder(left, true).areaInside(0) < 0)
        std::reverse(left.begin(), left.end());
    const OutlineBuilder builder(left, true);
    Outline out = builder.run();
    double before = builder.areaInside(0);
    for (double border = 0.25; border <= kMaxBorder; border += 0.25) {
        const double area = builder.areaInside(border);
        if (area <= 0 || area >= before)
            break;
        before = area;
        out.borderLimit = static_cast<uint16_t>((border + 0.25) * kFine);
    }
    return out;
}

bool goesThroughPixels(const Widget& widget) {
    const auto thickness = widget.properties.find("thickness");
    const auto* pixels = thickness == widget.properties.end() ? nullptr : std::get_if<int64_t>(&thickness->second);
    return pixels && *pixels % 2 != 0;
}

PointList scaledPoints(const PointList& points, const Widget& was, const Widget& is) {
    // The last pixel is at the box's size less 1.
    const int less = goesThroughPixels(was) ? 1 : 0;
    PointList out;
    for (const Point& each : points)
        out.push_back(
            {scaledCoordinate(each.x, was.w - less, is.w - less), scaledCoordinate(each.y, was.h - less, is.h - less)});
    return out;
}

}  // namespace gorsefinch
