// SPDX-License-Identifier: GPL-3.0-or-later
#include "core/kinds/kinds.h"
#include "core/kinds/runtime_records.h"

namespace gorsefinch {

namespace {

constexpr const char* flows[] = {"none", "row", "column"};
// As the bits of GORSE_SCROLL_...
constexpr const char* scrolls[] = {"none", "across", "down", "both"};

const PropertyInfo groupProperties[] = {
    {.key = "clip",
     .label = "Clip",
     .type = PropertyType::YesNo,
     .fallback = false,
     .help = "what it holds shows in its box only",
     .inRules = true},
    {.key = "flow",
     .label = "Flow",
     .type = PropertyType::Choice,
     .fallback = std::string("none"),
     .help = "places what it holds one behind the other; what is hidden takes no place",
     .choices = flows},
    {.key = "gap",
     .label = "Gap",
     .type = PropertyType::Whole,
     .fallback = int64_t{0},
     .max = 256,
     .unit = "px",
     .help = "between what flows, and between its lines"},
    {.key = "wrap",
     .label = "Wrap",
     .type = PropertyType::YesNo,
     .fallback = false,
     .help = "what has no room in the row or column begins another one"},
    {.key = "scroll",
     .label = "Scroll",
     .type = PropertyType::Choice,
     .fallback = std::string("none"),
     .help = "ways in which a finger moves what it holds; it is clipped then",
     .choices = scrolls},
    {.key = "pan_x",
     .label = "Pan",
     .type = PropertyType::Whole,
     .fallback = int64_t{0},
     .min = -4096,
     .max = 4096,
     .unit = "px",
     .help = "what it holds is moved so far to the left",
     .inRules = true},
    {.key = "pan_y",
     .label = "",
     .type = PropertyType::Whole,
     .fallback = int64_t{0},
     .min = -4096,
     .max = 4096,
     .unit = "px",
     .help = "what it holds is moved so far up",
     .inRules = true},
};

}  // namespace

constinit const KindInfo groupKind{
    .kind = Kind::Group,
    .key = "group",
    .help = "a box that holds widgets, which move, hide and fade with it",
    .group = KindGroup::Containers,
    .suffix = "group",
    .width = 120,
    .height = 80,
    .properties = groupProperties,
    .record = &groupRecord,
    .traits = kHasBox | kHolds | kScrolls,
    .runtime = {&gorse_kind_group, "gorse_kind_group", "gorse_kind_group.c"},
    .sample =
        [](Widget& widget, bool oneBit) {
            widget.look.clear();
            widget.properties["border_width"] = int64_t{1};
            widget.properties["border"] = opaque(oneBit ? 0xffffff : 0x5B6660);
        },
};

}  // namespace gorsefinch
