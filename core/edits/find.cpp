// SPDX-License-Identifier: GPL-3.0-or-later
#include "core/edits/find.h"

#include <algorithm>
#include <map>

namespace gorsefinch {

namespace {

char lower(char c) { return c >= 'A' && c <= 'Z' ? static_cast<char>(c - 'A' + 'a') : c; }

size_t placeIn(std::string_view words, std::string_view text, size_t from = 0) {
    if (from > words.size())
        return std::string_view::npos;
    const auto found = std::search(words.begin() + static_cast<std::ptrdiff_t>(from), words.end(), text.begin(),
                                   text.end(), [](char a, char b) { return lower(a) == lower(b); });
    return found == words.end() ? std::string_view::npos : static_cast<size_t>(found - words.begin());
}

// True if the braces of a text contain it.
bool isInInset(std::string_view words, std::string_view text) {
    for (size_t open = words.find('{'); open != std::string_view::npos; open = words.find('{', open + 1)) {
        const size_t close = words.find('}', open);
        if (placeIn(words.substr(open, close == std::string_view::npos ? close : close - open), text) !=
            std::string_view::npos)
            return true;
    }
    return false;
}

const std::string* ownText(const Widget& widget, const PropertyInfo& property) {
    const auto found = widget.properties.find(property.key);
    return found == widget.properties.end() ? nullptr : std::get_if<std::string>(&found->second);
}

// Looks through one widget after the other.
class Finder {
  public:
    Finder(const Document& document, std::string_view text, FindIn in) : document_(document), text_(text), in_(in) {}

    // In what it is found, with the words; nothing if it is not.
    std::optional<std::pair<FindIn, std::string>> look(const Widget& widget) const {
        constexpr FindIn kAll[] = {FindIn::Name, FindIn::Text, FindIn::Variable, FindIn::Kind,
                                   FindIn::Look, FindIn::Font, FindIn::Image};
        for (const FindIn each : kAll)
            if (in_ == FindIn::Anything || in_ == each)
                if (auto words = wordsOf(widget, each))
                    return std::pair(each, std::move(*words));
        return std::nullopt;
    }

  private:
    bool has(std::string_view words) const { return placeIn(words, text_) != std::string_view::npos; }
    std::optional<std::string> ifHas(std::string_view words) const {
        return has(words) ? std::optional(std::string(words)) : std::nullopt;
    }

    std::optional<std::string> wordsOf(const Widget& widget, FindIn in) const {
        switch (in) {
            case FindIn::Name: return ifHas(widget.name);
            case FindIn::Kind: return ifHas(info(widget.kind).key);
            case FindIn::Look: return ifHas(widget.look);
            case FindIn::Font: return ifHas(faceOf(widget));
            case FindIn::Text: return ofType(widget, PropertyType::Text);
            case FindIn::Image: return ofType(widget, PropertyType::Image);
            default: return variableOf(widget);
        }
    }

    std::optional<std::string> ofType(const Widget& widget, PropertyType type) const {
        for (const PropertyInfo& each : info(widget.kind).properties)
            if (each.type == type)
                if (const std::string* words = ownText(widget, each); words && has(*words))
                    return *words;
        return std::nullopt;
    }

    std::optional<std::string> variableOf(const Widget& widget) const {
        if (auto words = ofType(widget, PropertyType::Variable))
            return words;
        for (const auto& [key, expression] : widget.expressions)
            if (has(expression))
                return std::string(key) + " = " + expression;
        for (const PropertyInfo& each : info(widget.kind).properties)
            if (each.type == PropertyType::Text)
                if (const std::string* words = ownText(widget, each); words && isInInset(*words, text_))
                    return *words;
        return std::nullopt;
    }

    // Its own, its look's, or the first face; "" for what shows no text.
    std::string faceOf(const Widget& widget) const {
        for (const PropertyInfo& each : styleProperties())
            if (each.type == PropertyType::Font && (each.needs == 0 || (info(widget.kind).traits & each.needs) != 0)) {
                const auto face = std::get<std::string>(effectiveValue(document_, widget, each.key));
                return face.empty() && !document_.faces->empty() ? document_.faces->front().name : face;
            }
        return {};
    }

    const Document& document_;
    std::string_view text_;
    FindIn in_;
};

std::map<std::string, Names> byScreen(std::span<const Found> found) {
    std::map<std::string, Names> out;
    for (const Found& each : found)
        out[each.screen].push_back(each.widget);
    return out;
}

std::string replaced(std::string_view words, std::string_view text, std::string_view by) {
    std::string out;
    size_t from = 0;
    for (size_t at = placeIn(words, text); at != std::string_view::npos; at = placeIn(words, text, from)) {
        out.append(words.substr(from, at - from)).append(by);
        from = at + text.size();
    }
    return out.append(words.substr(from));
}

}  // namespace

std::vector<Found> findWidgets(const Document& document, std::string_view text, FindIn in, size_t max) {
    std::vector<Found> out;
    if (text.empty())
        return out;
    const Finder finder(document, text, in);
    for (const ScreenRef& screen : document.screens)
        for (const WidgetRef& widget : screen->widgets) {
            if (out.size() == max)
                return out;
            if (auto found = finder.look(*widget))
                out.push_back({screen->name, widget->name, found->first, std::move(found->second)});
        }
    return out;
}

Document replaceText(const Document& document, std::span<const Found> found, std::string_view text, std::string_view by,
                     size_t* tooLong) {
    if (text.empty())
        return document;
    Document next = document;
    for (const auto& [screen, names] : byScreen(found))
        next = changeWidgets(next, screen, names, [&](Widget& widget) {
            for (const PropertyInfo& each : info(widget.kind).properties) {
                const std::string* words = each.type == PropertyType::Text ? ownText(widget, each) : nullptr;
                if (!words || placeIn(*words, text) == std::string_view::npos)
                    continue;
                std::string fresh = replaced(*words, text, by);
                if (fresh.size() <= kMaxTextBytes)
                    widget.properties[each.key] = std::move(fresh);
                else if (tooLong)
                    ++*tooLong;
            }
        });
    return next;
}

Result<Document> replaceLook(const Document& document, std::span<const Found> found, std::string_view look) {
    Result<Document> next = document;
    for (const auto& [screen, names] : byScreen(found))
        if (next)
            next = setProperty(*next, screen, names, "look", std::string(look));
    return next;
}

}  // namespace gorsefinch
