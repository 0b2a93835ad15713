// SPDX-License-Identifier: GPL-3.0-or-later
#include "core/document/panel_outputs.h"

#include <algorithm>
#include <array>

namespace gorsefinch {

namespace {

constexpr std::array<PanelOutput, kPanelOutputs> table = {
    {{"light", "Light", VariableType::Whole, 100, 100, "the brightness of its backlight"},
     {"contrast", "Contrast", VariableType::Whole, 100, 50, "the contrast of its glass"},
     {"invert", "Inversion", VariableType::YesNo, 1, 0, "light and dark exchanged"},
     {"on", "Switching", VariableType::YesNo, 1, 1, "the picture on and off"}}};

std::string nameOf(const PanelOutput& output) { return std::string(kPanelName) + "." + output.key; }

}  // namespace

std::span<const PanelOutput, kPanelOutputs> panelOutputs() { return table; }

std::vector<Variable> outputVariables(const Panel& panel) {
    std::vector<Variable> out;
    for (size_t i = 0; i < kPanelOutputs; ++i) {
        if (!panel.outputs[i])
            continue;
        Variable& variable = out.emplace_back();
        variable.name = nameOf(table[i]);
        variable.type = table[i].type;
        variable.min = 0;
        variable.max = table[i].max;
        variable.start = *panel.outputs[i];
        variable.writer = Writer::Both;
    }
    return out;
}

std::string hookOf(const Variable& output) {
    std::string out = output.name;
    std::replace(out.begin(), out.end(), '.', '_');
    return out;
}

bool isHookOfOutputs(const Panel& panel, std::string_view hook) {
    if (hook == kSoundHook)
        return panel.sound;
    const std::vector<Variable> outputs = outputVariables(panel);
    return std::any_of(outputs.begin(), outputs.end(), [&](const Variable& each) { return hookOf(each) == hook; });
}

bool isNameOfOutput(std::string_view name) {
    return std::any_of(table.begin(), table.end(), [&](const PanelOutput& each) { return nameOf(each) == name; });
}

}  // namespace gorsefinch
