// SPDX-License-Identifier: GPL-3.0-or-later
#include <array>
#include <limits>

#include "core/kinds/indicator.h"

namespace gorsefinch {

namespace {

constexpr const char* lampShapes[] = {"round", "square"};

const std::array lampProperties{
    indicatorValue(),
    PropertyInfo{.key = "shape",
                 .label = "Shape",
                 .type = PropertyType::Choice,
                 .fallback = std::string("round"),
                 .help = "its outline",
                 .choices = lampShapes,
                 .inRules = true},
    indicatorZones(),
    PropertyInfo{.key = "blink",
                 .label = "Blink",
                 .type = PropertyType::Whole,
                 .fallback = int64_t{0},
                 .max = 60000,
                 .unit = "ms",
                 .help = "how long it is on, and then off; 0 shines steadily",
                 .inRules = true},
};

constexpr FieldInfo lampFields[] = {
    GORSEFINCH_FIELD(gorse_widget_lamp, blink, U16, "blink"),
    GORSEFINCH_FIELD(gorse_widget_lamp, zone_count, U8),
    GORSEFINCH_FIELD(gorse_widget_lamp, shape, U8, "shape"),
};

constexpr const char* lampLooks[] = {"lamp"};

void styleLamp(Widget& widget, bool oneBit) {
    widget.properties["fill"] = opaque(oneBit ? 0x000000 : 0x2B3436);
    widget.properties["colour"] = opaque(oneBit ? 0xFFFFFF : 0x4F7B58);
    widget.properties["border"] = opaque(oneBit ? 0xFFFFFF : 0x0E1110);
    widget.properties["border_width"] = int64_t{oneBit ? 1 : 2};
}

}  // namespace

constexpr RecordInfo lampRecord{"gorse_widget_lamp", sizeof(gorse_widget_lamp), &indicatorRecord, "shown", lampFields};
static_assert(isComplete(lampRecord));

constinit const KindInfo lampKind{
    .kind = Kind::Lamp,
    .key = "lamp",
    .help = "a light that is on by a value, or takes the colour of its zone",
    .group = KindGroup::Indicators,
    .suffix = "lamp",
    .width = 24,
    .height = 24,
    .properties = lampProperties,
    .record = &lampRecord,
    .traits = kIsInked | kHasBox,
    .state = {1},
    .runtime = {&gorse_kind_lamp, "gorse_kind_lamp", "gorse_kind_lamp.c", kDialSources, nullptr, {}, true},
    .complete =
        [](RecordBuilder& builder) {
            const auto variable = completeVariable(builder);
            gorse_widget_lamp& lamp = builder.record().lamp;
            std::vector<int32_t> numbers{0, 1};
            const std::vector<int32_t> zones =
                zoneNumbers(builder, "zones", variable ? variable->decimals : 0, std::numeric_limits<int32_t>::min(),
                            std::numeric_limits<int32_t>::max());
            lamp.zone_count = static_cast<uint8_t>(zones.size() / GORSE_ZONE_NUMBERS);
            numbers.insert(numbers.end(), zones.begin(), zones.end());
            lamp.shown.limits = builder.keep(std::move(numbers));
        },
    .looks = lampLooks,
    .start =
        [](Widget& widget, bool oneBit) {
            if (widget.look.empty())
                styleLamp(widget, oneBit);
        },
    .sample =
        [](Widget& widget, bool oneBit) {
            widget.look.clear();
            styleLamp(widget, oneBit);
            // Without a variable the value is 0, which is lit here.
            widget.properties["zones"] = ZoneList{{"", "", opaque(oneBit ? 0xFFFFFF : 0xE3B505)}};
            const int side = std::min(widget.h, 24);
            widget.x += (widget.w - side) / 2;
            widget.y += (widget.h - side) / 2;
            widget.w = widget.h = side;
        },
};

}  // namespace gorsefinch
