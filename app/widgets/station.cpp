// SPDX-License-Identifier: GPL-3.0-or-later
#include "app/widgets/station.h"

#include <QFrame>
#include <QHBoxLayout>
#include <QMenu>
#include <QMimeData>
#include <QUrl>

namespace gorsefinch::app {

void Station::layOut(QWidget* list, QWidget* middle, QWidget* form) {
    auto* row = new QHBoxLayout(this);
    row->setContentsMargins(0, 0, 0, 0);
    row->setSpacing(0);
    for (QWidget* each : {list, middle, form}) {
        row->addWidget(each, each == middle ? 1 : 0);
        if (each == form)
            continue;
        auto* line = new QFrame(this);
        line->setProperty("divider", true);
        line->setFixedWidth(1);
        row->addWidget(line);
    }
}

QAction* Station::command(const QString& name, const QKeySequence& keys, const QString& objectName,
                          const std::function<void()>& run) {
    auto* action = new QAction(name, this);
    action->setObjectName(objectName);
    action->setShortcut(keys);
    action->setShortcutContext(Qt::WidgetWithChildrenShortcut);
    connect(action, &QAction::triggered, this, run);
    addAction(action);
    return action;
}

void Station::showMenu(const QPoint& at, int max) {
    QMenu menu(this);
    menu.addActions(actions().mid(0, max));
    menu.exec(at);
}

QStringList filesOf(const QMimeData& data) {
    QStringList out;
    for (const QUrl& url : data.urls())
        if (url.isLocalFile())
            out << url.toLocalFile();
    return out;
}

}  // namespace gorsefinch::app
