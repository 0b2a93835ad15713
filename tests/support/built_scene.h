// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include <QtGlobal>

#include "core/scene/built_scene.h"

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

}  // namespace support
