// SPDX-License-Identifier: GPL-3.0-or-later
#include "core/scene/built_scene.h"

#include <algorithm>
#include <utility>

#include "core/rules/moved_rules.h"
#include "core/scene/named_uses.h"
#include "core/scene/panel_record.h"
#include "core/scene/scene_problems.h"
#include "core/scene/scene_record.h"
#include "core/scene/transitions.h"

namespace gorsefinch {

namespace {

// Names in which two lists differ; `order` is set if the positions changed too.
template <typename T>
std::set<std::string> differing(const Shared<std::vector<T>>& a, const Shared<std::vector<T>>& b, bool& order) {
    std::set<std::string> out;
    if (a == b)
        return out;
    order = order || a->size() != b->size();
    for (size_t i = 0; i < std::max(a->size(), b->size()); ++i) {
        const T* x = i < a->size() ? &(*a)[i] : nullptr;
        const T* y = i < b->size() ? &(*b)[i] : nullptr;
        if (x && y && x->name != y->name)
            order = true;
        if (x && y && *x == *y)
            continue;
        if (x)
            out.insert(x->name);
        if (y)
            out.insert(y->name);
    }
    return out;
}

// The same faces of the same files; their settings may differ.
bool sameFaces(const Document& a, const Document& b) {
    return a.faces == b.faces ||
           std::equal(a.faces->begin(), a.faces->end(), b.faces->begin(), b.faces->end(),
                      [](const Face& x, const Face& y) {
                          return x.name == y.name && x.original == y.original && x.variant == y.variant;
                      });
}

void fillImages(BuiltScene& out) {
    std::map<std::string, ImageUse> all;
    for (const auto& part : out.parts)
        for (const ImageUse& each : part->images) {
            ImageUse& use = all.emplace(each.name, each).first->second;
            use.allFrames = use.allFrames || each.allFrames;
        }
    for (auto& [name, use] : all)
        out.images.push_back(std::move(use));
}

}  // namespace

SceneBuilder::Changes SceneBuilder::changesFrom(const Document& document) const {
    Changes out;
    if (!last_) {
        out.all = true;
        return out;
    }
    const Document& before = last_->document;
    out.all = before.panel != document.panel || before.clock != document.clock || !sameFaces(before, document);
    if (!out.all && before.faces != document.faces)
        for (size_t i = 0; i < document.faces->size(); ++i)
            if (!((*before.faces)[i] == (*document.faces)[i]))
                out.faces.insert((*document.faces)[i].name);
    bool order = false;
    out.variables = differing(before.variables, document.variables, order);
    out.all = out.all || order;
    bool ignored = false;
    out.looks = differing(before.looks, document.looks, ignored);
    if (before.named != document.named) {
        for (std::string& each : differingNames(*before.named, *document.named))
            out.named.insert(std::move(each));
        addLooksWith(out.named, document, out.looks);
    }
    if (!out.looks.empty()) {
        addDerived(out.looks, before);
        addDerived(out.looks, document);
    }
    if (before.images != document.images) {
        for (const Image& each : *document.images) {
            const Image* old = before.image(each.name);
            if (!old || old->original != each.original || old->more != each.more || !(old->recipe == each.recipe))
                out.images.insert(each.name);
        }
        for (const Image& each : *before.images)
            if (!document.image(each.name))
                out.images.insert(each.name);
    }
    return out;
}

std::shared_ptr<const CompiledRules> SceneBuilder::rulesOf(const Document& document, const ProjectNames& names) const {
    std::shared_ptr<const CompiledRules> rules;
    if (last_ && last_->document.rules == document.rules && last_->document.variables == document.variables &&
        last_->document.clock == document.clock && last_->document.screens.size() == document.screens.size() &&
        last_->document.named->sets == document.named->sets && last_->document.named->sizes == document.named->sizes &&
        (!last_->rules->readsNamedValues || *last_->document.named == *document.named))
        rules = last_->rules;
    for (size_t i = 0; rules && i < document.screens.size(); ++i)
        if (const ScreenRef& before = last_->document.screens[i], &now = document.screens[i]; before != now)
            rules = movedRules(rules, static_cast<int>(i), *before, *now, *document.named);
    return rules ? rules : std::make_shared<const CompiledRules>(compileRules(names, *document.rules));
}

bool SceneBuilder::isCurrent(const ScreenPart& part, const PartContext& context, const Changes& changes) const {
    const auto touches = [](const std::set<std::string>& used, const std::set<std::string>& changed) {
        return !changed.empty() &&
               std::any_of(used.begin(), used.end(), [&](const std::string& name) { return changed.count(name) != 0; });
    };
    // Texts that rules set are numbered by the rules, and those that slots begin with behind them.
    const bool sameStrings =
        part.slotTexts.empty() || (last_->rules.get() == &context.rules && part.firstString == context.firstString);
    return sameStrings && std::ranges::equal(part.slotInfos, context.slots) &&
           !touches(part.usedVariables, changes.variables) && !touches(part.usedLooks, changes.looks) &&
           !touches(part.usedImages, changes.images) && !touches(part.usedNames, changes.named) &&
           !(part.readsNamedValues && !changes.named.empty());
}

std::shared_ptr<const ScreenPart> SceneBuilder::findPart(const Parts& before, const ScreenRef& screen,
                                                         size_t at) const {
    if (at < before.size() && before[at]->given == screen)
        return before[at];
    const auto found =
        std::find_if(before.begin(), before.end(), [&](const auto& part) { return part->given == screen; });
    return found == before.end() ? nullptr : *found;
}

// What the part of each screen is built from. The number of the first string is set as the parts are built.
std::vector<PartContext> SceneBuilder::contextsOf(const BuiltScene& scene, const ProjectNames& names) {
    auto slot = scene.rules->slots.begin();
    std::vector<PartContext> contexts;
    for (size_t i = 0; i < scene.document.screens.size(); ++i) {
        const auto first = slot;
        while (slot != scene.rules->slots.end() && slot->screen == static_cast<int>(i))
            ++slot;
        contexts.push_back({scene.document, names, *scene.rules, {first, slot}, 0, fonts_, looks_, images_});
    }
    return contexts;
}

void SceneBuilder::buildParts(BuiltScene& scene, const ProjectNames& names, const Changes& changes) {
    static const Parts none;
    const Parts& before = changes.all ? none : last_->parts;
    auto firstString = static_cast<int>(scene.rules->strings.size());
    std::vector<PartContext> contexts = contextsOf(scene, names);
    for (size_t i = 0; i < contexts.size(); ++i) {
        contexts[i].firstString = firstString;
        const ScreenRef& screen = scene.document.screens[i];
        auto part = findPart(before, screen, i);
        if (!part || !isCurrent(*part, contexts[i], changes))
            part = buildScreenPart(screen, contexts[i]);
        firstString += static_cast<int>(part->slotTexts.size());
        scene.parts.push_back(std::move(part));
    }
    shrinkTexts(scene.document, scene.parts, last_ ? last_->parts : none, contexts);
    buildSets(scene, contexts, changes);
}

// The screens that look different in the sets behind the first.
void SceneBuilder::buildSets(BuiltScene& scene, const std::vector<PartContext>& contexts, const Changes& changes) {
    static const Parts none;
    const NamedValues& named = *scene.document.named;
    const SetDependence dependence(scene.document);
    for (size_t set = 1; set < named.setCount(); ++set) {
        NamedValues shown = named;
        shown.shown = set;
        Document document = scene.document;
        document.named = std::make_shared<const NamedValues>(std::move(shown));
        const bool known = !changes.all && last_ && set < last_->setCount();
        const Parts& before = known ? last_->partsIn(set) : none;
        Parts& parts = scene.otherSets.emplace_back().parts;
        std::vector<PartContext> here;
        for (size_t i = 0; i < contexts.size(); ++i) {
            const PartContext& c = contexts[i];
            const PartContext& context = here.emplace_back(
                PartContext{document, c.names, c.rules, c.slots, c.firstString, c.fonts, c.looks, c.images});
            if (!dependence.isDifferent(*scene.parts[i])) {
                parts.push_back(scene.parts[i]);
                continue;
            }
            const ScreenRef& screen = scene.document.screens[i];
            auto part = findPart(before, screen, i);
            if (!part || part->set != set || !isCurrent(*part, context, changes))
                part = buildScreenPart(screen, context);
            parts.push_back(std::move(part));
        }
        shrinkTexts(document, parts, before, here);
        ColourSet& to = scene.otherSets.back();
        for (size_t i = 0; i < parts.size(); ++i) {
            const bool same = known && i < before.size() && before[i] == parts[i] && last_->parts[i] == scene.parts[i];
            to.own.push_back(parts[i] == scene.parts[i] ? nullptr
                             : same                     ? last_->otherSets[set - 1].own[i]
                                                        : ownRecords(*scene.parts[i], *parts[i]));
        }
    }
}

// Builds parts again whose texts shrink to other sizes than the project has now.
void SceneBuilder::shrinkTexts(const Document& document, Parts& parts, const Parts& before,
                               const std::vector<PartContext>& contexts) {
    const auto shrinks = [](const auto& part) { return !part->shrinks.empty(); };
    if (std::none_of(parts.begin(), parts.end(), shrinks))
        return;
    fonts_.clear();
    for (const auto& part : parts)
        fonts_.insert(part->ownFonts.begin(), part->ownFonts.end());
    for (size_t i = 0; i < parts.size(); ++i) {
        auto& part = parts[i];
        const bool current = std::all_of(part->shrinks.begin(), part->shrinks.end(), [&](const auto& each) {
            return each.second == smallerSizes(fonts_, each.first.first, each.first.second);
        });
        if (current)
            continue;
        const auto stale = std::exchange(part, buildScreenPart(document.screens[i], contexts[i]));
        // Those of the last scene are released with that.
        if (std::find(before.begin(), before.end(), stale) == before.end())
            releaseCharacters(document, *stale);
    }
}

void SceneBuilder::releaseCharacters(const Document& document, const ScreenPart& part) {
    for (const FontNeed& need : part.needs)
        if (BakedFont* font = looks_.font(document, need.font))
            font->need(need.characters, -1);
}

// Gives back the characters of parts that are gone.
void SceneBuilder::releaseParts(const BuiltScene& before, const BuiltScene& now) {
    const auto isIn = [](const Parts& parts, const auto& part, size_t at) {
        return (at < parts.size() && parts[at] == part) || std::find(parts.begin(), parts.end(), part) != parts.end();
    };
    for (size_t set = 0; set < before.setCount(); ++set)
        for (size_t i = 0; i < before.parts.size(); ++i) {
            const auto& part = before.partsIn(set)[i];
            if (set > 0 && part == before.parts[i])
                continue;
            bool stays = false;
            for (size_t other = 0; other < now.setCount() && !stays; ++other)
                stays = isIn(now.partsIn(other), part, i);
            if (!stays)
                releaseCharacters(before.document, *part);
        }
}

// The font as it is now; the same as before if nothing differs.
FontRef SceneBuilder::versionOf(BakedFont& font) {
    FontVersion& version = versions_[&font];
    const bool changed = font.bake();
    std::set<char32_t> missing = font.missing();
    if (changed || !version.font || missing != version.missing)
        version = {std::make_shared<const BakedFont>(font), std::move(missing)};
    return version.font;
}

SceneLinks SceneBuilder::bakeFonts(BuiltScene& scene) {
    // Sizes that an earlier document used stay in the pool, but not in the scene.
    SceneLinks links;
    std::vector<const FontKey*> used;  // each once: few, of many screens
    for (const auto& part : scene.parts)
        for (const FontKey& key : part->usedFonts)
            if (std::none_of(used.begin(), used.end(), [&](const FontKey* known) { return *known == key; }))
                used.push_back(&key);
    for (BakedFont* font : looks_.fonts()) {
        if (std::none_of(used.begin(), used.end(), [&](const FontKey* known) { return *known == font->key(); }))
            continue;
        const FontRef version = versionOf(*font);
        links.fonts[font->record()] = version;
        scene.fonts.push_back(version);
        if (const std::set<char32_t>& missing = versions_[font].missing; !missing.empty())
            addMissingCharacters(scene, *font, missing);
        if (font->leftOut() > 0) {
            Problem p;
            p.place = font->key().face + " " + std::to_string(font->key().size);
            p.reason = "the font has no room for " + std::to_string(font->leftOut()) + " of its characters";
            p.remedy = "Hold fewer characters, or use fewer bits a pixel";
            scene.problems.add({std::move(p)});
        }
    }
    return links;
}

// Lays the images that live in outside memory one behind the other. Two names of the same image share its bytes.
void SceneBuilder::placeImages(BuiltScene& scene, SceneLinks& links) {
    std::map<const BakedImage*, PlacedImage> placed;
    for (ImageUse& use : scene.images) {
        const BakedImage* image = use.image.get();
        if (!image->outside)
            continue;
        const auto [entry, isNew] = placed.try_emplace(image);
        if (isNew) {
            const auto address = static_cast<uint32_t>(scene.outside.size());
            const auto known = placed_.find(image);
            entry->second = known != placed_.end() && known->second.address == address
                                ? known->second
                                : PlacedImage{use.image, placedOutside(*image, address), address};
            links.images[image] = entry->second.placed;
            for (const BakedFrame& frame : image->frames)
                for (const auto* bytes : {&frame.pixels, &frame.mask})
                    scene.outside.insert(scene.outside.end(), bytes->begin(), bytes->end());
        }
        use.image = entry->second.placed;
    }
    placed_ = std::move(placed);
}

FontRef SceneBuilder::font(const FontKey& key) const {
    if (last_)
        for (const FontRef& each : last_->fonts)
            if (each->key() == key)
                return each;
    return nullptr;
}

BuiltSceneRef SceneBuilder::build(const Document& given) {
    Assembled assembled = assembler_.assemble(given);
    Expanded expanded = expander_.expand(assembled.document);
    const Document& document = expanded.document;
    const Changes changes = changesFrom(document);
    auto out = std::make_shared<BuiltScene>();
    out->document = document;
    out->given = given;
    const ProjectNames names(out->document, variables_);
    variables_ = names.variables();
    if (changes.all) {
        linker_.clear();
        versions_.clear();
        looks_.clear();
        last_.reset();
    } else if (!changes.faces.empty()) {
        looks_.adoptFaces(document, changes.faces);
        linker_.forgetClipped();
    }
    out->rules = rulesOf(document, names);
    buildParts(*out, names, changes);
    if (last_)
        releaseParts(*last_, *out);
    SceneLinks links = bakeFonts(*out);
    fillVariables(*out, names);
    fillImages(*out);
    placeImages(*out, links);
    linker_.begin(std::move(links));
    for (const auto& part : out->parts)
        out->tables.push_back(linker_.link(part));
    for (ColourSet& set : out->otherSets)
        for (const auto& part : set.parts)
            set.tables.push_back(linker_.link(part));
    linker_.end();
    fillPanel(*out);
    fillTransitions(*out);
    if (out->transitions.fades != 0 ||
        std::any_of(out->parts.begin(), out->parts.end(), [](const auto& part) { return part->fades; }))
        addCopyBuffer(*out);
    fillScreens(*out);
    fillScene(*out, names);
    fillSets(*out);
    if (!assembled.problems.empty())
        out->problems.add(std::move(assembled.problems));
    if (!expanded.problems.empty())
        out->problems.add(std::move(expanded.problems));
    if (Problems missing = missingNames(given); !missing.empty())
        out->problems.add(std::move(missing));
    AssemblyProblems ofAssemblies;
    for (const auto& part : out->parts)
        if (part->source->assembly) {
            ofAssemblies.add(part->problems);
            ofAssemblies.add(*linker_.clipped(*part));
        }
    for (const auto& part : out->parts)
        addPartProblems(*out, *part->source, std::shared_ptr<const Problems>(part, &part->problems), ofAssemblies);
    for (const auto& part : out->parts)
        if (const auto& clipped = linker_.clipped(*part); !clipped->empty())
            addPartProblems(*out, *part->source, clipped, ofAssemblies);
    addRuleProblems(*out);
    last_ = out;
    return out;
}

}  // namespace gorsefinch
