// SPDX-License-Identifier: GPL-3.0-or-later
#include "core/image/ladder.h"

#include <cmath>
#include <limits>
#include <unordered_set>

#include "core/image/make_palette.h"
#include "core/image/oklab.h"
#include "core/image/pack.h"
#include "core/image/reduce.h"
#include "core/image/runs.h"

namespace gorsefinch {

std::vector<Rung> ladderRungs(PixelFormat panel) {
    using F = PixelFormat;
    using R = Reduction;
    const F mono = panel == F::Page1 || panel == F::Row1Lsb ? panel : F::Row1;
    return {{mono, R::Nearest},
            {mono, R::Bayer8},
            {mono, R::BlueNoise},
            {mono, R::FloydSteinberg},
            {mono, R::Atkinson},
            {F::Index1, R::FloydSteinberg, 2},
            {F::Grey2, R::Bayer8},
            {F::Grey2, R::FloydSteinberg},
            {F::Index2, R::FloydSteinberg, 4},
            {F::Grey4, R::Nearest},
            {F::Grey4, R::FloydSteinberg},
            {F::Index4, R::Nearest, 16},
            {F::Index4, R::FloydSteinberg, 16},
            {F::Grey8, R::Nearest},
            {F::Rgb332, R::Bayer8},
            {F::Rgb332, R::FloydSteinberg},
            {F::Index8, R::Nearest, 64},
            {F::Index8, R::Nearest, 256},
            {panel == F::Rgb565Be ? panel : F::Rgb565, R::Nearest},
            {panel == F::Rgb565Be ? panel : F::Rgb565, R::FloydSteinberg},
            {F::Rgb888, R::Nearest},
            {F::Argb8888, R::Nearest}};
}

double psnrOf(const Picture& a, const Picture& b) {
    double squares = 0;
    for (size_t i = 0; i < a.pixels.size(); ++i)
        for (int shift = 0; shift < 24; shift += 8) {
            const int apart =
                static_cast<int>(a.pixels[i] >> shift & 255) - static_cast<int>(b.pixels[i] >> shift & 255);
            squares += apart * apart;
        }
    if (squares == 0)
        return std::numeric_limits<double>::infinity();
    return 10 * std::log10(255.0 * 255.0 * 3 * static_cast<double>(a.pixels.size()) / squares);
}

double colourDifferenceOf(const Picture& a, const Picture& b) {
    double sum = 0;
    for (size_t i = 0; i < a.pixels.size(); ++i)
        if (a.pixels[i] != b.pixels[i])
            sum += std::sqrt(static_cast<double>(labDistance(labOf({a.pixels[i]}), labOf({b.pixels[i]}))));
    return a.pixels.empty() ? 0 : 100 * sum / static_cast<double>(a.pixels.size());
}

RungResult makeRung(const Picture& picture, const Rung& rung, const Recipe& recipe) {
    Reducing how;
    how.format = rung.format;
    how.method = rung.reduction;
    how.strength = recipe.strength == 0 ? 100 : recipe.strength;
    how.linear = recipe.linear;
    how.threshold = recipe.threshold;
    if (rung.colours != 0) {
        const Picture* const one[] = {&picture};
        how.palette = makePalette(one, rung.colours);
    }
    const Reduced reduced = reduce(picture, how);
    RungResult out;
    out.rung = rung;
    out.picture = reduced.picture();
    const std::vector<uint8_t> bytes = reduced.bytes();
    const RunBytes runs = packedByRuns(bytes, rung.format, picture.width);
    const size_t palette = how.palette.size() * 2;  // as a panel of 16 bits looks it up
    out.plainBytes = bytes.size() + palette;
    out.runBytes = runs.size() + palette;
    std::unordered_set<uint32_t> seen(out.picture.pixels.begin(), out.picture.pixels.end());
    out.colours = static_cast<int>(seen.size());
    out.psnr = psnrOf(picture, out.picture);
    out.difference = colourDifferenceOf(picture, out.picture);
    return out;
}

Recipe withRung(const Recipe& recipe, const Rung& rung, PixelFormat panel) {
    Recipe out = recipe;
    out.format = rung.format == panel && rung.colours == 0 ? std::nullopt : std::optional(rung.format);
    out.reduction = rung.reduction;
    out.colours = rung.colours;
    if (rung.colours != 0)
        out.paletteSource = PaletteSource::Picture;
    return out;
}

Rung rungOf(const Recipe& recipe, PixelFormat panel) {
    const PixelFormat format = recipe.format.value_or(panel);
    const bool made = info(format).hasPalette() && recipe.format && recipe.paletteSource == PaletteSource::Picture;
    return {format, recipe.reduction, !made ? 0 : recipe.colours == 0 ? 1 << info(format).bits : recipe.colours};
}

}  // namespace gorsefinch
