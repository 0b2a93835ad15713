// SPDX-License-Identifier: GPL-3.0-or-later
// What the canvas shows beside the screen's own widgets: the others of series, and backing screens.
#include <QPainter>
#include <algorithm>

#include "app/screens/canvas.h"
#include "app/session/session.h"
#include "app/theme/theme.h"
#include "app/widgets/from_std.h"
#include "core/document/widget_tree.h"
#include "core/edits/assembly_edits.h"

namespace gorsefinch::app {

namespace {

QRect boxIn(const std::vector<WidgetRef>& widgets, size_t at) {
    const Offset place = placeOnPanel(widgets, at);
    return {place.x, place.y, widgets[at]->w, widgets[at]->h};
}

}  // namespace

const Screen* Canvas::expandedScreen() const {
    const auto at = static_cast<size_t>(session_.selection().screenIndex());
    const BuiltScene& scene = *session_.shownScene();
    if (at >= scene.document.screens.size() || scene.document.screens[at] == scene.given.screens[at])
        return nullptr;
    return scene.document.screens[at].get();
}

std::vector<QRect> Canvas::othersOf(const Widget& widget) const {
    std::vector<QRect> out;
    const Screen* screen = widget.seriesColumns * widget.seriesRows > 1 ? expandedScreen() : nullptr;
    for (size_t i = 0; screen && i < screen->widgets.size(); ++i) {
        const Widget& each = *screen->widgets[i];
        if (each.copyOf && each.copyOf->series > 0 && each.copyOf->screen == screen->name &&
            each.copyOf->widget == widget.name)
            out.push_back(boxIn(screen->widgets, i));
    }
    return out;
}

WidgetRef Canvas::seriesAt(const QPoint& at) const {
    const Screen& screen = *session_.selection().screen();
    const int into = session_.selection().containerIndex();
    const size_t begin = into < 0 ? 0 : static_cast<size_t>(into) + 1;
    const size_t end = into < 0 ? screen.widgets.size() : endOf(screen.widgets, static_cast<size_t>(into));
    WidgetRef found;
    for (size_t i = begin; i < end; i = endOf(screen.widgets, i)) {
        const WidgetRef& each = screen.widgets[i];
        const std::vector<QRect> others = each->locked || each->offCanvas ? std::vector<QRect>() : othersOf(*each);
        if (std::any_of(others.begin(), others.end(), [&](const QRect& box) { return box.contains(at); }))
            found = each;
    }
    return found;
}

std::shared_ptr<const CopyOf> Canvas::backingAt(const QPoint& at) const {
    const Screen* screen = expandedScreen();
    for (size_t i = screen ? screen->widgets.size() : 0; i-- > 0;) {
        const Widget& each = *screen->widgets[i];
        if (each.copyOf && each.copyOf->screen != screen->name && boxIn(screen->widgets, i).contains(at))
            return each.copyOf;
    }
    return nullptr;
}

QString Canvas::backingHint(const QPoint& at) const {
    const auto of = widgetAt(at) ? nullptr : backingAt(at);
    return of ? tr("%1 of the backing screen %2: a double click goes there.")
                    .arg(fromStd(of->widget), fromStd(of->screen))
              : QString();
}

void Canvas::insertUse(const std::string& assembly, const QPoint& at) {
    const Screen& screen = *session_.selection().screen();
    if (!mayUse(session_.document(), screen, assembly)) {
        session_.showError(tr("%1 can't hold itself: it is drawn here, or holds what is.").arg(fromStd(assembly)));
        return;
    }
    session_.addWidgets(session_.document(), {newUse(session_.document(), screen, assembly, at.x(), at.y())},
                        tr("Add a use of %1").arg(fromStd(assembly)));
    setFocus();
}

bool Canvas::goToAssemblyAt(const QPoint& at) {
    const WidgetRef use = widgetAt(at);
    const ScreenRef of = use ? assemblyScreen(session_.document(), assemblyOf(*use)) : nullptr;
    if (of)
        session_.selection().showScreen(fromStd(of->name));
    return of != nullptr;
}

// The box of the assembly that is edited: what lies outside is not part of it in uses of that size.
void Canvas::drawAssemblyBox(QPainter& painter) const {
    const auto& assembly = session_.selection().screen()->assembly;
    if (!assembly)
        return;
    const QRectF box(fromPanel(QPointF(0, 0)), QSizeF(assembly->width, assembly->height) * zoom_);
    painter.setBrush(Qt::NoBrush);
    painter.setPen(QPen(QColor(0, 0, 0, 150), 1));
    painter.drawRect(box.adjusted(0, 0, 1, 1));
    painter.setPen(QPen(Theme::colour(Role::Accent), 1, Qt::DashLine));
    painter.drawRect(box);
}

bool Canvas::goToBackingAt(const QPoint& at) {
    const auto of = widgetAt(at) ? nullptr : backingAt(at);
    if (!of)
        return false;
    session_.selection().showScreen(fromStd(of->screen));
    session_.selection().select({of->widget});
    return true;
}

void Canvas::drawOthers(QPainter& painter) const {
    painter.setBrush(Qt::NoBrush);
    for (const WidgetRef& each : session_.selection().widgets())
        for (const QRect& box : othersOf(*each)) {
            const QRectF r(fromPanel(box.topLeft()), QSizeF(box.size()) * zoom_);
            painter.setPen(QPen(QColor(0, 0, 0, 150), 1));
            painter.drawRect(r.adjusted(-1, -1, 0, 0));
            painter.setPen(QPen(Theme::colour(Role::Accent), 1, Qt::DotLine));
            painter.drawRect(r.adjusted(-1, -1, 0, 0));
        }
}

}  // namespace gorsefinch::app
