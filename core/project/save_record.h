// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include <string>
#include <vector>

#include "core/base/result.h"

namespace gorsefinch {

// The folders that a project's files lie in, beside its own.
inline constexpr const char* kProjectFolders[] = {"screens", "rules", "images", "fonts"};

// True for the main file, and for a plain name in one of the project's folders.
bool isProjectFile(const std::string& path);

// The changes that a save makes once all new files are written. While it is on disk, these changes count as made.
struct SaveRecord {
    struct Move {
        std::string to;      // a project's file
        std::string part;    // temporary file with the new contents, in the same folder
        std::string sha256;  // of the new contents
        std::string was;     // SHA-256 of the former contents; "" if there were none
    };
    struct Removal {
        std::string file;
        std::string part;    // temporary name before it is deleted
        std::string sha256;  // of its contents; a file with other contents is not deleted
    };
    std::string project;        // its name
    std::string formerProject;  // its name before, "" if there was none
    std::vector<Move> moves;
    std::vector<Removal> removals;
};

// Prefix of temporary files, followed by 32 hex digits.
inline constexpr const char* kSavePart = ".gorsefinch-save-part-";
bool isSavePart(const std::string& name);

std::string saveRecordText(const SaveRecord& record);

// Parses the output of saveRecordText(). Any difference in a byte is an error, and so are paths outside the project,
// names that saving does not use, and other versions.
Result<SaveRecord> readSaveRecord(const std::string& text);

}  // namespace gorsefinch
