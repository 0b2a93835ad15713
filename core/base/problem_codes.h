// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include <span>
#include <string_view>

namespace gorsefinch {

// What Problem::code identifies: kinds of problems that can be filtered, mended, or marked as meant so.
inline constexpr const char* kClippedText = "clipped_text";
inline constexpr const char* kMissingCharacter = "missing_character";
inline constexpr const char* kDeadEnd = "dead_end";
inline constexpr const char* kNothingLeadsTo = "nothing_leads_to";
inline constexpr const char* kNamesakesApart = "namesakes_apart";
inline constexpr const char* kOutsidePanel = "outside_panel";
inline constexpr const char* kCovered = "covered";
inline constexpr const char* kSmallTarget = "small_target";
inline constexpr const char* kTargetsOverlap = "targets_overlap";
inline constexpr const char* kPictureCut = "picture_cut";
inline constexpr const char* kLowContrast = "low_contrast";
inline constexpr const char* kColoursFallTogether = "colours_fall_together";
inline constexpr const char* kUnused = "unused";
inline constexpr const char* kNeverHappens = "never_happens";
inline constexpr const char* kOftenOverridden = "often_overridden";
inline constexpr const char* kOverBudget = "over_budget";

struct ProblemKind {
    const char* code;
    const char* title;  // "Low contrast"
};
// In the order in which lists show them; docs/problems.md has a section for each.
std::span<const ProblemKind> problemKinds();
// Null for a code that is none, "" too.
const ProblemKind* problemKind(std::string_view code);

}  // namespace gorsefinch
