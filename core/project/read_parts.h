// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include <span>
#include <string>

#include "core/document/document.h"
#include "core/project/json_text.h"

// Parts of the main file and of screens. A value that does not fit is a problem, and its default is taken.
namespace gorsefinch {

// The properties that the object has. A text that begins with "=" is an expression, which `expressions` receives if it
// is given; with "==" it is a plain text, of which the first is not part.
PropertyMap readProperties(JsonObject& object, std::span<const PropertyInfo> properties,
                           ExpressionMap* expressions = nullptr);

// The name of a colour or a size that is there instead of a value; nothing if there is none. Whether the project has it
// is not checked.
std::optional<std::string> readName(JsonObject& object, const char* key);

Clock readClock(const Json& json, Problems& problems);
LayoutAids readAids(const Json& json, Problems& problems);
// Whether its names are free is not checked.
NamedValues readNamedValues(const Json& json, Problems& problems);
// Of the object that they are for, under the key "lines".
GuideLines readLines(JsonObject& of);
Panel readPanel(const Json& json, Problems& problems);
// `place` is named in messages: "variables[2]".
Variable readVariable(const Json& json, const std::string& place, Problems& problems);
Look readLook(const Json& json, const std::string& place, Problems& problems);

}  // namespace gorsefinch
