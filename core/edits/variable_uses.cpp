// SPDX-License-Identifier: GPL-3.0-or-later
#include "core/edits/variable_uses.h"

#include <algorithm>

namespace gorsefinch {

std::vector<Mention> usesOfVariable(const Document& document, const std::string& name) {
    const RuleThing thing{Reference::What::Variable, name};
    std::vector<Mention> out, rules;
    for (const ScreenRef& screen : document.screens)
        for (const WidgetRef& widget : screen->widgets)
            for (const PropertyInfo& property : info(widget->kind).properties) {
                const auto set = widget->properties.find(property.key);
                const auto* text = set == widget->properties.end() ? nullptr : std::get_if<std::string>(&set->second);
                const bool shows = text && property.type == PropertyType::Variable && *text == name;
                const bool tells = text && property.type == PropertyType::Text && textMentions(*text, thing);
                if ((shows || tells) && widget->expressions.count(property.key) == 0)
                    out.push_back({screen->name,
                                   widget->name,
                                   property.key,
                                   {},
                                   0,
                                   widget->name + "." + property.key + ": " + *text});
            }
    for (Mention& each : mentionsOf(document, thing))
        (each.rules.empty() ? out : rules).push_back(std::move(each));
    const auto screenOf = [&](const Mention& each) { return document.screenIndex(each.screen); };
    std::stable_sort(out.begin(), out.end(),
                     [&](const Mention& a, const Mention& b) { return screenOf(a) < screenOf(b); });
    out.insert(out.end(), std::make_move_iterator(rules.begin()), std::make_move_iterator(rules.end()));
    return out;
}

}  // namespace gorsefinch
