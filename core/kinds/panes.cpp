// SPDX-License-Identifier: GPL-3.0-or-later
#include "core/kinds/panes.h"

#include "core/kinds/runtime_records.h"

namespace gorsefinch {

namespace {

constexpr const char* ways[] = {"across", "down"};
// In the order of GORSE_EDGE_...
constexpr const char* edges[] = {"left", "top", "right", "bottom"};

PropertyInfo slideTime(const char* help) {
    return {.key = "slide",
            .label = "Slides",
            .type = PropertyType::Whole,
            .fallback = int64_t{250},
            .max = 10000,
            .unit = "ms",
            .help = help,
            .inRules = true};
}

const std::array pagerProperties{
    PropertyInfo{.key = "page",
                 .label = "Page",
                 .type = PropertyType::Variable,
                 .fallback = std::string(),
                 .help = "the variable with the page that is shown, from 0 on, which a finger sets too",
                 .sets = true},
    PropertyInfo{.key = "direction",
                 .label = "Direction",
                 .type = PropertyType::Choice,
                 .fallback = std::string("across"),
                 .help = "where the next page lies: to the right, or below",
                 .choices = ways},
    PropertyInfo{.key = "endless",
                 .label = "Endless",
                 .type = PropertyType::YesNo,
                 .fallback = false,
                 .help = "the first page comes behind the last one"},
    PropertyInfo{.key = "dots",
                 .label = "Marks",
                 .type = PropertyType::YesNo,
                 .fallback = true,
                 .help = "marks at its edge show how many pages there are, and which one is shown",
                 .inRules = true},
    slideTime("how long a change of pages takes"),
};

constexpr FieldInfo pagerFields[] = {
    GORSEFINCH_FIELD(gorse_widget_pager, variable, Variable, "page"),
    GORSEFINCH_FIELD(gorse_widget_pager, slide, U16, "slide"),
    GORSEFINCH_FIELD(gorse_widget_pager, dots, U8, "dots"),
    GORSEFINCH_FIELD(gorse_widget_pager, reserved, Padding),
};

const std::array drawerProperties{
    PropertyInfo{.key = "edge",
                 .label = "Edge",
                 .type = PropertyType::Choice,
                 .fallback = std::string("left"),
                 .help = "the edge of the panel, or of what holds it, that it comes in from",
                 .choices = edges},
    PropertyInfo{.key = "open",
                 .label = "Open",
                 .type = PropertyType::Variable,
                 .fallback = std::string(),
                 .help = "the variable that is yes while it is open, which a finger sets too",
                 .hint = "by open and close",
                 .sets = true},
    PropertyInfo{.key = "pull",
                 .label = "Pull",
                 .type = PropertyType::Whole,
                 .fallback = int64_t{12},
                 .max = 255,
                 .unit = "px",
                 .help = "so far from the edge on a finger pulls it in; 0: no finger does",
                 .inRules = true},
    PropertyInfo{.key = "shade",
                 .label = "Shade",
                 .type = PropertyType::Whole,
                 .fallback = int64_t{120},
                 .max = 255,
                 .help = "how dark what is below it becomes, which a touch then closes it on; 0: that stays as it is, "
                         "and open to touch",
                 .inRules = true},
    slideTime("how long it takes to open or to close"),
};

constexpr FieldInfo drawerFields[] = {
    GORSEFINCH_FIELD(gorse_widget_drawer, variable, Variable, "open"),
    GORSEFINCH_FIELD(gorse_widget_drawer, slide, U16, "slide"),
    GORSEFINCH_FIELD(gorse_widget_drawer, edge, U8, "edge"),
    GORSEFINCH_FIELD(gorse_widget_drawer, pull, U8, "pull"),
    GORSEFINCH_FIELD(gorse_widget_drawer, shade, U8, "shade"),
    GORSEFINCH_FIELD(gorse_widget_drawer, reserved, Padding),
};

std::string wordOf(const Widget& widget, const char* key, const char* otherwise) {
    const auto found = widget.properties.find(key);
    const auto* word = found == widget.properties.end() ? nullptr : std::get_if<std::string>(&found->second);
    return word ? *word : otherwise;
}

bool isYes(const Widget& widget, const char* key) {
    const auto found = widget.properties.find(key);
    const auto* yes = found == widget.properties.end() ? nullptr : std::get_if<bool>(&found->second);
    return yes && *yes;
}

// What it remembers in pixels still holds.
bool samePlace(const gorse_record& was, const gorse_record& is) {
    const gorse_widget &a = was.widget, &b = is.widget;
    return a.x == b.x && a.y == b.y && a.w == b.w && a.h == b.h && was.group.scroll == is.group.scroll;
}

void styleDrawer(Widget& widget, bool oneBit) {
    widget.properties["fill"] = opaque(oneBit ? 0x000000 : 0x1B2123);
    widget.properties["border"] = opaque(oneBit ? 0xFFFFFF : 0x5B6660);
    widget.properties["border_width"] = int64_t{1};
}

}  // namespace

bool goesDown(const Widget& pager) { return wordOf(pager, "direction", "across") == "down"; }

uint8_t paneBits(const Widget& widget) {
    if (widget.kind == Kind::Pager)
        return static_cast<uint8_t>(GORSE_SCROLL_PAGES | (goesDown(widget) ? GORSE_SCROLL_DOWN : GORSE_SCROLL_ACROSS) |
                                    (isYes(widget, "endless") ? GORSE_SCROLL_ROUND : 0));
    if (widget.kind != Kind::Drawer)
        return 0;
    const std::string edge = wordOf(widget, "edge", "left");
    return static_cast<uint8_t>(GORSE_SCROLL_DRAWER |
                                (edge == "top" || edge == "bottom" ? GORSE_SCROLL_DOWN : GORSE_SCROLL_ACROSS));
}

constexpr RecordInfo pagerRecord{"gorse_widget_pager", sizeof(gorse_widget_pager), &groupRecord, "group", pagerFields};
static_assert(isComplete(pagerRecord));
constexpr RecordInfo drawerRecord{"gorse_widget_drawer", sizeof(gorse_widget_drawer), &groupRecord, "group",
                                  drawerFields};
static_assert(isComplete(drawerRecord));

constinit const KindInfo pagerKind{
    .kind = Kind::Pager,
    .key = "pager",
    .help = "pages that a finger turns: what it holds, each as large as it is",
    .group = KindGroup::Containers,
    .suffix = "pager",
    .width = 160,
    .height = 100,
    .properties = pagerProperties,
    .record = &pagerRecord,
    .traits = kHasBox | kHolds | kChanges | kIsInked,
    .state = {sizeof(gorse_pager_state),
              [](const gorse_record& was, const gorse_record& is, std::span<std::byte>) { return samePlace(was, is); }},
    .runtime = {&gorse_kind_pager, "gorse_kind_pager", "gorse_kind_pager.c"},
    .start =
        [](Widget& widget, bool) {
            if (widget.look.empty())
                widget.properties["colour"] = opaque(kGripColour);
        },
    .sample =
        [](Widget& widget, bool oneBit) {
            widget.look.clear();
            widget.properties["border_width"] = int64_t{1};
            widget.properties["border"] = opaque(oneBit ? 0xffffff : 0x5B6660);
            widget.properties["colour"] = opaque(oneBit ? 0xffffff : kGripColour);
        },
};

constinit const KindInfo drawerKind{
    .kind = Kind::Drawer,
    .key = "drawer",
    .help = "a box with widgets that comes in from an edge",
    .group = KindGroup::Containers,
    .suffix = "drawer",
    .width = 120,
    .height = 160,
    .properties = drawerProperties,
    .record = &drawerRecord,
    .traits = kHasBox | kHolds | kOpens,
    .state = {sizeof(gorse_drawer_state),
              [](const gorse_record& was, const gorse_record& is, std::span<std::byte>) {
                  return samePlace(was, is) && was.drawer.edge == is.drawer.edge;
              }},
    .runtime = {&gorse_kind_drawer, "gorse_kind_drawer", "gorse_kind_drawer.c"},
    .start =
        [](Widget& widget, bool oneBit) {
            if (widget.look.empty())
                styleDrawer(widget, oneBit);
        },
    .sample =
        [](Widget& widget, bool oneBit) {
            widget.look.clear();
            styleDrawer(widget, oneBit);
            widget.w = widget.w * 3 / 5;
        },
};

}  // namespace gorsefinch
