// SPDX-License-Identifier: GPL-3.0-or-later
// What the canvas does with the mouse: select, move, resize, draw, operate.
#include "app/screens/canvas.h"

#include <QMouseEvent>
#include <algorithm>

#include "app/session/session.h"
#include "core/document/widget_tree.h"
#include "core/edits/join_choices.h"
#include "core/edits/tree_edits.h"
#include "core/scene/press_words.h"

namespace gorsefinch::app {

namespace {

constexpr int kReach = 4;  // panel pixels within which a box snaps

}  // namespace

int Canvas::handleAt(const QPointF& at) const {
    const auto selected = session_.selection().widgets();
    if (selected.size() != 1 || selected.front()->locked)
        return 0;
    const QRect box = boxNow(*selected.front());
    const QRectF r(fromPanel(box.topLeft()), QSizeF(box.size()) * zoom_);
    constexpr double reach = 5;
    if (!r.adjusted(-reach, -reach, reach, reach).contains(at))
        return 0;
    int sides = 0;
    const bool wide = r.width() > 3 * reach, high = r.height() > 3 * reach;
    sides |= wide && std::abs(at.x() - r.left()) <= reach ? 1 : 0;
    sides |= std::abs(at.x() - r.right()) <= reach ? 2 : 0;
    sides |= high && std::abs(at.y() - r.top()) <= reach ? 4 : 0;
    sides |= std::abs(at.y() - r.bottom()) <= reach ? 8 : 0;
    return sides;
}

void Canvas::beginGesture(Gesture gesture, const QPoint& at) {
    gesture_ = gesture;
    start_ = dragged_ = at;
    gestureKey_ = QString("gesture %1").arg(++gestureCount_);
    startBoxes_.clear();
    startDocument_ = session_.document();
    for (const WidgetRef& each : movable())
        startBoxes_.push_back({each->name, boxNow(*each), each});
}

void Canvas::pressSelect(const QPoint& at, Qt::KeyboardModifiers modifiers) {
    clickedInSelection_.reset();
    if (!(modifiers & Qt::ShiftModifier))
        leaveBeside(at);
    const WidgetRef widget = widgetAt(at);
    if (!widget) {
        if (!(modifiers & Qt::ShiftModifier))
            session_.selection().select({});
        beginGesture(Gesture::Band, at);
        return;
    }
    Names names = session_.selection().names();
    const auto known = std::find(names.begin(), names.end(), widget->name);
    if (modifiers & Qt::ShiftModifier) {
        if (known == names.end())
            names.push_back(widget->name);
        else
            names.erase(known);
        session_.selection().select(names);
    } else if (known == names.end()) {
        session_.selection().select({widget->name});
    } else if (names.size() > 1) {
        clickedInSelection_ = widget->name;
    }
    beginGesture(Gesture::Move, at);
}

void Canvas::mousePressEvent(QMouseEvent* event) {
    if (!session_.isOpen())
        return;
    setFocus();
    const QPoint at = toPanel(event->position());
    if (operating_ && input_.mouse(*event, true)) {
        return;
    } else if (event->button() == Qt::MiddleButton) {
        beginGesture(Gesture::Pan, event->position().toPoint());
    } else if (operating_) {
        touchTwin(event->position(), true);
    } else if (event->button() == Qt::LeftButton && armed_) {
        beginGesture(Gesture::Draw, at);
    } else if (event->button() == Qt::LeftButton && pressFocus(event->position())) {
    } else if (event->button() == Qt::LeftButton) {
        handle_ = paintedMap() ? 0 : handleAt(event->position());
        if (pressCells(event->position(), event->modifiers()))
            handle_ = 0;
        else if (pressHandle(event->position(), event->modifiers()))
            handle_ = 0;
        else if (handle_ != 0)
            beginGesture(Gesture::Resize, at);
        else
            pressSelect(at, event->modifiers());
    } else if (event->button() == Qt::RightButton) {
        bool onSelection = false;
        for (const WidgetRef& each : session_.selection().widgets())
            onSelection = onSelection || boxNow(*each).contains(at);
        if (!onSelection)
            pressSelect(at, Qt::NoModifier);
        gesture_ = Gesture::None;
    }
    update();
}

// Of the topmost target, as a finger would find it.
QString Canvas::pressHint(const QPoint& at) const {
    if (!session_.document().panel->touch)
        return {};
    const auto& widgets = session_.selection().screen()->widgets;
    const auto isOpen = [&](int number) {
        for (; number >= 0; number = containerOf(widgets, static_cast<size_t>(number)))
            if (const Widget& each = *widgets[static_cast<size_t>(number)]; !each.visible || !each.enabled)
                return false;
        return true;
    };
    const int found = topmostAt(
        at,
        [&](size_t i) {
            const int margin = widgets[i]->touchMargin;
            return info(widgets[i]->kind).has(kIsTouched) && isOpen(static_cast<int>(i)) &&
                   boxNow(*widgets[i]).adjusted(-margin, -margin, margin, margin).contains(at);
        },
        findIn(placeProperties(), "touch_margin")->max);
    if (found < 0)
        return {};
    const auto number = static_cast<size_t>(found);
    const auto screen = static_cast<size_t>(session_.selection().screenIndex());
    return tr("a press on %1: %2")
        .arg(QString::fromStdString(widgets[number]->name),
             QString::fromStdString(pressWords(*session_.scene(), screen, number)));
}

void Canvas::leaveEvent(QEvent* event) {
    Q_EMIT pressHinted({});
    QWidget::leaveEvent(event);
}

void Canvas::mouseMoveEvent(QMouseEvent* event) {
    if (!session_.isOpen())
        return;
    const QPoint at = toPanel(event->position());
    pointer_ = at;
    Q_EMIT pointerMoved(QString("x %1  y %2").arg(at.x()).arg(at.y()));
    Q_EMIT pressHinted(gesture_ == Gesture::None && !operating_ && !setsFocus() ? pressHint(at) : QString());
    switch (gesture_) {
        case Gesture::Pan:
            offset_ += event->position().toPoint() - start_;
            start_ = event->position().toPoint();
            fitted_ = false;
            break;
        case Gesture::Move: dragMove(at, event->modifiers()); break;
        case Gesture::Resize: dragResize(at, event->modifiers()); break;
        case Gesture::Paint: dragCells(event->position()); break;
        case Gesture::Drag: dragHandle(event->position(), event->modifiers()); break;
        case Gesture::Focus: focusAt_ = event->position(); break;
        case Gesture::Band:
        case Gesture::Draw: dragged_ = at; break;
        case Gesture::None:
            if (operating_ && (event->buttons() & Qt::LeftButton))
                touchTwin(event->position(), true);
            else if (setsFocus()) {
                setToolTip(
                    tr("Drag a number to the widget whose turn it takes. A double click lets the focus pass over a "
                       "widget, or reach it again."));
                setCursor(focusableAt(event->position()) ? Qt::PointingHandCursor : Qt::ArrowCursor);
            } else if (const auto map = paintedMap(); map && !armed_) {
                hoveredCell_ = cellAtPointer(*map, event->position());
                setToolTip({});
                setCursor(map->size.has(*hoveredCell_) ? Qt::CrossCursor : Qt::ArrowCursor);
            } else if (!operating_ && !armed_) {
                const auto handle = ownHandleAt(event->position());
                const bool own = handle.has_value();
                setToolTip(!own ? groupHint(at)
                           : handle->property->type == PropertyType::Points
                               ? tr("Drag the point. Ctrl+click removes it, a double click on an edge adds one.")
                           : handle->property->type == PropertyType::Zones
                               ? tr("Drag the limit of the zone; Shift takes larger steps.")
                           : handle->property->handle == HandleType::Angle
                               ? tr("Drag the angle; Shift takes steps of 15 degrees.")
                               : tr("Drag the pivot."));
                const int sides = own ? 0 : handleAt(event->position());
                setCursor(own                         ? Qt::PointingHandCursor
                          : sides == 0                ? Qt::ArrowCursor
                          : sides == 5 || sides == 10 ? Qt::SizeFDiagCursor
                          : sides == 6 || sides == 9  ? Qt::SizeBDiagCursor
                          : (sides & 3) != 0          ? Qt::SizeHorCursor
                                                      : Qt::SizeVerCursor);
            }
            break;
    }
    update();
}

// Of the panel, and of the widgets that are not selected or held by one that is.
std::vector<QRect> Canvas::otherBoxes() const {
    const Panel& panel = *session_.document().panel;
    const Names without = session_.selection().names();
    const auto& widgets = session_.selection().screen()->widgets;
    const std::vector<int> holders = containersOf(widgets);
    std::vector<QRect> out{{0, 0, panel.width, panel.height}};
    for (size_t i = 0; i < widgets.size();)
        if (std::find(without.begin(), without.end(), widgets[i]->name) == without.end()) {
            out.push_back(boxNow(i, holders[i]));
            ++i;
        } else {
            i = endOf(widgets, i);
        }
    return out;
}

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
        return each->name != selected.front()->name && !each->locked && canBeChoice(each->kind) && box.contains(at) &&
               2 * area(box.intersected(dragged)) > std::min(area(box), area(dragged));
    });
    return found == widgets.rend() ? nullptr : *found;
}

