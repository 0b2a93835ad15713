// SPDX-License-Identifier: GPL-3.0-or-later
#include <array>

#include "core/kinds/control.h"

namespace gorsefinch {

namespace {

const std::array switchProperties{
    controlValue(),
    PropertyInfo{.key = "text_off",
                 .label = "Text off",
                 .type = PropertyType::Words,
                 .fallback = std::string("0"),
                 .help = "what it says beside the grip while it is off"},
    PropertyInfo{.key = "text_on",
                 .label = "Text on",
                 .type = PropertyType::Words,
                 .fallback = std::string("1"),
                 .help = "what it says beside the grip while it is on"},
    onColour(),
    PropertyInfo{.key = "slide",
                 .label = "Slide",
                 .type = PropertyType::Whole,
                 .fallback = int64_t{120},
                 .max = 2000,
                 .unit = "ms",
                 .help = "time that the grip takes from one end to the other; 0: it jumps",
                 .inRules = true},
};

constexpr FieldInfo switchFields[] = {
    GORSEFINCH_FIELD(gorse_widget_switch, words, Text),
    GORSEFINCH_FIELD(gorse_widget_switch, slide, U16, "slide"),
    GORSEFINCH_FIELD(gorse_widget_switch, reserved, Padding),
};

constexpr const char* switchLooks[] = {"switch"};

void styleSwitch(Widget& widget, bool oneBit) {
    styleControl(widget, oneBit);
    widget.properties["colour"] = opaque(oneBit ? 0xFFFFFF : 0xF2EEE4);
    widget.properties["border_width"] = int64_t{1};
    widget.properties["size"] = int64_t{std::clamp(widget.h / 2, 8, 24)};
}

}  // namespace

constexpr RecordInfo switchRecord{"gorse_widget_switch", sizeof(gorse_widget_switch), &indicatorRecord, "shown",
                                  switchFields};
static_assert(isComplete(switchRecord));

constinit const KindInfo switchKind{
    .kind = Kind::Switch,
    .key = "switch",
    .help = "turns a variable on and off",
    .group = KindGroup::Controls,
    .suffix = "switch",
    .width = 56,
    .height = 26,
    .properties = switchProperties,
    .record = &switchRecord,
    .traits = kIsTouched | kHasBox | kIsInked | kHasLabels | kIsToggled | kChanges,
    .state = {sizeof(gorse_switch_state)},
    .runtime = {&gorse_kind_switch.kind, "gorse_kind_switch.kind", "gorse_kind_switch.c", kControlSources},
    .complete =
        [](RecordBuilder& builder) {
            (void)completeControl(builder);
            gorse_widget_switch& made = builder.record().toggle;
            made.shown.limits =
                builder.keep({0, 1, static_cast<int32_t>(std::get<Colour>(builder.value("on_colour")).argb)});
            const std::string off = builder.text("text_off"), on = builder.text("text_on");
            made.words = builder.keepWords({off, on});
            builder.write(off + on);
        },
    .looks = switchLooks,
    .start =
        [](Widget& widget, bool oneBit) {
            if (widget.look.empty())
                styleSwitch(widget, oneBit);
        },
    .sample =
        [](Widget& widget, bool oneBit) {
            widget.look.clear();
            const int height = std::min(widget.h, 24);
            widget.y += (widget.h - height) / 2;
            widget.h = height;
            widget.x += (widget.w - 52) / 2;
            widget.w = 52;
            styleSwitch(widget, oneBit);
        },
    .onValue =
        [](const gorse_record& built) {
            return OnValue{built.toggle.shown.variable, 1};
        },
};

}  // namespace gorsefinch
