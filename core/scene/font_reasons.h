// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include "core/scene/built_scene.h"

namespace gorsefinch {

// Why a font holds characters: the words of a widget, a value that it shows, a text that rules give it, or an entry
// of the font's settings.
struct FontReason {
    enum class What { Words, Value, Rule, Held };
    What what = What::Words;
    std::string screen, widget;  // of what a widget shows
    std::string detail;          // the words, "{kiln_temp:0.1}", or the block's or file's name
    std::set<char32_t> characters;
    size_t entry = 0;  // number of the settings' entry
};

// All reasons of a font, those of widgets first, by screen. `held` are the font's own entries.
std::vector<FontReason> fontReasons(const BuiltScene& scene, const BakedFont& font);

}  // namespace gorsefinch
