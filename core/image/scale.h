// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include "core/image/picture.h"

namespace gorsefinch {

// Scaled by area averaging when smaller and bilinear when larger, in linear light with premultiplied alpha. The light
// of a stored value is taken from a polynomial: a mix is less than two stored steps off, flat areas keep their colour.
Picture scaled(const Picture& original, int width, int height);

}  // namespace gorsefinch
