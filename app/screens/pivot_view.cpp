// SPDX-License-Identifier: GPL-3.0-or-later
#include "app/screens/pivot_view.h"

#include <QKeyEvent>
#include <QMouseEvent>
#include <QPainter>
#include <algorithm>
#include <cmath>

#include "app/theme/theme.h"

namespace gorsefinch::app {

namespace {

constexpr int kAround = 40;  // pixels of the picture around it that the point can be in

}  // namespace

PivotView::PivotView(const QImage& picture, std::optional<TurningPoint> found, QWidget* parent)
    : QWidget(parent), picture_(picture), found_(found) {
    setObjectName("pivot_view");
    setFocusPolicy(Qt::StrongFocus);
    setMinimumSize(300, 320);
    setCursor(Qt::CrossCursor);
    setToolTip(
        tr("Drag the point that the picture turns round; the arrow keys move it by half pixels, with Alt by "
           "tenths"));
}

void PivotView::setPoint(TurningPoint point) {
    point_ = point;
    update();
}

int PivotView::zoom() const {
    return std::clamp(std::min((width() - 24) / picture_.width(), (height() - 24) / picture_.height()), 1, 16);
}

QPointF PivotView::origin() const {
    return {std::floor((width() - picture_.width() * zoom()) / 2.0),
            std::floor((height() - picture_.height() * zoom()) / 2.0)};
}

QPointF PivotView::onWidget(TurningPoint point) const { return origin() + QPointF(point.x, point.y) * zoom(); }

void PivotView::paintEvent(QPaintEvent*) {
    QPainter painter(this);
    painter.fillRect(rect(), Theme::colour(Role::Around));
    const QRectF place(origin(), QSizeF(picture_.size()) * zoom());
    painter.fillRect(place, QColor("#2b3032"));
    painter.drawImage(place, picture_);
    painter.setRenderHint(QPainter::Antialiasing);
    if (found_) {
        painter.setPen(QPen(QColor(255, 255, 255, 200), 1, Qt::DotLine));
        painter.drawEllipse(onWidget(*found_), 9, 9);
    }
    const QPointF at = onWidget(point_);
    const QLineF across(at - QPointF(18, 0), at + QPointF(18, 0)), down(at - QPointF(0, 18), at + QPointF(0, 18));
    for (const QPen& pen : {QPen(QColor(0, 0, 0, 170), 4), QPen(Theme::colour(Role::Accent), 1.5)}) {
        painter.setPen(pen);
        painter.drawLine(across);
        painter.drawLine(down);
        painter.drawEllipse(at, 5, 5);
    }
}

void PivotView::moveTo(TurningPoint point, double step) {
    const auto rounded = [&](double value, int size) {
        return std::clamp(std::round(value / step) * step, -double(kAround), double(size + kAround));
    };
    point_ = {rounded(point.x, picture_.width()), rounded(point.y, picture_.height())};
    update();
    Q_EMIT pointMoved();
}

void PivotView::mousePressEvent(QMouseEvent* event) {
    if (event->button() == Qt::LeftButton)
        mouseMoveEvent(event);
}

void PivotView::mouseMoveEvent(QMouseEvent* event) {
    if ((event->buttons() & Qt::LeftButton) == 0)
        return;
    const QPointF at = (event->position() - origin()) / zoom();
    moveTo({at.x(), at.y()}, event->modifiers() & Qt::AltModifier ? 0.1 : 0.5);
}

void PivotView::keyPressEvent(QKeyEvent* event) {
    const double step = event->modifiers() & Qt::AltModifier ? 0.1 : 0.5;
    TurningPoint to = point_;
    switch (event->key()) {
        case Qt::Key_Left: to.x -= step; break;
        case Qt::Key_Right: to.x += step; break;
        case Qt::Key_Up: to.y -= step; break;
        case Qt::Key_Down: to.y += step; break;
        default: QWidget::keyPressEvent(event); return;
    }
    moveTo(to, step);
}

}  // namespace gorsefinch::app
