// SPDX-License-Identifier: GPL-3.0-or-later
#include "core/project/read_parts.h"

#include <algorithm>
#include <cmath>

#include "core/base/characters.h"
#include "core/document/names.h"
#include "core/document/panel_keys.h"
#include "core/document/panel_outputs.h"
#include "core/project/project_text.h"
#include "core/project/recipe_text.h"

namespace gorsefinch {

namespace {

std::string listed(std::span<const char* const> words) {
    std::string out;
    for (const char* each : words)
        out += (out.empty() ? "" : ", ") + std::string(each);
    return out;
}

// A list of pairs of whole numbers; fewer than the property takes if it is anything else.
PointList readPoints(const Json& list, const PropertyInfo& property) {
    const auto coordinate = [](const Json& json) {
        const double value = json.is_number() ? json.get<double>() : 0.5;
        return value >= -kMaxPoint && value <= kMaxPoint && value == std::floor(value)
                   ? std::optional(static_cast<int>(value))
                   : std::nullopt;
    };
    PointList out;
    for (const Json& each : list) {
        const auto x = each.is_array() && each.size() == 2 ? coordinate(each[0]) : std::nullopt;
        const auto y = x ? coordinate(each[1]) : std::nullopt;
        if (!y || out.size() == static_cast<size_t>(property.max))
            return {};
        out.push_back({*x, *y});
    }
    return out;
}

// A list of objects {"from", "to", "colour"}; a mistake in one is a problem.
ZoneList readZones(JsonObject& object, const PropertyInfo& property) {
    ZoneList out;
    for (const Json& each : object.array(property.key)) {
        JsonObject zone = object.inside(each, property.key);
        out.push_back({zone.text("from", {}, kMaxZoneText), zone.text("to", {}, kMaxZoneText), Colour{}});
        if (auto name = readName(zone, "colour"))
            out.back().named = std::move(*name);
        else
            out.back().colour = zone.colour("colour", Colour{});
        if (static_cast<int>(out.size()) > property.max)
            return out;
    }
    return out;
}

// A list of rows such as "1 1 2"; a mistake in one is a problem.
CellMap readCells(JsonObject& object, const PropertyInfo& property) {
    CellMap out;
    for (const Json& each : object.array(property.key)) {
        if (out.size() == size_t{kMaxMapSide}) {
            object.problem(property.key, "there are more than " + std::to_string(kMaxMapSide) + " rows", "Remove some");
            break;
        }
        auto row = each.is_string() ? cellRowFromText(each.get<std::string>()) : std::nullopt;
        if (!row)
            object.problem(property.key, "row " + std::to_string(out.size() + 1) + " is no list of cells",
                           "Write up to " + std::to_string(kMaxMapSide) +
                               " numbers from 0 to 255 with spaces between them, in quotes");
        out.push_back(std::move(row).value_or(std::vector<uint8_t>()));
        while (!out.back().empty() && out.back().back() == 0)
            out.back().pop_back();
    }
    while (!out.empty() && out.back().empty())
        out.pop_back();
    return out;
}

// What is said of a value that does not fit.
std::pair<std::string, std::string> misfit(const PropertyInfo& property, const PropertyValue& value) {
    const std::string count = std::to_string(property.min) + " to " + std::to_string(property.max);
    const std::string most = std::to_string(kMaxPoint);
    if (property.type == PropertyType::Points)
        return {"it takes " + count + " points [x, y], whole numbers from -" + most + " to " + most,
                "Correct the points"};
    if (property.type == PropertyType::Zones)
        return {"it takes " + count + " zones", "Remove some"};
    return {"\"" + std::get<std::string>(value) + "\" is not one of its choices",
            "Choose one of " + listed(property.choices)};
}

// A value of a property from JSON; a problem and nothing if it doesn't fit.
std::optional<PropertyValue> readValue(JsonObject& object, const PropertyInfo& property) {
    PropertyValue value;
    if (property.takesName())
        if (auto name = readName(object, property.key))
            return ValueName{std::move(*name)};
    switch (property.type) {
        case PropertyType::YesNo: value = object.yesNo(property.key, std::get<bool>(property.fallback)); break;
        case PropertyType::Whole:
            value = object.whole(property.key, std::get<int64_t>(property.fallback), property.min, property.max);
            break;
        case PropertyType::Colour: value = object.colour(property.key, std::get<Colour>(property.fallback)); break;
        case PropertyType::Points: value = readPoints(object.array(property.key), property); break;
        case PropertyType::Zones: value = readZones(object, property); break;
        case PropertyType::Cells: value = readCells(object, property); break;
        default: value = object.text(property.key, std::get<std::string>(property.fallback), kMaxTextBytes); break;
    }
    if (fits(property, value))
        return value;
    const auto [reason, remedy] = misfit(property, value);
    object.problem(property.key, reason, remedy);
    return std::nullopt;
}

// Without the "=" and the spaces around it; a problem and nothing if the property takes none.
std::optional<std::string> readExpression(JsonObject& object, const PropertyInfo& property) {
    std::string text = object.text(property.key, {}, kMaxExpression + 2);
    if (!property.takesExpression()) {
        object.problem(property.key, "it takes no expression", "Give it a value");
        return std::nullopt;
    }
    return expressionText(text);
}

std::string panelFormatKeys() {
    std::vector<const char*> keys;
    for (const PixelFormatInfo& each : pixelFormats())
        if (each.panel)
            keys.push_back(each.key);
    return listed(keys);
}

int32_t readNumber(JsonObject& object, const char* key, const Variable& variable, int32_t otherwise) {
    if (!object.has(key))
        return (void)object.number(key, 0), otherwise;
    const double scale = std::pow(10.0, variable.decimals);
    const double value = std::round(object.number(key, otherwise / scale) * scale);
    if (value >= -2147483648.0 && value <= 2147483647.0)
        return static_cast<int32_t>(value);
    object.problem(key, "the number does not fit 32 bits with these decimals", "Correct the number");
    return otherwise;
}

void readChoices(JsonObject& object, Variable& v) {
    std::vector<std::string> choices;
    for (const Json& each : object.array("choices"))
        choices.push_back(each.is_string() ? each.get<std::string>() : std::string());
    if (const auto error = choicesError(choices)) {
        object.problem("choices", *error, "Write a list of different names");
        choices = {"none"};
    }
    setChoices(v, std::move(choices));
    const std::string start = object.text("start");
    if (start.empty())
        return;
    if (const auto value = valueFromWords(v, start))
        v.start = *value;
    else
        object.problem("start", "\"" + start + "\" is none of the choices", "Write one of them");
}

void readRange(JsonObject& object, Variable& v) {
    if (v.type == VariableType::Decimal)
        v.decimals = static_cast<int>(object.whole("decimals", 1, 0, 6));
    const char *min = object.either("min", "least"), *max = object.either("max", "most");
    v.min = readNumber(object, min, v, v.min);
    v.max = readNumber(object, max, v, v.max);
    v.start = readNumber(object, "start", v, std::clamp(0, std::min(v.min, v.max), std::max(v.min, v.max)));
    if (v.min > v.max) {
        object.problem(min, "the minimum is above the maximum", "Exchange them");
        std::swap(v.min, v.max);
    }
    if (v.start < v.min || v.start > v.max) {
        object.problem("start", "the start value is outside the range", "Correct it");
        v.start = std::clamp(v.start, v.min, v.max);
    }
}

}  // namespace

std::optional<std::string> readName(JsonObject& object, const char* key) {
    if (!object.isText(key))
        return std::nullopt;
    const std::string text = object.text(key);
    return text != kNoColour && !nameError(text) ? std::optional(text) : std::nullopt;
}

PropertyMap readProperties(JsonObject& object, std::span<const PropertyInfo> properties, ExpressionMap* expressions) {
    PropertyMap out;
    for (const PropertyInfo& property : properties) {
        if (!object.has(property.key))
            continue;
        if (expressions && object.isExpression(property.key)) {
            if (const auto text = readExpression(object, property))
                expressions->emplace(property.key, *text);
            continue;
        }
        auto value = readValue(object, property);
        if (!value)
            continue;
        auto* text = expressions ? std::get_if<std::string>(&*value) : nullptr;
        if (text && text->starts_with("=="))
            text->erase(0, 1);
        out.emplace(property.key, std::move(*value));
    }
    return out;
}

namespace {

// As many names as there are; those that are missing or can't be read stay as they are.
template <size_t N>
void readNames(JsonObject& object, const char* key, std::array<std::string, N>& names) {
    const Json& array = object.array(key);
    if (!object.has(key))
        return;
    bool usable = array.size() == N;
    for (size_t i = 0; i < std::min<size_t>(N, array.size()); ++i)
        if (array[i].is_string() && !array[i].get<std::string>().empty())
            names[i] = cutText(array[i].get<std::string>(), kMaxClockName);
        else
            usable = false;
    if (!usable)
        object.problem(key, "it is no list of " + std::to_string(N) + " names", "Write one for each, in quotes");
}

}  // namespace

Clock readClock(const Json& json, Problems& problems) {
    JsonObject object(json, kMainFile, "clock", problems);
    Clock clock;
    readNames(object, "days", clock.days);
    readNames(object, "months", clock.months);
    clock.unknown = object.unknown();
    return clock;
}

// The outputs that a panel has, with their start values.
void readOutputs(JsonObject& of, Panel& panel) {
    if (!of.has("outputs"))
        return;
    JsonObject object = of.inside(of.object("outputs"), "outputs");
    for (size_t i = 0; i < kPanelOutputs; ++i) {
        const PanelOutput& each = panelOutputs()[i];
        if (!object.has(each.key))
            continue;
        panel.outputs[i] = each.type == VariableType::YesNo
                               ? object.yesNo(each.key, each.usual != 0)
                               : static_cast<int>(object.whole(each.key, each.usual, 0, each.max));
    }
    panel.sound = object.yesNo(kSoundHook.data(), false);
    panel.unknownOutputs = object.unknown();
}

std::vector<std::string> readKeys(JsonObject& object) {
    std::vector<std::string> keys;
    for (const Json& each : object.array("keys"))
        keys.push_back(each.is_string() ? each.get<std::string>() : std::string());
    if (const auto error = keysError(keys)) {
        object.problem("keys", *error, "Write a list of different names");
        return {};
    }
    return keys;
}

std::string readKeyboard(JsonObject& object) {
    const std::string out = object.text("keyboard", kDefaultLayout, 20);
    const auto all = keyboardSettings();
    if (std::find(all.begin(), all.end(), out) != all.end())
        return out;
    std::string known;
    for (const std::string_view each : all)
        known += (known.empty() ? "" : ", ") + std::string(each);
    object.problem("keyboard", "\"" + out + "\" is no keyboard", "Write one of " + known);
    return kDefaultLayout;
}

Panel readPanel(const Json& json, Problems& problems) {
    JsonObject object(json, kMainFile, "panel", problems);
    Panel panel;
    const auto side = [&](const char* key, int otherwise) {
        return static_cast<int>(object.whole(key, otherwise, kMinPanelSide, kMaxPanelSide));
    };
    panel.width = side("width", panel.width);
    panel.height = side("height", panel.height);
    panel.format = object.choice<PixelFormat>(
        "format", panel.format,
        [](std::string_view key) {
            const PixelFormatInfo* found = pixelFormatByKey(key);
            return found && found->panel ? std::optional(found->format) : std::nullopt;
        },
        panelFormatKeys());
    if (const std::string shape = object.text("shape"); !shape.empty()) {
        panel.round = shape == "round";
        if (!panel.round)
            object.problem("shape", "a panel is round or has no shape said", "Write round, or take the key out");
    }
    panel.palette = readColours(object, "palette");
    panel.turn = static_cast<int>(object.whole("turn", 0, 0, 270));
    if (panel.turn % 90 != 0) {
        object.problem("turn", "a panel turns by 0, 90, 180 or 270 degrees", "Correct the number");
        panel.turn = 0;
    }
    panel.mirrorX = object.yesNo("mirror_x", false);
    panel.mirrorY = object.yesNo("mirror_y", false);
    panel.invert = object.yesNo("invert", false);
    panel.swapRedBlue = object.yesNo("swap_red_blue", false);
    panel.columnOffset = static_cast<int>(object.whole("column_offset", 0, 0, kMaxPanelSide));
    panel.rowOffset = static_cast<int>(object.whole("row_offset", 0, 0, kMaxPanelSide));
    panel.stripLines = static_cast<int>(object.whole("strip_lines", panel.stripLines, 1, kMaxPanelSide));
    panel.wordBits = object.whole("word_bits", 32, 8, 32) == 8 ? 8 : 32;
    panel.flashBytes = object.whole("flash_bytes", panel.flashBytes, 0, int64_t{1} << 32);
    panel.widthMm = static_cast<int>(object.whole("width_mm", 0, 0, kMaxPanelMm));
    panel.touch = object.yesNo("touch", true);
    panel.touchMapped = object.yesNo("touch_mapped", false);
    panel.holdMs = static_cast<int>(object.whole("hold_ms", panel.holdMs, kMinHoldMs, kMaxHoldMs));
    panel.knob = object.yesNo("knob", false);
    panel.focusWraps = object.yesNo("focus_wraps", false);
    panel.transition = object.text("transition", {}, 100);
    panel.keyboard = readKeyboard(object);
    panel.keys = readKeys(object);
    readOutputs(object, panel);
    panel.hooksRequired = object.yesNo("hooks_required", false);
    panel.ramBytes = object.whole("ram_bytes", panel.ramBytes, 0, int64_t{1} << 32);
    panel.unknown = object.unknown();
    return panel;
}

Variable readVariable(const Json& json, const std::string& place, Problems& problems) {
    JsonObject object(json, kMainFile, place, problems);
    Variable v;
    v.name = object.text("name");
    v.type = object.choice<VariableType>("type", v.type, variableTypeByKey);
    v.unit = object.text("unit", "", 40);
    v.writer = object.choice<Writer>("writer", v.writer, writerByKey);
    v.kept = object.yesNo("kept", false);
    v.fromInterrupt = object.yesNo("from_interrupt", false);
    v.note = object.text("note");
    switch (v.type) {
        case VariableType::Text:
            v.length = static_cast<int>(object.whole("length", v.length, 1, 200));
            v.startText = object.text("start", "", static_cast<size_t>(v.length));
            break;
        case VariableType::YesNo:
            v.min = 0;
            v.max = 1;
            v.start = object.yesNo("start", false);
            break;
        case VariableType::Choice: readChoices(object, v); break;
        default: readRange(object, v); break;
    }
    if (!v.isText())
        v.count = static_cast<int>(object.whole("count", 1, 1, kMaxElements));
    v.unknown = object.unknown();
    return v;
}

Look readLook(const Json& json, const std::string& place, Problems& problems) {
    JsonObject object(json, kMainFile, place, problems);
    Look look;
    look.name = object.text("name");
    look.basedOn = object.text("based_on");
    look.style = readProperties(object, styleProperties());
    for (const auto& [state, style] : object.object("states").items()) {
        JsonObject part(style, kMainFile, place + ".states." + state, problems);
        look.states[state] = readProperties(part, styleProperties());
    }
    look.unknown = object.unknown();
    return look;
}

}  // namespace gorsefinch
