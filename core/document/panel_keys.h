// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include <optional>
#include <span>
#include <string>
#include <string_view>
#include <vector>

#include "core/document/document.h"

namespace gorsefinch {

// Keys that the runtime acts on, by their numbers (GORSE_KEY_...): up, down, left, right, enter, back, push.
std::span<const char* const> knownKeys();
// The knob's push, which a panel with a knob has.
inline constexpr std::string_view kPushKey = "push";

// The number of a panel's key: a known one has that of the runtime, its own ones follow in the order of the panel's
// list. Nothing if the panel has no such key.
std::optional<int> keyNumber(const Panel& panel, std::string_view name);
// All keys of a panel, the push of its knob last.
std::vector<std::string> keysOf(const Panel& panel);
// True if anything but a finger operates the panel.
bool hasKeys(const Panel& panel);

// What is wrong with a list of keys, as a sentence; nothing if they are possible.
std::optional<std::string> keysError(std::span<const std::string> keys);

}  // namespace gorsefinch
