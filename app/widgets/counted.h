// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include <QString>

namespace gorsefinch::app {

// "1 frame", "8 frames": a number before the word that fits it.
inline QString counted(qsizetype count, const QString& one, const QString& many) {
    return QString("%1 %2").arg(count).arg(count == 1 ? one : many);
}

// Bytes as a person reads them: "416 B", "7.8 KB"; "…" while they are not known.
inline QString bytesText(qint64 bytes) {
    if (bytes < 0)
        return QString::fromUtf8("…");
    return bytes < 1000 ? QString("%1 B").arg(bytes)
                        : QString("%1 KB").arg(static_cast<double>(bytes) / 1024, 0, 'f', 1);
}

}  // namespace gorsefinch::app
