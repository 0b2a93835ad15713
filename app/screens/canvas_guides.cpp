// SPDX-License-Identifier: GPL-3.0-or-later
// What helps to place widgets: guides and distances while dragging, the grid, the margin, names.
#include <QPainter>

#include "app/screens/canvas.h"
#include "app/screens/canvas_tag.h"
#include "app/session/session.h"
#include "app/theme/theme.h"
#include "core/document/widget_tree.h"

namespace gorsefinch::app {

namespace {

constexpr int kFinestGrid = 6;  // canvas pixels between lines of a grid that is drawn

void drawTwice(QPainter& painter, const QPointF& a, const QPointF& b, const QColor& light, Qt::PenStyle style) {
    painter.setPen(QPen(QColor(0, 0, 0, 120), 1));
    painter.drawLine(a, b);
    painter.setPen(QPen(light, 1, style));
    painter.drawLine(a, b);
}

}  // namespace

void Canvas::drawGuides(QPainter& painter) const {
    for (const Guide& guide : snapped_.guides) {
        if (guide.what == SnapTo::Line)
            continue;
        const QPointF a = fromPanel(guide.upright ? QPointF(guide.at, guide.from) : QPointF(guide.from, guide.at));
        const QPointF b = fromPanel(guide.upright ? QPointF(guide.at, guide.to) : QPointF(guide.to, guide.at));
        drawTwice(painter, a, b, guide.what == SnapTo::Baseline ? QColor("#9ad0a6") : QColor("#ffffff"), Qt::DashLine);
    }
    for (const GapMark& gap : snapped_.gaps)
        drawGap(painter, gap);
}

// A line between two ends, with its length in pixels.
void Canvas::drawGap(QPainter& painter, const GapMark& gap) const {
    constexpr double kEnd = 4;
    const QColor colour = gap.equal ? Theme::colour(Role::Accent) : QColor("#ffffff");
    const QPointF half(0.5, 0.5);
    const QPointF a = fromPanel(gap.across ? QPointF(gap.from, gap.at) : QPointF(gap.at, gap.from)) + half;
    const QPointF b = fromPanel(gap.across ? QPointF(gap.to, gap.at) : QPointF(gap.at, gap.to)) + half;
    const QPointF end = gap.across ? QPointF(0, kEnd) : QPointF(kEnd, 0);
    for (const auto& [from, to] : {std::pair(a, b), std::pair(a - end, a + end), std::pair(b - end, b + end)}) {
        painter.setPen(QPen(QColor(0, 0, 0, 150), 3));
        painter.drawLine(from, to);
        painter.setPen(QPen(colour, 1));
        painter.drawLine(from, to);
    }
    const QPointF middle = (a + b) / 2;
    drawTag(painter, middle + (gap.across ? QPointF(0, -12) : QPointF(18, 0)), QString::number(gap.length()));
}

void Canvas::drawGrid(QPainter& painter) const {
    const LayoutAids& aids = *session_.document().aids;
    const Panel& panel = *session_.document().panel;
    if (aids.grid.shown && aids.grid.step * zoom_ >= kFinestGrid) {
        const QColor dark(0, 0, 0, 40), light(255, 255, 255, 46);
        for (int x = aids.grid.x; x <= panel.width; x += aids.grid.step) {
            const QPointF top = fromPanel(QPointF(x, 0));
            painter.fillRect(QRectF(top.x(), top.y(), 1, panel.height * zoom_), light);
            painter.fillRect(QRectF(top.x() - 1, top.y(), 1, panel.height * zoom_), dark);
        }
        for (int y = aids.grid.y; y <= panel.height; y += aids.grid.step) {
            const QPointF left = fromPanel(QPointF(0, y));
            painter.fillRect(QRectF(left.x(), left.y(), panel.width * zoom_, 1), light);
            painter.fillRect(QRectF(left.x(), left.y() - 1, panel.width * zoom_, 1), dark);
        }
    }
    if (aids.margin == 0 || 2 * aids.margin >= std::min(panel.width, panel.height))
        return;
    const QRectF inside(fromPanel(QPointF(aids.margin, aids.margin)),
                        fromPanel(QPointF(panel.width - aids.margin, panel.height - aids.margin)));
    painter.setBrush(Qt::NoBrush);
    painter.setPen(QPen(QColor(0, 0, 0, 90), 1));
    painter.drawRect(inside);
    painter.setPen(QPen(QColor(255, 255, 255, 150), 1, Qt::DotLine));
    painter.drawRect(inside);
}

// Where an edit that is only shown would place the selected widgets.
void Canvas::drawPreviewed(QPainter& painter) const {
    if (!session_.isPreviewing())
        return;
    const ScreenRef screen = session_.shownScene()->document.screen(session_.selection().screenName().toStdString());
    if (!screen)
        return;
    for (const std::string& name : session_.selection().names()) {
        const int at = widgetIndex(*screen, name);
        if (at < 0)
            continue;
        const QRect box = toRect(boxOnPanel(screen->widgets, static_cast<size_t>(at)));
        drawFrame(painter, {fromPanel(box.topLeft()), QSizeF(box.size()) * zoom_});
    }
}

// The names of what can be chosen, over it.
void Canvas::drawNames(QPainter& painter) const {
    if (!namesShown_)
        return;
    const auto& widgets = session_.selection().screen()->widgets;
    const std::vector<int> holders = containersOf(widgets);
    painter.setFont(Theme::figures(10));
    for (size_t i = 0; i < widgets.size(); ++i) {
        if (widgets[i]->offCanvas || holders[i] != session_.selection().containerIndex())
            continue;
        const QRect box = boxNow(i, holders[i]);
        const QString name = QString::fromStdString(widgets[i]->name);
        const QPointF at = fromPanel(box.topLeft());
        drawTag(painter, at + QPointF(painter.fontMetrics().horizontalAdvance(name) / 2.0 + 6, 9), name);
    }
}

}  // namespace gorsefinch::app
