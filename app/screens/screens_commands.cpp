// SPDX-License-Identifier: GPL-3.0-or-later
// The commands of the station Screens: keys and menu entries, one function each.
#include <QAction>
#include <QMenu>
#include <QMessageBox>
#include <QPushButton>

#include "app/screens/align_commands.h"
#include "app/screens/canvas.h"
#include "app/screens/exchange.h"
#include "app/screens/find_dialog.h"
#include "app/screens/kind_picker.h"
#include "app/screens/layers.h"
#include "app/screens/reel.h"
#include "app/screens/rename_dialog.h"
#include "app/screens/screen_map_view.h"
#include "app/screens/screens_station.h"
#include "app/screens/sheet.h"
#include "app/session/session.h"
#include "app/widgets/counted.h"
#include "app/widgets/from_std.h"
#include "core/document/names.h"
#include "core/edits/assembly_edits.h"
#include "core/edits/backing_edits.h"
#include "core/edits/focus_edits.h"
#include "core/edits/join_choices.h"
#include "core/document/widget_tree.h"
#include "core/edits/namesakes.h"
#include "core/edits/replace_kind.h"
#include "core/edits/text_size.h"
#include "core/edits/tree_edits.h"
#include "core/scene/ways_out.h"

namespace gorsefinch::app {

void ScreensStation::addEditCommands() {
    using S = ScreensStation;
    const auto own = [this](void (S::*run)()) { return [this, run] { (this->*run)(); }; };
    const auto exchange = [this](void (Exchange::*run)()) { return [this, run] { (exchange_->*run)(); }; };
    struct Row {
        const char* id;
        EditGroup group;
        bool needsSelection;
        QString name;
        QKeySequence keys;
        std::function<void()> run;
    };
    const Row rows[] = {
        {"cut", EditGroup::Exchange, true, tr("Cut"), QKeySequence::Cut, own(&S::cut)},
        {"copy", EditGroup::Exchange, true, tr("Copy"), QKeySequence::Copy, exchange(&Exchange::copy)},
        {"paste", EditGroup::Exchange, false, tr("Paste"), QKeySequence::Paste, exchange(&Exchange::paste)},
        {"paste_in_place", EditGroup::Exchange, false, tr("Paste in place"), Qt::CTRL | Qt::SHIFT | Qt::Key_V,
         exchange(&Exchange::pasteInPlace)},
        {"paste_here", EditGroup::Exchange, false, tr("Paste at the pointer"), Qt::CTRL | Qt::ALT | Qt::Key_V,
         exchange(&Exchange::pasteAtPointer)},
        {"paste_on_screens",
         EditGroup::Exchange,
         false,
         tr("Paste on screens\u2026"),
         {},
         exchange(&Exchange::pasteOnScreens)},
        {"copy_picture", EditGroup::Exchange, false, tr("Copy as a picture"), Qt::CTRL | Qt::SHIFT | Qt::Key_C,
         exchange(&Exchange::copyPicture)},
        {"duplicate", EditGroup::Exchange, true, tr("Duplicate"), Qt::CTRL | Qt::Key_D, exchange(&Exchange::duplicate)},
        {"delete", EditGroup::Exchange, true, tr("Delete"), QKeySequence::Delete, own(&S::deleteSelection)},
        {"select_all", EditGroup::Choice, false, tr("Select all"), QKeySequence::SelectAll, own(&S::selectAll)},
        {"same_kind", EditGroup::Choice, true, tr("Select all of this kind"), Qt::Key_K, own(&S::selectSameKind)},
        {"same_look", EditGroup::Choice, true, tr("Select all with this look"), Qt::SHIFT | Qt::Key_K,
         own(&S::selectSameLook)},
        {"inverse", EditGroup::Choice, false, tr("Select the others"), Qt::Key_I, own(&S::selectOthers)},
        {"take_style", EditGroup::Choice, true, tr("Take up its look"), Qt::CTRL | Qt::ALT | Qt::Key_C,
         own(&S::takeUpStyle)},
        {"put_style", EditGroup::Choice, true, tr("Put the look on"), Qt::CTRL | Qt::ALT | Qt::Key_S,
         own(&S::putStyleOn)},
        {"clear_style", EditGroup::Choice, true, tr("Nothing but its look"), Qt::CTRL | Qt::ALT | Qt::Key_X,
         own(&S::clearStyle)},
        {"larger_text", EditGroup::Choice, true, tr("Next larger text"), Qt::CTRL | Qt::Key_Period,
         [this] { stepSize(true); }},
        {"smaller_text", EditGroup::Choice, true, tr("Next smaller text"), Qt::CTRL | Qt::Key_Comma,
         [this] { stepSize(false); }},
        {"rename", EditGroup::Choice, true, tr("Rename"), Qt::Key_F2, own(&S::renameSelection)},
        {"replace", EditGroup::Choice, true, tr("Replace by another kind\u2026"), Qt::SHIFT | Qt::Key_A,
         own(&S::replaceSelection)},
        {"join", EditGroup::Choice, true, tr("One of these: exclude each other"), Qt::Key_J, own(&S::joinSelection)},
        {"join_or_none", EditGroup::Choice, true, tr("One of these, or none"), Qt::SHIFT | Qt::Key_J,
         own(&S::joinSelectionOrNone)},
        {"place_namesakes", EditGroup::Choice, true, tr("Place namesakes on other screens the same"),
         Qt::CTRL | Qt::SHIFT | Qt::Key_P, own(&S::placeNamesakes)},
        {"group", EditGroup::Groups, true, tr("Group"), Qt::CTRL | Qt::Key_G, own(&S::groupSelection)},
        {"ungroup", EditGroup::Groups, true, tr("Ungroup"), Qt::CTRL | Qt::SHIFT | Qt::Key_G,
         own(&S::ungroupSelection)},
        {"make_backing", EditGroup::Groups, true, tr("Make a backing screen of it"), Qt::CTRL | Qt::Key_B,
         own(&S::makeBackingOfSelection)},
        {"make_assembly", EditGroup::Groups, true, tr("Make an assembly of it"), Qt::CTRL | Qt::SHIFT | Qt::Key_B,
         own(&S::makeAssemblyOfSelection)},
        {"raise", EditGroup::Depth, true, tr("Raise"), Qt::Key_PageUp, own(&S::raise)},
        {"lower", EditGroup::Depth, true, tr("Lower"), Qt::Key_PageDown, own(&S::lower)},
        {"to_top", EditGroup::Depth, true, tr("To the top"), Qt::SHIFT | Qt::Key_PageUp, own(&S::toTop)},
        {"to_bottom", EditGroup::Depth, true, tr("To the bottom"), Qt::SHIFT | Qt::Key_PageDown, own(&S::toBottom)},
        {"toggle_lock", EditGroup::Locks, true, tr("Lock or unlock"), Qt::Key_L, own(&S::toggleLock)},
        {"toggle_eye", EditGroup::Locks, true, tr("Draw on the canvas, or not"), Qt::Key_E, own(&S::toggleEye)},
        {"all_on_canvas", EditGroup::Locks, false, tr("Draw all on the canvas"), Qt::SHIFT | Qt::Key_E,
         own(&S::drawAll)},
        {"toggle_start", EditGroup::Locks, true, tr("Visible at the start, or not"), Qt::Key_V, own(&S::toggleStart)},
        {"unlock_all", EditGroup::Locks, false, tr("Unlock all"), Qt::SHIFT | Qt::Key_L, own(&S::unlockAll)},
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
    for (const AlignCommands::Command& each : align_->all()) {
        canvas_->addAction(each.action);
        layers_->addAction(each.action);
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
    auto* find = new QAction(tr("Find on all screens"), this);
    find->setObjectName("find");
    find->setShortcut(QKeySequence::Find);
    find->setShortcutContext(Qt::WidgetWithChildrenShortcut);
    addAction(find);
    connect(find, &QAction::triggered, this, [this] { find_->begin(); });
    key(this, Qt::CTRL | Qt::Key_M, [this] { showMap(!mapShown_->isChecked()); });
    key(canvas_, Qt::Key_Y, [this] { showLooks(!showLooks_->isChecked()); });
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
    align_->addTo(menu);
    menu.addSeparator();
    const QPoint place = canvas_->toPanel(at);
    QMenu* stack = menu.addMenu(tr("Select under the pointer"));
    canvas_->addStackTo(*stack, place);
    stack->setEnabled(!stack->isEmpty());
    QMenu* insert = menu.addMenu(tr("Insert here"));
    for (const KindInfo* kind : kinds())
        if (kind->group != KindGroup::Own)
            insert->addAction(kind->key, canvas_,
                              [this, place, kind] { canvas_->insert(kind->kind, QRect(place, QSize(0, 0))); });
    insert->addSeparator();
    for (const ScreenRef& each : session_.document().screens)
        if (mayUse(session_.document(), *session_.selection().screen(), each->name))
            insert->addAction(fromStd(each->name), canvas_,
                              [this, place, name = each->name] { canvas_->insertUse(name, place); });
    menu.exec(canvas_->mapToGlobal(at));
}

void ScreensStation::cut() {
    exchange_->copy();
    removeSelection(tr("Cut"));
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

void ScreensStation::groupSelection() {
    std::string made;
    const auto next = groupWidgets(session_.document(), session_.selection().screenName().toStdString(),
                                   session_.selection().names(), &made);
    if (session_.edit(next, tr("Group")) && !made.empty())
        session_.selection().select({made});
}

void ScreensStation::stepSize(bool larger) {
    session_.edit(stepTextSize(session_.document(), session_.selection().screenName().toStdString(),
                               session_.selection().names(), larger),
                  tr("Change the size"));
}

// What lies above all else goes above, what lies below all else below.
void ScreensStation::makeBackingOfSelection() {
    const Screen& screen = *session_.selection().screen();
    const Names names = session_.selection().names();
    const std::vector<size_t> chosen = topmostOf(screen.widgets, names);
    const bool below = !chosen.empty() && chosen.front() == 0 && chosen.size() < screen.widgets.size();
    const std::string name =
        uniqueName("backing", [this](std::string_view taken) { return isTaken(session_.document(), taken); });
    const auto next = makeBacking(session_.document(), screen.name, names, name, !below);
    const QString words = below
                              ? tr("%1 shows %2 below its own widgets. The sheet of other screens, too, can take it.")
                              : tr("%1 shows %2 above its own widgets. The sheet of other screens, too, can take it.");
    const QString shown = words.arg(fromStd(screen.name), fromStd(name));
    if (session_.edit(next, tr("Make a backing screen"))) {
        session_.selection().showScreen(fromStd(name));
        session_.showDone(shown);
    }
}

void ScreensStation::makeAssemblyOfSelection() {
    const std::string screen = session_.selection().screenName().toStdString();
    const Names names = session_.selection().names();
    const std::string wanted = names.size() == 1 ? names.front() : "assembly";
    const std::string name =
        uniqueName(wanted, [&](std::string_view taken) { return isTaken(session_.document(), taken); });
    std::string use;
    if (!session_.edit(makeAssembly(session_.document(), screen, names, name, &use), tr("Make an assembly")))
        return;
    session_.selection().select({use});
    session_.showDone(tr("%1 is a use of the assembly %2. A double click goes there; the menu of the canvas, and the "
                         "tray, insert more.")
                          .arg(fromStd(use), fromStd(name)));
}

// False if no use of an assembly is selected.
bool ScreensStation::takeSelectionLoose() {
    const auto selected = session_.selection().widgets();
    if (std::none_of(selected.begin(), selected.end(),
                     [](const WidgetRef& each) { return each->kind == Kind::Assembly; }))
        return false;
    const Names names = session_.selection().names();
    if (session_.edit(takeLoose(session_.document(), session_.selection().screenName().toStdString(), names),
                      tr("Take loose"))) {
        session_.selection().select(names);
        session_.showDone(tr("It no longer follows its assembly, whose rules stay there."));
    }
    return true;
}

void ScreensStation::ungroupSelection() {
    if (takeSelectionLoose())
        return;
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

void ScreensStation::placeNamesakes() {
    const std::string screen = session_.selection().screenName().toStdString();
    const Document next = gorsefinch::placeNamesakes(session_.document(), screen, session_.selection().names());
    int others = 0;
    for (size_t i = 0; i < next.screens.size(); ++i)
        others += next.screens[i] != session_.document().screens[i] ? 1 : 0;
    if (others > 0)
        session_.edit(next, tr("Place namesakes the same"));
    session_.showDone(others > 0 ? tr("Changed %1.").arg(counted(others, tr("screen"), tr("screens")))
                                 : tr("Its namesakes on other screens lie there already, or there are none."));
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
    if (session_.selection().names().size() == 1) {
        sheet_->focusName();
        return;
    }
    auto* dialog = new RenameDialog(session_, this);
    dialog->setAttribute(Qt::WA_DeleteOnClose);
    dialog->open();
}

}  // namespace gorsefinch::app
