// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include <QObject>

namespace gorsefinch::app {

enum class CellTool { Pen, Box, Fill, Pick };

// What maps of tiles are painted with: chosen in the sheet, used on the canvas.
class CellBrush : public QObject {
    Q_OBJECT

  public:
    using QObject::QObject;

    // While it is up, the canvas selects and moves as ever.
    bool isDown() const { return down_; }
    CellTool tool() const { return tool_; }
    // A frame of the map's image from 1 on, or 0 for none.
    int cell() const { return cell_; }

    void setDown(bool down) { change(down_, down); }
    void setTool(CellTool tool) { change(tool_, tool); }
    void setCell(int cell) { change(cell_, cell); }

  Q_SIGNALS:
    void changed();

  private:
    template <typename T>
    void change(T& value, T next) {
        if (value == next)
            return;
        value = next;
        Q_EMIT changed();
    }

    bool down_ = false;
    CellTool tool_ = CellTool::Pen;
    int cell_ = 1;
};

}  // namespace gorsefinch::app
