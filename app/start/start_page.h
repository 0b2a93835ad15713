// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include <QWidget>

class QLabel;
class QLineEdit;
class QListWidget;
class QPushButton;

namespace gorsefinch::app {

class Session;

// What shows while no project is open, and on "New": presets of panels, a name and a folder; recent projects.
class StartPage : public QWidget {
    Q_OBJECT

  public:
    explicit StartPage(Session& session, QWidget* parent = nullptr);
    void refresh();

  Q_SIGNALS:
    void openRequested(const QString& folder);  // "": to be chosen in a dialog
    void created();
    void backRequested();

  private:
    void create();
    void suggestFolder();

    Session& session_;
    QListWidget *presets_, *recent_;
    QLineEdit *name_, *folder_;
    QLabel* error_;
    QPushButton *create_, *back_;
    bool folderTyped_ = false;
};

// Folders of projects that were opened, the newest first; kept between sessions.
QStringList recentProjects();
void rememberProject(const QString& folder);

}  // namespace gorsefinch::app
