// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include "core/kinds/value.h"

// Painting on a map of tiles: each function returns the map with what was painted. Cells outside it stay as they are.
namespace gorsefinch {

struct CellPlace {
    int column = 0, row = 0;
    friend bool operator==(const CellPlace&, const CellPlace&) = default;
};

// Columns and rows of a map, at most kMaxMapSide each.
struct MapSize {
    int columns = 0, rows = 0;

    bool has(CellPlace place) const {
        return place.column >= 0 && place.column < columns && place.row >= 0 && place.row < rows;
    }
};

// The cells on the straight line between two places, without gaps; both may be outside.
CellMap withCellLine(CellMap map, MapSize size, CellPlace from, CellPlace to, uint8_t cell);
// All cells of the rectangle with these corners.
CellMap withCellBox(CellMap map, MapSize size, CellPlace from, CellPlace to, uint8_t cell);
// The cell at a place and those like it that touch it at a side, directly or through others.
CellMap withCellsFilled(CellMap map, MapSize size, CellPlace at, uint8_t cell);

}  // namespace gorsefinch
