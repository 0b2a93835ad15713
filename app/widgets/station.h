// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include <QAction>
#include <QWidget>
#include <functional>

#include "core/base/problem.h"

class QMimeData;

namespace gorsefinch::app {

// One of the application's workplaces: a page with its name and one telling figure for the header.
class Station : public QWidget {
    Q_OBJECT

  public:
    using QWidget::QWidget;
    virtual QString title() const = 0;
    virtual QString figure() const = 0;
    virtual QString help() const = 0;
    // Alt and this digit lead here: its number among all eight.
    virtual int number() const = 0;
    // Shows the place of a problem; false if the problem isn't this station's.
    virtual bool goTo(const Problem& problem) {
        (void)problem;
        return false;
    }

  protected:
    // What is listed, looked at and set, from left to right with lines between; the middle takes the room.
    void layOut(QWidget* list, QWidget* middle, QWidget* form);
    // A command of this station alone, with keys or without, and a line in its menu.
    QAction* command(const QString& name, const QKeySequence& keys, const QString& objectName,
                     const std::function<void()>& run);
    // The station's commands, or the first of them.
    void showMenu(const QPoint& at, int max = -1);
};

// Paths of the files that are dragged or copied; none for anything else.
QStringList filesOf(const QMimeData& data);

}  // namespace gorsefinch::app
