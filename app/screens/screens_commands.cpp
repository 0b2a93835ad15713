// SPDX-License-Identifier: GPL-3.0-or-later
// The commands of the station Screens: keys and menu entries, one function each.
#include <QAction>
#include <QApplication>
#include <QClipboard>
#include <QMenu>
#include <QMessageBox>
#include <QMimeData>
#include <QPushButton>

#include "app/screens/canvas.h"
#include "app/screens/clipboard.h"
#include "app/screens/kind_picker.h"
#include "app/screens/layers.h"
#include "app/screens/reel.h"
#include "app/screens/screen_map_view.h"
#include "app/screens/screens_station.h"
#include "app/screens/sheet.h"
#include "app/session/session.h"
#include "app/widgets/drag_formats.h"
#include "core/edits/focus_edits.h"
#include "core/edits/join_choices.h"
#include "core/document/widget_tree.h"
#include "core/edits/replace_kind.h"
#include "core/edits/tree_edits.h"
#include "core/scene/ways_out.h"

namespace gorsefinch::app {

void ScreensStation::addEditCommands() {
    using S = ScreensStation;
    struct Row {
        const char* id;
        EditGroup group;
        bool needsSelection;
        QString name;
        QKeySequence keys;
        void (S::*run)();
    };
    const Row rows[] = {
        {"cut", EditGroup::Exchange, true, tr("Cut"), QKeySequence::Cut, &S::cut},
        {"copy", EditGroup::Exchange, true, tr("Copy"), QKeySequence::Copy, &S::copy},
        {"paste", EditGroup::Exchange, false, tr("Paste"), QKeySequence::Paste, &S::paste},
        {"duplicate", EditGroup::Exchange, true, tr("Duplicate"), Qt::CTRL | Qt::Key_D, &S::duplicateSelection},
        {"delete", EditGroup::Exchange, true, tr("Delete"), QKeySequence::Delete, &S::deleteSelection},
        {"select_all", EditGroup::Choice, false, tr("Select all"), QKeySequence::SelectAll, &S::selectAll},
        {"rename", EditGroup::Choice, true, tr("Rename"), Qt::Key_F2, &S::renameSelection},
        {"replace", EditGroup::Choice, true, tr("Replace by another kind\u2026"), Qt::SHIFT | Qt::Key_A,
         &S::replaceSelection},
        {"join", EditGroup::Choice, true, tr("One of these: exclude each other"), Qt::Key_J, &S::joinSelection},
        {"join_or_none", EditGroup::Choice, true, tr("One of these, or none"), Qt::SHIFT | Qt::Key_J,
         &S::joinSelectionOrNone},
        {"group", EditGroup::Groups, true, tr("Group"), Qt::CTRL | Qt::Key_G, &S::groupSelection},
        {"ungroup", EditGroup::Groups, true, tr("Ungroup"), Qt::CTRL | Qt::SHIFT | Qt::Key_G, &S::ungroupSelection},
        {"raise", EditGroup::Depth, true, tr("Raise"), Qt::Key_PageUp, &S::raise},
        {"lower", EditGroup::Depth, true, tr("Lower"), Qt::Key_PageDown, &S::lower},
        {"to_top", EditGroup::Depth, true, tr("To the top"), Qt::SHIFT | Qt::Key_PageUp, &S::toTop},
        {"to_bottom", EditGroup::Depth, true, tr("To the bottom"), Qt::SHIFT | Qt::Key_PageDown, &S::toBottom},
        {"toggle_lock", EditGroup::Locks, true, tr("Lock or unlock"), Qt::Key_L, &S::toggleLock},
        {"unlock_all", EditGroup::Locks, false, tr("Unlock all"), Qt::SHIFT | Qt::Key_L, &S::unlockAll},
    };
    for (const Row& row : rows) {
        auto* action = new QAction(row.name, this);
        action->setObjectName(row.id);
        action->setShortcut(row.keys);
        action->setShortcutContext(Qt::WidgetShortcut);
        connect(action, &QAction::triggered, this, row.run);
        // The keys work where widgets are chosen, and leave text fields alone.
        canvas_->addAction(action);
        layers_->addAction(action);
        editCommands_.append({action, row.group, row.needsSelection});
    }
}

void ScreensStation::addCommands() {
    addEditCommands();
    const auto key = [this](QWidget* on, const QKeySequence& keys, auto run) {
        auto* action = new QAction(on);
        action->setShortcut(keys);
        action->setShortcutContext(Qt::WidgetWithChildrenShortcut);
        connect(action, &QAction::triggered, this, run);
        on->addAction(action);
    };
    key(this, Qt::CTRL | Qt::Key_N, [this] { reel_->addScreen(); });
    key(this, Qt::CTRL | Qt::Key_M, [this] { showMap(!mapShown_->isChecked()); });
    key(this, QKeySequence::ZoomIn, [this] { canvas_->setZoom(canvas_->zoom() + 1); });
    key(this, Qt::CTRL | Qt::Key_Equal, [this] { canvas_->setZoom(canvas_->zoom() + 1); });
    key(this, QKeySequence::ZoomOut, [this] { canvas_->setZoom(canvas_->zoom() - 1); });
    key(this, Qt::CTRL | Qt::Key_0, [this] { canvas_->fit(); });
    for (QWidget* each : {static_cast<QWidget*>(reel_), static_cast<QWidget*>(map_)}) {
        key(each, QKeySequence::Delete, [this] { reel_->remove(); });
        key(each, Qt::CTRL | Qt::Key_D, [this] { reel_->duplicate(); });
    }
    key(reel_, Qt::ALT | Qt::Key_Up, [this] { reel_->move(-1); });
    key(reel_, Qt::ALT | Qt::Key_Down, [this] { reel_->move(1); });
}

void ScreensStation::contextMenu(const QPoint& at) {
    if (canvas_->isOperating())
        return;
    QMenu menu(this);
    const bool any = !session_.selection().names().empty();
    EditGroup group = EditGroup::Exchange;
    for (const EditCommand& each : std::as_const(editCommands_)) {
        if (each.group != group)
            menu.addSeparator();
        group = each.group;
        QAction* entry = menu.addAction(each.action->text(), each.action, &QAction::trigger);
        entry->setShortcut(each.action->shortcut());
        entry->setEnabled(any || !each.needsSelection);
    }
    if (canvas_->setsFocus()) {
        menu.addSeparator();
        menu.addAction(tr("Focus by place again"), this, [this] {
            session_.edit(focusByPlace(session_.document(), session_.selection().screenName().toStdString()),
                          tr("Focus by place"));
        });
    }
    menu.addSeparator();
    QMenu* insert = menu.addMenu(tr("Insert here"));
    const QPoint place = canvas_->toPanel(at);
    for (const KindInfo* kind : kinds())
        insert->addAction(kind->key, canvas_,
                          [this, place, kind] { canvas_->insert(kind->kind, QRect(place, QSize(0, 0))); });
    menu.exec(canvas_->mapToGlobal(at));
}

// With what they hold, where they are on the panel.
std::vector<WidgetRef> ScreensStation::selectedBranches() const {
    const auto& widgets = session_.selection().screen()->widgets;
    std::vector<WidgetRef> out = branchesOf(widgets, session_.selection().names());
    for (WidgetRef& each : out) {
        const auto at = static_cast<size_t>(widgetIndex(*session_.selection().screen(), each->name));
        if (each->depth != 0 || widgets[at]->depth == 0)
            continue;
        const Offset place = placeOnPanel(widgets, at);
        auto placed = std::make_shared<Widget>(*each);
        setBox(*placed, place.x, place.y, placed->w, placed->h);
        each = placed;
    }
    return out;
}

void ScreensStation::copy() {
    const std::vector<WidgetRef> ordered = selectedBranches();  // by depth, so that a paste keeps it
    if (ordered.empty())
        return;
    auto* copied = new QMimeData;
    copied->setData(kWidgetsMime, widgetsToBytes(ordered));
    QApplication::clipboard()->setMimeData(copied);
}

void ScreensStation::cut() {
    copy();
    removeSelection(tr("Cut"));
}

void ScreensStation::paste() {
    const QMimeData* copied = QApplication::clipboard()->mimeData();
    if (!copied || !copied->hasFormat(kWidgetsMime))
        return;
    auto widgets = widgetsFromBytes(copied->data(kWidgetsMime));
    if (!widgets) {
        session_.showError(QString::fromStdString(widgets.error().text()));
        return;
    }
    // On another screen the position stays the same, so that equal things are at equal positions; on the same one the
    // copies step aside.
    const ScreenRef screen = session_.selection().screen();
    const bool here = std::any_of(widgets->begin(), widgets->end(), [&](const Widget& each) {
        const int at = each.depth == 0 ? widgetIndex(*screen, each.name) : -1;
        return at >= 0 && placeOnPanel(screen->widgets, static_cast<size_t>(at)) == Offset{each.x, each.y};
    });
    for (Widget& each : *widgets)
        if (each.depth == 0 && here)
            setBox(each, each.x + 8, each.y + 8, each.w, each.h);
    session_.addWidgets(session_.document(), std::move(*widgets), tr("Paste"));
}

void ScreensStation::duplicateSelection() {
    std::vector<Widget> copies;
    for (const WidgetRef& each : selectedBranches()) {
        copies.push_back(*each);
        if (each->depth == 0)
            setBox(copies.back(), each->x + 8, each->y + 8, each->w, each->h);
    }
    session_.addWidgets(session_.document(), std::move(copies), tr("Duplicate"));
}

// Asks before nothing is left that leads away from the screen.
bool ScreensStation::mayRemove(const Names& names) {
    const auto screen = static_cast<size_t>(session_.selection().screenIndex());
    Names going;  // with what they hold
    for (const WidgetRef& each : branchesOf(session_.selection().screen()->widgets, names))
        going.push_back(each->name);
    if (!areOnlyWayOut(*session_.scene(), screen, going))
        return true;
    QMessageBox box(QMessageBox::NoIcon, tr("The only way out"),
                    names.size() == 1
                        ? tr("Nothing but %1 leads away from the screen %2. Without it users stay there.")
                              .arg(QString::fromStdString(names.front()), session_.selection().screenName())
                        : tr("Nothing but what is selected leads away from the screen %1. Without it users stay there.")
                              .arg(session_.selection().screenName()),
                    QMessageBox::Cancel, this);
    auto* remove = box.addButton(tr("Delete"), QMessageBox::DestructiveRole);
    box.setDefaultButton(QMessageBox::Cancel);
    box.exec();
    return box.clickedButton() == remove;
}

void ScreensStation::deleteSelection() { removeSelection(tr("Delete")); }

void ScreensStation::removeSelection(const QString& label) {
    Names names;
    for (const WidgetRef& each : session_.selection().widgets())
        if (!each->locked)
            names.push_back(each->name);
    if (names.size() < session_.selection().names().size())
        session_.showError(tr("Locked widgets stay; L unlocks them."));
    if (!names.empty() && mayRemove(names))
        session_.edit(removeWidgets(session_.document(), session_.selection().screenName().toStdString(), names),
                      label);
}

void ScreensStation::selectAll() {
    Names names;
    const auto& widgets = session_.selection().screen()->widgets;
    for (size_t i = 0; i < widgets.size(); ++i)
        if (!widgets[i]->locked && containerOf(widgets, i) == session_.selection().containerIndex())
            names.push_back(widgets[i]->name);
    session_.selection().select(names);
}

void ScreensStation::groupSelection() {
    std::string made;
    const auto next = groupWidgets(session_.document(), session_.selection().screenName().toStdString(),
                                   session_.selection().names(), &made);
    if (session_.edit(next, tr("Group")) && !made.empty())
        session_.selection().select({made});
}

void ScreensStation::ungroupSelection() {
    Names freed;
    const Document next = ungroupWidgets(session_.document(), session_.selection().screenName().toStdString(),
                                         session_.selection().names(), &freed);
    if (freed.empty())
        session_.showError(tr("Select a group that holds widgets."));
    else if (session_.edit(Result<Document>(next), tr("Ungroup")))
        session_.selection().select(freed);
}

void ScreensStation::raise() {
    session_.edit(reorderWidgets(session_.document(), session_.selection().screenName().toStdString(),
                                 session_.selection().names(), Depth::Raise),
                  tr("Raise"));
}
void ScreensStation::lower() {
    session_.edit(reorderWidgets(session_.document(), session_.selection().screenName().toStdString(),
                                 session_.selection().names(), Depth::Lower),
                  tr("Lower"));
}
void ScreensStation::toTop() {
    session_.edit(reorderWidgets(session_.document(), session_.selection().screenName().toStdString(),
                                 session_.selection().names(), Depth::ToTop),
                  tr("To the top"));
}
void ScreensStation::toBottom() {
    session_.edit(reorderWidgets(session_.document(), session_.selection().screenName().toStdString(),
                                 session_.selection().names(), Depth::ToBottom),
                  tr("To the bottom"));
}

void ScreensStation::toggleLock() {
    const auto selected = session_.selection().widgets();
    if (selected.empty())
        return;
    const bool lock = !selected.front()->locked;
    session_.edit(changeWidgets(session_.document(), session_.selection().screenName().toStdString(),
                                session_.selection().names(), [&](Widget& w) { w.locked = lock; }),
                  lock ? tr("Lock") : tr("Unlock"));
}

void ScreensStation::unlockAll() {
    Names names;
    for (const WidgetRef& each : session_.selection().screen()->widgets)
        names.push_back(each->name);
    session_.edit(changeWidgets(session_.document(), session_.selection().screenName().toStdString(), names,
                                [](Widget& w) { w.locked = false; }),
                  tr("Unlock all"));
}

void ScreensStation::replaceSelection() {
    Names names;
    const Screen& screen = *session_.selection().screen();
    for (const WidgetRef& each : session_.selection().widgets()) {
        const auto at = static_cast<size_t>(widgetIndex(screen, each->name));
        if (endOf(screen.widgets, at) > at + 1)
            session_.showError(tr("%1 holds widgets: ungroup it first.").arg(QString::fromStdString(each->name)));
        else if (!each->locked)
            names.push_back(each->name);
    }
    if (names.empty())
        return;
    KindPicker picker(session_, canvas_);
    picker.move(canvas_->mapToGlobal(canvas_->fromPanel(canvas_->pointer()).toPoint()));
    if (const auto kind = picker.choose())
        session_.edit(replaceKind(session_.document(), session_.selection().screenName().toStdString(), names, *kind),
                      tr("Replace by %1").arg(info(*kind).key));
}

void ScreensStation::joinSelection() {
    session_.edit(
        joinChoices(session_.document(), session_.selection().screenName().toStdString(), session_.selection().names()),
        tr("Make one of these"));
}

void ScreensStation::joinSelectionOrNone() {
    session_.edit(joinChoicesOrNone(session_.document(), session_.selection().screenName().toStdString(),
                                    session_.selection().names()),
                  tr("Make one of these, or none"));
}

void ScreensStation::renameSelection() {
    if (session_.selection().names().size() == 1)
        sheet_->focusName();
}

}  // namespace gorsefinch::app
