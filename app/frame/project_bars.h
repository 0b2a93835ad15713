// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include <QWidget>

class QPushButton;

namespace gorsefinch::app {

class NoticeBar;
class Session;

// Notices about the project's folder: unsaved work of a crash, another process that has the project, and changes of
// other programs.
class ProjectBars : public QWidget {
    Q_OBJECT

  public:
    ProjectBars(Session& session, QWidget* parent);

    // Shows the changes of other programs for review; true if they were merged.
    bool reviewOutside();
    // Hides all notices, before another project is opened.
    void reset();

  Q_SIGNALS:
    void saveAsRequested();

  private:
    void makeRecovery();
    void makeLook();
    void makeOutside();
    void refreshAccess();
    void refreshOutside();
    bool keepOurs(const QString& reason);
    void takeOver();

    Session& session_;
    NoticeBar* recovery_ = nullptr;
    NoticeBar* look_ = nullptr;
    QPushButton* takeOver_ = nullptr;
    NoticeBar* outside_ = nullptr;
};

}  // namespace gorsefinch::app
