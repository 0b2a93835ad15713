// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include <QColor>
#include <QImage>

#include "core/font/baked_font.h"

namespace gorsefinch::app {

// A character's bitmap in the depth of its font, one pixel a pixel, in one colour on nothing.
QImage glyphPicture(const BakedFont& font, char32_t character, const QColor& ink);
// Some characters in a row on their baseline.
QImage wordPicture(const BakedFont& font, const std::u32string& word, const QColor& ink);

}  // namespace gorsefinch::app
