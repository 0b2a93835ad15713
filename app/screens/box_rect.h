// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include <QRect>

#include "core/document/box.h"

namespace gorsefinch::app {

// A widget's box in pixels of what holds it.
inline QRect boxOf(const Widget& widget) { return {widget.x, widget.y, widget.w, widget.h}; }

inline Box toBox(const QRect& rect) { return {rect.x(), rect.y(), rect.x() + rect.width(), rect.y() + rect.height()}; }
inline QRect toRect(const Box& box) { return {box.x0, box.y0, box.w(), box.h()}; }

}  // namespace gorsefinch::app
