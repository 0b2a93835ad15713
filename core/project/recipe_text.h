// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include "core/document/recipe.h"
#include "core/project/json_text.h"

// Recipes and colours in the project's files and on the shelf.
namespace gorsefinch {

// Only what differs from a recipe that does nothing.
Json recipeJson(const Recipe& recipe);
// Values out of range are problems, and the defaults are taken. `place` is named in messages.
Recipe readRecipe(const Json& json, const std::string& file, const std::string& place, Problems& problems);

// A recipe as text for the clipboard, and back; nothing for other text.
std::string recipeText(const Recipe& recipe);
std::optional<Recipe> recipeFromText(const std::string& text);

// A list of colours as texts; at most 256 are read. Nothing is written for an empty one.
void putColours(Json& object, const char* key, const std::vector<Colour>& colours);
std::vector<Colour> readColours(JsonObject& object, const char* key);

// Writes what differs from the defaults.
template <typename T>
void putUnless(Json& object, const char* key, const T& value, const T& defaults) {
    if (value != defaults)
        object[key] = value;
}

}  // namespace gorsefinch
