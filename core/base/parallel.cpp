// SPDX-License-Identifier: GPL-3.0-or-later
#include "core/base/parallel.h"

#include <algorithm>
#include <thread>
#include <vector>

namespace gorsefinch {

void inParallel(int rows, size_t cells, const std::function<void(int first, int last)>& work) {
    constexpr size_t worthAThread = size_t{1} << 17;
    const auto max = static_cast<size_t>(std::clamp(std::thread::hardware_concurrency(), 1u, 8u));
    const int parts = static_cast<int>(
        std::clamp<size_t>(cells / worthAThread, 1, std::min(max, static_cast<size_t>(std::max(rows, 1)))));
    std::vector<std::thread> threads;
    for (int i = 1; i < parts; ++i)
        threads.emplace_back(work, rows * i / parts, rows * (i + 1) / parts);
    work(0, rows / parts);
    for (std::thread& each : threads)
        each.join();
}

}  // namespace gorsefinch
