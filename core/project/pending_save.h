// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include <map>
#include <optional>

#include "core/project/open_folders.h"

namespace gorsefinch {

inline constexpr const char* kSaveRecord = ".gorsefinch-save";
inline constexpr const char* kRefusedRecord = ".gorsefinch-refused-";  // and a number
// Error::code of a record that this program did not write for this project.
inline constexpr int kRefused = -2;
// Maximum size of a project's file.
inline constexpr size_t kMaxProjectFile = size_t{256} << 20;

// A save whose record is on disk: the contents of the project's files once it is completed.
struct PendingSave {
    std::string text;  // of the record
    SaveRecord record;
    std::map<std::string, Folder::File> waiting;  // by file, new contents that are not in place yet
};

// The project's name in the text of its main file; "" if that can't be read.
std::string projectNameIn(std::string_view mainFile);

// Returns the pending save, or nothing without a record. An error with the code kRefused if this program cannot have
// written the record for this project: its text or project differs, or a file that it moves is missing. Other errors
// are failed reads, after which the record may still be valid.
Result<std::optional<PendingSave>> pendingSave(ProjectFolder::OpenFolders& folders);

}  // namespace gorsefinch
