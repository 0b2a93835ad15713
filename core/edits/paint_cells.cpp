// SPDX-License-Identifier: GPL-3.0-or-later
#include "core/edits/paint_cells.h"

#include <algorithm>
#include <cstdlib>

namespace gorsefinch {

namespace {

void paint(CellMap& map, MapSize size, CellPlace at, uint8_t cell) {
    if (size.has(at))
        setCell(map, at.column, at.row, cell);
}

}  // namespace

CellMap withCellLine(CellMap map, MapSize size, CellPlace from, CellPlace to, uint8_t cell) {
    // A pointer can be far outside; the line to there has no more cells inside.
    const auto near = [](int at) { return std::clamp(at, -2 * kMaxMapSide, 2 * kMaxMapSide); };
    from = {near(from.column), near(from.row)};
    to = {near(to.column), near(to.row)};
    const int across = to.column - from.column, down = to.row - from.row;
    const int steps = std::max({std::abs(across), std::abs(down), 1});
    const auto rounded = [&](int by, int i) { return (2 * by * i + (by < 0 ? -steps : steps)) / (2 * steps); };
    for (int i = 0; i <= steps; ++i)
        paint(map, size, {from.column + rounded(across, i), from.row + rounded(down, i)}, cell);
    return map;
}

CellMap withCellBox(CellMap map, MapSize size, CellPlace from, CellPlace to, uint8_t cell) {
    const auto [left, right] = std::minmax(from.column, to.column);
    const auto [top, bottom] = std::minmax(from.row, to.row);
    for (int row = std::max(top, 0); row <= std::min(bottom, size.rows - 1); ++row)
        for (int column = std::max(left, 0); column <= std::min(right, size.columns - 1); ++column)
            setCell(map, column, row, cell);
    return map;
}

CellMap withCellsFilled(CellMap map, MapSize size, CellPlace at, uint8_t cell) {
    if (!size.has(at))
        return map;
    const uint8_t old = cellAt(map, at.column, at.row);
    if (old == cell)
        return map;
    std::vector<CellPlace> next{at};
    while (!next.empty()) {
        const CellPlace here = next.back();
        next.pop_back();
        if (!size.has(here) || cellAt(map, here.column, here.row) != old)
            continue;
        setCell(map, here.column, here.row, cell);
        for (const auto& [across, down] : {std::pair(1, 0), {-1, 0}, {0, 1}, {0, -1}})
            next.push_back({here.column + across, here.row + down});
    }
    return map;
}

}  // namespace gorsefinch
