// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include <QWidget>

#include "app/screens/align_commands.h"

namespace gorsefinch::app {

class Session;

// The commands that place widgets by one another: the alignments as buttons, the others in menus. Shows while two or
// more are selected.
class AlignBar : public QWidget {
    Q_OBJECT

  public:
    AlignBar(Session& session, AlignCommands& commands, QWidget* parent = nullptr);

  protected:
    bool eventFilter(QObject* watched, QEvent* event) override;

  private:
    void addMenu(AlignCommands::Group group, const char* icon, const QString& help);

    AlignCommands& commands_;
};

}  // namespace gorsefinch::app
