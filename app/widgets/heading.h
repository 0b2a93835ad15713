// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include <QString>

class QHBoxLayout;
class QLabel;
class QWidget;

namespace gorsefinch::app {

// A pane's title at the left and its figure, which becomes quiet and monospaced, at the right; `between` is beside
// the title if there is one. The labels belong to the figure's parent.
QHBoxLayout* headingRow(const QString& title, QLabel* figure, QWidget* between = nullptr);

}  // namespace gorsefinch::app
