// SPDX-License-Identifier: GPL-3.0-or-later
#include "app/widgets/panel_shape.h"

#include <QPainterPath>

#include "core/document/document.h"

namespace gorsefinch::app {

namespace {

const QColor kRim("#0b0e0d");

}  // namespace

void paintRim(QPainter& painter, const Panel& panel, const QRect& picture, int margin) {
    const QRect rim = picture.adjusted(-margin, -margin, margin, margin);
    painter.save();
    painter.setRenderHint(QPainter::Antialiasing);
    painter.setPen(Qt::NoPen);
    painter.setBrush(kRim);
    if (panel.round)
        painter.drawEllipse(rim);
    else
        painter.drawRoundedRect(rim, margin * 0.6, margin * 0.6);
    painter.restore();
}

void coverCorners(QPainter& painter, const Panel& panel, const QRect& picture, int margin, const QColor& with) {
    if (!panel.round)
        return;
    QPainterPath corners;
    corners.addRect(picture);
    QPainterPath glass;
    glass.addEllipse(picture);
    painter.save();
    painter.setRenderHint(QPainter::Antialiasing);
    QPainterPath rim;
    rim.addEllipse(picture.adjusted(-margin, -margin, margin, margin));
    painter.fillPath(corners - rim, with);
    painter.fillPath(rim.intersected(corners) - glass, kRim);
    painter.restore();
}

}  // namespace gorsefinch::app
