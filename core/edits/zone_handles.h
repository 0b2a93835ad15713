// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include <optional>

#include "core/edits/handles.h"

namespace gorsefinch {

// Handles for the limits of zones on a round scale, one for each value that is a limit. None where the range is not
// known: its ends and the value's variable are what says it. `index` is 2 for each zone, and 1 more for its upper end.
std::vector<DragHandle> zoneHandles(const Document& document, const Widget& widget, const PropertyInfo& zones);

// The zones with the limit of a handle, and all limits of the same value, at a place; to a step that the eye can tell
// apart, with `coarse` ten times that. It stays within the range.
ZoneList zonesDraggedTo(const Document& document, const Widget& widget, const DragHandle& handle, BoxPlace to,
                        bool coarse);

}  // namespace gorsefinch
