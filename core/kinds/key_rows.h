// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include <span>
#include <string>
#include <string_view>
#include <vector>

#include "core/base/result.h"

// The keys of keyboards, written as rows: keys apart by spaces, a row a line, an empty line before each further page.
// A key is the character that it types, then those that it offers when it is held; or a word in braces that says what
// it does; both with a width where it is not 1: {a:2}, {shift:1.5}.
namespace gorsefinch {

inline constexpr size_t kMaxKeyRows = 2000;  // bytes of rows as text
inline constexpr size_t kMaxKeysOfPage = 200;

// Values of the property `allowed` of fields that name a set of characters.
inline constexpr const char* kAllowedAll = "all";
inline constexpr const char* kAllowedDigits = "digits";
inline constexpr const char* kAllowedHex = "hex";
inline constexpr const char* kAllowedLetters = "letters";

// A field's `keyboard` that comes without rules.
inline constexpr const char* kByItself = "by itself";

// The layouts that exist, and the rows of one; the last one, of the user's own rows, has none.
std::span<const char* const> keyLayouts();
inline constexpr const char* kOwnLayout = "own";
inline constexpr const char* kDefaultLayout = "qwerty";
// The layouts of letters: the first ones.
std::span<const char* const> letterLayouts();
// What a project says of keyboards that come by themselves: one of these, or that none does.
inline constexpr const char* kNoKeyboard = "none";
std::span<const char* const> keyboardSettings();
struct KeyRowsRequest {
    std::string layout;
    bool turning = false;  // for one row that turns
    bool accents = false;  // letters offer those with accents
    bool newLine = false;  // has a key that begins a new line
    std::string known;     // UTF-8: of the accents only these; empty: all
};
std::string keyRows(const KeyRowsRequest& request);
// All letters with accents that layouts offer.
std::string allAccents();

// Returns the characters that a field with this `allowed` takes: those of one of the words above, else `allowed`
// itself. Empty: all characters.
std::string allowedCharacters(std::string_view allowed);
// The layout that types them: `letters` or one of digits.
std::string layoutFor(std::string_view allowed, const std::string& letters);

// A text as it is typed, a code for each character; {delete} and other words in braces, see above, are those of keys.
// An unknown word is typed as it is.
std::vector<uint32_t> typedCodes(const std::string& text);

// The rows as gorse_widget_keyboard.keys holds them. An error without a file says what is wrong with them.
struct CompiledKeys {
    std::vector<uint8_t> bytes;
    std::string characters;  // that keys show, in both cases
};
Result<CompiledKeys> compileKeys(std::string_view rows);

}  // namespace gorsefinch
