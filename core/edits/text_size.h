// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include "core/edits/edit.h"

namespace gorsefinch {

// Gives each of the named widgets that writes something the next larger size of those that the project's looks and
// widgets use, or the next smaller one; beyond them a size that differs by kSizeStep pixels. Sizes are clamped to
// kMinFontSize and kMaxFontSize.
inline constexpr int kSizeStep = 2;
Document stepTextSize(const Document& document, std::string_view screen, std::span<const std::string> names,
                      bool larger);

}  // namespace gorsefinch
