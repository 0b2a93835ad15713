// SPDX-License-Identifier: GPL-3.0-or-later
#include "core/emit/generation_problems.h"

#include <algorithm>

#include "core/document/names.h"
#include "core/emit/c_text.h"
#include "core/emit/firmware_functions.h"
#include "core/emit/scene_writer.h"

namespace gorsefinch {

namespace {

class ClashFinder {
  public:
    explicit ClashFinder(const std::string& project) : project_(project) {}

    void add(const std::string& symbol, const std::string& what) {
        const auto [known, fresh] = symbols_.emplace(symbol, what);
        if (fresh || known->second == what)
            return;
        Problem p;
        p.place = what;
        p.reason = "in C it would have the same name, " + project_ + "_" + symbol + ", as " + known->second;
        p.remedy = "Rename one of them";
        problems_.push_back(p);
    }

    Problems problems() { return std::move(problems_); }

  private:
    const std::string& project_;
    Problems problems_;
    std::map<std::string, std::string> symbols_;
};

void addNameError(const std::string& name, const std::string& what, Problems& problems) {
    if (const auto error = nameError(name)) {
        Problem p;
        p.place = what;
        p.reason = *error;
        p.remedy = "Rename it";
        problems.push_back(p);
    }
}

}  // namespace

bool isNameOfRuntime(std::string_view project) { return project == "gorse" || project.starts_with("gorse_"); }

void visitOwnSymbols(const SymbolVisitor& visit) {
    for (const char* own : {"begin",
                            "begin_in",
                            "step",
                            "touch",
                            "go",
                            "screen",
                            "redraw",
                            "flush",
                            "trace",
                            "screens",
                            "numbers",
                            "texts",
                            "strings",
                            "code",
                            "rules",
                            "keepers",
                            "motions",
                            "panel",
                            "scene",
                            "read",
                            "palette",
                            "H",
                            "WIDTH",
                            "HEIGHT",
                            "PANEL_COLUMNS",
                            "PANEL_ROWS",
                            "STATE_BYTES",
                            "BUFFER_BYTES",
                            "BUFFER_MIN",
                            "STACK_BYTES",
                            "OUTSIDE_BYTES",
                            "SCREENS",
                            "rounds_boxes",
                            "output_list",
                            "tones",
                            "outputs",
                            "draws_held",
                            "places_held",
                            "hears_keys",
                            "holders",
                            "containers",
                            "transition_list",
                            "transitions",
                            "glide_list",
                            "glides",
                            "themes",
                            "in_sets"})
        visit(own, std::string("the generated ") + own);
}

void visitSymbols(const Screen& screen, const SymbolVisitor& visit) {
    const std::string what = "screen " + screen.name;
    visit(upperCase("screen_" + screen.name), what);
    visit("screen_" + screen.name + "_widgets", what);
    visit("screen_" + screen.name + "_holders", what);
    for (const WidgetRef& widget : screen.widgets) {
        const std::string own = screen.name + "_" + widget->name,
                          ofWidget = "widget " + screen.name + "." + widget->name;
        visit(own, ofWidget);
        if (info(widget->kind).has(kRecords))
            visit("sample_" + own, ofWidget);
        if (info(widget->kind).has(kHasCells))
            visit("set_" + own + "_cell", ofWidget);
    }
}

void visitSymbols(const Document& document, const SymbolVisitor& visit) {
    if (document.clock)
        visit("set_clock", "the clock");
    for (const Variable& v : firmwareVariables(document)) {
        const std::string what = "variable " + v.name;
        visit("set_" + accessorName(v), what);
        visit("get_" + accessorName(v), what);
        visit("changed_" + v.name, what);
        for (const char* macro : {"_MIN", "_MAX", "_DECIMALS", "_LENGTH", "_COUNT"})
            visit(upperCase(v.name) + macro, what);
        if (v.type == VariableType::Choice) {
            visit(v.name, what);
            for (const std::string& constant : choiceConstants(v))
                visit(constant, what);
        }
        if (v.decimals > 0)
            visit(upperCase(v.name), what);
    }
}

void visitSymbols(const CompiledRules& rules, const SymbolVisitor& visit) {
    for (const HookInfo& hook : rules.hooks)
        visit("hook_" + hook.name, "hook " + hook.name);
}

void visitAssetSymbols(const BuiltScene& scene, const SymbolVisitor& visit) {
    const Document& doc = scene.document;
    for (const std::string& each : askingLists(scene))
        visit(each + "_item", "list " + each);
    const auto plain = [&](const std::string& symbol) { return symbol.substr(doc.name.size() + 1); };
    for (const ImageUse& use : scene.images)
        for (size_t i = 0; i < use.frameCount(); ++i)
            visit(plain(imageSymbol(doc, use.name, i)), "image " + use.name);
    for (const FontRef& font : scene.fonts)
        visit(plain(fontSymbol(doc, font->key())), "face " + font->key().face);
}

Problems nameProblems(const BuiltScene& scene) {
    const Document& doc = scene.document;
    Problems problems;
    addNameError(doc.name, "the project", problems);
    if (isNameOfRuntime(doc.name)) {
        Problem p;
        p.place = "the project";
        p.reason = "the names of the runtime begin with gorse, too";
        p.remedy = "Rename the project";
        problems.push_back(p);
    }
    for (const ScreenRef& screen : doc.screens) {
        addNameError(screen->name, "screen " + screen->name, problems);
        for (const WidgetRef& widget : screen->widgets)
            if (!scene.isMade(screen->name, *widget))
                addNameError(widget->name, "widget " + screen->name + "." + widget->name, problems);
    }
    for (const Variable& v : *doc.variables)
        if (!scene.isMade(v))
            addNameError(v.name, "variable " + v.name, problems);
    ClashFinder clashes(doc.name);
    const auto add = [&](const std::string& symbol, const std::string& what) { clashes.add(symbol, what); };
    visitOwnSymbols(add);
    for (const ScreenRef& screen : doc.screens)
        visitSymbols(*screen, add);
    visitSymbols(doc, add);
    visitSymbols(*scene.rules, add);
    visitAssetSymbols(scene, add);
    const Problems more = clashes.problems();
    problems.insert(problems.end(), more.begin(), more.end());
    return problems;
}

Problems sizeProblems(const BuiltScene& scene) {
    Problems problems;
    for (const ImageUse& use : scene.images) {
        const BakedFrame& frame = use.image->frames.front();
        if (scene.document.panel->wordBits == 8 && !use.image->outside &&
            std::max(frame.pixels.size(), frame.mask.size()) > 32767) {
            Problem p;
            p.place = "image " + use.name;
            p.reason = "it is larger than the 32767 bytes that an object may have on an 8-bit target";
            p.remedy = "Make it smaller";
            problems.push_back(p);
        }
    }
    if (scene.stateBytes(8) > 65000) {
        Problem p;
        p.place = "panel";
        p.reason = "the state would take more than 64 KB";
        p.remedy = "Use fewer variables or shorter texts";
        problems.push_back(p);
    }
    return problems;
}

Problems generationProblems(const BuiltScene& scene) {
    Problems problems = nameProblems(scene);
    const Problems more = sizeProblems(scene);
    problems.insert(problems.end(), more.begin(), more.end());
    return problems;
}

}  // namespace gorsefinch
