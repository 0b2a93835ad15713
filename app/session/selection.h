// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include <QObject>
#include <QString>

#include "core/document/shown_panes.h"
#include "core/edits/edit.h"

namespace gorsefinch::app {

class Session;

// The screen that is edited, and the selected widgets on it. Both are names: they stay when the document changes.
class Selection : public QObject {
    Q_OBJECT

  public:
    explicit Selection(Session& session);

    QString screenName() const { return screen_; }
    // -1 if no project is open.
    int screenIndex() const;
    ScreenRef screen() const;
    const Names& names() const { return names_; }
    // The selected widgets, in the order of their names.
    std::vector<WidgetRef> widgets() const;

    // The container whose widgets the pointer chooses; "" for the screen's own.
    const std::string& container() const { return container_; }
    // Its number among the screen's widgets; -1 for the screen's own.
    int containerIndex() const;
    // Goes into a container, or onto the screen for "", and selects nothing. One that is not there is ignored.
    void enter(const std::string& container);
    // Goes to what holds the container, and selects that. False on the screen's own widgets.
    bool leaveContainer();

    // Edits another screen. An unknown one is ignored.
    void showScreen(const QString& name);
    // Goes into the container of the first one.
    void select(const Names& names);

    // Shows the selected widget on the canvas as if it were in these states (GORSE_STATE_PRESSED, GORSE_STATE_ON) until
    // something else is selected.
    void showIn(uint8_t states);
    uint8_t shownStates() const { return shownStates_; }

    // Begins anew on the first screen, without a signal.
    void reset();
    // Follows an edit: the screen that was renamed stays, and selected widgets that are gone are dropped.
    void followScreen(const Document& before);
    void dropMissing();

    // What the canvas shows of pagers and drawers: what holds the selected widgets.
    const ShownPanes& panes() const { return panes_; }

  Q_SIGNALS:
    void changed();
    void shownStatesChanged();

  private:
    void takeContainer();
    void updatePanes();

    Session& session_;
    QString screen_;
    Names names_;
    std::string container_;
    uint8_t shownStates_ = 0;
    ShownPanes panes_;
};

}  // namespace gorsefinch::app
