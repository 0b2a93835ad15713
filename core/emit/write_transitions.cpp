// SPDX-License-Identifier: GPL-3.0-or-later
#include "core/emit/c_record.h"
#include "core/emit/scene_writer.h"

namespace gorsefinch {

std::string writeTransitions(const BuiltScene& scene) {
    if (!scene.scene.transitions)
        return {};
    const std::string& name = scene.document.name;
    const gorse_transitions& t = scene.transitions;
    std::string out = "static const GORSE_ROM gorse_transition " + name + "_transition_list[] = {\n";
    for (const gorse_transition& each : scene.transitionList)
        out += "    {" + std::to_string(each.ms) + ", " + std::to_string(each.how) + ", " + std::to_string(each.way) +
               ", " + std::to_string(each.ease) + ", {0, 0, 0}},\n";
    return out + "};\nstatic const GORSE_ROM gorse_transitions " + name + "_transitions = {" + name +
           "_transition_list, " + (t.mix_back ? "gorse_mix_back" : "0") + ", " + std::to_string(t.state_at) + "u, " +
           std::to_string(t.bytes) + ", " + std::to_string(t.count) + ", " + std::to_string(t.fades) + "};\n\n";
}

}  // namespace gorsefinch
