// SPDX-License-Identifier: GPL-3.0-or-later
#include "core/edits/replace_kind.h"

#include "core/document/new_widget.h"
#include "core/kinds/kinds.h"

namespace gorsefinch {

Document replaceKind(const Document& document, std::string_view screen, std::span<const std::string> names, Kind kind) {
    const KindInfo& to = info(kind);
    const ScreenRef on = document.screen(screen);
    const Colour background = on ? backgroundOf(document, *on) : Colour{};
    return changeWidgets(document, screen, names, [&](Widget& widget) {
        const PropertyMap before = std::move(widget.properties);
        widget.properties.clear();
        widget.kind = kind;
        startContent(document, widget, background);
        for (const auto& [key, value] : before)
            if (const PropertyInfo* property = findProperty(kind, key);
                property && fits(*property, value) && (property->needs == 0 || to.has(property->needs)))
                widget.properties.insert_or_assign(key, value);
        std::erase_if(widget.expressions, [&](const auto& each) {
            const PropertyInfo* property = findProperty(kind, each.first);
            return !property || !property->takesExpression() || (property->needs != 0 && !to.has(property->needs));
        });
    });
}

}  // namespace gorsefinch
