// SPDX-License-Identifier: GPL-3.0-or-later
// Any bytes as a script for the command line, run while it asks for no more than a minute.
#include "core/emit/driver_script.h"
#include "core/sim/script.h"
#include "tests/fuzz/small_project.h"

extern "C" int LLVMFuzzerTestOneInput(const uint8_t* data, size_t size) {
    const auto steps = gorsefinch::parseScript(fuzz::text(data, size), "any");
    if (!steps) {
        fuzz::expect(!steps.error().place.empty() && !steps.error().remedy.empty());
        return 0;
    }
    uint64_t ms = 0;
    for (const gorsefinch::ScriptStep& each : *steps)
        ms += stepDuration(each);
    if (ms > 60000 || steps->size() > 200)
        return 0;
    static const gorsefinch::ReadProject project = fuzz::readFiles(fuzz::smallProject());
    static gorsefinch::SceneBuilder builder;
    static const gorsefinch::BuiltSceneRef scene = builder.build(*project.document);
    gorsefinch::Twin twin(scene);
    (void)runScript(twin, *steps, "any", [](int) {});
    (void)driverScript(*scene, *steps);
    return 0;
}
