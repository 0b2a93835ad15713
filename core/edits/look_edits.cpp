// SPDX-License-Identifier: GPL-3.0-or-later
#include "core/edits/look_edits.h"

#include <algorithm>

#include "core/document/names.h"

namespace gorsefinch {

namespace {

Document withChangedLook(const Document& document, std::string_view look, const std::function<void(Look&)>& change) {
    const Look* known = document.look(look);
    if (!known)
        return document;
    Look next = *known;
    change(next);
    return next == *known ? document : withLook(document, next);
}

// The style properties of a map of properties.
PropertyMap styleOf(const PropertyMap& properties) {
    PropertyMap out;
    for (const auto& [key, value] : properties)
        if (findStyleProperty(key))
            out.emplace(key, value);
    return out;
}

bool hasStyle(Kind kind, const PropertyInfo& property) {
    return property.needs == 0 || (info(kind).traits & property.needs) != 0;
}

void dropStyle(Widget& widget) {
    std::erase_if(widget.properties, [](const auto& each) { return findStyleProperty(each.first) != nullptr; });
    std::erase_if(widget.expressions, [](const auto& each) { return findStyleProperty(each.first) != nullptr; });
}

tl::unexpected<Error> refused(std::string_view look, const std::string& reason, const std::string& remedy) {
    return failure("", "look " + std::string(look), reason, remedy);
}

}  // namespace

Result<Document> setLookProperty(const Document& document, std::string_view look, std::string_view state,
                                 std::string_view key, const PropertyValue& value) {
    const PropertyInfo* property = findStyleProperty(key);
    if (!document.look(look))
        return refused(look, "there is no such look", "Choose one of the list");
    if (!property || !fits(*property, value))
        return refused(look, "the value does not fit", "Choose another");
    return withChangedLook(document, look, [&](Look& next) {
        (state.empty() ? next.style : next.states[std::string(state)])[std::string(key)] = value;
    });
}

Document clearLookProperty(const Document& document, std::string_view look, std::string_view state,
                           std::string_view key) {
    return withChangedLook(document, look, [&](Look& next) {
        const auto found = next.states.find(state);
        PropertyMap* style = state.empty() ? &next.style : found == next.states.end() ? nullptr : &found->second;
        if (!style)
            return;
        std::erase_if(*style, [&](const auto& each) { return each.first == key; });
        if (style != &next.style && style->empty())
            next.states.erase(found);
    });
}

Result<Document> baseLook(const Document& document, std::string_view look, std::string_view base) {
    if (!base.empty() && !document.look(base))
        return refused(look, "there is no look \"" + std::string(base) + "\"", "Choose one of the list");
    for (const Look* each : lookAndBases(document, document.look(base)))
        if (each->name == look)
            return refused(look, std::string(base) + " is based on it", "Choose another look");
    return withChangedLook(document, look, [&](Look& next) { next.basedOn = base; });
}

Document addLook(const Document& document, Look look, std::string* name) {
    look.name = uniqueName(look.name, [&](std::string_view each) { return isTaken(document, each); });
    *name = look.name;
    return withLook(document, look);
}

Document removeLook(const Document& document, std::string_view look) {
    const Look* known = document.look(look);
    if (!known)
        return document;
    const Look gone = *known;
    auto all = std::make_shared<std::vector<Look>>();
    for (const Look& each : *document.looks) {
        if (each.name == look)
            continue;
        all->push_back(each);
        Look& kept = all->back();
        if (kept.basedOn != look)
            continue;
        kept.basedOn = gone.basedOn;
        kept.style.insert(gone.style.begin(), gone.style.end());
        for (const auto& [state, style] : gone.states)
            kept.states[state].insert(style.begin(), style.end());
    }
    Document next = document;
    next.looks = std::move(all);
    return next;
}

std::map<std::string, int, std::less<>> lookUses(const Document& document) {
    std::map<std::string, int, std::less<>> out;
    for (const ScreenRef& screen : document.screens)
        for (const WidgetRef& widget : screen->widgets)
            if (!widget->look.empty())
                ++out[widget->look];
    return out;
}

Document lookFromWidget(const Document& document, std::string_view screen, std::string_view widget, std::string* name) {
    const auto taken = takeStyle(document, screen, widget);
    if (!taken)
        return document;
    Look look;
    look.name = std::string(widget) + "_look";
    look.basedOn = document.look(taken->look) ? taken->look : std::string();
    look.style = taken->own;
    const Document next = addLook(document, std::move(look), name);
    const std::string only(widget);
    return changeWidgets(next, screen, std::span(&only, 1), [&](Widget& changed) {
        std::erase_if(changed.properties, [](const auto& each) { return findStyleProperty(each.first) != nullptr; });
        changed.look = *name;
    });
}

std::optional<TakenStyle> takeStyle(const Document& document, std::string_view screen, std::string_view widget) {
    const ScreenRef on = document.screen(screen);
    const int at = on ? widgetIndex(*on, widget) : -1;
    if (at < 0)
        return std::nullopt;
    const Widget& from = *on->widgets[static_cast<size_t>(at)];
    return TakenStyle{from.look, styleOf(from.properties)};
}

Document putStyle(const Document& document, std::string_view screen, std::span<const std::string> names,
                  const TakenStyle& style) {
    return changeWidgets(document, screen, names, [&](Widget& widget) {
        dropStyle(widget);
        widget.look = document.look(style.look) ? style.look : std::string();
        for (const auto& [key, value] : style.own)
            if (hasStyle(widget.kind, *findStyleProperty(key)))
                widget.properties[key] = value;
    });
}

Document clearOwnStyle(const Document& document, std::string_view screen, std::span<const std::string> names) {
    return changeWidgets(document, screen, names, dropStyle);
}

}  // namespace gorsefinch
