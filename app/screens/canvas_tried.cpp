// SPDX-License-Identifier: GPL-3.0-or-later
// Two looks ahead on the canvas: values at the ends of what they can be, and where a finger reaches what.
#include <QPainter>

#include "app/screens/canvas.h"
#include "app/screens/canvas_tag.h"
#include "app/session/session.h"
#include "app/theme/theme.h"
#include "core/document/widget_tree.h"

namespace gorsefinch::app {

namespace {

constexpr double kTouchMark = 4;  // px, the radius of where a finger was

QString valuesInWords(Extreme extreme) {
    switch (extreme) {
        case Extreme::Lowest: return Canvas::tr("lowest values");
        case Extreme::Highest: return Canvas::tr("highest values");
        case Extreme::Shortest: return Canvas::tr("shortest texts");
        case Extreme::Longest: return Canvas::tr("longest texts");
        case Extreme::Stale: return Canvas::tr("no news of any value");
    }
    return {};
}

}  // namespace

void Canvas::showExtreme(std::optional<Extreme> extreme) {
    extreme_ = extreme;
    refreshPicture();
    Q_EMIT triedChanged();
}

void Canvas::showNextExtreme() {
    const auto at = extreme_ ? std::find(kExtremes.begin(), kExtremes.end(), *extreme_) + 1 : kExtremes.begin();
    showExtreme(at == kExtremes.end() ? std::nullopt : std::optional(*at));
}

void Canvas::setTouchShown(bool shown) {
    touchShown_ = shown;
    refreshPicture();
    Q_EMIT triedChanged();
}

// The twin whose values are shown.
const Twin& Canvas::shownValues() {
    if (!extreme_)
        return session_.runner().twin();
    const BuiltSceneRef& scene = session_.shownScene();
    if (!extremes_.twin || extremes_.scene != scene || extremes_.extreme != *extreme_)
        extremes_ = {scene, *extreme_, extremeTwin(scene, *extreme_)};
    return *extremes_.twin;
}

void Canvas::tryScreen() {
    const int screen = session_.selection().screenIndex();
    cuts_ = extreme_ ? cutTexts(*session_.shownScene(), screen, shownValues()) : std::vector<CutText>();
    targets_ =
        touchShown_ ? touchTargets(*session_.shownScene(), static_cast<size_t>(screen)) : std::vector<TouchTarget>();
}

QRectF Canvas::onCanvas(const QRect& box) const { return {fromPanel(box.topLeft()), QSizeF(box.size()) * zoom_}; }

// What is cut has a frame and says by how much.
void Canvas::drawExtremes(QPainter& painter) const {
    if (!extreme_)
        return;
    const auto& widgets =
        session_.shownScene()->parts[static_cast<size_t>(session_.selection().screenIndex())]->source->widgets;
    for (const CutText& each : cuts_) {
        const Offset place = placeOnPanel(widgets, each.widget);
        const Widget& widget = *widgets[each.widget];
        const QRectF box = onCanvas({place.x, place.y, widget.w, widget.h});
        painter.setBrush(Qt::NoBrush);
        painter.setPen(QPen(QColor(0, 0, 0, 170), 4));
        painter.drawRect(box.adjusted(-2, -2, 2, 2));
        painter.setPen(QPen(Theme::colour(Role::Error), 2));
        painter.drawRect(box.adjusted(-2, -2, 2, 2));
        drawTag(painter, {box.center().x(), box.bottom() + 10},
                (each.down ? tr("cut: %1 px high, room for %2") : tr("cut: %1 px wide, room for %2"))
                    .arg(each.needs)
                    .arg(each.room));
    }
    drawTag(painter, aboveThePanel(),
            tr("%1, %2: X shows others, Escape ends it")
                .arg(valuesInWords(*extreme_), cuts_.empty() ? tr("nothing is cut") : tr("%1 cut").arg(cuts_.size())));
}

// Each target with its size; what is too small or lies under another one stands out.
void Canvas::drawTouch(QPainter& painter) const {
    if (!touchShown_)
        return;
    const Panel& panel = *session_.document().panel;
    for (const TouchTarget& each : targets_) {
        const QRectF box = onCanvas(toRect(each.box));
        const bool bad = each.isSmall || each.isCovered;
        QColor colour = Theme::colour(bad ? Role::Error : Role::Well);
        colour.setAlpha(70);
        painter.fillRect(box, colour);
        colour.setAlpha(255);
        painter.setBrush(Qt::NoBrush);
        painter.setPen(QPen(colour, 2, each.isCovered ? Qt::DashLine : Qt::SolidLine));
        painter.drawRect(box.adjusted(1, 1, -1, -1));
    }
    for (const TouchTarget& each : targets_) {
        for (const Box& part : each.shared)
            painter.fillRect(onCanvas(toRect(part)), QBrush(Theme::colour(Role::Error), Qt::BDiagPattern));
        const auto mm = [&](int pixels) {
            return QString::number(pixels * double(panel.widthMm) / panel.width, 'f', 1);
        };
        const QString size = panel.widthMm > 0 ? tr("%1 x %2 mm").arg(mm(each.box.w()), mm(each.box.h()))
                                               : tr("%1 x %2 px").arg(each.box.w()).arg(each.box.h());
        const QRectF box = onCanvas(toRect(each.box));
        drawTag(painter, {box.center().x(), box.bottom() + 1},
                each.isCovered ? tr("%1, covered").arg(size)
                : each.isSmall ? tr("%1, small").arg(size)
                               : size);
    }
    painter.setRenderHint(QPainter::Antialiasing);
    painter.setPen(QPen(QColor(0, 0, 0, 190), 1));
    painter.setBrush(Theme::colour(Role::Accent));
    const std::string screen = session_.selection().screenName().toStdString();
    for (const TwinRunner::Touched& each : session_.runner().touches())
        if (each.screen == screen)
            painter.drawEllipse(fromPanel(QPointF(each.at) + QPointF(0.5, 0.5)), kTouchMark, kTouchMark);
    painter.setRenderHint(QPainter::Antialiasing, false);
    const QString words = !panel.touch         ? tr("touch: the panel has none, as the station Panel says")
                          : panel.widthMm == 0 ? tr("touch: the station Panel can tell the panel's width in mm")
                          : targets_.empty()
                              ? tr("touch: nothing on this screen takes it")
                              : tr("touch: %1 targets; dots are where the twin was touched").arg(targets_.size());
    drawTag(painter, aboveThePanel(), words);
}

}  // namespace gorsefinch::app
