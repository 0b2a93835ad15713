// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include <span>
#include <string_view>

#include "core/kinds/value.h"

namespace gorsefinch {

struct Widget;

enum class PropertyType {
    Text,     // with values in braces
    Words,    // text as it is
    Decimal,  // a number as text, in the unit of the variable that the widget follows
    Whole,
    YesNo,
    Colour,
    Choice,
    Edges,  // words of edges.h
    Font,
    Image,
    Variable,
    Points,
    Zones,
    Cells
};

// Bits of what a kind of widget does, for all that depends on kinds.
enum Trait : unsigned {
    kHasText = 1,       // its record begins with a gorse_widget_text; it takes a font
    kIsInked = 2,       // its look's colour matters
    kIsTouched = 4,     // has the events press, release, tap
    kPlays = 8,         // has the event done; takes play and stop
    kHasBox = 16,       // draws a box with the look's corners
    kIsPadded = 32,     // draws inside the look's padding
    kHasLabels = 64,    // writes what it makes itself, in the look's font
    kCanBeWrong = 128,  // shows that its value is out of its range
    kRecords = 256,     // records what it shows, whichever screen is shown
    kHasCells = 512,    // is a map of cells, which rules set
    kHears = 1024,      // knows when its variable had news
    kIsToggled = 2048,  // has the state on
    kChanges = 4096,    // has the event change
    kIsMoved = 8192,    // has the event done, when it is let go
    kRepeats = 16384,   // has the event repeat
    kIsUnseen = 32768,  // draws nothing
    kHolds = 65536,     // is a container: widgets lie in it
    kScrolls = 131072,  // has the event scroll
    kOpens = 262144,    // has the events open and close; takes these commands
    kIsTyped = 524288,  // a text is typed into it; has the events done and cancel
    kTypes = 1048576    // a keyboard
};

// How a number is dragged on the canvas: as an angle on what KindInfo::round says, or together with the property behind
// it as a point.
enum class HandleType { None, Angle, Point };

// One property of a widget, described once: the sheet, the files, the rules, the checks and the generator read this.
struct PropertyInfo {
    const char* key;
    const char* label;
    PropertyType type;
    PropertyValue fallback;
    int min = 0, max = 0;  // of a whole number; of points and zones how many
    const char* unit = "";
    const char* help = "";
    const char* hint = "";     // of a text: what an empty one means, in a few words
    const char* section = "";  // heading of the sheet that it stands under; those of one section are in a row
    std::span<const char* const> choices = {};
    bool inRules = false;   // rules read and write it: the record or the look has a field for it
    bool isValue = false;   // of a variable: what an indicator shows, which an expression can give too
    bool sets = false;      // of a variable: a control sets it
    bool ofTexts = false;   // of a variable: it is a text
    bool asLines = false;   // of words: they are lines, and edited so
    bool required = false;  // of an image: a widget without one gets a warning, a new one takes one of the project's
    unsigned needs = 0;     // of a style property: traits that a kind needs at least one of
    HandleType handle = HandleType::None;
    // Of an image that turns: the keys of the properties with the point that it turns round, from its left and its top
    // edge in pixels; where they are empty it is found.
    const char* entryOf = nullptr;  // of an entry of a palette: the property that names the image
    const char* pivotKeys[2] = {};
    // Of a whole number: where it is not set, it is half of this, instead of `fallback`.
    int Widget::*half = nullptr;
    // Of what every widget has: where the widget keeps it, instead of among its properties.
    int Widget::*number = nullptr;
    bool Widget::*flag = nullptr;
    std::string Widget::*words = nullptr;

    bool takesExpression() const { return inRules || isValue; }
    // It can have one of the project's colours or sizes by its name.
    bool takesName() const {
        return type == PropertyType::Colour ||
               (type == PropertyType::Whole && !number && handle == HandleType::None && std::string_view(unit) == "px");
    }
};

inline constexpr int kMaxSeriesSide = 100;                  // widgets of a series in a row, and rows
inline constexpr int kMinFontSize = 4, kMaxFontSize = 200;  // pixels

// The box, visible and more: what every widget has.
std::span<const PropertyInfo> placeProperties();
// What a look sets and a widget may set for itself.
std::span<const PropertyInfo> styleProperties();

const PropertyInfo* findStyleProperty(std::string_view key);
const PropertyInfo& styleProperty(std::string_view key);
// Null if there is none.
const PropertyInfo* findIn(std::span<const PropertyInfo> properties, std::string_view key);

// Choices of several kinds, in the order of GORSE_ALIGN_START, GORSE_ALIGN_MIDDLE, GORSE_ALIGN_END.
std::span<const char* const> alignChoices();
std::span<const char* const> placeChoices();

// True if the value has the property's type and lies in its range.
bool fits(const PropertyInfo& property, const PropertyValue& value);

}  // namespace gorsefinch
