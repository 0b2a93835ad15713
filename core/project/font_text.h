// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include "core/document/document.h"
#include "core/project/json_text.h"

// A face's settings and sizes in the project's files.
namespace gorsefinch {

// Writes only what differs from the defaults.
void putFontSettings(Json& object, const Face& face);
// Fills `face` from its object. Values out of range are problems, and the defaults are taken.
void readFontSettings(JsonObject& object, Face& face, const std::string& file, const std::string& place,
                      Problems& problems);

}  // namespace gorsefinch
