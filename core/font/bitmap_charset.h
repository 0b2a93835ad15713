// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include <map>

#include "core/font/free_type.h"

namespace gorsefinch {

// Glyph numbers of a face without a Unicode table, by character: a BDF or PCF in another character set. Its codes are
// converted by the set that it names; codes of an unknown set count as characters.
std::map<char32_t, FT_UInt> charactersOfCharset(FT_Face face);

}  // namespace gorsefinch
