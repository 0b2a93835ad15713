// SPDX-License-Identifier: GPL-3.0-or-later
// How the pointer and the keys choose widgets: the topmost, those beneath, by a rubber band, one after the other.
#include <QMenu>
#include <algorithm>

#include "app/screens/canvas.h"
#include "app/session/session.h"
#include "core/document/widget_tree.h"
#include "core/edits/handles.h"

namespace gorsefinch::app {

namespace {

constexpr int kThinReach = 3;  // canvas pixels beside a thin line that still hit it

}  // namespace

int Canvas::hitReach() const { return (kThinReach + zoom_ - 1) / zoom_; }

bool Canvas::isHit(size_t number, int container, const QPoint& at) const {
    const QRect box = boxNow(number, container);
    return gorsefinch::isHit(session_.document(), *session_.selection().screen()->widgets[number],
                             {at.x() + 0.5 - box.x(), at.y() + 0.5 - box.y()}, hitReach());
}

std::vector<WidgetRef> Canvas::stackAt(const QPoint& at) const {
    const auto& widgets = session_.selection().screen()->widgets;
    const int into = session_.selection().containerIndex();
    const std::vector<int> holders = containersOf(widgets);
    const size_t end = into < 0 ? widgets.size() : endOf(widgets, static_cast<size_t>(into));
    std::vector<WidgetRef> out;
    for (size_t i = into < 0 ? 0 : static_cast<size_t>(into) + 1; i < end; i = endOf(widgets, i)) {
        if (widgets[i]->locked || widgets[i]->offCanvas)
            continue;
        for (size_t part = i; part < endOf(widgets, i); ++part)
            if (hasOwnBox(session_.document(), widgets, part) && isHit(part, holders[part], at) && isOpenAt(part, at) &&
                seenNow(holders[part]).contains(at)) {
                out.insert(out.begin(), widgets[i]);
                break;
            }
    }
    return out;
}

void Canvas::pressSelect(const QPoint& at, Qt::KeyboardModifiers modifiers) {
    clickedInSelection_.reset();
    beneath_ = false;
    if (!(modifiers & Qt::ShiftModifier))
        leaveBeside(at);
    WidgetRef widget = widgetAt(at);
    if (!widget) {
        if (!(modifiers & Qt::ShiftModifier))
            session_.selection().select({});
        beginGesture(Gesture::Band, at);
        return;
    }
    Names names = session_.selection().names();
    const bool copies = modifiers & Qt::AltModifier;
    if (copies) {
        // What was chosen beneath others stays, to be copied or to go on beneath it.
        const std::vector<WidgetRef> stack = stackAt(at);
        const auto chosen = std::find_if(stack.begin(), stack.end(), [&](const WidgetRef& each) {
            return std::find(names.begin(), names.end(), each->name) != names.end();
        });
        beneath_ = stack.size() > 1;
        if (chosen != stack.end())
            widget = *chosen;
    }
    const auto known = std::find(names.begin(), names.end(), widget->name);
    if (modifiers & Qt::ShiftModifier) {
        if (known == names.end())
            names.push_back(widget->name);
        else
            names.erase(known);
        session_.selection().select(names);
    } else if (known == names.end()) {
        session_.selection().select({widget->name});
    } else if (names.size() > 1 && !copies) {
        clickedInSelection_ = widget->name;
    }
    copying_ = copies;
    beginGesture(Gesture::Move, at);
}

void Canvas::setStyleBrush(const std::optional<TakenStyle>& style) {
    styleBrush_ = style;
    setCursor(style ? Qt::CrossCursor : Qt::ArrowCursor);
    update();
    if (style)
        setFocus();
    else
        Q_EMIT styleBrushEnded();
}

bool Canvas::putStyleAt(const QPoint& at) {
    const WidgetRef widget = styleBrush_ ? widgetAt(at) : nullptr;
    if (widget)
        session_.edit(putStyle(session_.document(), session_.selection().screenName().toStdString(),
                               std::span(&widget->name, 1), *styleBrush_),
                      tr("Put a look on %1").arg(QString::fromStdString(widget->name)));
    return styleBrush_.has_value();
}

// After a click with Alt: the next one beneath what is selected, and from the lowest the topmost.
void Canvas::chooseBeneath(const QPoint& at) {
    const std::vector<WidgetRef> stack = stackAt(at);
    const Names& names = session_.selection().names();
    if (stack.empty() || names.empty())
        return;
    const auto chosen =
        std::find_if(stack.begin(), stack.end(), [&](const WidgetRef& each) { return each->name == names.front(); });
    const auto next = chosen == stack.end() ? 0 : static_cast<size_t>(chosen - stack.begin() + 1) % stack.size();
    session_.selection().select({stack[next]->name});
}

// All that lies under a point, to choose from.
bool Canvas::offerStack(const QPoint& at) {
    const std::vector<WidgetRef> stack = stackAt(at);
    if (stack.size() < 2)
        return false;
    auto* menu = new QMenu(this);
    menu->setObjectName("stack");
    menu->setAttribute(Qt::WA_DeleteOnClose);
    addStackTo(*menu, at);
    menu->popup(mapToGlobal(fromPanel(at).toPoint()));
    return true;
}

void Canvas::addStackTo(QMenu& menu, const QPoint& at) {
    for (const WidgetRef& each : stackAt(at)) {
        QAction* entry = menu.addAction(QString("%1  %2").arg(QString::fromStdString(each->name), info(each->kind).key),
                                        this, [this, name = each->name] { session_.selection().select({name}); });
        const Names& names = session_.selection().names();
        entry->setCheckable(true);
        entry->setChecked(std::find(names.begin(), names.end(), each->name) != names.end());
    }
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
        if (!each->locked && !each->offCanvas && band.intersects(boxNow(*each)) &&
            std::find(names.begin(), names.end(), each->name) == names.end())
            names.push_back(each->name);
    }
    session_.selection().select(names);
}

// Tab and Shift+Tab go from widget to widget of the entered container, and from the last on to what follows the canvas.
bool Canvas::focusNextPrevChild(bool next) {
    if (!session_.isOpen() || operating_ || gesture_ != Gesture::None)
        return QWidget::focusNextPrevChild(next);
    const auto& widgets = session_.selection().screen()->widgets;
    const int into = session_.selection().containerIndex();
    Names names;
    for (size_t i = 0; i < widgets.size(); ++i)
        if (!widgets[i]->locked && !widgets[i]->offCanvas && containerOf(widgets, i) == into)
            names.push_back(widgets[i]->name);
    const Names& chosen = session_.selection().names();
    const auto at = chosen.empty() ? names.end() : std::find(names.begin(), names.end(), chosen.back());
    if (names.empty() || (at != names.end() && (next ? at + 1 == names.end() : at == names.begin())))
        return QWidget::focusNextPrevChild(next);
    session_.selection().select(
        {at == names.end() ? (next ? names.front() : names.back()) : *(next ? at + 1 : at - 1)});
    return true;
}

}  // namespace gorsefinch::app
