// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include <QColor>
#include <QPainter>

namespace gorsefinch {
struct Panel;
}

namespace gorsefinch::app {

// The dark rim around a panel's picture, `margin` pixels wide: a rectangle, or a ring.
void paintRim(QPainter& painter, const Panel& panel, const QRect& picture, int margin);
// What a round panel doesn't show of its picture is covered: by its rim of `margin` pixels, and beyond with a colour.
// Nothing for other panels.
void coverCorners(QPainter& painter, const Panel& panel, const QRect& picture, int margin, const QColor& with);

}  // namespace gorsefinch::app
