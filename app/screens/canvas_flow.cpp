// SPDX-License-Identifier: GPL-3.0-or-later
// How the pointer and the keys move what containers place: it gets another turn.
#include <QKeyEvent>
#include <QPainter>
#include <algorithm>

#include "app/screens/canvas.h"
#include "app/screens/canvas_tag.h"
#include "app/session/session.h"
#include "app/theme/theme.h"
#include "core/document/arrange.h"
#include "core/document/widget_tree.h"
#include "core/edits/tree_edits.h"

namespace gorsefinch::app {

int Canvas::flowOfMoved() const {
    const auto& widgets = session_.selection().screen()->widgets;
    int out = -1;
    for (const size_t top : topmostOf(widgets, session_.selection().names())) {
        const int container = containerOf(widgets, top);
        if (container < 0 || !flows(*widgets[static_cast<size_t>(container)]) || (out >= 0 && out != container))
            return -1;
        out = container;
    }
    return out;
}

int Canvas::turnAt(std::string_view container, const QPoint& at) const {
    const Screen& screen = *session_.selection().screen();
    const int number = widgetIndex(screen, container);
    if (number < 0 || !flows(*screen.widgets[static_cast<size_t>(number)]))
        return static_cast<int>(kMaxWidgets);
    const QPoint place = at - originNow(number);
    return turnInFlow(screen.widgets, static_cast<size_t>(number), place.x(), place.y(), session_.selection().names());
}

void Canvas::dragInFlow(int container, const QPoint& at) {
    if (into_)
        return;
    const Screen& screen = *session_.selection().screen();
    const std::string name = screen.widgets[static_cast<size_t>(container)]->name;
    Names names;
    for (const StartBox& each : startBoxes_)
        names.push_back(each.name);
    const auto next = moveInto(session_.document(), screen.name, names, name, turnAt(name, at));
    const auto nameOf = [](const WidgetRef& each) { return each->name; };
    if (next && std::ranges::equal(next->screen(screen.name)->widgets, screen.widgets, {}, nameOf, nameOf))
        return;
    session_.edit(next, tr("Give %1 another turn").arg(QString::fromStdString(names.front())), gestureKey_);
}

bool Canvas::turnByKey(const QKeyEvent& event) {
    if (flowOfMoved() < 0)
        return false;
    const bool earlier = event.key() == Qt::Key_Left || event.key() == Qt::Key_Up;
    const Names names = session_.selection().names();
    session_.edit(reorderWidgets(session_.document(), session_.selection().screenName().toStdString(), names,
                                 earlier ? Depth::Lower : Depth::Raise),
                  tr("Give %1 another turn").arg(QString::fromStdString(names.front())));
    return true;
}

// Where the pointer has what stays in its turn.
void Canvas::drawFlowed(QPainter& painter) const {
    if (gesture_ != Gesture::Move || dragged_ == start_ || flowOfMoved() < 0)
        return;
    for (const StartBox& each : startBoxes_) {
        const QRect box = each.box.translated(dragged_ - start_);
        drawFrame(painter, {fromPanel(box.topLeft()), QSizeF(box.size()) * zoom_});
    }
}

}  // namespace gorsefinch::app
