// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include <functional>

#include "core/sim/draw_screen.h"

namespace gorsefinch {

// Gives `look` a runtime that shows a screen as drawScreen() draws it, before it is drawn, and the panel's memory that
// it would draw to. They end with the call.
void withShownScreen(const BuiltScene& scene, int screen, const Twin* values, const ShownStates& states,
                     const ShownPanes* panes, const std::function<void(gorse& run, PanelMemory& memory)>& look);

}  // namespace gorsefinch
