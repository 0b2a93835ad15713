// SPDX-License-Identifier: GPL-3.0-or-later
// Handles of the selected widget's points and angles.
#include <QPainter>
#include <algorithm>
#include <cmath>

#include "app/screens/canvas.h"
#include "app/session/session.h"
#include "app/theme/theme.h"

namespace gorsefinch::app {

namespace {

constexpr double kHandleReach = 6;  // pixels of the window around a handle's middle

}  // namespace

WidgetRef Canvas::editedWidget() const {
    const auto selected = session_.selection().widgets();
    return selected.size() == 1 && !selected.front()->locked ? selected.front() : nullptr;
}

BoxPlace Canvas::placeInBox(const Widget& widget, const QPointF& at) const {
    const QPointF inside = (at - panelRect().topLeft()) / zoom_;
    const QPoint box = boxNow(widget).topLeft();
    return {inside.x() - box.x(), inside.y() - box.y()};
}

std::optional<DragHandle> Canvas::ownHandleAt(const QPointF& at) const {
    const WidgetRef widget = editedWidget();
    if (!widget)
        return std::nullopt;
    const BoxPlace place = placeInBox(*widget, at);
    std::optional<DragHandle> out;
    double nearest = kHandleReach / zoom_;
    for (const DragHandle& each : handlesOf(session_.document(), *widget))
        if (const double far = std::hypot(each.at.x - place.x, each.at.y - place.y); far <= nearest) {
            nearest = far;
            out = each;
        }
    return out;
}

void Canvas::setOwn(const PropertyValues& values, const QString& what, const QString& joins) {
    const WidgetRef widget = editedWidget();
    if (!widget)
        return;
    const std::string name = widget->name;
    Result<Document> next = session_.document();
    for (const auto& [property, value] : values)
        if (next)
            next = gorsefinch::setProperty(*next, session_.selection().screenName().toStdString(), std::span(&name, 1),
                                           property->key, value);
    session_.edit(next, what.arg(QString::fromStdString(name)), joins);
}

bool Canvas::pressHandle(const QPointF& at, Qt::KeyboardModifiers modifiers) {
    const auto handle = ownHandleAt(at);
    if (!handle)
        return false;
    if (modifiers & Qt::ControlModifier) {
        if (const auto points = withoutPoint(session_.document(), *editedWidget(), *handle))
            setOwn({{handle->property, *points}}, tr("Remove a point of %1"), {});
        return true;
    }
    dragging_ = handle;
    beginGesture(Gesture::Drag, toPanel(at));
    return true;
}

bool Canvas::addPointAt(const QPointF& at) {
    const WidgetRef widget = editedWidget();
    if (!widget || ownHandleAt(at))
        return false;
    const auto added = newPointAt(session_.document(), *widget, placeInBox(*widget, at));
    if (!added || added->distance * zoom_ > kHandleReach)
        return false;
    setOwn({{added->property, added->points}}, tr("Add a point to %1"), {});
    return true;
}

void Canvas::dragHandle(const QPointF& at, Qt::KeyboardModifiers modifiers) {
    const WidgetRef widget = editedWidget();
    if (!widget || !dragging_)
        return;
    const PropertyValues values = draggedTo(session_.document(), *widget, *dragging_, placeInBox(*widget, at),
                                            (modifiers & Qt::ShiftModifier) != 0);
    setOwn(values, tr("Drag %1 of %2").arg(QString(dragging_->property->label).toLower(), "%1"), gestureKey_);
}

void Canvas::drawHandles(QPainter& painter) const {
    const WidgetRef widget = editedWidget();
    if (!widget)
        return;
    const QPointF box = boxNow(*widget).topLeft();
    painter.save();
    painter.setRenderHint(QPainter::Antialiasing, true);
    painter.setPen(QPen(QColor(0, 0, 0, 200), 1.5));
    painter.setBrush(Theme::colour(Role::Accent));
    for (const DragHandle& each : handlesOf(session_.document(), *widget)) {
        const QPointF at = fromPanel(box + QPointF(each.at.x, each.at.y));
        if (each.property->type == PropertyType::Points)
            painter.drawRect(QRectF(at.x() - 3.5, at.y() - 3.5, 7, 7));
        else if (each.property->type == PropertyType::Zones)
            painter.drawPolygon(QPolygonF({at + QPointF(0, -4.5), at + QPointF(4.5, 3.5), at + QPointF(-4.5, 3.5)}));
        else if (each.property->handle == HandleType::Point)
            painter.drawEllipse(at, 4.5, 4.5);
        else
            painter.drawPolygon(
                QPolygonF({at + QPointF(0, -5.5), at + QPointF(5.5, 0), at + QPointF(0, 5.5), at + QPointF(-5.5, 0)}));
    }
    painter.restore();
}

}  // namespace gorsefinch::app
