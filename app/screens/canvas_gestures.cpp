// SPDX-License-Identifier: GPL-3.0-or-later
// What the canvas does with the mouse. What it does to widgets is in canvas_choosing.cpp and canvas_moving.cpp.
#include "app/screens/canvas.h"

#include <QMouseEvent>
#include <algorithm>

#include "app/session/session.h"
#include "core/document/widget_tree.h"
#include "core/scene/press_words.h"

namespace gorsefinch::app {

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
    typed_.clear();
    copies_.clear();
    copying_ = copying_ && gesture == Gesture::Move;
    for (const WidgetRef& each : movable())
        startBoxes_.push_back({each->name, boxNow(*each), each});
    if (gesture == Gesture::Move || gesture == Gesture::Resize)
        prepareSnapping();
    if (gesture == Gesture::Move || gesture == Gesture::Band)
        hold_.start();
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
    } else if (event->button() == Qt::LeftButton &&
               lines_.press(event->position(), event->modifiers() & Qt::ShiftModifier)) {
    } else if (event->button() == Qt::LeftButton && armed_) {
        beginGesture(Gesture::Draw, at);
    } else if (event->button() == Qt::LeftButton && putStyleAt(at)) {
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
    if ((at - start_).manhattanLength() * zoom_ >= 4)
        hold_.stop();
    if (lines_.isDragging()) {
        lines_.move(event->position(), event->modifiers() & Qt::ShiftModifier);
        update();
        return;
    }
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
            else if (styleBrush_)
                setCursor(widgetAt(at) ? Qt::CrossCursor : Qt::ForbiddenCursor);
            else if (const QString line = lines_.hintAt(event->position()); !line.isEmpty() && !operating_) {
                setToolTip(line);
                setCursor(event->position().x() < kRuler ? Qt::SplitHCursor : Qt::SplitVCursor);
            } else if (setsFocus()) {
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
                setToolTip(!own ? (backingHint(at).isEmpty() ? groupHint(at) : backingHint(at))
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

void Canvas::finishDraw() {
    const Kind kind = *armed_;
    arm(std::nullopt);
    insert(kind, bandRect(), QLine(start_, dragged_));
}

void Canvas::mouseReleaseEvent(QMouseEvent* event) {
    if (operating_ && input_.mouse(*event, false))
        return;
    hold_.stop();
    if (operating_ && event->button() == Qt::LeftButton)
        touchTwin(event->position(), false);
    else if (lines_.isDragging())
        lines_.release();
    else if (gesture_ == Gesture::Focus)
        finishFocus(event->position());
    finishGesture(event->modifiers());
}

void Canvas::finishGesture(Qt::KeyboardModifiers modifiers) {
    const bool moved = dragged_ != start_;
    const Gesture done = std::exchange(gesture_, Gesture::None);
    snapped_ = {};
    typed_.clear();
    if (done == Gesture::Band)
        finishBand(modifiers);
    else if (done == Gesture::Draw)
        finishDraw();
    else if (done == Gesture::Paint)
        finishCells();
    else if (done == Gesture::Drag)
        dragging_.reset();
    else if (done == Gesture::Move && !moved && std::exchange(beneath_, false))
        chooseBeneath(start_);
    else if (done == Gesture::Move)
        finishMove();
    copying_ = false;
    if (session_.isOpen())
        session_.endGesture();
    update();
}

void Canvas::mouseDoubleClickEvent(QMouseEvent* event) {
    if (operating_)
        mousePressEvent(event);
    else if (passOverAt(event->position()) || addPointAt(event->position()) ||
             (!paintedMap() && (enterAt(toPanel(event->position())) || goToAssemblyAt(toPanel(event->position())) ||
                                goToBackingAt(toPanel(event->position())))))
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
