// SPDX-License-Identifier: GPL-3.0-or-later
#include <algorithm>
#include <array>

#include "core/base/decimal.h"
#include "core/kinds/control.h"

namespace gorsefinch {

namespace {

const std::array stepperProperties{
    controlValue(), indicatorMin(), indicatorMax(), controlStep(), repeatAfter(400), repeatEvery(),
};

constexpr FieldInfo stepperFields[] = {
    GORSEFINCH_FIELD(gorse_widget_stepper, repeat_after, U16, "repeat_after"),
    GORSEFINCH_FIELD(gorse_widget_stepper, repeat_every, U16, "repeat_every"),
};

constexpr const char* stepperLooks[] = {"stepper", "button"};

void styleStepper(Widget& widget, bool oneBit) {
    styleControl(widget, oneBit);
    widget.properties["fill"] = opaque(oneBit ? 0x000000 : 0x2B3436);
    widget.properties["colour"] = opaque(oneBit ? 0xFFFFFF : 0xF2EEE4);
    widget.properties["size"] = int64_t{std::clamp(widget.h / 2 + 2, 8, 32)};
}

}  // namespace

constexpr RecordInfo stepperRecord{"gorse_widget_stepper", sizeof(gorse_widget_stepper), &indicatorRecord, "shown",
                                   stepperFields};
static_assert(isComplete(stepperRecord));

constinit const KindInfo stepperKind{
    .kind = Kind::Stepper,
    .key = "stepper",
    .help = "a number between minus and plus",
    .group = KindGroup::Controls,
    .suffix = "stepper",
    .width = 120,
    .height = 28,
    .properties = stepperProperties,
    .record = &stepperRecord,
    .traits = kIsTouched | kHasBox | kIsInked | kHasLabels | kChanges | kRepeats,
    .state = {4},
    .runtime = {&gorse_kind_stepper.kind, "gorse_kind_stepper.kind", "gorse_kind_stepper.c", kControlSources},
    .complete =
        [](RecordBuilder& builder) {
            const auto variable = completeControl(builder);
            const int decimals = variable ? variable->decimals : 0;
            std::vector<int32_t> limits = rangeOf(builder, variable);
            limits.push_back(stepOf(builder, decimals));
            limits.push_back(decimals);
            writeValues(builder, limits[0], decimals);
            const gorse_widget& widget = builder.record().widget;
            const int ends = 2 * std::min<int>(widget.h, widget.w / 3);
            for (const int32_t limit : {limits[0], limits[1]})
                builder.canShow(decimalText(limit, decimals), {}, ends);
            builder.record().indicator.limits = builder.keep(std::move(limits));
        },
    .looks = stepperLooks,
    .start =
        [](Widget& widget, bool oneBit) {
            if (widget.look.empty())
                styleStepper(widget, oneBit);
        },
    .sample =
        [](Widget& widget, bool oneBit) {
            widget.look.clear();
            widget.properties["min"] = std::string("7");
            const int height = std::min(widget.h, 24);
            widget.y += (widget.h - height) / 2;
            widget.h = height;
            styleStepper(widget, oneBit);
        },
};

}  // namespace gorsefinch
