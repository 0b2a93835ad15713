// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include "core/scene/built_scene.h"
#include "core/sim/panel_memory.h"

// What a runtime on the desktop needs beside its scene.
namespace gorsefinch {

// Reads bytes of the scene's outside memory. What lies behind the end reads as the erased memory of a chip.
void readOutside(const BuiltScene& scene, uint32_t address, uint8_t* to, uint16_t n);
// The set of colours that a runtime of the scene shows.
size_t shownSet(const BuiltScene& scene, const gorse& run);
// The memory of a panel.
PanelMemory memoryFor(const gorse_panel& panel, PixelFormat format);

}  // namespace gorsefinch
