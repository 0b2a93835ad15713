// SPDX-License-Identifier: GPL-3.0-or-later
#include "core/image/shape.h"

#include <algorithm>
#include <cmath>
#include <cstdlib>

#include "core/image/scale.h"

namespace gorsefinch {

namespace {

Picture cut(const Picture& from, const PixelBox& box) {
    if (box == PixelBox{0, 0, from.width, from.height})
        return from;
    Picture out = makePicture(box.width, box.height);
    for (int row = 0; row < box.height; ++row) {
        const uint32_t* first = &from.pixels[static_cast<size_t>(box.y + row) * static_cast<size_t>(from.width) +
                                             static_cast<size_t>(box.x)];
        std::copy(first, first + box.width, out.pixels.begin() + static_cast<std::ptrdiff_t>(row) * box.width);
    }
    return out;
}

bool isLike(uint32_t argb, Colour key, int tolerance) {
    for (int shift = 0; shift < 24; shift += 8)
        if (std::abs(static_cast<int>(argb >> shift & 255) - static_cast<int>(key.argb >> shift & 255)) > tolerance)
            return false;
    return true;
}

// Empty is what is transparent; in an opaque picture, what has the colour of the upper left corner.
PixelBox inked(const Picture& p) {
    const uint32_t corner = p.pixels.front();
    const bool clear = p.hasAlpha();
    const auto empty = [&](int x, int y) { return clear ? p.at(x, y) >> 24 == 0 : p.at(x, y) == corner; };
    const auto rowIsEmpty = [&](int y) {
        for (int x = 0; x < p.width; ++x)
            if (!empty(x, y))
                return false;
        return true;
    };
    const auto columnIsEmpty = [&](int x) {
        for (int y = 0; y < p.height; ++y)
            if (!empty(x, y))
                return false;
        return true;
    };
    int x0 = 0, y0 = 0, x1 = p.width, y1 = p.height;
    while (y0 < y1 && rowIsEmpty(y0))
        ++y0;
    if (y0 == y1)
        return {0, 0, p.width, p.height};
    while (rowIsEmpty(y1 - 1))
        --y1;
    while (columnIsEmpty(x0))
        ++x0;
    while (columnIsEmpty(x1 - 1))
        --x1;
    return {x0, y0, x1 - x0, y1 - y0};
}

// The box around two; one without pixels counts for nothing.
PixelBox united(const PixelBox& a, const PixelBox& b) {
    if (a.width == 0)
        return b;
    const int x = std::min(a.x, b.x), y = std::min(a.y, b.y);
    return {x, y, std::max(a.x + a.width, b.x + b.width) - x, std::max(a.y + a.height, b.y + b.height) - y};
}

Picture turned(const Picture& from, const RecipeShape& shape) {
    if (shape.turn == 0 && !shape.flipX && !shape.flipY)
        return from;
    const bool sideways = shape.turn % 180 != 0;
    Picture out = makePicture(sideways ? from.height : from.width, sideways ? from.width : from.height);
    for (int y = 0; y < out.height; ++y)
        for (int x = 0; x < out.width; ++x) {
            const int tx = shape.flipX ? out.width - 1 - x : x, ty = shape.flipY ? out.height - 1 - y : y;
            switch (shape.turn) {
                case 90: out.at(x, y) = from.at(ty, from.height - 1 - tx); break;
                case 180: out.at(x, y) = from.at(from.width - 1 - tx, from.height - 1 - ty); break;
                case 270: out.at(x, y) = from.at(from.width - 1 - ty, tx); break;
                default: out.at(x, y) = from.at(tx, ty); break;
            }
        }
    return out;
}

Picture fitted(const Picture& from, const RecipeShape& shape) {
    const PixelSize size = resultSize(shape, from.width, from.height);
    const double sx = static_cast<double>(size.width) / from.width, sy = static_cast<double>(size.height) / from.height;
    if (shape.fit == Fit::Stretch || sx == sy)
        return scaled(from, size.width, size.height);
    if (shape.fit == Fit::Cover) {
        const double scale = std::max(sx, sy);
        const int w = std::clamp(static_cast<int>(std::lround(size.width / scale)), 1, from.width);
        const int h = std::clamp(static_cast<int>(std::lround(size.height / scale)), 1, from.height);
        return scaled(cut(from, {(from.width - w) / 2, (from.height - h) / 2, w, h}), size.width, size.height);
    }
    const double scale = std::min(sx, sy);
    const int w = std::clamp(static_cast<int>(std::lround(from.width * scale)), 1, size.width);
    const int h = std::clamp(static_cast<int>(std::lround(from.height * scale)), 1, size.height);
    const Picture inner = scaled(from, w, h);
    Picture out = makePicture(size.width, size.height);
    for (int y = 0; y < h; ++y)
        std::copy(inner.pixels.begin() + static_cast<std::ptrdiff_t>(y) * w,
                  inner.pixels.begin() + static_cast<std::ptrdiff_t>(y + 1) * w,
                  out.pixels.begin() + static_cast<std::ptrdiff_t>(y + (size.height - h) / 2) * size.width +
                      (size.width - w) / 2);
    return out;
}

}  // namespace

PixelBox croppedBox(const RecipeShape& shape, int w, int h) {
    if (shape.cropWidth <= 0 || shape.cropHeight <= 0)
        return {0, 0, w, h};
    const int x = std::clamp(shape.cropX, 0, w - 1), y = std::clamp(shape.cropY, 0, h - 1);
    return {x, y, std::clamp(shape.cropX + shape.cropWidth, x + 1, w) - x,
            std::clamp(shape.cropY + shape.cropHeight, y + 1, h) - y};
}

PixelSize resultSize(const RecipeShape& shape, int w, int h) {
    const auto follow = [](int known, int along, int across) {
        return std::clamp(static_cast<int>(std::lround(static_cast<double>(known) * across / along)), 1,
                          kMaxResultSide);
    };
    if (shape.width == 0 && shape.height == 0)
        return {w, h};
    if (shape.height == 0)
        return {shape.width, follow(shape.width, w, h)};
    if (shape.width == 0)
        return {follow(shape.height, h, w), shape.height};
    return {shape.width, shape.height};
}

double enlargement(const RecipeShape& shape, int w, int h) {
    const PixelBox box = croppedBox(shape, w, h);
    const bool sideways = shape.turn % 180 != 0;
    const int across = sideways ? box.height : box.width, down = sideways ? box.width : box.height;
    const PixelSize size = resultSize(shape, across, down);
    const double sx = static_cast<double>(size.width) / across, sy = static_cast<double>(size.height) / down;
    return shape.fit == Fit::Contain ? std::min(sx, sy) : std::max(sx, sy);
}

std::vector<Picture> shaped(std::span<const Picture* const> frames, const RecipeShape& shape, int64_t maxPixels) {
    std::vector<Picture> parts;
    PixelBox box;
    int64_t pixels = 0;
    for (const Picture* frame : frames) {
        const PixelBox part = croppedBox(shape, frame->width, frame->height);
        pixels += int64_t{part.width} * part.height;
    }
    if (pixels > maxPixels)
        return {};
    for (const Picture* frame : frames) {
        parts.push_back(cut(*frame, croppedBox(shape, frame->width, frame->height)));
        Picture& part = parts.back();
        if (shape.keyed)
            for (uint32_t& pixel : part.pixels)
                if (isLike(pixel, shape.key, shape.keyTolerance))
                    pixel = 0;
        if (shape.trim)
            box = united(box, inked(part));
    }
    std::vector<Picture> out;
    for (Picture& part : parts) {
        if (shape.trim)
            part = cut(part, box);
        out.push_back(fitted(turned(part, shape), shape));
        part = {};
        if (static_cast<int64_t>(out.front().pixels.size() * parts.size()) > maxPixels)
            return {};
    }
    return out;
}

Picture shaped(const Picture& original, const RecipeShape& shape) {
    const Picture* const one[] = {&original};
    return std::move(shaped(one, shape).front());
}

std::vector<Picture> sheetCells(const Picture& sheet, int columns, int rows) {
    const int w = sheet.width / std::max(columns, 1), h = sheet.height / std::max(rows, 1);
    std::vector<Picture> out;
    if (w < 1 || h < 1)
        return {sheet};
    for (int row = 0; row < rows; ++row)
        for (int column = 0; column < columns; ++column)
            out.push_back(cut(sheet, {column * w, row * h, w, h}));
    return out;
}

}  // namespace gorsefinch
