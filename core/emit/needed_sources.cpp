// SPDX-License-Identifier: GPL-3.0-or-later
#include <set>

#include "core/emit/runtime_sources.h"

namespace gorsefinch {

namespace {

// Files that only some scenes need.
bool isOptional(std::string_view name) {
    for (const std::string_view prefix : {"gorse_kind_", "gorse_format_", "gorse_image_", "gorse_turn_"})
        if (name.starts_with(prefix) && name.ends_with(".c"))
            return true;
    return false;
}

}  // namespace

std::vector<std::string> neededSources(const BuiltScene& scene) {
    std::set<std::string> chosen;
    const PixelFormatInfo& format = info(scene.document.panel->format);
    chosen.insert(format.panelSource);
    if (scene.panel.turn)
        chosen.insert(format.bits == 1 ? "gorse_turn_pages.c" : "gorse_turn_pixels.c");
    for (const auto& part : scene.parts) {
        for (const WidgetRef& widget : part->source->widgets)
            chosen.insert(info(widget->kind).source);
        for (const BakedImageRef& image : part->images)
            if (!image->pixels.empty())
                chosen.insert(info(image->format).imageSource);
    }
    std::vector<std::string> out;
    for (const RuntimeSource& source : runtimeSources())
        if (!isOptional(source.name) || chosen.count(std::string(source.name)) != 0)
            out.emplace_back(source.name);
    return out;
}

}  // namespace gorsefinch
