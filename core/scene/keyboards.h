// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include "core/document/document.h"

namespace gorsefinch {

// The screen with the keyboards behind its widgets that come by themselves for its fields and that it lacks: with the
// project's look "keyboard", if there is one, in the letters of the first field. The same screen if it lacks none.
ScreenRef withKeyboards(const Document& document, const ScreenRef& screen);

// The keyboard of such a screen for a field that takes `allowed`: one of the layout for that, else one with rows of its
// own; GORSE_NONE if there is none, or the project's keyboards do not come by themselves.
uint16_t keyboardFor(const Document& document, const Screen& screen, const std::string& allowed);

}  // namespace gorsefinch
