// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include "app/widgets/sample_picker.h"

namespace gorsefinch::app {

class LooksModel;
class Session;

// What lists of the project's things show of one: in the panel's own pixels. A name that is none gives the words alone.
Sample lookSample(const LooksModel& looks, const QString& name, const QString& words);
Sample imageSample(Session& session, const QString& name, const QString& words);
Sample faceSample(Session& session, const QString& name, const QString& words);

}  // namespace gorsefinch::app
