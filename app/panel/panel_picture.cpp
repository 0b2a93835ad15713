// SPDX-License-Identifier: GPL-3.0-or-later
#include "app/panel/panel_picture.h"

#include <QPainter>
#include <algorithm>

#include "app/theme/theme.h"
#include "app/widgets/panel_shape.h"

namespace gorsefinch::app {

PanelPicture::PanelPicture(const QString& caption, QWidget* parent) : QWidget(parent), caption_(caption) {
    setMinimumSize(200, 160);
}

void PanelPicture::setPicture(const QImage& picture, const QString& detail, const Panel& shape) {
    picture_ = picture;
    detail_ = detail;
    shape_ = shape;
    setAccessibleName(caption_ + ", " + detail);
    update();
}

void PanelPicture::paintEvent(QPaintEvent*) {
    QPainter painter(this);
    painter.fillRect(rect(), Theme::colour(Role::Around));
    const QRect room = rect().adjusted(24, 20, -24, -64);
    if (!picture_.isNull() && room.width() > 20 && room.height() > 20) {
        double scale = std::min(static_cast<double>(room.width()) / picture_.width(),
                                static_cast<double>(room.height()) / picture_.height());
        scale = scale >= 1 ? std::floor(scale) : scale;
        const QSize size(static_cast<int>(picture_.width() * scale), static_cast<int>(picture_.height() * scale));
        const QRect r(QPoint(room.center().x() - size.width() / 2, room.center().y() - size.height() / 2), size);
        paintRim(painter, shape_, r, 8);
        painter.setRenderHint(QPainter::SmoothPixmapTransform, scale < 1);
        painter.drawImage(r, picture_);
        coverCorners(painter, shape_, r, 8, Theme::colour(Role::Around));
    }
    const QRect label(rect().left(), rect().bottom() - 40, rect().width(), 34);
    painter.fillRect(label.adjusted(0, -2, 0, 8), Theme::colour(Role::Surface));
    painter.setFont(Theme::text(12, true));
    painter.setPen(Theme::colour(Role::Text));
    painter.drawText(label.adjusted(12, 0, -12, -17), Qt::AlignVCenter | Qt::AlignLeft, caption_);
    painter.setFont(Theme::figures());
    painter.setPen(Theme::colour(Role::QuietText));
    painter.drawText(label.adjusted(12, 17, -12, 0), Qt::AlignVCenter | Qt::AlignLeft,
                     painter.fontMetrics().elidedText(detail_, Qt::ElideRight, label.width() - 24));
}

}  // namespace gorsefinch::app
