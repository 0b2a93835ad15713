// SPDX-License-Identifier: GPL-3.0-or-later
#include "core/image/scale.h"

#include <algorithm>
#include <array>
#include <atomic>
#include <cmath>

#include "core/base/parallel.h"
#include "core/image/wide_loops.h"

namespace gorsefinch {

namespace {

constexpr uint32_t kWhole = 65536;  // the weight of a source cell that counts in full

// Which source cells make one result cell, and how much of each.
struct Taps {
    int first = 0;
    std::vector<uint32_t> weights;
    uint64_t sum = 0;
    double share = 0;  // one by the sum
};

std::vector<Taps> tapsFor(int from, int to) {
    std::vector<Taps> out(static_cast<size_t>(to));
    const double step = static_cast<double>(from) / to;
    for (int i = 0; i < to; ++i) {
        // A box when shrinking, a tent one cell wide when growing.
        const double middle = (i + 0.5) * step;
        const double reach = step > 1 ? step / 2 : 1.0;
        Taps& taps = out[static_cast<size_t>(i)];
        taps.first = std::max(0, static_cast<int>(std::floor(middle - reach)));
        const int last = std::min(from - 1, static_cast<int>(std::ceil(middle + reach)));
        for (int cell = taps.first; cell <= last; ++cell) {
            const double share = step > 1 ? std::min(cell + 1.0, middle + reach) - std::max<double>(cell, middle - reach)
                                          : 1.0 - std::abs(cell + 0.5 - middle);
            const auto weight = static_cast<uint32_t>(std::lround(std::clamp(share, 0.0, 1.0) * kWhole));
            taps.weights.push_back(weight);
            taps.sum += weight;
        }
        taps.share = 1.0 / static_cast<double>(taps.sum);
    }
    return out;
}

// The light of a stored value, 0 to 65535, in 16-bit products.
constexpr uint16_t highHalf(uint16_t a, uint16_t b) {
    return static_cast<uint16_t>((static_cast<uint32_t>(a) * b) >> 16);
}
constexpr uint16_t lightOf(uint8_t stored) {
    const auto v = static_cast<uint16_t>(stored * 257u);
    auto sum = static_cast<uint16_t>(47003u - highHalf(v, 12791u));
    sum = static_cast<uint16_t>(27640u + highHalf(v, sum));
    sum = static_cast<uint16_t>(3684u + highHalf(v, sum));
    return highHalf(v, sum);
}

const std::vector<uint8_t>& storedTable() {
    static const auto table = [] {
        std::vector<uint8_t> out(65536);
        size_t value = 0;
        for (size_t i = 0; i < out.size(); ++i) {
            while (value < 255 && i * 2 > size_t{lightOf(static_cast<uint8_t>(value))} + lightOf(static_cast<uint8_t>(value + 1)))
                ++value;
            out[i] = static_cast<uint8_t>(value);
        }
        return out;
    }();
    return table;
}

// In two short loops a block, as the compiler makes good wide instructions of either.
GORSEFINCH_WIDE_LOOPS void addRow(uint32_t* sums, const uint8_t* row, size_t count) {
    constexpr size_t block = 128;
    uint16_t light[block];
    size_t at = 0;
    for (; at + block <= count; at += block) {
        for (size_t i = 0; i < block; ++i)
            light[i] = lightOf(row[at + i]);
        for (size_t i = 0; i < block; ++i)
            sums[at + i] += light[i];
    }
    for (; at < count; ++at)
        sums[at] += lightOf(row[at]);
}

GORSEFINCH_WIDE_LOOPS void addPartOfRow(uint32_t* sums, const uint8_t* row, size_t count, uint16_t weight) {
    constexpr size_t block = 128;
    uint16_t light[block];
    size_t at = 0;
    for (; at + block <= count; at += block) {
        for (size_t i = 0; i < block; ++i)
            light[i] = highHalf(lightOf(row[at + i]), weight);
        for (size_t i = 0; i < block; ++i)
            sums[at + i] += light[i];
    }
    for (; at < count; ++at)
        sums[at] += highHalf(lightOf(row[at]), weight);
}

// Transparent pixels give light by their alpha; the alpha itself is no light.
void addTransparentRow(uint32_t* sums, const uint32_t* row, size_t pixels, uint32_t weight) {
    static const auto light = [] {
        std::array<uint16_t, 256> out;
        for (size_t i = 0; i < out.size(); ++i)
            out[i] = lightOf(static_cast<uint8_t>(i));
        return out;
    }();
    for (size_t x = 0; x < pixels; ++x, sums += 4) {
        const uint32_t argb = row[x];
        const uint32_t alpha = static_cast<uint32_t>((argb >> 24) * 257ull * weight >> 16);
        for (size_t c = 0; c < 3; ++c)
            sums[c] += static_cast<uint32_t>(uint64_t{light[argb >> (8 * c) & 255]} * alpha / 65535);
        sums[3] += alpha;
    }
}

// One result row's sums over the source rows, four a pixel: blue, green, red, alpha.
void sumRows(const Picture& from, const Taps& taps, std::vector<uint32_t>& sums, bool opaque) {
    std::fill(sums.begin(), sums.end(), 0u);
    const auto width = static_cast<size_t>(from.width);
    for (size_t i = 0; i < taps.weights.size(); ++i) {
        const uint32_t* row = from.pixels.data() + (static_cast<size_t>(taps.first) + i) * width;
        const uint32_t weight = taps.weights[i];
        if (!opaque)
            addTransparentRow(sums.data(), row, width, weight);
        else if (weight == kWhole)
            addRow(sums.data(), reinterpret_cast<const uint8_t*>(row), width * 4);
        else if (weight != 0)
            addPartOfRow(sums.data(), reinterpret_cast<const uint8_t*>(row), width * 4, static_cast<uint16_t>(weight));
    }
}

// The weighted sums of four channels over some columns; all but the first and the last count in full when shrinking.
std::array<uint64_t, 4> sumColumns(const uint32_t* at, const uint32_t* weights, size_t count) {
    uint64_t whole[4] = {0, 0, 0, 0}, parts[4] = {0, 0, 0, 0};
    for (size_t i = 0; i < count; ++i, at += 4) {
        if (weights[i] == kWhole) {
            for (size_t c = 0; c < 4; ++c)
                whole[c] += at[c];
        } else {
            for (size_t c = 0; c < 4; ++c)
                parts[c] += uint64_t{at[c]} * weights[i];
        }
    }
    std::array<uint64_t, 4> out;
    for (size_t c = 0; c < 4; ++c)
        out[c] = whole[c] * kWhole + parts[c];
    return out;
}

// `share`: one by the sum of the weights.
uint32_t opaquePixel(const std::array<uint64_t, 4>& sums, double share, const uint8_t* stored) {
    uint32_t out = 0xff000000u;
    for (size_t c = 0; c < 3; ++c) {
        const auto light = static_cast<uint32_t>(static_cast<double>(static_cast<int64_t>(sums[c])) * share + 0.5);
        out |= uint32_t{stored[std::min(light, 65535u)]} << (8 * c);
    }
    return out;
}

uint32_t transparentPixel(const std::array<uint64_t, 4>& sums, double share, const uint8_t* stored) {
    const double alpha = static_cast<double>(sums[3]) * share / 65535;
    if (alpha * 255 < 0.5)
        return 0;
    return (opaquePixel(sums, share / alpha, stored) & 0xffffff) | static_cast<uint32_t>(std::lround(std::min(alpha, 1.0) * 255)) << 24;
}

// A picture with every alpha 255 gives full sums of it, as the alphas were added like light.
bool wasOpaque(const std::vector<uint32_t>& sums, const Taps& taps) {
    uint32_t full = 0;
    for (const uint32_t weight : taps.weights)
        full += weight == kWhole ? lightOf(255) : highHalf(lightOf(255), static_cast<uint16_t>(weight));
    for (size_t i = 3; i < sums.size(); i += 4)
        if (sums[i] != full)
            return false;
    return true;
}

class Scaler {
  public:
    Scaler(const Picture& from, int width, int height)
        : from_(from), across_(tapsFor(from.width, width)), down_(tapsFor(from.height, height)), out_(makePicture(width, height)) {}

