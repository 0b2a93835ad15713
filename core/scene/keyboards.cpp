// SPDX-License-Identifier: GPL-3.0-or-later
#include "core/scene/keyboards.h"

#include <algorithm>

#include "core/document/names.h"
#include "core/document/new_widget.h"

namespace gorsefinch {

namespace {

constexpr int kLeastHeight = 120;  // of a panel for rows of keys, pixels

std::string wordsOf(const Document& document, const Widget& widget, const char* key) {
    return std::get<std::string>(effectiveValue(document, widget, key));
}

// A layout, where all of letters are one.
std::string sortOf(const std::string& layout) {
    const auto letters = letterLayouts();
    return std::find(letters.begin(), letters.end(), layout) == letters.end() ? layout : kDefaultLayout;
}

// A keyboard with rows of its own that has what a field takes; one that takes letters may be of any alphabet.
bool typesAll(const Document& document, const Widget& keyboard, const std::string& allowed) {
    if (wordsOf(document, keyboard, "layout") != kOwnLayout)
        return false;
    std::string needed = allowedCharacters(allowed);
    if (allowed == kAllowedDigits || allowed == kAllowedHex)
        needed = allowed == kAllowedHex ? "0123456789ABCDEF" : "0123456789";
    const auto keys = compileKeys(wordsOf(document, keyboard, "rows"));
    return keys && needed.find_first_not_of(keys->characters) == std::string::npos;
}

// The fields whose keyboard comes by itself.
std::vector<const Widget*> fieldsOf(const Document& document, const Screen& screen) {
    std::vector<const Widget*> out;
    for (const WidgetRef& each : screen.widgets)
        if (info(each->kind).has(kIsTyped) && wordsOf(document, *each, "keyboard") == kByItself)
            out.push_back(each.get());
    return out;
}

// The keyboard of a layout for some fields, along the lower edge of the panel.
Widget keyboardOf(const Document& document, const Screen& screen, const std::string& layout,
                  const std::vector<const Widget*>& fields) {
    const Panel& panel = *document.panel;
    const Widget& first = *fields.front();
    Widget out;
    out.kind = Kind::Keyboard;
    out.name = widgetNameFor(screen, Kind::Keyboard, layout);
    out.look = startLook(document, Kind::Keyboard);
    if (out.look.empty())
        for (const char* key : {"font", "size"})
            out.properties[key] = effectiveValue(document, first, key);
    info(Kind::Keyboard).start(out, info(panel.format).isOneBit());
    const bool turns = !panel.touch || panel.height < kLeastHeight;
    const auto size = static_cast<int>(std::get<int64_t>(effectiveValue(document, out, "size")));
    out.w = panel.width;
    out.h = turns ? std::min(size + 8, panel.height / 2) : panel.height / 2;
    out.y = panel.height - out.h;
    out.properties["layout"] = layout;
    if (turns)
        out.properties["form"] = std::string("turning");
    out.properties["newline"] = std::any_of(fields.begin(), fields.end(), [&](const Widget* each) {
        return std::get<int64_t>(effectiveValue(document, *each, "lines")) > 1;
    });
    return out;
}

}  // namespace

uint16_t keyboardFor(const Document& document, const Screen& screen, const std::string& allowed) {
    if (document.panel->keyboard == kNoKeyboard)
        return GORSE_NONE;
    const std::string wanted = sortOf(layoutFor(allowed, document.panel->keyboard));
    const auto first = [&](const auto& serves) {
        for (size_t i = 0; i < screen.widgets.size(); ++i)
            if (screen.widgets[i]->kind == Kind::Keyboard && serves(*screen.widgets[i]))
                return static_cast<uint16_t>(i);
        return static_cast<uint16_t>(GORSE_NONE);
    };
    const uint16_t fitting =
        first([&](const Widget& each) { return sortOf(wordsOf(document, each, "layout")) == wanted; });
    return fitting != GORSE_NONE ? fitting
                                 : first([&](const Widget& each) { return typesAll(document, each, allowed); });
}

ScreenRef withKeyboards(const Document& document, const ScreenRef& screen) {
    if (document.panel->keyboard == kNoKeyboard)
        return screen;
    std::vector<std::pair<std::string, std::vector<const Widget*>>> lacking;  // by layout
    for (const Widget* field : fieldsOf(document, *screen)) {
        const std::string allowed = wordsOf(document, *field, "allowed");
        if (keyboardFor(document, *screen, allowed) != GORSE_NONE)
            continue;
        const std::string layout = layoutFor(allowed, document.panel->keyboard);
        auto found =
            std::find_if(lacking.begin(), lacking.end(), [&](const auto& each) { return each.first == layout; });
        if (found == lacking.end())
            found = lacking.insert(lacking.end(), {layout, {}});
        found->second.push_back(field);
    }
    if (lacking.empty())
        return screen;
    auto out = std::make_shared<Screen>(*screen);
    for (const auto& [layout, fields] : lacking)
        out->widgets.push_back(std::make_shared<const Widget>(keyboardOf(document, *out, layout, fields)));
    return out;
}

}  // namespace gorsefinch
