// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include <QString>
#include <QStringList>
#include <QVector>

namespace gorsefinch::app {

// A line that both texts have, or only the old or the new one.
struct DifferenceLine {
    enum What { Same, Gone, New } what;
    QString text;
};

// What changed between two texts, line by line: equal heads and tails are cut off, the middle is matched by its longest
// common lines (up to 2000 lines a side; larger middles are shown whole).
QVector<DifferenceLine> lineDifference(const QString& before, const QString& after);

}  // namespace gorsefinch::app
