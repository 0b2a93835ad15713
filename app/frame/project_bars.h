// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include <QWidget>

namespace gorsefinch::app {

class NoticeBar;
class Session;

// What the user has to know of the project's folder: unsaved work that a crash left, who else has the project, and what
// others changed in it.
class ProjectBars : public QWidget {
    Q_OBJECT

  public:
    ProjectBars(Session& session, QWidget* parent);

    // Shows what others changed and lets the user choose; true if the merge was made.
    bool reviewOutside();
    // Hides what belongs to the project that is left.
    void reset();

  Q_SIGNALS:
    void saveAsAsked();

  private:
    void makeRecovery();
    void makeLook();
    void makeOutside();
    void refreshRights();
    void refreshOutside();
    void takeOver();

    Session& session_;
    NoticeBar* recovery_ = nullptr;
    NoticeBar* look_ = nullptr;
    NoticeBar* outside_ = nullptr;
};

}  // namespace gorsefinch::app
