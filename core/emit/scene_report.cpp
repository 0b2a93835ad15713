// SPDX-License-Identifier: GPL-3.0-or-later
#include "core/emit/scene_report.h"

#include <algorithm>
#include <cassert>

#include "core/document/names.h"
#include "core/emit/generation_problems.h"

namespace gorsefinch {

namespace {

// Collects the hashes of what is visited.
auto hashing(std::vector<size_t>& hashes) {
    return [&hashes](const std::string& symbol, const std::string&) { hashes.push_back(SymbolCounts::hashOf(symbol)); };
}

}  // namespace

void SceneReporter::replace(Symbols& symbols, Symbols now) {
    counts_.remove(symbols.hashes);
    counts_.add(now.hashes);
    symbols = std::move(now);
}

SceneReporter::ScreenFacts& SceneReporter::lookAt(const BuiltScene& scene,
                                                  const std::shared_ptr<const ScreenPart>& part) {
    ScreenFacts& facts = screens_[part.get()];
    if (facts.part)
        return facts;
    facts.part = part;
    facts.cost = screenCost(scene, *part);
    Symbols symbols;
    visitSymbols(*part->source, hashing(symbols.hashes));
    const auto& widgets = part->source->widgets;
    symbols.invalidNames =
        nameError(part->source->name) || std::any_of(widgets.begin(), widgets.end(), [&](const WidgetRef& widget) {
            return nameError(widget->name) && !scene.isMade(part->source->name, *widget);
        });
    invalidScreens_ += symbols.invalidNames;
    replace(facts.symbols, std::move(symbols));
    return facts;
}

void SceneReporter::forget(const ScreenFacts& facts) {
    counts_.remove(facts.symbols.hashes);
    invalidScreens_ -= facts.symbols.invalidNames;
    screens_.erase(facts.part.get());
}

// Looks at new parts and forgets those that are gone. Most are where they were, which costs no more than a comparison.
void SceneReporter::followScreens(const BuiltScene& scene) {
    std::vector<const ScreenFacts*> displaced;
    for (size_t i = scene.parts.size(); i < shown_.size(); ++i)
        displaced.push_back(shown_[i]);
    shown_.resize(scene.parts.size());
    for (size_t i = 0; i < scene.parts.size(); ++i) {
        if (shown_[i] && shown_[i]->part == scene.parts[i])
            continue;
        if (shown_[i])
            displaced.push_back(shown_[i]);
        shown_[i] = &lookAt(scene, scene.parts[i]);
    }
    // Two screens may have the same part.
    std::sort(displaced.begin(), displaced.end());
    displaced.erase(std::unique(displaced.begin(), displaced.end()), displaced.end());
    for (const ScreenFacts* each : displaced)
        if (std::find(shown_.begin(), shown_.end(), each) == shown_.end())
            forget(*each);
}

void SceneReporter::followDocument(const BuiltScene& scene) {
    const Document& doc = scene.document;
    if (variables_ != doc.variables || clock_ != doc.clock || sets_ != doc.named->sets) {
        variables_ = doc.variables;
        sets_ = doc.named->sets;
        clock_ = doc.clock;
        Symbols symbols;
        visitSymbols(doc, hashing(symbols.hashes));
        symbols.invalidNames = std::any_of(doc.variables->begin(), doc.variables->end(), [&](const Variable& each) {
            return nameError(each.name) && !scene.isMade(each);
        });
        replace(ofVariables_, std::move(symbols));
    }
    if (rules_ != scene.rules) {
        rules_ = scene.rules;
        Symbols symbols;
        visitSymbols(*scene.rules, hashing(symbols.hashes));
        replace(ofRules_, std::move(symbols));
    }
}

void SceneReporter::followAssets(const BuiltScene& scene) {
    const bool sameImages = std::equal(scene.images.begin(), scene.images.end(), images_.begin(), images_.end(),
                                       [](const ImageUse& use, const auto& known) {
                                           return use.name == known.first && use.frameCount() == known.second;
                                       });
    const bool sameFonts = std::equal(scene.fonts.begin(), scene.fonts.end(), fonts_.begin(), fonts_.end(),
                                      [](const FontRef& font, const FontKey& known) { return font->key() == known; });
    if (sameImages && sameFonts)
        return;
    images_.clear();
    for (const ImageUse& use : scene.images)
        images_.emplace_back(use.name, use.frameCount());
    fonts_.clear();
    for (const FontRef& font : scene.fonts)
        fonts_.push_back(font->key());
    Symbols symbols;
    visitAssetSymbols(scene, hashing(symbols.hashes));
    replace(ofAssets_, std::move(symbols));
}

bool SceneReporter::mayHaveNameProblems(const BuiltScene& scene) {
    const std::string& project = scene.document.name;
    return nameError(project) || isNameOfRuntime(project) || ofVariables_.invalidNames || invalidScreens_ != 0 ||
           screens_.size() != scene.parts.size() || counts_.anyTwice();
}

SceneReport SceneReporter::report(const BuiltScene& scene) {
    if (ofGenerated_.hashes.empty()) {
        visitOwnSymbols(hashing(ofGenerated_.hashes));
        counts_.add(ofGenerated_.hashes);
    }
    followScreens(scene);
    followDocument(scene);
    followAssets(scene);
    SceneReport out;
    if (mayHaveNameProblems(scene))
        out.problems = nameProblems(scene);
    const Problems more = sizeProblems(scene);
    out.problems.insert(out.problems.end(), more.begin(), more.end());
    // It asks for one screen after the other.
    size_t next = 0;
    out.costs =
        costsOf(scene, [&]([[maybe_unused]] const std::shared_ptr<const ScreenPart>& part) -> const ScreenCost& {
            assert(shown_[next]->part == part);
            return shown_[next++]->cost;
        });
    return out;
}

}  // namespace gorsefinch
