// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include "core/edits/edit.h"

namespace gorsefinch {

// What becomes of screens when the panel gets another size: boxes stay where they are, follow the edges that they keep
// their distance from, or grow with the panel.
enum class PanelResize { Keep, FollowEdges, Scale };

// The project with another panel. Scaled are boxes and what is drawn in them, guide lines, and the sizes of texts in
// looks and widgets, these by the lesser of both ways and not below kMinScaledText; what follows an expression stays.
inline constexpr int kMinScaledText = 6;  // px
Document withPanelSize(const Document& document, const Panel& panel, PanelResize how);

}  // namespace gorsefinch
