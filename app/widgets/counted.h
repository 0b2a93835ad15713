// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include <QString>

namespace gorsefinch::app {

// "1 frame", "8 frames": a number before the word that fits it.
inline QString counted(qsizetype count, const QString& one, const QString& many) {
    return QString("%1 %2").arg(count).arg(count == 1 ? one : many);
}

}  // namespace gorsefinch::app