    // False if the picture turned out not to be opaque, though it was told so.
    bool run(bool opaque) {
        std::atomic<bool> fine{true};
        inParallel(out_.height, from_.pixels.size() + out_.pixels.size(), [&](int first, int last) {
            std::vector<uint32_t> sums(static_cast<size_t>(from_.width) * 4);
            for (int y = first; y < last && fine; ++y) {
                const Taps& taps = down_[static_cast<size_t>(y)];
                sumRows(from_, taps, sums, opaque);
                if (opaque && !wasOpaque(sums, taps))
                    fine = false;
                else
                    makeRow(y, sums, static_cast<double>(taps.sum) / kWhole, opaque);
            }
        });
        return fine;
    }

    Picture take() { return std::move(out_); }

  private:
    void makeRow(int y, const std::vector<uint32_t>& sums, double rows, bool opaque) {
        const uint8_t* stored = storedTable().data();
        for (int x = 0; x < out_.width; ++x) {
            const Taps& taps = across_[static_cast<size_t>(x)];
            const std::array<uint64_t, 4> sum =
                sumColumns(sums.data() + static_cast<size_t>(taps.first) * 4, taps.weights.data(), taps.weights.size());
            const double share = taps.share / rows;
            out_.at(x, y) = opaque ? opaquePixel(sum, share, stored) : transparentPixel(sum, share, stored);
        }
    }

    const Picture& from_;
    std::vector<Taps> across_, down_;
    Picture out_;
};

}  // namespace

Picture scaled(const Picture& original, int width, int height) {
    if (width == original.width && height == original.height)
        return original;
    Scaler scaler(original, width, height);
    if (!scaler.run(true))
        scaler.run(false);
    return scaler.take();
}

}  // namespace gorsefinch
