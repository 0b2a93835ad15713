// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include "core/project/project_folder.h"

namespace bench {

// The kiln of the examples.
inline gorsefinch::Document openKiln() {
    gorsefinch::Disk disk;
    return *gorsefinch::ProjectFolder(disk, SOURCE_DIR "/examples/kiln").open().document;
}

}  // namespace bench
