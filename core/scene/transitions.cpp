// SPDX-License-Identifier: GPL-3.0-or-later
#include "core/scene/transitions.h"

#include <algorithm>

#include "core/project/project_text.h"
#include "core/rules/transition_words.h"
#include "runtime/gorse_fade.h"
#include "runtime/gorse_levels.h"

namespace gorsefinch {

namespace {

gorse_transition ofProject(BuiltScene& out) {
    const std::string& words = out.document.panel->transition;
    if (words.empty())
        return {};
    const auto report = [&](const Token&, const std::string& reason, const std::string& remedy) {
        Problem problem;
        problem.file = kMainFile;
        problem.place = "panel.transition";
        problem.reason = "\"" + words + "\": " + reason;
        problem.remedy = remedy;
        out.problems.add({std::move(problem)});
    };
    return readTransition(words, report).value_or(gorse_transition{});
}

// Screens that are opened over others, and those that keep what their widgets remember.
void fillLevels(BuiltScene& out) {
    const std::set<int>& opened = out.rules->opened;
    for (const int screen : opened) {
        if (screen != out.scene.first_screen && out.rules->gone.count(screen) == 0)
            continue;
        Problem problem;
        problem.screen = out.parts[static_cast<size_t>(screen)]->source->name;
        problem.file = "screens/" + problem.screen + ".json";
        problem.reason = screen == out.scene.first_screen ? "the first screen is opened over others"
                                                          : "it is opened over others, and gone to";
        problem.remedy = "Use another screen for one of both: over others its background is only a shade";
        out.problems.add({std::move(problem)});
    }
    uint32_t kept = 0;
    bool any = false;
    for (const auto& part : out.parts) {
        const bool keeps = part->source->keeps && part->memoryBytes != 0;
        any = any || keeps;
        out.keeps.push_back(keeps ? static_cast<uint16_t>(std::min<uint32_t>(kept, GORSE_NONE)) : uint16_t{GORSE_NONE});
        out.keptBytes.push_back(static_cast<uint16_t>(part->memoryBytes));
        kept += keeps ? static_cast<uint32_t>(part->memoryBytes) + 1 : 0;
    }
    if (kept > kMaxStateTexts) {
        Problem problem;
        problem.file = kMainFile;
        problem.reason = "screens that keep their state need more than " + std::to_string(kMaxStateTexts) + " bytes";
        problem.remedy = "Let some of them forget it";
        out.problems.add({std::move(problem)});
    }
    if (opened.empty() && !any)
        return;
    out.transitions.levels = static_cast<uint8_t>(std::min(opened.size(), size_t{GORSE_LEVELS}));
    out.transitions.has_levels = 1;
    out.keptTotal = any ? kept : 0;
    if (any) {
        out.transitions.keeps = out.keeps.data();
        out.transitions.kept_bytes = out.keptBytes.data();
    }
}

}  // namespace

void fillTransitions(BuiltScene& out) {
    out.transitionList.push_back(ofProject(out));
    const std::vector<gorse_transition>& asked = out.rules->transitions;
    out.transitionList.insert(out.transitionList.end(), asked.begin(), asked.end());
    const auto& all = out.transitionList;
    fillLevels(out);
    if (out.transitions.has_levels == 0 &&
        std::all_of(all.begin(), all.end(), [](const gorse_transition& each) { return each.ms == 0; }))
        return;
    const bool fades = std::any_of(all.begin(), all.end(), [](const gorse_transition& each) {
        return each.ms != 0 && each.how == GORSE_TRANSITION_FADE;
    });
    out.transitions.each = all.data();
    out.transitions.count = static_cast<uint8_t>(all.size());
    out.transitions.fades = fades ? 1 : 0;
    out.transitions.mix_back = fades ? gorse_mix_back : nullptr;
    out.scene.transitions = &out.transitions;
}

}  // namespace gorsefinch
