// SPDX-License-Identifier: GPL-3.0-or-later
#include "core/edits/image_edits.h"

#include <algorithm>
#include <filesystem>
#include <set>

#include "core/document/names.h"
#include "core/edits/edit.h"

namespace gorsefinch {

namespace {

std::set<std::string> filesOf(const Document& document) {
    std::set<std::string> out;
    for (const Image& each : *document.images) {
        out.insert(each.file);
        for (const MoreOriginal& more : each.more)
            out.insert(more.file);
    }
    return out;
}

// A file name that no other original has.
std::string freeFile(std::set<std::string>& taken, const std::string& wanted, const std::string& fallback) {
    const std::filesystem::path path(isPlainFileName(wanted) ? wanted : fallback);
    const std::string ending = path.extension().string();
    std::string file = uniqueName(path.stem().string(),
                                  [&](std::string_view stem) { return taken.count(std::string(stem) + ending) != 0; }) +
                       ending;
    taken.insert(file);
    return file;
}

}  // namespace

Document withImage(const Document& document, const Image& image) {
    Document next = document;
    auto all = std::make_shared<std::vector<Image>>(*document.images);
    for (Image& each : *all)
        if (each.name == image.name)
            each = image;
    next.images = all;
    return next;
}

Document withRecipe(const Document& document, std::string_view image, const Recipe& recipe) {
    const Image* old = document.image(image);
    if (!old || old->recipe == recipe)
        return document;
    Image changed = *old;
    changed.recipe = recipe;
    return withImage(document, changed);
}

Document addImages(const Document& document, std::vector<Image> images, std::vector<std::string>* names) {
    Document next = document;
    std::set<std::string> files = filesOf(document);
    for (Image& each : images) {
        const std::string wanted = each.name.empty() ? std::filesystem::path(each.file).stem().string() : each.name;
        each.name = uniqueName(nameFrom(wanted, "image"), [&](std::string_view name) { return isTaken(next, name); });
        each.file = freeFile(files, each.file, each.name);
        for (MoreOriginal& more : each.more)
            more.file = freeFile(files, more.file, each.name);
        auto all = std::make_shared<std::vector<Image>>(*next.images);
        all->push_back(each);
        next.images = all;
        if (names)
            names->push_back(each.name);
    }
    return next;
}

Document addImage(const Document& document, std::string_view fileName, Bytes original, std::string* name) {
    Image image;
    image.file = fileName;
    image.original = std::move(original);
    image.recipe = *document.defaultRecipe;
    std::vector<std::string> names;
    Document next = addImages(document, {image}, &names);
    if (name)
        *name = names.front();
    return next;
}

Document removeImages(const Document& document, std::span<const std::string> names) {
    Document next = document;
    auto all = std::make_shared<std::vector<Image>>(*document.images);
    std::erase_if(*all,
                  [&](const Image& each) { return std::find(names.begin(), names.end(), each.name) != names.end(); });
    next.images = all;
    return next;
}

Recipe withoutPicture(const Recipe& recipe) {
    Recipe out = recipe;
    out.frames.clear();
    out.columns = out.rows = 1;
    out.cropX = out.cropY = out.cropWidth = out.cropHeight = 0;
    return out;
}

Document withRecipeOn(const Document& document, std::span<const std::string> images, const Recipe& recipe) {
    Document next = document;
    for (const std::string& name : images)
        if (const Image* image = next.image(name)) {
            Recipe fresh = withoutPicture(recipe);
            const Recipe& old = image->recipe;
            fresh.frames = old.frames;
            fresh.columns = old.columns, fresh.rows = old.rows;
            fresh.cropX = old.cropX, fresh.cropY = old.cropY, fresh.cropWidth = old.cropWidth,
            fresh.cropHeight = old.cropHeight;
            next = withRecipe(next, name, fresh);
        }
    return next;
}

std::map<std::string, int, std::less<>> imageUses(std::span<const ScreenRef> screens) {
    std::map<std::string, int, std::less<>> out;
    for (const ScreenRef& screen : screens)
        for (const WidgetRef& widget : screen->widgets)
            for (const PropertyInfo& property : info(widget->kind).properties)
                if (property.type == PropertyType::Image)
                    if (const auto found = widget->properties.find(property.key); found != widget->properties.end())
                        if (const auto* name = std::get_if<std::string>(&found->second); name && !name->empty())
                            ++out[*name];
    return out;
}

std::vector<std::string> usersOfImage(const Document& document, std::string_view image) {
    std::vector<std::string> out;
    for (const ScreenRef& screen : document.screens)
        for (const WidgetRef& widget : screen->widgets)
            for (const PropertyInfo& property : info(widget->kind).properties)
                if (property.type == PropertyType::Image)
                    if (const auto found = widget->properties.find(property.key);
                        found != widget->properties.end() && found->second == PropertyValue(std::string(image)))
                        out.push_back(screen->name + "." + widget->name);
    return out;
}

}  // namespace gorsefinch
