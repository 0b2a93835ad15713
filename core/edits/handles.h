// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include <optional>
#include <utility>
#include <vector>

#include "core/document/document.h"

// Properties that are dragged on the canvas: points, angles, and limits of zones.
namespace gorsefinch {

// Pixels from the top left of the widget's box, not whole ones.
struct BoxPlace {
    double x = 0, y = 0;
};

using PropertyValues = std::vector<std::pair<const PropertyInfo*, PropertyValue>>;

struct DragHandle {
    const PropertyInfo* property;
    size_t index;  // of points: which one; of zones see zone_handles.h
    BoxPlace at;
};

// True if a place is on the widget, or `reach` pixels beside it where it is thin: the stroke of a line, a side of a box
// that is shorter than twice as much.
bool isHit(const Document& document, const Widget& widget, BoxPlace at, int reach);

// In the order of the kind's properties.
std::vector<DragHandle> handlesOf(const Document& document, const Widget& widget);

// What the handle sets when it is dragged to a place: whole pixels, or whole degrees; `steps` makes them multiples of
// 15 degrees, and of limits ten times their steps. Values out of range are clamped.
PropertyValues draggedTo(const Document& document, const Widget& widget, const DragHandle& handle, BoxPlace to,
                         bool steps);

// The points without one of them; nothing if it takes no fewer.
std::optional<PointList> withoutPoint(const Document& document, const Widget& widget, const DragHandle& handle);

// A new point on the edge that is nearest to a place.
struct NewPoint {
    const PropertyInfo* property;
    PointList points;
    size_t index;     // of the new one
    double distance;  // from the edge, pixels
};
// Nothing if the widget has no points or takes no more.
std::optional<NewPoint> newPointAt(const Document& document, const Widget& widget, BoxPlace at);

}  // namespace gorsefinch
