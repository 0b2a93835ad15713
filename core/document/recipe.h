// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include <optional>
#include <string>
#include <string_view>
#include <vector>

#include "core/document/pixel_format.h"
#include "core/kinds/value.h"

namespace gorsefinch {

// Maximum frames of an original, and maximum side of what a recipe makes, in pixels.
inline constexpr int kMaxFrames = 1000, kMaxResultSide = 4096;

enum class Fit { Contain, Cover, Stretch };

// How colours that a format lacks are stood in for.
enum class Reduction { Nearest, Bayer4, Bayer8, BlueNoise, FloydSteinberg, Atkinson };

// Where an indexed image's palette comes from.
enum class PaletteSource { Picture, Image, Panel, Own };

enum class Packing { Plain, Runs, Smallest };

// One frame of an animation as it plays.
struct FrameUse {
    int source = 0;  // number of the original's frame, from 0
    int ms = 100;    // shown for, 1 to 60000
    friend bool operator==(const FrameUse&, const FrameUse&) = default;
};

// The part of a recipe that decides the picture before its colours are touched.
struct RecipeShape {
    int columns = 1, rows = 1;                                // a sheet of equal cells, each a frame: 1 to 64
    int cropX = 0, cropY = 0, cropWidth = 0, cropHeight = 0;  // pixels of the original; a width of 0 keeps all
    bool keyed = false;                                       // pixels like the key colour become transparent
    Colour key = opaque(0xff00ff);
    int keyTolerance = 0;               // 0 to 255: the greatest difference in a channel
    bool trim = false;                  // cuts off an empty border
    int turn = 0;                       // clockwise degrees: 0, 90, 180, 270
    bool flipX = false, flipY = false;  // after the turn
    int width = 0, height = 0;          // 0: the original's, or as the other side's aspect wants
    Fit fit = Fit::Contain;
    friend bool operator==(const RecipeShape&, const RecipeShape&) = default;
};

// How an original becomes pixels; the steps are taken in this order.
struct Recipe : RecipeShape {
    int brightness = 0, contrast = 0;  // -100 to 100
    int gamma = 100;                   // hundredths, 20 to 500: above 100 lightens the middle
    bool inverted = false;
    Colour background{0};               // behind what is transparent and beside what is contained; none keeps a mask
    int maskBits = 4;                   // 1, 2, 4, 8
    bool maskOnly = false;              // drawn in the look's text colour
    std::optional<PixelFormat> format;  // none: the panel's
    Reduction reduction = Reduction::Nearest;
    int strength = 100;   // per cent, of the dither
    bool linear = false;  // dithers in linear light
    int threshold = 128;  // of one-bit formats: the lowest grey that is lit, 1 to 255
    PaletteSource paletteSource = PaletteSource::Picture;
    int colours = 0;              // of a palette made from the picture, 2 to 256; 0: as many as the format holds
    std::string paletteImage;     // whose palette is shared
    std::vector<Colour> palette;  // the user's own
    Packing packing = Packing::Plain;
    bool outside = false;          // lives in memory that the firmware reads, not in the code
    std::vector<FrameUse> frames;  // which and how long; empty: as the original has them
    UnknownKeys unknown;
    friend bool operator==(const Recipe&, const Recipe&) = default;
};

const char* toKey(Fit fit);
const char* toKey(Reduction reduction);
const char* toKey(PaletteSource source);
const char* toKey(Packing packing);
std::optional<Fit> fitByKey(std::string_view key);
std::optional<Reduction> reductionByKey(std::string_view key);
std::optional<PaletteSource> paletteSourceByKey(std::string_view key);
std::optional<Packing> packingByKey(std::string_view key);

}  // namespace gorsefinch
