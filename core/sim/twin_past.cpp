// SPDX-License-Identifier: GPL-3.0-or-later
#include "core/sim/twin_past.h"

#include <algorithm>
#include <utility>

namespace gorsefinch {

void TwinPast::add(TwinMoment moment) {
    while (!moments_.empty() && moments_.back().ms >= moment.ms)
        moments_.pop_back();
    // How many whole states fit says how far apart they are.
    const size_t bytes = std::max<size_t>(moment.state->size() * sizeof(uint32_t), 1);
    const auto apart = static_cast<uint32_t>(kReach * bytes / kMostBytes);
    if (moments_.size() > 1 && moments_.back().ms - moments_[moments_.size() - 2].ms < apart)
        moments_.pop_back();
    if (!moments_.empty() && *moments_.back().state == *moment.state)
        moment.state = moments_.back().state;
    moments_.push_back(std::move(moment));
    while (moments_.back().ms - moments_.front().ms > kReach)
        moments_.pop_front();
}

const TwinMoment* TwinPast::at(uint32_t ms) const {
    const auto after = std::upper_bound(moments_.begin(), moments_.end(), ms,
                                        [](uint32_t time, const TwinMoment& each) { return time < each.ms; });
    return moments_.empty() ? nullptr : after == moments_.begin() ? &moments_.front() : &*(after - 1);
}

}  // namespace gorsefinch
