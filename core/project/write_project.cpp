// SPDX-License-Identifier: GPL-3.0-or-later
#include <set>

#include "core/document/panel_outputs.h"
#include "core/base/hash.h"
#include "core/project/assembly_text.h"
#include "core/project/font_text.h"
#include "core/project/json_text.h"
#include "core/project/project_text.h"
#include "core/project/recipe_text.h"

namespace gorsefinch {

namespace {

Json toJson(const PropertyValue& value) {
    if (const auto* yesNo = std::get_if<bool>(&value))
        return *yesNo;
    if (const auto* number = std::get_if<int64_t>(&value))
        return *number;
    if (const auto* text = std::get_if<std::string>(&value))
        return *text;
    if (const auto* name = std::get_if<ValueName>(&value))
        return name->name;
    if (const auto* points = std::get_if<PointList>(&value)) {
        Json list = Json::array();
        for (const Point& each : *points)
            list.push_back({each.x, each.y});
        return list;
    }
    if (const auto* zones = std::get_if<ZoneList>(&value)) {
        Json list = Json::array();
        for (const Zone& each : *zones)
            list.push_back({{"from", each.from},
                            {"to", each.to},
                            {"colour", each.named.empty() ? toText(each.colour) : each.named}});
        return list;
    }
    if (const auto* map = std::get_if<CellMap>(&value)) {
        Json list = Json::array();
        for (const auto& row : *map)
            list.push_back(toText(row));
        return list;
    }
    return toText(std::get<Colour>(value));
}

void put(Json& object, const PropertyMap& properties) {
    for (const auto& [key, value] : properties)
        object[key] = toJson(value);
}

// The expression that a property follows, which is written instead of its value; nothing if it follows none.
std::optional<std::string> expressionOf(const Widget& widget, std::string_view key) {
    const auto found = widget.expressions.find(key);
    return found == widget.expressions.end() ? std::nullopt : std::optional("= " + found->second);
}

// Own and style properties, in the order of their keys.
void putContent(Json& object, const Widget& widget) {
    std::set<std::string_view> keys;
    for (const auto& [key, value] : widget.properties)
        keys.insert(key);
    for (const auto& [key, text] : widget.expressions)
        if (!findIn(placeProperties(), key))
            keys.insert(key);
    for (const std::string_view each : keys) {
        const std::string key(each);
        if (const auto expression = expressionOf(widget, key)) {
            object[key] = *expression;
            continue;
        }
        const PropertyValue& value = widget.properties.find(key)->second;
        const auto* text = std::get_if<std::string>(&value);
        if (text && text->starts_with('='))
            object[key] = "=" + *text;  // as it is: no expression begins so
        else
            object[key] = toJson(value);
    }
}

Json toJson(const Clock& clock) {
    Json out;
    out["days"] = clock.days;
    out["months"] = clock.months;
    appendUnknown(out, clock.unknown);
    return out;
}

Json toJson(const GuideLines& lines) {
    Json out = Json::object();
    if (!lines.upright.empty())
        out["upright"] = lines.upright;
    if (!lines.level.empty())
        out["level"] = lines.level;
    appendUnknown(out, lines.unknown);
    return out;
}

// Empty for aids that are as in a new project.
Json toJson(const LayoutAids& aids) {
    const LayoutAids fresh;
    Json out = Json::object();
    if (!(aids.grid == fresh.grid)) {
        Json& grid = out["grid"];
        grid["step"] = aids.grid.step;
        putUnless(grid, "x", aids.grid.x, 0);
        putUnless(grid, "y", aids.grid.y, 0);
        putUnless(grid, "strength", aids.grid.strength, fresh.grid.strength);
        putUnless(grid, "shown", aids.grid.shown, false);
        putUnless(grid, "used", aids.grid.used, false);
        appendUnknown(grid, aids.grid.unknown);
    }
    putUnless(out, "margin", aids.margin, 0);
    if (!aids.lines.empty())
        out["lines"] = toJson(aids.lines);
    appendUnknown(out, aids.unknown);
    return out;
}

Json toJson(const NamedColour& colour, const NamedValues& of) {
    Json out;
    out["name"] = colour.name;
    if (of.sets.size() < 2) {
        out["colour"] = toText(colour.inSets.front());
    } else {
        for (size_t i = 0; i < of.sets.size(); ++i)
            out["in"][of.sets[i]] = toText(colour.inSets[i]);
    }
    appendUnknown(out, colour.unknown);
    return out;
}

Json toJson(const MeantSo& meant) {
    Json out;
    out["problem"] = meant.code;
    putUnless(out, "screen", meant.screen, std::string());
    out["of"] = meant.of;
    out["reason"] = meant.reason;
    appendUnknown(out, meant.unknown);
    return out;
}

// Empty without any.
Json toJson(const NamedValues& named) {
    Json out = Json::object();
    if (!named.sets.empty())
        out["sets"] = named.sets;
    for (const NamedColour& each : named.colours)
        out["colours"].push_back(toJson(each, named));
    for (const NamedSize& each : named.sizes) {
        Json size{{"name", each.name}, {"size", each.size}};
        appendUnknown(size, each.unknown);
        out["sizes"].push_back(std::move(size));
    }
    appendUnknown(out, named.unknown);
    return out;
}

// The outputs that a panel has, with their start values.
Json outputsJson(const Panel& panel) {
    Json out = Json::object();
    for (size_t i = 0; i < kPanelOutputs; ++i)
        if (const auto& start = panel.outputs[i])
            out[panelOutputs()[i].key] =
                panelOutputs()[i].type == VariableType::YesNo ? Json(*start != 0) : Json(*start);
    if (panel.sound)
        out[kSoundHook.data()] = true;
    appendUnknown(out, panel.unknownOutputs);
    return out;
}

Json toJson(const Panel& panel) {
    Json out;
    out["width"] = panel.width;
    out["height"] = panel.height;
    if (panel.round)
        out["shape"] = "round";
    out["format"] = info(panel.format).key;
    putColours(out, "palette", panel.palette);
    putUnless(out, "turn", panel.turn, 0);
    putUnless(out, "mirror_x", panel.mirrorX, false);
    putUnless(out, "mirror_y", panel.mirrorY, false);
    putUnless(out, "invert", panel.invert, false);
    putUnless(out, "swap_red_blue", panel.swapRedBlue, false);
    putUnless(out, "column_offset", panel.columnOffset, 0);
    putUnless(out, "row_offset", panel.rowOffset, 0);
    out["strip_lines"] = panel.stripLines;
    out["word_bits"] = panel.wordBits;
    out["flash_bytes"] = panel.flashBytes;
    out["ram_bytes"] = panel.ramBytes;
    putUnless(out, "width_mm", panel.widthMm, 0);
    putUnless(out, "touch", panel.touch, true);
    putUnless(out, "touch_mapped", panel.touchMapped, false);
    putUnless(out, "hold_ms", panel.holdMs, Panel().holdMs);
    putUnless(out, "knob", panel.knob, false);
    if (!panel.keys.empty())
        out["keys"] = panel.keys;
    putUnless(out, "focus_wraps", panel.focusWraps, false);
    putUnless(out, "transition", panel.transition, std::string());
    putUnless(out, "keyboard", panel.keyboard, std::string(kDefaultLayout));
    if (Json outputs = outputsJson(panel); !outputs.empty())
        out["outputs"] = std::move(outputs);
    putUnless(out, "hooks_required", panel.hooksRequired, false);
    appendUnknown(out, panel.unknown);
    return out;
}

// Decimals are written as the user reads them: 104.3.
Json numberJson(const Variable& variable, int32_t value) {
    if (variable.type == VariableType::YesNo)
        return value != 0;
    if (variable.type == VariableType::Choice)
        return valueInWords(variable, value);
    if (variable.decimals == 0)
        return value;
    return Json::parse(decimalText(value, variable.decimals));
}

Json toJson(const Variable& variable) {
    const Variable defaults;
    Json out;
    out["name"] = variable.name;
    out["type"] = toKey(variable.type);
    putUnless(out, "count", variable.count, 1);
    if (variable.type == VariableType::Text) {
        out["length"] = variable.length;
        putUnless(out, "start", variable.startText, std::string());
    } else {
        if (variable.type == VariableType::Decimal)
            out["decimals"] = variable.decimals;
        if (variable.type == VariableType::Choice)
            out["choices"] = variable.choices;
        if (variable.isNumeric()) {
            if (variable.min != defaults.min)
                out["min"] = numberJson(variable, variable.min);
            if (variable.max != defaults.max)
                out["max"] = numberJson(variable, variable.max);
        }
        out["start"] = numberJson(variable, variable.start);
    }
    putUnless(out, "unit", variable.unit, std::string());
    out["writer"] = toKey(variable.writer);
    putUnless(out, "kept", variable.kept, false);
    putUnless(out, "from_interrupt", variable.fromInterrupt, false);
    putUnless(out, "note", variable.note, std::string());
    appendUnknown(out, variable.unknown);
    return out;
}

Json toJson(const Look& look) {
    Json out;
    out["name"] = look.name;
    putUnless(out, "based_on", look.basedOn, std::string());
    put(out, look.style);
    if (!look.states.empty())
        for (const auto& [state, style] : look.states) {
            Json part = Json::object();
            put(part, style);
            out["states"][state] = part;
        }
    appendUnknown(out, look.unknown);
    return out;
}

Json toJson(const Image& image) {
    Json out;
    out["name"] = image.name;
    out["file"] = image.file;
    for (const MoreOriginal& each : image.more)
        out["more_files"].push_back(each.file);
    out["recipe"] = recipeJson(image.recipe);
    appendUnknown(out, image.unknown);
    return out;
}

Json toJson(const Face& face) {
    Json out;
    out["name"] = face.name;
    out["file"] = face.file;
    putFontSettings(out, face);
    appendUnknown(out, face.unknown);
    return out;
}

Json toJson(const Widget& widget) {
    Json out;
    out["name"] = widget.name;
    out["kind"] = info(widget.kind).key;
    // The box is written in any case.
    const auto isOfBox = [](const PropertyInfo& each) { return &each < &placeProperties()[4]; };
    for (const PropertyInfo& each : placeProperties()) {
        if (!each.number)
            continue;
        if (const auto expression = expressionOf(widget, each.key))
            out[each.key] = *expression;
        else if (isOfBox(each) || int64_t{widget.*each.number} != std::get<int64_t>(each.fallback))
            out[each.key] = widget.*each.number;
    }
    putUnless(out, "look", widget.look, std::string());
    for (const PropertyInfo& each : placeProperties())
        if (const auto expression = each.flag ? expressionOf(widget, each.key) : std::nullopt)
            out[each.key] = *expression;
        else if (each.flag)
            putUnless(out, each.key, widget.*each.flag, std::get<bool>(each.fallback));
    for (const PropertyInfo& each : placeProperties())
        if (each.words)
            putUnless(out, each.key, widget.*each.words, std::get<std::string>(each.fallback));
    putUnless(out, "locked", widget.locked, false);
    putUnless(out, "off_canvas", widget.offCanvas, false);
    putContent(out, widget);
    for (const auto& [input, text] : widget.inputs)
        out["inputs"][input] = text;
    appendUnknown(out, widget.unknown);
    return out;
}

// Those of one container from a number on, each with what it holds behind its own keys; `at` goes behind them.
Json listJson(const std::vector<WidgetRef>& widgets, size_t& at, int depth) {
    Json out = Json::array();
    while (at < widgets.size() && widgets[at]->depth >= depth) {
        Json each = toJson(*widgets[at++]);
        if (at < widgets.size() && widgets[at]->depth > depth)
            each["widgets"] = listJson(widgets, at, depth + 1);
        out.push_back(std::move(each));
    }
    return out;
}

Json toJson(const Screen& screen) {
    Json out;
    out["name"] = screen.name;
    out["background"] = screen.ground.empty() ? toText(screen.background) : screen.ground;
    putUnless(out, "keeps", screen.keeps, false);
    putUnless(out, "shade", screen.shade, kDefaultShade);
    putUnless(out, "below", screen.below, {});
    putUnless(out, "above", screen.above, {});
    if (screen.assembly)
        out["assembly"] = assemblyJson(*screen.assembly);
    if (!screen.lines.empty())
        out["lines"] = toJson(screen.lines);
    size_t at = 0;
    out["widgets"] = listJson(screen.widgets, at, 0);
    appendUnknown(out, screen.unknown);
    return out;
}

std::string contentText(const Bytes& bytes) { return bytes ? sha256(*bytes) + "\n" : "none\n"; }

template <typename T>
Json listJson(const std::vector<T>& all) {
    Json out = Json::array();
    for (const T& each : all)
        out.push_back(toJson(each));
    return out;
}

}  // namespace

ProjectFiles toFiles(const Document& document) {
    ProjectFiles files;
    Json main;
    main["gorsefinch"] = kFormatVersion;
    main["name"] = document.name;
    main["panel"] = toJson(*document.panel);
    main["variables"] = listJson(*document.variables);
    if (document.clock)
        main["clock"] = toJson(*document.clock);
    if (const Json aids = toJson(*document.aids); !aids.empty())
        main["layout"] = aids;
    if (const Json named = toJson(*document.named); !named.empty())
        main["named"] = named;
    main["looks"] = listJson(*document.looks);
    if (const Json defaults = recipeJson(*document.defaultRecipe); !defaults.empty())
        main["default_recipe"] = defaults;
    main["images"] = listJson(*document.images);
    main["fonts"] = listJson(*document.faces);
    main["screens"] = Json::array();
    for (const ScreenRef& screen : document.screens) {
        main["screens"].push_back(screen->name);
        files["screens/" + screen->name + ".json"] = dumped(toJson(*screen));
    }
    for (const std::string& name : *document.unreadScreens)
        main["screens"].push_back(name);
    main["rules"] = Json::array();
    for (const RuleFile& rules : *document.rules) {
        main["rules"].push_back(rules.name);
        files["rules/" + rules.name + ".rules"] = rules.text;
    }
    if (!document.meantSo->empty())
        main["meant_so"] = listJson(*document.meantSo);
    appendUnknown(main, *document.unknown);
    files[kMainFile] = dumped(main);
    for (const Image& image : *document.images) {
        if (image.original)
            files["images/" + image.file] = image.original;
        for (const MoreOriginal& each : image.more)
            if (each.original)
                files["images/" + each.file] = each.original;
    }
    for (const Face& face : *document.faces)
        if (face.original)
            files["fonts/" + face.file] = face.original;
    return files;
}

std::string panelText(const Panel& panel) { return dumped(toJson(panel)); }
std::string aidsText(const LayoutAids& aids) { return dumped(toJson(aids)); }
std::string namedText(const NamedValues& named) { return dumped(toJson(named)); }
std::string meantText(const std::vector<MeantSo>& all) { return dumped(listJson(all)); }
std::string clockText(const Clock* clock) { return clock ? dumped(toJson(*clock)) : std::string(); }
std::string recipeDefaultsText(const Recipe& recipe) { return dumped(recipeJson(recipe)); }
std::string unknownText(const UnknownKeys& unknown) {
    Json out = Json::object();
    appendUnknown(out, unknown);
    return dumped(out);
}
std::string partText(const Variable& variable) { return dumped(toJson(variable)); }
std::string partText(const Look& look) { return dumped(toJson(look)); }
std::string partText(const Image& image) {
    std::string out = dumped(toJson(image)) + contentText(image.original);
    for (const MoreOriginal& each : image.more)
        out += contentText(each.original);
    return out;
}
std::string partText(const Face& face) { return dumped(toJson(face)) + contentText(face.original); }
std::string partText(const RuleFile& rules) { return rules.text; }
std::string partText(const Screen& screen) { return dumped(toJson(screen)); }

}  // namespace gorsefinch
