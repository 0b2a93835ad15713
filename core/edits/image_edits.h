// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include <map>
#include <span>
#include <string>
#include <vector>

#include "core/document/document.h"

// Edits of a project's images. A name that isn't there leaves the document as it is.
namespace gorsefinch {

// Puts the image in place of the one of its name.
Document withImage(const Document& document, const Image& image);
Document withRecipe(const Document& document, std::string_view image, const Recipe& recipe);
// Adds images under names made unique and usable, their files' names too; the names are given back.
Document addImages(const Document& document, std::vector<Image> images, std::vector<std::string>* names = nullptr);
// One picture from a file, with the recipe that the project has for new ones.
Document addImage(const Document& document, std::string_view fileName, Bytes original, std::string* name = nullptr);
// Widgets that showed them keep the name, which is then a reported problem.
Document removeImages(const Document& document, std::span<const std::string> names);

// Gives images a recipe; crop, cells and frames, which belong to each picture, stay its own.
Document withRecipeOn(const Document& document, std::span<const std::string> images, const Recipe& recipe);
// The recipe without what belongs to one picture, for those that are imported later.
Recipe withoutPicture(const Recipe& recipe);

// Where an image is used: "screen.widget" of each widget that shows it.
std::vector<std::string> usersOfImage(const Document& document, std::string_view image);
// How many times widgets name each image; images that none names are left out.
std::map<std::string, int, std::less<>> imageUses(std::span<const ScreenRef> screens);

}  // namespace gorsefinch
