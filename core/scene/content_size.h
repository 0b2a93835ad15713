// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include <optional>

#include "core/scene/built_scene.h"

namespace gorsefinch {

struct ContentSize {
    int w = 0, h = 0;  // pixels
    friend bool operator==(const ContentSize&, const ContentSize&) = default;
};

// The box that holds what a widget shows, with its border and padding: of texts, readouts and buttons the widest line
// that they can show, of images their picture, of groups what they hold. Nothing for other kinds, for texts that are
// broken into lines by the box, and for what holds nothing.
std::optional<ContentSize> contentSizeOf(const BuiltScene& scene, size_t screen, size_t widget);

}  // namespace gorsefinch
