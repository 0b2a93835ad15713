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

// Computes costsOf() and generationProblems() of one scene after the other. The results of screens are cached with
// their parts, so an edit costs only what it changes.
class SceneReporter {
  public:
    SceneReport report(const BuiltScene& scene);

  private:
    // Of a screen, as long as its part is in use.
    struct ScreenFacts {
        std::shared_ptr<const ScreenPart> part;
        ScreenCost cost;
        std::vector<size_t> symbols;  // hashes of its names in generated code
        bool invalidNames = false;
    };
    // Hashes of names that belong to a value of the document.
    template <typename T>
    struct Symbols {
        std::shared_ptr<const T> of;
        std::vector<size_t> hashes;
        bool invalidNames = false;
    };

    const ScreenFacts& factsOf(const BuiltScene& scene, const std::shared_ptr<const ScreenPart>& part);
    bool mayHaveNameProblems(const BuiltScene& scene);

    std::unordered_map<const ScreenPart*, ScreenFacts> screens_;
    Symbols<std::vector<Variable>> variables_;
    Symbols<CompiledRules> rules_;
};

}  // namespace gorsefinch
