// SPDX-License-Identifier: GPL-3.0-or-later
#include "core/edits/handles.h"

#include <algorithm>
#include <cmath>
#include <numbers>

#include "core/edits/zone_handles.h"
#include "core/kinds/kinds.h"
#include "core/kinds/outline.h"

namespace gorsefinch {

namespace {

constexpr double kHandleDegree = std::numbers::pi / 180;

WholeOf wholeOf(const Document& document, const Widget& widget) {
    return [&](const char* key) { return static_cast<int>(std::get<int64_t>(effectiveValue(document, widget, key))); };
}

// Points are corners of pixels, or their middles.
double pointOffset(const Widget& widget) { return goesThroughPixels(widget) ? 0.5 : 0; }

int wholeCoordinate(double value) {
    return static_cast<int>(std::clamp(std::round(value), double{-kMaxPoint}, double{kMaxPoint}));
}

PointList pointsOf(const Document& document, const Widget& widget, const PropertyInfo& property) {
    return std::get<PointList>(effectiveValue(document, widget, property.key));
}

// How far a place is from the edge between two points.
double distanceFrom(Point from, Point to, BoxPlace at) {
    const double dx = to.x - from.x, dy = to.y - from.y, square = dx * dx + dy * dy;
    const double part = square > 0 ? std::clamp(((at.x - from.x) * dx + (at.y - from.y) * dy) / square, 0.0, 1.0) : 0;
    return std::hypot(at.x - from.x - part * dx, at.y - from.y - part * dy);
}

}  // namespace

bool isHit(const Document& document, const Widget& widget, BoxPlace at, int reach) {
    if (widget.kind == Kind::Line) {
        const PointList points = std::get<PointList>(effectiveValue(document, widget, "points"));
        const double half = wholeOf(document, widget)("thickness") / 2.0, offset = pointOffset(widget);
        for (size_t i = 1; i < points.size(); ++i)
            if (distanceFrom(points[i - 1], points[i], {at.x - offset, at.y - offset}) <= half + reach)
                return true;
        return false;
    }
    const double across = widget.w < 2 * reach ? reach : 0, down = widget.h < 2 * reach ? reach : 0;
    return at.x >= -across && at.x < widget.w + across && at.y >= -down && at.y < widget.h + down;
}

std::vector<DragHandle> handlesOf(const Document& document, const Widget& widget) {
    const WholeOf whole = wholeOf(document, widget);
    std::vector<DragHandle> out;
    for (const PropertyInfo& property : info(widget.kind).properties) {
        if (property.type == PropertyType::Points) {
            const PointList points = pointsOf(document, widget, property);
            for (size_t i = 0; i < points.size(); ++i)
                out.push_back({&property, i, {points[i].x + pointOffset(widget), points[i].y + pointOffset(widget)}});
        } else if (property.type == PropertyType::Zones) {
            const auto limits = zoneHandles(document, widget, property);
            out.insert(out.end(), limits.begin(), limits.end());
        } else if (property.handle == HandleType::Point) {
            out.push_back({&property, 0, {double(whole(property.key)), double(whole((&property + 1)->key))}});
        } else if (property.handle == HandleType::Angle) {
            const RoundPlace round = info(widget.kind).round(widget, whole);
            const double angle = whole(property.key) * kHandleDegree;
            out.push_back(
                {&property, 0, {round.x + round.radiusX * std::sin(angle), round.y - round.radiusY * std::cos(angle)}});
        }
    }
    return out;
}

PropertyValues draggedTo(const Document& document, const Widget& widget, const DragHandle& handle, BoxPlace to,
                         bool steps) {
    const PropertyInfo& property = *handle.property;
    if (property.type == PropertyType::Points) {
        PointList points = pointsOf(document, widget, property);
        if (handle.index < points.size())
            points[handle.index] = {wholeCoordinate(to.x - pointOffset(widget)),
                                    wholeCoordinate(to.y - pointOffset(widget))};
        return {{&property, points}};
    }
    if (property.type == PropertyType::Zones)
        return {{&property, zonesDraggedTo(document, widget, handle, to, steps)}};
    if (property.handle == HandleType::Point) {
        const PropertyInfo& other = *(&property + 1);
        const auto within = [](const PropertyInfo& of, double value) {
            return int64_t{std::clamp(wholeCoordinate(value), of.min, of.max)};
        };
        return {{&property, within(property, to.x)}, {&other, within(other, to.y)}};
    }
    const RoundPlace round = info(widget.kind).round(widget, wholeOf(document, widget));
    const double x = round.radiusX > 0 ? (to.x - round.x) / round.radiusX : to.x - round.x;
    const double y = round.radiusY > 0 ? (to.y - round.y) / round.radiusY : to.y - round.y;
    const double step = steps ? 15 : 1;
    const int angle = static_cast<int>(std::round(std::atan2(x, -y) / kHandleDegree / step) * step);
    return {{&property, int64_t{(angle + 360) % 360}}};
}

std::optional<PointList> withoutPoint(const Document& document, const Widget& widget, const DragHandle& handle) {
    if (handle.property->type != PropertyType::Points)
        return std::nullopt;
    PointList points = pointsOf(document, widget, *handle.property);
    if (handle.index >= points.size() || static_cast<int>(points.size()) <= handle.property->min)
        return std::nullopt;
    points.erase(points.begin() + static_cast<std::ptrdiff_t>(handle.index));
    return points;
}

std::optional<NewPoint> newPointAt(const Document& document, const Widget& widget, BoxPlace at) {
    for (const PropertyInfo& property : info(widget.kind).properties) {
        if (property.type != PropertyType::Points)
            continue;
        const BoxPlace place{at.x - pointOffset(widget), at.y - pointOffset(widget)};
        PointList points = pointsOf(document, widget, property);
        if (static_cast<int>(points.size()) >= property.max)
            return std::nullopt;
        // Areas, which take three points, have an edge from the last point to the first, too.
        const size_t edges = property.min > 2 ? points.size() : points.size() - 1;
        NewPoint out{&property, {}, 0, 0};
        for (size_t i = 0; i < edges; ++i)
            if (const double far = distanceFrom(points[i], points[(i + 1) % points.size()], place);
                out.index == 0 || far < out.distance) {
                out.index = i + 1;
                out.distance = far;
            }
        points.insert(points.begin() + static_cast<std::ptrdiff_t>(out.index),
                      {wholeCoordinate(place.x), wholeCoordinate(place.y)});
        out.points = std::move(points);
        return out;
    }
    return std::nullopt;
}

}  // namespace gorsefinch
