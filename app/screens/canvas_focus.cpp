// SPDX-License-Identifier: GPL-3.0-or-later
// The order in which the knob and the keys reach widgets, as numbers on the canvas: a number is dragged to the widget
// whose turn it takes; a double click lets the focus pass over a widget, or reach it again.
#include <QMouseEvent>
#include <QPainter>
#include <algorithm>

#include "app/screens/canvas.h"
#include "app/session/session.h"
#include "app/theme/theme.h"
#include "core/document/panel_keys.h"
#include "core/edits/focus_edits.h"

namespace gorsefinch::app {

namespace {

constexpr int kBadge = 20;  // pixels of the window

}  // namespace

bool Canvas::setsFocus() const { return focusShown_ && !operating_ && hasKeys(*session_.document().panel); }

void Canvas::setFocusShown(bool shown) {
    focusShown_ = shown;
    update();
}

Names Canvas::focusNames() const {
    Names out;
    const ScreenPart& part = *session_.scene()->parts[static_cast<size_t>(session_.selection().screenIndex())];
    for (const uint16_t each : part.focusOrder)
        out.push_back(part.source->widgets[each]->name);
    return out;
}

// Where the number of a widget is drawn: in the middle of its left edge.
QRectF Canvas::badgeOf(const Widget& widget) const {
    const QRect box = boxNow(widget);
    const QPointF at = fromPanel({static_cast<double>(box.x()), box.y() + box.height() / 2.0});
    return {at.x() - kBadge / 2.0, at.y() - kBadge / 2.0, kBadge, kBadge};
}

// The widget under a point that the focus can reach, by its number or by its box; null if there is none.
WidgetRef Canvas::focusableAt(const QPointF& at) const {
    const auto& widgets = session_.selection().screen()->widgets;
    const auto find = [&](auto holds) {
        const auto found = std::find_if(widgets.rbegin(), widgets.rend(), [&](const WidgetRef& each) {
            return info(each->kind).has(kIsTouched) && holds(*each);
        });
        return found == widgets.rend() ? nullptr : *found;
    };
    if (WidgetRef badge = find([&](const Widget& each) { return badgeOf(each).contains(at); }))
        return badge;
    return find([&](const Widget& each) { return boxNow(each).contains(toPanel(at)); });
}

// True if the press began on a number, or where one could be.
bool Canvas::pressFocus(const QPointF& at) {
    if (!setsFocus())
        return false;
    const WidgetRef widget = focusableAt(at);
    beginGesture(Gesture::Focus, toPanel(at));
    focusDragged_ = widget ? widget->name : std::string();
    focusAt_ = at;
    return true;
}

void Canvas::finishFocus(const QPointF& at) {
    const std::string dragged = std::exchange(focusDragged_, {});
    const WidgetRef target = focusableAt(at);
    if (dragged.empty() || !target || target->name == dragged)
        return;
    const Names order = focusNames();
    session_.edit(
        moveInFocus(session_.document(), session_.selection().screenName().toStdString(), order, dragged, target->name),
        tr("Order the focus"));
}

bool Canvas::passOverAt(const QPointF& at) {
    const WidgetRef widget = setsFocus() ? focusableAt(at) : nullptr;
    if (!widget)
        return setsFocus();
    const bool pass = widget->focus != kNeverFocused;
    const QString name = QString::fromStdString(widget->name);
    session_.edit(passOver(session_.document(), session_.selection().screenName().toStdString(), widget->name, pass),
                  pass ? tr("Let the focus pass over %1").arg(name) : tr("Let the focus reach %1").arg(name));
    return true;
}

void Canvas::drawFocus(QPainter& painter) const {
    if (!setsFocus())
        return;
    const Names order = focusNames();
    const WidgetRef target = focusDragged_.empty() ? nullptr : focusableAt(focusAt_);
    const auto badge = [&](const QRectF& place, const QString& text, bool bright) {
        painter.setPen(QPen(QColor(0, 0, 0, 190), 1));
        painter.setBrush(bright ? Theme::colour(Role::Accent) : QColor(0x6d, 0x75, 0x70));
        painter.drawEllipse(place);
        painter.setPen(bright ? QColor("#16130a") : QColor("#ffffff"));
        painter.drawText(place, Qt::AlignCenter, text);
    };
    painter.save();
    painter.setRenderHint(QPainter::Antialiasing);
    painter.setFont(Theme::figures(10));
    for (const WidgetRef& each : session_.selection().screen()->widgets) {
        if (!info(each->kind).has(kIsTouched))
            continue;
        if (target == each)
            drawBracket(painter, boxNow(*each));
        const auto turn = std::find(order.begin(), order.end(), each->name);
        const QString text = turn == order.end() ? QString("–") : QString::number(turn - order.begin() + 1);
        if (each->name == focusDragged_)
            badge(QRectF(focusAt_ - QPointF(kBadge, kBadge) / 2, QSizeF(kBadge, kBadge)), text, true);
        else
            badge(badgeOf(*each), text, turn != order.end());
    }
    painter.restore();
}

}  // namespace gorsefinch::app
