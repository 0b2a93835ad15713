// SPDX-License-Identifier: GPL-3.0-or-later
#include "core/kinds/value.h"

#include <charconv>
#include <cstdio>

namespace gorsefinch {

std::string toText(Colour colour) {
    const unsigned alpha = colour.argb >> 24;
    if (alpha == 0)
        return std::string(kNoColour);
    char text[10];
    if (alpha == 255)
        std::snprintf(text, sizeof text, "#%06X", colour.argb & 0xffffffu);
    else
        std::snprintf(text, sizeof text, "#%06X%02X", colour.argb & 0xffffffu, alpha);
    return text;
}

std::optional<Colour> colourFromText(std::string_view text) {
    if (text == kNoColour)
        return Colour{0};
    if ((text.size() != 7 && text.size() != 9) || text[0] != '#')
        return std::nullopt;
    uint32_t value = 0;
    const auto end = text.data() + text.size();
    const auto [at, error] = std::from_chars(text.data() + 1, end, value, 16);
    if (error != std::errc() || at != end)
        return std::nullopt;
    return text.size() == 7 ? opaque(value) : Colour{(value >> 8) | (value << 24)};
}

std::string toText(const PointList& points) {
    std::string out;
    for (const Point& each : points)
        out += (out.empty() ? "" : " ") + std::to_string(each.x) + "," + std::to_string(each.y);
    return out;
}

std::optional<PointList> pointsFromText(std::string_view text) {
    const char* at = text.data();
    const char* const end = at + text.size();
    const auto skip = [&](auto passes) {
        while (at != end && passes(*at))
            ++at;
    };
    const auto isSpace = [](char c) { return c == ' ' || c == '\t'; };
    const auto number = [&](int& out) {
        skip(isSpace);
        const auto [next, error] = std::from_chars(at, end, out);
        at = next;
        return error == std::errc() && out >= -kMaxPoint && out <= kMaxPoint;
    };
    PointList out;
    for (skip(isSpace); at != end; skip([&](char c) { return isSpace(c) || c == ';'; })) {
        Point point;
        if (!number(point.x))
            return std::nullopt;
        skip(isSpace);
        if (at == end || *at++ != ',' || !number(point.y))
            return std::nullopt;
        out.push_back(point);
    }
    return out;
}

std::string toText(const std::vector<uint8_t>& row) {
    std::string out;
    size_t end = row.size();
    while (end != 0 && row[end - 1] == 0)
        --end;
    for (size_t i = 0; i < end; ++i)
        out += (i == 0 ? "" : " ") + std::to_string(row[i]);
    return out;
}

std::optional<std::vector<uint8_t>> cellRowFromText(std::string_view text) {
    std::vector<uint8_t> out;
    const char* at = text.data();
    const char* const end = at + text.size();
    while (at != end) {
        if (*at == ' ') {
            ++at;
            continue;
        }
        uint8_t cell = 0;
        const auto [next, error] = std::from_chars(at, end, cell);
        if (error != std::errc() || (next != end && *next != ' ') || out.size() == size_t{kMaxMapSide})
            return std::nullopt;
        out.push_back(cell);
        at = next;
    }
    return out;
}

uint8_t cellAt(const CellMap& map, int column, int row) {
    if (row < 0 || column < 0 || static_cast<size_t>(row) >= map.size())
        return 0;
    const auto& cells = map[static_cast<size_t>(row)];
    return static_cast<size_t>(column) < cells.size() ? cells[static_cast<size_t>(column)] : uint8_t{0};
}

void setCell(CellMap& map, int column, int row, uint8_t cell) {
    const auto x = static_cast<size_t>(column), y = static_cast<size_t>(row);
    if (map.size() <= y)
        map.resize(y + 1);
    if (map[y].size() <= x)
        map[y].resize(x + 1);
    map[y][x] = cell;
    while (!map[y].empty() && map[y].back() == 0)
        map[y].pop_back();
    while (!map.empty() && map.back().empty())
        map.pop_back();
}

std::optional<std::string> expressionText(std::string_view text) {
    if (!text.starts_with('=') || text.starts_with("=="))
        return std::nullopt;
    const size_t begin = text.find_first_not_of(" \t\n", 1);
    if (begin == std::string_view::npos)
        return std::nullopt;
    return std::string(text.substr(begin, text.find_last_not_of(" \t\n") + 1 - begin));
}

}  // namespace gorsefinch
