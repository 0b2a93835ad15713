// SPDX-License-Identifier: GPL-3.0-or-later
// Where widgets are that containers hold, and how the pointer goes into and out of these.
#include <QPainter>
#include <algorithm>

#include "app/screens/canvas.h"
#include "app/screens/canvas_tag.h"
#include "app/session/session.h"
#include "app/theme/theme.h"
#include "core/document/arrange.h"
#include "core/document/widget_tree.h"
#include "core/sim/slot_value.h"

namespace gorsefinch::app {

namespace {

constexpr int kOutlineReach = 4;  // pixels inside a drawer's outline

// True if containers place or stretch the widget by what expressions change. What rules hide, the canvas shows.
bool isPlacedNow(Session& session, const Widget& widget, std::string_view key) {
    const auto& arranged = session.scene()->rules->arranged;
    const auto found = arranged.find(session.selection().screenName().toStdString());
    return found != arranged.end() &&
           std::any_of(found->second.begin(), found->second.end(), [&](const ArrangedExpression& each) {
               return each.widget == widget.name && each.key == key && !each.byRules;
           });
}

// A property as an expression gives it now, else as the document says.
int valueNow(Session& session, const Widget& widget, const char* key) {
    const PropertyInfo& property = *findProperty(widget.kind, key);
    if (widget.expressions.count(key) != 0 || isPlacedNow(session, widget, key))
        if (const auto value = slotValue(
                session.runner().twin(), session.selection().screenIndex(),
                session.runner().twin().scene().drawnNumber(session.selection().screenIndex(), widget), property))
            return static_cast<int>(std::get<int64_t>(*value));
    return static_cast<int>(std::get<int64_t>(effectiveValue(session.document(), widget, key)));
}

}  // namespace

QPoint Canvas::originNow(int container) const {
    const auto& widgets = session_.selection().screen()->widgets;
    QPoint out;
    for (; container >= 0; container = containerOf(widgets, static_cast<size_t>(container))) {
        const auto number = static_cast<size_t>(container);
        const auto value = [&](const char* key) { return valueNow(session_, *widgets[number], key); };
        out += QPoint(value("x"), value("y"));
        if (widgets[number]->kind == Kind::Pager) {
            const Offset pan = panOfPages(widgets, number, session_.selection().panes());
            out -= QPoint(pan.x, pan.y);
        } else if (findProperty(widgets[number]->kind, "pan_x")) {
            out -= QPoint(value("pan_x"), value("pan_y"));
        }
    }
    return out;
}

QRect Canvas::boxNow(const Widget& widget) const {
    if (widget.expressions.empty() && widget.depth == 0)
        return boxOf(widget);
    const Screen& screen = *session_.selection().screen();
    const auto number = static_cast<size_t>(widgetIndex(screen, widget.name));
    return boxNow(number, containerOf(screen.widgets, number));
}

QRect Canvas::boxNow(size_t number, int container) const {
    const Widget& widget = *session_.selection().screen()->widgets[number];
    if (widget.expressions.empty() && container < 0)
        return boxOf(widget);
    const auto value = [&](const char* key) { return valueNow(session_, widget, key); };
    return QRect(value("x"), value("y"), value("w"), value("h")).translated(originNow(container));
}

QRect Canvas::seenNow(int container) const {
    const auto& widgets = session_.selection().screen()->widgets;
    const Panel& panel = *session_.document().panel;
    QRect out(-kMaxPanelSide, -kMaxPanelSide, panel.width + 2 * kMaxPanelSide, panel.height + 2 * kMaxPanelSide);
    for (; container >= 0; container = containerOf(widgets, static_cast<size_t>(container)))
        if (!isOpenPane(*widgets[static_cast<size_t>(container)], session_.selection().panes()))
            return {};
        else if (const Widget& holds = *widgets[static_cast<size_t>(container)]; clips(session_.document(), holds))
            out &= boxNow(holds);
    return out;
}

// A drawer that is closed on the canvas is there by its outline only.
bool Canvas::isOpenAt(size_t number, const QPoint& at) const {
    const auto& widgets = session_.selection().screen()->widgets;
    if (isOpenPane(*widgets[number], session_.selection().panes()))
        return true;
    const int reach = kOutlineReach;
    return !boxNow(number, containerOf(widgets, number)).adjusted(reach, reach, -reach, -reach).contains(at);
}

int Canvas::topmostAt(const QPoint& at, const std::function<bool(size_t)>& suits, int margin) const {
    const auto& widgets = session_.selection().screen()->widgets;
    const std::vector<int> holders = containersOf(widgets);
    for (size_t i = widgets.size(); i-- > 0;)
        if (boxNow(i, holders[i]).adjusted(-margin, -margin, margin, margin).contains(at) && suits(i) &&
            isOpenAt(i, at) && seenNow(holders[i]).contains(at))
            return static_cast<int>(i);
    return -1;
}

// Of a container any part counts, but where it shows nothing only what it holds.
WidgetRef Canvas::widgetAt(const QPoint& at) const {
    const auto& widgets = session_.selection().screen()->widgets;
    const int into = session_.selection().containerIndex();
    const int depth = into < 0 ? 0 : widgets[static_cast<size_t>(into)]->depth + 1;
    const size_t begin = into < 0 ? 0 : static_cast<size_t>(into) + 1;
    const size_t end = into < 0 ? widgets.size() : endOf(widgets, static_cast<size_t>(into));
    const std::vector<int> holders = containersOf(widgets);
    const auto isLocked = [&](int number) {
        for (; number >= 0 && widgets[static_cast<size_t>(number)]->depth >= depth;
             number = holders[static_cast<size_t>(number)])
            if (const Widget& each = *widgets[static_cast<size_t>(number)]; each.locked || each.offCanvas)
                return true;
        return false;
    };
    int found = topmostAt(
        at,
        [&](size_t i) {
            return i >= begin && i < end && !isLocked(static_cast<int>(i)) &&
                   hasOwnBox(session_.document(), widgets, i) && isHit(i, holders[i], at);
        },
        hitReach());
    while (found >= 0 && widgets[static_cast<size_t>(found)]->depth > depth)
        found = holders[static_cast<size_t>(found)];
    return found < 0 ? seriesAt(at) : widgets[static_cast<size_t>(found)];
}

std::vector<WidgetRef> Canvas::movable() const {
    const auto& widgets = session_.selection().screen()->widgets;
    std::vector<WidgetRef> out;
    for (const size_t top : topmostOf(widgets, session_.selection().names()))
        if (!widgets[top]->locked)
            out.push_back(widgets[top]);
    return out;
}

bool Canvas::enterAt(const QPoint& at) {
    const WidgetRef widget = widgetAt(at);
    if (!widget || !info(widget->kind).has(kHolds))
        return false;
    session_.selection().enter(widget->name);
    if (const WidgetRef inner = widgetAt(at))
        session_.selection().select({inner->name});
    return true;
}

QString Canvas::groupHint(const QPoint& at) const {
    if (const WidgetRef widget = widgetAt(at); widget && info(widget->kind).has(kHolds))
        return tr("%1: a double click goes into it, Ctrl+Shift+G takes it apart.")
            .arg(QString::fromStdString(widget->name));
    if (const WidgetRef use = widgetAt(at); use && use->kind == Kind::Assembly)
        return tr("%1: a double click goes to its assembly %2, Ctrl+Shift+G takes it loose.")
            .arg(QString::fromStdString(use->name), QString::fromStdString(assemblyOf(*use)));
    return session_.selection().containerIndex() < 0
               ? QString()
               : tr("In %1: Escape, or a click beside it, goes out.")
                     .arg(QString::fromStdString(session_.selection().container()));
}

void Canvas::leaveBeside(const QPoint& at) {
    Selection& selection = session_.selection();
    while (selection.containerIndex() >= 0) {
        const auto& widgets = selection.screen()->widgets;
        const auto number = static_cast<size_t>(selection.containerIndex());
        if (widgetAt(at) || boxNow(*widgets[number]).contains(at))
            return;
        const int outer = containerOf(widgets, number);
        selection.enter(outer < 0 ? std::string() : widgets[static_cast<size_t>(outer)]->name);
    }
}

std::optional<std::string> Canvas::containerAt(const QPoint& at) const {
    const auto& widgets = session_.selection().screen()->widgets;
    const int inside = session_.selection().containerIndex();
    std::vector<bool> dragged(widgets.size());
    for (const size_t top : topmostOf(widgets, session_.selection().names()))
        std::fill(dragged.begin() + static_cast<std::ptrdiff_t>(top),
                  dragged.begin() + static_cast<std::ptrdiff_t>(endOf(widgets, top)), true);
    const auto hasBox = [&](size_t i) { return hasOwnBox(session_.document(), widgets, i) || flows(*widgets[i]); };
    const int found = topmostAt(at, [&](size_t i) {
        return !dragged[i] && !widgets[i]->locked && info(widgets[i]->kind).has(kHolds) &&
               (static_cast<int>(i) == inside || hasBox(i));
    });
    // What is dragged out of a group that shows no box and places nothing stays in it.
    if (found == inside || (found < 0 && !hasBox(static_cast<size_t>(inside))))
        return std::nullopt;
    return found < 0 ? std::string() : widgets[static_cast<size_t>(found)]->name;
}

// The container that is entered, and the one that takes what is dragged.
void Canvas::drawContainer(QPainter& painter) const {
    const Screen& screen = *session_.selection().screen();
    if (const int inside = session_.selection().containerIndex(); inside >= 0) {
        const QRect box = boxNow(*screen.widgets[static_cast<size_t>(inside)]);
        const QRectF frame =
            QRectF(fromPanel(box.topLeft()), QSizeF(box.size()) * zoom_).adjusted(-1.5, -1.5, 0.5, 0.5);
        painter.setBrush(Qt::NoBrush);
        painter.setPen(QPen(QColor(0, 0, 0, 150), 1));
        painter.drawRect(frame);
        painter.setPen(QPen(Theme::colour(Role::Accent), 1, Qt::DashLine));
        painter.drawRect(frame);
    }
    if (!into_)
        return;
    const QRect box = selectionBox();
    const int target = widgetIndex(screen, *into_);
    if (target >= 0)
        drawBracket(painter, boxNow(*screen.widgets[static_cast<size_t>(target)]));
    drawTag(painter, fromPanel({box.x() + box.width() / 2.0, static_cast<double>(box.y())}) - QPointF(0, 16),
            target < 0 ? tr("drop: out of the group") : tr("drop: into %1").arg(QString::fromStdString(*into_)));
}

}  // namespace gorsefinch::app
