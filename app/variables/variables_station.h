// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include "app/widgets/station.h"

class QLabel;
class QTableView;

namespace gorsefinch::app {

class Session;
class UsesList;
class VariablesModel;

// All variables in one table.
class VariablesStation : public Station {
    Q_OBJECT

  public:
    explicit VariablesStation(Session& session, QWidget* parent = nullptr);
    QString title() const override { return tr("Variables"); }
    QString figure() const override;
    QString help() const override { return tr("Values that are shared with the firmware"); }
    int number() const override { return 4; }
    bool goTo(const Problem& problem) override;

  Q_SIGNALS:
    // A place that uses a variable is to be shown.
    void placeChosen(const gorsefinch::Problem& place);

  private:
    void addOne();
    void selectUnused();
    void removeSelected();
    void importTable();
    QString askForExport();
    void exportTable();
    void editClock();

    Session& session_;
    VariablesModel* model_;
    QTableView* table_;
    QLabel* empty_;
    UsesList* uses_;
};

}  // namespace gorsefinch::app
