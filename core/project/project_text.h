// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include <map>
#include <string>

#include <functional>
#include "core/base/problem.h"
#include "core/base/result.h"
#include "core/base/shared_bytes.h"
#include "core/document/document.h"

namespace gorsefinch {

// A project as its files: path in the project's folder -> bytes. Originals of images and faces included.
using ProjectFiles = std::map<std::string, SharedBytes>;

inline constexpr const char* kMainFile = "gorsefinch.json";

// The files that hold the document. The same document gives the same bytes.
ProjectFiles toFiles(const Document& document);

// Parts of a document as text, for comparison. The text of images and faces includes a hash of the originals.
std::string panelText(const Panel& panel);
std::string aidsText(const LayoutAids& aids);
std::string namedText(const NamedValues& named);
std::string meantText(const std::vector<MeantSo>& all);
std::string clockText(const Clock* clock);  // "" for none
std::string recipeDefaultsText(const Recipe& recipe);
std::string unknownText(const UnknownKeys& unknown);
std::string partText(const Variable& variable);
std::string partText(const Look& look);
std::string partText(const Image& image);
std::string partText(const Face& face);
std::string partText(const RuleFile& rules);
std::string partText(const Screen& screen);

// Returns the contents of a file by its path in the project's folder; an error for more than `maxBytes`.
using FileReader = std::function<Result<SharedBytes>(const std::string& path, size_t maxBytes)>;

// Limits of a project's files, beside those of document.h (docs/limits.md).
inline constexpr size_t kMaxMainFile = size_t{16} << 20, kMaxScreenFile = size_t{4} << 20;
// Of all screens and rules together.
inline constexpr size_t kMaxTexts = size_t{64} << 20;

struct ReadProject {
    std::optional<Document> document;  // nothing if the main file can't be used at all
    Problems problems;                 // Error: something could not be taken over as it is
    std::vector<std::string> damaged;  // files that hold something that was not taken over
};

// Opens what can be opened. Nothing is written.
ReadProject fromFiles(const FileReader& read);

}  // namespace gorsefinch
