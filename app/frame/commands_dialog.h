// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include <QDialog>
#include <QVector>

class QAction;

namespace gorsefinch::app {

// All commands with their keys, those of the window and of the station that is shown, to be found by typing.
class CommandsDialog : public QDialog {
    Q_OBJECT

  public:
    CommandsDialog(const QList<QAction*>& commands, QWidget* station, QWidget* parent);
};

}  // namespace gorsefinch::app
