// SPDX-License-Identifier: GPL-3.0-or-later
#include "core/emit/c_record.h"
#include "core/emit/scene_writer.h"

namespace gorsefinch {

std::string writeGlides(const BuiltScene& scene) {
    if (!scene.scene.glides)
        return {};
    const std::string& name = scene.document.name;
    const gorse_glides& g = scene.glides;
    std::string out = "static const GORSE_ROM gorse_glide " + name + "_glide_list[] = {\n";
    for (const gorse_glide& each : scene.rules->glides)
        out += "    " + recordInitialiser(glideRecord, &each, {}) + ",\n";
    return out + "};\nstatic const GORSE_ROM gorse_glides " + name + "_glides = {" + name + "_glide_list, " +
           std::to_string(g.state_at) + "u, " + std::to_string(g.count) + ", " + std::to_string(g.at_a_time) + "};\n\n";
}

}  // namespace gorsefinch
