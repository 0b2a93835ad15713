// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include <functional>
#include <optional>
#include <string>
#include <string_view>
#include <vector>

#include "core/document/variable.h"
#include "core/kinds/property.h"

namespace gorsefinch {

inline constexpr size_t kMaxColourSets = 8;
inline constexpr size_t kMaxNamedValues = 500;  // colours, and sizes
inline constexpr int kMaxNamedSize = 4096;      // to both sides
// The variable of projects with several sets of colours: a choice of their names.
inline constexpr std::string_view kThemeName = "theme";

struct NamedColour {
    std::string name;
    std::vector<Colour> inSets;  // one for each set, in their order
    UnknownKeys unknown = {};
    friend bool operator==(const NamedColour&, const NamedColour&) = default;
};

struct NamedSize {
    std::string name;
    int size = 0;
    UnknownKeys unknown = {};
    friend bool operator==(const NamedSize&, const NamedSize&) = default;
};

// The colours and sizes that looks, widgets and rules know by their names. Colours have a value in each of the
// project's sets, of which one is shown at a time; sizes have the same value in all sets.
struct NamedValues {
    std::vector<std::string> sets;  // their names; fewer than two: the colours have one value
    std::vector<NamedColour> colours;
    std::vector<NamedSize> sizes;
    size_t shown = 0;  // the set that colours are taken from; 0 in documents, not part of files
    UnknownKeys unknown;
    friend bool operator==(const NamedValues&, const NamedValues&) = default;

    size_t setCount() const { return sets.size() < 2 ? 1 : sets.size(); }
    bool isEmpty() const { return sets.empty() && colours.empty() && sizes.empty() && unknown.empty(); }
    // Null if there is none of that name.
    const NamedColour* colour(std::string_view name) const;
    const NamedSize* size(std::string_view name) const;
    bool has(std::string_view name) const { return colour(name) || size(name); }
    // In the shown set; nothing if there is no such colour.
    std::optional<Colour> shownColour(std::string_view name) const;
};

// With one of its sets alone, without a name.
NamedValues valuesIn(const NamedValues& named, size_t set);

// The variable that says which set is shown; nothing with fewer than two sets.
std::optional<Variable> themeVariable(const NamedValues& named);

// What a value is where it may be a name: the colour in the shown set, the size clamped to the property's range. A name
// that is none of the project's gives the property's default. Colours of zones are looked up, too.
PropertyValue resolvedValue(const NamedValues& named, const PropertyInfo& property, PropertyValue value);
// The name that a value is; "" for a plain value.
std::string_view nameIn(const PropertyValue& value);
// Calls `visit` with each name in a value.
void forEachName(const PropertyValue& value, const std::function<void(const std::string&)>& visit);
// The names that two lists of named values give different values, in any set.
std::vector<std::string> differingNames(const NamedValues& a, const NamedValues& b);

}  // namespace gorsefinch
