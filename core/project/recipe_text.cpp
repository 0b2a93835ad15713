// SPDX-License-Identifier: GPL-3.0-or-later
#include "core/project/recipe_text.h"

#include <algorithm>

#include "core/document/document.h"

namespace gorsefinch {

namespace {

void putShape(Json& out, const RecipeShape& shape) {
    putUnless(out, "columns", shape.columns, 1);
    putUnless(out, "rows", shape.rows, 1);
    if (shape.cropWidth > 0 && shape.cropHeight > 0)
        out["crop"] = {shape.cropX, shape.cropY, shape.cropWidth, shape.cropHeight};
    if (shape.keyed) {
        out["key_colour"] = toText(shape.key);
        putUnless(out, "key_tolerance", shape.keyTolerance, 0);
    }
    putUnless(out, "trim", shape.trim, false);
    putUnless(out, "turn", shape.turn, 0);
    putUnless(out, "flip_x", shape.flipX, false);
    putUnless(out, "flip_y", shape.flipY, false);
    putUnless(out, "width", shape.width, 0);
    putUnless(out, "height", shape.height, 0);
    putUnless(out, "fit", std::string(toKey(shape.fit)), std::string(toKey(Fit::Contain)));
}

// Numbers from an array of exactly `count`; empty for anything else.
std::vector<int> numbers(const Json& array, size_t count, int min, int max) {
    std::vector<int> out;
    if (!array.is_array() || array.size() != count)
        return {};
    for (const Json& each : array) {
        if (!each.is_number_integer() || each.get<int64_t>() < min || each.get<int64_t>() > max)
            return {};
        out.push_back(each.get<int>());
    }
    return out;
}

class RecipeReader {
  public:
    RecipeReader(const Json& json, const std::string& file, const std::string& place, Problems& problems)
        : object_(json, file, place, problems) {}

    Recipe run() {
        shape();
        tone();
        reduction();
        storage();
        recipe_.unknown = object_.unknown();
        return std::move(recipe_);
    }

  private:
    int whole(const char* key, int otherwise, int min, int max) {
        return static_cast<int>(object_.whole(key, otherwise, min, max));
    }

    void shape() {
        recipe_.columns = whole("columns", 1, 1, 64);
        recipe_.rows = whole("rows", 1, 1, 64);
        if (object_.has("crop")) {
            const std::vector<int> crop = numbers(object_.array("crop"), 4, 0, 65535);
            if (crop.empty() || crop[2] < 1 || crop[3] < 1)
                object_.problem("crop", "a crop is [left, top, width, height] in pixels", "Correct the numbers");
            else
                recipe_.cropX = crop[0], recipe_.cropY = crop[1], recipe_.cropWidth = crop[2],
                recipe_.cropHeight = crop[3];
        }
        recipe_.keyed = object_.has("key_colour");
        recipe_.key = object_.colour("key_colour", recipe_.key);
        recipe_.keyTolerance = whole("key_tolerance", 0, 0, 255);
        recipe_.trim = object_.yesNo("trim", false);
        recipe_.turn = whole("turn", 0, 0, 270);
        if (recipe_.turn % 90 != 0) {
            object_.problem("turn", "a picture turns by 0, 90, 180 or 270 degrees", "Correct the number");
            recipe_.turn = 0;
        }
        recipe_.flipX = object_.yesNo("flip_x", false);
        recipe_.flipY = object_.yesNo("flip_y", false);
        recipe_.width = whole("width", 0, 0, kMaxResultSide);
        recipe_.height = whole("height", 0, 0, kMaxResultSide);
        recipe_.fit = object_.choice<Fit>("fit", recipe_.fit, fitByKey);
    }

    void tone() {
        recipe_.brightness = whole("brightness", 0, -100, 100);
        recipe_.contrast = whole("contrast", 0, -100, 100);
        recipe_.gamma = whole("gamma", 100, 20, 500);
        recipe_.inverted = object_.yesNo("inverted", false);
        recipe_.background = object_.colour("background", recipe_.background);
        const int bits = whole("mask_bits", recipe_.maskBits, 1, 8);
        if (bits == 1 || bits == 2 || bits == 4 || bits == 8)
            recipe_.maskBits = bits;
        else
            object_.problem("mask_bits", "a mask has 1, 2, 4 or 8 bits", "Correct the number");
        recipe_.maskOnly = object_.yesNo("mask_only", false);
    }

