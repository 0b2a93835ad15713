// SPDX-License-Identifier: GPL-3.0-or-later
#include "core/project/assembly_text.h"

#include <algorithm>

#include "core/document/names.h"
#include "core/project/recipe_text.h"

namespace gorsefinch {

namespace {

// Nothing for one that can't be used, which is reported.
std::optional<AssemblyInput> readInput(JsonObject object) {
    AssemblyInput out;
    out.name = object.text("name");
    out.type = object.choice<InputType>("type", out.type, inputTypeByKey);
    out.help = object.text("help", "", 200);
    out.inner = object.yesNo("inner", false);
    out.decimals = static_cast<int>(object.whole("decimals", 0, 0, 6));
    out.min = static_cast<int32_t>(object.whole("min", out.min, INT32_MIN, INT32_MAX));
    out.max = static_cast<int32_t>(object.whole("max", out.max, INT32_MIN, INT32_MAX));
    if (out.min > out.max) {
        object.problem("min", "the minimum is above the maximum", "Exchange them");
        std::swap(out.min, out.max);
    }
    for (const Json& each : object.array("choices"))
        out.choices.push_back(each.is_string() ? each.get<std::string>() : std::string());
    if (out.type != InputType::Choice)
        out.choices.clear();
    else if (const auto error = choicesError(out.choices)) {
        object.problem("choices", *error, "Write a list of different names");
        out.choices = {"none"};
    }
    out.start = object.text("start", "", kMaxTextBytes);
    if (const auto error = inputError(out, out.start)) {
        object.problem("start", "\"" + out.start + "\": " + *error, "Correct it");
        out.start.clear();
    }
    out.unknown = object.unknown();
    if (const auto error = nameError(out.name)) {
        object.problem("name", *error, "The input was left out; give it another name");
        return std::nullopt;
    }
    return out;
}

std::optional<ToldEvent> readEvent(JsonObject object) {
    ToldEvent out{object.text("name"), object.text("widget"), object.text("event"), {}};
    out.unknown = object.unknown();
    if (!nameError(out.name) && !nameError(out.widget) && !out.event.empty())
        return out;
    object.problem(
        "name", "an event needs a name, a widget and an event of that",
        "It was left out; write for example \"name\": \"full\", \"widget\": \"valve\", \"event\": \"press\"");
    return std::nullopt;
}

template <typename T>
void readEach(JsonObject& object, const char* key, size_t most, std::optional<T> (*read)(JsonObject),
              std::vector<T>& out) {
    const Json& array = object.array(key);
    for (size_t i = 0; i < array.size(); ++i) {
        const std::string place = std::string(key) + "[" + std::to_string(i) + "]";
        if (out.size() == most) {
            object.problem(key, "there are more than " + std::to_string(most), "Take some out");
            return;
        }
        auto one = read(object.inside(array[i], place.c_str()));
        const bool known =
            one && std::any_of(out.begin(), out.end(), [&](const T& each) { return each.name == one->name; });
        if (known)
            object.problem(key, "the name \"" + one->name + "\" is there twice",
                           "The second was left out; give it another name");
        else if (one)
            out.push_back(std::move(*one));
    }
}

Json toJson(const AssemblyInput& input) {
    const AssemblyInput defaults;
    Json out;
    out["name"] = input.name;
    out["type"] = toKey(input.type);
    putUnless(out, "start", input.start, std::string());
    putUnless(out, "help", input.help, std::string());
    putUnless(out, "inner", input.inner, false);
    if (input.type == InputType::Number) {
        putUnless(out, "decimals", input.decimals, 0);
        putUnless(out, "min", input.min, defaults.min);
        putUnless(out, "max", input.max, defaults.max);
    }
    if (input.type == InputType::Choice)
        out["choices"] = input.choices;
    appendUnknown(out, input.unknown);
    return out;
}

Json toJson(const ToldEvent& event) {
    Json out;
    out["name"] = event.name;
    out["widget"] = event.widget;
    out["event"] = event.event;
    appendUnknown(out, event.unknown);
    return out;
}

}  // namespace

Json assemblyJson(const Assembly& assembly) {
    Json out;
    out["width"] = assembly.width;
    out["height"] = assembly.height;
    for (const AssemblyInput& each : assembly.inputs)
        out["inputs"].push_back(toJson(each));
    for (const ToldEvent& each : assembly.events)
        out["events"].push_back(toJson(each));
    appendUnknown(out, assembly.unknown);
    return out;
}

Assembly readAssembly(const Json& json, const std::string& file, Problems& problems) {
    JsonObject object(json, file, "assembly", problems);
    Assembly out;
    out.width = static_cast<int>(object.whole("width", out.width, 1, kMaxPanelSide));
    out.height = static_cast<int>(object.whole("height", out.height, 1, kMaxPanelSide));
    readEach<AssemblyInput>(object, "inputs", kMaxInputs, readInput, out.inputs);
    readEach<ToldEvent>(object, "events", kMaxToldEvents, readEvent, out.events);
    out.unknown = object.unknown();
    return out;
}

InputMap readInputs(JsonObject& widget) {
    InputMap out;
    if (!widget.has("inputs"))
        return out;
    for (const auto& [name, value] : widget.object("inputs").items()) {
        if (nameError(name) || !value.is_string() || out.size() == kMaxInputs)
            widget.problem("inputs", "\"" + name + "\" is no text for an input, or there are too many of them",
                           "Write at most " + std::to_string(kMaxInputs) + " such as \"level\": \"40\"");
        else
            out.emplace(name, value.get<std::string>().substr(0, kMaxTextBytes));
    }
    return out;
}

}  // namespace gorsefinch
