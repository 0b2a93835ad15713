// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include "core/edits/edit.h"

// Edits of series and backing screens: see core/scene/expand.h.
namespace gorsefinch {

// Sets the columns or rows of the named widgets' series. A new series without a distance gets the size of the widget
// plus a small gap.
Result<Document> setSeriesSide(const Document& document, std::string_view screen, std::span<const std::string> names,
                               const PropertyInfo& side, int count);

// Puts the named widgets, with what they hold, on a new screen of that name behind all others, which the screen then
// shows above its own widgets or below them; so do all other screens that are named. Rules follow. Refused where the
// screen has backing screens with the widgets' names, or no such widgets.
Result<Document> makeBacking(const Document& document, std::string_view screen, std::span<const std::string> names,
                             std::string_view backing, bool above, std::span<const std::string> others = {});

}  // namespace gorsefinch
