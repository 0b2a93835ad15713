// SPDX-License-Identifier: GPL-3.0-or-later
#include "core/rules/project_names.h"

namespace gorsefinch {

ProjectNames::ProjectNames(const Document& document) : document_(document) {
    for (const Variable& each : *document.variables)
        numbers_ += each.type != VariableType::Text;
    int number = 0;
    for (const Variable& each : *document.variables) {
        const bool isText = each.type == VariableType::Text;
        const int at = isText ? texts_++ : number++;
        variables_.emplace(each.name, VariableRef{&each, at, isText ? numbers_ + at : at});
    }
}

std::optional<ProjectNames::VariableRef> ProjectNames::variable(std::string_view name) const {
    const auto found = variables_.find(std::string(name));
    return found == variables_.end() ? std::nullopt : std::optional(found->second);
}

void ProjectNames::indexWidgets() const {
    for (size_t i = 0; i < document_.screens.size(); ++i) {
        const auto& widgets = document_.screens[i]->widgets;
        for (size_t j = 0; j < widgets.size(); ++j) {
            const auto [known, fresh] = widgets_.emplace(widgets[j]->name, WidgetPlace{static_cast<int>(i), static_cast<int>(j), widgets[j]->kind});
            if (!fresh)
                known->second.screen = known->second.widget = -1;
        }
    }
    widgetsKnown_ = true;
}

std::optional<ProjectNames::WidgetPlace> ProjectNames::widget(std::string_view screen, std::string_view name) const {
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

}  // namespace gorsefinch
