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

// A point in the box of a widget, pixels from its top left.
struct Point {
    int x = 0, y = 0;
    friend auto operator<=>(const Point&, const Point&) = default;
};
using PointList = std::vector<Point>;
inline constexpr int kMaxPoint = 4096;  // the largest coordinate, to both sides

// Colour{} in words.
inline constexpr std::string_view kNoColour = "none";

constexpr Colour opaque(uint32_t rgb) { return Colour{0xff000000u | rgb}; }

// "#RRGGBB", "#RRGGBBAA" or kNoColour.
std::string toText(Colour colour);
// Nothing for any other text.
std::optional<Colour> colourFromText(std::string_view text);

// A part of a range with a colour of its own. Its ends are numbers as text, in the unit of the value that is shown.
struct Zone {
    std::string from, to;
    Colour colour;
    std::string named = {};  // the project's colour that it has instead; "" for none
    friend auto operator<=>(const Zone&, const Zone&) = default;
};
using ZoneList = std::vector<Zone>;
inline constexpr size_t kMaxZoneText = 24;  // bytes of an end

// A map of cells, row by row: 0 for none, else the number of a frame from 1 on. What is missing is none.
using CellMap = std::vector<std::vector<uint8_t>>;
inline constexpr int kMaxMapSide = 255;  // cells
// A row as "1 1 2", without the cells that are none at its end.
std::string toText(const std::vector<uint8_t>& row);
// Nothing for any other text, or more than kMaxMapSide cells.
std::optional<std::vector<uint8_t>> cellRowFromText(std::string_view text);
// A cell, which may be outside the map: none.
uint8_t cellAt(const CellMap& map, int column, int row);
// Sets a cell, whose place is not negative and below kMaxMapSide. Keeps no cells at the ends that are none.
void setCell(CellMap& map, int column, int row, uint8_t cell);

// "0,0 20,10": in pairs, apart by spaces.
std::string toText(const PointList& points);
// Nothing for any other text, or a coordinate beyond kMaxPoint.
std::optional<PointList> pointsFromText(std::string_view text);

// The name of one of the project's colours or sizes, in place of its value.
struct ValueName {
    std::string name;
    friend auto operator<=>(const ValueName&, const ValueName&) = default;
};

// What a property can hold. Choices, and names of images, fonts and looks, are texts.
using PropertyValue = std::variant<bool, int64_t, std::string, Colour, PointList, ZoneList, CellMap, ValueName>;

// Only what was set; what is absent has its look's or its kind's default. Ordered, so files are stable.
using PropertyMap = std::map<std::string, PropertyValue, std::less<>>;

// Expressions by the keys of the properties that take their values, without the "=" that files write before them.
using ExpressionMap = std::map<std::string, std::string, std::less<>>;
inline constexpr size_t kMaxExpression = 1000;  // bytes
// The expression of a text such as "= a + b"; nothing if the text is a plain one: "==" begins a text that begins with
// "=", and "=" alone is one.
std::optional<std::string> expressionText(std::string_view text);

// Keys that this version does not know, each with its JSON text, kept as they were.
using UnknownKeys = std::vector<std::pair<std::string, std::string>>;

}  // namespace gorsefinch
