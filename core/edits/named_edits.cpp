// SPDX-License-Identifier: GPL-3.0-or-later
#include "core/edits/named_edits.h"

#include <algorithm>

#include "core/document/arrange.h"
#include "core/document/names.h"
#include "core/edits/rename_texts.h"
#include "core/rules/rename.h"

namespace gorsefinch {

namespace {

Document withNamedValues(const Document& document, NamedValues named) {
    Document next = document;
    if (!(named == *document.named))
        next.named = std::make_shared<const NamedValues>(std::move(named));
    return next;
}

template <typename T>
T* byName(std::vector<T>& all, std::string_view name) {
    const auto found = std::find_if(all.begin(), all.end(), [&](const T& each) { return each.name == name; });
    return found == all.end() ? nullptr : &*found;
}

// Changes the values of looks and widgets, and the backgrounds of screens, which `change` gets as they are set: a
// ValueName where that is a name. What stays the same stays shared.
class SettingsChange {
  public:
    using Change = std::function<bool(const PropertyInfo*, PropertyValue&)>;
    explicit SettingsChange(Change change) : change_(std::move(change)) {}

    Document in(const Document& document) const {
        Document next = document;
        auto looks = std::make_shared<std::vector<Look>>(*document.looks);
        bool any = false;
        for (Look& look : *looks) {
            any = inMap(look.style, nullptr) || any;
            for (auto& [state, style] : look.states)
                any = inMap(style, nullptr) || any;
        }
        if (any)
            next.looks = std::move(looks);
        for (ScreenRef& screen : next.screens)
            inScreen(screen);
        return next;
    }

  private:
    bool inZones(PropertyValue& value) const {
        auto* zones = std::get_if<ZoneList>(&value);
        bool any = false;
        for (size_t i = 0; zones && i < zones->size(); ++i) {
            Zone& zone = (*zones)[i];
            PropertyValue colour =
                zone.named.empty() ? PropertyValue(zone.colour) : PropertyValue(ValueName{zone.named});
            if (!change_(nullptr, colour))
                continue;
            zone.named = std::string(nameIn(colour));
            if (const auto* plain = std::get_if<Colour>(&colour))
                zone.colour = *plain;
            any = true;
        }
        return any;
    }

    // `kind` null for a look.
    bool inMap(PropertyMap& properties, const Kind* kind) const {
        bool any = false;
        for (auto& [key, value] : properties) {
            const PropertyInfo* property = kind ? findProperty(*kind, key) : findStyleProperty(key);
            any = inZones(value) || change_(property, value) || any;
        }
        return any;
    }

    void inScreen(ScreenRef& screen) const {
        std::shared_ptr<Screen> next;
        const auto changed = [&]() -> Screen& {
            if (!next)
                next = std::make_shared<Screen>(*screen);
            return *next;
        };
        PropertyValue ground =
            screen->ground.empty() ? PropertyValue(screen->background) : PropertyValue(ValueName{screen->ground});
        if (change_(nullptr, ground)) {
            changed().ground = std::string(nameIn(ground));
            if (const auto* plain = std::get_if<Colour>(&ground))
                changed().background = Colour{plain->argb | 0xff000000u};
        }
        for (size_t i = 0; i < screen->widgets.size(); ++i) {
            const Widget& widget = *screen->widgets[i];
            PropertyMap properties = widget.properties;
            if (!inMap(properties, &widget.kind))
                continue;
            auto copy = std::make_shared<Widget>(widget);
            copy->properties = std::move(properties);
            changed().widgets[i] = std::move(copy);
        }
        if (next)
            screen = std::move(next);
    }

