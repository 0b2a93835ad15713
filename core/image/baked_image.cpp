// SPDX-License-Identifier: GPL-3.0-or-later
#include "core/image/baked_image.h"

#include "core/image/scale.h"

namespace gorsefinch {

namespace {

PixelFormat maskFormat(int bits) {
    return bits == 1 ? PixelFormat::A1 : bits == 2 ? PixelFormat::A2 : bits == 4 ? PixelFormat::A4 : PixelFormat::A8;
}

BakedImageRef bakePicture(const Picture& original, const Image& image, PixelFormat panel) {
    auto baked = std::make_shared<BakedImage>();
    const Picture fit = fitted(original, image.recipe);
    baked->name = image.name;
    baked->width = fit.width;
    baked->height = fit.height;
    baked->format = panel;
    if (image.recipe.maskOnly || fit.hasAlpha()) {
        baked->maskBits = info(panel).bits == 1 ? 1 : image.recipe.maskBits;
        const PixelFormat mask = maskFormat(baked->maskBits);
        baked->mask = packed(reduced(fit, mask, Reduction::Nearest), mask);
    }
    if (!image.recipe.maskOnly)
        baked->pixels = packed(reduced(fit, panel, image.recipe.reduction), panel);
    baked->record.format = info(panel).image;
    baked->record.pixels = baked->pixels.empty() ? nullptr : baked->pixels.data();
    baked->record.mask = baked->mask.empty() ? nullptr : baked->mask.data();
    baked->record.width = static_cast<uint16_t>(fit.width);
    baked->record.height = static_cast<uint16_t>(fit.height);
    baked->record.mask_bits = static_cast<uint8_t>(baked->maskBits);
    return baked;
}

}  // namespace

Result<std::shared_ptr<const Picture>> ImageBakery::original(const Image& image) {
    if (!image.original)
        return failure("images/" + image.file, "", "the original is missing", "Put the file back or choose another");
    auto& kept = decoded_[image.original];
    if (!kept) {
        auto picture = decodePicture(*image.original, "images/" + image.file);
        if (!picture) {
            decoded_.erase(image.original);
            return tl::unexpected(picture.error());
        }
        kept = std::make_shared<const Picture>(std::move(*picture));
    }
    return kept;
}

Result<BakedImageRef> ImageBakery::bake(const Image& image, PixelFormat panel) {
    Entry& entry = byName_[image.name];
    if (entry.baked && entry.original == image.original && entry.recipe == image.recipe && entry.format == panel)
        return entry.baked;
    const auto picture = original(image);
    if (!picture)
        return tl::unexpected(picture.error());
    const PixelSize size = resultSize(image.recipe, (*picture)->width, (*picture)->height);
    if (size.width > kMostPanelSide || size.height > kMostPanelSide)
        return failure("images/" + image.file, "recipe", "the result would be larger than 4096 pixels",
                       "Set its size");
    entry = {image.original, image.recipe, panel, image.name, bakePicture(**picture, image, panel)};
    return entry.baked;
}

}  // namespace gorsefinch
