// SPDX-License-Identifier: GPL-3.0-or-later
#include "core/project/shelf.h"

#include "core/edits/font_edits.h"
#include "core/edits/image_edits.h"

namespace gorsefinch {

namespace {

constexpr int kShelfWait = 5000;  // ms for another window that puts something on it

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
    return change([&](Document next) {
        for (const Image& image : images) {
            next = removeImages(next, std::span(&image.name, 1));
            next = addImages(next, {image});
        }
        for (const Face& face : faces) {
            next = removeFace(next, face.name);
            next = addFace(next, face);
        }
        return next;
    });
}

Result<void> Shelf::remove(std::span<const std::string> images, std::span<const std::string> faces) {
    return change([&](const Document& present) {
        Document next = removeImages(present, images);
        for (const std::string& face : faces)
            next = removeFace(next, face);
        return next;
    });
}

// Other windows put things on it too: nobody else does while this reads, changes and saves it.
Result<void> Shelf::change(const std::function<Document(Document)>& edit) {
    if (auto owned = folder_.waitToOwn(kShelfWait); !owned)
        return owned;
    auto saved = folder_.save(edit(read()));
    folder_.disown();
    return saved;
}

Document takeFace(const Document& document, Face face, std::string* name) {
    forgetMissing(document, face.defaults);
    for (FontSize& size : face.sizes)
        forgetMissing(document, size.settings);
    return addFace(document, std::move(face), name);
}

}  // namespace gorsefinch
