// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include "core/sim/twin.h"

namespace gorsefinch {

// Draws one screen as it would look with the twin's values, without running rules, upright.
// `states` shows its widgets otherwise, and one of them as if it were in some states.
struct ShownStates {
    std::string widget;
    uint8_t bits = 0;                                  // GORSE_STATE_PRESSED, GORSE_STATE_ON
    std::vector<std::string> hidden = {}, shown = {};  // widgets that are drawn otherwise than they start
    std::optional<size_t> set = {};                    // of colours; nothing: the one that the values show
    bool withoutTexts = false;                         // what looks write is left out
    bool stale = false;                                // variables have had no news for long
};
// `panes` shows other pages and drawers than the screen begins with.
PanelMemory drawScreen(const BuiltScene& scene, int screen, const Twin* values = nullptr,
                       const ShownStates& states = {}, const ShownPanes* panes = nullptr);

}  // namespace gorsefinch
