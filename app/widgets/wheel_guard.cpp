// SPDX-License-Identifier: GPL-3.0-or-later
#include "app/widgets/wheel_guard.h"

#include <QAbstractSpinBox>
#include <QComboBox>
#include <QEvent>
#include <QScrollArea>
#include <QSlider>

namespace gorsefinch::app {

namespace {

bool isOnScrolledPage(const QWidget* widget) {
    for (const QWidget* each = widget->parentWidget(); each; each = each->parentWidget())
        if (qobject_cast<const QScrollArea*>(each))
            return true;
    return false;
}

}  // namespace

bool WheelGuard::eventFilter(QObject* watched, QEvent* event) {
    if (event->type() != QEvent::Wheel && event->type() != QEvent::Polish)
        return false;
    const bool turns = qobject_cast<QComboBox*>(watched) || qobject_cast<QSlider*>(watched) ||
                       qobject_cast<QAbstractSpinBox*>(watched);
    if (!turns || !isOnScrolledPage(static_cast<QWidget*>(watched)))
        return false;
    if (event->type() == QEvent::Polish) {
        // Nor does it take the focus there.
        static_cast<QWidget*>(watched)->setFocusPolicy(Qt::StrongFocus);
        return false;
    }
    // Ignored and held back here, it goes on to the page.
    event->ignore();
    return true;
}

}  // namespace gorsefinch::app
