// SPDX-License-Identifier: GPL-3.0-or-later
#include "core/image/scale.h"

#include <algorithm>
#include <array>
#include <atomic>
#include <cmath>
#include <cstring>

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
    double share = 0;             // one by the sum
    bool wholeInside = false;     // at least three, of which all but the first and the last two count in full
    std::array<float, 3> ends{};  // what those three count
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
            const double share = step > 1
                                     ? std::min(cell + 1.0, middle + reach) - std::max<double>(cell, middle - reach)
                                     : 1.0 - std::abs(cell + 0.5 - middle);
            const auto weight = static_cast<uint32_t>(std::lround(std::clamp(share, 0.0, 1.0) * kWhole));
            taps.weights.push_back(weight);
            taps.sum += weight;
        }
        taps.share = 1.0 / static_cast<double>(taps.sum);
        taps.wholeInside = taps.weights.size() >= 3 && std::all_of(taps.weights.begin() + 1, taps.weights.end() - 2,
                                                                   [](uint32_t each) { return each == kWhole; });
        const size_t count = taps.weights.size();
        for (size_t end = 0; taps.wholeInside && end < 3; ++end)
            taps.ends[end] =
                static_cast<float>(taps.weights[end == 0 ? 0 : count - 3 + end]) / static_cast<float>(kWhole);
    }
    return out;
}

// The light of a stored value, 0 to 58989, in 16-bit products: a cubic, fitted so that no mix of two values comes out
// more than 1.6 stored steps beside the mix of their light (IEC 61966-2-1). Another multiplication would bring that
// to 1.1, and cost an eighth of the time.
constexpr uint16_t highHalf(uint16_t a, uint16_t b) {
    return static_cast<uint16_t>((static_cast<uint32_t>(a) * b) >> 16);
}
constexpr uint16_t lightOf(uint8_t stored) {
    const auto v = static_cast<uint16_t>(stored << 8);
    auto sum = static_cast<uint16_t>(32240u + highHalf(v, 24526u));
    sum = static_cast<uint16_t>(2773u + highHalf(v, sum));
    return highHalf(v, sum);
}

const std::vector<uint8_t>& storedTable() {
    static const auto table = [] {
        std::vector<uint8_t> out(65536);
        size_t value = 0;
        for (size_t i = 0; i < out.size(); ++i) {
            while (value < 255 &&
                   i * 2 > size_t{lightOf(static_cast<uint8_t>(value))} + lightOf(static_cast<uint8_t>(value + 1)))
                ++value;
            out[i] = static_cast<uint8_t>(value);
        }
        return out;
    }();
    return table;
}

// Opaque rows are summed as halves of their light, so that two fit 16 bits and only every other one is widened.
constexpr uint16_t halfLightOf(uint8_t stored) { return static_cast<uint16_t>(lightOf(stored) >> 1); }
constexpr uint16_t halfLightOf(uint8_t stored, uint16_t weight) { return highHalf(halfLightOf(stored), weight); }

// In short loops, a block at a time, as the compiler makes good wide instructions of them.
constexpr size_t kBlock = 128;
GORSEFINCH_WIDE_LOOPS void addRow(uint32_t* sums, const uint8_t* row, size_t count) {
    uint16_t light[kBlock];
    size_t at = 0;
    for (; at + kBlock <= count; at += kBlock) {
        for (size_t i = 0; i < kBlock; ++i)
            light[i] = halfLightOf(row[at + i]);
        for (size_t i = 0; i < kBlock; ++i)
            sums[at + i] += light[i];
    }
    for (; at < count; ++at)
        sums[at] += halfLightOf(row[at]);
}

GORSEFINCH_WIDE_LOOPS void addTwoRows(uint32_t* sums, const uint8_t* row, const uint8_t* other, size_t count) {
    uint16_t light[kBlock];
    size_t at = 0;
    for (; at + kBlock <= count; at += kBlock) {
        for (size_t i = 0; i < kBlock; ++i)
            light[i] = static_cast<uint16_t>(halfLightOf(row[at + i]) + halfLightOf(other[at + i]));
        for (size_t i = 0; i < kBlock; ++i)
            sums[at + i] += light[i];
    }
    for (; at < count; ++at)
        sums[at] += static_cast<uint32_t>(halfLightOf(row[at]) + halfLightOf(other[at]));
}

