// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include <QLabel>

namespace gorsefinch::app {

// A line of text that ends in dots where it has no room, and is whole in its tooltip then.
class ElidedLabel : public QLabel {
    Q_OBJECT

  public:
    using QLabel::QLabel;
    QSize minimumSizeHint() const override { return {0, QLabel::minimumSizeHint().height()}; }

  protected:
    void paintEvent(QPaintEvent* event) override;
};

}  // namespace gorsefinch::app