// What was dropped on another one goes back to where it was, and excludes it from now on.
void Canvas::finishMove() {
    const WidgetRef onto = std::exchange(joined_, nullptr);
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

void Canvas::dragMove(const QPoint& at, Qt::KeyboardModifiers modifiers) {
    QPoint by = at - start_;
    if (startBoxes_.empty() || (by.manhattanLength() * zoom_ < 4 && dragged_ == start_))
        return;
    dragged_ = at;
    clickedInSelection_.reset();
    QRect box;
    for (const StartBox& each : startBoxes_)
        box = box.united(each.box);
    guides_.clear();
    if (guidesUsed_ && !(modifiers & Qt::AltModifier)) {
        const Snapped snapped = snap(box.translated(by), otherBoxes(), kReach);
        by += snapped.by;
        guides_ = snapped.guides;
    }
    joined_ = modifiers & Qt::AltModifier ? nullptr : joinedAt(at);
    into_ = joined_ || modifiers & Qt::AltModifier ? std::nullopt : containerAt(at);
    if (const int container = flowOfMoved(); container >= 0) {
        guides_.clear();
        dragInFlow(container, at);
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

void Canvas::dragResize(const QPoint& at, Qt::KeyboardModifiers modifiers) {
    if (startBoxes_.empty())
        return;
    const QPoint by = at - start_;
    QRect box = startBoxes_.front().box;
    box.adjust((handle_ & 1) != 0 ? by.x() : 0, (handle_ & 4) != 0 ? by.y() : 0, (handle_ & 2) != 0 ? by.x() : 0,
               (handle_ & 8) != 0 ? by.y() : 0);
    guides_.clear();
    if (guidesUsed_ && !(modifiers & Qt::AltModifier)) {
        const SnapEdges edges{(handle_ & 1) != 0, (handle_ & 2) != 0, (handle_ & 4) != 0, (handle_ & 8) != 0, false};
        const Snapped snapped = snap(box, otherBoxes(), kReach, edges);
        box.adjust((handle_ & 1) != 0 ? snapped.by.x() : 0, (handle_ & 4) != 0 ? snapped.by.y() : 0,
                   (handle_ & 2) != 0 ? snapped.by.x() : 0, (handle_ & 8) != 0 ? snapped.by.y() : 0);
        guides_ = snapped.guides;
    }
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

QRect Canvas::bandRect() const {
    return QRect(QPoint(std::min(start_.x(), dragged_.x()), std::min(start_.y(), dragged_.y())),
                 QPoint(std::max(start_.x(), dragged_.x()), std::max(start_.y(), dragged_.y())));
}

void Canvas::finishBand(Qt::KeyboardModifiers modifiers) {
    const QRect band = bandRect();
    if (start_ == dragged_)
        return;
    Names names = modifiers & Qt::ShiftModifier ? session_.selection().names() : Names{};
    const auto& widgets = session_.selection().screen()->widgets;
    const int into = session_.selection().containerIndex();
    for (size_t i = into < 0 ? 0 : static_cast<size_t>(into) + 1; i < widgets.size(); i = endOf(widgets, i)) {
        const WidgetRef& each = widgets[i];
        if (containerOf(widgets, i) != into)
            break;
        if (!each->locked && band.intersects(boxNow(*each)) &&
            std::find(names.begin(), names.end(), each->name) == names.end())
            names.push_back(each->name);
    }
    session_.selection().select(names);
}

void Canvas::finishDraw() {
    const Kind kind = *armed_;
    arm(std::nullopt);
    insert(kind, bandRect(), QLine(start_, dragged_));
}

void Canvas::mouseReleaseEvent(QMouseEvent* event) {
    if (operating_ && input_.mouse(*event, false))
        return;
    const Gesture done = std::exchange(gesture_, Gesture::None);
    guides_.clear();
    if (operating_ && event->button() == Qt::LeftButton)
        touchTwin(event->position(), false);
    else if (done == Gesture::Band)
        finishBand(event->modifiers());
    else if (done == Gesture::Draw)
        finishDraw();
    else if (done == Gesture::Focus)
        finishFocus(event->position());
    else if (done == Gesture::Paint)
        finishCells();
    else if (done == Gesture::Drag)
        dragging_.reset();
    else if (done == Gesture::Move)
        finishMove();
    if (session_.isOpen())
        session_.endGesture();
    update();
}

void Canvas::mouseDoubleClickEvent(QMouseEvent* event) {
    if (operating_)
        mousePressEvent(event);
    else if (passOverAt(event->position()) || addPointAt(event->position()) ||
             (!paintedMap() && enterAt(toPanel(event->position()))))
        update();
    else if (paintedMap())
        mousePressEvent(event);
    else if (const WidgetRef map = editedWidget(); map && info(map->kind).has(kHasCells))
        brush_.setDown(true);
    else if (!session_.selection().names().empty() && !ownHandleAt(event->position()))
        Q_EMIT renameRequested();
}

void Canvas::touchTwin(const QPointF& at, bool down) { session_.runner().touch(toPanel(at), down); }

}  // namespace gorsefinch::app
