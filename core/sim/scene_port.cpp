// SPDX-License-Identifier: GPL-3.0-or-later
#include "core/sim/scene_port.h"

namespace gorsefinch {

size_t shownSet(const BuiltScene& scene, const gorse& run) {
    return scene.scene.themes ? static_cast<size_t>(gorse_number(&run, scene.themes.number)) : 0;
}

void readOutside(const BuiltScene& scene, uint32_t address, uint8_t* to, uint16_t n) {
    for (uint16_t i = 0; i < n; ++i)
        to[i] = address + i < scene.outside.size() ? scene.outside[address + i] : 0xff;
}

PanelMemory memoryFor(const gorse_panel& panel, PixelFormat format) {
    const bool sideways = panel.quarter_turns % 2 != 0;
    std::vector<Colour> palette;
    for (uint16_t i = 0; i < panel.palette_count; ++i)
        palette.push_back({panel.palette[i]});
    return {format, (sideways ? panel.height : panel.width) + panel.column_offset,
            (sideways ? panel.width : panel.height) + panel.row_offset, std::move(palette)};
}

}  // namespace gorsefinch
