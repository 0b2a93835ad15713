// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include <QWidget>

#include "core/base/problem.h"

namespace gorsefinch::app {

// One of the application's workplaces: a page with its name and one telling figure for the header.
class Station : public QWidget {
    Q_OBJECT

  public:
    using QWidget::QWidget;
    virtual QString title() const = 0;
    virtual QString figure() const = 0;
    virtual QString help() const = 0;
    // Alt and this digit lead here: its place among all eight.
    virtual int number() const = 0;
    // Shows the place of a problem; false if the problem isn't this station's.
    virtual bool goTo(const Problem& problem) {
        (void)problem;
        return false;
    }
};

}  // namespace gorsefinch::app
