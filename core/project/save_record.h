// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include <string>
#include <vector>

#include "core/base/result.h"

namespace gorsefinch {

// The folders that a project's files lie in, beside its own.
inline constexpr const char* kProjectFolders[] = {"screens", "rules", "images", "fonts"};

// True for a path that saving can write: the main file, or a plain name in one of the project's folders.
bool isProjectFile(const std::string& path);

// What a save does once all new files are written beside the old ones. While it is on disk, the project is what it says.
struct SaveRecord {
    struct Move {
        std::string to;      // a project's file
        std::string part;    // the name beside it that holds its new bytes
        std::string sha256;  // of those
        std::string was;     // of what the file held before, as far as this program knows; "" if it wasn't there
    };
    struct Removal {
        std::string file;
        std::string part;    // the name beside it that it gets before it is removed
        std::string sha256;  // of what it held; a file that holds something else stays
    };
    std::string project;        // its name
    std::string formerProject;  // its name before, "" if there was none
    std::vector<Move> moves;
    std::vector<Removal> removals;
};

// The names of new files begin so, with 32 hex digits behind it.
inline constexpr const char* kSavePart = ".gorsefinch-save-part-";
bool isSavePart(const std::string& name);

std::string saveRecordText(const SaveRecord& record);

// A record as saveRecordText() writes it, with its check sum; anything else is an error: paths outside the project, names
// that saving never gives, another version.
Result<SaveRecord> readSaveRecord(const std::string& text);

}  // namespace gorsefinch
