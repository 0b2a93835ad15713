// SPDX-License-Identifier: GPL-3.0-or-later
// The canvas: its coordinates, its zoom and its keys. What it does with the mouse is in canvas_gestures.cpp, how it
// looks in canvas_painting.cpp.
#include "app/screens/canvas.h"

#include <QKeyEvent>
#include <QMouseEvent>
#include <algorithm>

#include "app/session/session.h"
#include "app/widgets/frame_picture.h"
#include "core/document/new_widget.h"
#include "core/sim/slot_value.h"
#include "core/sim/draw_screen.h"

namespace gorsefinch::app {

namespace {

constexpr int kMinBox = 4;
constexpr int kHoldMs = 600;  // after which a press lists what lies under the pointer

// Gives a new map as many cells as fill its box.
void fitMap(Widget& map, int cellWidth, int cellHeight) {
    const auto count = [](int length, int cell) {
        return int64_t{std::clamp((length + cell - 1) / cell, 1, kMaxMapSide)};
    };
    map.properties["columns"] = count(map.w, cellWidth);
    map.properties["rows"] = count(map.h, cellHeight);
}

}  // namespace

Canvas::Canvas(Session& session, CellBrush& brush, QWidget* parent)
    : QWidget(parent), session_(session), input_(session.runner()), brush_(brush), lines_(session, *this) {
    setObjectName("canvas");
    setAttribute(Qt::WA_OpaquePaintEvent);
    setFocusPolicy(Qt::StrongFocus);
    setMouseTracking(true);
    setAcceptDrops(true);
    setMinimumSize(240, 160);
    connect(&session, &Session::changed, this, [this](const Change& change) {
        if (change.opened || change.panel)
            fit();
        refreshPicture();
    });
    connect(&session.selection(), &Selection::changed, this, [this] {
        hoveredCell_.reset();
        brush_.setDown(false);
        refreshPicture();
    });
    connect(&session, &Session::previewChanged, this, &Canvas::refreshPicture);
    hold_.setSingleShot(true);
    hold_.setInterval(kHoldMs);
    connect(&hold_, &QTimer::timeout, this, [this] {
        if (dragged_ == start_ && offerStack(start_))
            gesture_ = Gesture::None;
    });
    connect(&session.selection(), &Selection::shownStatesChanged, this, &Canvas::refreshPicture);
    connect(&brush, &CellBrush::changed, this, [this] { update(); });
    connect(&session.runner(), &TwinRunner::valueSet, this, &Canvas::refreshPicture);
    connect(&session.runner(), &TwinRunner::stepped, this, [this] {
        if (operating_)
            update();
    });
}

void Canvas::setGhost(const QString& screen, int percent) {
    ghostScreen_ = screen;
    ghostPercent_ = percent;
    refreshPicture();
}

void Canvas::refreshPicture() {
    faint_ = {};
    ghost_ = {};
    if (session_.isOpen()) {
        const Selection& selection = session_.selection();
        ShownStates states{
            selection.names().size() == 1 ? selection.names().front() : std::string(), selection.shownStates(), {}, {}};
        const auto draw = [&] {
            return toImage(drawScreen(*session_.shownScene(), selection.screenIndex(), &shownValues(), states,
                                      &selection.panes()));
        };
        for (const WidgetRef& each : selection.screen()->widgets)
            if (each->offCanvas)
                states.hidden.push_back(each->name);
        states.stale = extreme_ == Extreme::Stale;
        picture_ = draw();
        tryScreen();
        const int ghost = session_.document().screenIndex(ghostScreen_.toStdString());
        if (ghost >= 0 && ghost != selection.screenIndex() && ghostPercent_ > 0)
            ghost_ = toImage(drawScreen(*session_.shownScene(), ghost, &session_.runner().twin()));
        for (const WidgetRef& each : selection.screen()->widgets)
            if (!each->visible && !each->offCanvas)
                states.shown.push_back(each->name);
        if (!states.shown.empty())
            faint_ = draw();
    }
    update();
}

QRect Canvas::panelRect() const {
    const Panel& panel = *session_.document().panel;
    const QSize size(panel.width * zoom_, panel.height * zoom_);
    const QPoint middle(kRuler + (width() - kRuler) / 2, kRuler + (height() - kRuler) / 2);
    return {middle + offset_ - QPoint(size.width() / 2, size.height() / 2), size};
}

QPoint Canvas::toPanel(const QPointF& at) const {
    const QPointF inside = (at - panelRect().topLeft()) / zoom_;
    return {static_cast<int>(std::floor(inside.x())), static_cast<int>(std::floor(inside.y()))};
}

QPointF Canvas::fromPanel(const QPointF& at) const { return QPointF(panelRect().topLeft()) + at * zoom_; }

void Canvas::setZoom(int zoom) {
    zoom = std::clamp(zoom, 1, 16);
    fitted_ = false;
    if (zoom == zoom_)
        return;
    zoom_ = zoom;
    Q_EMIT zoomChanged(zoom_);
    update();
}

void Canvas::fit() {
    if (!session_.isOpen())
        return;
    const Panel& panel = *session_.document().panel;
    const int across = (width() - kRuler - 24) / panel.width, down = (height() - kRuler - 24) / panel.height;
    zoom_ = std::clamp(std::min(across, down), 1, 8);
    offset_ = {};
    fitted_ = true;
    Q_EMIT zoomChanged(zoom_);
    update();
}

void Canvas::arm(std::optional<Kind> kind) {
    armed_ = kind;
    setCursor(kind ? Qt::CrossCursor : operating_ ? Qt::PointingHandCursor : Qt::ArrowCursor);
    if (kind)
        setFocus();
    Q_EMIT armedChanged();
}

void Canvas::setOperating(bool operating) {
    if (operating == operating_)
        return;
    operating_ = operating;
    if (!operating) {
        touchTwin({}, false);
        input_.releaseAll();
    }
    setCursor(operating ? Qt::PointingHandCursor : Qt::ArrowCursor);
    Q_EMIT operatingChanged(operating);
    update();
}

void Canvas::setZonesShown(bool shown) {
    zonesShown_ = shown;
    update();
}

void Canvas::insert(Kind kind, const QRect& box, const std::optional<QLine>& way) {
    const Document& document = session_.document();
    // Two points make a stroke.
    const PropertyInfo* points = findIn(info(kind).properties, "points");
    const bool follows = way && points && points->min == 2;
    const bool wide = box.width() >= kMinBox, high = box.height() >= kMinBox;
    const bool drawn = follows ? wide || high : wide && high;
    Widget widget =
        newWidget(document, *session_.selection().screen(), kind, box.x(), box.y(), box.width(), box.height(), drawn);
    if (const Image* image = document.image(startImage(document, kind)))
        if (const auto baked = session_.images().bake(document, *image)) {
            if (info(kind).has(kHasCells))
                fitMap(widget, (*baked)->width, (*baked)->height);
            else if (!drawn)
                setBox(widget, widget.x, widget.y, (*baked)->width, (*baked)->height);
        }
    if (follows && drawn)
        widget.properties["points"] =
            PointList{{way->x1() - box.x(), way->y1() - box.y()}, {way->x2() - box.x(), way->y2() - box.y()}};
    std::vector<Widget> added = newContent(*session_.selection().screen(), widget);
    added.insert(added.begin(), std::move(widget));
    session_.addWidgets(document, std::move(added), tr("Add %1").arg(info(kind).key));
    setFocus();
}

QRect Canvas::selectionBox() const {
    QRect box;
    for (const WidgetRef& each : session_.selection().widgets())
        box = box.united(boxNow(*each));
    return box;
}

void Canvas::wheelEvent(QWheelEvent* event) {
    if (operating_ && !(event->modifiers() & Qt::ControlModifier) && input_.wheel(*event)) {
        event->accept();
        return;
    }
    if (event->modifiers() & Qt::ControlModifier) {
        const QPointF before = (event->position() - panelRect().topLeft()) / zoom_;
        setZoom(zoom_ + (event->angleDelta().y() > 0 ? 1 : -1));
        offset_ += (event->position() - fromPanel(before)).toPoint();
    } else {
        offset_ +=
            event->modifiers() & Qt::ShiftModifier ? QPoint(event->angleDelta().y() / 3, 0) : event->angleDelta() / 3;
        fitted_ = false;
    }
    update();
    event->accept();
}

bool Canvas::typesIntoTwin() const { return operating_ && session_.isOpen() && session_.runner().twin().isTyping(); }

// H is the key that ends it, unless it is a letter of what is typed.
bool Canvas::endsOperating(const QKeyEvent& event) const {
    return event.key() == Qt::Key_H && !(lockedOperating_ && typesIntoTwin());
}

// Single letters are shortcuts elsewhere in the window.
bool Canvas::event(QEvent* event) {
    if (event->type() == QEvent::ShortcutOverride && typesIntoTwin())
        event->accept();
    return QWidget::event(event);
}

void Canvas::keyPressEvent(QKeyEvent* event) {
    if (!session_.isOpen())
        return;
    const bool plain = (event->modifiers() & (Qt::ControlModifier | Qt::AltModifier)) == 0;
    if (operating_ && !endsOperating(*event) && input_.key(*event, true))
        return;
    if (typeNumber(*event) || (lines_.isDragging() && event->key() == Qt::Key_Escape)) {
        lines_.cancel();
        update();
        return;
    }
    if (paintByKey(event) || moveByKey(event))
        return;
    if (event->key() == Qt::Key_N && plain && !operating_) {
        namesShown_ = true;
        update();
        return;
    }
    if (event->key() == Qt::Key_H && plain) {
        if (event->isAutoRepeat())
            return;
        if (event->modifiers() & Qt::ShiftModifier) {
            lockedOperating_ = !lockedOperating_;
            setOperating(lockedOperating_);
        } else {
            setOperating(true);
        }
    } else if (event->key() == Qt::Key_A && plain) {
        Q_EMIT insertRequested(pointer_);
    } else if (event->key() == Qt::Key_Escape) {
        if (armed_)
            arm(std::nullopt);
        else if (styleBrush_)
            setStyleBrush(std::nullopt);
        else if (extreme_)
            showExtreme({});
        else if (touchShown_)
            setTouchShown(false);
        else if (!session_.selection().leaveContainer())
            session_.selection().select({});
    } else {
        QWidget::keyPressEvent(event);
    }
}

void Canvas::keyReleaseEvent(QKeyEvent* event) {
    if (operating_ && !endsOperating(*event) && input_.key(*event, false))
        return;
    if (event->key() == Qt::Key_N && !event->isAutoRepeat() && namesShown_) {
        namesShown_ = false;
        update();
    } else if (event->key() == Qt::Key_H && !event->isAutoRepeat() && !lockedOperating_)
        setOperating(false);
    else
        QWidget::keyReleaseEvent(event);
}

void Canvas::resizeEvent(QResizeEvent*) {
    if (fitted_)
        fit();
}

void Canvas::focusOutEvent(QFocusEvent* event) {
    if (!lockedOperating_)
        setOperating(false);
    namesShown_ = false;
    QWidget::focusOutEvent(event);
}

}  // namespace gorsefinch::app