    Change change_;
};

}  // namespace

Document addNamedColour(const Document& document, std::string_view wanted, Colour colour, std::string* name) {
    *name = uniqueName(wanted, [&](std::string_view each) { return isTakenInRules(document, each); });
    NamedValues named = *document.named;
    named.colours.push_back({*name, std::vector<Colour>(named.setCount(), colour)});
    return withNamedValues(document, std::move(named));
}

Document addNamedSize(const Document& document, std::string_view wanted, int size, std::string* name) {
    *name = uniqueName(wanted, [&](std::string_view each) { return isTakenInRules(document, each); });
    NamedValues named = *document.named;
    named.sizes.push_back({*name, std::clamp(size, -kMaxNamedSize, kMaxNamedSize)});
    return withNamedValues(document, std::move(named));
}

Document setNamedColour(const Document& document, std::string_view name, size_t set, Colour colour) {
    NamedValues named = *document.named;
    if (NamedColour* found = byName(named.colours, name); found && set < found->inSets.size())
        found->inSets[set] = colour;
    return withNamedValues(document, std::move(named));
}

Document setNamedSize(const Document& document, std::string_view name, int size) {
    NamedValues named = *document.named;
    if (NamedSize* found = byName(named.sizes, name))
        found->size = std::clamp(size, -kMaxNamedSize, kMaxNamedSize);
    Document next = withNamedValues(document, std::move(named));
    // Widgets that flow may be so far apart.
    for (ScreenRef& each : next.screens) {
        Screen screen = *each;
        arrange(screen.widgets, *next.named);
        if (screen.widgets != each->widgets)
            each = std::make_shared<const Screen>(std::move(screen));
    }
    return next;
}

Result<Document> renameNamedValue(const Document& document, std::string_view from, std::string_view to) {
    if (!document.named->has(from) || from == to)
        return document;
    if (const auto error = nameError(to))
        return failure("", "", *error, "Choose another name");
    if (isTakenInRules(document, to))
        return failure("", "", "the name \"" + std::string(to) + "\" is taken", "Choose another name");
    Document next = SettingsChange([&](const PropertyInfo*, PropertyValue& value) {
                        if (nameIn(value) != from)
                            return false;
                        value = ValueName{std::string(to)};
                        return true;
                    }).in(document);
    NamedValues named = *document.named;
    if (NamedColour* colour = byName(named.colours, from))
        colour->name = to;
    if (NamedSize* size = byName(named.sizes, from))
        size->name = to;
    next = withNamedValues(next, std::move(named));
    const RuleRename rename{{Reference::What::Variable, std::string(from)}, std::string(to)};
    renameInRules(next, rename);
    rewriteTexts(next, rename);
    renameInInputs(next, InputType::Colour, from, to);
    renameInInputs(next, InputType::Size, from, to);
    return next;
}

Document removeNamedValue(const Document& document, std::string_view name) {
    const NamedColour* colour = document.named->colour(name);
    const NamedSize* size = document.named->size(name);
    if (!colour && !size)
        return document;
    Document next = SettingsChange([&](const PropertyInfo* property, PropertyValue& value) {
                        if (nameIn(value) != name)
                            return false;
                        if (colour)
                            value = colour->inSets.front();
                        else if (property)
                            value = resolvedValue(*document.named, *property, value);
                        return true;
                    }).in(document);
    NamedValues named = *document.named;
    std::erase_if(named.colours, [&](const NamedColour& each) { return each.name == name; });
    std::erase_if(named.sizes, [&](const NamedSize& each) { return each.name == name; });
    return withNamedValues(next, std::move(named));
}

Document useNamedColour(const Document& document, std::string_view name, Colour instead) {
    if (!document.named->colour(name))
        return document;
    return SettingsChange([&](const PropertyInfo*, PropertyValue& value) {
               const auto* colour = std::get_if<Colour>(&value);
               if (!colour || *colour != instead)
                   return false;
               value = ValueName{std::string(name)};
               return true;
           })
        .in(document);
}

std::map<std::string, int, std::less<>> namedUses(const Document& document) {
    std::map<std::string, int, std::less<>> out;
    const auto count = [&](const PropertyMap& properties) {
        for (const auto& [key, value] : properties)
            forEachName(value, [&](const std::string& name) { ++out[name]; });
    };
    for (const Look& look : *document.looks) {
        count(look.style);
        for (const auto& [state, style] : look.states)
            count(style);
    }
    for (const ScreenRef& screen : document.screens) {
        if (!screen->ground.empty())
            ++out[screen->ground];
        for (const WidgetRef& widget : screen->widgets)
            count(widget->properties);
    }
    return out;
}

namespace {

std::optional<Error> setNameError(const Document& document, const std::string& name) {
    const std::vector<std::string>& sets = document.named->sets;
    if (const auto error = nameError(name))
        return Error{"", "", *error, "Choose another name"};
    if (std::find(sets.begin(), sets.end(), name) != sets.end())
        return Error{"", "", "there is a set " + name + " already", "Choose another name"};
    return std::nullopt;
}

}  // namespace

std::string nextSetName(const NamedValues& named) {
    const auto isThere = [&](std::string_view name) {
        return std::find(named.sets.begin(), named.sets.end(), name) != named.sets.end();
    };
    return isThere("dark") ? uniqueName("set", isThere) : "dark";
}

Result<Document> addColourSet(const Document& document, const std::string& name) {
    NamedValues named = *document.named;
    if (named.sets.empty())
        named.sets.push_back(name == "light" ? "dark" : "light");
    if (named.sets.size() >= kMaxColourSets)
        return failure("", "", "a project has at most " + std::to_string(kMaxColourSets) + " sets of colours",
                       "Change one of them");
    if (const auto error = setNameError(document, name))
        return tl::unexpected(*error);
    const bool isFirst = named.sets.size() == 1;
    if (isFirst && isTakenInRules(document, kThemeName))
        return failure("", "",
                       "the variable that says which set is shown is called " + std::string(kThemeName) +
                           ", and that name is taken",
                       "Rename what has it");
    named.sets.push_back(name);
    for (NamedColour& each : named.colours)
        each.inSets.push_back(each.inSets.back());
    return withNamedValues(document, std::move(named));
}

Result<Document> renameColourSet(const Document& document, size_t set, const std::string& name) {
    NamedValues named = *document.named;
    if (set >= named.sets.size() || named.sets[set] == name)
        return document;
    if (const auto error = setNameError(document, name))
        return tl::unexpected(*error);
    const RuleRename rename{{Reference::What::Choice, named.sets[set], std::string(kThemeName)}, "\"" + name + "\""};
    named.sets[set] = name;
    Document next = withNamedValues(document, std::move(named));
    renameInRules(next, rename);
    rewriteTexts(next, rename);
    return next;
}

Document removeColourSet(const Document& document, size_t set) {
    NamedValues named = *document.named;
    if (set >= named.sets.size() || named.sets.size() < 2)
        return document;
    const auto at = static_cast<std::ptrdiff_t>(set);
    named.sets.erase(named.sets.begin() + at);
    for (NamedColour& each : named.colours)
        each.inSets.erase(each.inSets.begin() + at);
    if (named.sets.size() == 1)
        named.sets.clear();
    return withNamedValues(document, std::move(named));
}

}  // namespace gorsefinch
