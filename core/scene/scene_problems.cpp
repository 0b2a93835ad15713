// SPDX-License-Identifier: GPL-3.0-or-later
#include "core/scene/scene_problems.h"

#include <algorithm>
#include <utility>

#include "core/base/characters.h"
#include "core/base/problem_codes.h"

namespace gorsefinch {

void addMissingCharacters(BuiltScene& scene, const BakedFont& font, const std::set<char32_t>& missing) {
    for (const auto& part : scene.parts)
        for (const FontNeed& need : part->needs) {
            if (need.font != font.key())
                continue;
            std::string which;
            for (const char32_t character : missing)
                if (need.characters.count(character) != 0)
                    which += (which.empty() ? "" : ", ") + characterCode(character);
            if (which.empty())
                continue;
            Problem p;
            p.severity = Severity::Warning;
            p.screen = part->source->name;
            p.widget = part->source->widgets[need.widget]->name;
            p.file = "screens/" + p.screen + ".json";
            p.place = p.widget;
            p.reason = "the face " + font.key().face + " has no character " + which;
            p.remedy = "Choose another face or word, or give the font a fallback face";
            p.code = kMissingCharacter;
            scene.problems.add(atUses(scene.given, {std::move(p)}));
        }
}

void AssemblyProblems::add(const Problems& problems) {
    for (const Problem& each : problems)
        known_.emplace(each.screen, each.widget, each.reason);
}

bool AssemblyProblems::has(const std::string& assembly, const Problem& problem, const std::string& part) const {
    return known_.count({assembly, part, problem.reason}) != 0;
}

Problems atUses(const Document& given, Problems problems, const AssemblyProblems& ofAssemblies) {
    Problems out;
    for (Problem& each : problems) {
        const UsePlace place = each.widget.empty() ? UsePlace() : usePlace(given, each.screen, each.widget);
        if (!place.use.empty()) {
            if (ofAssemblies.has(place.assembly, each, place.part))
                continue;
            if (each.place.starts_with(each.widget))
                each.place.replace(0, each.widget.size(),
                                   place.use + " (" + place.part + " of " + place.assembly + ")");
            each.widget = place.use;
        }
        out.push_back(std::move(each));
    }
    return out;
}

void addPartProblems(BuiltScene& out, const Screen& screen, const std::shared_ptr<const Problems>& problems,
                     const AssemblyProblems& ofAssemblies) {
    const auto isCopy = [](const WidgetRef& each) { return each->copyOf != nullptr; };
    const bool copies = std::any_of(screen.widgets.begin(), screen.widgets.end(), isCopy);
    if (problems->empty())
        return;
    if (!copies && !screen.uses)
        out.problems.add(problems);
    else if (Problems own = atUses(out.given, withoutCopies(screen, *problems, false), ofAssemblies); !own.empty())
        out.problems.add(std::move(own));
}

void addRuleProblems(BuiltScene& out) {
    Problems problems = out.rules->problems;
    bool any = false;
    for (size_t i = 0; i < out.document.screens.size() && !problems.empty(); ++i)
        if (out.document.screens[i] != out.given.screens[i]) {
            problems = withoutCopies(*out.document.screens[i], std::move(problems), false);
            any = true;
        }
    if (any)
        problems = atUses(out.given, std::move(problems));
    if (any && !problems.empty())
        out.problems.add(std::move(problems));
    else if (any)
        return;
    else
        out.problems.add(std::shared_ptr<const Problems>(out.rules, &out.rules->problems));
}

}  // namespace gorsefinch
