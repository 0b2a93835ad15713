// SPDX-License-Identifier: GPL-3.0-or-later
#include "core/document/meant_so.h"

#include <algorithm>

namespace gorsefinch {

bool MeantSo::isAbout(const Problem& problem) const {
    return !problem.code.empty() && code == problem.code && screen == problem.screen &&
           of == (problem.widget.empty() ? problem.place : problem.widget);
}

const MeantSo* meantSo(const std::vector<MeantSo>& all, const Problem& problem) {
    const auto found = std::find_if(all.begin(), all.end(), [&](const MeantSo& each) { return each.isAbout(problem); });
    return found == all.end() ? nullptr : &*found;
}

}  // namespace gorsefinch
