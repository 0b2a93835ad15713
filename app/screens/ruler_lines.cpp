// SPDX-License-Identifier: GPL-3.0-or-later
#include "app/screens/ruler_lines.h"

#include <QObject>
#include <QPainter>
#include <QPainterPath>
#include <cmath>

#include "app/screens/canvas.h"
#include "app/screens/canvas_tag.h"
#include "app/session/session.h"

namespace gorsefinch::app {

namespace {

constexpr double kMark = 4;  // half the breadth of a line's mark in the ruler
const QColor kOwn("#9ad0a6"), kShared("#d3b4ea");

// The ruler at a point: that at the left holds the marks of level lines, but gives upright ones.
bool isInLeftRuler(const QPointF& at) { return at.x() < kRuler && at.y() >= kRuler; }
bool isInUpperRuler(const QPointF& at) { return at.y() < kRuler && at.x() >= kRuler; }

}  // namespace

std::vector<GuideLine> RulerLines::all() const {
    std::vector<GuideLine> out;
    if (!session_.isOpen())
        return out;
    for (const std::string& screen : {session_.selection().screenName().toStdString(), std::string()}) {
        const GuideLines lines = linesOf(session_.document(), screen);
        for (const int at : lines.upright)
            out.push_back({screen, true, at});
        for (const int at : lines.level)
            out.push_back({screen, false, at});
    }
    return out;
}

double RulerLines::placeOf(const GuideLine& line) const {
    const QPointF at = canvas_.fromPanel(QPointF(line.at, line.at));
    return line.upright ? at.x() : at.y();
}

std::optional<GuideLine> RulerLines::markAt(const QPointF& at) const {
    for (const GuideLine& each : all())
        if (each.upright ? isInUpperRuler(at) && std::abs(at.x() - placeOf(each)) <= kMark
                         : isInLeftRuler(at) && std::abs(at.y() - placeOf(each)) <= kMark)
            return each;
    return std::nullopt;
}

bool RulerLines::press(const QPointF& at, bool forAll) {
    if (!isInLeftRuler(at) && !isInUpperRuler(at))
        return false;
    if (const auto known = markAt(at))
        dragged_ = Dragged{known, *known, true};
    else
        dragged_ =
            Dragged{std::nullopt,
                    {forAll ? std::string() : session_.selection().screenName().toStdString(), isInLeftRuler(at), 0},
                    false};
    return true;
}

void RulerLines::move(const QPointF& at, bool forAll) {
    if (!dragged_)
        return;
    const Panel& panel = *session_.document().panel;
    GuideLine& to = dragged_->to;
    const QPoint onPanel = canvas_.toPanel(at + QPointF(canvas_.zoom(), canvas_.zoom()) / 2);
    to.at = to.upright ? onPanel.x() : onPanel.y();
    // A line that was on one screen, or on all, is so until Shift says otherwise.
    if (!dragged_->from || forAll)
        to.screen = forAll ? std::string() : session_.selection().screenName().toStdString();
    const bool inRuler = to.upright ? at.x() < kRuler : at.y() < kRuler;
    dragged_->onPanel = !inRuler && to.at >= 0 && to.at <= (to.upright ? panel.width : panel.height);
}

void RulerLines::release() {
    if (!dragged_)
        return;
    const Dragged done = *std::exchange(dragged_, std::nullopt);
    if (done.onPanel && done.from == done.to)
        return;
    Document next = done.from ? withoutLine(session_.document(), *done.from) : session_.document();
    if (done.onPanel)
        next = withLine(next, done.to);
    if (!done.from && !done.onPanel)
        return;
    session_.edit(next, !done.from      ? QObject::tr("Add a guide line")
                        : !done.onPanel ? QObject::tr("Remove a guide line")
                                        : QObject::tr("Move a guide line"));
}

QString RulerLines::hintAt(const QPointF& at) const {
    if (const auto line = markAt(at))
        return (line->screen.empty() ? QObject::tr("Guide line at %1, on all screens.")
                                     : QObject::tr("Guide line at %1."))
                   .arg(line->at) +
               QObject::tr(" Drag it along, or off the panel to remove it; with Shift it is on all screens.");
    if (isInLeftRuler(at) || isInUpperRuler(at))
        return QObject::tr("Drag a guide line out of the ruler; with Shift it is on all screens.");
    return {};
}

std::vector<GuideLine> RulerLines::shown() const {
    std::vector<GuideLine> out = all();
    if (!dragged_)
        return out;
    if (dragged_->from)
        std::erase(out, *dragged_->from);
    if (dragged_->onPanel)
        out.push_back(dragged_->to);
    return out;
}

void RulerLines::drawLine(QPainter& painter, const GuideLine& line) const {
    const double at = placeOf(line);
    const QRectF all(kRuler, kRuler, canvas_.width() - kRuler, canvas_.height() - kRuler);
    const QRectF strip = line.upright ? QRectF(at, all.top(), 1, all.height()) : QRectF(all.left(), at, all.width(), 1);
    painter.fillRect(strip.adjusted(-1, -1, 1, 1), QColor(0, 0, 0, 70));
    painter.fillRect(strip, line.screen.empty() ? kShared : kOwn);
}

void RulerLines::drawLines(QPainter& painter) const {
    for (const GuideLine& each : shown())
        drawLine(painter, each);
    if (!dragged_ || !dragged_->onPanel)
        return;
    const GuideLine& to = dragged_->to;
    const QString axis = to.upright ? "x" : "y";
    const QString words = to.screen.empty() ? QObject::tr("%1 %2, all screens").arg(axis).arg(to.at)
                                            : QObject::tr("%1 %2, this screen").arg(axis).arg(to.at);
    const double at = placeOf(to);
    drawTag(painter, to.upright ? QPointF(at, kRuler + 14) : QPointF(kRuler + 70, at - 12), words);
}

void RulerLines::drawMarks(QPainter& painter) const {
    painter.setPen(Qt::NoPen);
    for (const GuideLine& each : shown()) {
        const double at = placeOf(each) + 0.5;
        QPainterPath mark;
        if (each.upright) {
            mark.moveTo(at - kMark, kRuler - 8);
            mark.lineTo(at + kMark, kRuler - 8);
            mark.lineTo(at, kRuler - 1);
        } else {
            mark.moveTo(kRuler - 8, at - kMark);
            mark.lineTo(kRuler - 8, at + kMark);
            mark.lineTo(kRuler - 1, at);
        }
        painter.setBrush(each.screen.empty() ? QColor("#7d6390") : QColor("#3f6f4a"));
        painter.drawPath(mark);
    }
}

}  // namespace gorsefinch::app
