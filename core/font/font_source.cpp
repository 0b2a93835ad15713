// SPDX-License-Identifier: GPL-3.0-or-later
#include <algorithm>

#include "core/font/baked_font.h"

namespace gorsefinch {

namespace {

constexpr size_t kMaxFaces = 4;  // of one font: its own and its fallbacks

Result<std::shared_ptr<const FaceAtSize>> open(const Face& face, const FontSettings& settings, int size) {
    FaceRequest request;
    request.size = size;
    request.bits = settings.bits;
    request.measure = settings.measure;
    request.hinting = settings.hinting;
    request.variant = face.variant;
    return openFace(face.original, "fonts/" + face.file, request);
}

}  // namespace

std::vector<std::string> facesOfFont(const Document& document, const FontKey& key) {
    std::vector<std::string> out;
    const Face* next = document.face(key.face);
    // A fallback may have a fallback of its own; a circle ends.
    while (next && out.size() < kMaxFaces && std::find(out.begin(), out.end(), next->name) == out.end()) {
        out.push_back(next->name);
        next = document.face(next->settings(key.size).fallback);
    }
    return out;
}

Result<FontSource> fontSource(const Document& document, const FontKey& key, int defaultBits) {
    const Face* face = document.face(key.face);
    if (!face)
        return failure("", "", "there is no face \"" + key.face + "\"", "Choose another, or bring the face in");
    FontSource out;
    out.settings = face->settings(key.size);
    if (out.settings.bits == 0)
        out.settings.bits = defaultBits;
    if (const FontSize* own = face->ownSize(key.size); own && out.settings.bits == 1)
        out.byHand = own->byHand;
    for (const std::string& name : facesOfFont(document, key)) {
        auto opened = open(*document.face(name), out.settings, key.size);
        if (opened)
            out.faces.push_back(*opened);
        else if (out.faces.empty())
            return tl::unexpected(opened.error());
    }
    return out;
}

}  // namespace gorsefinch
