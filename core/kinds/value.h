// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include <cstdint>
#include <map>
#include <optional>
#include <string>
#include <string_view>
#include <variant>
#include <vector>

namespace gorsefinch {

// 0xAARRGGBB, not premultiplied; alpha 0 is "none".
struct Colour {
    uint32_t argb = 0;
    friend auto operator<=>(const Colour&, const Colour&) = default;
};

constexpr Colour opaque(uint32_t rgb) { return Colour{0xff000000u | rgb}; }

// "#RRGGBB", "#RRGGBBAA" or "none".
std::string toText(Colour colour);
// Nothing for any other text.
std::optional<Colour> colourFromText(std::string_view text);

// What a property can hold. Choices, and names of images, fonts and looks, are texts.
using PropertyValue = std::variant<bool, int64_t, std::string, Colour>;

// Only what was set; what is absent has its look's or its kind's default. Ordered, so files are stable.
using PropertyMap = std::map<std::string, PropertyValue, std::less<>>;

// Keys that this version does not know, each with its JSON text, kept as they were.
using UnknownKeys = std::vector<std::pair<std::string, std::string>>;

}  // namespace gorsefinch
