// SPDX-License-Identifier: GPL-3.0-or-later
#include "core/document/recipe.h"

#include <array>

#include "core/document/key_table.h"

namespace gorsefinch {

namespace {

constexpr std::array<std::pair<Fit, const char*>, 3> fitKeys{{
    {Fit::Contain, "contain"},
    {Fit::Cover, "cover"},
    {Fit::Stretch, "stretch"},
}};
constexpr std::array<std::pair<Reduction, const char*>, 6> reductionKeys{{
    {Reduction::Nearest, "none"},
    {Reduction::Bayer4, "bayer4"},
    {Reduction::Bayer8, "bayer8"},
    {Reduction::BlueNoise, "blue-noise"},
    {Reduction::FloydSteinberg, "floyd-steinberg"},
    {Reduction::Atkinson, "atkinson"},
}};
constexpr std::array<std::pair<PaletteSource, const char*>, 4> sourceKeys{{
    {PaletteSource::Picture, "picture"},
    {PaletteSource::Image, "image"},
    {PaletteSource::Panel, "panel"},
    {PaletteSource::Own, "own"},
}};
constexpr std::array<std::pair<Packing, const char*>, 3> packingKeys{{
    {Packing::Plain, "plain"},
    {Packing::Runs, "runs"},
    {Packing::Smallest, "smallest"},
}};

}  // namespace

const char* toKey(Fit fit) { return keyOf<Fit>(fitKeys, fit); }
const char* toKey(Reduction reduction) { return keyOf<Reduction>(reductionKeys, reduction); }
const char* toKey(PaletteSource source) { return keyOf<PaletteSource>(sourceKeys, source); }
const char* toKey(Packing packing) { return keyOf<Packing>(packingKeys, packing); }
std::optional<Fit> fitByKey(std::string_view key) { return valueOfKey<Fit>(fitKeys, key); }
std::optional<Reduction> reductionByKey(std::string_view key) { return valueOfKey<Reduction>(reductionKeys, key); }
std::optional<PaletteSource> paletteSourceByKey(std::string_view key) {
    return valueOfKey<PaletteSource>(sourceKeys, key);
}
std::optional<Packing> packingByKey(std::string_view key) { return valueOfKey<Packing>(packingKeys, key); }

}  // namespace gorsefinch
