// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

class QPlainTextEdit;
class QString;

namespace gorsefinch::app {

// Shows the lines that differ between two texts, with some lines around them: removed ones behind "- ", added ones
// behind
// "+ ", both with a ground of their own.
void showDifference(QPlainTextEdit& view, const QString& before, const QString& after);

}  // namespace gorsefinch::app
