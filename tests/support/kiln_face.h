// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include <functional>
#include <set>

#include "core/edits/font_edits.h"
#include "core/font/baked_font.h"
#include "tests/support/projects.h"

// A project with one text in the kiln's regular face, for tests of fonts.
namespace support {

using namespace gorsefinch;

using Bytes8 = std::vector<uint8_t>;

inline Bytes fileBytes(const std::string& path) {
    Disk disk;
    return std::make_shared<const FileContents>(*readFile(disk, path, kMaxPictureFile));
}

inline Document withKilnFace(const Document& document) {
    return addFace(document, "B612-Regular.otf", fileBytes(examplePath("kiln") + "/fonts/B612-Regular.otf"));
}

// One screen with one text in the kiln's regular face.
inline Document withText(const std::string& words, int size = 20) {
    Document document = makeDocument();
    document = withKilnFace(document);
    const Widget text = makeWidget("words", Kind::Text, 4, 4, 200, 60, {{"text", words}, {"size", int64_t{size}}});
    return addWidgets(document, "first", {text});
}

inline const std::string kFace = "B612_Regular";

inline std::string faceName(const Document& document) { return document.faces->front().name; }

inline Document change(const Document& document, int size, const std::function<void(FontSettings&)>& step) {
    const FontKey key{faceName(document), size};
    FontSettings settings = document.face(key.face)->settings(size);
    step(settings);
    return withFontSettings(document, key, settings);
}

inline BakedFont baked(const Document& document, int size, const std::set<char32_t>& characters, int defaultBits = 4) {
    BakedFont font({faceName(document), size}, *fontSource(document, {faceName(document), size}, defaultBits));
    font.need(characters, 1);
    font.bake();
    return font;
}

}  // namespace support
