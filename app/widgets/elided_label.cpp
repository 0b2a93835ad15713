// SPDX-License-Identifier: GPL-3.0-or-later
#include "app/widgets/elided_label.h"

#include <QPainter>
#include <QStyle>

namespace gorsefinch::app {

void ElidedLabel::paintEvent(QPaintEvent*) {
    const QRect inside = contentsRect();
    const QString shown = fontMetrics().elidedText(text(), Qt::ElideRight, inside.width());
    if (const QString help = shown == text() ? QString() : text(); toolTip() != help)
        setToolTip(help);
    QPainter painter(this);
    style()->drawItemText(&painter, inside, static_cast<int>(alignment()), palette(), isEnabled(), shown,
                          foregroundRole());
}

}  // namespace gorsefinch::app
