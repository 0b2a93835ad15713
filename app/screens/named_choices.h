// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include <QStringList>

#include "app/widgets/colour_field.h"
#include "app/widgets/fields.h"

namespace gorsefinch::app {

class Session;

// The set of the project's colours that the twin, and so the canvas, shows.
size_t shownSet(const Session& session);
// The project's colours as they are in that set.
std::vector<OfferedColour> offeredColours(const Session& session);
// The project's sizes.
std::vector<OfferedSize> offeredSizes(const Session& session);

}  // namespace gorsefinch::app
