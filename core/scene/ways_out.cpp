// SPDX-License-Identifier: GPL-3.0-or-later
#include "core/scene/ways_out.h"

#include <algorithm>
#include <set>

#include "core/base/problem_codes.h"
#include "core/document/panel_keys.h"

namespace gorsefinch {

namespace {

// True if the user can give the widget its events: with a finger, or with what the focus is moved by.
bool isOperated(const BuiltScene& scene, size_t screen, uint16_t widget) {
    const auto& order = scene.parts[screen]->focusOrder;
    return scene.document.panel->touch || std::find(order.begin(), order.end(), widget) != order.end();
}

bool isSwipe(const gorse_rule& rule) {
    return rule.event >= GORSE_EVENT_SWIPE_LEFT && rule.event <= GORSE_EVENT_SWIPE_DOWN;
}

bool leadsAway(const RuleSource& rule, size_t screen) {
    return std::any_of(rule.leadsTo.begin(), rule.leadsTo.end(),
                       [&](int to) { return to != static_cast<int>(screen); });
}

// Adds what a rule does for a screen that it can run on.
void addWay(const BuiltScene& scene, size_t screen, const gorse_rule& rule, WaysOut& out) {
    if (rule.event == GORSE_EVENT_KEY || rule.event == GORSE_EVENT_KNOB) {
        out.byUser = true;
    } else if (rule.screen == GORSE_NONE || rule.widget == GORSE_NONE) {
        (isSwipe(rule) ? out.byUser : out.byItself) |= !isSwipe(rule) || scene.document.panel->touch;
    } else if (isOperated(scene, screen, rule.widget)) {
        const std::string& name = scene.parts[screen]->source->widgets[rule.widget]->name;
        if (std::find(out.widgets.begin(), out.widgets.end(), name) == out.widgets.end())
            out.widgets.push_back(name);
    }
}

// For all screens: what waysOut() returns for each.
std::vector<WaysOut> allWaysOut(const BuiltScene& scene) {
    std::vector<WaysOut> out(scene.parts.size());
    for (size_t i = 0; i < scene.rules->rules.size(); ++i) {
        const gorse_rule& rule = scene.rules->rules[i];
        if (scene.rules->sources[i].leadsTo.empty())
            continue;
        const bool anywhere = rule.screen == GORSE_NONE;
        for (size_t screen = anywhere ? 0 : rule.screen; screen < (anywhere ? out.size() : rule.screen + size_t{1});
             ++screen)
            if (leadsAway(scene.rules->sources[i], screen))
                addWay(scene, screen, rule, out[screen]);
    }
    return out;
}

}  // namespace

WaysOut waysOut(const BuiltScene& scene, size_t screen) { return allWaysOut(scene)[screen]; }

bool areOnlyWayOut(const BuiltScene& scene, size_t screen, std::span<const std::string> widgets) {
    const WaysOut ways = waysOut(scene, screen);
    return !ways.byUser && !ways.widgets.empty() &&
           std::all_of(ways.widgets.begin(), ways.widgets.end(), [&](const std::string& each) {
               return std::find(widgets.begin(), widgets.end(), each) != widgets.end();
           });
}

void reportDeadEnds(BuiltScene& scene) {
    const Panel& panel = *scene.document.panel;
    if (!panel.touch && !hasKeys(panel))
        return;
    const std::vector<WaysOut> ways = allWaysOut(scene);
    std::set<size_t> reached;
    for (const RuleSource& each : scene.rules->sources)
        for (const int to : each.leadsTo)
            if (to != kLeadsBack)
                reached.insert(static_cast<size_t>(to));
    for (const size_t at : reached) {
        if (at >= ways.size() || ways[at].byUser || ways[at].byItself || !ways[at].widgets.empty())
            continue;
        Problem problem;
        problem.severity = Severity::Warning;
        problem.screen = scene.parts[at]->source->name;
        problem.file = "screens/" + problem.screen + ".json";
        problem.reason = panel.touch ? "rules lead to this screen, and none leads away from it"
                                     : "rules lead to this screen, and the focus reaches nothing that leads away";
        problem.code = kDeadEnd;
        problem.remedy = "Let a rule go elsewhere, such as back on a button's tap";
        scene.problems.add({std::move(problem)});
    }
}

}  // namespace gorsefinch
