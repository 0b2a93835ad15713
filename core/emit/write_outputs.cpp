// SPDX-License-Identifier: GPL-3.0-or-later
#include "core/emit/scene_writer.h"

namespace gorsefinch {

std::string writeOutputs(const BuiltScene& scene) {
    if (!scene.scene.outputs)
        return {};
    const std::string prefix = "static const GORSE_ROM gorse_";
    const std::string& name = scene.document.name;
    const gorse_outputs& outputs = scene.outputs;
    std::string out;
    if (outputs.count != 0) {
        out += prefix + "output " + name + "_output_list[] = {";
        for (size_t i = 0; i < outputs.count; ++i)
            out += (i == 0 ? "{" : ", {") + std::to_string(outputs.each[i].number) + ", " +
                   std::to_string(outputs.each[i].hook) + "}";
        out += "};\n";
    }
    if (outputs.tones) {
        out += prefix + "tone " + name + "_tones[] = {\n";
        std::string line;
        for (const gorse_tone& each : scene.rules->tones) {
            line +=
                (line.empty() ? "    {" : ", {") + std::to_string(each.hertz) + ", " + std::to_string(each.ms) + "}";
            if (each.ms == 0)
                out += std::exchange(line, {}) + ",\n";
        }
        out += "};\n";
    }
    return out + prefix + "outputs " + name + "_outputs = {" + (outputs.count != 0 ? name + "_output_list" : "0") +
           ", " + (outputs.tones ? name + "_tones" : "0") + ", " + std::to_string(outputs.sound_at) + "u, " +
           std::to_string(outputs.known_at) + "u, " + std::to_string(outputs.count) + ", " +
           std::to_string(outputs.sound_hook) + "};\n\n";
}

}  // namespace gorsefinch
