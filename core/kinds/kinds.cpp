// SPDX-License-Identifier: GPL-3.0-or-later
#include "core/kinds/kinds.h"

#include <algorithm>
#include <array>
#include <cassert>
#include <stdexcept>

namespace gorsefinch {

namespace {

constexpr const KindInfo* kindTable[] = {
#define KIND(name, table) &table,
#include "core/kinds/kinds.inc"
#undef KIND
};

// Where several hold, the later one wins.
constexpr std::array<LookState, 5> lookStateTable{{
    {"focused", "while the knob or the keys are on it", GORSE_STATE_FOCUSED, "GORSE_STATE_FOCUSED", kIsTouched},
    {"on", "while its variable is yes, or has the value of its choice", GORSE_STATE_ON, "GORSE_STATE_ON", kIsToggled},
    {"pressed", "while a finger is on it", GORSE_STATE_PRESSED, "GORSE_STATE_PRESSED", kIsTouched},
    {"disabled", "while it takes no touch", GORSE_STATE_DISABLED, "GORSE_STATE_DISABLED", 0},
    {"wrong", "while its value is out of its range", GORSE_STATE_WRONG, "GORSE_STATE_WRONG", kCanBeWrong},
}};

}  // namespace

const char* nameOf(KindGroup group) {
    switch (group) {
        case KindGroup::Shapes: return "Shapes";
        case KindGroup::Words: return "Words and pictures";
        case KindGroup::Indicators: return "Indicators";
        case KindGroup::Controls: return "Controls";
        case KindGroup::Containers: return "Containers";
        case KindGroup::Own: return "Assemblies";
    }
    return "";
}

std::span<const KindInfo* const> kinds() { return kindTable; }

std::string assemblyOf(const Widget& widget) {
    const auto of = widget.kind == Kind::Assembly ? widget.properties.find(kOfKey) : widget.properties.end();
    const auto* name = of == widget.properties.end() ? nullptr : std::get_if<std::string>(&of->second);
    return name ? *name : std::string();
}

const KindInfo& info(Kind kind) {
    assert(static_cast<size_t>(kind) < std::size(kindTable));
    return *kindTable[static_cast<size_t>(kind)];
}

const KindInfo* kindByKey(std::string_view key) {
    const auto at = std::find_if(std::begin(kindTable), std::end(kindTable),
                                 [&](const KindInfo* each) { return key == each->key; });
    return at == std::end(kindTable) ? nullptr : *at;
}

std::span<const LookState> lookStates() { return lookStateTable; }

bool hasState(const KindInfo& kind, const LookState& state) { return state.needs == 0 || kind.has(state.needs); }

const PropertyInfo* findProperty(Kind kind, std::string_view key) {
    if (const PropertyInfo* own = findIn(info(kind).properties, key))
        return own;
    if (const PropertyInfo* placed = findIn(placeProperties(), key))
        return placed;
    return findStyleProperty(key);
}

const PropertyInfo* requiredImage(const KindInfo& kind) {
    const auto at = std::find_if(kind.properties.begin(), kind.properties.end(),
                                 [](const PropertyInfo& p) { return p.type == PropertyType::Image && p.required; });
    return at == kind.properties.end() ? nullptr : &*at;
}

bool showsAllFrames(const KindInfo& kind, const PropertyInfo& image) {
    const auto field = fieldOf(*kind.record, image.key);
    return field && field->field->type == FieldType::Animation;
}

std::optional<PropertyValue> ownValue(const Widget& widget, const PropertyInfo& property) {
    if (property.number)
        return int64_t{widget.*property.number};
    if (property.flag)
        return widget.*property.flag;
    if (property.words)
        return widget.*property.words;
    const auto set = widget.properties.find(property.key);
    return set == widget.properties.end() ? std::nullopt : std::optional(set->second);
}

void setOwnValue(Widget& widget, const PropertyInfo& property, const PropertyValue& value) {
    if (property.number)
        widget.*property.number = static_cast<int>(std::get<int64_t>(value));
    else if (property.flag)
        widget.*property.flag = std::get<bool>(value);
    else if (property.words)
        widget.*property.words = std::get<std::string>(value);
    else
        widget.properties.insert_or_assign(property.key, value);
}

void sampleText(Widget& widget, const char* words, bool oneBit) {
    widget.properties["text"] = std::string(words);
    widget.properties["align"] = std::string("middle");
    widget.properties["size"] = int64_t{oneBit ? 10 : 15};
}

std::optional<RecordField> fieldOf(const RecordInfo& record, std::string_view property) {
    for (const RecordInfo* each = &record; each; each = each->base)
        for (const FieldInfo& field : each->fields)
            if (property == field.property)
                return RecordField{each, &field};
    return std::nullopt;
}

SlotField slotField(Kind kind, const PropertyInfo& property) {
    if (const auto own = fieldOf(*info(kind).record, property.key))
        return {*own, false};
    if (const auto ofLook = fieldOf(lookRecord, property.key))
        return {*ofLook, true};
    throw std::logic_error("a property that is open to rules has no field");
}

uint8_t SlotField::size() const {
    return field->type == FieldType::Text ? static_cast<uint8_t>(GORSE_SLOT_TEXT) : static_cast<uint8_t>(field->bytes);
}

}  // namespace gorsefinch
