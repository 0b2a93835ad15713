// SPDX-License-Identifier: GPL-3.0-or-later
#include "core/scene/built_scene.h"

#include <algorithm>

#include "runtime/gorse_internal.h"

namespace gorsefinch {

long BuiltScene::stateBytes(int dirty) const {
    const long here = static_cast<long>(gorse_state_bytes(&scene));
    return here + static_cast<long>(sizeof(gorse_area)) * (dirty - GORSE_DIRTY);
}

bool BuiltScene::isMade(const std::string& screen, const Widget& widget) const {
    if (widget.copyOf && (widget.copyOf->widget != widget.name || widget.copyOf->screen != screen))
        return true;
    if (!isMadeName(widget.name))
        return false;
    const ScreenRef own = given.screen(screen);
    return !own || widgetIndex(*own, widget.name) < 0;
}

int BuiltScene::drawnNumber(int screen, const Widget& own) const {
    return screen < 0 ? -1 : widgetIndex(*document.screens[static_cast<size_t>(screen)], own.name);
}

int BuiltScene::stackDepth() const {
    int depth = std::max(4, rules->stackDepth);
    for (const CompiledText& text : rules->strings)
        depth = std::max(depth, text.stackDepth);
    for (const CompiledText& text : startTexts)
        depth = std::max(depth, text.stackDepth);
    for (const auto& part : parts)
        depth = std::max(depth, part->stackDepth);
    return depth;
}

long BuiltScene::bufferBytes() const {
    const Panel& p = *document.panel;
    const bool pages = info(p.format).layout == PixelLayout::Pages;
    const long lines = pages ? (p.stripLines + 7) / 8 : p.stripLines;
    const long wanted = (packedRowBytes(p.format, p.width) * lines + 3) / 4 * 4;
    return std::max(wanted, static_cast<long>(panel.min_buffer_bytes));
}

const std::vector<std::shared_ptr<const ScreenPart>>& BuiltScene::partsIn(size_t set) const {
    return set == 0 ? parts : otherSets[set - 1].parts;
}

const std::vector<std::shared_ptr<const ScreenTables>>& BuiltScene::tablesIn(size_t set) const {
    return set == 0 ? tables : otherSets[set - 1].tables;
}

const std::vector<gorse_screen>& BuiltScene::screensIn(size_t set) const {
    return set == 0 ? screens : otherSets[set - 1].screens;
}

const gorse_scene& BuiltScene::uprightIn(size_t set) const { return set == 0 ? upright : otherSets[set - 1].upright; }

std::vector<std::shared_ptr<const ScreenPart>> BuiltScene::allParts() const {
    std::vector<std::shared_ptr<const ScreenPart>> out = parts;
    for (const ColourSet& set : otherSets)
        for (size_t i = 0; i < parts.size(); ++i)
            if (set.parts[i] != parts[i])
                out.push_back(set.parts[i]);
    return out;
}

}  // namespace gorsefinch
