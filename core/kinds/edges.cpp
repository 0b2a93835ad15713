// SPDX-License-Identifier: GPL-3.0-or-later
#include "core/kinds/edges.h"

#include <algorithm>

namespace gorsefinch {

std::optional<unsigned> edgesFromWords(std::string_view words) {
    if (words == kNoEdges)
        return 0;
    unsigned out = 0;
    for (size_t begin = 0; begin <= words.size();) {
        const size_t end = std::min(words.find(' ', begin), words.size());
        const auto found = std::find(kEdgeWords.begin(), kEdgeWords.end(), words.substr(begin, end - begin));
        const unsigned bit = found == kEdgeWords.end() ? 0 : 1u << (found - kEdgeWords.begin());
        if (bit == 0 || (out & bit) != 0)
            return std::nullopt;
        out |= bit;
        begin = end + 1;
    }
    return out;
}

std::string edgesInWords(unsigned edges) {
    std::string out;
    for (size_t i = 0; i < kEdgeWords.size(); ++i)
        if ((edges & (1u << i)) != 0)
            out += (out.empty() ? "" : " ") + std::string(kEdgeWords[i]);
    return out.empty() ? kNoEdges : out;
}

}  // namespace gorsefinch
