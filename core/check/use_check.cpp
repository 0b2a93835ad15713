// SPDX-License-Identifier: GPL-3.0-or-later
#include "core/check/use_check.h"

#include <algorithm>
#include <map>
#include <set>
#include <unordered_set>

#include "core/base/characters.h"
#include "core/base/problem_codes.h"
#include "core/edits/look_edits.h"
#include "core/edits/named_edits.h"
#include "core/project/project_text.h"

namespace gorsefinch {

namespace {

constexpr int kManyUses = 4;  // of a look, so that "most" means something

Problem note(const char* code, const std::string& place, const std::string& reason, const std::string& remedy) {
    Problem p;
    p.severity = Severity::Note;
    p.file = kMainFile;
    p.place = place;
    p.reason = reason;
    p.remedy = remedy;
    p.code = code;
    return p;
}

// What inputs of assemblies are, which may be names of anything.
void addInputs(const Document& document, std::set<std::string>& out) {
    for (const ScreenRef& screen : document.screens) {
        if (screen->assembly)
            for (const AssemblyInput& each : screen->assembly->inputs)
                out.insert(each.start);
        for (const WidgetRef& widget : screen->widgets)
            for (const auto& [input, text] : widget->inputs)
                out.insert(text);
    }
}

// What properties of one type name, in looks and widgets.
std::set<std::string> namedBy(const Document& document, PropertyType type) {
    std::set<std::string> out;
    const auto add = [&](const PropertyInfo* property, const PropertyValue& value) {
        if (property && property->type == type)
            if (const auto* name = std::get_if<std::string>(&value))
                out.insert(*name);
    };
    for (const Look& look : *document.looks) {
        for (const auto& [key, value] : look.style)
            add(findStyleProperty(key), value);
        for (const auto& [state, style] : look.states)
            for (const auto& [key, value] : style)
                add(findStyleProperty(key), value);
    }
    for (const ScreenRef& screen : document.screens)
        for (const WidgetRef& widget : screen->widgets)
            for (const auto& [key, value] : widget->properties)
                add(findProperty(widget->kind, key), value);
    addInputs(document, out);
    return out;
}

void addLooks(const Document& document, Problems& out) {
    const auto uses = lookUses(document);
    std::set<std::string> inputs;
    addInputs(document, inputs);
    for (const Look& look : *document.looks) {
        const bool isBase = std::any_of(document.looks->begin(), document.looks->end(),
                                        [&](const Look& each) { return each.basedOn == look.name; });
        // New widgets, and keyboards that come by themselves, take looks of these names.
        const bool isStart = std::any_of(kinds().begin(), kinds().end(), [&](const KindInfo* kind) {
            return std::find(kind->looks.begin(), kind->looks.end(), look.name) != kind->looks.end();
        });
        if (uses.count(look.name) == 0 && inputs.count(look.name) == 0 && !isBase && !isStart)
            out.push_back(note(kUnused, "look " + look.name, "no widget has it", "Delete it"));
    }
}

using Words = std::unordered_set<std::string>;

bool isOfWord(char c) { return isDigit(c) || c == '_' || (c >= 'a' && c <= 'z') || (c >= 'A' && c <= 'Z'); }

void addWords(std::string_view text, Words& out) {
    for (size_t at = 0; at < text.size();) {
        size_t end = at;
        while (end < text.size() && isOfWord(text[end]))
            ++end;
        if (end > at)
            out.emplace(text.substr(at, end - at));
        at = end + 1;
    }
}

// All words of rules, expressions and texts with insets, and the variables that properties name. Comments count, too.
Words mentionedWords(const Document& document) {
    Words out;
    for (const RuleFile& each : *document.rules)
        addWords(each.text, out);
    for (const ScreenRef& screen : document.screens)
        for (const WidgetRef& widget : screen->widgets) {
            for (const auto* texts : {&widget->expressions, &widget->inputs})
                for (const auto& [key, text] : *texts)
                    addWords(text, out);
            for (const auto& [key, value] : widget->properties)
                if (const auto* text = std::get_if<std::string>(&value))
                    if (const PropertyInfo* property = findProperty(widget->kind, key);
                        property && (property->type == PropertyType::Variable || text->find('{') != std::string::npos))
                        addWords(*text, out);
        }
    return out;
}

void addNamed(const Document& document, const Words& mentioned, Problems& out) {
    const auto uses = namedUses(document);
    std::set<std::string> inputs;
    addInputs(document, inputs);
    const auto add = [&](const std::string& name, const char* what) {
        if (uses.count(name) == 0 && inputs.count(name) == 0 && mentioned.count(name) == 0)
            out.push_back(note(kUnused, std::string(what) + " " + name, "nothing has it", "Delete it"));
    };
    for (const NamedColour& each : document.named->colours)
        add(each.name, "colour");
    for (const NamedSize& each : document.named->sizes)
        add(each.name, "size");
}

void addImages(const Document& document, Problems& out) {
    std::set<std::string> used = namedBy(document, PropertyType::Image);
    for (const Image& each : *document.images)
        used.insert(each.recipe.paletteImage);
    for (const Image& each : *document.images)
        if (used.count(each.name) == 0)
            out.push_back(note(kUnused, "image " + each.name, "nothing shows it", "Delete it"));
}

// The first is that of looks which name none.
void addFaces(const Document& document, Problems& out) {
    std::set<std::string> used = namedBy(document, PropertyType::Font);
    for (const Face& each : *document.faces) {
        used.insert(each.defaults.fallback);
        for (const FontSize& size : each.sizes)
            used.insert(size.settings.fallback);
    }
    for (size_t i = 1; i < document.faces->size(); ++i)
        if (const std::string& name = (*document.faces)[i].name; used.count(name) == 0)
            out.push_back(note(kUnused, "face " + name, "nothing is written in it", "Delete it"));
}

void addVariables(const Document& document, const Words& mentioned, Problems& out) {
    for (const Variable& each : *document.variables)
        if (mentioned.count(each.name) == 0)
            out.push_back(note(kUnused, "variable " + each.name, "no screen shows it, no rule uses it", "Delete it"));
}

}  // namespace

Problems unusedThings(const Document& document) {
    Problems out;
    addLooks(document, out);
    const Words mentioned = mentionedWords(document);
    addNamed(document, mentioned, out);
    addImages(document, out);
    addFaces(document, out);
    addVariables(document, mentioned, out);
    return out;
}

Problems oddLooks(const Document& document) {
    std::map<std::string, int> uses;
    std::map<std::string, std::map<std::string, int>> overrides;
    std::map<std::string, std::set<Kind>> kindsOf;
    for (const ScreenRef& screen : document.screens)
        for (const WidgetRef& widget : screen->widgets) {
            if (widget->look.empty())
                continue;
            ++uses[widget->look];
            kindsOf[widget->look].insert(widget->kind);
            for (const auto& [key, value] : widget->properties)
                if (findStyleProperty(key))
                    ++overrides[widget->look][key];
        }
    Problems out;
    for (const auto& [look, keys] : overrides)
        for (const auto& [key, count] : keys)
            if (document.look(look) && uses[look] >= kManyUses && 2 * count > uses[look])
                out.push_back(note(kOftenOverridden, "look " + look,
                                   std::to_string(count) + " of the " + std::to_string(uses[look]) +
                                       " widgets that have it set \"" + key + "\" themselves",
                                   "Set it in the look, or make another look of one of them"));
    for (const Look& look : *document.looks)
        for (const auto& [state, style] : look.states) {
            const auto known =
                std::find_if(lookStates().begin(), lookStates().end(),
                             [&, name = std::string_view(state)](const LookState& each) { return name == each.key; });
            const std::set<Kind>& users = kindsOf[look.name];
            if (known == lookStates().end() || users.empty() ||
                std::any_of(users.begin(), users.end(), [&](Kind kind) { return hasState(info(kind), *known); }))
                continue;
            out.push_back(note(kNeverHappens, "look " + look.name,
                               "none of the widgets that have it can be in the state " + state,
                               "Take the state out of the look"));
        }
    return out;
}

Problems unreachedScreens(const BuiltScene& scene) {
    std::set<int> reached{0};
    for (const RuleSource& each : scene.rules->sources)
        reached.insert(each.leadsTo.begin(), each.leadsTo.end());
    Problems out;
    // Rules with a mistake are left out: nobody knows where they lead to.
    if (hasErrors(scene.rules->problems))
        return out;
    for (size_t i = 0; i < shownScreens(scene.given); ++i) {
        if (reached.count(static_cast<int>(i)) != 0 || isBacking(scene.given, scene.parts[i]->source->name))
            continue;
        Problem p = note(kNothingLeadsTo, {}, "no rule leads to this screen",
                         "Add a rule such as go " + scene.parts[i]->source->name + ", unless the firmware shows it");
        p.severity = Severity::Warning;
        p.screen = scene.parts[i]->source->name;
        p.file = "screens/" + p.screen + ".json";
        out.push_back(std::move(p));
    }
    return out;
}

}  // namespace gorsefinch
