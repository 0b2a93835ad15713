// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include <string>

#include "core/base/result.h"
#include "core/project/project_text.h"

namespace gorsefinch {

// Unsaved work as one file: some of a project's files, with a check sum, so that what is cut off or damaged is seen.
// The form is a line "gorsefinch-journal 1", a line with the SHA-256 of all behind it, a line with the number of files,
// and for each a line with its bytes and path, those bytes, and a line end.
std::string journalText(const ProjectFiles& files);

// Reads what journalText() wrote; an error for anything else, and for paths that are none of a project's. Takes time by
// the text's length.
Result<ProjectFiles> readJournalText(const std::string& file, const std::string& text);

}  // namespace gorsefinch
