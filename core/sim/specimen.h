// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include "core/image/picture.h"
#include "core/scene/built_scene.h"

namespace gorsefinch {

// A text in a font, drawn by the runtime in the panel's own pixels.
struct SpecimenRequest {
    FontKey font;
    std::string text;  // as it is: braces stand for themselves
    Colour ink = opaque(0xffffff), ground = opaque(0x000000);
    int width = 200, height = 60;  // pixels
    bool wrap = true;              // lines break at the width
};

Picture specimen(const Document& document, const SpecimenRequest& request);

// One way to hold a font, and what it costs.
struct FontRung {
    int size = 0, bits = 0;
    size_t plainBytes = 0, packedBytes = 0;  // on a 32-bit target, tables included
    Picture sample;
};

// The font in one size and depth, holding the characters given.
FontRung makeFontRung(const Document& document, const FontKey& font, int size, int bits,
                      const std::set<char32_t>& characters, SpecimenRequest sample);

}  // namespace gorsefinch
