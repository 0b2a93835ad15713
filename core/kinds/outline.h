// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include <vector>

#include "core/kinds/widget.h"

namespace gorsefinch {

// The points of a stroke or an area as the runtime takes them: GORSE_POINT_NUMBERS for each.
struct Outline {
    std::vector<int16_t> numbers;
    uint8_t count = 0;         // of points
    bool isClosed = false;     // the last point is joined with the first
    uint16_t borderLimit = 0;  // of an area: from this border on, in 1/64 pixel, nothing is left inside it
};

// At most 255 points. PointList that coincide with the one before are left out. A stroke that ends where it begins is
// closed; one that is a point only has that point twice.
Outline strokeOutline(const PointList& points);
// The points go clockwise round the area.
Outline areaOutline(const PointList& points);

// True if the widget's points are the middles of pixels: a stroke of an odd thickness goes through them.
bool goesThroughPixels(const Widget& widget);
// The points of a widget whose box had another size: they keep their part of it.
PointList scaledPoints(const PointList& points, const Widget& was, const Widget& is);

}  // namespace gorsefinch
