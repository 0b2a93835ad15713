// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include <span>
#include <string_view>

#include "core/project/value.h"
#include "runtime/gorse_scene.h"

namespace gorsefinch {

enum class PropertyType { Text, Whole, YesNo, Colour, Choice, Font, Image, Variable };

// Where the runtime keeps a property: a field of the widget's record or of its look.
enum class FieldHome { Nowhere, Record, Look };

struct RuntimeField {
    FieldHome home = FieldHome::Nowhere;
    unsigned offset = 0;            // on this machine
    unsigned bytes = 0;             // GORSE_SLOT_TEXT for a text
    const char* structure = "";     // for offsetof() in generated code
    const char* member = "";
};

// One property of a widget, described once: the sheet, the files, the rules, the checks and the generator read this.
struct PropertyInfo {
    const char* key;
    const char* label;
    PropertyType type;
    PropertyValue fallback;
    int least = 0, most = 0;  // of a whole number
    const char* unit = "";
    const char* help = "";
    std::span<const char* const> choices = {};
    RuntimeField field = {};  // with a home: rules may read and write it
};

enum class Kind { Rectangle, Text, Image, Button, Frames };

// What the runtime draws widgets with: its struct, the struct's name, and the file that it stands in.
struct RuntimeKind {
    const gorse_kind* kind;
    const char* symbol;
    const char* source;
};

struct KindInfo {
    Kind kind;
    const char* key;
    const char* help;
    int width, height;            // of a new one, pixels
    const char* startText;        // of a new one; "" if it has none
    const char* suffix;           // ends the name that a new one takes: "button" in back_button
    std::span<const PropertyInfo> properties;  // its own, beside place and style
    RuntimeKind runtime;
    const char* structure;        // the runtime's record
    bool hasText;
    bool touched;                 // has the events press, release, tap
    bool plays;                   // has the event done, and takes play and stop
    const RuntimeKind* withImage = nullptr;  // instead of `runtime` for widgets that have an image, if that differs

    // The one that draws a widget's record.
    const RuntimeKind& of(const gorse_widget& record) const {
        return withImage && record.kind == withImage->kind ? *withImage : runtime;
    }
};

std::span<const KindInfo> kinds();
const KindInfo& info(Kind kind);
const KindInfo* kindByKey(std::string_view key);

// x, y, w, h, visible: what every widget has.
std::span<const PropertyInfo> placeProperties();
// What a look sets and a widget may set for itself.
std::span<const PropertyInfo> styleProperties();

// A property of a kind by its key, of its own, the place or the style; null if it has none.
const PropertyInfo* findProperty(Kind kind, std::string_view key);
const PropertyInfo* findStyleProperty(std::string_view key);
const PropertyInfo& styleProperty(std::string_view key);

// The state names that a look may depend on, with the runtime's bits.
struct StateInfo {
    const char* key;
    const char* help;
    uint8_t bits;
    const char* symbol;
};
std::span<const StateInfo> lookStates();

// True if the value has the property's type and lies in its range.
bool fits(const PropertyInfo& property, const PropertyValue& value);

}  // namespace gorsefinch
