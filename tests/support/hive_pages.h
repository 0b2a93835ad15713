// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include <QFile>

#include "tests/support/projects.h"

namespace support {

// The hive demo without its menu: the pages that the knob turns, which need no controls.
inline gorsefinch::Document hivePages() {
    gorsefinch::Document out = openExample("hive");
    while (out.screens.size() > 3)
        out = gorsefinch::removeScreen(out, static_cast<int>(out.screens.size()) - 1);
    QFile rules(SOURCE_DIR "/bench/hive/rules/main.rules");
    if (!rules.open(QIODevice::ReadOnly))
        qFatal("%s", qPrintable(rules.fileName()));
    return gorsefinch::withRules(out, "main", rules.readAll().toStdString());
}

}  // namespace support
