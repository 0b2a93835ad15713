// SPDX-License-Identifier: GPL-3.0-or-later
#include "core/edits/font_edits.h"

#include <algorithm>
#include <filesystem>
#include <set>

#include "core/document/names.h"
#include "core/edits/edit.h"

namespace gorsefinch {

namespace {

Document changedFace(const Document& document, std::string_view name, const std::function<void(Face&)>& change) {
    const Face* old = document.face(name);
    if (!old)
        return document;
    Face next = *old;
    change(next);
    return next == *old ? document : withFace(document, next);
}

// The size's own entry, made with the default settings if it has none.
FontSize& ownSize(Face& face, int size) {
    const auto at =
        std::find_if(face.sizes.begin(), face.sizes.end(), [&](const FontSize& each) { return each.size >= size; });
    if (at != face.sizes.end() && at->size == size)
        return *at;
    FontSize fresh;
    fresh.size = size;
    fresh.settings = face.defaults;
    return *face.sizes.insert(at, fresh);
}

// The properties that can set a text's face and size.
struct Requested {
    std::string face;
    int size = 0;
    bool is(const FontKey& key) const { return face == key.face && size == key.size; }
};

Requested requested(const Document& document, const PropertyValue& face, const PropertyValue& size) {
    Requested out{std::get<std::string>(face), static_cast<int>(std::get<int64_t>(size))};
    if (out.face.empty() && !document.faces->empty())
        out.face = document.faces->front().name;
    return out;
}

Requested askedByLook(const Document& document, const Look& look, std::string_view state) {
    const std::vector<const Look*> looks = lookAndBases(document, &look);
    return requested(document, lookValue(document, looks, state, "font"), lookValue(document, looks, state, "size"));
}

Requested askedByWidget(const Document& document, const Widget& widget) {
    return requested(document, effectiveValue(document, widget, "font"), effectiveValue(document, widget, "size"));
}

// A widget uses a font by itself if it has a face or size of its own, or no look that says one.
bool asksItself(const Document& document, const Widget& widget) {
    return info(widget.kind).has(kHasText | kHasLabels) &&
           (widget.properties.count("font") != 0 || widget.properties.count("size") != 0 ||
            !document.look(widget.look));
}

void forEachAsker(const Document& document,
                  const std::function<void(const Look&, std::string_view state, const Requested&)>& ofLook,
                  const std::function<void(const Screen&, const Widget&, const Requested&)>& ofWidget) {
    for (const Look& look : *document.looks) {
        ofLook(look, "", askedByLook(document, look, ""));
        for (const auto& [state, style] : look.states)
            if (style.count("font") != 0 || style.count("size") != 0)
                ofLook(look, state, askedByLook(document, look, state));
    }
    for (const ScreenRef& screen : document.screens)
        for (const WidgetRef& widget : screen->widgets)
            if (info(widget->kind).has(kHasText | kHasLabels))
                ofWidget(*screen, *widget, askedByWidget(document, *widget));
}

}  // namespace

Document addFace(const Document& document, Face face, std::string* name) {
    const std::filesystem::path path(isPlainFileName(face.file) ? face.file : "face");
    const auto fileTaken = [&](std::string_view stem) {
        const std::string file = std::string(stem) + path.extension().string();
        return std::any_of(document.faces->begin(), document.faces->end(),
                           [&](const Face& each) { return each.file == file; });
    };
    face.file = uniqueName(path.stem().string(), fileTaken) + path.extension().string();
    face.name = uniqueName(nameFrom(face.name.empty() ? path.stem().string() : face.name, "face"),
                           [&](std::string_view each) { return isTaken(document, each); });
    if (name)
        *name = face.name;
    Document next = document;
    auto all = std::make_shared<std::vector<Face>>(*document.faces);
    all->push_back(std::move(face));
    next.faces = all;
    return next;
}

Document addFace(const Document& document, std::string_view fileName, Bytes original, std::string* name) {
    Face face;
    face.file = fileName;
    face.original = std::move(original);
    return addFace(document, std::move(face), name);
}

Document withFace(const Document& document, const Face& face) {
    Document next = document;
    auto all = std::make_shared<std::vector<Face>>(*document.faces);
    for (Face& each : *all)
        if (each.name == face.name)
            each = face;
    next.faces = all;
    return next;
}

Document removeFace(const Document& document, std::string_view name) {
    Document next = document;
    auto all = std::make_shared<std::vector<Face>>(*document.faces);
    std::erase_if(*all, [&](const Face& each) { return each.name == name; });
    next.faces = all;
    return next;
}

Document withFontSettings(const Document& document, const FontKey& key, const FontSettings& settings) {
    return changedFace(document, key.face, [&](Face& face) {
        (key.size == 0 ? face.defaults : ownSize(face, key.size).settings) = settings;
    });
}

Document addFontSize(const Document& document, const FontKey& key) {
    return changedFace(document, key.face, [&](Face& face) { ownSize(face, key.size); });
}

Document removeFontSize(const Document& document, const FontKey& key) {
    return changedFace(document, key.face, [&](Face& face) {
        std::erase_if(face.sizes, [&](const FontSize& each) { return each.size == key.size; });
    });
}

Document withHandGlyph(const Document& document, const FontKey& key, char32_t character,
                       const std::optional<HandGlyph>& glyph) {
    return changedFace(document, key.face, [&](Face& face) {
        auto& byHand = ownSize(face, key.size).byHand;
        if (glyph)
            byHand[character] = *glyph;
        else
            byHand.erase(character);
    });
}

Document resizeFont(const Document& document, const FontKey& key, int size) {
    Document next = changedFace(document, key.face, [&](Face& face) {
        const FontSize* own = face.ownSize(key.size);
        if (!own || face.ownSize(size))
            return;
        FontSize moved = *own;
        moved.size = size;
        moved.byHand.clear();  // drawn for the old size
        std::erase_if(face.sizes, [&](const FontSize& each) { return each.size == key.size; });
        ownSize(face, size) = moved;
    });
    auto looks = std::make_shared<std::vector<Look>>(*document.looks);
    for (Look& look : *looks) {
        const Look before = look;
        if (askedByLook(document, before, "").is(key))
            look.style["size"] = int64_t{size};
        for (auto& [state, style] : look.states)
            if (style.count("size") != 0 && askedByLook(document, before, state).is(key))
                style["size"] = int64_t{size};
    }
    next.looks = looks;
    for (const ScreenRef& screen : document.screens) {
        Names own;
        for (const WidgetRef& widget : screen->widgets)
            if (asksItself(document, *widget) && askedByWidget(document, *widget).is(key))
                own.push_back(widget->name);
        if (!own.empty())
            next = changeWidgets(next, screen->name, own, [&](Widget& w) { w.properties["size"] = int64_t{size}; });
    }
    return next;
}

std::vector<std::string> usersOfFont(const Document& document, const FontKey& key) {
    std::vector<std::string> out;
    forEachAsker(
        document,
        [&](const Look& look, std::string_view state, const Requested& requested) {
            if (requested.is(key))
                out.push_back("look " + look.name + (state.empty() ? "" : ", " + std::string(state)));
        },
        [&](const Screen& screen, const Widget& widget, const Requested& requested) {
            if (requested.is(key))
                out.push_back(screen.name + "." + widget.name);
        });
    return out;
}

}  // namespace gorsefinch
