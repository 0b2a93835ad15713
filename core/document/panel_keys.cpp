// SPDX-License-Identifier: GPL-3.0-or-later
#include "core/document/panel_keys.h"

#include <algorithm>

#include "core/document/names.h"
#include "runtime/gorse_scene.h"

namespace gorsefinch {

namespace {

constexpr const char* knownTable[] = {"up", "down", "left", "right", "enter", "back", "push"};
static_assert(std::size(knownTable) == GORSE_KEY_OWN);

std::optional<int> knownNumber(std::string_view name) {
    const auto found =
        std::find_if(std::begin(knownTable), std::end(knownTable), [&](const char* known) { return name == known; });
    return found == std::end(knownTable) ? std::nullopt : std::optional(static_cast<int>(found - knownTable));
}

}  // namespace

std::span<const char* const> knownKeys() { return knownTable; }

std::optional<int> keyNumber(const Panel& panel, std::string_view name) {
    const std::vector<std::string> keys = keysOf(panel);
    if (std::find(keys.begin(), keys.end(), name) == keys.end())
        return std::nullopt;
    if (const auto known = knownNumber(name))
        return known;
    int number = GORSE_KEY_OWN;
    for (const std::string& each : panel.keys) {
        if (each == name)
            return number;
        number += knownNumber(each) ? 0 : 1;
    }
    return std::nullopt;
}

std::vector<std::string> keysOf(const Panel& panel) {
    std::vector<std::string> out = panel.keys;
    if (panel.knob)
        out.emplace_back(kPushKey);
    return out;
}

bool hasKeys(const Panel& panel) { return panel.knob || !panel.keys.empty(); }

std::optional<std::string> keysError(std::span<const std::string> keys) {
    if (keys.size() > kMaxKeys)
        return "a panel has at most " + std::to_string(kMaxKeys) + " keys";
    for (size_t i = 0; i < keys.size(); ++i) {
        if (const auto error = nameError(keys[i]))
            return *error;
        if (keys[i] == kPushKey)
            return "push is the knob's own key";
        if (std::find(keys.begin(), keys.begin() + static_cast<std::ptrdiff_t>(i), keys[i]) !=
            keys.begin() + static_cast<std::ptrdiff_t>(i))
            return "two keys are called " + keys[i];
    }
    return std::nullopt;
}

}  // namespace gorsefinch
