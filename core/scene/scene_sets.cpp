// SPDX-License-Identifier: GPL-3.0-or-later
#include "core/scene/scene_record.h"

namespace gorsefinch {

void fillSets(BuiltScene& out) {
    if (out.otherSets.empty())
        return;
    out.upright.themes = &out.uprightThemes;
    out.inSets = {&out.scene};
    out.uprightInSets = {&out.upright};
    Document document = out.document;
    for (size_t set = 1; set < out.setCount(); ++set) {
        NamedValues shown = *out.document.named;
        shown.shown = set;
        document.named = std::make_shared<const NamedValues>(std::move(shown));
        ColourSet& to = out.otherSets[set - 1];
        to.screens = out.screens;
        for (size_t i = 0; i < to.screens.size(); ++i) {
            const uint32_t colour = backgroundOf(document, *out.document.screens[i]).argb & 0x00ffffffu;
            to.screens[i].background = colour | (to.screens[i].background & 0xff000000u);
            to.screens[i].widgets = to.tables[i]->widgets.data();
            if (to.own[i] && to.own[i]->slots)
                to.screens[i].slots = to.parts[i]->slots.data();
        }
        to.scene = out.scene;
        to.upright = out.upright;
        to.scene.screens = to.upright.screens = to.screens.data();
        to.keepers = out.keepers;
        for (gorse_keeper& each : to.keepers)
            each.of = &to.tables[each.screen]->records[each.widget].widget;
        to.scene.keepers = to.upright.keepers = to.keepers.data();
        out.inSets.push_back(&to.scene);
        out.uprightInSets.push_back(&to.upright);
    }
    out.themes.each = out.inSets.data();
    out.themes.count = static_cast<uint16_t>(out.inSets.size());
    out.uprightThemes = out.themes;
    out.uprightThemes.each = out.uprightInSets.data();
}

}  // namespace gorsefinch
