// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include <cstdint>
#include <deque>
#include <memory>
#include <vector>

namespace gorsefinch {

// All that a twin is at one time.
struct TwinMoment {
    uint32_t ms = 0;     // the twin's time
    uint32_t clock = 0;  // the runtime's two times, which differ in what is the same otherwise
    uint32_t now = 0;
    std::shared_ptr<const std::vector<uint32_t>> state;
};

// The latest moments of a twin, in the order of their times. What stays the same is kept once; of a large state fewer
// moments are kept, so that they reach as far.
class TwinPast {
  public:
    static constexpr uint32_t kReach = 30000;               // ms
    static constexpr size_t kMostBytes = size_t{32} << 20;  // of states that differ from one step to the next

    void clear() { moments_.clear(); }
    // Adds a moment; those at its time and later ones, which did not come to be, go.
    void add(TwinMoment moment);

    bool isEmpty() const { return moments_.empty(); }
    // ms; 0 if there is none.
    uint32_t first() const { return moments_.empty() ? 0 : moments_.front().ms; }
    uint32_t last() const { return moments_.empty() ? 0 : moments_.back().ms; }
    // The latest one that is not after a time, else the first; null if there is none.
    const TwinMoment* at(uint32_t ms) const;

  private:
    std::deque<TwinMoment> moments_;
};

}  // namespace gorsefinch
