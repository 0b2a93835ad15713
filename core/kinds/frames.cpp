// SPDX-License-Identifier: GPL-3.0-or-later
#include <algorithm>
#include <cstring>

#include "core/kinds/indicator.h"
#include "core/kinds/pictures.h"

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
    {.key = "first",
     .label = "First frame",
     .type = PropertyType::Whole,
     .fallback = int64_t{1},
     .min = 1,
     .max = 255,
     .help = "of the part that is shown",
     .inRules = true},
    {.key = "last",
     .label = "Last frame",
     .type = PropertyType::Whole,
     .fallback = int64_t{0},
     .max = 255,
     .help = "of the part that is shown; 0 for the image's last",
     .inRules = true},
    mirrorProperty(),
    {.key = "align",
     .label = "Align",
     .type = PropertyType::Choice,
     .fallback = std::string("middle"),
     .help = "horizontal alignment in the box",
     .choices = alignChoices(),
     .inRules = true},
    {.key = "place",
     .label = "Place",
     .type = PropertyType::Choice,
     .fallback = std::string("middle"),
     .help = "vertical alignment in the box",
     .choices = placeChoices(),
     .inRules = true},
    paletteEntry(),
    paletteColour(),
};

constexpr FieldInfo framesFields[] = {
    GORSEFINCH_FIELD(gorse_widget_frames, animation, Animation, "image"),
    GORSEFINCH_FIELD(gorse_widget_frames, steps, Numbers),
    GORSEFINCH_FIELD(gorse_widget_frames, variable, Variable),
    GORSEFINCH_FIELD(gorse_widget_frames, align, U8, "align"),
    GORSEFINCH_FIELD(gorse_widget_frames, place, U8, "place"),
    GORSEFINCH_FIELD(gorse_widget_frames, play, U8, "play"),
    GORSEFINCH_FIELD(gorse_widget_frames, mirror, U8, "mirror"),
    GORSEFINCH_FIELD(gorse_widget_frames, first, U8, "first"),
    GORSEFINCH_FIELD(gorse_widget_frames, last, U8, "last"),
    GORSEFINCH_FIELD(gorse_widget_frames, entry, I16, "palette_entry"),
    GORSEFINCH_FIELD(gorse_widget_frames, reserved, Padding),
    GORSEFINCH_FIELD(gorse_widget_frames, exchanged, Colour, "palette_colour"),
};

constexpr const char* framesSources[] = {"gorse_frames.c"};
constexpr const char* mirroredSources[] = {"gorse_frames.c", "gorse_image_part.c", "gorse_image_read.c"};
constexpr RuntimeKind plainFrames{&gorse_kind_frames, "gorse_kind_frames", "gorse_kind_frames.c", framesSources};
constexpr const char* followingSources[] = {"gorse_frames.c", "gorse_frames_following.c", "gorse_kind_frames.c"};
constexpr const char* followingMirroredSources[] = {"gorse_frames.c", "gorse_frames_following.c",
                                                    "gorse_kind_frames_mirrored.c", "gorse_image_part.c",
                                                    "gorse_image_read.c"};
// Frames that are never mirrored, and those that play by time, do without the code for the others.
constexpr RuntimeKind otherFrames[] = {
    {&gorse_kind_frames_mirrored, "gorse_kind_frames_mirrored", "gorse_kind_frames_mirrored.c", mirroredSources},
    {&gorse_kind_frames_following, "gorse_kind_frames_following", "gorse_kind_frames_following.c", followingSources},
    {&gorse_kind_frames_following_mirrored, "gorse_kind_frames_following_mirrored",
     "gorse_kind_frames_following_mirrored.c", followingMirroredSources}};

// Cuts the variable's range into as many equal parts as there are frames in the part that is shown.
void completeFrames(RecordBuilder& builder) {
    gorse_widget_frames& frames = builder.record().frames;
    const bool mirrored = frames.mirror != GORSE_MIRROR_NONE || builder.changes("mirror");
    const std::string name = builder.text("variable");
    std::optional<NumberVariable> variable;
    if (frames.animation && !name.empty())
        variable = builder.number(name);
    const bool follows = variable.has_value();
    if (mirrored)
        frames.widget.kind = follows ? &gorse_kind_frames_following_mirrored : &gorse_kind_frames_mirrored;
    else if (follows)
        frames.widget.kind = &gorse_kind_frames_following;
    exchangeColour(builder, frames.animation ? frames.animation->frames[0] : nullptr, gorse_draw_recoloured_frames);
    if (std::get<bool>(builder.value("starts")))
        frames.play |= GORSE_PLAY_STARTS;
    frames.variable = GORSE_NONE;
    if (frames.animation && (frames.first > frames.animation->count || frames.last > frames.animation->count))
        builder.report(Severity::Warning,
                       "the image has " + std::to_string(frames.animation->count) + " frames, this shows others",
                       "Correct First frame or Last frame");
    if (frames.last != 0 && frames.last < frames.first)
        builder.report(Severity::Warning, "the last frame is before the first", "Correct First frame or Last frame");
    if (!variable)
        return;
    const int64_t from = decimalOf(builder, "from", variable->decimals, variable->min);
    const int64_t to = decimalOf(builder, "to", variable->decimals, variable->max);
    const bool isFixed = !builder.changes("first") && !builder.changes("last");
    if (!isFixed)
        builder.report(Severity::Error, "rules change which part is shown of frames that follow a variable",
                       "Clear Follows, or leave first and last as they are");
    const int64_t end = !isFixed || frames.last == 0 ? frames.animation->count
                                                     : std::min<uint16_t>(frames.last, frames.animation->count);
    const int64_t count = isFixed ? std::max<int64_t>(1, end - frames.first + 1) : end;
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
    .runtime = plainFrames,
    .otherRuntimes = otherFrames,
    .complete = completeFrames,
};

}  // namespace gorsefinch
