// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include <functional>
#include <vector>

#include "core/document/recipe.h"

namespace support {

using namespace gorsefinch;

struct Stored {
    const char* name;
    std::function<void(Recipe&)> change;
};
// Each way to store an image, by its recipe.
inline const std::vector<Stored>& everyWay() {
    static const std::vector<Stored> ways{
        {"plain", [](Recipe&) {}},
        {"runs", [](Recipe& r) { r.packing = Packing::Runs; }},
        {"outside", [](Recipe& r) { r.outside = true; }},
        {"outside runs", [](Recipe& r) { r.outside = true, r.packing = Packing::Runs; }},
        {"another format", [](Recipe& r) { r.format = PixelFormat::Rgb888, r.maskBits = 8; }},
        {"a palette",
         [](Recipe& r) {
             r.format = PixelFormat::Index2, r.maskBits = 1, r.paletteSource = PaletteSource::Own,
             r.palette = {opaque(0x101820), opaque(0xB03020), opaque(0x30A050), opaque(0xE0D0C0)};
         }},
        {"alpha inside", [](Recipe& r) { r.format = PixelFormat::Argb8888; }},
        {"a mask alone", [](Recipe& r) { r.maskOnly = true; }},
    };
    return ways;
}

// Panels of several formats with each of these ways.
inline void forEveryWay(const std::function<void(PixelFormat, const Stored&)>& check) {
    for (const PixelFormat panel : {PixelFormat::Rgb565, PixelFormat::Page1, PixelFormat::Row1, PixelFormat::Grey4,
                                    PixelFormat::Index8, PixelFormat::Rgb888, PixelFormat::Argb8888})
        for (const Stored& way : everyWay())
            check(panel, way);
}

}  // namespace support
