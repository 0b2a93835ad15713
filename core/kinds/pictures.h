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

// The entry of the image's palette that is drawn in another colour, and the colour.
PropertyInfo paletteEntry();
PropertyInfo paletteColour();
// Draws the widget by `draw` if an entry is exchanged. A problem if the image has no palette of its own.
void exchangeColour(RecordBuilder& builder, const gorse_image* image, gorse_draw_function* draw);

// False, after reporting an error, for an image that is packed or in outside memory: single pixels of it can't be read,
// so the record must not make the runtime do so. `property` is one of the kind's.
bool isReadableByPixels(RecordBuilder& builder, const char* property);

}  // namespace gorsefinch
