// SPDX-License-Identifier: GPL-3.0-or-later
#include "core/scene/named_uses.h"

#include <algorithm>

#include "core/project/project_text.h"

namespace gorsefinch {

namespace {

// Calls `visit` with each property of a look, in all states, and what it is set to.
template <typename Visit>
void forEachSetting(const Look& look, const Visit& visit) {
    const auto all = [&](const PropertyMap& style) {
        for (const auto& [key, value] : style)
            visit(styleProperty(key), value);
    };
    all(look.style);
    for (const auto& [state, style] : look.states)
        all(style);
}

bool meet(const std::set<std::string>& a, const std::set<std::string>& b) {
    return std::any_of(a.begin(), a.end(), [&](const std::string& each) { return b.count(each) != 0; });
}

}  // namespace

void addDerived(std::set<std::string>& looks, const Document& document) {
    std::set<std::string> derived;
    for (const Look& each : *document.looks)
        for (const Look* base : lookAndBases(document, &each))
            if (looks.count(base->name) != 0)
                derived.insert(each.name);
    looks.merge(derived);
}

void addLooksWith(const std::set<std::string>& names, const Document& document, std::set<std::string>& looks) {
    if (names.empty())
        return;
    for (const Look& look : *document.looks)
        forEachSetting(look, [&](const PropertyInfo&, const PropertyValue& value) {
            if (names.count(std::string(nameIn(value))) != 0)
                looks.insert(look.name);
        });
}

SetDependence::SetDependence(const Document& document) {
    for (const NamedColour& each : document.named->colours)
        if (std::any_of(each.inSets.begin(), each.inSets.end(),
                        [&](Colour colour) { return colour != each.inSets.front(); }))
            names_.insert(each.name);
    addLooksWith(names_, document, looks_);
    addDerived(looks_, document);
}

bool SetDependence::isDifferent(const ScreenPart& part) const {
    return meet(part.usedNames, names_) || meet(part.usedLooks, looks_);
}

Problem missingName(const std::string& file, const std::string& place, const char* kind, const std::string& name) {
    Problem p;
    p.file = file;
    p.place = place;
    p.reason = std::string("the project has no ") + kind + " \"" + name + "\"";
    p.remedy = "Add it to the colours and sizes, or choose another";
    return p;
}

Problems missingNames(const Document& document) {
    Problems out;
    const NamedValues& named = *document.named;
    for (const Look& look : *document.looks)
        forEachSetting(look, [&](const PropertyInfo& property, const PropertyValue& value) {
            const std::string name(nameIn(value));
            const bool isColour = property.type == PropertyType::Colour;
            if (!name.empty() && !(isColour ? named.colour(name) != nullptr : named.size(name) != nullptr))
                out.push_back(missingName(kMainFile, "look " + look.name, isColour ? "colour" : "size", name));
        });
    for (const ScreenRef& screen : document.screens)
        if (!screen->ground.empty() && !named.colour(screen->ground)) {
            out.push_back(missingName("screens/" + screen->name + ".json", "background", "colour", screen->ground));
            out.back().screen = screen->name;
        }
    return out;
}

}  // namespace gorsefinch
