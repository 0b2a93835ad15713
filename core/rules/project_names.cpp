// SPDX-License-Identifier: GPL-3.0-or-later
#include "core/rules/project_names.h"

#include "core/document/panel_outputs.h"
#include "core/rules/clock_fields.h"

namespace gorsefinch {

namespace {

std::shared_ptr<const ProjectNames::VariableIndex> indexOf(const Document& document) {
    auto out = std::make_shared<ProjectNames::VariableIndex>();
    out->of = document.variables;
    out->withClock = document.clock != nullptr;
    out->outputs = outputVariables(*document.panel);
    out->theme = themeVariable(*document.named);
    int number = 0;
    const auto add = [&](const Variable& each) {
        ProjectNames::VariableRef ref{&each, number, static_cast<int>(out->byBinding.size()), {}};
        if (each.type == VariableType::Choice) {
            std::vector<const char*>& words = out->choices.emplace_back();
            for (const std::string& choice : each.choices)
                words.push_back(choice.c_str());
            ref.choices = words;
        }
        out->byName.emplace(each.name, ref);
        number += each.count;
        out->byBinding.insert(out->byBinding.end(), static_cast<size_t>(each.count), &each);
    };
    for (const Variable& each : *document.variables)
        if (!each.isText())
            add(each);
    if (out->withClock)
        for (const Variable& each : clockVariables())
            add(each);
    for (const Variable& each : out->outputs)
        add(each);
    if (out->theme)
        add(*out->theme);
    number = 0;
    for (const Variable& each : *document.variables)
        if (each.isText())
            add(each);
    return out;
}

}  // namespace

void NamedWidgets::add(std::string_view screen, std::string_view widget) {
    byScreen_[std::string(screen)].emplace(widget);
}

bool NamedWidgets::has(const std::string& screen, const std::string& widget) const {
    const auto on = [&](const std::string& name) {
        const auto found = byScreen_.find(name);
        return found != byScreen_.end() && found->second.count(widget) != 0;
    };
    return on(screen) || on("");
}

ProjectNames::ProjectNames(const Document& document, const std::shared_ptr<const VariableIndex>& known)
    : document_(document),
      variables_(known && known->of == document.variables && known->withClock == (document.clock != nullptr) &&
                         known->outputs == outputVariables(*document.panel) &&
                         known->theme == themeVariable(*document.named)
                     ? known
                     : indexOf(document)) {}

std::optional<ProjectNames::VariableRef> ProjectNames::variable(std::string_view name) const {
    const auto found = variables_->byName.find(name);
    return found == variables_->byName.end() ? std::nullopt : std::optional(found->second);
}

void ProjectNames::indexWidgets() const {
    for (size_t i = 0; i < document_.screens.size(); ++i) {
        // Widgets of assemblies have no names outside: uses have copies of them.
        if (document_.screens[i]->assembly)
            continue;
        const auto& widgets = document_.screens[i]->widgets;
        for (size_t j = 0; j < widgets.size(); ++j) {
            const auto [known, fresh] = widgets_.emplace(
                widgets[j]->name, WidgetPlace{static_cast<int>(i), static_cast<int>(j), widgets[j]->kind});
            if (!fresh)
                known->second.screen = known->second.widget = -1;
        }
    }
    widgetsKnown_ = true;
}

std::optional<ProjectNames::WidgetPlace> ProjectNames::widget(std::string_view screen, std::string_view name) const {
    named_.add(screen, name);
    if (!screen.empty()) {
        const int on = document_.screenIndex(screen);
        const int at = on < 0 ? -1 : widgetIndex(*document_.screens[static_cast<size_t>(on)], name);
        if (at < 0)
            return std::nullopt;
        return WidgetPlace{on, at, document_.screens[static_cast<size_t>(on)]->widgets[static_cast<size_t>(at)]->kind};
    }
    if (!widgetsKnown_)
        indexWidgets();
    const auto found = widgets_.find(name);
    return found == widgets_.end() ? std::nullopt : std::optional(found->second);
}

void ProjectNames::indexCopies() const {
    copiesKnown_ = true;
    const auto isSeries = [](const std::vector<Copy>& all, const Copy& each) {
        return std::any_of(all.begin(), all.end(), [&](const Copy& other) {
            return other.screen == each.screen && other.widget != each.widget;
        });
    };
    std::map<std::string_view, int> screens;
    for (size_t i = 0; i < document_.screens.size(); ++i)
        screens.emplace(document_.screens[i]->name, static_cast<int>(i));
    const auto screenOf = [&](std::string_view name) {
        const auto found = screens.find(name);
        return found == screens.end() ? -1 : found->second;
    };
    for (int i = 0; i < static_cast<int>(document_.screens.size()); ++i) {
        const auto& widgets = document_.screens[static_cast<size_t>(i)]->widgets;
        for (int j = 0; j < static_cast<int>(widgets.size()); ++j)
            if (const CopyOf* of = widgets[static_cast<size_t>(j)]->copyOf.get())
                copies_[{screenOf(of->screen), of->widget}].push_back({i, j, of->series});
    }
    for (auto& [of, all] : copies_) {
        const int screen = of.first;
        std::stable_partition(all.begin(), all.end(), [&](const Copy& each) { return each.screen == screen; });
        const std::vector<Copy> before = all;
        for (Copy& each : all)
            if (!isSeries(before, each))
                each.series.reset();
    }
}

std::span<const ProjectNames::Copy> ProjectNames::copies(const WidgetPlace& of) const {
    if (!copiesKnown_)
        indexCopies();
    if (of.screen < 0 || copies_.empty())
        return {};
    const Widget& widget = *document_.screens[static_cast<size_t>(of.screen)]->widgets[static_cast<size_t>(of.widget)];
    const std::string& name = widget.copyOf ? widget.copyOf->widget : widget.name;
    // A copy named explicitly means that copy only.
    if (widget.copyOf && (widget.copyOf->widget != widget.name ||
                          widget.copyOf->screen != document_.screens[static_cast<size_t>(of.screen)]->name))
        return {};
    const auto found = copies_.find({of.screen, name});
    return found == copies_.end() || found->second.size() < 2 ? std::span<const Copy>() : found->second;
}

void ProjectNames::indexUses() const {
    usesKnown_ = true;
    for (const ScreenRef& screen : document_.screens)
        if (screen->uses)
            for (const AssemblyUse& each : *screen->uses)
                if (!each.alone)
                    uses_.try_emplace({screen->name, each.widget}, Use{screen.get(), &each, {}});
}

bool ProjectNames::hasUses() const {
    if (!usesKnown_)
        indexUses();
    return !uses_.empty();
}

std::optional<ProjectNames::Use> ProjectNames::use(const WidgetPlace& of) const {
    if (!hasUses() || of.screen < 0)
        return std::nullopt;
    const Screen& screen = *document_.screens[static_cast<size_t>(of.screen)];
    const Widget& widget = *screen.widgets[static_cast<size_t>(of.widget)];
    const CopyOf* copy = widget.copyOf.get();
    const auto found = uses_.find(copy ? std::pair<std::string_view, std::string_view>(copy->screen, copy->widget)
                                       : std::pair<std::string_view, std::string_view>(screen.name, widget.name));
    if (found == uses_.end())
        return std::nullopt;
    Use out = found->second;
    if (copy && out.use->series > 1)
        out.series = copy->series;
    return out;
}

std::span<const Colour> ProjectNames::colour(std::string_view name) const {
    ++timesAsked_;
    const NamedColour* found = document_.named->colour(name);
    return found ? std::span<const Colour>(found->inSets) : std::span<const Colour>();
}

std::optional<int> ProjectNames::size(std::string_view name) const {
    ++timesAsked_;
    const NamedSize* found = document_.named->size(name);
    return found ? std::optional(found->size) : std::nullopt;
}

bool isOutput(const ProjectNames& names, std::string_view first, std::string_view whole) {
    return first == kPanelName && (names.variable(whole) || !names.widget("", kPanelName));
}

}  // namespace gorsefinch
