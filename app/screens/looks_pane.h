// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include <QWidget>

#include "core/edits/look_edits.h"

class QListView;
class QStackedWidget;
class QToolButton;

namespace gorsefinch::app {

class LookForm;
class LooksModel;
class Session;

// The place of the looks: their list with samples, and below it what the chosen one says. On a second page the named
// colours and sizes.
class LooksPane : public QWidget {
    Q_OBJECT

  public:
    explicit LooksPane(Session& session, QWidget* parent = nullptr);
    // Chooses the look of the selected widget, if it has one.
    void followSelection();

  private:
    QWidget* makePageChoice(QStackedWidget& pages);
    QWidget* makeHead();
    QString chosen() const;
    void choose(const QString& name);
    void addNew();
    void addFromWidget();
    void remove();
    void giveToSelection();
    void updateButtons();

    Session& session_;
    LooksModel* model_;
    QListView* list_;
    LookForm* form_;
    QString chosen_;  // the latest one, which stays chosen when the list is another
    QToolButton *fromWidget_ = nullptr, *remove_ = nullptr, *give_ = nullptr;
};

}  // namespace gorsefinch::app
