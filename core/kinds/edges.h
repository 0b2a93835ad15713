// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include <array>
#include <optional>
#include <string>
#include <string_view>

// The edges of what holds a widget that the widget keeps its distance from, as its property `anchors` says.
namespace gorsefinch {

enum Edge : unsigned { kLeftEdge = 1, kTopEdge = 2, kRightEdge = 4, kBottomEdge = 8 };

// The words for the bits, the lowest first.
inline constexpr std::array<const char*, 4> kEdgeWords{"left", "top", "right", "bottom"};
inline constexpr const char* kNoEdges = "none";

// Bits of Edge from words with a space between them, each at most once; nothing for other words.
std::optional<unsigned> edgesFromWords(std::string_view words);
std::string edgesInWords(unsigned edges);

}  // namespace gorsefinch
