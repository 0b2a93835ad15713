// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include <QImage>
#include <QWidget>
#include <vector>

#include "app/screens/cell_brush.h"

class QLabel;
class QPushButton;
class QToolButton;

namespace gorsefinch::app {

// What a map of tiles is painted with: a button that begins it, the tools, and the cells to choose from. A cell that is
// clicked, or chosen with the keys, begins it too.
class CellsField : public QWidget {
    Q_OBJECT

  public:
    explicit CellsField(CellBrush& brush, QWidget* parent = nullptr);
    // The frames of the map's image.
    void setCells(const std::vector<QImage>& cells);

  private:
    class Choice;

    void addTools();
    void showBrush();

    CellBrush& brush_;
    QPushButton* paint_;
    std::vector<QToolButton*> tools_;
    Choice* choice_;
    QLabel* hint_;
};

}  // namespace gorsefinch::app
