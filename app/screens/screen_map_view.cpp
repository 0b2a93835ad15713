// SPDX-License-Identifier: GPL-3.0-or-later
#include "app/screens/screen_map_view.h"

#include <QHelpEvent>
#include <QKeyEvent>
#include <QMouseEvent>
#include <QPainter>
#include <QPainterPath>
#include <QToolTip>
#include <cmath>

#include "app/screens/reel.h"
#include "app/session/session.h"
#include "app/theme/theme.h"
#include "app/widgets/from_std.h"
#include "core/document/widget_tree.h"
#include "core/edits/leads.h"

namespace gorsefinch::app {

namespace {

constexpr QSize kThumbnail(96, 72);
constexpr int kMargin = 22, kAcrossGap = 34, kDownGap = 30, kCaption = 18;
constexpr int kLeastTarget = 12;  // px of a widget that is pressed on a thumbnail

QString nameOf(const Session& session, int screen) {
    return fromStd(session.document().screens[static_cast<size_t>(screen)]->name);
}

// The point on the edge of a box on the way from its middle to a point.
QPointF edgeOf(const QRectF& box, const QPointF& towards) {
    const QPointF way = towards - box.center();
    const double across = std::abs(way.x()) < 1e-6 ? 1e9 : box.width() / 2 / std::abs(way.x());
    const double down = std::abs(way.y()) < 1e-6 ? 1e9 : box.height() / 2 / std::abs(way.y());
    return box.center() + way * std::min({across, down, 1.0});
}

}  // namespace

ScreenMapView::ScreenMapView(Session& session, QAbstractItemModel& thumbnails, QWidget* parent)
    : QWidget(parent), session_(session), thumbnails_(thumbnails) {
    setObjectName("screen_map");
    setAccessibleName(tr("Map of screens"));
    setMouseTracking(true);
    setFocusPolicy(Qt::StrongFocus);
    connect(&session, &Session::changed, this, &ScreenMapView::follow);
    connect(&session.selection(), &Selection::changed, this, qOverload<>(&QWidget::update));
    connect(&thumbnails, &QAbstractItemModel::dataChanged, this, qOverload<>(&QWidget::update));
}

// Nothing is laid out while the reel is shown.
void ScreenMapView::follow() {
    hovered_ = dragged_ = {};
    dragging_ = false;
    update();
    if (!isVisible())
        return;
    std::vector<ScreenStep> steps;
    size_t screens = 0;
    if (session_.isOpen()) {
        steps = screenSteps(*session_.scene());
        screens = shownScreens(session_.document());
    }
    const int columns = std::max(1, (width() - 2 * kMargin + kAcrossGap) / (kThumbnail.width() + kAcrossGap));
    if (steps == steps_ && screens == places_.size() && columns == columns_)
        return;
    steps_ = std::move(steps);
    columns_ = columns;
    places_ = screenPlaces(screens, steps_, columns);
    inRow_.clear();
    for (const ScreenPlace& each : places_) {
        inRow_.resize(std::max(inRow_.size(), static_cast<size_t>(each.row) + 1));
        ++inRow_[static_cast<size_t>(each.row)];
    }
    setMinimumHeight(sizeHint().height());
    updateGeometry();
}

QSize ScreenMapView::sizeHint() const {
    const auto rows = static_cast<int>(inRow_.size());
    return {2 * kMargin + 3 * kThumbnail.width() + 2 * kAcrossGap,
            kMargin + rows * (kThumbnail.height() + kCaption + kDownGap)};
}

QRect ScreenMapView::thumbnail(int screen) const {
    if (screen < 0 || static_cast<size_t>(screen) >= places_.size() || !session_.isOpen())
        return {};
    const ScreenPlace& place = places_[static_cast<size_t>(screen)];
    const Panel& panel = *session_.document().panel;
    const QSize size = QSize(panel.width, panel.height).scaled(kThumbnail, Qt::KeepAspectRatio).expandedTo({1, 1});
    const int across = kThumbnail.width() + kAcrossGap;
    const int rowWidth = inRow_[static_cast<size_t>(place.row)] * across - kAcrossGap;
    const QPoint cell(std::max(kMargin, (width() - rowWidth) / 2) + place.column * across,
                      kMargin + place.row * (kThumbnail.height() + kCaption + kDownGap));
    return {cell + QPoint((kThumbnail.width() - size.width()) / 2, kThumbnail.height() - size.height()), size};
}

QRect ScreenMapView::widgetOn(int screen, int widget) const {
    const QRect box = thumbnail(screen);
    const auto& widgets = session_.scene()->document.screens[static_cast<size_t>(screen)]->widgets;
    if (box.isEmpty() || widget < 0 || static_cast<size_t>(widget) >= widgets.size())
        return {};
    const Widget& each = *widgets[static_cast<size_t>(widget)];
    const Offset place = placeOnPanel(widgets, static_cast<size_t>(widget));
    const double scale = double(box.width()) / session_.document().panel->width;
    const QRectF exact(box.x() + place.x * scale, box.y() + place.y * scale, each.w * scale, each.h * scale);
    return exact.toAlignedRect() & box;
}

ScreenMapView::Spot ScreenMapView::spotAt(const QPoint& at) const {
    for (int screen = 0; screen < static_cast<int>(places_.size()); ++screen) {
        const QRect box = thumbnail(screen);
        if (!box.adjusted(-4, -4, 4, kCaption).contains(at))
            continue;
        const Screen& on = *session_.scene()->document.screens[static_cast<size_t>(screen)];
        for (auto i = static_cast<int>(on.widgets.size()) - 1; i >= 0; --i) {
            const Widget& each = *on.widgets[static_cast<size_t>(i)];
            // Where a copy leads to is said where it is edited.
            const bool isOwn = !each.copyOf || (each.copyOf->screen == on.name && each.copyOf->widget == each.name);
            if (!canLead(each.kind) || !isOwn)
                continue;
            QRect target = widgetOn(screen, i);
            const int wider = std::max(0, kLeastTarget - target.width()),
                      higher = std::max(0, kLeastTarget - target.height());
            if (!target.isEmpty() && target.adjusted(-wider / 2, -higher / 2, wider / 2, higher / 2).contains(at))
                return {screen, i};
        }
        return {screen, -1};
    }
    return {};
}

QString ScreenMapView::wordsFor(const Spot& spot) const {
    if (spot.screen < 0)
        return {};
    const ScreenPlace& place = places_[static_cast<size_t>(spot.screen)];
    if (spot.widget < 0)
        return !place.reached ? tr("No rule leads to %1 from the first screen.").arg(nameOf(session_, spot.screen))
               : !place.left  ? tr("No rule leads away from %1.").arg(nameOf(session_, spot.screen))
                              : QString();
    const Screen& screen = *session_.scene()->document.screens[static_cast<size_t>(spot.screen)];
    const std::string& name = screen.widgets[static_cast<size_t>(spot.widget)]->name;
    const auto lead = leadOf(session_.document(), screen.name, name);
    if (!lead)
        return tr("%1: drag it to the screen that its tap is to lead to.").arg(fromStd(name));
    return tr("%1 leads to %2. Drag it to another screen to change that.")
        .arg(fromStd(name), lead->to.empty() ? tr("the screen before") : fromStd(lead->to));
}

void ScreenMapView::drawArrow(QPainter& painter, QPointF from, QPointF to, double bend, const QColor& colour) const {
    const QPointF way = to - from;
    const double length = std::hypot(way.x(), way.y());
    if (length < 2)
        return;
    const QPointF control = (from + to) / 2 + QPointF(-way.y(), way.x()) * bend;
    const QPointF last = to - control;
    const double lastLength = std::max(1.0, std::hypot(last.x(), last.y()));
    const QPointF ahead = last / lastLength, aside(-ahead.y(), ahead.x());
    QPainterPath path(from);
    path.quadTo(control, to - ahead * 6);
    painter.setBrush(Qt::NoBrush);
    QColor halo = Theme::colour(Role::Surface);
    halo.setAlpha(150);
    painter.setPen(QPen(halo, 3.5));
    painter.drawPath(path);
    painter.setPen(QPen(colour, 1.5));
    painter.drawPath(path);
    painter.setPen(Qt::NoPen);
    painter.setBrush(colour);
    painter.drawPolygon(QPolygonF{to, to - ahead * 8 + aside * 4, to - ahead * 8 - aside * 4});
    painter.setPen(QPen(Theme::colour(Role::Surface), 1));
    painter.setBrush(Theme::colour(Role::Accent));
    painter.drawEllipse(from, 3.5, 3.5);
}

void ScreenMapView::drawStep(QPainter& painter, const ScreenStep& step) const {
    if (step.to < 0)
        return;
    const QRectF to = thumbnail(step.to);
    const int current = session_.selection().screenIndex();
    const QColor colour = Theme::colour(step.from == current || step.to == current ? Role::Text : Role::QuietText);
    if (step.from < 0) {
        drawArrow(painter, {to.left() - 18, to.top() + 10}, {to.left(), to.top() + 10}, 0, colour);
        return;
    }
    const QRectF on = thumbnail(step.from);
    const QPointF from = step.widget >= 0 && !widgetOn(step.from, step.widget).isEmpty()
                             ? QRectF(widgetOn(step.from, step.widget)).center()
                             : edgeOf(on, to.center());
    drawArrow(painter, from, edgeOf(to.adjusted(-2, -2, 2, 2), from), 0.1, colour);
}

void ScreenMapView::drawScreen(QPainter& painter, int screen) const {
    const QRect box = thumbnail(screen);
    const ScreenPlace& place = places_[static_cast<size_t>(screen)];
    const bool isCurrent = screen == session_.selection().screenIndex();
    const bool isTarget = dragging_ && hovered_.screen == screen && screen != dragged_.screen;
    const bool isOdd = !place.reached || !place.left;
    painter.drawPixmap(box, thumbnails_.index(screen, 0).data(ReelModel::ThumbnailRole).value<QPixmap>());
    painter.setBrush(Qt::NoBrush);
    const Role edge = isCurrent || isTarget ? Role::Accent : isOdd ? Role::Error : Role::StrongLine;
    painter.setPen(
        QPen(Theme::colour(edge), isCurrent || isTarget ? 2 : 1, isOdd && !isTarget ? Qt::DashLine : Qt::SolidLine));
    painter.drawRect(QRectF(box).adjusted(-1.5, -1.5, 1.5, 1.5));
    if (hovered_.screen == screen && hovered_.widget >= 0 && !dragging_) {
        painter.setPen(QPen(Theme::colour(Role::Accent), 1.5));
        painter.drawRect(QRectF(widgetOn(screen, hovered_.widget)).adjusted(-1, -1, 1, 1));
    }
}

// Its name and, to the right, what is odd about it or that it leads back.
void ScreenMapView::drawCaption(QPainter& painter, int screen) const {
    const QRect box = thumbnail(screen);
    const ScreenPlace& place = places_[static_cast<size_t>(screen)];
    const bool goesBack = std::any_of(steps_.begin(), steps_.end(), [&](const ScreenStep& each) {
        return each.from == screen && each.to == kLeadsBack;
    });
    const QString more = !place.reached ? tr("not reached")
                         : !place.left  ? tr("no way out")
                         : goesBack     ? tr("back")
                                        : QString();
    const QRect line(box.center().x() - kThumbnail.width() / 2 - 8, box.bottom() + 3, kThumbnail.width() + 16,
                     kCaption);
    const auto draw = [&](const QString& words, Qt::Alignment side, Role role) {
        // An arrow goes on behind it.
        painter.fillRect(
            painter.boundingRect(line, static_cast<int>(side | Qt::AlignVCenter), words).adjusted(-2, 0, 2, 0),
            Theme::colour(Role::Surface));
        painter.setPen(Theme::colour(role));
        painter.drawText(line, static_cast<int>(side | Qt::AlignVCenter), words);
    };
    painter.setFont(Theme::text(10));
    const int room = more.isEmpty() ? 0 : painter.fontMetrics().horizontalAdvance(more) + 8;
    if (!more.isEmpty())
        draw(more, Qt::AlignRight, place.reached && place.left ? Role::QuietText : Role::Error);
    painter.setFont(Theme::text(11));
    draw(painter.fontMetrics().elidedText(nameOf(session_, screen), Qt::ElideRight, line.width() - room), Qt::AlignLeft,
         Role::Text);
}

// Pictures of screens are made when they come into sight.
void ScreenMapView::paintEvent(QPaintEvent* event) {
    QPainter painter(this);
    painter.fillRect(event->rect(), Theme::colour(Role::Surface));
    painter.setRenderHint(QPainter::Antialiasing);
    const QRect seen = event->rect().adjusted(-kAcrossGap, -kAcrossGap, kAcrossGap, kAcrossGap);
    std::vector<int> shown;
    for (int i = 0; i < static_cast<int>(places_.size()); ++i)
        if (thumbnail(i).intersects(seen))
            shown.push_back(i);
    for (const int each : shown)
        drawScreen(painter, each);
    for (const ScreenStep& each : steps_)
        if (const QRect from = each.from < 0 ? QRect() : thumbnail(each.from);
            thumbnail(each.to).united(from).intersects(seen))
            drawStep(painter, each);
    for (const int each : shown)
        drawCaption(painter, each);
    if (dragging_)
        drawArrow(painter, QRectF(widgetOn(dragged_.screen, dragged_.widget)).center(), pointer_, 0,
                  Theme::colour(Role::Accent));
}

void ScreenMapView::showEvent(QShowEvent*) { follow(); }

void ScreenMapView::resizeEvent(QResizeEvent*) { follow(); }

bool ScreenMapView::event(QEvent* event) {
    if (event->type() == QEvent::ToolTip) {
        const auto* help = static_cast<QHelpEvent*>(event);
        QToolTip::showText(help->globalPos(), wordsFor(spotAt(help->pos())), this);
        return true;
    }
    return QWidget::event(event);
}

void ScreenMapView::mousePressEvent(QMouseEvent* event) {
    if (event->button() != Qt::LeftButton)
        return;
    const Spot spot = spotAt(event->position().toPoint());
    if (spot.screen < 0)
        return;
    session_.selection().showScreen(nameOf(session_, spot.screen));
    if (spot.widget >= 0)
        session_.selection().select({session_.scene()
                                         ->document.screens[static_cast<size_t>(spot.screen)]
                                         ->widgets[static_cast<size_t>(spot.widget)]
                                         ->name});
    dragged_ = spot;
    pointer_ = event->position().toPoint();
}

void ScreenMapView::mouseMoveEvent(QMouseEvent* event) {
    const QPoint at = event->position().toPoint();
    if ((event->buttons() & Qt::LeftButton) != 0 && dragged_.widget >= 0) {
        dragging_ = dragging_ || (at - pointer_).manhattanLength() >= 5;
        if (dragging_)
            pointer_ = at;
    }
    if (const Spot spot = spotAt(at); !(spot == hovered_)) {
        hovered_ = spot;
        setCursor(spot.widget >= 0 && !dragging_ ? Qt::CrossCursor : Qt::ArrowCursor);
        Q_EMIT pressHinted(wordsFor(spot));
    }
    update();
}

void ScreenMapView::mouseReleaseEvent(QMouseEvent* event) {
    const Spot from = std::exchange(dragged_, {});
    if (std::exchange(dragging_, false))
        makeStep(from, spotAt(event->position().toPoint()).screen);
    update();
}

void ScreenMapView::makeStep(const Spot& from, int to) {
    if (to < 0 || to == from.screen)
        return;
    const Document& document = session_.document();
    const Screen& screen = *session_.scene()->document.screens[static_cast<size_t>(from.screen)];
    const std::string& widget = screen.widgets[static_cast<size_t>(from.widget)]->name;
    const auto before = leadOf(document, screen.name, widget);
    const Lead lead{document.screens[static_cast<size_t>(to)]->name, before ? before->transition : std::string()};
    if (before != lead)
        session_.edit(withLead(document, screen.name, widget, lead),
                      tr("Let %1 lead to %2").arg(fromStd(widget), fromStd(lead.to)));
}

// The nearest screen on a side; -1 if there is none.
int ScreenMapView::beside(int screen, int across, int down) const {
    // An assembly has no place on the map.
    const size_t at = static_cast<size_t>(screen);
    const ScreenPlace& from = places_[at < places_.size() ? at : 0];
    int found = -1, least = 0;
    for (int i = 0; i < static_cast<int>(places_.size()); ++i) {
        const int right = places_[static_cast<size_t>(i)].column - from.column;
        const int below = places_[static_cast<size_t>(i)].row - from.row;
        const int ahead = right * across + below * down, aside = std::abs(right * down) + std::abs(below * across);
        if (ahead > 0 && (found < 0 || 4 * aside + ahead < least)) {
            found = i;
            least = 4 * aside + ahead;
        }
    }
    return found;
}

void ScreenMapView::keyPressEvent(QKeyEvent* event) {
    if (event->key() == Qt::Key_Escape && dragging_) {
        dragging_ = false;
        dragged_ = {};
        update();
        return;
    }
    const int across = event->key() == Qt::Key_Right ? 1 : event->key() == Qt::Key_Left ? -1 : 0;
    const int down = event->key() == Qt::Key_Down ? 1 : event->key() == Qt::Key_Up ? -1 : 0;
    if ((across == 0 && down == 0) || event->modifiers() != Qt::NoModifier || places_.empty()) {
        QWidget::keyPressEvent(event);
        return;
    }
    if (const int to = beside(session_.selection().screenIndex(), across, down); to >= 0)
        session_.selection().showScreen(nameOf(session_, to));
}

void ScreenMapView::leaveEvent(QEvent*) {
    hovered_ = {};
    Q_EMIT pressHinted(QString());
    update();
}

}  // namespace gorsefinch::app