GORSEFINCH_WIDE_LOOPS void addPartOfRow(uint32_t* sums, const uint8_t* row, size_t count, uint16_t weight) {
    uint16_t light[kBlock];
    size_t at = 0;
    for (; at + kBlock <= count; at += kBlock) {
        for (size_t i = 0; i < kBlock; ++i)
            light[i] = halfLightOf(row[at + i], weight);
        for (size_t i = 0; i < kBlock; ++i)
            sums[at + i] += light[i];
    }
    for (; at < count; ++at)
        sums[at] += halfLightOf(row[at], weight);
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
void sumTransparentRows(const Picture& from, const Taps& taps, std::vector<uint32_t>& sums) {
    const auto width = static_cast<size_t>(from.width);
    for (size_t i = 0; i < taps.weights.size(); ++i)
        addTransparentRow(sums.data(), from.pixels.data() + (static_cast<size_t>(taps.first) + i) * width, width,
                          taps.weights[i]);
}

// So many columns at a time that their sums stay at hand while all rows are added.
void sumOpaqueRows(const Picture& from, const Taps& taps, std::vector<uint32_t>& sums) {
    constexpr size_t kColumns = 1024;
    const size_t bytes = static_cast<size_t>(from.width) * 4, rows = taps.weights.size();
    const auto* top = reinterpret_cast<const uint8_t*>(from.pixels.data()) + static_cast<size_t>(taps.first) * bytes;
    for (size_t first = 0; first < bytes; first += kColumns * 4) {
        const size_t count = std::min(kColumns * 4, bytes - first);
        uint32_t* to = sums.data() + first;
        for (size_t i = 0; i < rows; ++i) {
            const uint8_t* row = top + i * bytes + first;
            const uint32_t weight = taps.weights[i];
            if (weight == kWhole && i + 1 < rows && taps.weights[i + 1] == kWhole) {
                addTwoRows(to, row, row + bytes, count);
                ++i;
            } else if (weight == kWhole) {
                addRow(to, row, count);
            } else if (weight != 0) {
                addPartOfRow(to, row, count, static_cast<uint16_t>(weight));
            }
        }
    }
}

using Sums = std::array<uint64_t, 4>;

// The weighted sums of four channels over some columns; all but the first and the last count in full when shrinking.
Sums sumColumns(const uint32_t* at, const uint32_t* weights, size_t count) {
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
    Sums out;
    for (size_t c = 0; c < 4; ++c)
        out[c] = whole[c] * kWhole + parts[c];
    return out;
}

// A row that was taken for opaque is not when a mean alpha is below this: less than that is lost in rounding.
constexpr int kOpaque = lightOf(255) - 4;

// The light of the channels as lightOf counts it. `share`: one by the sum of the weights.
std::array<uint32_t, 4> lightsOf(const Sums& sums, double share) {
    std::array<uint32_t, 4> out;
    for (size_t c = 0; c < 4; ++c)
        out[c] =
            std::min(static_cast<uint32_t>(static_cast<double>(static_cast<int64_t>(sums[c])) * share + 0.5), 65535u);
    return out;
}

// The same where all sums together are below 2^31 and every column but the first and the last two counts in full.
std::array<uint32_t, 4> lightsOfFew(const uint32_t* at, size_t count, const std::array<float, 3>& ends, float share) {
    using Parts = float __attribute__((vector_size(16)));
    using Whole = int32_t __attribute__((vector_size(16)));
    const auto sumsAt = [at](size_t i) {
        Whole out;
        std::memcpy(&out, at + i * 4, sizeof out);
        return out;
    };
    const auto partsAt = [&](size_t i) { return __builtin_convertvector(sumsAt(i), Parts); };
    Whole whole{};
    for (size_t i = 1; i + 2 < count; ++i)
        whole += sumsAt(i);
    const Parts sum = __builtin_convertvector(whole, Parts) + partsAt(0) * ends[0] + partsAt(count - 2) * ends[1] +
                      partsAt(count - 1) * ends[2];
    Whole light = __builtin_convertvector(sum * share + 0.5f, Whole);
    light = light > 65535 ? 65535 : light;
    std::array<uint32_t, 4> out;
    std::memcpy(out.data(), &light, sizeof out);
    return out;
}

uint32_t opaquePixel(const std::array<uint32_t, 4>& lights, const uint8_t* stored) {
    return 0xff000000u | uint32_t{stored[lights[2]]} << 16 | uint32_t{stored[lights[1]]} << 8 |
           uint32_t{stored[lights[0]]};
}

uint32_t transparentPixel(const Sums& sums, double share, const uint8_t* stored) {
    const double alpha = static_cast<double>(sums[3]) * share / 65535;
    if (alpha * 255 < 0.5)
        return 0;
    return (opaquePixel(lightsOf(sums, share / alpha), stored) & 0xffffff) |
           static_cast<uint32_t>(std::lround(std::min(alpha, 1.0) * 255)) << 24;
}

class Scaler {
  public:
    Scaler(const Picture& from, int width, int height)
        : from_(from),
          across_(tapsFor(from.width, width)),
          down_(tapsFor(from.height, height)),
          out_(makePicture(width, height)) {}

    // False if the picture turned out not to be opaque, though it was declared so.
    bool run(bool opaque) {
        std::atomic<bool> fine{true};
        inParallel(out_.height, from_.pixels.size() + out_.pixels.size(), [&](int first, int last) {
            std::vector<uint32_t> sums(static_cast<size_t>(from_.width) * 4);
            for (int y = first; y < last && fine; ++y) {
                const Taps& taps = down_[static_cast<size_t>(y)];
                std::fill(sums.begin(), sums.end(), 0u);
                if (opaque)
                    sumOpaqueRows(from_, taps, sums);
                else
                    sumTransparentRows(from_, taps, sums);
                const double rows = static_cast<double>(taps.sum) / kWhole;
                if (!opaque)
                    makeTransparentRow(y, sums, rows);
                else if (!makeOpaqueRow(y, sums, rows))
                    fine = false;
            }
        });
        return fine;
    }

    Picture take() { return std::move(out_); }

  private:
    const uint32_t* columnsOf(const std::vector<uint32_t>& sums, const Taps& taps) const {
        return sums.data() + static_cast<size_t>(taps.first) * 4;
    }

    // `rows`: how many the sums hold. False if some pixel was not opaque.
    bool makeOpaqueRow(int y, const std::vector<uint32_t>& sums, double rows) {
        const uint8_t* stored = storedTable().data();
        bool opaque = true;
        for (int x = 0; x < out_.width; ++x) {
            const Taps& taps = across_[static_cast<size_t>(x)];
            const size_t count = taps.weights.size();
            const double share = taps.share / rows * 2;
            const bool few = taps.wholeInside && static_cast<double>(count) * (rows + 1) < 65536;
            const auto lights =
                few ? lightsOfFew(columnsOf(sums, taps), count, taps.ends, static_cast<float>(share * kWhole))
                    : lightsOf(sumColumns(columnsOf(sums, taps), taps.weights.data(), count), share);
            out_.at(x, y) = opaquePixel(lights, stored);
            opaque &= static_cast<int>(lights[3]) >= kOpaque;
        }
        return opaque;
    }

    void makeTransparentRow(int y, const std::vector<uint32_t>& sums, double rows) {
        const uint8_t* stored = storedTable().data();
        for (int x = 0; x < out_.width; ++x) {
            const Taps& taps = across_[static_cast<size_t>(x)];
            out_.at(x, y) = transparentPixel(
                sumColumns(columnsOf(sums, taps), taps.weights.data(), taps.weights.size()), taps.share / rows, stored);
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
