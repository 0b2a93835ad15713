// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include <filesystem>
#include <string>

#include "core/base/folder.h"
#include "core/base/shared_bytes.h"

// Files by their path, as a user or a dialog names them.
namespace gorsefinch {

// Maximum sizes of imported pictures, faces and texts.
inline constexpr size_t kMaxPictureFile = size_t{256} << 20, kMaxFaceFile = size_t{64} << 20,
                        kMaxTextFile = size_t{4} << 20;

// Reads a plain file of at most `maxBytes`; anything else is an error, without blocking. Links are followed.
Result<std::string> readFile(Disk& disk, const std::filesystem::path& path, size_t maxBytes);

// The same for a picture or a face: large contents are mapped.
Result<Bytes> readOriginal(Disk& disk, const std::filesystem::path& path, size_t maxBytes);

// Replaces or creates a plain file in one step: if anything fails, the former contents remain. Links are not followed.
Result<void> replaceFile(Disk& disk, const std::filesystem::path& path, std::string_view bytes);

// True if there is a file, folder or link of that path.
bool pathExists(Disk& disk, const std::filesystem::path& path);

}  // namespace gorsefinch
