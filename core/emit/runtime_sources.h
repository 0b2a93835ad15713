// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include <span>
#include <string>
#include <string_view>
#include <vector>

#include "core/scene/built_scene.h"

namespace gorsefinch {

// A file of the runtime, compiled into the program.
struct RuntimeSource {
    std::string_view name, text;
};

std::span<const RuntimeSource> runtimeSources();

// The names of those that a scene needs: the core, and only its kinds and formats. Sorted.
std::vector<std::string> neededSources(const BuiltScene& scene);

// The runtime's reader of an image; empty if it lies plainly in memory.
RuntimeSymbol readerOf(const BakedImage& image);

}  // namespace gorsefinch
