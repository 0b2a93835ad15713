// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include <algorithm>
#include <chrono>
#include <vector>

// Times two things turn by turn, so that what else the machine does meets both alike.
namespace bench {

class Stopwatch {
  public:
    template <typename F>
    void time(const F& work) {
        const auto from = std::chrono::steady_clock::now();
        work();
        const auto to = std::chrono::steady_clock::now();
        micros_.push_back(std::chrono::duration<double, std::micro>(to - from).count());
    }
    // Such a share of them is no slower: 0 to below 100.
    double percentile(size_t percent) {
        const size_t at = micros_.size() * percent / 100;
        std::nth_element(micros_.begin(), micros_.begin() + static_cast<std::ptrdiff_t>(at), micros_.end());
        return micros_[at];
    }
    double median() { return percentile(50); }
    double highest() const { return *std::max_element(micros_.begin(), micros_.end()); }

  private:
    std::vector<double> micros_;
};

}  // namespace bench
