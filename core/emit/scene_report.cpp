// SPDX-License-Identifier: GPL-3.0-or-later
#include "core/emit/scene_report.h"

#include "core/document/names.h"
#include "core/emit/generation_problems.h"

namespace gorsefinch {

namespace {

size_t hashOf(const std::string& symbol) { return std::hash<std::string>()(symbol); }

// A set of hashes that reports a hash that it has already. Quick, as there are tens of thousands at each edit.
class HashSet {
  public:
    explicit HashSet(size_t count) {
        size_t size = 64;
        while (size < count * 2)
            size *= 2;
        slots_.assign(size, 0);
    }
    // False if it is there already.
    bool add(size_t hash) {
        hash |= 1;  // 0 is a free slot
        size_t at = (hash >> 1) & (slots_.size() - 1);
        for (; slots_[at] != 0; at = (at + 1) & (slots_.size() - 1))
            if (slots_[at] == hash)
                return false;
        slots_[at] = hash;
        return true;
    }

  private:
    std::vector<size_t> slots_;
};

}  // namespace

const SceneReporter::ScreenFacts& SceneReporter::factsOf(const BuiltScene& scene,
                                                         const std::shared_ptr<const ScreenPart>& part) {
    ScreenFacts& facts = screens_[part.get()];
    if (facts.part)
        return facts;
    facts.part = part;
    facts.cost = screenCost(scene, *part);
    visitSymbols(*part->source,
                 [&](const std::string& symbol, const std::string&) { facts.symbols.push_back(hashOf(symbol)); });
    facts.invalidNames = nameError(part->source->name).has_value();
    for (const WidgetRef& widget : part->source->widgets)
        facts.invalidNames = facts.invalidNames || nameError(widget->name);
    return facts;
}

// Two names may clash only if their hashes do.
bool SceneReporter::mayHaveNameProblems(const BuiltScene& scene) {
    const Document& doc = scene.document;
    if (variables_.of != doc.variables) {
        variables_ = {doc.variables, {}, false};
        visitSymbols(*doc.variables, [&](const std::string& symbol, const std::string&) {
            variables_.hashes.push_back(hashOf(symbol));
        });
        for (const Variable& each : *doc.variables)
            variables_.invalidNames = variables_.invalidNames || nameError(each.name);
    }
    if (rules_.of != scene.rules) {
        rules_ = {scene.rules, {}, false};
        visitSymbols(*scene.rules,
                     [&](const std::string& symbol, const std::string&) { rules_.hashes.push_back(hashOf(symbol)); });
    }
    std::vector<size_t> others;
    const auto add = [&](const std::string& symbol, const std::string&) { others.push_back(hashOf(symbol)); };
    visitOwnSymbols(add);
    visitAssetSymbols(scene, add);
    std::vector<const std::vector<size_t>*> all{&others, &variables_.hashes, &rules_.hashes};
    bool invalid = nameError(doc.name) || isNameOfRuntime(doc.name) || variables_.invalidNames;
    size_t count = 0;
    for (const auto& part : scene.parts) {
        const ScreenFacts& facts = factsOf(scene, part);
        invalid = invalid || facts.invalidNames;
        all.push_back(&facts.symbols);
    }
    for (const auto* each : all)
        count += each->size();
    HashSet seen(count);
    for (const auto* each : all)
        for (const size_t hash : *each)
            invalid = !seen.add(hash) || invalid;
    return invalid;
}

SceneReport SceneReporter::report(const BuiltScene& scene) {
    SceneReport out;
    // Facts of parts that are gone would be taken for those of new parts at the same address.
    std::unordered_map<const ScreenPart*, ScreenFacts> kept;
    for (const auto& part : scene.parts)
        if (const auto known = screens_.find(part.get()); known != screens_.end())
            kept.insert(screens_.extract(known));
    screens_ = std::move(kept);
    if (mayHaveNameProblems(scene))
        out.problems = nameProblems(scene);
    const Problems more = sizeProblems(scene);
    out.problems.insert(out.problems.end(), more.begin(), more.end());
    out.costs = costsOf(scene, [&](const std::shared_ptr<const ScreenPart>& part) -> const ScreenCost& {
        return factsOf(scene, part).cost;
    });
    return out;
}

}  // namespace gorsefinch
