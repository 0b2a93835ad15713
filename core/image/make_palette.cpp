// SPDX-License-Identifier: GPL-3.0-or-later
#include "core/image/make_palette.h"

#include <algorithm>
#include <array>
#include <cmath>
#include <unordered_set>

#include "core/base/parallel.h"
#include "core/image/levels.h"
#include "core/image/oklab.h"

namespace gorsefinch {

namespace {

// Colours that are nearly the same, counted together.
struct Bin {
    Lab lab;
    std::array<double, 3> stored{};  // mean
    double weight = 0;
    size_t nearest = 0;  // of the colours, when last looked for
};

struct Sum {
    double weight = 0;
    std::array<double, 3> stored{};
    void add(const Bin& bin) {
        weight += bin.weight;
        for (size_t c = 0; c < 3; ++c)
            stored[c] += bin.stored[c] * bin.weight;
    }
    void add(const Sum& other) {
        weight += other.weight;
        for (size_t c = 0; c < 3; ++c)
            stored[c] += other.stored[c];
    }
    Colour colour() const {
        uint32_t rgb = 0;
        for (const double each : stored)
            rgb = rgb << 8 | static_cast<uint32_t>(std::clamp(std::lround(weight > 0 ? each / weight : 0), 0L, 255L));
        return opaque(rgb);
    }
};

// The distinct colours, unless there are more than `max`.
std::vector<Colour> fewColours(std::span<const Picture* const> pictures, size_t max) {
    std::unordered_set<uint32_t> seen;
    uint32_t last = 0;
    for (const Picture* each : pictures)
        for (const uint32_t argb : each->pixels) {
            if (argb == last || argb >> 24 == 0)
                continue;
            last = argb;
            seen.insert(argb & 0xffffff);
            if (seen.size() > max)
                return {};
        }
    std::vector<Colour> out;
    for (const uint32_t rgb : seen)
        out.push_back(opaque(rgb));
    return out;
}

std::vector<Bin> binsOf(std::span<const Picture* const> pictures) {
    struct Count {
        uint32_t red = 0, green = 0, blue = 0, weight = 0;
    };
    size_t pixels = 0;
    for (const Picture* each : pictures)
        pixels += each->pixels.size();
    // Large pictures are sampled: a million pixels are enough.
    const size_t stride = std::max<size_t>(1, pixels >> 20) | 1;
    std::vector<Count> counts(32768);
    for (const Picture* each : pictures)
        for (size_t i = 0; i < each->pixels.size(); i += stride) {
            const uint32_t argb = each->pixels[i];
            if (argb >> 24 < 64)
                continue;
            Count& count = counts[(argb >> 9 & 0x7c00) | (argb >> 6 & 0x3e0) | (argb >> 3 & 0x1f)];
            count.red += argb >> 16 & 255;
            count.green += argb >> 8 & 255;
            count.blue += argb & 255;
            ++count.weight;
        }
    std::vector<Bin> out;
    for (const Count& each : counts)
        if (each.weight != 0) {
            Bin bin;
            bin.weight = each.weight;
            bin.stored = {each.red / bin.weight, each.green / bin.weight, each.blue / bin.weight};
            Sum mean;
            mean.add(bin);
            bin.lab = labOf(mean.colour());
            out.push_back(bin);
        }
    return out;
}

using Box = std::pair<size_t, size_t>;  // of bins: first, and one past the last

float part(const Lab& lab, int axis) { return axis == 0 ? lab.l : axis == 1 ? lab.a : lab.b; }

// The axis along which a box varies most, and how much in all.
std::pair<int, double> spreadOf(std::span<const Bin> bins) {
    std::pair<int, double> out{0, -1};
    for (int axis = 0; axis < 3; ++axis) {
        double weight = 0, sum = 0, squares = 0;
        for (const Bin& bin : bins) {
            const double v = part(bin.lab, axis);
            weight += bin.weight;
            sum += v * bin.weight;
            squares += v * v * bin.weight;
        }
        const double variance = squares - sum * sum / weight;
        if (variance > out.second)
            out = {axis, variance};
    }
    return out;
}

// Cuts the box that varies most at its mean, until there are enough.
std::vector<Box> cut(std::vector<Bin>& bins, size_t count) {
    std::vector<Box> boxes{{0, bins.size()}};
    std::vector<std::pair<int, double>> spreads{spreadOf(bins)};
    while (boxes.size() < count) {
        const size_t widest =
            static_cast<size_t>(std::max_element(spreads.begin(), spreads.end(),
                                                 [](const auto& x, const auto& y) { return x.second < y.second; }) -
                                spreads.begin());
        if (spreads[widest].second <= 0 || boxes[widest].second - boxes[widest].first < 2)
            break;
        const auto [first, last] = boxes[widest];
        const int axis = spreads[widest].first;
        double weight = 0, sum = 0;
        for (size_t i = first; i < last; ++i) {
            weight += bins[i].weight;
            sum += part(bins[i].lab, axis) * bins[i].weight;
        }
        const auto mean = static_cast<float>(sum / weight);
        const auto middle = std::stable_partition(bins.begin() + static_cast<std::ptrdiff_t>(first),
                                                  bins.begin() + static_cast<std::ptrdiff_t>(last),
                                                  [&](const Bin& bin) { return part(bin.lab, axis) <= mean; });
        size_t at = static_cast<size_t>(middle - bins.begin());
        at = std::clamp(at, first + 1, last - 1);
        boxes[widest] = {first, at};
        boxes.emplace_back(at, last);
        const std::span<const Bin> all(bins);
        spreads[widest] = spreadOf(all.subspan(first, at - first));
        spreads.push_back(spreadOf(all.subspan(at, last - at)));
    }
    return boxes;
}

Lab channelsOf(Colour colour) {
    const auto part = [&](int shift) { return static_cast<float>(colour.argb >> shift & 255) / 255.0f; };
    return {part(16), part(8), part(0)};
}

// The colour nearest to a point, of those sorted by lightness: looked through from its own lightness outwards, until
// lightness alone is farther than the best. What was nearest before the colours moved a little, `guess`, ends it early.
size_t nearestOf(const std::vector<Lab>& labs, const Lab& to, size_t guess) {
    const auto start = static_cast<size_t>(
        std::lower_bound(labs.begin(), labs.end(), to.l, [](const Lab& lab, float l) { return lab.l < l; }) -
        labs.begin());
    size_t best = std::min(guess, labs.size() - 1);
    float min = labDistance(to, labs[best]);
    const auto look = [&](size_t i) {
        const float lightness = labs[i].l - to.l;
        if (lightness * lightness >= min)
            return false;
        if (const float d = labDistance(to, labs[i]); d < min) {
            min = d;
            best = i;
        }
        return true;
    };
    for (size_t i = start; i < labs.size() && look(i); ++i) {
    }
    for (size_t i = start; i-- > 0 && look(i);) {
    }
    return best;
}

// Moves each colour to the mean of what is nearest to it; true if any moved. The sums of a fixed number of parts are
// added in order, so that they come out the same on every machine.
bool refine(std::vector<Bin>& bins, std::vector<Colour>& colours, Lab (*placeOf)(Colour)) {
    std::sort(colours.begin(), colours.end(),
              [&](Colour a, Colour b) { return std::pair(placeOf(a).l, a) < std::pair(placeOf(b).l, b); });
    std::vector<Lab> labs;
    for (const Colour& each : colours)
        labs.push_back(placeOf(each));
    constexpr int parts = 4;
    std::array<std::vector<Sum>, parts> ofPart;
    inParallel(parts, bins.size() * labs.size() / 2, [&](int first, int last) {
        for (int each = first; each < last; ++each) {
            std::vector<Sum>& into = ofPart[static_cast<size_t>(each)];
            into.resize(colours.size());
            for (size_t i = bins.size() * static_cast<size_t>(each) / parts;
                 i < bins.size() * static_cast<size_t>(each + 1) / parts; ++i)
                into[bins[i].nearest = nearestOf(labs, bins[i].lab, bins[i].nearest)].add(bins[i]);
        }
    });
    std::vector<Sum> sums(colours.size());
    for (const auto& each : ofPart)
        for (size_t i = 0; i < sums.size(); ++i)
            sums[i].add(each[i]);
    bool moved = false;
    for (size_t i = 0; i < colours.size(); ++i)
        if (sums[i].weight > 0 && sums[i].colour() != colours[i]) {
            colours[i] = sums[i].colour();
            moved = true;
        }
    return moved;
}

}  // namespace

std::vector<Colour> makePalette(std::span<const Picture* const> pictures, int count) {
    const auto max = static_cast<size_t>(std::clamp(count, 2, 256));
    std::vector<Colour> out = fewColours(pictures, max);
    if (out.empty()) {
        std::vector<Bin> bins = binsOf(pictures);
        if (bins.empty())
            return {opaque(0)};
        for (const auto& [first, last] : cut(bins, max)) {
            Sum sum;
            for (size_t i = first; i < last; ++i)
                sum.add(bins[i]);
            out.push_back(sum.colour());
        }
        // First as the eye sees, which decides what is kept at all; then by the channels themselves, which is what the
        // error is measured in.
        const int rounds = max <= 32 ? 8 : 3;
        for (int i = 0; i < rounds && refine(bins, out, labOf); ++i) {
        }
        for (Bin& bin : bins)
            bin.lab = {static_cast<float>(bin.stored[0] / 255), static_cast<float>(bin.stored[1] / 255),
                       static_cast<float>(bin.stored[2] / 255)};
        for (int i = 0; i < rounds && refine(bins, out, channelsOf); ++i) {
        }
    }
    std::sort(out.begin(), out.end(),
              [](Colour a, Colour b) { return std::pair(greyOf(a.argb), a.argb) < std::pair(greyOf(b.argb), b.argb); });
    out.erase(std::unique(out.begin(), out.end()), out.end());
    return out;
}

}  // namespace gorsefinch
