// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include <map>
#include <string>

#include "core/scene/built_scene.h"

namespace gorsefinch {

// Names of things in generated code.
std::string imageSymbol(const Document& document, const std::string& image, size_t frame = 0);
std::string fontSymbol(const Document& document, const FontKey& key);
std::string widgetSymbol(const Document& document, const Screen& screen, const Widget& widget);
std::string hookSymbol(const Document& document, const HookInfo& hook);
// What the names of the tables of a set of colours end in; "" for the first. No name of the project holds two
// underscores.
std::string setSuffix(const Document& document, size_t set);

// NAME_scene.c, NAME_images.c, NAME_fonts.c, NAME.h and NAME_port.c.
std::string writeScene(const BuiltScene& scene);
// The panel and the scene, which refer to all other tables.
std::string writeSceneRecord(const BuiltScene& scene);
// The tables of input beside presses; "" if there is none.
std::string writeControls(const BuiltScene& scene);
// How screens follow one another; "" if all is cut.
std::string writeTransitions(const BuiltScene& scene);
// What rules animate; "" if that is nothing.
std::string writeGlides(const BuiltScene& scene);
// Which widgets lie in which containers; "" if there are none.
std::string writeContainers(const BuiltScene& scene);
// The tables of what the panel has beside its picture; "" if it has nothing.
std::string writeOutputs(const BuiltScene& scene);
// The end of NAME_scene.c, behind its tables: how the interface is run.
std::string writeRun(const BuiltScene& scene);
std::string writeImages(const BuiltScene& scene);
std::string writeFonts(const BuiltScene& scene);
std::string writeHeader(const BuiltScene& scene);
std::string writePort(const BuiltScene& scene);

// "int32_t temperature, const char *words": what a hook takes.
std::string hookParameters(const HookInfo& hook);

}  // namespace gorsefinch
