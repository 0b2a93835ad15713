// SPDX-License-Identifier: GPL-3.0-or-later
#include "core/sim/seen_picture.h"

#include <algorithm>
#include <array>
#include <cmath>

#include "core/document/panel_outputs.h"

namespace gorsefinch {

namespace {

constexpr int kOff = 18;  // the level of glass that is switched off
constexpr double kLeast = 0.1;

// The levels that those of the picture become.
std::array<uint8_t, 256> levelsOf(const OutputState& outputs) {
    const double slope = outputs.contrast <= 50 ? outputs.contrast / 50.0 : 1 + (outputs.contrast - 50) / 25.0;
    // Light is linear, levels are not: 2.2 is the exponent of common panels.
    const double light = std::max(kLeast, std::pow(outputs.light / 100.0, 1 / 2.2));
    std::array<uint8_t, 256> out{};
    for (int i = 0; i < 256; ++i) {
        const double level = std::clamp(127.5 + ((outputs.inverted ? 255 - i : i) - 127.5) * slope, 0.0, 255.0);
        out[static_cast<size_t>(i)] = static_cast<uint8_t>(outputs.on ? std::lround(level * light) : kOff);
    }
    return out;
}

}  // namespace

OutputState outputsOf(const Twin& twin) {
    OutputState out;
    const BuiltScene& scene = twin.scene();
    const std::vector<Variable> outputs = outputVariables(*scene.document.panel);
    for (size_t i = 0; i < outputs.size(); ++i) {
        const int value = gorse_number(const_cast<Twin&>(twin).run(), scene.outputList[i].number);
        const std::string_view key = std::string_view(outputs[i].name).substr(kPanelName.size() + 1);
        if (key == "light")
            out.light = value;
        else if (key == "contrast")
            out.contrast = value;
        else if (key == "invert")
            out.inverted = value != 0;
        else
            out.on = value != 0;
    }
    return out;
}

void applyOutputs(Picture& picture, const OutputState& outputs) {
    if (outputs == OutputState())
        return;
    const std::array<uint8_t, 256> levels = levelsOf(outputs);
    for (uint32_t& pixel : picture.pixels)
        pixel = (pixel & 0xff000000u) | uint32_t{levels[pixel >> 16 & 0xff]} << 16 |
                uint32_t{levels[pixel >> 8 & 0xff]} << 8 | levels[pixel & 0xff];
}

}  // namespace gorsefinch
