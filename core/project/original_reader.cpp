// SPDX-License-Identifier: GPL-3.0-or-later
#include "core/project/original_reader.h"

#include <algorithm>

namespace gorsefinch {

Result<Bytes> OriginalReader::read(const std::string& path, size_t maxBytes) {
    if (const auto known = byPath_.find(path); known != byPath_.end())
        return known->second;
    const size_t left = kMaxOriginals - pool_.bytes();
    auto file = read_(path, std::min(maxBytes, left));
    if (!file && left < maxBytes && read_(path, maxBytes))
        return failure(
            path, "",
            "the originals of the project have more than " + std::to_string(kMaxOriginals >> 20) + " MB together",
            "Make pictures smaller before you bring them in, or divide the project");
    if (!file)
        return tl::unexpected(file.error());
    return byPath_[path] = pool_.keep(file->shared());
}

}  // namespace gorsefinch
