// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include <span>
#include <string>
#include <string_view>
#include <vector>

#include "core/kinds/value.h"

namespace gorsefinch {

// Pieces of C99 text, the same on every machine.

std::string upperCase(std::string_view name);
// "const GORSE_ROM uint8_t NAME[N] = { ... };" with 16 bytes a line. `storage` is "static " or "".
std::string byteArray(std::string_view storage, std::string_view name, std::span<const uint8_t> bytes);
// A text of the runtime (UTF-8 with insets, closed by 0) as a named array from a string literal.
std::string textArray(std::string_view name, std::span<const uint8_t> bytes);
// "0xff102030UL"
std::string colourLiteral(Colour colour);
// A 32-bit number that is no plain int where int has 16 bits: "70000L", "(-2147483647L - 1L)".
std::string longLiteral(int64_t value);
// Words for a comment: one line of at most 60 printable characters in UTF-8, without comment marks.
std::string commentWords(std::string_view words);
// The licence line and what made the file.
std::string fileHead(std::string_view what);

}  // namespace gorsefinch
