// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include <QWidget>
#include <vector>

#include "core/kinds/value.h"

namespace gorsefinch::app {

// The colours of a palette side by side, in rows of 16. One that is clicked, or chosen with the keys, may be changed.
class PaletteStrip : public QWidget {
    Q_OBJECT

  public:
    explicit PaletteStrip(QWidget* parent = nullptr);
    void setColours(std::vector<Colour> colours);
    QSize sizeHint() const override;
    QSize minimumSizeHint() const override { return sizeHint(); }

  Q_SIGNALS:
    void colourClicked(int entry);

  protected:
    void paintEvent(QPaintEvent* event) override;
    void mousePressEvent(QMouseEvent* event) override;
    void keyPressEvent(QKeyEvent* event) override;
    bool event(QEvent* event) override;

  private:
    QRect cell(int entry) const;
    int rows() const;

    std::vector<Colour> colours_;
    int current_ = 0;
};

}  // namespace gorsefinch::app
