// SPDX-License-Identifier: GPL-3.0-or-later
#include "core/check/project_check.h"

#include <algorithm>
#include <set>
#include <string>

#include "core/check/screen_check.h"
#include "core/check/use_check.h"
#include "core/scene/scene_problems.h"

namespace gorsefinch {

namespace {

const std::shared_ptr<const Problems> kNone = std::make_shared<Problems>();

// Whatever could be used, or use something, is the same.
bool hasSameUses(const Document& a, const Document& b) {
    return a.screens == b.screens && a.looks == b.looks && a.named == b.named && a.images == b.images &&
           a.faces == b.faces && a.variables == b.variables && a.rules == b.rules;
}

}  // namespace

ProjectCheck::Key ProjectCheck::keyOf(size_t screen) const {
    Key key;
    for (size_t set = 0; set < scene_->setCount(); ++set) {
        key.parts.push_back(scene_->partsIn(set)[screen].get());
        key.backgrounds.push_back(scene_->screensIn(set)[screen].background);
    }
    key.panel = scene_->document.panel.get();
    return key;
}

void ProjectCheck::follow(BuiltSceneRef scene) {
    scene_ = std::move(scene);
    apart_ = namesakes_.check(scene_->given);
    if (rules_ != scene_->rules || !unreached_) {
        unreached_ = std::make_shared<const Problems>(unreachedScreens(*scene_));
        rules_ = scene_->rules;
    }
    if (!uses_ || !hasSameUses(counted_, scene_->given))
        uses_ = nullptr;
    std::vector<Checked> before = std::move(screens_);
    screens_.clear();
    for (size_t i = 0; i < scene_->parts.size(); ++i) {
        const Key key = keyOf(i);
        const auto same =
            i < before.size() && before[i].key == key
                ? before.begin() + static_cast<std::ptrdiff_t>(i)
                : std::find_if(before.begin(), before.end(), [&](const Checked& each) { return each.key == key; });
        if (same != before.end()) {
            screens_.push_back(*same);
            continue;
        }
        Checked& fresh = screens_.emplace_back();
        fresh.key = key;
        fresh.panel = scene_->document.panel;
        for (size_t set = 0; set < scene_->setCount(); ++set)
            fresh.kept.push_back(scene_->partsIn(set)[i]);
    }
    next_ = 0;
}

void ProjectCheck::checkUses() {
    Problems found = unusedThings(scene_->given);
    Problems odd = oddLooks(scene_->given);
    found.insert(found.end(), std::make_move_iterator(odd.begin()), std::make_move_iterator(odd.end()));
    uses_ = std::make_shared<const Problems>(std::move(found));
    counted_ = scene_->given;
}

bool ProjectCheck::checkNext(size_t first) {
    if (!scene_)
        return false;
    while (next_ < screens_.size() && screens_[next_].problems)
        ++next_;
    if (next_ >= screens_.size()) {
        if (uses_)
            return false;
        checkUses();
        return true;
    }
    const size_t at = first < screens_.size() && !screens_[first].problems ? first : next_;
    // A backing screen, and an assembly, are checked where they are shown.
    const Screen& screen = *scene_->document.screens[at];
    Problems found;
    if (!screen.assembly && !isBacking(scene_->given, screen.name))
        found = atUses(scene_->given, withoutCopies(screen, checkScreen(*scene_, at), true));
    screens_[at].problems = found.empty() ? kNone : std::make_shared<const Problems>(std::move(found));
    return true;
}

SharedProblems ProjectCheck::problems() const {
    SharedProblems out;
    std::set<std::string> ofBacking;  // each once, of however many screens
    for (size_t i = 0; i < screens_.size(); ++i) {
        const auto& found = screens_[i].problems;
        if (!found || found->empty())
            continue;
        const Screen& screen = *scene_->document.screens[i];
        if (!hasBacking(screen)) {
            out.add(found);
            continue;
        }
        Problems once;
        for (const Problem& each : *found)
            if (each.screen == screen.name || ofBacking.insert(each.text() + each.code).second)
                once.push_back(each);
        out.add(std::move(once));
    }
    for (const auto& each : {apart_, unreached_, uses_})
        if (each && !each->empty())
            out.add(each);
    return out;
}

SharedProblems checkProject(const BuiltSceneRef& scene) {
    ProjectCheck check;
    check.follow(scene);
    while (check.checkNext())
        ;
    return check.problems();
}

}  // namespace gorsefinch
