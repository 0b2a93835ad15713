// SPDX-License-Identifier: GPL-3.0-or-later
// Painting the cells of a map of tiles on the canvas.
#include <QKeyEvent>
#include <QMouseEvent>
#include <QPainter>
#include <cmath>

#include "app/screens/canvas.h"
#include "app/session/session.h"
#include "app/theme/theme.h"
#include "app/widgets/from_std.h"

namespace gorsefinch::app {

std::optional<Canvas::PaintedMap> Canvas::paintedMap() const {
    const WidgetRef widget = brush_.isDown() && !operating_ && session_.isOpen() ? editedWidget() : nullptr;
    if (!widget || !info(widget->kind).has(kHasCells))
        return std::nullopt;
    const auto& part = session_.scene()->parts[static_cast<size_t>(session_.selection().screenIndex())];
    const int at = widgetIndex(*part->source, widget->name);
    if (at < 0)
        return std::nullopt;
    const gorse_record& record = part->records[static_cast<size_t>(at)];
    if (!record.tiles.animation)
        return std::nullopt;
    const gorse_image& cell = *record.tiles.animation->frames[0];
    const int inset = record.widget.look->border_width + record.widget.look->padding;
    return PaintedMap{widget,
                      {record.tiles.columns, record.tiles.rows},
                      {cell.width, cell.height},
                      boxNow(*widget).topLeft() + QPoint(inset - record.tiles.pan_x, inset - record.tiles.pan_y)};
}

CellPlace Canvas::cellAtPointer(const PaintedMap& map, const QPointF& at) const {
    const QPoint place = toPanel(at) - map.origin;
    const auto cell = [](int pixel, int size) { return static_cast<int>(std::floor(double(pixel) / size)); };
    return {cell(place.x(), map.cell.width()), cell(place.y(), map.cell.height())};
}

bool Canvas::pressCells(const QPointF& at, Qt::KeyboardModifiers modifiers) {
    const auto map = paintedMap();
    if (!map)
        return false;
    const CellPlace place = cellAtPointer(*map, at);
    if (!map->size.has(place))
        return false;
    beginGesture(Gesture::Paint, toPanel(at));
    paintedFrom_ = paintedLast_ = place;
    cellsBefore_ = std::get<CellMap>(effectiveValue(session_.document(), *map->widget, "cells"));
    picking_ = brush_.tool() == CellTool::Pick || (modifiers & Qt::AltModifier) != 0;
    paintTo(*map, place);
    return true;
}

void Canvas::dragCells(const QPointF& at) {
    if (const auto map = paintedMap())
        paintTo(*map, cellAtPointer(*map, at));
}

// Carries the gesture on to a cell, which may be outside the map.
void Canvas::paintTo(const PaintedMap& map, CellPlace to) {
    const CellMap now = std::get<CellMap>(effectiveValue(session_.document(), *map.widget, "cells"));
    hoveredCell_ = to;
    if (picking_) {
        if (map.size.has(to))
            brush_.setCell(cellAt(now, to.column, to.row));
        return;
    }
    const auto cell = static_cast<uint8_t>(brush_.cell());
    switch (brush_.tool()) {
        case CellTool::Box: setCells(map, withCellBox(cellsBefore_, map.size, paintedFrom_, to, cell)); break;
        case CellTool::Fill:
            if (to == paintedFrom_)
                setCells(map, withCellsFilled(cellsBefore_, map.size, to, cell));
            break;
        default: setCells(map, withCellLine(now, map.size, paintedLast_, to, cell)); break;
    }
    paintedLast_ = to;
}

void Canvas::setCells(const PaintedMap& map, const CellMap& cells) {
    if (cells == std::get<CellMap>(effectiveValue(session_.document(), *map.widget, "cells")))
        return;
    const std::string name = map.widget->name;
    session_.edit(gorsefinch::setProperty(session_.document(), session_.selection().screenName().toStdString(),
                                          std::span(&name, 1), "cells", cells),
                  tr("Paint %1").arg(fromStd(name)), gestureKey_);
}

void Canvas::finishCells() {
    if (picking_ && brush_.tool() == CellTool::Pick)
        brush_.setTool(CellTool::Pen);
    cellsBefore_.clear();
}

// The keys while cells are painted: the arrows move to another one, Space or Return paints it, letters choose tools.
bool Canvas::paintByKey(QKeyEvent* event) {
    const auto map = paintedMap();
    if (!map || (event->modifiers() & (Qt::ControlModifier | Qt::AltModifier)) != 0)
        return false;
    const auto move = [&](int across, int down) {
        const CellPlace from = hoveredCell_.value_or(CellPlace{});
        hoveredCell_ = CellPlace{std::clamp(from.column + across, 0, map->size.columns - 1),
                                 std::clamp(from.row + down, 0, map->size.rows - 1)};
    };
    switch (event->key()) {
        case Qt::Key_Left: move(-1, 0); break;
        case Qt::Key_Right: move(1, 0); break;
        case Qt::Key_Up: move(0, -1); break;
        case Qt::Key_Down: move(0, 1); break;
        case Qt::Key_P: brush_.setTool(CellTool::Pen); break;
        case Qt::Key_R: brush_.setTool(CellTool::Box); break;
        case Qt::Key_F: brush_.setTool(CellTool::Fill); break;
        case Qt::Key_K: brush_.setTool(CellTool::Pick); break;
        case Qt::Key_Escape: brush_.setDown(false); break;
        case Qt::Key_Space:
        case Qt::Key_Return:
            if (pressCells(placeOfCells(*map, hoveredCell_.value_or(CellPlace{}), {1, 1}).center(), Qt::NoModifier))
                finishCells();
            gesture_ = Gesture::None;
            session_.endGesture();
            break;
        default: return false;
    }
    update();
    return true;
}

QRectF Canvas::placeOfCells(const PaintedMap& map, CellPlace first, MapSize size) const {
    const QPoint corner = map.origin + QPoint(first.column * map.cell.width(), first.row * map.cell.height());
    return {fromPanel(corner), QSizeF(size.columns * map.cell.width(), size.rows * map.cell.height()) * zoom_};
}

// The whole map at rest, though expressions may pan it: what lies outside the box dimly. It covers what lies over it.
void Canvas::drawMap(QPainter& painter, const PaintedMap& map) {
    const std::vector<QImage>& pictures = cellPictures_.of(session_, *map.widget);
    const CellMap cells = std::get<CellMap>(effectiveValue(session_.document(), *map.widget, "cells"));
    const auto drawAll = [&] {
        for (int row = 0; row < map.size.rows; ++row)
            for (int column = 0; column < map.size.columns; ++column) {
                const int cell = cellAt(cells, column, row);
                const QRectF place = placeOfCells(map, {column, row}, {1, 1});
                if (cell > 0 && cell <= static_cast<int>(pictures.size()) && place.intersects(QRectF(rect())))
                    painter.drawImage(place, pictures[static_cast<size_t>(cell) - 1]);
            }
    };
    const QRect now = boxNow(*map.widget);
    const QRect inside(fromPanel(now.topLeft()).toPoint(), now.size() * zoom_);
    painter.save();
    painter.setRenderHint(QPainter::SmoothPixmapTransform, false);
    painter.setClipRect(inside);
    painter.fillRect(inside, QColor::fromRgb(backgroundOf(session_.document(), *session_.selection().screen()).argb));
    drawAll();
    painter.setClipRegion(QRegion(rect()) - QRegion(inside));
    painter.setOpacity(0.55);
    drawAll();
    painter.restore();
}

// Lines between cells where they are large enough, and a frame round the one that is painted next.
void Canvas::drawCellFrames(QPainter& painter, const PaintedMap& map) const {
    const QRectF all = placeOfCells(map, {}, map.size);
    if (zoom_ * std::min(map.cell.width(), map.cell.height()) >= 8) {
        painter.setPen(QPen(QColor(255, 255, 255, 60), 1));
        for (int column = 0; column <= map.size.columns; ++column) {
            const double x = placeOfCells(map, {column, 0}, {}).x();
            painter.drawLine(QPointF(x, all.top()), QPointF(x, all.bottom()));
        }
        for (int row = 0; row <= map.size.rows; ++row) {
            const double y = placeOfCells(map, {0, row}, {}).y();
            painter.drawLine(QPointF(all.left(), y), QPointF(all.right(), y));
        }
    }
    painter.setBrush(Qt::NoBrush);
    painter.setPen(QPen(Theme::colour(Role::Accent), 1, Qt::DashLine));
    painter.drawRect(all);
    if (!hoveredCell_ || !map.size.has(*hoveredCell_))
        return;
    for (const QPen& pen : {QPen(QColor(0, 0, 0, 160), 3), QPen(Theme::colour(Role::Accent), 1)}) {
        painter.setPen(pen);
        painter.drawRect(placeOfCells(map, *hoveredCell_, {1, 1}));
    }
}

void Canvas::drawCells(QPainter& painter) {
    const auto map = paintedMap();
    if (!map)
        return;
    drawMap(painter, *map);
    drawCellFrames(painter, *map);
}

}  // namespace gorsefinch::app
