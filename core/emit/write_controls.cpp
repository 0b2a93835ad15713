// SPDX-License-Identifier: GPL-3.0-or-later
#include "core/emit/scene_writer.h"

namespace gorsefinch {

namespace {

std::string words(const std::string& name, const std::vector<uint16_t>& all) {
    std::string list;
    for (const uint16_t each : all)
        list += (list.empty() ? "" : ", ") + std::to_string(each);
    return "static const GORSE_ROM uint16_t " + name + "[] = {" + list + "};\n";
}

}  // namespace

std::string writeControls(const BuiltScene& scene) {
    if (!scene.scene.controls)
        return {};
    const std::string& name = scene.document.name;
    const gorse_controls& c = scene.controls;
    std::string out;
    if (!scene.margins.empty()) {
        out += "static const GORSE_ROM gorse_margin " + name + "_margins[] = {\n";
        for (const gorse_margin& each : scene.margins)
            out += "    {" + std::to_string(each.screen) + ", " + std::to_string(each.widget) + ", " +
                   std::to_string(each.pixels) + ", 0},\n";
        out += "};\n\n";
    }
    if (c.focus_starts)
        out += words(name + "_focus_order", scene.focusOrder) + words(name + "_focus_starts", scene.focusStarts);
    return out + "static const GORSE_ROM gorse_controls " + name + "_controls = {" +
           (scene.margins.empty() ? "0" : name + "_margins") + ", " +
           (c.focus_starts ? name + "_focus_order, " + name + "_focus_starts" : "0, 0") + ", " +
           std::to_string(c.state_at) + "u, " + std::to_string(c.focus_at) + "u, " + std::to_string(c.typing_at) +
           "u, " + std::to_string(c.margin_count) + ", " + std::to_string(c.hold) + ", " +
           std::to_string(c.focus_wraps) + ", " + std::to_string(c.has_focus) + ", " + std::to_string(c.typing_bytes) +
           ", 0};\n\n";
}

}  // namespace gorsefinch
