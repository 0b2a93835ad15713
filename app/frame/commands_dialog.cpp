// SPDX-License-Identifier: GPL-3.0-or-later
#include "app/frame/commands_dialog.h"

#include <QAbstractButton>
#include <QAction>
#include <QHeaderView>
#include <QLineEdit>
#include <QSet>
#include <QTreeWidget>
#include <QVBoxLayout>

#include "app/theme/theme.h"

namespace gorsefinch::app {

CommandsDialog::CommandsDialog(const QList<QAction*>& commands, QWidget* station, QWidget* parent) : QDialog(parent) {
    setWindowTitle(tr("Keys and commands"));
    resize(520, 560);
    auto* column = new QVBoxLayout(this);
    auto* find = new QLineEdit(this);
    find->setPlaceholderText(tr("type to find"));
    auto* list = new QTreeWidget(this);
    list->setHeaderLabels({tr("Command"), tr("Key")});
    list->setRootIsDecorated(false);
    list->header()->setSectionResizeMode(0, QHeaderView::Stretch);
    QSet<QString> seen;
    const auto add = [&](const QString& name, const QString& keys) {
        if (name.isEmpty() || keys.isEmpty() || seen.contains(name + keys))
            return;
        seen.insert(name + keys);
        auto* item = new QTreeWidgetItem(list, {name, keys});
        item->setFont(1, Theme::figures());
    };
    for (const QAction* action : commands)
        add(action->text(), action->shortcut().toString(QKeySequence::NativeText));
    QList<QWidget*> widgets = station->findChildren<QWidget*>();
    widgets.prepend(station);
    for (const QWidget* widget : std::as_const(widgets)) {
        for (const QAction* action : widget->actions())
            add(action->text(), action->shortcut().toString(QKeySequence::NativeText));
        if (const auto* button = qobject_cast<const QAbstractButton*>(widget))
            add(button->text().isEmpty() ? button->toolTip().section(" (", 0, 0) : button->text(),
                button->shortcut().toString(QKeySequence::NativeText));
    }
    if (station->findChild<QWidget*>("canvas")) {
        add(tr("Move by 1, by 10"), tr("arrows, Shift+arrows"));
        add(tr("Resize by 1, by 10"), tr("Ctrl+arrows, Ctrl+Shift+arrows"));
        add(tr("Insert a kind at the pointer"), "A");
        add(tr("Operate on the canvas while held"), "H");
        add(tr("Operate on the canvas until pressed again"), "Shift+H");
        add(tr("Zoom"), tr("Ctrl+wheel, Ctrl++, Ctrl+-"));
        add(tr("Fit into the view"), "Ctrl+0");
        add(tr("No guides while dragging"), "Ctrl");
        add(tr("Drag a copy"), tr("Alt+drag"));
        add(tr("Select what lies beneath"), tr("Alt+click, or a long press for a list"));
        add(tr("Keep the ratio while resizing"), "Shift");
        add(tr("Say where while dragging"), tr("digits, such as 120,40; Enter, Escape"));
        add(tr("From widget to widget"), tr("Tab, Shift+Tab"));
        add(tr("Names over the widgets while held"), "N");
        add(tr("Looks in place of screens and layers"), "Y");
    }
    column->addWidget(find);
    column->addWidget(list, 1);
    connect(find, &QLineEdit::textChanged, this, [list](const QString& text) {
        for (int i = 0; i < list->topLevelItemCount(); ++i)
            list->topLevelItem(i)->setHidden(!list->topLevelItem(i)->text(0).contains(text, Qt::CaseInsensitive) &&
                                             !list->topLevelItem(i)->text(1).contains(text, Qt::CaseInsensitive));
    });
}

}  // namespace gorsefinch::app
