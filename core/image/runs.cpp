// SPDX-License-Identifier: GPL-3.0-or-later
#include "core/image/runs.h"

#include <algorithm>
#include <cassert>
#include <cstring>

#include "runtime/gorse_image.h"

namespace gorsefinch {

namespace {

constexpr size_t kMaxRun = 255 - GORSE_RUN + GORSE_RUN_MIN;
constexpr size_t kMaxOther = 128;

class RowPacker {
  public:
    RowPacker(std::vector<uint8_t>& out, const uint8_t* row, size_t units, size_t unit)
        : out_(out), row_(row), units_(units), unit_(unit) {}

    void run() {
        size_t start = 0;  // of what waits to be written as it is
        for (size_t at = 0; at < units_;) {
            const size_t length = runFrom(at);
            // Each piece costs as much time to draw as a few dozen plain pixels: a run must save some bytes, or begin
            // or end a row. With shorter ones pictures of many edges draw at less than half of plain ones' speed.
            const bool atEdge = at == start || at + length == units_;
            if (length < (atEdge ? unit_ == 1 ? 4u : 3u : 11u)) {
                at += length;
                continue;
            }
            others(start, at);
            out_.push_back(static_cast<uint8_t>(length - GORSE_RUN_MIN + GORSE_RUN));
            append(at, 1);
            at += length;
            start = at;
        }
        others(start, units_);
    }

  private:
    size_t runFrom(size_t at) const {
        size_t length = 1;
        while (at + length < units_ && length < kMaxRun &&
               std::memcmp(row_ + at * unit_, row_ + (at + length) * unit_, unit_) == 0)
            ++length;
        return length;
    }
    void append(size_t at, size_t count) { out_.insert(out_.end(), row_ + at * unit_, row_ + (at + count) * unit_); }
    void others(size_t from, size_t to) {
        while (from < to) {
            const size_t count = std::min(to - from, kMaxOther);
            out_.push_back(static_cast<uint8_t>(count - 1));
            append(from, count);
            from += count;
        }
    }

    std::vector<uint8_t>& out_;
    const uint8_t* row_;
    size_t units_, unit_;
};

}  // namespace

RunBytes packedByRuns(std::span<const uint8_t> plain, size_t rowUnits, size_t unit, size_t groupRows) {
    RunBytes out;
    const size_t rowBytes = rowUnits * unit;
    const size_t rows = rowBytes == 0 ? 0 : plain.size() / rowBytes;
    assert(rows * rowBytes == plain.size());
    for (size_t row = 0; row < rows; ++row) {
        if (row % groupRows == 0)
            out.groups.push_back(static_cast<uint32_t>(out.bytes.size()));
        RowPacker(out.bytes, plain.data() + row * rowBytes, rowUnits, unit).run();
    }
    return out;
}

std::optional<std::vector<uint8_t>> unpackedRuns(const RunBytes& packed, size_t rowUnits, size_t unit, size_t rows) {
    std::vector<uint8_t> out;
    size_t at = 0;
    const std::vector<uint8_t>& from = packed.bytes;
    for (size_t row = 0; row < rows; ++row)
        for (size_t left = rowUnits; left != 0;) {
            if (at >= from.size())
                return std::nullopt;
            const size_t head = from[at++];
            const bool same = head >= GORSE_RUN;
            const size_t count = same ? head - GORSE_RUN + GORSE_RUN_MIN : head + 1;
            const size_t bytes = (same ? 1 : count) * unit;
            if (count > left || from.size() - at < bytes)
                return std::nullopt;
            for (size_t i = 0; i < (same ? count : 1); ++i)
                out.insert(out.end(), from.begin() + static_cast<std::ptrdiff_t>(at),
                           from.begin() + static_cast<std::ptrdiff_t>(at + bytes));
            at += bytes;
            left -= count;
        }
    return out;
}

namespace {

// How a format's packed bytes are cut into rows (or pages) of units.
struct Cut {
    size_t unit, rowUnits, groupRows;

    Cut(PixelFormat format, int width)
        : unit(static_cast<size_t>(std::max(info(format).bits / 8, 1))),
          rowUnits(static_cast<size_t>(packedRowBytes(format, width)) / unit),
          groupRows(info(format).layout == PixelLayout::Pages ? 1 : 8) {}
};

}  // namespace

RunBytes packedByRuns(std::span<const uint8_t> plain, PixelFormat format, int width) {
    const Cut cut(format, width);
    return packedByRuns(plain, cut.rowUnits, cut.unit, cut.groupRows);
}

std::optional<std::vector<uint8_t>> unpackedRuns(const RunBytes& packed, PixelFormat format, int width, int height) {
    const Cut cut(format, width);
    return unpackedRuns(packed, cut.rowUnits, cut.unit,
                        static_cast<size_t>(packedBytes(format, width, height)) / (cut.rowUnits * cut.unit));
}

}  // namespace gorsefinch
