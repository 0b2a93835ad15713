// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include <cstddef>
#include <string>
#include <unordered_map>
#include <vector>

namespace gorsefinch {

// How often each name stands in a scene, by hash: two names may be the same only if their hashes are. Adding and
// removing costs only what is added or removed, as a scene has tens of thousands of names at each edit.
class SymbolCounts {
  public:
    static size_t hashOf(const std::string& symbol) { return std::hash<std::string>()(symbol); }

    void add(const std::vector<size_t>& hashes);
    // Hashes that were added before.
    void remove(const std::vector<size_t>& hashes);
    bool anyTwice() const { return repeated_ != 0; }

  private:
    std::unordered_map<size_t, size_t> counts_;
    size_t repeated_ = 0;  // hashes beyond the first of their value
};

}  // namespace gorsefinch
