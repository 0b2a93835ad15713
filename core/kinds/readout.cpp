// SPDX-License-Identifier: GPL-3.0-or-later
#include <algorithm>
#include <array>

#include "core/base/decimal.h"
#include "core/kinds/indicator.h"

namespace gorsefinch {

namespace {

constexpr const char* readoutSigns[] = {"minus", "always"};
constexpr const char* readoutLeads[] = {"none", "zeros", "spaces"};
constexpr const char* readoutMarks[] = {"none", "space", "comma", "apostrophe"};
constexpr char markCharacters[] = {0, ' ', ',', '\''};
constexpr const char* kNumberSection = "Number";
constexpr const char* kUnitSection = "Unit";

PropertyInfo readoutWords(const char* key, const char* label, const char* help) {
    return {.key = key, .label = label, .type = PropertyType::Words, .fallback = std::string(), .help = help};
}

PropertyInfo readoutChoice(const char* key, const char* label, std::span<const char* const> choices, const char* help) {
    return {.key = key,
            .label = label,
            .type = PropertyType::Choice,
            .fallback = std::string(choices.front()),
            .help = help,
            .section = kNumberSection,
            .choices = choices};
}

const std::array readoutProperties{
    indicatorValue(),
    PropertyInfo{.key = "align",
                 .label = "Align",
                 .type = PropertyType::Choice,
                 .fallback = std::string("right"),
                 .help = "of number and unit across",
                 .choices = alignChoices()},
    PropertyInfo{.key = "place",
                 .label = "Place",
                 .type = PropertyType::Choice,
                 .fallback = std::string("middle"),
                 .help = "of the number between top and bottom",
                 .choices = placeChoices()},
    PropertyInfo{.key = "decimals",
                 .label = "Decimals",
                 .type = PropertyType::Decimal,
                 .fallback = std::string(),
                 .help = "behind the point, rounded; empty: those of the value",
                 .hint = "as the value",
                 .section = kNumberSection},
    PropertyInfo{.key = "digits",
                 .label = "Digits",
                 .type = PropertyType::Whole,
                 .fallback = int64_t{1},
                 .min = 1,
                 .max = 10,
                 .help = "before the point at least, with what leads them",
                 .section = kNumberSection},
    readoutChoice("lead", "Lead", readoutLeads, "what stands before a number with fewer digits"),
    readoutChoice("sign", "Sign", readoutSigns, "of negative numbers, or of positive ones too"),
    readoutChoice("thousands", "Thousands", readoutMarks, "what is between groups of three digits"),
    PropertyInfo{.key = "unit",
                 .label = "Unit",
                 .type = PropertyType::Words,
                 .fallback = std::string(),
                 .help = "behind the number",
                 .section = kUnitSection},
    PropertyInfo{.key = "unit_size",
                 .label = "Size",
                 .type = PropertyType::Whole,
                 .fallback = int64_t{0},
                 .max = kMaxFontSize,
                 .unit = "px",
                 .help = "of the unit, on the line of the number; 0 for that of the number",
                 .section = kUnitSection},
    PropertyInfo{.key = "unit_gap",
                 .label = "Gap",
                 .type = PropertyType::Whole,
                 .fallback = int64_t{3},
                 .max = 64,
                 .unit = "px",
                 .help = "between number and unit",
                 .section = kUnitSection},
    PropertyInfo{.key = "unit_colour",
                 .label = "Colour",
                 .type = PropertyType::Colour,
                 .fallback = Colour{0},
                 .help = "of the unit; none for that of the number",
                 .section = kUnitSection},
    indicatorMin(),
    indicatorMax(),
    readoutWords("below", "Below", "words instead of a value under the minimum; empty: the minimum is shown"),
    readoutWords("above", "Above", "words instead of a value over the maximum; empty: the maximum is shown"),
    PropertyInfo{
        .key = "stale_after",
        .label = "Stale after",
        .type = PropertyType::Whole,
        .fallback = int64_t{0},
        .max = 86400000,
        .unit = "ms",
        .help = "without news of its variable from the firmware it takes the state \"wrong\" of its look; 0: never"},
};

constexpr FieldInfo readoutFields[] = {
    GORSEFINCH_FIELD(gorse_widget_readout, words, Text),
    GORSEFINCH_FIELD(gorse_widget_readout, unit_font, Font),
    GORSEFINCH_FIELD(gorse_widget_readout, form, Shorts),
};

constexpr const char* readoutLooks[] = {"readout"};
constexpr const char* readoutSources[] = {"gorse_readout.h", "gorse_indicator.c"};
constexpr const char* staleSources[] = {"gorse_kind_readout.c", "gorse_readout.h", "gorse_indicator.c"};
// Those that never are stale do without the code for it.
constexpr RuntimeKind otherReadouts[] = {{&gorse_kind_readout_stale,
                                          "gorse_kind_readout_stale",
                                          "gorse_kind_readout_stale.c",
                                          staleSources,
                                          nullptr,
                                          {sizeof(gorse_stale_state)}}};

int numberOfChoice(RecordBuilder& builder, const char* key, std::span<const char* const> choices) {
    const std::string chosen = builder.text(key);
    return static_cast<int>(std::find(choices.begin(), choices.end(), chosen) - choices.begin());
}

// What the runtime reads, but for the unit's place.
std::vector<int16_t> formOf(RecordBuilder& builder, int valueDecimals) {
    std::vector<int16_t> form(GORSE_READOUT_NUMBERS);
    const auto set = [&](int at, int value) { form[static_cast<size_t>(at)] = static_cast<int16_t>(value); };
    const auto whole = [&](const char* key) { return static_cast<int>(std::get<int64_t>(builder.value(key))); };
    const int shown = std::clamp(decimalOf(builder, "decimals", 0, valueDecimals), 0, 6);
    const int real = std::min(shown, valueDecimals);
    set(GORSE_READOUT_ALIGN, numberOfChoice(builder, "align", alignChoices()));
    set(GORSE_READOUT_PLACE, numberOfChoice(builder, "place", placeChoices()));
    set(GORSE_READOUT_DIGITS, whole("digits"));
    set(GORSE_READOUT_LEAD, numberOfChoice(builder, "lead", readoutLeads));
    set(GORSE_READOUT_THOUSANDS, markCharacters[numberOfChoice(builder, "thousands", readoutMarks)]);
    set(GORSE_READOUT_SIGN, numberOfChoice(builder, "sign", readoutSigns));
    set(GORSE_READOUT_COARSER, valueDecimals - real);
    set(GORSE_READOUT_DECIMALS, real);
    set(GORSE_READOUT_ZEROS, shown - real);
    set(GORSE_READOUT_GAP, whole("unit_gap"));
    return form;
}

// The longest of the numbers from min to max.
std::string longestNumber(const std::vector<int16_t>& form, int32_t min, int32_t max) {
    std::string longest;
    for (const int32_t limit : {min, max}) {
        const int behind = form[GORSE_READOUT_DECIMALS] + form[GORSE_READOUT_COARSER];
        std::string number = decimalText(std::abs(int64_t{limit}), behind);
        number.resize(std::min(number.find('.'), number.size()));
        const auto least =
            form[GORSE_READOUT_LEAD] == GORSE_LEAD_NONE ? 1 : static_cast<size_t>(form[GORSE_READOUT_DIGITS]);
        number.insert(0, least > number.size() ? least - number.size() : 0, '0');
        if (form[GORSE_READOUT_THOUSANDS] != 0)
            for (size_t at = number.size(); at > 3;)
                number.insert(at -= 3, 1, static_cast<char>(form[GORSE_READOUT_THOUSANDS]));
        if (limit < 0 || form[GORSE_READOUT_SIGN] != 0)
            number.insert(0, 1, limit < 0 ? '-' : '+');
        if (const int shown = form[GORSE_READOUT_DECIMALS] + form[GORSE_READOUT_ZEROS]; shown > 0)
            number += "." + std::string(static_cast<size_t>(shown), '0');
        longest = number.size() > longest.size() ? number : longest;
    }
    return longest;
}

std::string numberCharacters(const std::vector<int16_t>& form) {
    std::string out = "-+.0123456789";
    if (form[GORSE_READOUT_THOUSANDS] != 0)
        out += static_cast<char>(form[GORSE_READOUT_THOUSANDS]);
    return form[GORSE_READOUT_LEAD] == GORSE_LEAD_SPACES ? out + " " : out;
}

// The firmware sets what it shows.
bool canBeStale(const gorse_widget_readout& readout) { return readout.shown.variable < GORSE_VALUE_IN_SLOT; }

Keeps keptNews(const gorse_record& built) {
    const bool stale = info(Kind::Readout).of(built).kind == &gorse_kind_readout_stale;
    return {stale ? 4 : 0, stale};
}

void completeReadout(RecordBuilder& builder) {
    const auto variable = completeIndicator(builder);
    gorse_widget_readout& readout = builder.record().readout;
    std::vector<int16_t> form = formOf(builder, variable ? variable->decimals : 0);
    const int32_t min = readout.shown.limits[0], max = readout.shown.limits[1];
    std::vector<int32_t> limits{min, max, static_cast<int32_t>(std::get<Colour>(builder.value("unit_colour")).argb)};
    if (const auto after = static_cast<int32_t>(std::get<int64_t>(builder.value("stale_after"))); after != 0) {
        limits.push_back(after);
        if (canBeStale(readout))
            readout.shown.widget.kind = &gorse_kind_readout_stale;
        else
            builder.report(Severity::Warning, "it is never stale, as its value is no variable",
                           "Choose a variable as its value, or 0 for Stale after");
    }
    readout.shown.limits = builder.keep(std::move(limits));
    const std::string unit = builder.text("unit"), below = builder.text("below"), above = builder.text("above");
    readout.words = builder.keepWords({unit, below, above});
    builder.write(numberCharacters(form));
    builder.write(below + above);
    builder.canShow(longestNumber(form, min, max), unit);
    for (const std::string& words : {below, above})
        if (!words.empty())
            builder.canShow(words, {});
    const int64_t size = std::get<int64_t>(builder.value("unit_size"));
    const RecordBuilder::OtherFont font = builder.writeIn(
        static_cast<int>(size == 0 ? std::get<int64_t>(builder.value("size")) : std::max<int64_t>(size, kMinFontSize)),
        unit);
    readout.unit_font = font.font;
    form[GORSE_READOUT_UNIT_DROP] = static_cast<int16_t>(font.drop);
    readout.form = builder.keepShorts(std::move(form));
    builder.useScratch(GORSE_READOUT_BYTES);
}

void styleReadout(Widget& widget, bool oneBit) {
    widget.properties["size"] = int64_t{std::clamp(widget.h * 3 / 4, 8, 48)};
    widget.properties["unit_size"] = int64_t{std::clamp(widget.h * 2 / 5, 8, 24)};
    widget.properties["colour"] = opaque(oneBit ? 0xFFFFFF : 0xF2EEE4);
    if (!oneBit)
        widget.properties["unit_colour"] = opaque(0x93A099);
}

}  // namespace

constexpr RecordInfo readoutRecord{"gorse_widget_readout", sizeof(gorse_widget_readout), &indicatorRecord, "shown",
                                   readoutFields};
static_assert(isComplete(readoutRecord));

constinit const KindInfo readoutKind{
    .kind = Kind::Readout,
    .key = "readout",
    .help = "a number with its unit, for reading from afar",
    .group = KindGroup::Words,
    .suffix = "readout",
    .width = 96,
    .height = 32,
    .properties = readoutProperties,
    .record = &readoutRecord,
    .traits = kIsInked | kHasBox | kIsPadded | kHasLabels | kCanBeWrong | kHears,
    .state = {4},
    .runtime = {&gorse_kind_readout, "gorse_kind_readout", "gorse_kind_readout.c", readoutSources},
    .otherRuntimes = otherReadouts,
    .complete = completeReadout,
    .keeps = keptNews,
    .looks = readoutLooks,
    .start =
        [](Widget& widget, bool oneBit) {
            if (widget.look.empty())
                styleReadout(widget, oneBit);
        },
    .sample =
        [](Widget& widget, bool oneBit) {
            widget.look.clear();
            styleReadout(widget, oneBit);
            widget.expressions["value"] = "17.4";
            widget.properties["min"] = std::string("0");
            widget.properties["max"] = std::string("99");
            widget.properties["align"] = std::string("middle");
            widget.properties["size"] = int64_t{oneBit ? 12 : 20};
            widget.properties["unit"] = std::string("°C");
            widget.properties["unit_size"] = int64_t{oneBit ? 10 : 11};
        },
};

}  // namespace gorsefinch
