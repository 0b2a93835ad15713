// SPDX-License-Identifier: GPL-3.0-or-later
#include "core/document/document.h"

#include <algorithm>
#include <set>

namespace gorsefinch {

namespace {

template <typename T>
const T* byName(const std::vector<T>& all, std::string_view name) {
    const auto at = std::find_if(all.begin(), all.end(), [&](const T& each) { return each.name == name; });
    return at == all.end() ? nullptr : &*at;
}

}  // namespace

const Variable* Document::variable(std::string_view wanted) const { return byName(*variables, wanted); }
const Look* Document::look(std::string_view wanted) const { return byName(*looks, wanted); }
const Image* Document::image(std::string_view wanted) const { return byName(*images, wanted); }
const FontSize* Face::ownSize(int size) const {
    const auto at = std::find_if(sizes.begin(), sizes.end(), [&](const FontSize& each) { return each.size == size; });
    return at == sizes.end() ? nullptr : &*at;
}

const FontSettings& Face::settings(int size) const {
    const FontSize* own = ownSize(size);
    return own ? own->settings : defaults;
}

const Face* Document::face(std::string_view wanted) const { return byName(*faces, wanted); }

int Document::screenIndex(std::string_view wanted) const {
    for (size_t i = 0; i < screens.size(); ++i)
        if (screens[i]->name == wanted)
            return static_cast<int>(i);
    return -1;
}

ScreenRef Document::screen(std::string_view wanted) const {
    const int at = screenIndex(wanted);
    return at < 0 ? nullptr : screens[static_cast<size_t>(at)];
}

namespace {

size_t originalBytes(const Document& document) {
    std::set<const FileContents*> counted;
    size_t sum = 0;
    const auto add = [&](const Bytes& bytes) {
        if (bytes && counted.insert(bytes.get()).second)
            sum += bytes->size();
    };
    for (const Image& image : *document.images) {
        add(image.original);
        for (const MoreOriginal& each : image.more)
            add(each.original);
    }
    for (const Face& face : *document.faces)
        add(face.original);
    return sum;
}

size_t numbersOf(const Document& document) {
    size_t sum = 0;
    for (const Variable& each : *document.variables)
        sum += numbersOf(each);
    return sum;
}

size_t longestRules(const Document& document) {
    size_t longest = 0;
    for (const RuleFile& each : *document.rules)
        longest = std::max(longest, each.text.size());
    return longest;
}

}  // namespace

std::optional<std::string> exceededLimit(const Document& before, const Document& next) {
    const auto grows = [](size_t was, size_t is, size_t limit) { return is > limit && is > was; };
    const auto tooMany = [&](const char* what, size_t was, size_t is) {
        return grows(was, is, kMaxListed)
                   ? std::optional("A project holds at most " + std::to_string(kMaxListed) + " " + what + ".")
                   : std::nullopt;
    };
    if (auto words = tooMany("screens", before.screens.size() + before.unreadScreens->size(),
                             next.screens.size() + next.unreadScreens->size()))
        return words;
    if (auto words = tooMany("variables", before.variables->size(), next.variables->size()))
        return words;
    if (before.variables != next.variables && grows(numbersOf(before), numbersOf(next), kMaxNumbers))
        return "The variables of a project have at most " + std::to_string(kMaxNumbers) + " numbers together.";
    if (auto words = tooMany("looks", before.looks->size(), next.looks->size()))
        return words;
    if (grows(before.named->colours.size() + before.named->sizes.size(),
              next.named->colours.size() + next.named->sizes.size(), kMaxNamedValues))
        return "A project has at most " + std::to_string(kMaxNamedValues) + " named colours and sizes.";
    if (auto words = tooMany("images", before.images->size(), next.images->size()))
        return words;
    if (auto words = tooMany("faces", before.faces->size(), next.faces->size()))
        return words;
    if (before.rules != next.rules && grows(longestRules(before), longestRules(next), kMaxRulesFile))
        return "A file of rules has at most " + std::to_string(kMaxRulesFile >> 20) + " MB.";
    const bool originals = before.images != next.images || before.faces != next.faces;
    if (originals && grows(originalBytes(before), originalBytes(next), kMaxOriginals))
        return "The originals of a project have at most " + std::to_string(kMaxOriginals >> 20) + " MB together.";
    return std::nullopt;
}

ScreenRef assemblyScreen(const Document& document, std::string_view name) {
    const ScreenRef found = document.screen(name);
    return found && found->assembly ? found : nullptr;
}

size_t shownScreens(const Document& document) {
    return static_cast<size_t>(std::count_if(document.screens.begin(), document.screens.end(),
                                             [](const ScreenRef& each) { return !each->assembly; }));
}

size_t backedScreens(const Document& document, std::string_view screen) {
    const auto has = [&](const std::vector<std::string>& names) {
        return std::find(names.begin(), names.end(), screen) != names.end();
    };
    return static_cast<size_t>(
        std::count_if(document.screens.begin(), document.screens.end(),
                      [&](const ScreenRef& each) { return has(each->below) || has(each->above); }));
}

bool isBacking(const Document& document, std::string_view screen) { return backedScreens(document, screen) != 0; }

int widgetIndex(const Screen& screen, std::string_view name) {
    for (size_t i = 0; i < screen.widgets.size(); ++i)
        if (screen.widgets[i]->name == name)
            return static_cast<int>(i);
    return -1;
}

std::vector<const Look*> lookAndBases(const Document& document, const Look* look) {
    std::vector<const Look*> out;
    for (; look && std::find(out.begin(), out.end(), look) == out.end(); look = document.look(look->basedOn))
        out.push_back(look);
    return out;
}

const PropertyValue* lookSetting(std::span<const Look* const> looks, std::string_view state, std::string_view key) {
    for (const Look* each : looks) {
        const auto found = each->states.find(state);
        const PropertyMap* style = state.empty()                 ? &each->style
                                   : found == each->states.end() ? nullptr
                                                                 : &found->second;
        if (!style)
            continue;
        if (const auto set = style->find(key); set != style->end())
            return &set->second;
    }
    return nullptr;
}

PropertyValue lookValue(const Document& document, std::span<const Look* const> looks, std::string_view state,
                        std::string_view key) {
    const PropertyInfo& property = styleProperty(key);
    const PropertyValue* set = state.empty() ? nullptr : lookSetting(looks, state, key);
    if (!set)
        set = lookSetting(looks, "", key);
    return set ? resolvedValue(*document.named, property, *set) : property.fallback;
}

Colour backgroundOf(const Document& document, const Screen& screen) {
    const auto named = screen.ground.empty() ? std::nullopt : document.named->shownColour(screen.ground);
    return named ? Colour{named->argb | 0xff000000u} : screen.background;
}

std::vector<Colour> panelPalette(const Panel& panel) {
    return panel.palette.empty() || !info(panel.format).hasPalette() ? defaultPalette(panel.format) : panel.palette;
}

PropertyValue effectiveSetting(const Document& document, const Widget& widget, std::string_view key) {
    const PropertyInfo& property = *findProperty(widget.kind, key);
    if (auto own = ownValue(widget, property))
        return std::move(*own);
    if (property.half)
        return int64_t{widget.*property.half / 2};
    const PropertyValue* set =
        findStyleProperty(key) ? lookSetting(lookAndBases(document, document.look(widget.look)), "", key) : nullptr;
    return set ? *set : property.fallback;
}

PropertyValue effectiveValue(const Document& document, const Widget& widget, std::string_view key) {
    return resolvedValue(*document.named, *findProperty(widget.kind, key), effectiveSetting(document, widget, key));
}

}  // namespace gorsefinch
