// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include <span>
#include <string>
#include <string_view>
#include <vector>

#include "core/document/document.h"

namespace gorsefinch {

// The name that rules and expressions know the panel by, before a point and an output's key.
inline constexpr std::string_view kPanelName = "panel";
// The hook that plays tones: hertz and ms.
inline constexpr std::string_view kSoundHook = "sound";

// What a panel can have beside its picture and rules can set, in the order of Panel::outputs.
struct PanelOutput {
    const char* key;    // of the file; behind "panel." the name in rules
    const char* words;  // how the window calls it
    VariableType type;  // a yes/no or a number
    int max;            // the least is 0
    int usual;          // its start value where the user gives none
    const char* help;
};
std::span<const PanelOutput, kPanelOutputs> panelOutputs();

// Those that the panel has as variables that both write, in their order; their names are whole: "panel.light".
std::vector<Variable> outputVariables(const Panel& panel);
// The hook that hands an output's value to the panel: "panel_light".
std::string hookOf(const Variable& output);
// True if the panel's outputs call a hook of that name.
bool isHookOfOutputs(const Panel& panel, std::string_view hook);
// True for the name of an output, such as "panel.light", whether the panel has it or not.
bool isNameOfOutput(std::string_view name);

}  // namespace gorsefinch
