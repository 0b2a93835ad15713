// SPDX-License-Identifier: GPL-3.0-or-later
#include <algorithm>

#include "core/project/project_text.h"
#include "core/project/read_parts.h"

namespace gorsefinch {

namespace {

// Numbers that are no places are left out, with a problem.
std::vector<int> readPlaces(JsonObject& object, const char* key) {
    std::vector<int> out;
    const Json& array = object.array(key);
    bool usable = array.size() <= kMaxGuideLines;
    for (size_t i = 0; i < std::min(array.size(), kMaxGuideLines); ++i)
        if (array[i].is_number_integer() && array[i].get<int64_t>() >= 0 && array[i].get<int64_t>() <= kMaxPanelSide)
            out.push_back(array[i].get<int>());
        else
            usable = false;
    if (!usable)
        object.problem(key, "it is no list of places on the panel",
                       "Write at most " + std::to_string(kMaxGuideLines) + " whole numbers from 0 to " +
                           std::to_string(kMaxPanelSide));
    std::sort(out.begin(), out.end());
    out.erase(std::unique(out.begin(), out.end()), out.end());
    return out;
}

Grid readGrid(JsonObject& object) {
    Grid grid;
    grid.step = static_cast<int>(object.whole("step", grid.step, 2, kMaxGridStep));
    grid.x = static_cast<int>(object.whole("x", 0, 0, grid.step - 1));
    grid.y = static_cast<int>(object.whole("y", 0, 0, grid.step - 1));
    grid.strength = static_cast<int>(object.whole("strength", grid.strength, 1, kMaxGridStep));
    grid.shown = object.yesNo("shown", false);
    grid.used = object.yesNo("used", false);
    grid.unknown = object.unknown();
    return grid;
}

}  // namespace

GuideLines readLines(JsonObject& of) {
    if (!of.has("lines"))
        return {};
    JsonObject object = of.inside(of.object("lines"), "lines");
    GuideLines lines{readPlaces(object, "upright"), readPlaces(object, "level"), {}};
    lines.unknown = object.unknown();
    return lines;
}

LayoutAids readAids(const Json& json, Problems& problems) {
    JsonObject object(json, kMainFile, "layout", problems);
    LayoutAids aids;
    if (object.has("grid")) {
        JsonObject grid = object.inside(object.object("grid"), "grid");
        aids.grid = readGrid(grid);
    }
    aids.margin = static_cast<int>(object.whole("margin", 0, 0, kMaxLayoutMargin));
    aids.lines = readLines(object);
    aids.unknown = object.unknown();
    return aids;
}

}  // namespace gorsefinch
