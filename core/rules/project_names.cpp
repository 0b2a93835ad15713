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

std::optional<ProjectNames::WidgetPlace> ProjectNames::widget(std::string_view screen, std::string_view name) const {
    std::optional<WidgetPlace> found;
    for (size_t i = 0; i < document_.screens.size(); ++i) {
        const Screen& each = *document_.screens[i];
        if (!screen.empty() && each.name != screen)
            continue;
        const int at = widgetIndex(each, name);
        if (at < 0)
            continue;
        if (found)
            return WidgetPlace{-1, -1, found->kind};
        found = WidgetPlace{static_cast<int>(i), at, each.widgets[static_cast<size_t>(at)]->kind};
    }
    return found;
}

}  // namespace gorsefinch
