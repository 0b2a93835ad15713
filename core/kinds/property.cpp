// SPDX-License-Identifier: GPL-3.0-or-later
#include "core/kinds/property.h"

#include <algorithm>
#include <array>
#include <stdexcept>

#include "core/kinds/edges.h"
#include "core/kinds/widget.h"

namespace gorsefinch {

namespace {

using I = int64_t;
using S = std::string;

const std::array<PropertyInfo, 14> placeTable{{
    {.key = "x",
     .label = "Left",
     .type = PropertyType::Whole,
     .fallback = I{0},
     .min = -4096,
     .max = 4096,
     .unit = "px",
     .help = "left edge on the screen",
     .inRules = true,
     .number = &Widget::x},
    {.key = "y",
     .label = "Top",
     .type = PropertyType::Whole,
     .fallback = I{0},
     .min = -4096,
     .max = 4096,
     .unit = "px",
     .help = "top edge on the screen",
     .inRules = true,
     .number = &Widget::y},
    {.key = "w",
     .label = "Width",
     .type = PropertyType::Whole,
     .fallback = I{10},
     .min = 1,
     .max = 4096,
     .unit = "px",
     .help = "width",
     .inRules = true,
     .number = &Widget::w},
    {.key = "h",
     .label = "Height",
     .type = PropertyType::Whole,
     .fallback = I{10},
     .min = 1,
     .max = 4096,
     .unit = "px",
     .help = "height",
     .inRules = true,
     .number = &Widget::h},
    {.key = "visible",
     .label = "Visible",
     .type = PropertyType::YesNo,
     .fallback = true,
     .help = "drawn and open to touch",
     .inRules = true,
     .flag = &Widget::visible},
    {.key = "opacity",
     .label = "Opacity",
     .type = PropertyType::Whole,
     .fallback = I{255},
     .min = 0,
     .max = 255,
     .help = "255 hides what is below it, 0 shows nothing of it; one bit a pixel shows a pattern",
     .inRules = true,
     .number = &Widget::opacity},
    {.key = "enabled",
     .label = "Enabled",
     .type = PropertyType::YesNo,
     .fallback = true,
     .help = "takes touch and focus; without, it has the look's state disabled",
     .inRules = true,
     .flag = &Widget::enabled},
    {.key = "touch_margin",
     .label = "Touch margin",
     .type = PropertyType::Whole,
     .fallback = I{0},
     .max = 64,
     .unit = "px",
     .help = "how far its touch target reaches beyond the box",
     .needs = kIsTouched,
     .number = &Widget::touchMargin},
    {.key = "focus",
     .label = "Focus",
     .type = PropertyType::Words,
     .fallback = S{},
     .help = "its turn among what the knob and the keys reach: 1 is the first; never: they pass over it",
     .hint = "by place",
     .needs = kIsTouched,
     .words = &Widget::focus},
    {.key = "anchors",
     .label = "Anchors",
     .type = PropertyType::Edges,
     .fallback = S{kDefaultAnchors},
     .help = "the edges of its group, or of the panel, that it keeps its distance from; opposite ones stretch it",
     .words = &Widget::anchors},
    {.key = "series_columns",
     .label = "Columns",
     .type = PropertyType::Whole,
     .fallback = I{1},
     .min = 1,
     .max = kMaxSeriesSide,
     .help = "how many of it stand beside one another; in its texts and expressions, series is the number, from 0",
     .number = &Widget::seriesColumns},
    {.key = "series_rows",
     .label = "Rows",
     .type = PropertyType::Whole,
     .fallback = I{1},
     .min = 1,
     .max = kMaxSeriesSide,
     .help = "how many rows of it stand below one another",
     .number = &Widget::seriesRows},
    {.key = "series_x",
     .label = "Step across",
     .type = PropertyType::Whole,
     .fallback = I{0},
     .min = -4096,
     .max = 4096,
     .unit = "px",
     .help = "from the left edge of one to that of the next; a container that places its widgets has its own",
     .number = &Widget::seriesX},
    {.key = "series_y",
     .label = "Step down",
     .type = PropertyType::Whole,
     .fallback = I{0},
     .min = -4096,
     .max = 4096,
     .unit = "px",
     .help = "from the top edge of one row to that of the next",
     .number = &Widget::seriesY},
}};

const std::array<PropertyInfo, 8> styleTable{{
    {.key = "fill",
     .label = "Fill",
     .type = PropertyType::Colour,
     .fallback = Colour{0},
     .help = "colour of the box",
     .inRules = true},
    {.key = "colour",
     .label = "Foreground",
     .type = PropertyType::Colour,
     .fallback = opaque(0xF2EEE4),
     .help = "colour of text, of one-colour images, of strokes and of what shows a value",
     .inRules = true,
     .needs = kHasText | kIsInked},
    {.key = "border",
     .label = "Border",
     .type = PropertyType::Colour,
     .fallback = opaque(0x5B6660),
     .help = "colour of the border",
     .inRules = true},
    {.key = "border_width",
     .label = "Border width",
     .type = PropertyType::Whole,
     .fallback = I{0},
     .max = 64,
     .unit = "px",
     .help = "0 for no border",
     .inRules = true},
    {.key = "radius",
     .label = "Corner",
     .type = PropertyType::Whole,
     .fallback = I{0},
     .max = 255,
     .unit = "px",
     .help = "radius of the corners",
     .inRules = true,
     .needs = kHasBox},
    {.key = "padding",
     .label = "Padding",
     .type = PropertyType::Whole,
     .fallback = I{0},
     .max = 64,
     .unit = "px",
     .help = "from the border to text or image",
     .inRules = true,
     .needs = kHasText | kIsPadded},
    {.key = "font",
     .label = "Face",
     .type = PropertyType::Font,
     .fallback = S{},
     .help = "face of the text",
     .needs = kHasText | kHasLabels},
    {.key = "size",
     .label = "Size",
     .type = PropertyType::Whole,
     .fallback = I{14},
     .min = kMinFontSize,
     .max = kMaxFontSize,
     .unit = "px",
     .help = "size of the text: the face's em in pixels, or what the font says",
     .needs = kHasText | kHasLabels},
}};

constexpr const char* alignTable[] = {"left", "middle", "right"};
constexpr const char* verticalTable[] = {"top", "middle", "bottom"};

}  // namespace

std::span<const PropertyInfo> placeProperties() { return placeTable; }
std::span<const PropertyInfo> styleProperties() { return styleTable; }
std::span<const char* const> alignChoices() { return alignTable; }
std::span<const char* const> placeChoices() { return verticalTable; }

const PropertyInfo* findIn(std::span<const PropertyInfo> properties, std::string_view key) {
    const auto at =
        std::find_if(properties.begin(), properties.end(), [&](const PropertyInfo& p) { return key == p.key; });
    return at == properties.end() ? nullptr : &*at;
}

const PropertyInfo* findStyleProperty(std::string_view key) { return findIn(styleTable, key); }

const PropertyInfo& styleProperty(std::string_view key) {
    if (const PropertyInfo* found = findIn(styleTable, key))
        return *found;
    throw std::logic_error("no such style property");
}

bool fits(const PropertyInfo& property, const PropertyValue& value) {
    if (std::holds_alternative<ValueName>(value))
        return property.takesName();
    switch (property.type) {
        case PropertyType::YesNo: return std::holds_alternative<bool>(value);
        case PropertyType::Colour: return std::holds_alternative<Colour>(value);
        case PropertyType::Whole: {
            const int64_t* number = std::get_if<int64_t>(&value);
            return number && *number >= property.min && *number <= property.max;
        }
        case PropertyType::Choice: {
            const std::string* chosen = std::get_if<std::string>(&value);
            return chosen &&
                   std::find(property.choices.begin(), property.choices.end(), *chosen) != property.choices.end();
        }
        case PropertyType::Edges: {
            const std::string* words = std::get_if<std::string>(&value);
            return words && edgesFromWords(*words).has_value();
        }
        case PropertyType::Points: {
            const PointList* points = std::get_if<PointList>(&value);
            const auto lies = [](int coordinate) { return coordinate >= -kMaxPoint && coordinate <= kMaxPoint; };
            return points && static_cast<int>(points->size()) >= property.min &&
                   static_cast<int>(points->size()) <= property.max &&
                   std::all_of(points->begin(), points->end(), [&](Point p) { return lies(p.x) && lies(p.y); });
        }
        case PropertyType::Zones: {
            const ZoneList* zones = std::get_if<ZoneList>(&value);
            return zones && static_cast<int>(zones->size()) >= property.min &&
                   static_cast<int>(zones->size()) <= property.max &&
                   std::all_of(zones->begin(), zones->end(), [](const Zone& zone) {
                       return zone.from.size() <= kMaxZoneText && zone.to.size() <= kMaxZoneText;
                   });
        }
        case PropertyType::Cells: {
            const CellMap* map = std::get_if<CellMap>(&value);
            return map && map->size() <= size_t{kMaxMapSide} &&
                   std::all_of(map->begin(), map->end(),
                               [](const auto& row) { return row.size() <= size_t{kMaxMapSide}; });
        }
        default: return std::holds_alternative<std::string>(value);
    }
}

}  // namespace gorsefinch
