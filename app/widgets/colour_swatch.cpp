// SPDX-License-Identifier: GPL-3.0-or-later
#include "app/widgets/colour_swatch.h"

#include <QPainter>

namespace gorsefinch::app {

QPixmap colourSwatch(std::optional<Colour> colour, const QSize& size) {
    constexpr int kCell = 8;
    QPixmap picture(size);
    QPainter painter(&picture);
    painter.fillRect(picture.rect(), Qt::white);
    for (int y = 0; y < size.height(); y += kCell)
        for (int x = y % (2 * kCell); x < size.width(); x += 2 * kCell)
            painter.fillRect(QRect(x, y, kCell, kCell), QColor("#c4c8c2"));
    if (colour)
        painter.fillRect(picture.rect(), QColor::fromRgba(colour->argb));
    painter.setPen(QColor("#7a827d"));
    painter.drawRect(picture.rect().adjusted(0, 0, -1, -1));
    return picture;
}

}  // namespace gorsefinch::app
