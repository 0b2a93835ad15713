// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include "core/kinds/kinds.h"

namespace gorsefinch {

// What several kinds with images have. Functions, as tables of properties are made before main().

// Whether the image is shown mirrored.
PropertyInfo mirrorProperty();
// The point of the box that something turns round; where it is not set, the middle. Dragged on the canvas.
PropertyInfo pivotX();
PropertyInfo pivotY();
PropertyInfo inSection(const char* section, PropertyInfo property);

// False, after reporting an error, for an image that is packed or in outside memory: single pixels of it can't be read,
// so the record must not make the runtime do so. `property` is one of the kind's.
bool isReadableByPixels(RecordBuilder& builder, const char* property);

}  // namespace gorsefinch
