// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

class QPainter;
class QPointF;
class QRectF;
class QString;

namespace gorsefinch::app {

// A small dark label with light figures on the canvas, for sizes, distances and what a drop does.
void drawTag(QPainter& painter, const QPointF& middle, const QString& text);

// A dashed frame where something would be placed.
void drawFrame(QPainter& painter, const QRectF& box);

}  // namespace gorsefinch::app
