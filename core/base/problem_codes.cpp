// SPDX-License-Identifier: GPL-3.0-or-later
#include "core/base/problem_codes.h"

namespace gorsefinch {

namespace {

constexpr ProblemKind kinds[] = {{kClippedText, "Clipped text"},
                                 {kMissingCharacter, "Missing character"},
                                 {kLowContrast, "Low contrast"},
                                 {kColoursFallTogether, "Colours that fall together"},
                                 {kOutsidePanel, "Outside the panel"},
                                 {kCovered, "Covered"},
                                 {kPictureCut, "Picture larger than its box"},
                                 {kSmallTarget, "Small touch target"},
                                 {kTargetsOverlap, "Touch targets that overlap"},
                                 {kNamesakesApart, "Namesakes slightly apart"},
                                 {kDeadEnd, "No way out"},
                                 {kNothingLeadsTo, "Nothing leads to it"},
                                 {kNeverHappens, "Never happens"},
                                 {kOftenOverridden, "Look that is mostly overridden"},
                                 {kUnused, "Unused"},
                                 {kOverBudget, "Over the budget"}};

}  // namespace

std::span<const ProblemKind> problemKinds() { return kinds; }

const ProblemKind* problemKind(std::string_view code) {
    for (const ProblemKind& each : kinds)
        if (code == each.code)
            return &each;
    return nullptr;
}

}  // namespace gorsefinch
