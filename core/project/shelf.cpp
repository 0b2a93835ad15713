// SPDX-License-Identifier: GPL-3.0-or-later
#include "core/project/shelf.h"

#include "core/project/font_edits.h"
#include "core/project/image_edits.h"

namespace gorsefinch {

namespace {

// A project needs a screen; the shelf's is empty.
Document emptyShelf() {
    Document out;
    out.name = "shelf";
    Screen screen;
    screen.name = "screen";
    out.screens.push_back(std::make_shared<const Screen>(std::move(screen)));
    return out;
}

void forgetMissing(const Document& document, FontSettings& settings) {
    if (!document.face(settings.fallback))
        settings.fallback.clear();
}

}  // namespace

Document Shelf::read() {
    ReadProject read = folder_.open();
    return read.document ? std::move(*read.document) : emptyShelf();
}

Result<void> Shelf::put(std::span<const Image> images, std::span<const Face> faces) {
    Document next = read();
    for (const Image& image : images) {
        next = removeImages(next, std::span(&image.name, 1));
        next = addImages(next, {image});
    }
    for (const Face& face : faces) {
        next = removeFace(next, face.name);
        next = addFace(next, face);
    }
    return folder_.save(next);
}

Result<void> Shelf::remove(std::span<const std::string> images, std::span<const std::string> faces) {
    Document next = removeImages(read(), images);
    for (const std::string& face : faces)
        next = removeFace(next, face);
    return folder_.save(next);
}

Document takeFace(const Document& document, Face face, std::string* name) {
    forgetMissing(document, face.usual);
    for (FontSize& size : face.sizes)
        forgetMissing(document, size.settings);
    return addFace(document, std::move(face), name);
}

}  // namespace gorsefinch
