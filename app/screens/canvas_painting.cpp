// SPDX-License-Identifier: GPL-3.0-or-later
#include <QPainter>
#include <QPainterPath>
#include <algorithm>

#include "app/screens/canvas.h"
#include "app/screens/canvas_tag.h"
#include "app/session/session.h"
#include "app/theme/theme.h"
#include "app/widgets/frame_picture.h"
#include "app/widgets/panel_shape.h"
#include "core/document/widget_tree.h"

namespace gorsefinch::app {

namespace {

// A step of the ruler's figures that leaves them apart at this zoom.
int rulerStep(int zoom) {
    for (const int step : {10, 20, 50, 100, 200})
        if (step * zoom >= 48)
            return step;
    return 500;
}

// One light pixel in three. The dark ones between them keep them visible on any colour.
QBrush dots(const QColor& light) {
    QImage tile(3, 3, QImage::Format_ARGB32_Premultiplied);
    tile.fill(QColor(0, 0, 0, 110));
    for (int y = 0; y < 3; ++y)
        tile.setPixelColor((3 - y) % 3, y, light);
    return QBrush(tile);
}

// The outline of a box, a pixel wide. Filling its edges with a pattern is many times as fast as a dotted pen.
void drawOutline(QPainter& painter, const QRect& box, const QBrush& brush) {
    painter.setBrushOrigin(box.topLeft());
    for (const QRect& edge :
         {QRect(box.left(), box.top(), box.width(), 1), QRect(box.left(), box.bottom(), box.width(), 1),
          QRect(box.left(), box.top() + 1, 1, box.height() - 2),
          QRect(box.right(), box.top() + 1, 1, box.height() - 2)})
        painter.fillRect(edge, brush);
}

// What shows nothing can be seen all the same.
void drawHatching(QPainter& painter, const QRect& box) {
    painter.setBrushOrigin(box.topLeft());
    painter.fillRect(box, QColor(128, 136, 130, 40));
    painter.fillRect(box, QBrush(QColor(190, 198, 192, 150), Qt::BDiagPattern));
}

}  // namespace

void drawTag(QPainter& painter, const QPointF& middle, const QString& text) {
    painter.setFont(Theme::figures(10));
    QRectF box = painter.fontMetrics().boundingRect(text);
    box.adjust(-5, -2, 5, 2);
    box.moveCenter(middle);
    painter.setPen(Qt::NoPen);
    painter.setBrush(QColor(0x1d, 0x23, 0x20, 230));
    painter.drawRoundedRect(box, 2, 2);
    painter.setPen(QColor("#f2eee4"));
    painter.drawText(box, Qt::AlignCenter, text);
}

void drawFrame(QPainter& painter, const QRectF& box) {
    painter.setBrush(Qt::NoBrush);
    painter.setPen(QPen(QColor(0, 0, 0, 150), 3));
    painter.drawRect(box);
    painter.setPen(QPen(Theme::colour(Role::Accent), 1.5, Qt::DashLine));
    painter.drawRect(box);
}

void Canvas::paintEvent(QPaintEvent*) {
    QPainter painter(this);
    painter.fillRect(rect(), Theme::colour(Role::Around));
    if (!session_.isOpen())
        return;
    drawPanel(painter);
    if (!operating_) {
        drawGrid(painter);
        drawHiddenAndZones(painter);
        drawClosed(painter);
        drawCells(painter);
        lines_.drawLines(painter);
        drawGuides(painter);
        drawDrop(painter);
        drawContainer(painter);
        drawFlowed(painter);
        drawTouch(painter);
        drawExtremes(painter);
        drawOthers(painter);
        drawAssemblyBox(painter);
        drawSelection(painter);
        drawPreviewed(painter);
        drawFocus(painter);
        drawNames(painter);
        if (setsFocus())
            drawTag(painter, aboveThePanel(), tr("order of the focus: drag the numbers"));
        else if (styleBrush_)
            drawTag(painter, aboveThePanel(), tr("brush: click widgets to put the look on, Escape ends it"));
        else if (const auto map = paintedMap())
            drawTag(painter, aboveThePanel(),
                    brush_.cell() == 0 ? tr("painting no cell: Escape ends it")
                                       : tr("painting cell %1: Escape ends it").arg(brush_.cell()));
    }
    if ((gesture_ == Gesture::Band || gesture_ == Gesture::Draw) && start_ != dragged_) {
        const QRect band = bandRect();
        const QRectF r(fromPanel(band.topLeft()), QSizeF(band.size()) * zoom_);
        painter.setPen(QPen(Theme::colour(Role::Accent), 1, Qt::DashLine));
        painter.setBrush(QColor(0xe3, 0xb5, 0x05, 40));
        painter.drawRect(r);
        if (gesture_ == Gesture::Draw)
            drawTag(painter, r.center(), QString("%1 x %2").arg(band.width()).arg(band.height()));
    }
    drawRulers(painter);
}

// The middle of a tag that says what the pointer does; below the ruler.
QPointF Canvas::aboveThePanel() const {
    const QRect r = panelRect();
    return {r.center().x() + 0.5, std::max(r.top() - 22.0, kRuler + 11.0)};
}

void Canvas::drawPanel(QPainter& painter) {
    const QRect r = panelRect();
    const Panel& panel = *session_.document().panel;
    paintRim(painter, panel, r, 12);
    painter.setRenderHint(QPainter::SmoothPixmapTransform, false);
    painter.drawImage(r, operating_ ? toImage(session_.runner().twin().memory()) : picture_);
    if (!ghost_.isNull() && !operating_) {
        painter.setOpacity(ghostPercent_ / 100.0);
        painter.drawImage(r, ghost_);
        painter.setOpacity(1);
    }
    // What the glass hides can still be edited, so it stays dimly in sight.
    QColor hidden = Theme::colour(Role::Around);
    hidden.setAlpha(operating_ ? 255 : 190);
    coverCorners(painter, panel, r, 12, hidden);
    if (!operating_)
        return;
    painter.setPen(QPen(Theme::colour(Role::Well), 2));
    painter.setBrush(Qt::NoBrush);
    painter.drawRect(r.adjusted(-2, -2, 1, 1));
    drawTag(painter, aboveThePanel(), tr("operating: the pointer is the finger"));
}

void Canvas::drawHiddenAndZones(QPainter& painter) const {
    const QBrush hidden = dots(QColor("#b99bd0")), touched = dots(QColor("#d7dbd6"));
    const auto& widgets = session_.selection().screen()->widgets;
    const std::vector<int> holders = containersOf(widgets);
    for (size_t i = 0; i < widgets.size(); ++i) {
        const WidgetRef& each = widgets[i];
        const bool unseen = info(each->kind).has(kIsUnseen);
        const bool zone = unseen || (zonesShown_ && info(each->kind).has(kIsTouched));
        if ((each->visible && !zone) || each->offCanvas || !isInSight(widgets, i, session_.selection().panes()))
            continue;
        const QRect now = boxNow(i, holders[i]);
        const QRect box(fromPanel(now.topLeft()).toPoint(), now.size() * zoom_);
        if (unseen)
            drawHatching(painter, box);
        if (!each->visible && !faint_.isNull())
            drawFaint(painter, now);
        if (const int margin = each->touchMargin * zoom_; zone && margin != 0)
            drawOutline(painter, box.adjusted(-margin, -margin, margin, margin), touched);
        drawOutline(painter, box, each->visible ? touched : hidden);
        if (!each->visible)
            painter.drawPixmap(box.topRight() + QPoint(-15, 3), Theme::pixmap("start_hidden", QColor("#d7dbd6"), 14));
    }
}

// What is hidden when the interface starts.
void Canvas::drawFaint(QPainter& painter, const QRect& box) const {
    const QRect part = box & faint_.rect();
    painter.setOpacity(0.4);
    painter.drawImage(QRect(fromPanel(part.topLeft()).toPoint(), part.size() * zoom_), faint_, part);
    painter.setOpacity(1);
}

// Drawers that are closed while nothing in them is selected.
void Canvas::drawClosed(QPainter& painter) const {
    const auto& widgets = session_.selection().screen()->widgets;
    for (size_t i = 0; i < widgets.size(); ++i) {
        if (isOpenPane(*widgets[i], session_.selection().panes()) ||
            !isInSight(widgets, i, session_.selection().panes()))
            continue;
        const QRect now = boxNow(i, containerOf(widgets, i));
        const QRect box(fromPanel(now.topLeft()).toPoint(), now.size() * zoom_);
        drawOutline(painter, box, dots(QColor("#d7dbd6")));
        drawTag(painter, {box.center().x() + 0.5, box.top() + 12.0}, QString::fromStdString(widgets[i]->name));
    }
}

// Corner brackets outside the box, so that its pixels stay visible.
void Canvas::drawBracket(QPainter& painter, const QRect& box) const {
    const QRectF r(fromPanel(box.topLeft()), QSizeF(box.size()) * zoom_);
    const QRectF o = r.adjusted(-2, -2, 1, 1);
    const double arm = std::min({14.0, o.width() / 2, o.height() / 2});
    QPainterPath path;
    for (const auto& [corner, dx, dy] :
         {std::tuple(o.topLeft(), 1.0, 1.0), std::tuple(o.topRight(), -1.0, 1.0), std::tuple(o.bottomLeft(), 1.0, -1.0),
          std::tuple(o.bottomRight(), -1.0, -1.0)}) {
        path.moveTo(corner + QPointF(dx * arm, 0));
        path.lineTo(corner);
        path.lineTo(corner + QPointF(0, dy * arm));
    }
    painter.setBrush(Qt::NoBrush);
    painter.setPen(QPen(QColor(0, 0, 0, 150), 4, Qt::SolidLine, Qt::SquareCap, Qt::MiterJoin));
    painter.drawPath(path);
    painter.setPen(QPen(Theme::colour(Role::Accent), 2, Qt::SolidLine, Qt::SquareCap, Qt::MiterJoin));
    painter.drawPath(path);
}

void Canvas::drawSelection(QPainter& painter) const {
    std::vector<WidgetRef> selected = session_.selection().widgets();
    if (!copies_.empty()) {
        const Screen& screen = *session_.selection().screen();
        selected.clear();
        for (const std::string& each : copies_)
            if (const int at = widgetIndex(screen, each); at >= 0)
                selected.push_back(screen.widgets[static_cast<size_t>(at)]);
    }
    QRect box;
    for (const WidgetRef& each : selected) {
        drawBracket(painter, boxNow(*each));
        box = box.united(boxNow(*each));
    }
    // The others are aligned by it.
    if (selected.size() > 1)
        drawLastMark(painter, boxNow(*selected.back()));
    drawHandles(painter);
    if (joined_) {
        const QRect onto = boxNow(*joined_);
        drawBracket(painter, onto);
        drawTag(painter, fromPanel({onto.x() + onto.width() / 2.0, static_cast<double>(onto.y())}) - QPointF(0, 16),
                tr("drop: one of these, they exclude each other"));
        return;
    }
    if (gesture_ != Gesture::Move && gesture_ != Gesture::Resize)
        return;
    const QPointF below =
        fromPanel({box.x() + box.width() / 2.0, static_cast<double>(box.y() + box.height())}) + QPointF(0, 16);
    const QString words = gesture_ == Gesture::Move ? QString("%1, %2").arg(box.x()).arg(box.y())
                                                    : QString("%1 x %2").arg(box.width()).arg(box.height());
    drawTag(painter, below, typed_.isEmpty() ? words : QString("%1|   %2").arg(typed_, words));
}

// A filled corner of the widget that was selected last.
void Canvas::drawLastMark(QPainter& painter, const QRect& box) const {
    constexpr double kSize = 8;
    const QPointF corner = fromPanel(box.topLeft()) - QPointF(2, 2);
    QPainterPath mark;
    mark.addPolygon(QPolygonF({corner, corner + QPointF(kSize, 0), corner + QPointF(0, kSize)}));
    painter.setPen(QPen(QColor(0, 0, 0, 150), 1));
    painter.setBrush(Theme::colour(Role::Accent));
    painter.drawPath(mark);
}

void Canvas::drawRulers(QPainter& painter) const {
    const QRect r = panelRect();
    const QRect box = selectionBox();
    painter.setRenderHint(QPainter::Antialiasing, false);
    painter.fillRect(0, 0, width(), kRuler, Theme::colour(Role::Ruler));
    painter.fillRect(0, 0, kRuler, height(), Theme::colour(Role::Ruler));
    if (!operating_ && !box.isEmpty()) {
        const QColor accent = Theme::colour(Role::Accent);
        painter.fillRect(QRect(r.left() + box.x() * zoom_, kRuler - 3, box.width() * zoom_, 3), accent);
        painter.fillRect(QRect(kRuler - 3, r.top() + box.y() * zoom_, 3, box.height() * zoom_), accent);
    }
    painter.setRenderHint(QPainter::Antialiasing);
    lines_.drawMarks(painter);
    painter.setRenderHint(QPainter::Antialiasing, false);
    painter.setFont(Theme::figures(9));
    painter.setPen(Theme::colour(Role::QuietText));
    const int step = rulerStep(zoom_), half = step / 5;
    const Panel& panel = *session_.document().panel;
    for (int value = 0; value <= panel.width; value += half) {
        const int x = r.left() + value * zoom_;
        const bool figure = value % step == 0;
        painter.drawLine(x, kRuler - (figure ? 7 : 4), x, kRuler - 1);
        if (figure)
            painter.drawText(x + 3, 10, QString::number(value));
    }
    for (int value = 0; value <= panel.height; value += half) {
        const int y = r.top() + value * zoom_;
        const bool figure = value % step == 0;
        painter.drawLine(kRuler - (figure ? 7 : 4), y, kRuler - 1, y);
        if (!figure)
            continue;
        painter.save();
        painter.translate(10, y - 3);
        painter.rotate(-90);
        painter.drawText(0, 0, QString::number(value));
        painter.restore();
    }
    painter.fillRect(0, 0, kRuler, kRuler, Theme::colour(Role::Ruler));
    painter.setPen(Theme::colour(Role::StrongLine));
    painter.drawLine(kRuler, kRuler - 1, width(), kRuler - 1);
    painter.drawLine(kRuler - 1, kRuler, kRuler - 1, height());
}

}  // namespace gorsefinch::app
