// SPDX-License-Identifier: GPL-3.0-or-later
#include "core/document/named_values.h"

#include <algorithm>

namespace gorsefinch {

namespace {

template <typename T>
const T* valueByName(const std::vector<T>& all, std::string_view name) {
    const auto found = std::find_if(all.begin(), all.end(), [&](const T& each) { return each.name == name; });
    return found == all.end() ? nullptr : &*found;
}

template <typename T>
void addDiffering(const std::vector<T>& a, const std::vector<T>& b, std::vector<std::string>& out) {
    for (const T& each : a)
        if (const T* other = valueByName(b, each.name); !other || !(*other == each))
            out.push_back(each.name);
    for (const T& each : b)
        if (!valueByName(a, each.name))
            out.push_back(each.name);
}

}  // namespace

const NamedColour* NamedValues::colour(std::string_view name) const { return valueByName(colours, name); }
const NamedSize* NamedValues::size(std::string_view name) const { return valueByName(sizes, name); }

std::optional<Colour> NamedValues::shownColour(std::string_view name) const {
    const NamedColour* found = colour(name);
    if (!found || found->inSets.empty())
        return std::nullopt;
    return found->inSets[std::min(shown, found->inSets.size() - 1)];
}

NamedValues valuesIn(const NamedValues& named, size_t set) {
    NamedValues out = named;
    out.sets.clear();
    out.shown = 0;
    for (NamedColour& each : out.colours)
        each.inSets = {each.inSets[std::min(set, each.inSets.size() - 1)]};
    return out;
}

std::optional<Variable> themeVariable(const NamedValues& named) {
    if (named.sets.size() < 2)
        return std::nullopt;
    Variable out;
    out.name = kThemeName;
    out.type = VariableType::Choice;
    setChoices(out, named.sets);
    out.writer = Writer::Both;
    out.note = "the set of colours that is shown";
    return out;
}

std::string_view nameIn(const PropertyValue& value) {
    const auto* name = std::get_if<ValueName>(&value);
    return name ? std::string_view(name->name) : std::string_view();
}

void forEachName(const PropertyValue& value, const std::function<void(const std::string&)>& visit) {
    if (const auto* name = std::get_if<ValueName>(&value))
        visit(name->name);
    if (const auto* zones = std::get_if<ZoneList>(&value))
        for (const Zone& each : *zones)
            if (!each.named.empty())
                visit(each.named);
}

PropertyValue resolvedValue(const NamedValues& named, const PropertyInfo& property, PropertyValue value) {
    if (auto* zones = std::get_if<ZoneList>(&value)) {
        for (Zone& each : *zones)
            if (const auto colour = each.named.empty() ? std::nullopt : named.shownColour(each.named))
                each.colour = *colour;
        return value;
    }
    const std::string_view name = nameIn(value);
    if (name.empty())
        return value;
    if (property.type == PropertyType::Colour) {
        const auto colour = named.shownColour(name);
        return colour ? PropertyValue(*colour) : property.fallback;
    }
    const NamedSize* size = named.size(name);
    return size ? PropertyValue(int64_t{std::clamp(size->size, property.min, property.max)}) : property.fallback;
}

std::vector<std::string> differingNames(const NamedValues& a, const NamedValues& b) {
    std::vector<std::string> out;
    addDiffering(a.colours, b.colours, out);
    addDiffering(a.sizes, b.sizes, out);
    return out;
}

}  // namespace gorsefinch
