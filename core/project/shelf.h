// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include <functional>
#include <span>

#include "core/project/project_folder.h"

namespace gorsefinch {

// A user's own collection for all projects: pictures with their recipes, and faces with their sizes. It is kept like a
// project, in a folder of the user's.
class Shelf {
  public:
    // `disk` must outlive this. Nothing is read or written yet.
    Shelf(Disk& disk, std::filesystem::path folder) : folder_(disk, std::move(folder)) {}

    // What is on it; an empty one if there is none yet.
    Document read();
    // Puts things on it; those of a name that is there already are replaced. An error names the file that could not
    // be written, and leaves the shelf as it was.
    Result<void> put(std::span<const Image> images, std::span<const Face> faces);
    Result<void> remove(std::span<const std::string> images, std::span<const std::string> faces);

  private:
    Result<void> change(const std::function<Document(Document)>& edit);

    ProjectFolder folder_;
};

// Takes a face into a document: sizes and settings come along; a stand-in that the document lacks is forgotten.
Document takeFace(const Document& document, Face face, std::string* name = nullptr);

}  // namespace gorsefinch
