// SPDX-License-Identifier: GPL-3.0-or-later
#include "core/scene/scene_record.h"

#include <algorithm>
#include <cassert>

#include "core/document/panel_keys.h"
#include "core/document/panel_outputs.h"
#include "core/project/project_text.h"
#include "core/rules/clock_fields.h"
#include "core/rules/lexer.h"
#include "core/scene/state_layout.h"
#include "core/scene/ways_out.h"
#include "runtime/gorse_container.h"
#include "runtime/gorse_fade.h"
#include "runtime/gorse_focus.h"
#include "runtime/gorse_glide.h"
#include "runtime/gorse_levels.h"
#include "runtime/gorse_scroll.h"
#include "runtime/gorse_transition.h"
#include "runtime/gorse_typing.h"

namespace gorsefinch {

namespace {

// Anything shows the seconds of the clock, or is computed from them.
bool usesSeconds(const BuiltScene& out) {
    const std::string& name = clockVariables()[GORSE_CLOCK_SECOND].name;
    return out.rules->readNumbers.count(out.scene.clock + GORSE_CLOCK_SECOND) != 0 ||
           std::any_of(out.parts.begin(), out.parts.end(),
                       [&](const auto& part) { return part->usedVariables.count(name) != 0; });
}

// Adds those of kinds with a trait. Returns the bytes of all keepers, of which there are so many before.
uint32_t fillKeepers(BuiltScene& out, Trait trait, uint32_t bytes) {
    for (size_t i = 0; i < out.parts.size(); ++i)
        for (const Keeping& each : out.parts[i]->keeping) {
            const WidgetRef& widget = out.parts[i]->source->widgets[static_cast<size_t>(each.widget)];
            const bool isSet = out.rules->cellsSet.count({static_cast<int>(i), each.widget}) != 0;
            if (!info(widget->kind).has(trait) || !(each.what.always || isSet))
                continue;
            out.keepers.push_back({&out.tables[i]->records[static_cast<size_t>(each.widget)].widget, bytes,
                                   static_cast<uint16_t>(i), static_cast<uint16_t>(each.widget)});
            bytes += static_cast<uint32_t>(each.what.bytes);
        }
    return bytes;
}

// Any text of the scene has that; screens know it of theirs, as there may be very many.
bool anyText(const BuiltScene& scene, bool CompiledText::*text, bool ScreenPart::*part) {
    const auto any = [&](const auto& all, auto what) {
        return std::any_of(all.begin(), all.end(), [&](const auto& each) { return each.*what; });
    };
    return any(scene.rules->strings, text) || any(scene.startTexts, text) ||
           std::any_of(scene.parts.begin(), scene.parts.end(), [&](const auto& each) { return (*each).*part; });
}

bool isOfControls(const gorse_rule& rule) {
    return rule.event >= GORSE_EVENT_HOLD && rule.event != GORSE_EVENT_KEY && rule.event != GORSE_EVENT_KNOB;
}

bool hasPager(const ScreenPart& part) {
    return std::any_of(part.source->widgets.begin(), part.source->widgets.end(),
                       [](const WidgetRef& each) { return each->kind == Kind::Pager; });
}

// Screens on which the knob and the keys of a panel that has nothing else do nothing.
void reportUnreached(BuiltScene& out) {
    const Panel& panel = *out.document.panel;
    const auto isOfKeys = [](const gorse_rule& rule) {
        return rule.event == GORSE_EVENT_KEY || rule.event == GORSE_EVENT_KNOB;
    };
    if (panel.touch || !hasKeys(panel) || std::any_of(out.rules->rules.begin(), out.rules->rules.end(), isOfKeys))
        return;
    for (const auto& part : out.parts) {
        if (!part->focusOrder.empty() || hasPager(*part))
            continue;
        Problem problem;
        problem.severity = Severity::Warning;
        problem.screen = part->source->name;
        problem.file = "screens/" + part->source->name + ".json";
        problem.reason = "the knob and the keys reach nothing on this screen";
        problem.remedy = "Add a control to it, or a rule such as on key back";
        out.problems.add({std::move(problem)});
    }
}

// What input needs beside presses.
void fillControls(BuiltScene& out) {
    for (size_t i = 0; i < out.parts.size(); ++i)
        for (gorse_margin margin : out.parts[i]->margins) {
            margin.screen = static_cast<uint16_t>(i);
            out.margins.push_back(margin);
        }
    for (const auto& part : out.parts) {
        out.focusStarts.push_back(static_cast<uint16_t>(out.focusOrder.size()));
        out.focusOrder.insert(out.focusOrder.end(), part->focusOrder.begin(), part->focusOrder.end());
    }
    out.focusStarts.push_back(static_cast<uint16_t>(out.focusOrder.size()));
    // Where it reaches nothing the knob turns the pages of pagers: the order of none has an address, too.
    if (out.focusOrder.empty() && hasKeys(*out.document.panel) &&
        std::any_of(out.parts.begin(), out.parts.end(), [](const auto& part) { return hasPager(*part); }))
        out.focusOrder.push_back(0);
    const bool needed =
        !out.focusOrder.empty() || out.scene.transitions ||
        std::any_of(out.parts.begin(), out.parts.end(), [](const auto& part) { return part->needsControls; }) ||
        std::any_of(out.rules->rules.begin(), out.rules->rules.end(), isOfControls);
    if (!needed)
        return;
    out.controls.margins = out.margins.data();
    out.controls.margin_count = static_cast<uint16_t>(out.margins.size());
    out.controls.hold = static_cast<uint16_t>(out.document.panel->holdMs);
    for (const auto& part : out.parts)
        out.controls.typing_bytes = static_cast<uint8_t>(std::max(int{out.controls.typing_bytes}, part->typedBytes));
    if (!out.focusOrder.empty()) {
        out.controls.focus_order = out.focusOrder.data();
        out.controls.focus_starts = out.focusStarts.data();
        out.controls.has_focus = 1;
        out.controls.focus_wraps = out.document.panel->focusWraps ? 1 : 0;
    }
    out.scene.controls = &out.controls;
}

// Pixels that a finger goes before it scrolls: 0.8 mm, or 6 pixels where nobody knows how large they are.
int scrollWay(const Panel& panel) {
    if (panel.widthMm == 0)
        return 6;
    return std::clamp((panel.width * 8 + panel.widthMm * 5) / (panel.widthMm * 10), 2, 60);
}

// Which widgets lie in which containers.
void fillContainers(BuiltScene& out) {
    int fades = 0;
    for (const auto& part : out.parts) {
        out.holders.push_back(part->holders.empty() ? nullptr : part->holders.data());
        fades = std::max(fades, part->fadingContainers);
    }
    const bool scrolls =
        std::any_of(out.parts.begin(), out.parts.end(), [](const auto& part) { return part->scrolls; });
    if (!scrolls && std::all_of(out.holders.begin(), out.holders.end(), [](const auto* each) { return !each; }))
        return;
    out.containers.holders = out.holders.data();
    if (scrolls)
        out.containers.scrolls = static_cast<uint8_t>(scrollWay(*out.document.panel));
    out.containers.mix_back = fades != 0 ? gorse_mix_back : nullptr;
    out.containers.fades = static_cast<uint8_t>(fades);
    out.scene.containers = &out.containers;
}

// Properties that rules animate.
void fillGlides(BuiltScene& out) {
    const std::vector<gorse_glide>& all = out.rules->glides;
    if (all.empty())
        return;
    std::set<uint16_t> slots;
    for (const gorse_glide& each : all)
        slots.insert(each.slot);
    out.glides.each = all.data();
    out.glides.count = static_cast<uint16_t>(all.size());
    out.glides.at_a_time = static_cast<uint16_t>(slots.size());
    out.scene.glides = &out.glides;
}

// What the panel has beside its picture.
void fillOutputs(BuiltScene& out, const ProjectNames& names) {
    const auto hook = [&](std::string_view name) {
        const auto& hooks = out.rules->hooks;
        const auto found =
            std::find_if(hooks.begin(), hooks.end(), [&](const auto& each) { return each.name == name; });
        return static_cast<uint16_t>(found == hooks.end() ? GORSE_NONE : found - hooks.begin());
    };
    for (const Variable& each : outputVariables(*out.document.panel))
        out.outputList.push_back({static_cast<uint16_t>(names.variable(each.name)->number), hook(hookOf(each))});
    const std::vector<gorse_tone>& tones = out.rules->tones;
    if (out.outputList.empty() && tones.empty())
        return;
    out.outputs.each = out.outputList.data();
    out.outputs.count = static_cast<uint16_t>(out.outputList.size());
    out.outputs.tones = tones.empty() ? nullptr : tones.data();
    out.outputs.sound_hook = hook(kSoundHook);
    out.scene.outputs = &out.outputs;
}

// What happens without rules.
void fillMotions(BuiltScene& out) {
    gorse_scene& s = out.scene;
    if (std::any_of(out.parts.begin(), out.parts.end(), [](const auto& part) { return part->moves; }))
        s.motion = &gorse_motion_of_widgets;
    if (!out.rules->follows.empty())
        s.motion = &gorse_motion_that_follows;
    if (out.transitions.has_levels != 0) {
        out.transitions.inner = s.motion ? s.motion : &gorse_motion_of_widgets;
        s.motion = &gorse_motion_of_levels;
    }
    if (s.recorder_count == 0 && !out.document.clock && !s.controls && !s.outputs && !s.glides && !s.themes)
        return;
    if (s.themes)
        out.motions.push_back(&gorse_motion_of_themes);
    if (out.document.clock)
        out.motions.push_back(&gorse_motion_of_clock);
    if (s.controls)
        out.motions.push_back(&gorse_motion_of_controls);
    if (std::any_of(out.rules->rules.begin(), out.rules->rules.end(),
                    [](const gorse_rule& each) { return each.event == GORSE_EVENT_IDLE; }))
        out.motions.push_back(&gorse_motion_of_idleness);
    if (s.glides)
        out.motions.push_back(&gorse_motion_of_glides);
    if (s.transitions)
        out.motions.push_back(&gorse_motion_of_transitions);
    if (out.containers.scrolls != 0)
        out.motions.push_back(&gorse_motion_of_scrolling);
    if (s.motion)
        out.motions.push_back(s.motion);
    // It reaches what is visible once expressions are computed.
    if (out.controls.focus_starts)
        out.motions.push_back(&gorse_motion_of_focus);
    if (s.recorder_count != 0)
        out.motions.push_back(&gorse_motion_that_records);
    if (s.outputs)
        out.motions.push_back(&gorse_motion_of_outputs);
    if (out.transitions.has_levels != 0)
        out.motions.push_back(&gorse_motion_of_what_lies_below);
    out.motions.push_back(nullptr);
    s.motion = &gorse_motion_of_several;
    s.motions = out.motions.data();
}

}  // namespace

void fillVariables(BuiltScene& out, const ProjectNames& names) {
    size_t offset = 0;
    const auto addNumber = [&](const Variable& each) {
        out.numbers.insert(out.numbers.end(), numbersOf(each), {each.min, each.max, each.start});
    };
    for (const Variable& each : *out.document.variables) {
        if (!each.isText()) {
            addNumber(each);
            continue;
        }
        out.startTexts.push_back(compileText(plainText(each.startText), names));
        gorse_text_variable text{};
        text.start = out.startTexts.back().bytes.data();
        text.capacity = static_cast<uint8_t>(each.length + 1);
        if (offset + text.capacity > kMaxStateTexts) {
            Problem problem;
            problem.file = kMainFile;
            problem.place = "variable " + each.name;
            problem.reason = "the texts of all variables need more than " + std::to_string(kMaxStateTexts) + " bytes";
            problem.remedy = "Make some of them shorter";
            out.problems.add({std::move(problem)});
            // It shares the first one's bytes, so that the rest can be looked at.
            offset = 0;
        }
        text.offset = static_cast<uint16_t>(offset);
        offset += text.capacity;
        out.texts.push_back(text);
    }
    if (out.document.clock) {
        out.scene.clock = static_cast<uint16_t>(out.numbers.size());
        std::for_each(clockVariables().begin(), clockVariables().end(), addNumber);
    }
    std::ranges::for_each(names.variables()->outputs, addNumber);
    if (const auto& theme = names.variables()->theme) {
        out.themes.number = static_cast<uint16_t>(out.numbers.size());
        addNumber(*theme);
    }
}

void fillScreens(BuiltScene& out) {
    assert(out.parts.size() == out.document.screens.size() && out.tables.size() == out.parts.size());
    uint16_t slots = 0;
    for (size_t i = 0; i < out.parts.size(); ++i) {
        const auto& part = out.parts[i];
        assert(out.tables[i]->widgets.size() == part->source->widgets.size());
        gorse_screen screen{};
        // Over others the ground is a shade.
        const bool over = out.rules->opened.count(static_cast<int>(i)) != 0;
        screen.background = (backgroundOf(out.document, *part->source).argb & 0x00ffffffu) |
                            (over ? static_cast<uint32_t>(part->source->shade) : 0xffu) << 24;
        screen.widgets = out.tables[i]->widgets.data();
        screen.slots = part->slots.data();
        screen.bindings = part->bindings.data();
        screen.widget_count = static_cast<uint16_t>(part->records.size());
        screen.slot_count = static_cast<uint16_t>(part->slots.size());
        screen.binding_count = static_cast<uint16_t>(part->bindings.size());
        screen.first_slot = slots;
        slots = static_cast<uint16_t>(slots + part->slots.size());
        out.screens.push_back(screen);
    }
    out.scene.slot_count = slots;
}

void fillScene(BuiltScene& out, const ProjectNames& names) {
    gorse_scene& s = out.scene;
    const bool extended =
        out.rules->needsExtended || anyText(out, &CompiledText::needsExtended, &ScreenPart::needsExtended);
    const bool elements =
        out.rules->needsElements || anyText(out, &CompiledText::needsElements, &ScreenPart::needsElements);
    const bool cells = !out.rules->cellsSet.empty();
    s.extended = cells && elements ? gorse_extended_code_with_both
                 : cells           ? gorse_extended_code_with_cells
                 : elements        ? gorse_extended_code_with_elements
                 : extended        ? gorse_extended_code
                                   : nullptr;
    s.forms = anyText(out, &CompiledText::needsForms, &ScreenPart::needsForms) ? gorse_extended_forms : nullptr;
    for (const CompiledText& text : out.rules->strings)
        out.strings.push_back(text.bytes.data());
    for (const auto& part : out.parts)
        for (const CompiledText& text : part->slotTexts)
            out.strings.push_back(text.bytes.data());
    s.panel = &out.panel;
    s.screens = out.screens.data();
    s.numbers = out.numbers.data();
    s.texts = out.texts.data();
    s.rules = out.rules->rules.data();
    s.code = out.rules->code.data();
    s.strings = out.strings.data();
    uint32_t kept = 0;
    const auto addKeepers = [&](Trait trait) {
        const size_t before = out.keepers.size();
        kept = fillKeepers(out, trait, kept);
        return static_cast<uint16_t>(out.keepers.size() - before);
    };
    s.recorder_count = addKeepers(kRecords);
    s.map_count = addKeepers(kHasCells);
    s.hearer_count = addKeepers(kHears);
    s.keepers = out.keepers.data();
    fillControls(out);
    fillContainers(out);
    reportUnreached(out);
    reportDeadEnds(out);
    fillGlides(out);
    fillOutputs(out, names);
    if (!out.otherSets.empty())
        s.themes = &out.themes;
    fillMotions(out);
    s.clock_by_minutes = out.document.clock && !usesSeconds(out) ? 1 : 0;
    s.follows = out.rules->follows.data();
    s.follow_count = static_cast<uint16_t>(out.rules->follows.size());
    s.rules_read = out.rules->readFollowed ? 1 : 0;
    s.screen_count = static_cast<uint16_t>(out.screens.size());
    s.number_count = static_cast<uint16_t>(out.numbers.size());
    s.text_count = static_cast<uint16_t>(out.texts.size());
    s.rule_count = static_cast<uint16_t>(out.rules->rules.size());
    s.timer_count = static_cast<uint16_t>(out.rules->timers);
    s.when_count = static_cast<uint16_t>(out.rules->whens);
    s.string_count = static_cast<uint16_t>(out.strings.size());
    layOutState(out, kept);
    out.upright = s;
    out.upright.panel = &out.uprightPanel;
}

}  // namespace gorsefinch
