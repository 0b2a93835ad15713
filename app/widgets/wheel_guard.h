// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include <QObject>

namespace gorsefinch::app {

// Installed on the application: the wheel scrolls a page of fields and never changes the list or slider that happens
// to lie under the pointer.
class WheelGuard : public QObject {
    Q_OBJECT

  public:
    using QObject::QObject;

  protected:
    bool eventFilter(QObject* watched, QEvent* event) override;
};

}  // namespace gorsefinch::app
