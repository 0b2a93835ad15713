// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include <memory>
#include <string>
#include <unordered_map>
#include <utility>
#include <vector>

#include "core/emit/costs.h"
#include "core/emit/symbol_counts.h"

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
    // Hashes of the names that something has in generated code, and whether one of its own names is invalid.
    struct Symbols {
        std::vector<size_t> hashes;
        bool invalidNames = false;
    };
    // Of a screen, as long as its part is in use.
    struct ScreenFacts {
        std::shared_ptr<const ScreenPart> part;
        ScreenCost cost;
        Symbols symbols;
    };

    ScreenFacts& lookAt(const BuiltScene& scene, const std::shared_ptr<const ScreenPart>& part);
    void followScreens(const BuiltScene& scene);
    void forget(const ScreenFacts& facts);
    void followDocument(const BuiltScene& scene);
    void followAssets(const BuiltScene& scene);
    void replace(Symbols& symbols, Symbols now);
    bool mayHaveNameProblems(const BuiltScene& scene);

    std::unordered_map<const ScreenPart*, ScreenFacts> screens_;
    std::vector<const ScreenFacts*> shown_;  // of each screen of the latest scene
    std::shared_ptr<const std::vector<Variable>> variables_;
    std::shared_ptr<const Clock> clock_;
    std::vector<std::string> sets_;  // of colours
    std::shared_ptr<const CompiledRules> rules_;
    std::vector<std::pair<std::string, size_t>> images_;  // with their frames
    std::vector<FontKey> fonts_;
    Symbols ofGenerated_, ofVariables_, ofRules_, ofAssets_;
    SymbolCounts counts_;        // of all of them
    size_t invalidScreens_ = 0;  // that have an invalid name or hold one
};

}  // namespace gorsefinch
