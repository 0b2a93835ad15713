// SPDX-License-Identifier: GPL-3.0-or-later
#include "core/image/threshold_map.h"

#include <algorithm>
#include <cmath>

namespace gorsefinch {

namespace {

ThresholdMap bayer(int side) {
    ThresholdMap map{1, {0}};
    while (map.side < side) {
        const int half = map.side;
        ThresholdMap next{half * 2, std::vector<uint16_t>(static_cast<size_t>(half) * static_cast<size_t>(half) * 4)};
        for (int y = 0; y < half * 2; ++y)
            for (int x = 0; x < half * 2; ++x) {
                static constexpr int corner[2][2] = {{0, 2}, {3, 1}};
                const int inner = map.order[static_cast<size_t>(y % half) * static_cast<size_t>(half) +
                                            static_cast<size_t>(x % half)];
                next.order[static_cast<size_t>(y) * static_cast<size_t>(half) * 2 + static_cast<size_t>(x)] =
                    static_cast<uint16_t>(inner * 4 + corner[y / half][x / half]);
            }
        map = std::move(next);
    }
    return map;
}

// Points on a square that wraps around, with how crowded each point is.
class PointField {
  public:
    explicit PointField(int side) : side_(side), set_(cells(), 0), crowd_(cells(), 0), near_(cells()) {
        for (int y = 0; y < side; ++y)
            for (int x = 0; x < side; ++x) {
                const int dx = std::min(x, side - x), dy = std::min(y, side - y);
                near_[at(x, y)] = std::lround(1e6 * std::exp(-(dx * dx + dy * dy) / (2 * 1.5 * 1.5)));
            }
    }

    size_t cells() const { return static_cast<size_t>(side_) * static_cast<size_t>(side_); }
    bool has(size_t cell) const { return set_[cell] != 0; }

    void put(size_t cell, bool on) {
        set_[cell] = on ? 1 : 0;
        const int cx = static_cast<int>(cell) % side_, cy = static_cast<int>(cell) / side_;
        for (int dy = -kReach; dy <= kReach; ++dy)
            for (int dx = -kReach; dx <= kReach; ++dx) {
                const int64_t weight = near_[at((dx + side_) % side_, (dy + side_) % side_)];
                crowd_[at((cx + dx + side_) % side_, (cy + dy + side_) % side_)] += on ? weight : -weight;
            }
    }

    // The most crowded point, or the emptiest place that is none.
    size_t tightest() const { return extreme(true); }
    size_t widest() const { return extreme(false); }

  private:
    static constexpr int kReach = 9;  // a point farther away weighs nothing

    size_t at(int x, int y) const {
        return static_cast<size_t>(y) * static_cast<size_t>(side_) + static_cast<size_t>(x);
    }
    size_t extreme(bool points) const {
        size_t best = cells();
        for (size_t i = 0; i < cells(); ++i)
            if ((set_[i] != 0) == points &&
                (best == cells() || (points ? crowd_[i] > crowd_[best] : crowd_[i] < crowd_[best])))
                best = i;
        return best;
    }

    int side_;
    std::vector<uint8_t> set_;
    std::vector<int64_t> crowd_;
    std::vector<int64_t> near_;
};

// An even start: moves the tightest point into the widest gap until that changes nothing.
std::vector<size_t> evenStart(PointField& field) {
    uint32_t random = 12345;
    for (size_t placed = 0; placed < field.cells() / 10;) {
        random = random * 1664525u + 1013904223u;
        const size_t cell = (random >> 8) % field.cells();
        if (!field.has(cell)) {
            field.put(cell, true);
            ++placed;
        }
    }
    for (size_t guard = 0; guard < field.cells(); ++guard) {
        const size_t from = field.tightest();
        field.put(from, false);
        const size_t to = field.widest();
        field.put(to, true);
        if (from == to)
            break;
    }
    std::vector<size_t> points;
    for (size_t i = 0; i < field.cells(); ++i)
        if (field.has(i))
            points.push_back(i);
    return points;
}

ThresholdMap blueNoise() {
    constexpr int side = 64;
    PointField field(side);
    const std::vector<size_t> start = evenStart(field);
    ThresholdMap map{side, std::vector<uint16_t>(field.cells())};
    // Downwards: the tightest of the start go last to first; then upwards into the widest gaps.
    for (size_t rank = start.size(); rank-- > 0;) {
        const size_t cell = field.tightest();
        field.put(cell, false);
        map.order[cell] = static_cast<uint16_t>(rank);
    }
    for (const size_t cell : start)
        field.put(cell, true);
    for (size_t rank = start.size(); rank < field.cells(); ++rank) {
        const size_t cell = field.widest();
        field.put(cell, true);
        map.order[cell] = static_cast<uint16_t>(rank);
    }
    return map;
}

}  // namespace

const ThresholdMap& thresholdMap(Reduction method) {
    static const ThresholdMap single, four = bayer(4), eight = bayer(8);
    if (method == Reduction::Bayer4)
        return four;
    if (method == Reduction::Bayer8)
        return eight;
    if (method != Reduction::BlueNoise)
        return single;
    static const ThresholdMap blue = blueNoise();
    return blue;
}

}  // namespace gorsefinch
