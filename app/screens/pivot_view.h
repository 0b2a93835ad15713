// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include <QImage>
#include <QWidget>
#include <optional>

#include "core/image/hub.h"

namespace gorsefinch::app {

// An enlarged picture with the point that it turns round, which is dragged or moved with the arrow keys: by half
// pixels, with Alt by tenths.
class PivotView : public QWidget {
    Q_OBJECT

  public:
    // `found`: a point that is marked, too.
    PivotView(const QImage& picture, std::optional<TurningPoint> found, QWidget* parent = nullptr);
    void setPoint(TurningPoint point);
    TurningPoint point() const { return point_; }
    // A point of the picture on the widget.
    QPointF onWidget(TurningPoint point) const;

  Q_SIGNALS:
    void pointMoved();

  protected:
    void paintEvent(QPaintEvent* event) override;
    void mousePressEvent(QMouseEvent* event) override;
    void mouseMoveEvent(QMouseEvent* event) override;
    void keyPressEvent(QKeyEvent* event) override;

  private:
    int zoom() const;
    QPointF origin() const;
    void moveTo(TurningPoint point, double step);

    QImage picture_;
    std::optional<TurningPoint> found_;
    TurningPoint point_;
};

}  // namespace gorsefinch::app
