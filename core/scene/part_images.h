// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include <optional>
#include <string>

#include "core/scene/screen_part.h"

namespace gorsefinch {

// The images of a screen while it is built.
class PartImages {
  public:
    // Both must live as long as this.
    PartImages(const PartContext& context, ScreenPart& part) : context_(context), part_(part) {}

    // Notes that the part uses an image, all its frames or the first. An error without a file says that there is none
    // of that name.
    Result<BakedImageRef> use(const std::string& name, bool allFrames);
    // An image of the part as a needle; nothing if the part does not use it.
    std::optional<RecordBuilder::NeedleImage> needle(const std::string& name) const;
    // True for one that the part does not use.
    bool isStoredPlainly(const std::string& name) const;

  private:
    // Null if the part does not use it.
    const BakedImage* find(const std::string& name) const;

    const PartContext& context_;
    ScreenPart& part_;
};

}  // namespace gorsefinch
