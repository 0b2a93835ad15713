// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include <string>

#include "core/document/document.h"
#include "core/project/json_text.h"

// Assemblies and the inputs of their uses, as screens have them.
namespace gorsefinch {

Json assemblyJson(const Assembly& assembly);
// Of the screen in `file`. What is not usable of an input or an event is a problem, and left out.
Assembly readAssembly(const Json& json, const std::string& file, Problems& problems);
// What a use of an assembly sets, by input.
InputMap readInputs(JsonObject& widget);

}  // namespace gorsefinch
