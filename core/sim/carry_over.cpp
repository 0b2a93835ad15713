// SPDX-License-Identifier: GPL-3.0-or-later
#include "core/sim/carry_over.h"

#include "core/sim/carry_motions.h"

#include <algorithm>
#include <cassert>
#include <cstring>
#include <map>
#include <numeric>
#include <optional>
#include <span>
#include <tuple>
#include <utility>

#include "core/sim/carry_variables.h"
#include "core/sim/scene_port.h"
#include "runtime/gorse_focus.h"
#include "runtime/gorse_levels.h"
#include "runtime/gorse_themes.h"

namespace gorsefinch {

namespace {

// The value of a slot under the new scene's numbers; nothing if it has its initial value. Texts are numbered by
// the rules: the same words may have another number now.
std::optional<int32_t> slotValue(const BuiltScene& before, const ScreenPart& old, size_t slot, int32_t value,
                                 const BuiltScene& now) {
    if (value == old.slots[slot].initial)
        return std::nullopt;
    if (old.slotInfos[slot].property->type != PropertyType::Text)
        return value;
    const auto& oldWords = before.rules->stringWords;
    const auto& newWords = now.rules->stringWords;
    if (static_cast<size_t>(value) >= oldWords.size())
        return std::nullopt;
    const auto found = std::find(newWords.begin(), newWords.end(), oldWords[static_cast<size_t>(value)]);
    return found == newWords.end() ? std::nullopt : std::optional(static_cast<int32_t>(found - newWords.begin()));
}

// The parts of the set of colours that is shown.
const std::vector<std::shared_ptr<const ScreenPart>>& shownParts(const BuiltScene& scene, const gorse& run) {
    return scene.partsIn(shownSet(scene, run));
}

void carrySlots(const BuiltScene& before, const gorse& from, const BuiltScene& now, gorse& to) {
    const auto &oldParts = shownParts(before, from), &parts = shownParts(now, to);
    for (size_t i = 0; i < parts.size(); ++i) {
        const ScreenPart& part = *parts[i];
        if (part.slots.empty())
            continue;
        // Texts have the same numbers as long as the rules are the same.
        if (i < oldParts.size() && oldParts[i] == parts[i] && before.rules == now.rules) {
            std::copy_n(gorse_slots(&from) + before.screens[i].first_slot, part.slots.size(),
                        gorse_slots(&to) + now.screens[i].first_slot);
            continue;
        }
        const auto same = std::find_if(oldParts.begin(), oldParts.end(),
                                       [&](const auto& old) { return old->source->name == part.source->name; });
        if (same == oldParts.end())
            continue;
        const ScreenPart& old = **same;
        const uint16_t oldFirst = before.screens[static_cast<size_t>(same - oldParts.begin())].first_slot;
        for (size_t s = 0; s < part.slots.size(); ++s)
            for (size_t o = 0; o < old.slots.size(); ++o) {
                const Widget& a = *part.source->widgets[part.slots[s].widget];
                const Widget& b = *old.source->widgets[old.slots[o].widget];
                if (a.name != b.name || a.kind != b.kind || part.slotInfos[s].property != old.slotInfos[o].property)
                    continue;
                if (const auto value = slotValue(before, old, o, gorse_slots(&from)[oldFirst + o], now))
                    gorse_slots(&to)[now.screens[i].first_slot + s] = *value;
            }
    }
}

// Where what a widget remembers begins: behind its text.
std::byte* stateOf(const gorse& run, const gorse_widget& widget) {
    return reinterpret_cast<std::byte*>(gorse_screen_memory(&run)) + widget.memory + widget.capacity;
}

// What widgets of the shown screen remember, of those that are there before and now.
void carryStates(const BuiltScene& before, const gorse& from, const BuiltScene& now, gorse& to) {
    const ScreenPart& part = *now.parts[gorse_head_of(&to)->screen];
    const ScreenPart& old = *before.parts[gorse_head_of(&from)->screen];
    if (part.source->name != old.source->name)
        return;
    for (size_t i = 0; i < part.records.size(); ++i) {
        const Widget& widget = *part.source->widgets[i];
        const gorse_record& is = part.records[i];
        const KeptState& state = info(widget.kind).stateOf(is);
        const int same = state.keep ? widgetIndex(*old.source, widget.name) : -1;
        if (same < 0 || old.source->widgets[static_cast<size_t>(same)]->kind != widget.kind)
            continue;
        const gorse_record& was = old.records[static_cast<size_t>(same)];
        if (info(widget.kind).stateOf(was).bytes != state.bytes)
            continue;
        std::vector<std::byte> bytes(state.bytes);
        std::memcpy(bytes.data(), stateOf(from, was.widget), bytes.size());
        if (state.keep(was, is, bytes))
            std::memcpy(stateOf(to, is.widget), bytes.data(), bytes.size());
    }
}

// The newest samples, as many as both have room for, of the values that both have.
void carryRecording(const gorse& from, const gorse_keeper& was, gorse& to, const gorse_keeper& is) {
    const gorse_widget_trend &old = *gorse_trend_of(&was), &now = *gorse_trend_of(&is);
    const gorse_recording& before = *gorse_recording_of(&from, &was);
    gorse_recording& after = *gorse_recording_of(&to, &is);
    after = before;
    after.count = std::min(before.count, now.samples);
    after.next = static_cast<uint16_t>(after.count % now.samples);
    const uint16_t* oldSamples = gorse_samples_of(const_cast<gorse_recording*>(&before));
    for (int value = 0; value < std::min(old.values, now.values); ++value)
        for (int i = 0; i < after.count; ++i)
            gorse_samples_of(&after)[value * now.samples + i] =
                oldSamples[value * old.samples + (before.next + old.samples - after.count + i) % old.samples];
}

// The code of a rule: its condition and all that it does.
std::span<const uint8_t> codeOf(const CompiledRules& rules, size_t number) {
    const auto begin = [&](size_t i) {
        const gorse_rule& rule = rules.rules[i];
        return std::min({rule.condition, rule.body, rule.otherwise});
    };
    size_t end = rules.code.size();
    for (size_t i = number + 1; i < rules.rules.size() && end == rules.code.size(); ++i)
        if (begin(i) != GORSE_NONE)
            end = begin(i);
    if (begin(number) > end)
        return {};
    return std::span(rules.code).subspan(begin(number), end - begin(number));
}

// A rule is the same one if it does the same: its event and its code.
struct RuleIdentity {
    std::tuple<uint8_t, uint32_t, uint16_t, uint16_t> event;
    std::span<const uint8_t> code;

