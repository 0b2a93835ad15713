// SPDX-License-Identifier: GPL-3.0-or-later
#include "core/scene/transitions.h"

#include <algorithm>

#include "core/project/project_text.h"
#include "core/rules/transition_words.h"
#include "runtime/gorse_fade.h"

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

}  // namespace

void fillTransitions(BuiltScene& out) {
    out.transitionList.push_back(ofProject(out));
    const std::vector<gorse_transition>& asked = out.rules->transitions;
    out.transitionList.insert(out.transitionList.end(), asked.begin(), asked.end());
    const auto& all = out.transitionList;
    if (std::all_of(all.begin(), all.end(), [](const gorse_transition& each) { return each.ms == 0; }))
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
