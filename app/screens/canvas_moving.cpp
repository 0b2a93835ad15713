// SPDX-License-Identifier: GPL-3.0-or-later
// How the pointer moves, copies and resizes what is selected; numbers that are typed meanwhile say where to.
#include <QKeyEvent>
#include <QRegularExpression>
#include <algorithm>

#include "app/screens/canvas.h"
#include "app/session/session.h"
#include "core/document/widget_tree.h"
#include "core/edits/join_choices.h"
#include "core/edits/tree_edits.h"
#include "core/scene/baselines.h"

namespace gorsefinch::app {

namespace {

constexpr int kReach = 4;  // panel pixels within which a box snaps
constexpr int kLeft = 1, kRight = 2, kTop = 4, kBottom = 8;
constexpr int kCopyStep = 8;  // pixels that a copy steps aside

Names namesOf(const std::vector<WidgetRef>& widgets) {
    Names out;
    for (const WidgetRef& each : widgets)
        out.push_back(each->name);
    return out;
}

}  // namespace

// What a box can be in line with: widgets that are not selected, or held by one that is, and that can be seen.
void Canvas::prepareSnapping() {
    const Screen& screen = *session_.selection().screen();
    const auto number = static_cast<size_t>(session_.selection().screenIndex());
    const auto& widgets = screen.widgets;
    const Panel& panel = *session_.document().panel;
    const LayoutAids& aids = *session_.document().aids;
    const Names chosen = session_.selection().names();
    const std::vector<int> holders = containersOf(widgets);
    const auto drawnAs = [&](const Widget& each) {
        return static_cast<size_t>(session_.scene()->drawnNumber(session_.selection().screenIndex(), each));
    };
    snapScene_ = {};
    snapScene_.frames.push_back({0, 0, panel.width, panel.height});
    std::vector<bool> isFrame(widgets.size());
    for (int each = session_.selection().containerIndex(); each >= 0; each = holders[static_cast<size_t>(each)]) {
        isFrame[static_cast<size_t>(each)] = true;
        snapScene_.frames.push_back(toBox(boxNow(static_cast<size_t>(each), holders[static_cast<size_t>(each)])));
    }
    for (size_t i = 0; i < widgets.size();) {
        if (std::find(chosen.begin(), chosen.end(), widgets[i]->name) != chosen.end()) {
            i = endOf(widgets, i);
            continue;
        }
        if (!isFrame[i] && !widgets[i]->offCanvas && isInSight(widgets, i, session_.selection().panes()) &&
            hasOwnBox(session_.document(), widgets, i)) {
            const Box box = toBox(boxNow(i, holders[i]));
            const auto baseline = baselineOf(*session_.scene(), number, drawnAs(*widgets[i]));
            snapScene_.neighbours.push_back({box, baseline ? std::optional(box.y0 + *baseline) : std::nullopt});
        }
        ++i;
    }
    snapScene_.margin = aids.margin;
    for (const GuideLine& each : lines_.all())
        (each.upright ? snapScene_.upright : snapScene_.level).push_back(each.at);
    snapScene_.grid = aids.grid;
    snapScene_.toGrid = aids.grid.used;
    startBaseline_.reset();
    if (startBoxes_.size() == 1)
        if (const int at = widgetIndex(screen, startBoxes_.front().name); at >= 0)
            if (const auto baseline = baselineOf(*session_.scene(), number, drawnAs(*widgets[static_cast<size_t>(at)])))
                startBaseline_ = startBoxes_.front().box.y() + *baseline;
}

bool Canvas::snaps(Qt::KeyboardModifiers modifiers) const { return guidesUsed_ && !(modifiers & Qt::ControlModifier); }

// The button or checkbox that the pointer has dragged another one onto: most of the smaller one lies on the other.
WidgetRef Canvas::joinedAt(const QPoint& at) const {
    const auto selected = session_.selection().widgets();
    if (selected.size() != 1 || !canBeChoice(selected.front()->kind))
        return nullptr;
    const auto& widgets = session_.selection().screen()->widgets;
    const QRect dragged = startBoxes_.front().box.translated(at - start_);
    const auto area = [](const QRect& box) { return box.width() * box.height(); };
    const auto found = std::find_if(widgets.rbegin(), widgets.rend(), [&](const WidgetRef& each) {
        const QRect box = boxNow(*each);
        return each->name != selected.front()->name && !each->locked && !each->offCanvas && canBeChoice(each->kind) &&
               box.contains(at) && 2 * area(box.intersected(dragged)) > std::min(area(box), area(dragged));
    });
    return found == widgets.rend() ? nullptr : *found;
}

// What was dropped on another one goes back to where it was, and excludes it from now on.
void Canvas::finishMove() {
    const WidgetRef onto = std::exchange(joined_, nullptr);
    if (!copies_.empty()) {
        const Names copies = std::exchange(copies_, {});
        session_.selection().select(copies);
        rememberCopy(copies, startBoxes_.front().box.topLeft());
        return;
    }
    if (const auto into = std::exchange(into_, std::nullopt)) {
        Names names;
        for (const StartBox& each : startBoxes_)
            names.push_back(each.name);
        session_.edit(
            moveInto(session_.document(), session_.selection().screenName().toStdString(), names, *into,
                     turnAt(*into, dragged_)),
            into->empty() ? tr("Take out of its group") : tr("Put into %1").arg(QString::fromStdString(*into)),
            gestureKey_);
        return;
    }
    if (!onto) {
        if (clickedInSelection_)
            session_.selection().select({*clickedInSelection_});
        return;
    }
    const std::string screen = session_.selection().screenName().toStdString();
    const StartBox& start = startBoxes_.front();
    const Document back = changeWidgets(session_.document(), screen, std::span(&start.name, 1), [&](Widget& widget) {
        setBox(widget, start.widget->x, start.widget->y, widget.w, widget.h);
    });
    session_.edit(joinChoices(back, screen, Names{onto->name, start.name}), tr("Make one of these"), gestureKey_);
}

QRect Canvas::startBox() const {
    QRect box;
    for (const StartBox& each : startBoxes_)
        box = box.united(each.box);
    return box;
}

void Canvas::dragMove(const QPoint& at, Qt::KeyboardModifiers modifiers) {
    QPoint by = at - start_;
    if (startBoxes_.empty() || (by.manhattanLength() * zoom_ < 4 && dragged_ == start_))
        return;
    dragged_ = at;
    clickedInSelection_.reset();
    if (!typed_.isEmpty())
        return;
    const bool free = modifiers & Qt::ControlModifier;
    snapped_ = {};
    if (snaps(modifiers)) {
        snapped_ = snap(toBox(startBox().translated(by)),
                        startBaseline_ ? std::optional(*startBaseline_ + by.y()) : std::nullopt, snapScene_, kReach);
        by += QPoint(snapped_.x, snapped_.y);
    }
    joined_ = free || copying_ ? nullptr : joinedAt(at);
    into_ = joined_ || free || copying_ ? std::nullopt : containerAt(at);
    if (const int container = flowOfMoved(); container >= 0 && !copying_) {
        snapped_ = {};
        dragInFlow(container, at);
        return;
    }
    moveBy(by);
}

void Canvas::moveBy(const QPoint& by) {
    if (copying_) {
        copyTo(by);
        return;
    }
    Names names;
    for (const StartBox& each : startBoxes_)
        names.push_back(each.name);
    const Document next =
        changeWidgets(session_.document(), session_.selection().screenName().toStdString(), names, [&](Widget& widget) {
            for (const StartBox& each : startBoxes_)
                if (each.name == widget.name)
                    setBox(widget, each.widget->x + by.x(), each.widget->y + by.y(), widget.w, widget.h);
        });
    session_.edit(next,
                  names.size() == 1 ? tr("Move %1").arg(QString::fromStdString(names.front())) : tr("Move widgets"),
                  gestureKey_);
}

// The selected widgets stay, and copies of them are dragged.
void Canvas::copyTo(const QPoint& by) {
    const std::string screen = session_.selection().screenName().toStdString();
    const auto& widgets = startDocument_.screen(screen)->widgets;
    Names names;
    for (const StartBox& each : startBoxes_)
        names.push_back(each.name);
    std::vector<Widget> copies;
    for (const WidgetRef& each : branchesOf(widgets, names)) {
        copies.push_back(*each);
        if (each->depth == 0)
            setBox(copies.back(), each->x + by.x(), each->y + by.y(), each->w, each->h);
    }
    std::vector<bool> isOuter;
    for (const Widget& each : copies)
        isOuter.push_back(each.depth == 0);
    Names added;
    const Document next =
        addWidgets(startDocument_, screen, std::move(copies), &added, session_.selection().container());
    if (added.empty() || !session_.edit(Result<Document>(next), tr("Copy by dragging"), gestureKey_))
        return;
    copies_.clear();
    for (size_t i = 0; i < added.size(); ++i)
        if (isOuter[i])
            copies_.push_back(added[i]);
}

void Canvas::rememberCopy(const Names& copies, const QPoint& from) { copied_ = {copies, from}; }

QPoint Canvas::copyStep() const {
    const auto selected = session_.selection().widgets();
    if (copied_.copies.empty() || session_.selection().names() != copied_.copies || selected.empty())
        return {kCopyStep, kCopyStep};
    return boxNow(*selected.front()).topLeft() - copied_.from;
}

QRect Canvas::resizedBox(const QPoint& at, Qt::KeyboardModifiers modifiers) {
    const QPoint by = at - start_;
    const QRect start = startBoxes_.front().box;
    const bool left = (handle_ & kLeft) != 0, right = (handle_ & kRight) != 0, top = (handle_ & kTop) != 0,
               bottom = (handle_ & kBottom) != 0;
    QRect box = start.adjusted(left ? by.x() : 0, top ? by.y() : 0, right ? by.x() : 0, bottom ? by.y() : 0);
    snapped_ = {};
    const bool keepsRatio = modifiers & Qt::ShiftModifier;
    if (snaps(modifiers) && !keepsRatio) {
        snapped_ = snap(toBox(box), std::nullopt, snapScene_, kReach, {left, right, top, bottom, false});
        box.adjust(left ? snapped_.x : 0, top ? snapped_.y : 0, right ? snapped_.x : 0, bottom ? snapped_.y : 0);
    }
    if (!keepsRatio)
        return box;
    const double across = double(box.width()) / start.width(), down = double(box.height()) / start.height();
    const double scale = !left && !right ? down : !top && !bottom ? across : std::max(across, down);
    const int w = std::max(static_cast<int>(std::lround(start.width() * scale)), 1);
    const int h = std::max(static_cast<int>(std::lround(start.height() * scale)), 1);
    return {left ? start.right() + 1 - w : start.left(), top ? start.bottom() + 1 - h : start.top(), w, h};
}

void Canvas::dragResize(const QPoint& at, Qt::KeyboardModifiers modifiers) {
    dragged_ = at;
    if (startBoxes_.empty() || !typed_.isEmpty())
        return;
    resizeTo(resizedBox(at, modifiers));
}

void Canvas::resizeTo(const QRect& box) {
    if (box.width() < 1 || box.height() < 1)
        return;
    const StartBox& start = startBoxes_.front();
    const std::string name = start.name;
    const QPoint moved = box.topLeft() - start.box.topLeft();
    // What follows the edges of a container does so from where it was.
    const Document next = changeWidgets(
        startDocument_, session_.selection().screenName().toStdString(), std::span(&name, 1), [&](Widget& widget) {
            setBox(widget, start.widget->x + moved.x(), start.widget->y + moved.y(), box.width(), box.height());
            if (const auto resize = info(widget.kind).resize)
                resize(widget, *start.widget);
        });
    session_.edit(next, tr("Resize %1").arg(QString::fromStdString(name)), gestureKey_);
}

// Numbers while something is dragged: "120" for the axis that it is dragged along, "120,40" for both, ",40" for the
// second. Enter takes them, Escape puts all back.
bool Canvas::typeNumber(const QKeyEvent& event) {
    const bool resizes = gesture_ == Gesture::Resize;
    if (!resizes && (gesture_ != Gesture::Move || dragged_ == start_))
        return false;
    if (event.key() == Qt::Key_Escape) {
        cancelGesture();
        return true;
    }
    if (event.key() == Qt::Key_Return || event.key() == Qt::Key_Enter) {
        finishGesture(event.modifiers());
        return true;
    }
    const QString key = event.text();
    if (event.key() == Qt::Key_Backspace)
        typed_.chop(1);
    else if (key.size() == 1 && (key[0].isDigit() || key == "-" || key == ",") && typed_.size() < 12)
        typed_ += key;
    else
        return false;
    applyTyped();
    update();
    return true;
}

void Canvas::applyTyped() {
    const QStringList parts = typed_.split(',');
    const auto number = [&](int at) {
        bool fine = false;
        const int value = parts.value(at).toInt(&fine);
        return fine ? std::optional(value) : std::nullopt;
    };
    std::optional<int> first = number(0), second = number(1);
    const QPoint by = dragged_ - start_;
    const bool alongDown =
        gesture_ == Gesture::Resize ? (handle_ & (kLeft | kRight)) == 0 : std::abs(by.y()) > std::abs(by.x());
    if (parts.size() == 1 && alongDown)
        std::swap(first, second);
    snapped_ = {};
    const QRect start = startBox();
    if (gesture_ == Gesture::Move) {
        moveBy({first ? *first - start.x() : by.x(), second ? *second - start.y() : by.y()});
        return;
    }
    const int w = first.value_or(start.width()), h = second.value_or(start.height());
    resizeTo({(handle_ & kLeft) != 0 ? start.right() + 1 - w : start.left(),
              (handle_ & kTop) != 0 ? start.bottom() + 1 - h : start.top(), w, h});
}

void Canvas::cancelGesture() {
    gesture_ = Gesture::None;
    const bool edited = session_.document().screens != startDocument_.screens;
    typed_.clear();
    copies_.clear();
    snapped_ = {};
    joined_ = nullptr;
    into_.reset();
    clickedInSelection_.reset();
    session_.endGesture();
    if (edited)
        session_.undo();
    update();
}

bool Canvas::moveByKey(QKeyEvent* event) {
    const int step = event->modifiers() & Qt::ShiftModifier ? 10 : 1;
    QPoint by;
    switch (event->key()) {
        case Qt::Key_Left: by = {-step, 0}; break;
        case Qt::Key_Right: by = {step, 0}; break;
        case Qt::Key_Up: by = {0, -step}; break;
        case Qt::Key_Down: by = {0, step}; break;
        default: return false;
    }
    const Names names = namesOf(movable());
    if (names.empty() || (event->modifiers() & Qt::AltModifier) != 0)
        return false;
    const bool resize = event->modifiers() & Qt::ControlModifier;
    if (!resize && turnByKey(*event))
        return true;
    const Document next =
        changeWidgets(session_.document(), session_.selection().screenName().toStdString(), names, [&](Widget& widget) {
            if (resize)
                setBox(widget, widget.x, widget.y, widget.w + by.x(), widget.h + by.y());
            else
                setBox(widget, widget.x + by.x(), widget.y + by.y(), widget.w, widget.h);
        });
    session_.edit(next, resize ? tr("Resize by key") : tr("Move by key"), resize ? "key resize" : "key move");
    return true;
}

}  // namespace gorsefinch::app
