// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include <string>
#include <vector>

#include "core/base/problem.h"
#include "core/kinds/value.h"

namespace gorsefinch {

inline constexpr size_t kMaxReason = 200;  // bytes

// A problem that the user has looked at and wants to be as it is.
struct MeantSo {
    std::string code;    // see problem_codes.h
    std::string screen;  // "" if it is of the whole project
    std::string of;      // the widget, or else the problem's place
    std::string reason;  // the user's
    UnknownKeys unknown;
    friend bool operator==(const MeantSo&, const MeantSo&) = default;

    bool isAbout(const Problem& problem) const;
};

// Null for a problem that is not meant so, and for those without a code.
const MeantSo* meantSo(const std::vector<MeantSo>& all, const Problem& problem);

}  // namespace gorsefinch
