// SPDX-License-Identifier: GPL-3.0-or-later
#include "core/project/original_reader.h"

#include <algorithm>

namespace gorsefinch {

Result<Bytes> OriginalReader::read(const std::string& path, size_t maxBytes) {
    if (const auto known = byPath_.find(path); known != byPath_.end())
        return known->second;
    const size_t left = kMaxOriginals - bytes_;
    auto file = read_(path, std::min(maxBytes, left));
    if (!file && left < maxBytes && read_(path, maxBytes))
        return failure(path, "", "the originals of the project have more than " + std::to_string(kMaxOriginals >> 20) + " MB together",
                       "Make pictures smaller before you bring them in, or divide the project");
    if (!file)
        return tl::unexpected(file.error());
    return byPath_[path] = shared(file->shared());
}

Bytes OriginalReader::shared(Bytes bytes) {
    const size_t hash = std::hash<std::string>()(*bytes);
    const auto [first, last] = byHash_.equal_range(hash);
    const auto same = std::find_if(first, last, [&](const auto& each) { return *each.second == *bytes; });
    if (same != last)
        return same->second;
    bytes_ += bytes->size();
    byHash_.emplace(hash, bytes);
    return bytes;
}

}  // namespace gorsefinch
