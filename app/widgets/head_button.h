// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include <QString>
#include <functional>

class QToolButton;
class QWidget;

namespace gorsefinch::app {

// Adds a button with an icon to the row that is a pane's head, which has a layout and owns it.
QToolButton* addHeadButton(QWidget* head, const char* icon, const char* name, const QString& help,
                           const std::function<void()>& run);

}  // namespace gorsefinch::app
