// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include <QMainWindow>
#include <QVector>
#include <functional>
#include <map>

#include "core/base/problem.h"

class QAction;
class QLabel;
class QMenu;
class QStackedWidget;

namespace gorsefinch::app {

class Foot;
class Header;
class ProjectBars;
class RulesStation;
class ScreensStation;
class Session;
class StartPage;
class Station;

// The window: header, the chosen station, foot. It only composes; stations wire themselves to the session.
class MainWindow : public QMainWindow {
    Q_OBJECT

  public:
    explicit MainWindow(Session& session);
    ~MainWindow() override;
    // Opens a project and shows its screens; shows an error if it can't.
    bool openProject(const QString& folder);
    void showStart();
    // The station at that position in the header; nothing without a project.
    void showStation(int station);

  protected:
    void closeEvent(QCloseEvent* event) override;

  private:
    // The window's commands, beside those that show a station.
    enum class Command { New, Open, Save, SaveAs, Undo, Redo, ProjectMenu, Keys, Quit };

    void makeStations();
    void makeCommands();
    void addCommand(Command id, const QString& name, const QList<QKeySequence>& keys, const std::function<void()>& run);
    void showProjectMenu();
    void goTo(const Problem& problem);
    void askOpen();
    // Shows a message box with these buttons; returns the chosen one.
    int showDialog(const QString& title, const QString& words, int buttons);
    void finishTyping();
    bool save();
    void saveAs();
    bool mayLeave();
    void showCommands();
    void setAppearance(int appearance);
    void restoreState();
    void refresh();

    Session& session_;
    QVector<Station*> stations_;
    ScreensStation* screens_ = nullptr;
    RulesStation* rules_ = nullptr;
    Header* header_ = nullptr;
    Foot* foot_ = nullptr;
    StartPage* start_ = nullptr;
    QStackedWidget* pages_ = nullptr;
    ProjectBars* bars_ = nullptr;
    std::map<Command, QAction*> commands_;
    int lastStation_ = 0;  // of the last session; 0 once it was restored
};

}  // namespace gorsefinch::app
