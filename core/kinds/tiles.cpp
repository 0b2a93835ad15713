// SPDX-License-Identifier: GPL-3.0-or-later
#include <algorithm>

#include "core/kinds/kinds.h"

namespace gorsefinch {

namespace {

constexpr int kMostPanned = 28000;  // pixels: with any box the sum fits 16 bits

const PropertyInfo tilesProperties[] = {
    {.key = "image",
     .label = "Image",
     .type = PropertyType::Image,
     .fallback = std::string(),
     .help = "an image whose frames are the cells, each as large as a cell",
     .required = true},
    {.key = "columns",
     .label = "Columns",
     .type = PropertyType::Whole,
     .fallback = int64_t{8},
     .min = 1,
     .max = kMaxMapSide,
     .help = "cells in a row of the map"},
    {.key = "rows",
     .label = "Rows",
     .type = PropertyType::Whole,
     .fallback = int64_t{8},
     .min = 1,
     .max = kMaxMapSide,
     .help = "cells in a column of the map"},
    {.key = "cells",
     .label = "Cells",
     .type = PropertyType::Cells,
     .fallback = CellMap{},
     .help = "painted on the map"},
    {.key = "pan_x",
     .label = "Pan left",
     .type = PropertyType::Whole,
     .fallback = int64_t{0},
     .min = -kMostPanned,
     .max = kMostPanned,
     .unit = "px",
     .help = "pixels of the map that lie left of the box",
     .inRules = true},
    {.key = "pan_y",
     .label = "Pan top",
     .type = PropertyType::Whole,
     .fallback = int64_t{0},
     .min = -kMostPanned,
     .max = kMostPanned,
     .unit = "px",
     .help = "pixels of the map that lie above the box",
     .inRules = true},
    {.key = "by_firmware",
     .label = "Firmware sets",
     .type = PropertyType::YesNo,
     .fallback = false,
     .help = "gives the firmware a function that sets a cell; takes a byte of RAM for each"},
};

constexpr FieldInfo tilesFields[] = {
    GORSEFINCH_FIELD(gorse_widget_tiles, animation, Animation, "image"),
    GORSEFINCH_FIELD(gorse_widget_tiles, cells, Cells),
    GORSEFINCH_FIELD(gorse_widget_tiles, pan_x, I16, "pan_x"),
    GORSEFINCH_FIELD(gorse_widget_tiles, pan_y, I16, "pan_y"),
    GORSEFINCH_FIELD(gorse_widget_tiles, columns, U8, "columns"),
    GORSEFINCH_FIELD(gorse_widget_tiles, rows, U8, "rows"),
    GORSEFINCH_FIELD(gorse_widget_tiles, set_by_firmware, U8, "by_firmware"),
    GORSEFINCH_FIELD(gorse_widget_tiles, reserved, Padding),
};

void completeTiles(RecordBuilder& builder) {
    gorse_widget_tiles& tiles = builder.record().tiles;
    const CellMap map = std::get<CellMap>(builder.value("cells"));
    std::vector<uint8_t> cells;
    cells.reserve(size_t{tiles.columns} * tiles.rows);
    for (int row = 0; row < tiles.rows; ++row)
        for (int column = 0; column < tiles.columns; ++column)
            cells.push_back(cellAt(map, column, row));
    const int most = *std::max_element(cells.begin(), cells.end());
    if (tiles.animation && most > tiles.animation->count)
        builder.report(Severity::Warning,
                       "the image has " + std::to_string(tiles.animation->count) + " frames, a cell of the map shows " +
                           std::to_string(most),
                       "Paint other cells, or choose another image");
    tiles.cells = builder.keepBytes(std::move(cells));
}

// A byte for each cell that was set.
Keeps keptCells(const gorse_record& built) {
    return {(long{built.tiles.columns} * built.tiles.rows + 3) / 4 * 4, built.tiles.set_by_firmware != 0};
}

void sampleTiles(Widget& widget, bool) {
    widget.properties["cells"] =
        CellMap{{1, 2, 1, 0, 1, 2}, {2, 1, 0, 2, 1, 1}, {1, 1, 2, 1, 0, 2}, {0, 2, 1, 1, 2, 1}};
}

}  // namespace

constexpr RecordInfo tilesRecord{"gorse_widget_tiles", sizeof(gorse_widget_tiles), &widgetRecord, "widget",
                                 tilesFields};
static_assert(isComplete(tilesRecord));

constinit const KindInfo tilesKind{
    .kind = Kind::Tiles,
    .key = "tiles",
    .help = "a map of cells that show frames of one image",
    .group = KindGroup::Words,
    .suffix = "map",
    .width = 128,
    .height = 96,
    .properties = tilesProperties,
    .record = &tilesRecord,
    .traits = kIsInked | kIsPadded | kHasBox | kHasCells,
    .runtime = {&gorse_kind_tiles, "gorse_kind_tiles", "gorse_kind_tiles.c"},
    .complete = completeTiles,
    .keeps = keptCells,
    .sample = sampleTiles,
};

}  // namespace gorsefinch
