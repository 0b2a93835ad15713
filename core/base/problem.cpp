// SPDX-License-Identifier: GPL-3.0-or-later
#include "core/base/problem.h"

#include <algorithm>

#include "core/base/result.h"

namespace gorsefinch {

std::string Problem::text() const { return Error{file, place, reason, remedy}.text(); }

bool hasErrors(const Problems& problems) {
    return std::any_of(problems.begin(), problems.end(),
                       [](const Problem& p) { return p.severity == Severity::Error; });
}

}  // namespace gorsefinch
