// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include <filesystem>
#include <string>

#include "core/base/folder.h"

// Files by their path, as a user or a dialog names them.
namespace gorsefinch {

// What may be brought in: pictures, faces, texts of which the characters are taken.
inline constexpr size_t kMaxPictureFile = size_t{256} << 20, kMaxFaceFile = size_t{64} << 20, kMaxTextFile = size_t{4} << 20;

// A plain file of at most `maxBytes`; anything else, a pipe say, is refused without waiting for it. A link is followed, as
// the user named it.
Result<std::string> readFile(Disk& disk, const std::filesystem::path& path, size_t maxBytes);

// Writes beside the file under a name that nobody has, syncs and renames: the old one stays whole if anything fails.
Result<void> replaceFile(Disk& disk, const std::filesystem::path& path, const std::string& bytes);

// True if the name is there, whatever it is.
bool pathExists(Disk& disk, const std::filesystem::path& path);

}  // namespace gorsefinch