    void reduction() {
        const std::string key = object_.text("format");
        const PixelFormatInfo* format = pixelFormatByKey(key);
        if (format && !format->isMask())
            recipe_.format = format->format;
        else if (!key.empty())
            object_.problem("format", "there is no pixel format \"" + key + "\" for images",
                            "Use one of the documented ones");
        recipe_.reduction = object_.choice<Reduction>("dither", recipe_.reduction, reductionByKey);
        recipe_.strength = whole("strength", 100, 0, 100);
        recipe_.linear = object_.yesNo("linear", false);
        recipe_.threshold = whole("threshold", 128, 1, 255);
        recipe_.paletteSource =
            object_.choice<PaletteSource>("palette_from", recipe_.paletteSource, paletteSourceByKey);
        recipe_.colours = whole("colours", 0, 0, 256);
        if (recipe_.colours == 1) {
            object_.problem("colours", "a palette has 2 to 256 colours", "Correct the number");
            recipe_.colours = 0;
        }
        recipe_.paletteImage = object_.text("palette_image");
        recipe_.palette = readColours(object_, "palette");
    }

    void storage() {
        recipe_.packing = object_.choice<Packing>("packing", recipe_.packing, packingByKey);
        recipe_.outside = object_.yesNo("outside", false);
        const Json& frames = object_.array("frames");
        for (size_t i = 0; i < std::min<size_t>(frames.size(), kMaxFrames); ++i) {
            const std::vector<int> frame = numbers(frames[i], 2, 0, 60000);
            if (frame.empty() || frame[0] >= kMaxFrames || frame[1] < 1)
                object_.problem("frames", "a frame is [number, milliseconds]", "It was left out; correct the numbers");
            else
                recipe_.frames.push_back({frame[0], frame[1]});
        }
    }

    JsonObject object_;
    Recipe recipe_;
};

}  // namespace

Json recipeJson(const Recipe& recipe) {
    Json out = Json::object();
    putShape(out, recipe);
    putUnless(out, "brightness", recipe.brightness, 0);
    putUnless(out, "contrast", recipe.contrast, 0);
    putUnless(out, "gamma", recipe.gamma, 100);
    putUnless(out, "inverted", recipe.inverted, false);
    putUnless(out, "background", toText(recipe.background), toText(Colour{0}));
    putUnless(out, "mask_bits", recipe.maskBits, 4);
    putUnless(out, "mask_only", recipe.maskOnly, false);
    if (recipe.format)
        out["format"] = info(*recipe.format).key;
    putUnless(out, "dither", std::string(toKey(recipe.reduction)), std::string(toKey(Reduction::Nearest)));
    putUnless(out, "strength", recipe.strength, 100);
    putUnless(out, "linear", recipe.linear, false);
    putUnless(out, "threshold", recipe.threshold, 128);
    putUnless(out, "palette_from", std::string(toKey(recipe.paletteSource)),
              std::string(toKey(PaletteSource::Picture)));
    putUnless(out, "colours", recipe.colours, 0);
    putUnless(out, "palette_image", recipe.paletteImage, std::string());
    putColours(out, "palette", recipe.palette);
    putUnless(out, "packing", std::string(toKey(recipe.packing)), std::string(toKey(Packing::Plain)));
    putUnless(out, "outside", recipe.outside, false);
    for (const FrameUse& each : recipe.frames)
        out["frames"].push_back(Json::array({each.source, each.ms}));
    appendUnknown(out, recipe.unknown);
    return out;
}

Recipe readRecipe(const Json& json, const std::string& file, const std::string& place, Problems& problems) {
    return RecipeReader(json, file, place, problems).run();
}

void putColours(Json& object, const char* key, const std::vector<Colour>& colours) {
    for (const Colour each : colours)
        object[key].push_back(toText(each));
}

std::vector<Colour> readColours(JsonObject& object, const char* key) {
    std::vector<Colour> out;
    const Json& all = object.array(key);
    for (size_t i = 0; i < std::min<size_t>(all.size(), 256); ++i) {
        const auto colour = all[i].is_string() ? colourFromText(all[i].get<std::string>()) : std::nullopt;
        if (colour)
            out.push_back(opaque(colour->argb & 0xffffff));
        else
            object.problem(key, "a colour of it is not written as #RRGGBB", "It was left out; correct it");
    }
    return out;
}

std::string recipeText(const Recipe& recipe) {
    Json out;
    out["gorsefinch_recipe"] = kFormatVersion;
    out.update(recipeJson(recipe));
    return dumped(out);
}

std::optional<Recipe> recipeFromText(const std::string& text) {
    const auto json = parseJson("clipboard", text);
    if (!json || !json->is_object() || !json->contains("gorsefinch_recipe"))
        return std::nullopt;
    Json plain = *json;
    plain.erase("gorsefinch_recipe");
    Problems problems;
    return readRecipe(plain, "clipboard", "", problems);
}

}  // namespace gorsefinch
