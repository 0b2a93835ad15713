// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include <cstddef>
#include <functional>
#include <span>
#include <string_view>

#include "core/kinds/wrapped_kinds.h"
#include "core/kinds/property.h"
#include "core/kinds/record_builder.h"
#include "core/kinds/runtime_records.h"
#include "core/kinds/widget.h"

namespace gorsefinch {

// What a widget remembers while its screen is shown.
struct KeptState {
    uint16_t bytes = 0;
    // Takes over the state of the same widget of a former scene, adapting it to the new record; false if it begins
    // anew. Null if it always does. `state` has no alignment.
    bool (*keep)(const gorse_record& was, const gorse_record& is, std::span<std::byte> state) = nullptr;
};

// What a widget keeps whichever screen is shown.
struct Keeps {
    long bytes = 0;       // a multiple of 4
    bool always = false;  // else only where rules set cells of it
};

// What the runtime draws widgets with: its struct, the struct's name, the file that it is in, and optional files that
// this one uses.
struct RuntimeKind {
    const gorse_kind* kind;
    const char* symbol;
    const char* source;
    std::span<const char* const> more = {};
    // Where these differ from those of the kind: a record that the kind's begins with, and what is remembered.
    const RecordInfo* record = nullptr;
    KeptState state = {};
    bool roundsCorners = false;  // of boxes whose look has square ones
};

// What a variable has while a widget is on.
struct OnValue {
    uint16_t variable = GORSE_NONE;  // or a number of the runtime's
    int32_t value = 1;
};

// What kinds are offered together as.
enum class KindGroup { Words, Controls, Indicators, Shapes, Containers, Own };
// The heading of a group.
const char* nameOf(KindGroup group);

// An ellipse in pixels from the top left of a widget's box.
struct RoundPlace {
    double x = 0, y = 0;  // of its middle
    double radiusX = 0, radiusY = 0;
};
// A whole number of a widget's properties.
using WholeOf = std::function<int(const char* key)>;

// A kind of widget, described once. All of the core and the application read this; a new kind is a file that defines
// one of these, and a line in kinds.inc.
struct KindInfo {
    Kind kind;
    const char* key;
    const char* help;
    KindGroup group;
    const char* suffix;                        // ends the name that a new one takes: "button" in back_button
    int width, height;                         // of a new one, pixels
    std::span<const PropertyInfo> properties;  // its own, beside place and style
    const RecordInfo* record;                  // with all that can be set
    unsigned traits = 0;                       // of Trait
    KeptState state = {};
    RuntimeKind runtime;
    // What complete() can choose instead, as the kind of a record.
    std::span<const RuntimeKind> otherRuntimes = {};
    // Sets the fields without a property; null if there is nothing to do.
    void (*complete)(RecordBuilder& builder) = nullptr;
    // What it keeps in the state whichever screen is shown; null if it never does.
    Keeps (*keeps)(const gorse_record& built) = nullptr;
    // Names of looks that a new one takes, the first that the project has.
    std::span<const char* const> looks = {};
    // Sets the properties of a new widget, which has its box, look and image, and of the sample that the tray shows,
    // which has a box; null if there are none. `oneBit`: the panel shows black and white only.
    void (*start)(Widget& widget, bool oneBit) = nullptr;
    void (*sample)(Widget& widget, bool oneBit) = nullptr;
    // Fits what lies in the box to its new size; `was` is the widget before. Null if there is nothing to fit.
    void (*resize)(Widget& widget, const Widget& was) = nullptr;
    // False for a widget that is never in the state on; null if the kind's trait says it all.
    bool (*canBeOn)(const Widget& widget) = nullptr;
    // Of a completed record with the state on; null for a kind that does not have it.
    OnValue (*onValue)(const gorse_record& built) = nullptr;
    // What angles go round on; null if it has none.
    RoundPlace (*round)(const Widget& widget, const WholeOf& whole) = nullptr;

    bool has(unsigned trait) const { return (traits & trait) != 0; }
    // Of a completed record.
    const RecordInfo& recordOf(const gorse_record& built) const {
        const RuntimeKind& drawn = of(built);
        return drawn.record ? *drawn.record : *record;
    }
    const KeptState& stateOf(const gorse_record& built) const {
        const RuntimeKind& drawn = of(built);
        return drawn.state.bytes != 0 ? drawn.state : state;
    }
    // What draws a completed record.
    const RuntimeKind& of(const gorse_record& built) const {
        for (const RuntimeKind& other : otherRuntimes)
            if (other.kind == drawingKind(built.widget.kind))
                return other;
        return runtime;
    }
};

std::span<const KindInfo* const> kinds();
// The kind of uses of assemblies, which are offered by the assemblies' names, names its assembly by this property.
inline constexpr const char* kOfKey = "of";
// The assembly that a widget is a use of; "" for other kinds.
std::string assemblyOf(const Widget& widget);
const KindInfo& info(Kind kind);
const KindInfo* kindByKey(std::string_view key);

// A property of a kind by its key, of its own, the place or the style; null if it has none.
const PropertyInfo* findProperty(Kind kind, std::string_view key);
// The kind's own image that it can't do without; null if it has none.
const PropertyInfo* requiredImage(const KindInfo& kind);
// True if the record holds all frames of that image, instead of its first.
bool showsAllFrames(const KindInfo& kind, const PropertyInfo& image);
// The value of one of the widget's own properties, including those of its place; null if it is not set.
std::optional<PropertyValue> ownValue(const Widget& widget, const PropertyInfo& property);
// The property must be one of the widget's kind, and the value must fit it.
void setOwnValue(Widget& widget, const PropertyInfo& property, const PropertyValue& value);

// Gives the sample of a kind with a text its words, centred and as large as the tray has room for.
void sampleText(Widget& widget, const char* words, bool oneBit);

// A field of a record or of a record that it begins with, and the one that it belongs to.
struct RecordField {
    const RecordInfo* record;
    const FieldInfo* field;
};
// The field that holds a property; nothing if there is none.
std::optional<RecordField> fieldOf(const RecordInfo& record, std::string_view property);
// The field of the kind's record, or of the look, that rules write for a property. It must be one that is open to
// rules.
struct SlotField : RecordField {
    bool inLook;
    uint8_t size() const;  // of gorse_slot, without GORSE_SLOT_LOOK
};
SlotField slotField(Kind kind, const PropertyInfo& property);

// The states that a look may depend on, with the runtime's bits.
struct LookState {
    const char* key;
    const char* help;
    uint8_t bits;
    const char* symbol;
    unsigned needs;  // traits that a kind needs at least one of; 0: every kind has it
};
// Where several hold, the later one wins, property by property.
std::span<const LookState> lookStates();
bool hasState(const KindInfo& kind, const LookState& state);

// Each kind's table.
#define KIND(name, table) extern const KindInfo table;
#include "core/kinds/kinds.inc"
#undef KIND

}  // namespace gorsefinch
