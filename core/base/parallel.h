// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include <cstddef>
#include <functional>

namespace gorsefinch {

// Calls work(first, last) so that all of [0, rows) is done, on several threads when `cells` (say, pixels) make that
// worth it. Parts must not depend on each other; the result may not depend on how many there are.
void inParallel(int rows, size_t cells, const std::function<void(int first, int last)>& work);

}  // namespace gorsefinch
