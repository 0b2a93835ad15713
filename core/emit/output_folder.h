// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include <filesystem>
#include <map>
#include <set>
#include <string>
#include <vector>

#include "core/base/disk.h"
#include "core/emit/generate.h"

namespace gorsefinch {

// How a generated file compares with what is in the output folder.
enum class FileState {
    New,      // isn't there yet
    Changed,  // will be replaced
    Same,     // is not written
    Edited,   // was changed by hand since it was generated: generation stops
    Foreign,  // is there, but was never generated: generation stops
    Yours,    // the user's own: never touched
    Gone      // was generated once and is no longer needed: will be removed
};

const char* toWords(FileState state);

struct PlannedFile {
    std::string path;  // in the output folder
    FileState state;
    long bytes = 0;
};

struct OutputPlan {
    std::vector<PlannedFile> files;
    int toWrite() const;
    // The files that keep generation from going on.
    std::vector<std::string> blocked() const;
};

// Parses a manifest: by path, the check sums of the generated text; after an interrupted generation the former and the
// new one. Empty for other texts.
using ManifestHashes = std::map<std::string, std::set<std::string>>;
ManifestHashes manifestHashes(const std::string& text);

// Compares generated code with a folder, which need not exist. Reads only, and follows no links: a link in place of a
// generated file counts as edited.
OutputPlan planOutput(const GeneratedCode& code, const std::filesystem::path& folder, Disk& disk);

// Reads a file of the output folder, without following links.
Result<std::string> readOutput(const std::filesystem::path& folder, const std::string& path, Disk& disk);

// Writes what the plan says, the manifest last. Refused while files are blocked, unless `overwrite`, which replaces
// edited and foreign files too. The user's own port file is written only if it isn't there. Nothing is written
// outside the folder. Waits up to 10 s for another generation into the same folder.
Result<OutputPlan> writeOutput(const GeneratedCode& code, const std::filesystem::path& folder, Disk& disk,
                               bool overwrite = false);

}  // namespace gorsefinch
