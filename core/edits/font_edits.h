// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include "core/document/document.h"

// Edits of a project's faces and their sizes. A name that isn't there leaves the document as it is.
namespace gorsefinch {

// Takes a face into the project under a name made of the file's; the name is given back.
Document addFace(const Document& document, std::string_view fileName, Bytes original, std::string* name = nullptr);
// The same for a whole face with its settings; its name and its file's are made unique.
Document addFace(const Document& document, Face face, std::string* name = nullptr);
// Puts the face in place of the one of its name.
Document withFace(const Document& document, const Face& face);
// Texts in it keep its name, which is then a reported problem.
Document removeFace(const Document& document, std::string_view name);

// Settings of one size, or with size 0 those of all sizes without their own.
Document withFontSettings(const Document& document, const FontKey& key, const FontSettings& settings);
// Makes a size by hand, with the face's default settings; nothing if it has its own already.
Document addFontSize(const Document& document, const FontKey& key);
// Takes a size's own settings and hand-set glyphs away.
Document removeFontSize(const Document& document, const FontKey& key);
// Sets a glyph's pixels by hand; without a glyph the face's own come back.
Document withHandGlyph(const Document& document, const FontKey& key, char32_t character,
                       const std::optional<HandGlyph>& glyph);

// Everything that shows a font shows it in another size, settings and hand-set glyphs included.
Document resizeFont(const Document& document, const FontKey& key, int size);

// What uses a font: looks as "look title", widgets as "screen.widget" where they or their look name it.
std::vector<std::string> usersOfFont(const Document& document, const FontKey& key);

}  // namespace gorsefinch
