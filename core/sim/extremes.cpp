// SPDX-License-Identifier: GPL-3.0-or-later
#include "core/sim/extremes.h"

#include <algorithm>

#include "core/rules/project_names.h"
#include "core/scene/clipped_texts.h"
#include "core/sim/shown_screen.h"
#include "runtime/gorse_internal.h"
#include "runtime/gorse_text.h"

namespace gorsefinch {

namespace {

// The value of a variable whose text is the longest, or the shortest.
int32_t byLength(const Variable& variable, bool longest) {
    std::vector<int32_t> all{variable.min, variable.max, std::clamp(0, variable.min, variable.max)};
    if (variable.type == VariableType::Choice)
        for (int32_t i = variable.min; i <= variable.max; ++i)
            all.push_back(i);
    const auto shorter = [&](int32_t a, int32_t b) {
        return valueInWords(variable, a).size() < valueInWords(variable, b).size();
    };
    return longest ? *std::max_element(all.begin(), all.end(), shorter)
                   : *std::min_element(all.begin(), all.end(), shorter);
}

int32_t numberOf(const Variable& variable, Extreme extreme) {
    switch (extreme) {
        case Extreme::Lowest: return variable.min;
        case Extreme::Highest: return variable.max;
        default: return byLength(variable, extreme == Extreme::Longest);
    }
}

// The n has about the average width of a letter.
std::string textOf(const Variable& variable, Extreme extreme) {
    const bool empty = extreme == Extreme::Lowest || extreme == Extreme::Shortest;
    return std::string(empty ? 0 : static_cast<size_t>(variable.length), 'n');
}

// Sets how wide, or how high, the text of a widget is, and the room for it.
void measure(const gorse& run, const gorse_record& record, CutText& out) {
    const gorse_font* font = record.widget.look->font;
    const gorse_text_source text = gorse_shown_text(&run, &record.label);
    const int around = 2 * (record.widget.look->border_width + record.widget.look->padding);
    const int across = record.widget.w - around, down = record.widget.h - around;
    int widest = 0, lines = 0;
    gorse_line line{};
    bool more = true;
    for (uint16_t at = 0; more && lines < 1000; at = line.next, ++lines) {
        more = gorse_next_line(font, text, at, record.label.wrap, static_cast<gorse_coord>(across), &line) != 0;
        widest = std::max<int>(widest, line.width);
    }
    out.down = record.label.wrap != 0;
    out.needs = out.down ? lines * font->line_height : widest;
    out.room = std::max(out.down ? down : across, 0);
}

std::string bytesOf(gorse_text_source text) {
    std::string out;
    for (uint16_t at = 0; out.size() < size_t{kMaxShownText};) {
        const uint16_t from = at;
        if (gorse_next_character(text, &at) == 0)
            break;
        for (uint16_t i = from; i < at; ++i)
            out += static_cast<char>(gorse_text_byte(text, i));
    }
    return out;
}

// A text that changes and must fit into the box: see ScreenPart::longest.
bool isMeantWhole(const ScreenPart& part, size_t widget) {
    return std::any_of(part.longest.begin(), part.longest.end(),
                       [&](const LongestText& each) { return each.widget == widget; });
}

std::optional<CutText> cutReadout(const ScreenPart& part, size_t widget, const gorse_record& record) {
    const gorse_look& look = *record.widget.look;
    for (const LongestText& each : part.longest) {
        if (each.widget != widget || !look.font)
            continue;
        const CutText out{widget, each.text, widthOf(each, record, *look.font),
                          record.widget.w - 2 * (look.border_width + look.padding), false};
        if (out.needs > out.room)
            return out;
    }
    return std::nullopt;
}

}  // namespace

std::unique_ptr<Twin> extremeTwin(const BuiltSceneRef& scene, Extreme extreme) {
    auto twin = std::make_unique<Twin>(scene);
    if (extreme == Extreme::Stale)
        return twin;
    const ProjectNames names(scene->document);
    const auto& all = names.variables()->byBinding;
    const size_t numbers = scene->scene.number_count;
    for (size_t i = 0; i < all.size(); ++i) {
        const bool isTheme = scene->scene.themes && i == scene->scene.themes->number;
        if (i < numbers && !isTheme)
            gorse_set_number(twin->run(), static_cast<uint16_t>(i), numberOf(*all[i], extreme));
        else if (i >= numbers)
            gorse_set_text(twin->run(), static_cast<uint16_t>(i - numbers), textOf(*all[i], extreme).c_str());
    }
    return twin;
}

std::vector<CutText> cutTexts(const BuiltScene& scene, int screen, const Twin& values) {
    const auto at = static_cast<size_t>(screen);
    const ScreenPart& part = *scene.parts[at];
    const std::vector<gorse_record>& records = scene.tables[at]->records;
    std::vector<CutText> out;
    withShownScreen(scene, screen, &values, {}, nullptr, [&](gorse& run, PanelMemory&) {
        if (!run.scene)
            return;
        for (size_t i = 0; i < records.size(); ++i) {
            const Kind kind = part.source->widgets[i]->kind;
            if (kind == Kind::Readout) {
                if (auto cut = cutReadout(part, i, records[i]))
                    out.push_back(std::move(*cut));
                continue;
            }
            const bool writes = (kind == Kind::Text || kind == Kind::Button) && records[i].widget.capacity != 0 &&
                                records[i].widget.look->font;
            const bool shrinks = info(kind).of(records[i]).kind == &gorse_kind_text_shrink;
            if (!writes || shrinks || (!isMeantWhole(part, i) && records[i].label.wrap == 0))
                continue;
            CutText cut{i, {}, 0, 0, false};
            measure(run, records[i], cut);
            if (cut.needs <= cut.room)
                continue;
            cut.text = bytesOf(gorse_shown_text(&run, &records[i].label));
            out.push_back(std::move(cut));
        }
    });
    return out;
}

}  // namespace gorsefinch
