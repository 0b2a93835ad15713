// SPDX-License-Identifier: GPL-3.0-or-later
#include "app/screens/align_bar.h"

#include <QAction>
#include <QComboBox>
#include <QEvent>
#include <QMenu>
#include <QToolButton>

#include "app/session/session.h"
#include "app/theme/theme.h"
#include "app/widgets/wrapping_row.h"

namespace gorsefinch::app {

AlignBar::AlignBar(Session& session, AlignCommands& commands, QWidget* parent) : QWidget(parent), commands_(commands) {
    setObjectName("align_bar");
    auto* row = new WrappingRow(this, 1);
    row->setContentsMargins(8, 0, 0, 0);
    for (const AlignCommands::Command& each : commands.all())
        if (each.group == AlignCommands::Group::Align) {
            auto* button = new QToolButton(this);
            button->setDefaultAction(each.action);
            button->setObjectName("do_" + each.action->objectName());
            button->setAutoRaise(true);
            button->installEventFilter(this);
            row->addWidget(button);
        }
    auto* by = new QComboBox(this);
    by->setObjectName("align_by");
    by->addItems({tr("by last"), tr("by panel"), tr("by group")});
    by->setToolTip(
        tr("What the six alignments go by: the widget that was selected last, the panel, or the group that "
           "holds each"));
    by->setCurrentIndex(static_cast<int>(commands.by()));
    connect(by, &QComboBox::activated, this, [&commands](int at) { commands.setBy(static_cast<AlignBy>(at)); });
    row->addWidget(by);
    addMenu(AlignCommands::Group::Distribute, "gaps_across", tr("Equal gaps, centres evenly"));
    addMenu(AlignCommands::Group::Size, "same_size", tr("The same size, and sizes that fit"));
    addMenu(AlignCommands::Group::Order, "tidy", tr("Tidy into a grid, swap"));
    const auto follow = [this, &session] { setVisible(session.selection().names().size() >= 2); };
    connect(&session.selection(), &Selection::changed, this, follow);
    follow();
}

// The commands of a group behind one button.
void AlignBar::addMenu(AlignCommands::Group group, const char* icon, const QString& help) {
    auto* button = new QToolButton(this);
    button->setIcon(Theme::icon(icon));
    button->setObjectName(QString("menu_") + icon);
    button->setToolTip(help);
    button->setAutoRaise(true);
    auto* menu = new QMenu(button);
    menu->setObjectName(QString("entries_") + icon);
    commands_.fill(*menu, group);
    connect(button, &QToolButton::clicked, this,
            [button, menu] { menu->popup(button->mapToGlobal(QPoint(0, button->height() + 2))); });
    layout()->addWidget(button);
}

// The pointer shows a preview by the action; the keyboard's focus does so here.
bool AlignBar::eventFilter(QObject* watched, QEvent* event) {
    if (event->type() == QEvent::Leave || event->type() == QEvent::FocusOut || event->type() == QEvent::Hide)
        commands_.preview(nullptr);
    else if (event->type() == QEvent::FocusIn)
        commands_.preview(static_cast<QToolButton*>(watched)->defaultAction());
    return QWidget::eventFilter(watched, event);
}

}  // namespace gorsefinch::app
