// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include <filesystem>

#include "core/base/files.h"
#include "core/project/project_text.h"

namespace gorsefinch {

// A project's folder on disk: opening, saving so that a fault leaves a whole project, and the journal that brings
// back what a crash interrupted. Writes only inside the folder.
class ProjectFolder {
  public:
    // `files` must outlive this.
    ProjectFolder(Files& files, std::filesystem::path folder);

    const std::filesystem::path& path() const { return folder_; }

    // Opens what can be opened. If a save was cut off after its point of no return, it is completed first.
    ReadProject open();

    // Saves the document: all changed files are written beside the old ones, then a record makes the change final,
    // then they take their places. A fault before the record leaves the old project; after it, the next open()
    // completes the new one. Files that could not be read whole are first kept as NAME.broken.
    // Files of things that are gone are removed.
    Result<void> save(const Document& document);

    // Keeps the document in the journal; save() and dropJournal() take it away. Safe to call from another thread
    // than save() only when the two don't overlap.
    Result<void> writeJournal(const Document& document);
    // What the journal holds, on what is saved; nothing if it can't be read.
    std::optional<Document> journal();
    void dropJournal();

    // Puts what a crash left in the journal among the unsaved work, where no later journal and no save replaces it, if it
    // differs from `opened`, the document as it was just opened. Leaves the journal where it is when that fails.
    Result<void> keepUnsaved(const Document& opened);
    // Unsaved work that waits to be restored or dropped, each a file of the folder.
    struct Unsaved {
        std::string file;
        Document document;
    };
    // The latest that can be read.
    std::optional<Unsaved> latestUnsaved();
    void dropUnsaved(const std::string& file);

  private:
    Result<void> completeSave();
    Result<void> commit(const ProjectFiles& changed, const std::vector<std::string>& gone);
    std::string packed(const Document& document, bool all) const;
    std::optional<Document> unpacked(const std::string& file);
    std::filesystem::path at(const std::string& file) const { return folder_ / file; }

    Files& files_;
    std::filesystem::path folder_;
    ProjectFiles saved_;                // what is on disk, as far as we read or wrote it
    std::vector<std::string> damaged_;
};

}  // namespace gorsefinch
