// SPDX-License-Identifier: GPL-3.0-or-later
#include "core/emit/symbol_counts.h"

#include <cassert>

namespace gorsefinch {

void SymbolCounts::add(const std::vector<size_t>& hashes) {
    for (const size_t hash : hashes)
        repeated_ += counts_[hash]++ != 0;
}

void SymbolCounts::remove(const std::vector<size_t>& hashes) {
    for (const size_t hash : hashes) {
        const auto found = counts_.find(hash);
        assert(found != counts_.end());
        if (--found->second == 0)
            counts_.erase(found);
        else
            --repeated_;
    }
}

}  // namespace gorsefinch
