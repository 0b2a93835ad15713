// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include <algorithm>
#include <optional>
#include <span>
#include <string_view>
#include <utility>

namespace gorsefinch {

// The words that stand for the values of an enumeration in files and on the command line.
template <typename E>
using KeyTable = std::span<const std::pair<E, const char*>>;

template <typename E>
const char* keyOf(KeyTable<E> keys, E value) {
    return std::find_if(keys.begin(), keys.end(), [&](const auto& k) { return k.first == value; })->second;
}

template <typename E>
std::optional<E> valueOfKey(KeyTable<E> keys, std::string_view key) {
    for (const auto& [value, name] : keys)
        if (key == name)
            return value;
    return std::nullopt;
}

}  // namespace gorsefinch
