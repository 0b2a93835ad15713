// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include <QWidget>
#include <vector>

#include "core/base/problem.h"

class QLabel;
class QListWidget;
class QListWidgetItem;

namespace gorsefinch::app {

class Session;

// Where a variable is used: widgets by screen, lines of rules. A double click or Return leads there.
class UsesList : public QWidget {
    Q_OBJECT

  public:
    explicit UsesList(Session& session, QWidget* parent = nullptr);
    // "" for none.
    void setVariable(const std::string& name);
    // Looks through the project, while it is visible.
    void refresh();

  Q_SIGNALS:
    void placeChosen(const gorsefinch::Problem& place);

  protected:
    void showEvent(QShowEvent* event) override;

  private:
    void choose(const QListWidgetItem* item);

    Session& session_;
    std::string variable_;
    QLabel* title_;
    QListWidget* list_;
    std::vector<Problem> places_;
};

}  // namespace gorsefinch::app
