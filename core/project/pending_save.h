// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include <map>
#include <optional>

#include "core/project/open_folders.h"

namespace gorsefinch {

inline constexpr const char* kSaveRecord = ".gorsefinch-save";
// The most bytes of any of a project's files.
inline constexpr size_t kMaxProjectFile = size_t{256} << 20;

// A save that stands on disk with its record: what the project's files hold once it is completed.
struct PendingSave {
    std::string text;                             // of the record
    SaveRecord record;
    std::map<std::string, Folder::File> waiting;  // by file, the new bytes that are not in place yet
};

// The project's name in the text of its main file; "" if that can't be read.
std::string projectNameIn(const std::string& mainFile);

// The save that is pending; nothing without a record. An error for a record that this program can't have written for
// this project: by its text, by the project's name, or as what it moves is not there.
Result<std::optional<PendingSave>> pendingSave(ProjectFolder::OpenFolders& folders);

}  // namespace gorsefinch
