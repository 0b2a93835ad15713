// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include "core/edits/edit.h"

// Edits of what is shown several times: see core/scene/expand.h.
namespace gorsefinch {

// Sets how many columns or rows the named widgets stand for. What becomes a series and has no step there gets one of
// its own size and a little more.
Result<Document> setSeriesSide(const Document& document, std::string_view screen, std::span<const std::string> names,
                               const PropertyInfo& side, int count);

// Puts the named widgets, with what they hold, on a new screen of that name behind all others, which the screen then
// shows above its own widgets or below them; so do all other screens that are named. Rules follow. Refused where the
// screen has backing screens with the widgets' names, or no such widgets.
Result<Document> makeBacking(const Document& document, std::string_view screen, std::span<const std::string> names,
                             std::string_view backing, bool above, std::span<const std::string> others = {});

}  // namespace gorsefinch
