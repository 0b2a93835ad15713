// SPDX-License-Identifier: GPL-3.0-or-later
#include "core/scene/part_images.h"

#include <algorithm>

namespace gorsefinch {

Result<BakedImageRef> PartImages::use(const std::string& name, bool allFrames) {
    part_.usedImages.insert(name);
    const Image* image = context_.document.image(name);
    if (!image)
        return failure("", "", "there is no image \"" + name + "\"", "Choose another image");
    if (!image->recipe.paletteImage.empty())
        part_.usedImages.insert(image->recipe.paletteImage);
    auto baked = context_.images.bake(context_.document, *image);
    if (baked)
        part_.images.push_back({name, *baked, allFrames});
    return baked;
}

std::optional<RecordBuilder::NeedleImage> PartImages::needle(const std::string& name) const {
    const BakedImage* image = find(name);
    if (!image)
        return std::nullopt;
    const TurningPoint hub = image->hub().value_or(TurningPoint{});
    return RecordBuilder::NeedleImage{image->width, image->height, hub.x, hub.y};
}

bool PartImages::isStoredPlainly(const std::string& name) const {
    const BakedImage* image = find(name);
    return !image || (!image->outside && !image->packedByRuns());
}

const BakedImage* PartImages::find(const std::string& name) const {
    const auto used =
        std::find_if(part_.images.begin(), part_.images.end(), [&](const auto& each) { return each.name == name; });
    return used == part_.images.end() ? nullptr : used->image.get();
}

}  // namespace gorsefinch
