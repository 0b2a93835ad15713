// SPDX-License-Identifier: GPL-3.0-or-later
#include <algorithm>
#include <cstring>

#include "core/kinds/indicator.h"

namespace gorsefinch {

namespace {

constexpr const char* framesPlays[] = {"loop", "once", "to and fro"};

const PropertyInfo framesProperties[] = {
    {.key = "image",
     .label = "Image",
     .type = PropertyType::Image,
     .fallback = std::string(),
     .help = "an image with several frames",
     .required = true},
    {.key = "play",
     .label = "Plays",
     .type = PropertyType::Choice,
     .fallback = std::string("loop"),
     .help = "for ever, once, or to and fro",
     .choices = framesPlays},
    {.key = "starts",
     .label = "Starts",
     .type = PropertyType::YesNo,
     .fallback = true,
     .help = "plays as soon as its screen is entered"},
    {.key = "variable",
     .label = "Follows",
     .type = PropertyType::Variable,
     .fallback = std::string(),
     .help = "a variable whose value chooses the frame; none plays by time"},
    {.key = "from",
     .label = "First at",
     .type = PropertyType::Decimal,
     .fallback = std::string(),
     .help = "the value of the first frame; empty: the variable's minimum"},
    {.key = "to",
     .label = "Last at",
     .type = PropertyType::Decimal,
     .fallback = std::string(),
     .help = "the value of the last frame; empty: the variable's maximum"},
    {.key = "align",
     .label = "Align",
     .type = PropertyType::Choice,
     .fallback = std::string("middle"),
     .help = "horizontal alignment in the box",
     .choices = alignChoices()},
    {.key = "place",
     .label = "Place",
     .type = PropertyType::Choice,
     .fallback = std::string("middle"),
     .help = "vertical alignment in the box",
     .choices = placeChoices()},
};

constexpr FieldInfo framesFields[] = {
    GORSEFINCH_FIELD(gorse_widget_frames, animation, Animation, "image"),
    GORSEFINCH_FIELD(gorse_widget_frames, steps, Numbers),
    GORSEFINCH_FIELD(gorse_widget_frames, variable, Variable),
    GORSEFINCH_FIELD(gorse_widget_frames, align, U8, "align"),
    GORSEFINCH_FIELD(gorse_widget_frames, place, U8, "place"),
    GORSEFINCH_FIELD(gorse_widget_frames, play, U8, "play"),
    GORSEFINCH_FIELD(gorse_widget_frames, starts, U8, "starts"),
    GORSEFINCH_FIELD(gorse_widget_frames, reserved, Padding),
};

// Cuts the variable's range into as many equal parts as there are frames.
void completeFrames(RecordBuilder& builder) {
    gorse_widget_frames& frames = builder.record().frames;
    frames.variable = GORSE_NONE;
    const std::string name = builder.text("variable");
    if (!frames.animation || name.empty())
        return;
    const auto variable = builder.number(name);
    if (!variable)
        return;
    const int64_t from = decimalOf(builder, "from", variable->decimals, variable->min);
    const int64_t to = decimalOf(builder, "to", variable->decimals, variable->max), count = frames.animation->count;
    if (from >= to)
        builder.report(Severity::Error, "the last frame's value must be above the first's",
                       "Correct First at or Last at");
    std::vector<int32_t> steps;
    for (int64_t i = 1; i < count; ++i)
        steps.push_back(static_cast<int32_t>(from + ((to - from + 1) * i + count - 1) / count));
    if (steps.empty())
        steps.push_back(0);
    frames.steps = builder.keep(std::move(steps));
    frames.variable = variable->number;
}

// Frames that play by time go on where they were.
bool keepFrames(const gorse_record& was, const gorse_record& is, std::span<std::byte> bytes) {
    if (!was.frames.animation || !is.frames.animation || was.frames.steps || is.frames.steps)
        return false;
    gorse_frames_state state;
    std::memcpy(&state, bytes.data(), sizeof state);
    state.frame = std::min<uint16_t>(state.frame, static_cast<uint16_t>(is.frames.animation->count - 1));
    std::memcpy(bytes.data(), &state, sizeof state);
    return true;
}

}  // namespace

constexpr RecordInfo framesRecord{"gorse_widget_frames", sizeof(gorse_widget_frames), &widgetRecord, "widget",
                                  framesFields};
static_assert(isComplete(framesRecord));

constinit const KindInfo framesKind{
    .kind = Kind::Frames,
    .key = "frames",
    .help = "an animated picture, or one whose frame follows a variable",
    .group = KindGroup::Words,
    .suffix = "frames",
    .width = 48,
    .height = 48,
    .properties = framesProperties,
    .record = &framesRecord,
    .traits = kIsInked | kIsPadded | kPlays | kHasBox,
    .state = {sizeof(gorse_frames_state), keepFrames},
    .runtime = {&gorse_kind_frames, "gorse_kind_frames", "gorse_kind_frames.c"},
    .complete = completeFrames,
};

}  // namespace gorsefinch
