// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include "core/edits/image_edits.h"
#include "tests/support/projects.h"

namespace support {

using namespace gorsefinch;

// The kiln with a screen of images that are stored in every way.
static inline Document withEveryImage() {
    Document document = openExample("kiln");
    const auto again = [&](const char* name, const std::function<void(Recipe&)>& change) {
        Image image = *document.image("glaze");
        image.name = name;
        image.recipe = {};
        image.recipe.width = 60;
        change(image.recipe);
        document = addImages(document, {image});
    };
    again("packed", [](Recipe& r) { r.packing = Packing::Runs; });
    again("grey", [](Recipe& r) {
        r.format = PixelFormat::Grey4, r.packing = Packing::Runs, r.reduction = Reduction::BlueNoise;
    });
    again("far", [](Recipe& r) { r.outside = true, r.format = PixelFormat::Rgb332; });
    again("far_packed", [](Recipe& r) {
        r.outside = true, r.packing = Packing::Runs, r.format = PixelFormat::Index2, r.keyed = true,
        r.key = opaque(0x3b5560), r.keyTolerance = 60;
    });
    Image flame = *document.image("flame");
    flame.name = "far_flame";
    flame.recipe.outside = true;
    flame.recipe.format.reset();
    document = addImages(document, {flame});
    document = addScreen(document, 2, "pictures");
    std::vector<Widget> widgets;
    int at = 0;
    const auto place = [&](const char* name, Kind kind, const char* image, PropertyMap more = {}) {
        Widget widget;
        widget.name = name;
        widget.kind = kind;
        widget.x = 5 + at % 4 * 76, widget.y = 3 + at / 4 * 90, widget.w = 70, widget.h = 80;
        widget.properties = std::move(more);
        widget.properties["image"] = std::string(image);
        widgets.push_back(widget);
        ++at;
    };
    using S = std::string;
    for (const char* name : {"packed", "grey", "far", "far_packed"})
        place((S(name) + "_image").c_str(), Kind::Image, name);
    place("loop", Kind::Frames, "flame");
    place("once", Kind::Frames, "far_flame", {{"play", S("once")}});
    place("fro", Kind::Frames, "flame", {{"play", S("to and fro")}, {"starts", false}});
    place("reading", Kind::Frames, "flame", {{"variable", S("kiln_temp")}, {"from", S("0")}, {"to", S("1300")}});
    document = addWidgets(document, "pictures", widgets);
    document = withRules(document, "main",
                         "on start\n    go pictures\n\non once.done\n    play fro\n\nwhen kiln_temp > 900\n    "
                         "stop loop\notherwise\n    play loop\n");
    return document;
}

inline const char* const everyImageScript =
    "wait 90\nset kiln_temp 400\nwait 200\nset kiln_temp 950\nwait 400\nset kiln_temp 1300\nwait 90\nset "
    "kiln_temp 20\nwait 90\n";

}  // namespace support
