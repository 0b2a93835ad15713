// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include <QtGlobal>

#include "core/sim/twin.h"

namespace support {

// What the panel of a document shows after the first step; an empty picture if the document has errors, which are
// printed. `bytes` of the draw buffer, 0 as the panel's settings say.
inline gorsefinch::Picture panelPicture(const gorsefinch::Document& document, long bytes = 0) {
    gorsefinch::SceneBuilder builder;
    const gorsefinch::BuiltSceneRef scene = builder.build(document);
    for (const gorsefinch::Problem& each : scene->problems)
        if (each.severity == gorsefinch::Severity::Error) {
            qWarning("%s %s", each.place.c_str(), each.reason.c_str());
            return {};
        }
    gorsefinch::Twin twin(scene, gorsefinch::Twin::View::Panel, bytes);
    twin.step(0);
    return twin.memory().picture();
}

}  // namespace support
