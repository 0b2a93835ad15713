// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include <filesystem>
#include <string>
#include <vector>

#include "core/base/result.h"

namespace gorsefinch {

// The few things that saving does to a disk, so that tests can let each of them fail. Paths are whole.
class Files {
  public:
    using Path = std::filesystem::path;
    virtual ~Files() = default;

    // Refuses more than `most` bytes, and anything but a plain file.
    virtual Result<std::string> read(const Path& path, size_t most = size_t{256} << 20);
    // Writes a new file and syncs it. An existing one is replaced at once, so use it on temporary names; a link is
    // refused, as it may lead anywhere.
    virtual Result<void> write(const Path& path, const std::string& bytes);
    // Replaces `to` in one step.
    virtual Result<void> rename(const Path& from, const Path& to);
    // No error if it isn't there.
    virtual Result<void> remove(const Path& path);
    virtual Result<void> makeFolder(const Path& path);
    virtual bool exists(const Path& path);
    virtual bool isLink(const Path& path);
    // Names of the plain files in a folder, sorted; none if there is no such folder.
    virtual std::vector<std::string> list(const Path& folder);
};

// Writes beside the file, syncs and renames: the old one stays whole if anything fails.
Result<void> writeSafely(Files& files, const Files::Path& path, const std::string& bytes);

}  // namespace gorsefinch
