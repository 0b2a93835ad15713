// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include <map>
#include <string>

#include "core/scene/built_scene.h"

namespace gorsefinch {

// Names of things in generated code.
std::string imageSymbol(const Document& document, const BakedImage& image);
std::string fontSymbol(const Document& document, const FontKey& key);
std::string widgetSymbol(const Document& document, const Screen& screen, const Widget& widget);
std::string hookSymbol(const Document& document, const HookInfo& hook);

// The distinct images of a scene, by name.
std::vector<BakedImageRef> imagesOf(const BuiltScene& scene);

// NAME_scene.c, NAME_images.c, NAME_fonts.c, NAME.h and NAME_port.c.
std::string writeScene(const BuiltScene& scene);
std::string writeImages(const BuiltScene& scene);
std::string writeFonts(const BuiltScene& scene);
std::string writeHeader(const BuiltScene& scene);
std::string writePort(const BuiltScene& scene);

// "int32_t temperature, const char *words": what a hook takes.
std::string hookParameters(const HookInfo& hook);

}  // namespace gorsefinch
