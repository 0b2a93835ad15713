// SPDX-License-Identifier: GPL-3.0-or-later
#include "core/font/hand_glyph.h"

#include <algorithm>
#include <set>

namespace gorsefinch {

HandGlyph withPixel(const GlyphBitmap& glyph, int x, int y, bool on) {
    std::set<std::pair<int, int>> lit;  // x, y
    for (int row = 0; row < glyph.height; ++row)
        for (int column = 0; column < glyph.width; ++column)
            if (glyph.coverage[static_cast<size_t>(row) * static_cast<size_t>(glyph.width) +
                               static_cast<size_t>(column)] >= 128)
                lit.emplace(glyph.left + column, glyph.rise - 1 - row);
    if (on)
        lit.emplace(x, y);
    else
        lit.erase({x, y});
    HandGlyph out;
    out.advance = glyph.advance;
    if (lit.empty())
        return out;
    const auto [left, right] = std::minmax_element(lit.begin(), lit.end());
    int bottom = lit.begin()->second, top = bottom;
    for (const auto& [px, py] : lit) {
        bottom = std::min(bottom, py);
        top = std::max(top, py);
    }
    out.left = left->first;
    out.rise = top + 1;
    const int width = std::min(right->first - left->first + 1, kMaxHandSide),
              height = std::min(top - bottom + 1, kMaxHandSide);
    for (int row = 0; row < height; ++row) {
        std::string line;
        for (int column = 0; column < width; ++column)
            line += lit.count({out.left + column, top - row}) != 0 ? '#' : '.';
        out.rows.push_back(line);
    }
    return out;
}

}  // namespace gorsefinch
