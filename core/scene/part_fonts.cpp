// SPDX-License-Identifier: GPL-3.0-or-later
#include "core/scene/part_fonts.h"

#include <algorithm>

namespace gorsefinch {

namespace {

std::vector<ResolvedStyle*> stylesOf(ResolvedLook& look) {
    std::vector<ResolvedStyle*> out{&look.normal};
    for (auto& [bits, style] : look.states)
        out.push_back(&style);
    return out;
}

}  // namespace

void reportIn(ScreenPart& part, const Widget& widget, Severity severity, const std::string& reason,
              const std::string& remedy) {
    Problem p;
    p.severity = severity;
    p.file = "screens/" + part.source->name + ".json";
    p.place = widget.name;
    p.reason = reason;
    p.remedy = remedy;
    p.screen = part.source->name;
    p.widget = widget.name;
    part.problems.push_back(std::move(p));
}

void PartFonts::report(Severity severity, const std::string& reason, const std::string& remedy) {
    reportIn(part_, *widget_, severity, reason, remedy);
}

const gorse_look* PartFonts::takeLook(int number, const Widget& widget, uint8_t never) {
    number_ = static_cast<size_t>(number);
    widget_ = &widget;
    if (!widget.look.empty()) {
        part_.usedLooks.insert(widget.look);
        if (!context_.document.look(widget.look))
            report(Severity::Error, "there is no look \"" + widget.look + "\"", "Choose another look");
    }
    look_ = resolveLook(context_.document, widget, never);
    // A look without text needs no font; kept apart, it is never shared with one that does.
    for (ResolvedStyle* style : stylesOf(look_)) {
        // Labels may be left out: then a face is not missed.
        const bool labels = info(widget.kind).has(kHasLabels) && context_.document.face(style->font.face);
        if (info(widget.kind).has(kHasText) || labels)
            font(style->font);
        else
            style->font = {};
    }
    const gorse_look* look = context_.looks.look(look_);
    for (const ResolvedStyle* style : stylesOf(look_))
        if (!style->font.face.empty())
            part_.ownFonts.insert(style->font);
    looks_.insert(look);
    return look;
}

BakedFont* PartFonts::font(const FontKey& key) {
    if (key.face.empty()) {
        report(Severity::Warning, "there is no face for its text", "Import a face");
        return nullptr;
    }
    if (!context_.document.face(key.face)) {
        report(Severity::Error, "there is no face \"" + key.face + "\"", "Choose another face");
        return nullptr;
    }
    BakedFont* made = context_.looks.font(context_.document, key);
    if (const Error* error = context_.looks.error(key); error && reported_.insert(key).second)
        report(Severity::Error, error->file + ": " + error->reason, error->remedy);
    return made;
}

void PartFonts::needCharacters(const std::set<char32_t>& characters) {
    if (characters.empty())
        return;
    std::set<BakedFont*> done;
    for (const ResolvedStyle* style : stylesOf(look_))
        if (BakedFont* font = context_.looks.font(context_.document, style->font); font && done.insert(font).second) {
            part_.needs.push_back({font->key(), number_, characters});
            part_.usedFonts.insert(font->key());
        }
}

void PartFonts::write(std::string_view text) {
    if (text.empty())
        return;
    for (const ResolvedStyle* style : stylesOf(look_))
        if (style->font.face.empty())
            font(style->font);
    needCharacters(charactersOf(text));
}

std::string PartFonts::inFace(std::string_view text) const {
    const BakedFont* font = context_.looks.font(context_.document, look_.normal.font);
    std::string out;
    if (!font)
        return out;
    for (size_t at = 0; at < text.size();) {
        size_t end = at + 1;
        while (end < text.size() && (static_cast<unsigned char>(text[end]) & 0xc0) == 0x80)
            ++end;
        const std::set<char32_t> one = charactersOf(text.substr(at, end - at));
        if (!one.empty() && font->has(*one.begin()))
            out += text.substr(at, end - at);
        at = end;
    }
    return out;
}

RecordBuilder::OtherFont PartFonts::writeIn(int size, std::string_view text) {
    const FontKey own = look_.normal.font;
    FontKey key = own;
    key.size = size;
    if (text.empty() || own.face.empty())
        return {};
    BakedFont* written = font(key);
    BakedFont* beside = context_.looks.font(context_.document, own);
    if (!written || !beside)
        return {};
    part_.needs.push_back({key, number_, charactersOf(text)});
    part_.usedFonts.insert(key);
    part_.withFonts.push_back(number_);
    return {written->record(), beside->ascent() - written->ascent()};
}

std::vector<const gorse_font*> PartFonts::smallerFonts(size_t most) {
    const FontKey own = look_.normal.font;
    if (own.face.empty())
        return {};
    std::set<char32_t> characters;
    for (auto need = part_.needs.rbegin(); need != part_.needs.rend() && need->widget == number_; ++need)
        characters.insert(need->characters.begin(), need->characters.end());
    std::vector<const gorse_font*> out;
    const std::vector<FontKey> sizes = smallerSizes(context_.fonts, own, most);
    part_.shrinks[{own, most}] = sizes;
    for (const FontKey& key : sizes) {
        BakedFont* written = font(key);
        if (!written)
            continue;
        part_.needs.push_back({key, number_, characters});
        part_.usedFonts.insert(key);
        out.push_back(written->record());
    }
    part_.withFonts.push_back(number_);
    return out;
}

std::vector<FontKey> smallerSizes(const std::set<FontKey>& fonts, const FontKey& than, size_t most) {
    std::vector<FontKey> out;
    for (const FontKey& each : fonts)
        if (each.face == than.face && each.size < than.size)
            out.push_back(each);
    std::sort(out.begin(), out.end(), [](const FontKey& a, const FontKey& b) { return a.size > b.size; });
    out.resize(std::min(out.size(), most));
    return out;
}

void PartFonts::finish() {
    for (const gorse_look* look : looks_)
        part_.looks.push_back({look, look->state_count});
    for (const FontNeed& need : part_.needs)
        context_.looks.font(context_.document, need.font)->need(need.characters, 1);
}

}  // namespace gorsefinch
