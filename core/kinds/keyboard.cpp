// SPDX-License-Identifier: GPL-3.0-or-later
#include <algorithm>
#include <array>

#include "core/kinds/control.h"
#include "core/kinds/key_rows.h"

namespace gorsefinch {

namespace {

constexpr const char* keyForms[] = {"rows", "turning"};

const std::array keyboardProperties{
    PropertyInfo{.key = "layout",
                 .label = "Layout",
                 .type = PropertyType::Choice,
                 .fallback = std::string(kDefaultLayout),
                 .help = "letters in one of three arrangements, digits with sign and point, hex digits, or own rows",
                 .choices = keyLayouts()},
    PropertyInfo{.key = "rows",
                 .label = "Own rows",
                 .type = PropertyType::Words,
                 .fallback = std::string(),
                 .help = "of the layout own: a row of keys a line, apart by spaces, such as q w e or {shift:1.5}; an "
                         "empty line before each further page. Behind its first character a key has those that it "
                         "offers when it is held",
                 .asLines = true},
    PropertyInfo{.key = "form",
                 .label = "Form",
                 .type = PropertyType::Choice,
                 .fallback = std::string(keyForms[0]),
                 .help = "rows of keys, or one row that the knob turns",
                 .choices = keyForms},
    PropertyInfo{.key = "accents",
                 .label = "Accents",
                 .type = PropertyType::YesNo,
                 .fallback = true,
                 .help = "a letter that is held offers those with accents that its face has"},
    PropertyInfo{.key = "newline",
                 .label = "New line",
                 .type = PropertyType::YesNo,
                 .fallback = false,
                 .help = "has a key that begins a new line, for fields of several lines"},
    PropertyInfo{.key = "done_text",
                 .label = "Done",
                 .type = PropertyType::Words,
                 .fallback = std::string("Done"),
                 .help = "on the key that takes over what was typed"},
    PropertyInfo{.key = "cancel_text",
                 .label = "Cancel",
                 .type = PropertyType::Words,
                 .fallback = std::string("Cancel"),
                 .help = "on the key that leaves the value as it was"},
    PropertyInfo{.key = "slide",
                 .label = "Slides",
                 .type = PropertyType::Whole,
                 .fallback = int64_t{180},
                 .max = 2000,
                 .unit = "ms",
                 .help = "time that it takes to come from below"},
    onColour(),
};

constexpr FieldInfo keyboardFields[] = {
    GORSEFINCH_FIELD(gorse_widget_keyboard, keys, Cells),
    GORSEFINCH_FIELD(gorse_widget_keyboard, words, Text),
    GORSEFINCH_FIELD(gorse_widget_keyboard, form, Numbers),
    GORSEFINCH_FIELD(gorse_widget_keyboard, slide, U16, "slide"),
    GORSEFINCH_FIELD(gorse_widget_keyboard, turns, U8),
    GORSEFINCH_FIELD(gorse_widget_keyboard, reserved, Padding),
};

constexpr const char* keyboardLooks[] = {"keyboard"};

void completeKeyboard(RecordBuilder& builder) {
    gorse_widget_keyboard& keyboard = builder.record().keyboard;
    const std::string layout = builder.text("layout");
    const bool turns = builder.text("form") == keyForms[1];
    std::string rows = builder.text("rows");
    if (layout != kOwnLayout)
        rows = keyRows({layout, turns, std::get<bool>(builder.value("accents")),
                        std::get<bool>(builder.value("newline")), builder.inFace(allAccents())});
    auto keys = compileKeys(rows);
    if (!keys) {
        builder.report(Severity::Error, keys.error().reason, keys.error().remedy);
        keys = compileKeys("{done}");
    }
    keyboard.keys = builder.keepBytes(keys->bytes);
    keyboard.words = builder.keepWords({builder.text("done_text"), builder.text("cancel_text")});
    keyboard.form = builder.keep({static_cast<int32_t>(std::get<Colour>(builder.value("on_colour")).argb)});
    keyboard.turns = turns ? 1 : 0;
    builder.write(keys->characters + builder.text("done_text") + builder.text("cancel_text"));
}

void styleKeyboard(Widget& widget, bool oneBit) {
    styleControl(widget, oneBit);
    widget.properties["fill"] = opaque(oneBit ? 0x000000 : 0x171C1E);
    widget.properties["colour"] = opaque(oneBit ? 0xFFFFFF : 0xF2EEE4);
}

}  // namespace

constexpr RecordInfo keyboardRecord{"gorse_widget_keyboard", sizeof(gorse_widget_keyboard), &widgetRecord, "widget",
                                    keyboardFields};
static_assert(isComplete(keyboardRecord));

constinit const KindInfo keyboardKind{
    .kind = Kind::Keyboard,
    .key = "keyboard",
    .help = "keys that type into a field; comes from below with the field",
    .group = KindGroup::Controls,
    .suffix = "keyboard",
    .width = 320,
    .height = 120,
    .properties = keyboardProperties,
    .record = &keyboardRecord,
    .traits = kHasBox | kHasLabels | kIsInked | kOpens | kTypes,
    .state = {1},
    .runtime = {&gorse_kind_keyboard.kind, "gorse_kind_keyboard.kind", "gorse_kind_keyboard.c", kTypingSources},
    .complete = completeKeyboard,
    .looks = keyboardLooks,
    .start =
        [](Widget& widget, bool oneBit) {
            if (widget.look.empty())
                styleKeyboard(widget, oneBit);
        },
    .sample =
        [](Widget& widget, bool oneBit) {
            sampleLabels(widget, oneBit);
            widget.properties["layout"] = std::string(kOwnLayout);
            widget.properties["rows"] = std::string("1 2 3\n4 5 6");
            styleKeyboard(widget, oneBit);
        },
};

}  // namespace gorsefinch
