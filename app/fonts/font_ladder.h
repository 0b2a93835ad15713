// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include <QTableWidget>

#include "app/widgets/newest_job.h"
#include "core/sim/specimen.h"

class QLabel;

namespace gorsefinch::app {

class FontEditor;
class Session;
class SpecimenView;

// The font in several sizes, one a row, and every depth, one a column, each with its bytes. A click takes one.
class FontLadder : public QWidget {
    Q_OBJECT

  public:
    FontLadder(Session& session, FontEditor& editor, SpecimenView& specimen, QWidget* parent = nullptr);

  private:
    void request();
    void show(const std::vector<FontRung>& rungs);
    void take(int row, int column);

    Session& session_;
    FontEditor& editor_;
    SpecimenView& specimen_;
    QTableWidget* table_;
    QLabel* state_;
    NewestJob job_;
    std::vector<int> sizes_;
};

}  // namespace gorsefinch::app
