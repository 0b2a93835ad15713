// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include <map>
#include <string>

#include <functional>
#include "core/base/problem.h"
#include "core/base/result.h"
#include "core/project/document.h"

namespace gorsefinch {

// A project as its files: path in the project's folder -> bytes. Originals of images and faces included.
using ProjectFiles = std::map<std::string, std::string>;

inline constexpr const char* kMainFile = "gorsefinch.json";

// The files that hold the document. The same document gives the same bytes.
ProjectFiles toFiles(const Document& document);

// Gives a file's bytes by its path in the project's folder.
using FileReader = std::function<Result<std::string>(const std::string& path)>;

struct ReadProject {
    std::optional<Document> document;  // nothing if the main file can't be used at all
    Problems problems;                 // Error: something could not be taken over as it stands
    std::vector<std::string> damaged;  // files that hold something that was not taken over
};

// Opens what can be opened. Nothing is written.
ReadProject fromFiles(const FileReader& read);

}  // namespace gorsefinch
