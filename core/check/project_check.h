// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include <unordered_map>
#include <vector>

#include "core/check/namesake_check.h"
#include "core/scene/built_scene.h"

namespace gorsefinch {

// All checks of a project that need more than its scene, one scene after the other. Results are kept with what they
// were made of, so that an edit costs only what it changes; what is still to be done is done screen by screen, so that
// nobody waits for it.
class ProjectCheck {
  public:
    // Takes a new scene. Screens that changed have no problems until their turn comes.
    void follow(BuiltSceneRef scene);
    // Checks one screen that is not up to date, `first` before all others. Returns false, having done nothing, when all
    // are.
    bool checkNext(size_t first = 0);
    // What is found up to now.
    SharedProblems problems() const;

  private:
    // What the check of a screen depends on.
    struct Key {
        std::vector<const ScreenPart*> parts;  // in each set of colours
        std::vector<uint32_t> backgrounds;
        const Panel* panel = nullptr;
        friend bool operator==(const Key&, const Key&) = default;
    };
    struct Checked {
        Key key;
        std::vector<std::shared_ptr<const ScreenPart>> kept;  // so that addresses stay theirs
        Shared<Panel> panel;
        std::shared_ptr<const Problems> problems;  // null: not checked yet
    };
    Key keyOf(size_t screen) const;
    void checkUses();

    BuiltSceneRef scene_;
    std::vector<Checked> screens_;
    size_t next_ = 0;  // all before are checked
    NamesakeCheck namesakes_;
    std::shared_ptr<const Problems> apart_, uses_, unreached_;
    // What the uses were counted in.
    Document counted_;
    std::shared_ptr<const CompiledRules> rules_;
};

// All of them at once.
SharedProblems checkProject(const BuiltSceneRef& scene);

}  // namespace gorsefinch
