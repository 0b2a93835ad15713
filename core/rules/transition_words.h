// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include <functional>

#include "core/rules/lexer.h"
#include "runtime/gorse_scene.h"

// How one screen follows another, in words: slide left 250 ms, ease out.
namespace gorsefinch {

inline constexpr int kLongestTransition = 10000;  // ms

// Told what is wrong, at which word, and what to write instead.
using TransitionReport = std::function<void(const Token& at, const std::string& reason, const std::string& remedy)>;

// Reads it from word i on, which goes behind it; nothing after a mistake, which is reported. A cut has 0 ms.
std::optional<gorse_transition> readTransition(const std::vector<Token>& tokens, size_t& i,
                                               const TransitionReport& report);
// The same from a whole text.
std::optional<gorse_transition> readTransition(std::string_view text, const TransitionReport& report);

// GORSE_EASE_... by its word; a bounce is one of animations.
std::optional<uint8_t> easingFrom(const Token& word, bool withBounce);

// True for two that look and take the same.
bool isSame(const gorse_transition& a, const gorse_transition& b);

// Those that are offered: "cut", "slide left" …
const std::vector<std::string>& offeredTransitions();

}  // namespace gorsefinch
