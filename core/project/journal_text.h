// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include <string>

#include "core/base/result.h"
#include "core/project/project_text.h"

namespace gorsefinch {

// Serialises some of a project's files with a check sum. The format is a line "gorsefinch-journal 1", a line with the
// SHA-256 of the rest, a line with the number of files, and for each file a line with its size and path, its contents,
// and a line end.
std::string journalText(const ProjectFiles& files);

// Parses the output of journalText() in linear time. Anything else is an error, and so are paths that are not a
// project's files.
Result<ProjectFiles> readJournalText(const std::string& file, const std::string& text);

}  // namespace gorsefinch
