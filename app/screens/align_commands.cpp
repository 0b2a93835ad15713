// SPDX-License-Identifier: GPL-3.0-or-later
#include "app/screens/align_commands.h"

#include <QAction>
#include <QMenu>
#include <QSettings>

#include "app/session/session.h"
#include "app/theme/theme.h"
#include "core/document/box.h"
#include "core/scene/content_size.h"

namespace gorsefinch::app {

AlignCommands::AlignCommands(Session& session, QObject* parent) : QObject(parent), session_(session) {
    const int by = QSettings().value("align_by").toInt();
    by_ = by == 1 ? AlignBy::Panel : by == 2 ? AlignBy::Container : AlignBy::Last;
    addAlignments();
    addOthers();
    connect(&session.selection(), &Selection::changed, this, &AlignCommands::updateEnabled);
    connect(&session, &Session::changed, this, &AlignCommands::updateEnabled);
    updateEnabled();
}

void AlignCommands::add(const char* name, Group group, const QString& text, const QKeySequence& keys, size_t needed,
                        bool alone, Edit edit) {
    auto* action = new QAction(Theme::icon(name), text, this);
    action->setObjectName(name);
    action->setShortcut(keys);
    action->setShortcutContext(Qt::WidgetShortcut);
    action->setToolTip(QString("%1 (%2)").arg(text, keys.toString(QKeySequence::NativeText)));
    commands_.append({action, group});
    known_.push_back({action, needed, alone, std::move(edit)});
    connect(action, &QAction::triggered, this, [this, at = known_.size() - 1] { run(known_[at]); });
    connect(action, &QAction::hovered, this, [this, action] { preview(action); });
}

void AlignCommands::addAlignments() {
    const struct {
        const char* name;
        QString text;
        QKeySequence keys;
        Alignment alignment;
    } rows[] = {
        {"align_left", tr("Align left edges"), Qt::ALT | Qt::Key_Left, Alignment::Left},
        {"align_centre", tr("Align centres across"), Qt::ALT | Qt::SHIFT | Qt::Key_Left, Alignment::Centre},
        {"align_right", tr("Align right edges"), Qt::ALT | Qt::Key_Right, Alignment::Right},
        {"align_top", tr("Align top edges"), Qt::ALT | Qt::Key_Up, Alignment::Top},
        {"align_middle", tr("Align middles down"), Qt::ALT | Qt::SHIFT | Qt::Key_Up, Alignment::Middle},
        {"align_bottom", tr("Align bottom edges"), Qt::ALT | Qt::Key_Down, Alignment::Bottom},
    };
    for (const auto& row : rows)
        add(row.name, Group::Align, row.text, row.keys, 2, true,
            [alignment = row.alignment](const Document& document, std::string_view screen,
                                        std::span<const std::string> names,
                                        AlignBy by) { return alignWidgets(document, screen, names, alignment, by); });
}

void AlignCommands::addOthers() {
    const auto distribute = [this](const char* name, const QString& text, const QKeySequence& keys, Distribution how) {
        add(name, Group::Distribute, text, keys, 3, false,
            [how](const Document& document, std::string_view screen, std::span<const std::string> names, AlignBy) {
                return distributeWidgets(document, screen, names, how);
            });
    };
    distribute("gaps_across", tr("Equal gaps across"), Qt::ALT | Qt::Key_G, Distribution::GapsAcross);
    distribute("gaps_down", tr("Equal gaps down"), Qt::ALT | Qt::SHIFT | Qt::Key_G, Distribution::GapsDown);
    distribute("centres_across", tr("Centres evenly across"), Qt::ALT | Qt::Key_C, Distribution::CentresAcross);
    distribute("centres_down", tr("Centres evenly down"), Qt::ALT | Qt::SHIFT | Qt::Key_C, Distribution::CentresDown);
    const auto size = [this](const char* name, const QString& text, const QKeySequence& keys, SameSize same) {
        add(name, Group::Size, text, keys, 2, false,
            [same](const Document& document, std::string_view screen, std::span<const std::string> names, AlignBy) {
                return makeSameSize(document, screen, names, same);
            });
    };
    size("same_width", tr("As wide as the last selected"), Qt::ALT | Qt::Key_W, SameSize::Width);
    size("same_height", tr("As high as the last selected"), Qt::ALT | Qt::SHIFT | Qt::Key_W, SameSize::Height);
    size("same_size", tr("As large as the last selected"), Qt::ALT | Qt::Key_B, SameSize::Both);
    add("fit_content", Group::Size, tr("As large as what it shows"), Qt::ALT | Qt::Key_F, 1, false,
        [this](const Document& document, std::string_view screen, std::span<const std::string> names, AlignBy) {
            return fitToContent(document, screen, names);
        });
    add("fill_container", Group::Size, tr("Fill what holds it"), Qt::ALT | Qt::SHIFT | Qt::Key_F, 1, false,
        [](const Document& document, std::string_view screen, std::span<const std::string> names, AlignBy) {
            return fillContainers(document, screen, names);
        });
    add("tidy", Group::Order, tr("Tidy into a grid"), Qt::ALT | Qt::Key_T, 2, false,
        [](const Document& document, std::string_view screen, std::span<const std::string> names, AlignBy) {
            return tidyIntoGrid(document, screen, names);
        });
    add("swap", Group::Order, tr("Swap the places of two"), Qt::ALT | Qt::Key_S, 2, false,
        [](const Document& document, std::string_view screen, std::span<const std::string> names, AlignBy) {
            return swapPlaces(document, screen, names);
        });
}

// What is measured is as the scene of the present document has it.
Document AlignCommands::fitToContent(const Document& document, std::string_view screen,
                                     std::span<const std::string> names) const {
    const int number = document.screenIndex(screen);
    const Screen& on = *document.screens[static_cast<size_t>(number)];
    std::map<std::string, Box> boxes;
    for (const std::string& each : names) {
        const int at = widgetIndex(on, each);
        const auto size = at < 0 ? std::nullopt
                                 : contentSizeOf(*session_.scene(), static_cast<size_t>(number),
                                                 static_cast<size_t>(session_.scene()->drawnNumber(
                                                     number, *on.widgets[static_cast<size_t>(at)])));
        if (!size)
            continue;
        const Box now = boxOnPanel(on.widgets, static_cast<size_t>(at));
        boxes[each] = {now.x0, now.y0, now.x0 + size->w, now.y0 + size->h};
    }
    return placeBoxes(document, screen, boxes);
}

void AlignCommands::setBy(AlignBy by) {
    if (by == by_)
        return;
    by_ = by;
    QSettings().setValue("align_by", by == AlignBy::Panel ? 1 : by == AlignBy::Container ? 2 : 0);
    updateEnabled();
    Q_EMIT byChanged();
}

void AlignCommands::updateEnabled() {
    const size_t selected = session_.selection().names().size();
    for (const Known& each : known_) {
        const bool isSwap = each.action->objectName() == "swap";
        each.action->setEnabled(isSwap ? selected == 2
                                       : selected >= (each.alone && by_ != AlignBy::Last ? 1 : each.needed));
    }
}

Document AlignCommands::resultOf(const Known& known) const {
    return known.edit(session_.document(), session_.selection().screenName().toStdString(),
                      session_.selection().names(), by_);
}

void AlignCommands::run(const Known& known) {
    const Document next = resultOf(known);
    session_.endPreview();
    if (next.screens == session_.document().screens)
        session_.showDone(tr("%1: nothing moves.").arg(known.action->text()));
    else
        session_.edit(next, known.action->text());
}

void AlignCommands::preview(const QAction* action) {
    for (const Known& each : known_)
        if (each.action == action && action->isEnabled()) {
            session_.preview(resultOf(each));
            return;
        }
    session_.endPreview();
}

void AlignCommands::addTo(QMenu& menu) {
    const struct {
        Group group;
        QString title;
    } parts[] = {{Group::Align, tr("Align")},
                 {Group::Distribute, tr("Distribute")},
                 {Group::Size, tr("Same size")},
                 {Group::Order, tr("Arrange")}};
    for (const auto& part : parts) {
        QMenu* inner = menu.addMenu(part.title);
        fill(*inner, part.group);
        const auto entries = inner->actions();
        inner->setEnabled(
            std::any_of(entries.begin(), entries.end(), [](const QAction* each) { return each->isEnabled(); }));
    }
}

void AlignCommands::fill(QMenu& menu, Group group) {
    for (const Command& each : std::as_const(commands_))
        if (each.group == group)
            menu.addAction(each.action);
    connect(&menu, &QMenu::aboutToHide, this, [this] { session_.endPreview(); });
}

}  // namespace gorsefinch::app
