// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include "core/kinds/indicator.h"

namespace gorsefinch {

// The properties that controls share. Functions, as tables of properties are made before main().
PropertyInfo controlValue();
PropertyInfo controlStep();
PropertyInfo fillFrom();
PropertyInfo onColour();
PropertyInfo gripColour();
PropertyInfo showsValue(bool fallback);
PropertyInfo repeatAfter(int fallback);
PropertyInfo repeatEvery();
// The value that a control of several sets.
PropertyInfo choiceProperty(const char* help);

// Files of the runtime that all controls use, and those with a ring.
inline constexpr const char* kControlSources[] = {"gorse_indicator.c"};
// The same of fields and keyboards, which belong together.
inline constexpr const char* kTypingSources[] = {
    "gorse_typing.c",        "gorse_typed_text.c",    "gorse_kind_field.c", "gorse_kind_keyboard.c",
    "gorse_keyboard_draw.c", "gorse_keyboard_keys.c", "gorse_keyboard.h",   "gorse_text_widget.c"};

// The variable that the widget's `value` names; nothing if it names none, or a wrong one, which is reported, as is one
// that only the firmware writes.
std::optional<NumberVariable> controlVariable(RecordBuilder& builder);
// Sets the record's variable and what becomes of a value that the firmware sets meanwhile.
std::optional<NumberVariable> completeControl(RecordBuilder& builder);
// Sets the limits of a slider or knob.
void completeSlider(RecordBuilder& builder);
// The step in units of 10^-decimals, at least 1; one that is not above 0 is reported.
int32_t stepOf(RecordBuilder& builder, int decimals);
// The widget's choice as a number of 16 bits; 0 after reporting a problem.
int16_t choiceNumberOf(RecordBuilder& builder);
// The characters of all values from the range's minimum on, for what writes them itself.
void writeValues(RecordBuilder& builder, int32_t min, int decimals);

// The style of a control that has no look.
void styleControl(Widget& widget, bool oneBit);
// Prepares the sample of a control that writes labels but has no text of its own.
void sampleLabels(Widget& widget, bool oneBit);

// The colours of the default looks.
inline constexpr uint32_t kAccentColour = 0xE0712A, kGripColour = 0xF2EEE4;

}  // namespace gorsefinch
