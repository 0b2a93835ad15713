// SPDX-License-Identifier: GPL-3.0-or-later
#include "core/emit/c_record.h"
#include "core/emit/runtime_symbols.h"
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
    out += "};\n";
    const auto words = [&](const char* what, const std::vector<uint16_t>& all) {
        std::string list;
        for (const uint16_t each : all)
            list += (list.empty() ? "" : ", ") + (each == GORSE_NONE ? "GORSE_NONE" : std::to_string(each));
        out += "static const GORSE_ROM uint16_t " + name + "_" + what + "[] = {" + list + "};\n";
    };
    if (t.keeps) {
        words("keeps", scene.keeps);
        words("kept_bytes", scene.keptBytes);
    }
    return out + "static const GORSE_ROM gorse_transitions " + name + "_transitions = {" + name + "_transition_list, " +
           (t.mix_back ? "gorse_mix_back" : "0") + ", " + std::to_string(t.state_at) + "u, " +
           std::to_string(t.levels_at) + "u, " + (t.keeps ? name + "_keeps, " + name + "_kept_bytes, " : "0, 0, ") +
           motionSymbol(t.inner) + ", " + std::to_string(t.bytes) + ", " + std::to_string(t.count) + ", " +
           std::to_string(t.fades) + ", " + std::to_string(t.levels) + ", " + std::to_string(t.has_levels) +
           ", {0, 0}};\n\n";
}

}  // namespace gorsefinch
