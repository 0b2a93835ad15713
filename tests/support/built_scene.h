// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include <QtGlobal>

#include "core/sim/slot_value.h"

namespace support {

// The scene of a document that must have no errors.
inline gorsefinch::BuiltSceneRef builtWithoutErrors(gorsefinch::SceneBuilder& builder,
                                                    const gorsefinch::Document& document) {
    gorsefinch::BuiltSceneRef scene = builder.build(document);
    for (const gorsefinch::Problem& each : scene->problems)
        if (each.severity == gorsefinch::Severity::Error)
            qFatal("%s", each.text().c_str());
    return scene;
}

// What the panel shows once the interface has started.
inline std::vector<uint8_t> shownBytes(gorsefinch::SceneBuilder& builder, const gorsefinch::Document& document) {
    gorsefinch::Twin twin(builder.build(document));
    twin.step(0);
    return twin.memory().bytes();
}

// A whole number or a colour that rules have set, or a finger has, of a widget of a screen.
inline int slotNow(gorsefinch::Twin& twin, const char* widget, const char* key, int screen = 0) {
    const gorsefinch::Screen& on = *twin.scene().document.screens[static_cast<size_t>(screen)];
    const int number = widgetIndex(on, widget);
    const gorsefinch::PropertyInfo* property = findProperty(on.widgets[static_cast<size_t>(number)]->kind, key);
    // Pagers and drawers are moved by properties of groups.
    const auto value =
        slotValue(twin, screen, number, property ? *property : *findProperty(gorsefinch::Kind::Group, key));
    if (!value)
        qFatal("nothing sets %s.%s", widget, key);
    if (const auto* colour = std::get_if<gorsefinch::Colour>(&*value))
        return static_cast<int>(colour->argb);
    return static_cast<int>(std::get<int64_t>(*value));
}

}  // namespace support
