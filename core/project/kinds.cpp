// SPDX-License-Identifier: GPL-3.0-or-later
#include "core/project/kinds.h"

#include "core/project/font_settings.h"

#include <algorithm>
#include <array>
#include <cstddef>
#include <stdexcept>

namespace gorsefinch {

namespace {

#define RECORD_FIELD(structure, member)                                                          \
    RuntimeField {                                                                               \
        FieldHome::Record, offsetof(structure, member), sizeof(structure::member), #structure, #member \
    }
#define LOOK_FIELD(member)                                                                          \
    RuntimeField {                                                                                  \
        FieldHome::Look, offsetof(gorse_look, member), sizeof(gorse_look::member), "gorse_look", #member \
    }
#define TEXT_FIELD(structure, member)                                                    \
    RuntimeField {                                                                       \
        FieldHome::Record, offsetof(structure, member), GORSE_SLOT_TEXT, #structure, #member \
    }

using I = int64_t;
using S = std::string;

constexpr const char* alignChoices[] = {"left", "middle", "right"};
constexpr const char* placeChoices[] = {"top", "middle", "bottom"};
constexpr const char* playChoices[] = {"loop", "once", "to and fro"};
constexpr const char* sideChoices[] = {"left", "right", "above", "below"};

const std::array<PropertyInfo, 5> placeTable{{
    {"x", "Left", PropertyType::Whole, I{0}, -4096, 4096, "px", "left edge on the screen", {},
     RECORD_FIELD(gorse_widget, x)},
    {"y", "Top", PropertyType::Whole, I{0}, -4096, 4096, "px", "top edge on the screen", {},
     RECORD_FIELD(gorse_widget, y)},
    {"w", "Width", PropertyType::Whole, I{10}, 1, 4096, "px", "width", {}, RECORD_FIELD(gorse_widget, w)},
    {"h", "Height", PropertyType::Whole, I{10}, 1, 4096, "px", "height", {}, RECORD_FIELD(gorse_widget, h)},
    {"visible", "Visible", PropertyType::YesNo, true, 0, 0, "", "drawn and open to touch", {},
     RECORD_FIELD(gorse_widget, visible)},
}};

const std::array<PropertyInfo, 8> styleTable{{
    {"fill", "Fill", PropertyType::Colour, Colour{0}, 0, 0, "", "colour of the box", {}, LOOK_FIELD(fill)},
    {"colour", "Text", PropertyType::Colour, opaque(0xF2EEE4), 0, 0, "", "colour of text and of one-colour images",
     {}, LOOK_FIELD(text)},
    {"border", "Border", PropertyType::Colour, opaque(0x5B6660), 0, 0, "", "colour of the border", {},
     LOOK_FIELD(border)},
    {"border_width", "Border width", PropertyType::Whole, I{0}, 0, 64, "px", "0 for no border", {},
     LOOK_FIELD(border_width)},
    {"radius", "Corner", PropertyType::Whole, I{0}, 0, 255, "px", "radius of the corners", {}, LOOK_FIELD(radius)},
    {"padding", "Padding", PropertyType::Whole, I{0}, 0, 64, "px", "from the border to text or image", {},
     LOOK_FIELD(padding)},
    {"font", "Face", PropertyType::Font, S{}, 0, 0, "", "face of the text", {}, {}},
    {"size", "Size", PropertyType::Whole, I{14}, kLeastFontSize, kMostFontSize, "px",
     "size of the text: the face's em in pixels, or what the font says", {}, {}},
}};

const std::array<PropertyInfo, 4> textTable{{
    {"text", "Text", PropertyType::Text, S{}, 0, 0, "", "what it says; {variable} shows a value", {},
     TEXT_FIELD(gorse_label, text)},
    {"align", "Align", PropertyType::Choice, S{"left"}, 0, 0, "", "where lines stand in the box", alignChoices, {}},
    {"place", "Place", PropertyType::Choice, S{"middle"}, 0, 0, "", "where the lines stand from top to bottom",
     placeChoices, {}},
    {"wrap", "Wrap", PropertyType::YesNo, false, 0, 0, "", "break lines that are too long at spaces", {}, {}},
}};

const std::array<PropertyInfo, 3> imageTable{{
    {"image", "Image", PropertyType::Image, S{}, 0, 0, "", "which image", {}, {}},
    {"align", "Align", PropertyType::Choice, S{"middle"}, 0, 0, "", "where it stands in the box", alignChoices, {}},
    {"place", "Place", PropertyType::Choice, S{"middle"}, 0, 0, "", "where it stands from top to bottom",
     placeChoices, {}},
}};

const std::array<PropertyInfo, 5> buttonTable{{
    {"text", "Text", PropertyType::Text, S{}, 0, 0, "", "what it says; {variable} shows a value", {},
     TEXT_FIELD(gorse_label, text)},
    {"image", "Image", PropertyType::Image, S{}, 0, 0, "", "an image beside the text, or alone", {}, {}},
    {"image_side", "Image side", PropertyType::Choice, S{"left"}, 0, 0, "", "where the image stands to the text",
     sideChoices, {}},
    {"gap", "Gap", PropertyType::Whole, I{6}, 0, 255, "px", "between image and text", {}, {}},
    {"align", "Align", PropertyType::Choice, S{"middle"}, 0, 0, "", "where the text stands", alignChoices, {}},
}};

const std::array<PropertyInfo, 8> framesTable{{
    {"image", "Image", PropertyType::Image, S{}, 0, 0, "", "an image with several frames", {}, {}},
    {"play", "Plays", PropertyType::Choice, S{"loop"}, 0, 0, "", "for ever, once, or to and fro", playChoices, {}},
    {"starts", "Starts", PropertyType::YesNo, true, 0, 0, "", "plays as soon as its screen is entered", {}, {}},
    {"variable", "Follows", PropertyType::Variable, S{}, 0, 0, "",
     "a variable whose value chooses the frame; none plays by time", {}, {}},
    {"from", "First at", PropertyType::Text, S{}, 0, 0, "", "the value of the first frame; empty: the variable's least",
     {}, {}},
    {"to", "Last at", PropertyType::Text, S{}, 0, 0, "", "the value of the last frame; empty: the variable's most", {},
     {}},
    {"align", "Align", PropertyType::Choice, S{"middle"}, 0, 0, "", "where it stands in the box", alignChoices, {}},
    {"place", "Place", PropertyType::Choice, S{"middle"}, 0, 0, "", "where it stands from top to bottom",
     placeChoices, {}},
}};

constexpr RuntimeKind buttonWithImage{&gorse_kind_button_image, "gorse_kind_button_image", "gorse_kind_button_image.c"};

const std::array<KindInfo, 5> kindTable{{
    {Kind::Text, "text", "words, and values in braces", 120, 24, "Text", "text", textTable, {&gorse_kind_text, "gorse_kind_text", "gorse_kind_text.c"}, "gorse_label", true, false, false},
    {Kind::Button, "button", "acts when it is tapped", 96, 34, "Button", "button", buttonTable, {&gorse_kind_button, "gorse_kind_button", "gorse_kind_button.c"}, "gorse_button", true, true, false, &buttonWithImage},
    {Kind::Rectangle, "rectangle", "a box with fill, border and corners", 96, 48, "", "box", {},
     {&gorse_kind_rectangle, "gorse_kind_rectangle", "gorse_kind_rectangle.c"}, "gorse_rectangle", false, false, false},
    {Kind::Image, "image", "a picture", 48, 48, "", "image", imageTable, {&gorse_kind_image, "gorse_kind_image", "gorse_kind_image.c"}, "gorse_picture", false, false, false},
    {Kind::Frames, "frames", "a picture that moves, or stands for a reading", 48, 48, "", "frames", framesTable,
     {&gorse_kind_frames, "gorse_kind_frames", "gorse_kind_frames.c"}, "gorse_frames", false, false, true},
}};

const std::array<StateInfo, 1> states{{
    {"pressed", "while a finger is on it", GORSE_STATE_PRESSED, "GORSE_STATE_PRESSED"},
}};

const PropertyInfo* find(std::span<const PropertyInfo> properties, std::string_view key) {
    const auto at = std::find_if(properties.begin(), properties.end(),
                                 [&](const PropertyInfo& p) { return key == p.key; });
    return at == properties.end() ? nullptr : &*at;
}

}  // namespace

std::span<const KindInfo> kinds() { return kindTable; }

const KindInfo& info(Kind kind) {
    return *std::find_if(kindTable.begin(), kindTable.end(), [&](const KindInfo& k) { return k.kind == kind; });
}

const KindInfo* kindByKey(std::string_view key) {
    for (const KindInfo& each : kindTable)
        if (key == each.key)
            return &each;
    return nullptr;
}

std::span<const PropertyInfo> placeProperties() { return placeTable; }
std::span<const PropertyInfo> styleProperties() { return styleTable; }
std::span<const StateInfo> lookStates() { return states; }

const PropertyInfo* findStyleProperty(std::string_view key) { return find(styleTable, key); }

const PropertyInfo& styleProperty(std::string_view key) {
    if (const PropertyInfo* found = find(styleTable, key))
        return *found;
    throw std::logic_error("no such style property");
}

const PropertyInfo* findProperty(Kind kind, std::string_view key) {
    if (const PropertyInfo* own = find(info(kind).properties, key))
        return own;
    if (const PropertyInfo* placed = find(placeTable, key))
        return placed;
    return find(styleTable, key);
}

bool fits(const PropertyInfo& property, const PropertyValue& value) {
    switch (property.type) {
        case PropertyType::YesNo:
            return std::holds_alternative<bool>(value);
        case PropertyType::Colour:
            return std::holds_alternative<Colour>(value);
        case PropertyType::Whole: {
            const int64_t* number = std::get_if<int64_t>(&value);
            return number && *number >= property.least && *number <= property.most;
        }
        case PropertyType::Choice: {
            const std::string* chosen = std::get_if<std::string>(&value);
            return chosen && std::find(property.choices.begin(), property.choices.end(), *chosen) !=
                                 property.choices.end();
        }
        default:
            return std::holds_alternative<std::string>(value);
    }
}

}  // namespace gorsefinch
