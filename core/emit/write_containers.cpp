// SPDX-License-Identifier: GPL-3.0-or-later
#include "core/emit/scene_writer.h"

namespace gorsefinch {

std::string writeContainers(const BuiltScene& scene) {
    if (!scene.scene.containers)
        return {};
    const std::string& name = scene.document.name;
    const gorse_containers& c = scene.containers;
    std::string out, all;
    for (size_t i = 0; i < scene.parts.size(); ++i) {
        std::string symbol = "0";
        if (!scene.parts[i]->holders.empty()) {
            symbol = name + "_screen_" + scene.parts[i]->source->name + "_holders";
            std::string list;
            for (const uint16_t each : scene.parts[i]->holders)
                list += (list.empty() ? "" : ", ") + (each == GORSE_NONE ? "GORSE_NONE" : std::to_string(each));
            out += "static const GORSE_ROM uint16_t " + symbol + "[] = {" + list + "};\n";
        }
        all += (all.empty() ? "" : ", ") + symbol;
    }
    return out + "static const GORSE_ROM uint16_t *const GORSE_ROM " + name + "_holders[] = {" + all + "};\n" +
           "static const GORSE_ROM gorse_containers " + name + "_containers = {" + name + "_holders, " +
           (c.mix_back ? "gorse_mix_back" : "0") + ", " + std::to_string(c.state_at) + "u, " +
           std::to_string(c.scrolls) + ", " + std::to_string(c.fades) + ", {0, 0}};\n\n";
}

}  // namespace gorsefinch
