// SPDX-License-Identifier: GPL-3.0-or-later
#include <algorithm>

#include "core/document/names.h"
#include "core/project/project_text.h"
#include "core/project/read_parts.h"

namespace gorsefinch {

namespace {

std::vector<std::string> readSets(JsonObject& object) {
    std::vector<std::string> sets;
    for (const Json& each : object.array("sets")) {
        const std::string name = each.is_string() ? each.get<std::string>() : std::string();
        const bool usable = !nameError(name) && std::find(sets.begin(), sets.end(), name) == sets.end();
        if (usable && sets.size() < kMaxColourSets)
            sets.push_back(name);
        else
            object.problem("sets", "it is no list of up to " + std::to_string(kMaxColourSets) + " different names",
                           "Write names of letters, digits and _");
    }
    return sets;
}

NamedColour readColour(JsonObject& object, const std::vector<std::string>& sets) {
    NamedColour out;
    out.name = object.text("name");
    Colour colour = object.has("colour") ? object.colour("colour", opaque(0)) : opaque(0);
    if (object.has("in")) {
        JsonObject in = object.inside(object.object("in"), "in");
        // What a set lacks is as in the one before it.
        for (const std::string& set : sets)
            out.inSets.push_back(colour = in.has(set.c_str()) ? in.colour(set.c_str(), colour) : colour);
    }
    if (out.inSets.empty())
        out.inSets.assign(std::max<size_t>(sets.size(), 1), colour);
    out.unknown = object.unknown();
    return out;
}

}  // namespace

NamedValues readNamedValues(const Json& json, Problems& problems) {
    JsonObject object(json, kMainFile, "named", problems);
    NamedValues out;
    out.sets = readSets(object);
    const auto each = [&](const char* key, const auto& add) {
        const Json& list = object.array(key);
        for (size_t i = 0; i < list.size(); ++i) {
            JsonObject one(list[i], kMainFile, "named." + std::string(key) + "[" + std::to_string(i) + "]", problems);
            if (out.colours.size() + out.sizes.size() < kMaxNamedValues) {
                add(one);
                continue;
            }
            one.problem("name", "there are more than " + std::to_string(kMaxNamedValues), "Remove some");
            break;
        }
    };
    each("colours", [&](JsonObject& one) { out.colours.push_back(readColour(one, out.sets)); });
    each("sizes", [&](JsonObject& one) {
        NamedSize& size = out.sizes.emplace_back();
        size.name = one.text("name");
        size.size = static_cast<int>(one.whole("size", 0, -kMaxNamedSize, kMaxNamedSize));
        size.unknown = one.unknown();
    });
    out.unknown = object.unknown();
    return out;
}

}  // namespace gorsefinch
