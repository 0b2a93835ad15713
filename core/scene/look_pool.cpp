// SPDX-License-Identifier: GPL-3.0-or-later
#include "core/scene/look_pool.h"

#include <algorithm>
#include <bit>

namespace gorsefinch {

namespace {

using States = std::vector<const LookState*>;

ResolvedStyle resolveStyle(const Document& document, const Widget& widget, const States& states) {
    const std::vector<const Look*> looks = lookAndBases(document, document.look(widget.look));
    const auto value = [&](std::string_view key) -> PropertyValue {
        // What the look sets for a state overrides what the widget sets for all states.
        const auto resolved = [&](const PropertyValue& set) {
            return resolvedValue(*document.named, styleProperty(key), set);
        };
        for (auto state = states.rbegin(); state != states.rend(); ++state)
            if (const PropertyValue* set = lookSetting(looks, (*state)->key, key))
                return resolved(*set);
        const auto own = widget.properties.find(key);
        return own != widget.properties.end() ? resolved(own->second) : lookValue(document, looks, "", key);
    };
    const auto whole = [&](std::string_view key) { return static_cast<int>(std::get<int64_t>(value(key))); };
    ResolvedStyle style;
    style.fill = std::get<Colour>(value("fill"));
    style.border = std::get<Colour>(value("border"));
    style.text = std::get<Colour>(value("colour"));
    style.borderWidth = whole("border_width");
    style.radius = whole("radius");
    style.padding = whole("padding");
    style.font.face = std::get<std::string>(value("font"));
    style.font.size = whole("size");
    if (style.font.face.empty() && !document.faces->empty())
        style.font.face = document.faces->front().name;
    return style;
}

// True if a widget can be in all of these states at once, and the runtime looks at them together.
bool canHoldTogether(uint8_t bits) {
    if (std::popcount(bits) == 1)
        return true;
    const bool disabled = (bits & GORSE_STATE_DISABLED) != 0;
    return (bits & GORSE_STATE_WRONG) == 0 && !(disabled && (bits & (GORSE_STATE_PRESSED | GORSE_STATE_FOCUSED)) != 0);
}

}  // namespace

ResolvedLook resolveLook(const Document& document, const Widget& widget, uint8_t never) {
    ResolvedLook out;
    out.normal = resolveStyle(document, widget, {});
    const std::vector<const Look*> looks = lookAndBases(document, document.look(widget.look));
    const auto isSet = [&](const LookState& state) {
        return std::any_of(looks.begin(), looks.end(),
                           [&](const Look* each) { return each->states.count(state.key) != 0; });
    };
    States possible;
    for (const LookState& state : lookStates())
        if (hasState(info(widget.kind), state) && (state.bits & never) == 0 && isSet(state))
            possible.push_back(&state);
    for (unsigned chosen = 1; chosen < 1u << possible.size(); ++chosen) {
        States states;
        uint8_t bits = 0;
        for (size_t i = 0; i < possible.size(); ++i)
            if ((chosen >> i & 1u) != 0) {
                states.push_back(possible[i]);
                bits = static_cast<uint8_t>(bits | possible[i]->bits);
            }
        if (canHoldTogether(bits))
            out.states.emplace_back(bits, resolveStyle(document, widget, states));
    }
    std::stable_sort(out.states.begin(), out.states.end(),
                     [](const auto& a, const auto& b) { return std::popcount(a.first) > std::popcount(b.first); });
    return out;
}

void LookPool::fill(gorse_look& look, const ResolvedStyle& style) {
    look.fill = style.fill.argb;
    look.border = style.border.argb;
    look.text = style.text.argb;
    look.border_width = static_cast<uint8_t>(style.borderWidth);
    look.radius = static_cast<uint8_t>(style.radius);
    look.padding = static_cast<uint8_t>(style.padding);
    const auto font = fonts_.find(style.font);
    look.font = font == fonts_.end() || !font->second ? nullptr : font->second->record();
}

const gorse_look* LookPool::look(const ResolvedLook& resolved) {
    std::unique_ptr<Entry>& entry = looks_[resolved];
    if (entry)
        return &entry->look;
    entry = std::make_unique<Entry>();
    fill(entry->look, resolved.normal);
    for (const auto& [bits, style] : resolved.states) {
        entry->others.push_back(std::make_unique<gorse_look>());
        fill(*entry->others.back(), style);
        entry->states.push_back({entry->others.back().get(), bits});
    }
    entry->look.states = entry->states.empty() ? nullptr : entry->states.data();
    entry->look.state_count = static_cast<uint8_t>(entry->states.size());
    return &entry->look;
}

BakedFont* LookPool::font(const Document& document, const FontKey& key) {
    if (key.face.empty())
        return nullptr;
    const auto known = fonts_.find(key);
    if (known != fonts_.end())
        return known->second.get();
    std::unique_ptr<BakedFont>& font = fonts_[key];
    auto source = fontSource(document, key, info(document.panel->format).fontBits);
    if (!source) {
        errors_.emplace(key, source.error());
        return nullptr;
    }
    font = std::make_unique<BakedFont>(key, std::move(*source));
    return font.get();
}

const Error* LookPool::error(const FontKey& key) const {
    const auto found = errors_.find(key);
    return found == errors_.end() ? nullptr : &found->second;
}

void LookPool::adoptFaces(const Document& document, const std::set<std::string>& changed) {
    for (auto& [key, font] : fonts_) {
        if (!font)
            continue;
        const std::vector<std::string> faces = facesOfFont(document, key);
        const bool touched =
            std::any_of(faces.begin(), faces.end(), [&](const std::string& each) { return changed.count(each) != 0; });
        if (!touched)
            continue;
        if (auto source = fontSource(document, key, info(document.panel->format).fontBits))
            font->adopt(std::move(*source));
    }
}

void LookPool::clear() {
    looks_.clear();
    fonts_.clear();
    errors_.clear();
}

std::vector<BakedFont*> LookPool::fonts() {
    std::vector<BakedFont*> out;
    for (auto& [key, font] : fonts_)
        if (font)
            out.push_back(font.get());
    return out;
}

}  // namespace gorsefinch