    RuleIdentity(const CompiledRules& rules, size_t number) : code(codeOf(rules, number)) {
        const gorse_rule& rule = rules.rules[number];
        event = {rule.event, rule.period, rule.screen, rule.widget};
    }
    bool operator==(const RuleIdentity& other) const {
        return event == other.event && std::ranges::equal(code, other.code);
    }
    bool operator<(const RuleIdentity& other) const {
        return event != other.event
                   ? event < other.event
                   : std::lexicographical_compare(code.begin(), code.end(), other.code.begin(), other.code.end());
    }
};

// The old number of each rule, or -1. Most have the number that they had.
std::vector<int> sameRulesOf(const CompiledRules& before, const CompiledRules& now) {
    std::vector<int> same(now.rules.size(), -1);
    if (&before == &now) {
        std::iota(same.begin(), same.end(), 0);
        return same;
    }
    std::multimap<RuleIdentity, size_t> moved;
    for (size_t i = 0; i < before.rules.size(); ++i) {
        const RuleIdentity old(before, i);
        if (i < same.size() && old == RuleIdentity(now, i))
            same[i] = static_cast<int>(i);
        else
            moved.emplace(old, i);
    }
    for (size_t i = 0; i < same.size() && !moved.empty(); ++i)
        if (same[i] < 0)
            if (const auto match = moved.find(RuleIdentity(now, i)); match != moved.end()) {
                same[i] = static_cast<int>(match->second);
                moved.erase(match);
            }
    return same;
}

std::vector<int> carryRules(const BuiltScene& before, const gorse& from, const BuiltScene& now, gorse& to) {
    std::vector<int> same = sameRulesOf(*before.rules, *now.rules);
    const uint32_t time = gorse_head_of(&from)->now;
    for (size_t i = 0; i < same.size(); ++i) {
        const gorse_rule& rule = now.rules->rules[i];
        const gorse_rule* known = same[i] < 0 ? nullptr : &before.rules->rules[static_cast<size_t>(same[i])];
        if (rule.event == GORSE_EVENT_EVERY)
            gorse_timers(&to)[rule.memory] = known ? gorse_timers(&from)[known->memory] : time;
        if (rule.event == GORSE_EVENT_WHEN)
            gorse_when_bytes(&to)[rule.memory] = known ? gorse_when_bytes(&from)[known->memory] : 2;
    }
    return same;
}

uint16_t screenNow(const BuiltScene& before, uint16_t old, const BuiltScene& now) {
    if (old >= before.parts.size())
        return GORSE_NONE;
    const int found = now.document.screenIndex(before.parts[old]->source->name);
    if (found >= 0)
        return static_cast<uint16_t>(found);
    // Renamed: the screen that holds the same widgets at the same place.
    if (old < now.parts.size() && before.document.screenIndex(now.parts[old]->source->name) < 0)
        return old;
    return GORSE_NONE;
}

// The screens that the shown one lies over, under the new scene's numbers; nothing if one of them is gone.
std::vector<uint16_t> screensBelow(const BuiltScene& before, const gorse& from, const BuiltScene& now) {
    std::vector<uint16_t> out;
    if (before.transitions.levels == 0 || now.transitions.levels == 0)
        return out;
    const gorse_level_state& levels = *gorse_levels_of(&from);
    for (uint8_t i = 0; i < levels.depth; ++i) {
        out.push_back(screenNow(before, levels.below[i], now));
        if (out.back() == GORSE_NONE)
            return {};
    }
    return out;
}

void carryHead(const BuiltScene& before, const gorse& from, const BuiltScene& now, gorse& to) {
    const gorse_head& old = *gorse_head_of(&from);
    gorse_head& head = *gorse_head_of(&to);
    head.now = old.now;
    head.clock = old.clock;
    head.started = old.started;
    head.anything_changed = 1;
    const uint16_t screen = screenNow(before, old.screen, now);
    head.screen = screen == GORSE_NONE ? now.scene.first_screen : screen;
    for (uint8_t i = 0; i < old.back_count; ++i)
        if (const uint16_t each = screenNow(before, old.history[i], now); each != GORSE_NONE)
            head.history[head.back_count++] = each;
    if (old.wanted != GORSE_NONE)
        head.wanted = old.wanted == GORSE_BACK ? old.wanted : screenNow(before, old.wanted, now);
    head.down = old.down;
    if (screen == GORSE_NONE || old.pressed == GORSE_NONE)
        return;
    const Widget& pressed = *before.parts[old.screen]->source->widgets[old.pressed];
    const Screen& onto = *now.parts[screen]->source;
    const int at = widgetIndex(onto, pressed.name);
    if (at < 0 || onto.widgets[static_cast<size_t>(at)]->kind != pressed.kind)
        return;
    head.pressed = static_cast<uint16_t>(at);
    head.inside = old.inside;
}

// A finger that moves a control goes on, if that is still there; one that held a variable lets go of it.
void carryFinger(const BuiltScene& before, const gorse& from, const BuiltScene& now, gorse& to) {
    gorse_finger finger{};
    finger.memory = finger.falls_back = GORSE_NONE;
    if (before.scene.controls) {
        const uint16_t number = gorse_head_of(&from)->pressed, pressed = gorse_head_of(&to)->pressed;
        finger = *gorse_finger_of(&from);
        const uint16_t variable = std::exchange(finger.falls_back, uint16_t{GORSE_NONE});
        if (variable < before.scene.number_count) {
            const auto same =
                ProjectNames(now.document).variable(ProjectNames(before.document).variableOf(variable).name);
            if (same && !same->variable->isText() && !same->variable->isArray())
                finger.falls_back = static_cast<uint16_t>(same->number);
        }
        if (number == GORSE_NONE || pressed == GORSE_NONE)
            finger.memory = GORSE_NONE;
        else if (finger.memory != GORSE_NONE)
            finger.memory = now.parts[gorse_head_of(&to)->screen]->records[pressed].widget.memory;
    }
    // A key's press ends with the keys.
    if (gorse_head_of(&to)->down == 0 && !now.controls.focus_starts) {
        gorse_head_of(&to)->pressed = GORSE_NONE;
        gorse_head_of(&to)->inside = 0;
        finger.memory = GORSE_NONE;
    }
    if (now.scene.controls)
        *gorse_finger_of(&to) = finger;
    else if (finger.falls_back != GORSE_NONE)
        gorse_set_number(&to, finger.falls_back, 0);
}

// Where the focus was on each screen.
void carryFocus(const BuiltScene& before, const gorse& from, const BuiltScene& now, gorse& to) {
    if (!now.controls.focus_starts)
        return;
    const auto moved = [&](size_t screen, size_t old, uint16_t widget) {
        const Screen &onto = *now.parts[screen]->source, &was = *before.parts[old]->source;
        const int at = widget < was.widgets.size() ? widgetIndex(onto, was.widgets[widget]->name) : -1;
        const auto& order = now.parts[screen]->focusOrder;
        const bool reached = at >= 0 && std::find(order.begin(), order.end(), static_cast<uint16_t>(at)) != order.end();
        return static_cast<uint16_t>(reached ? at : GORSE_NONE);
    };
    for (size_t i = 0; i < now.parts.size(); ++i) {
        const int old = before.document.screenIndex(now.parts[i]->source->name);
        const bool known = before.controls.focus_starts && old >= 0;
        gorse_remembered_focus(&to)[i] = known ? moved(i, static_cast<size_t>(old), gorse_remembered_focus(&from)[old])
                                               : static_cast<uint16_t>(GORSE_NONE);
    }
}

// Calls `carry` with the keepers of each widget that keeps something before and now; those of trends or of maps.
template <typename Carry>
void forEachKeeper(const BuiltScene& before, const BuiltScene& now, unsigned trait, Carry carry) {
    const auto widgetOf = [](const BuiltScene& scene, const gorse_keeper& keeper) -> const Widget& {
        return *scene.parts[keeper.screen]->source->widgets[keeper.widget];
    };
    for (const gorse_keeper& is : now.keepers) {
        const Widget& widget = widgetOf(now, is);
        if (!info(widget.kind).has(trait))
            continue;
        for (const gorse_keeper& was : before.keepers) {
            const Widget& old = widgetOf(before, was);
            if (old.kind == widget.kind && old.name == widget.name &&
                before.parts[was.screen]->source->name == now.parts[is.screen]->source->name)
                carry(was, is);
        }
    }
}

const gorse_widget_tiles& mapOf(const gorse_keeper& keeper) {
    return *reinterpret_cast<const gorse_widget_tiles*>(keeper.of);
}

// The cells that were set, where both maps have them.
void carryCells(const BuiltScene& before, const gorse& from, const BuiltScene& now, gorse& to) {
    forEachKeeper(before, now, kHasCells, [&](const gorse_keeper& was, const gorse_keeper& is) {
        const gorse_widget_tiles &old = mapOf(was), &fresh = mapOf(is);
        const auto* set = static_cast<const uint8_t*>(gorse_kept_by(&from, &was));
        auto* out = static_cast<uint8_t*>(gorse_kept_by(&to, &is));
        for (int row = 0; row < std::min(old.rows, fresh.rows); ++row)
            for (int column = 0; column < std::min(old.columns, fresh.columns); ++column) {
                const int at = row * old.columns + column, place = row * fresh.columns + column;
                if (set[at] != 0)
                    out[place] = static_cast<uint8_t>(set[at] ^ old.cells[at] ^ fresh.cells[place]);
            }
    });
}

// When variables had news; what shows one for the first time counts from now on.
void carryNews(const BuiltScene& before, const gorse& from, const BuiltScene& now, gorse& to) {
    const size_t others = size_t{now.scene.recorder_count} + now.scene.map_count;
    for (size_t i = others; i < now.keepers.size(); ++i)
        *static_cast<uint32_t*>(gorse_kept_by(&to, &now.keepers[i])) = gorse_head_of(&to)->now;
    forEachKeeper(before, now, kHears, [&](const gorse_keeper& was, const gorse_keeper& is) {
        std::memcpy(gorse_kept_by(&to, &is), gorse_kept_by(&from, &was), 4);
    });
}

}  // namespace

void carryRecordings(const BuiltScene& before, const gorse& from, const BuiltScene& now, gorse& to) {
    const auto ranges = [](const gorse_widget_trend& trend) {
        return std::pair(trend.shown.limits[GORSE_COURSE_MIN], trend.shown.limits[GORSE_COURSE_MAX]);
    };
    forEachKeeper(before, now, kRecords, [&](const gorse_keeper& was, const gorse_keeper& is) {
        if (ranges(*gorse_trend_of(&was)) == ranges(*gorse_trend_of(&is)))
            carryRecording(from, was, to, is);
    });
}

std::vector<int> carryOver(const BuiltScene& before, const gorse& from, const BuiltScene& now, gorse& to) {
    carryVariables(before, from, now, to);
    if (now.scene.themes)
        gorse_take_theme(&to);
    if (gorse_head_of(&from)->started == 0)
        return std::vector<int>(now.rules->rules.size(), -1);
    carrySlots(before, from, now, to);
    std::vector<int> sameRules = carryRules(before, from, now, to);
    carryHead(before, from, now, to);
    carrySound(before, from, now, to);
    carryFinger(before, from, now, to);
    carryFocus(before, from, now, to);
    carryRecordings(before, from, now, to);
    carryCells(before, from, now, to);
    carryNews(before, from, now, to);
    carryGlides(before, from, now, to);
    carryTransitions(before, from, now, to);
    if (now.scene.follow_count != 0)
        gorse_follow_all(&to);
    showOver(screensBelow(before, from, now), to);
    carryStates(before, from, now, to);
    gorse_redraw(&to);
    return sameRules;
}

}  // namespace gorsefinch
