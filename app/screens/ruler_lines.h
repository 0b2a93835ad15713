// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include <QPointF>
#include <QString>
#include <optional>

#include "core/edits/guide_edits.h"

class QPainter;

namespace gorsefinch::app {

class Canvas;
class Session;

// Own guide lines: dragged out of the rulers onto the panel, along it by their marks in the rulers, and off it to be
// removed. Each gesture is one edit.
class RulerLines {
  public:
    RulerLines(Session& session, const Canvas& canvas) : session_(session), canvas_(canvas) {}

    // Begins to drag the line whose mark is at a point of the canvas, or a new one out of a ruler. False elsewhere.
    bool press(const QPointF& at, bool forAll);
    // `forAll`: the line is to be on all screens.
    void move(const QPointF& at, bool forAll);
    // Where the line is left: on the panel it stays, elsewhere it is removed.
    void release();
    void cancel() { dragged_.reset(); }
    bool isDragging() const { return dragged_.has_value(); }

    // What a press at a point of the canvas would do; "" outside the rulers.
    QString hintAt(const QPointF& at) const;
    void drawLines(QPainter& painter) const;
    // On the rulers.
    void drawMarks(QPainter& painter) const;
    // Those of the screen and those on all.
    std::vector<GuideLine> all() const;

  private:
    struct Dragged {
        std::optional<GuideLine> from;  // nothing for a new one
        GuideLine to;
        bool onPanel = false;
    };

    std::optional<GuideLine> markAt(const QPointF& at) const;
    double placeOf(const GuideLine& line) const;
    void drawLine(QPainter& painter, const GuideLine& line) const;
    // All but the dragged one, and that where it is now.
    std::vector<GuideLine> shown() const;

    Session& session_;
    const Canvas& canvas_;
    std::optional<Dragged> dragged_;
};

}  // namespace gorsefinch::app
