// SPDX-License-Identifier: GPL-3.0-or-later
// Any bytes as a project's gorsefinch.json.
#include "tests/fuzz/small_project.h"

extern "C" int LLVMFuzzerTestOneInput(const uint8_t* data, size_t size) {
    auto files = fuzz::smallProject();
    files["gorsefinch.json"] = fuzz::text(data, size);
    fuzz::use(fuzz::readFiles(files));
    return 0;
}
