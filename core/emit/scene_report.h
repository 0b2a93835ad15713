// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include <memory>
#include <unordered_map>

#include "core/emit/costs.h"

namespace gorsefinch {

// What a scene costs, and what keeps code from being generated.
struct SceneReport {
    Costs costs;
    Problems problems;
};

// Reports on one scene after the other, and keeps what it knows of screens, so that an edit costs what it changes: equal to
// costsOf() and generationProblems() of the scene.
class SceneReporter {
  public:
    SceneReport report(const BuiltScene& scene);

  private:
    // Of a screen, as long as its part is in use.
    struct ScreenFacts {
        std::shared_ptr<const ScreenPart> part;
        ScreenCost cost;
        std::vector<size_t> symbols;  // hashes of its names in generated code
        bool badNames = false;
    };
    // Hashes of names that belong to a value of the document.
    template <typename T>
    struct Symbols {
        std::shared_ptr<const T> of;
        std::vector<size_t> hashes;
        bool badNames = false;
    };

    const ScreenFacts& factsOf(const BuiltScene& scene, const std::shared_ptr<const ScreenPart>& part);
    bool mayHaveBadNames(const BuiltScene& scene);

    std::unordered_map<const ScreenPart*, ScreenFacts> screens_;
    Symbols<std::vector<Variable>> variables_;
    Symbols<CompiledRules> rules_;
};

}  // namespace gorsefinch
