// SPDX-License-Identifier: GPL-3.0-or-later
#include "core/scene/panel_record.h"

#include <algorithm>

#include "core/image/pack.h"
#include "core/project/project_text.h"
#include "runtime/gorse_fade.h"

namespace gorsefinch {

namespace {

// Where what is sent may begin: at whole bytes of the panel's memory, which a turned panel counts from another edge.
void fillUnits(const Panel& panel, gorse_panel& p, bool turned) {
    const PixelFormatInfo& f = info(panel.format);
    const int across = f.layout == PixelLayout::Pages ? 1 : f.pixelsPerByte();
    const int down = f.layout == PixelLayout::Pages ? 8 : 1;
    const bool sideways = turned && panel.turn % 180 != 0;
    const int unit = std::max(across, down);
    p.unit_x = static_cast<uint8_t>(sideways ? unit : across);
    p.unit_y = static_cast<uint8_t>(sideways ? unit : down);
    // The turn and the mirror each may exchange left and right, or top and bottom, of the memory.
    const bool fromRight = turned && ((panel.turn == 90 || panel.turn == 180) != panel.mirrorX);
    const bool fromBelow = turned && ((panel.turn == 180 || panel.turn == 270) != panel.mirrorY);
    const bool x = sideways ? fromBelow : fromRight, y = sideways ? fromRight : fromBelow;
    p.phase_x = static_cast<uint8_t>(x ? panel.width % p.unit_x : 0);
    p.phase_y = static_cast<uint8_t>(y ? panel.height % p.unit_y : 0);
}

// A panel takes whole bytes: what it is sent may begin nowhere else.
void tellOffset(BuiltScene& out, const char* key, const char* what, int offset, int unit) {
    if (offset % unit == 0)
        return;
    Problem problem;
    problem.file = kMainFile;
    problem.place = std::string("panel.") + key;
    problem.reason = std::string("the first ") + what + ", " + std::to_string(offset) + ", lies inside a byte of " +
                     info(out.document.panel->format).key;
    problem.remedy = "Give a multiple of " + std::to_string(unit);
    out.problems.add({std::move(problem)});
}

}  // namespace

void fillPanel(BuiltScene& out) {
    const Panel& panel = *out.document.panel;
    gorse_panel& p = out.panel;
    p.format = info(panel.format).panel;
    p.width = static_cast<uint16_t>(panel.width);
    p.height = static_cast<uint16_t>(panel.height);
    for (const Colour each : panelPalette(panel))
        out.palette.push_back(each.argb);
    p.palette = out.palette.empty() ? nullptr : out.palette.data();
    p.palette_count = static_cast<uint16_t>(out.palette.size());
    fillUnits(panel, p, false);
    p.min_buffer_bytes = static_cast<uint32_t>(packedRowBytes(panel.format, panel.width));
    p.paint = gorse_paint_rows;
    out.uprightPanel = p;
    p.column_offset = static_cast<uint16_t>(panel.columnOffset);
    p.row_offset = static_cast<uint16_t>(panel.rowOffset);
    p.quarter_turns = static_cast<uint8_t>(panel.turn / 90);
    p.flags =
        static_cast<uint8_t>((panel.mirrorX ? GORSE_PANEL_MIRROR_X : 0) | (panel.mirrorY ? GORSE_PANEL_MIRROR_Y : 0) |
                             (panel.invert ? GORSE_PANEL_INVERT : 0) |
                             (panel.swapRedBlue && info(panel.format).bits > 8 ? GORSE_PANEL_SWAP_RED_BLUE : 0));
    fillUnits(panel, p, true);
    if (p.quarter_turns % 2 != 0) {
        p.paint = gorse_paint_squares;
        const uint32_t side = std::max(p.unit_x, p.unit_y), bits = static_cast<uint32_t>(info(panel.format).bits);
        p.min_buffer_bytes = (side * side * bits + 7) / 8;
    }
    if (p.quarter_turns != 0 || p.flags != 0)
        p.turn = turnOf(panel.format).function;
    const PixelFormatInfo& format = info(panel.format);
    const bool pages = format.layout == PixelLayout::Pages;
    tellOffset(out, "column_offset", "column", panel.columnOffset, pages ? 1 : format.pixelsPerByte());
    tellOffset(out, "row_offset", "row", panel.rowOffset, pages ? 8 : 1);
}

void addCopyBuffer(BuiltScene& out) {
    int levels = 0;
    for (const auto& part : out.parts)
        levels = std::max(levels, part->fadingContainers);
    const uint32_t fades = static_cast<uint32_t>(levels) + out.transitions.fades;
    for (gorse_panel* p : {&out.panel, &out.uprightPanel}) {
        const bool squares = p->paint == gorse_paint_squares;
        if (fades == 0) {
            p->paint = squares ? gorse_paint_squares_with_copy : gorse_paint_rows_with_copy;
            p->min_buffer_bytes = (p->min_buffer_bytes * (squares ? 12 : 4) + 15) / 16 * 16;
            continue;
        }
        p->paint = squares ? gorse_paint_squares_with_copies : gorse_paint_rows_with_copies;
        p->min_buffer_bytes = (p->min_buffer_bytes * (squares ? 3 : 1) + 3) / 4 * 4 * (4 + fades);
    }
}

}  // namespace gorsefinch
