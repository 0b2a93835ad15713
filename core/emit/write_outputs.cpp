// SPDX-License-Identifier: GPL-3.0-or-later
#include "core/emit/scene_writer.h"
#include "core/kinds/runtime_records.h"

namespace gorsefinch {

namespace {

std::string number(long long value) { return std::to_string(value); }

}  // namespace

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
            out += (i == 0 ? "{" : ", {") + number(outputs.each[i].number) + ", " + number(outputs.each[i].hook) + "}";
        out += "};\n";
    }
    if (outputs.tones) {
        out += prefix + "tone " + name + "_tones[] = {\n";
        std::string line;
        for (const gorse_tone& each : scene.rules->tones) {
            line += (line.empty() ? "    {" : ", {") + number(each.hertz) + ", " + number(each.ms) + "}";
            if (each.ms == 0)
                out += std::exchange(line, {}) + ",\n";
        }
        out += "};\n";
    }
    return out + prefix + "outputs " + name + "_outputs = {" + (outputs.count != 0 ? name + "_output_list" : "0") +
           ", " + (outputs.tones ? name + "_tones" : "0") + ", " + number(outputs.sound_at) + "u, " +
           number(outputs.known_at) + "u, " + number(outputs.count) + ", " + number(outputs.sound_hook) + "};\n\n";
}

}  // namespace gorsefinch
