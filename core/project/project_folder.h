// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include <filesystem>

#include "core/base/folder_lock.h"
#include "core/project/project_text.h"
#include "core/project/save_record.h"

namespace gorsefinch {

// Error::code of a save that would replace what another program wrote and nobody here has seen.
inline constexpr int kChangedOutside = -1;

// A project's folder on disk: opening, saving so that a fault leaves a whole project, and the journal that brings
// back what a crash interrupted. Works on open handles inside the folder and never through a link. Opening writes
// nothing; what writes needs the folder's lock.
class ProjectFolder {
  public:
    // `disk` must outlive this.
    ProjectFolder(Disk& disk, std::filesystem::path folder);

    const std::filesystem::path& path() const { return path_; }
    // True if there is a project in the folder.
    bool holdsProject() const;

    // Becomes the one that may write here, and completes a save that was cut off behind its record. Nothing comes back, or
    // who has the lock; with `takeOver` it is taken from them.
    Result<std::optional<LockOwner>> own(bool takeOver = false);
    // The same for a folder that is made if it isn't there, waiting so many ms for the lock; an error names who has it.
    Result<void> waitToOwn(int ms);
    // False once another took the lock over.
    bool isOwned() const { return lock_.isHeld(); }
    void disown() { lock_.release(); }

    // Opens what can be opened, as one state even while another program saves. Where a save was cut off behind its record,
    // that is the new state.
    ReadProject open();

    // Saves the document: all changed files are written beside the old ones, then a record makes the change final, then
    // they take their places and are read back. A fault before the record leaves the old project; after it, the next save
    // or own() completes the new one. Files that are missing are written too. Files that could not be read whole are first
    // kept as NAME.broken. Files of things that are gone are removed. Nothing is written, and the error has the code
    // kChangedOutside, if that would replace what another program wrote since it was last read or written here. Without
    // the lock it is taken for the time of the save.
    Result<void> save(const Document& document);

    // What is to be told beside success or failure, since the last call: a save that could not be completed, a file that
    // another program wrote at the same moment and that is kept under another name. open() tells it among its problems.
    Problems takeNotices() { return std::exchange(notices_, {}); }

    // The project's files that another program changed or removed since they were last read or written here, unless they
    // hold what the document says. Takes one look at each file's stamp, and reads those that differ.
    std::vector<std::string> changedOutside(const Document& document);

    // The files of a project as they were read.
    struct Snapshot {
        struct Entry {
            SharedBytes bytes;
            FileStamp stamp;
        };
        std::map<std::string, Entry> files;
    };
    // The project as it is on disk now, and what it takes for save() to replace it once it was seen.
    struct Theirs {
        ReadProject project;
        Snapshot snapshot;
    };
    Theirs readTheirs() { return readNow(); }
    void markSeen(const Theirs& theirs);

    // Names of the plain files in images/, and the bytes of one of the project's files.
    std::vector<std::string> imageFiles() const;
    Result<SharedBytes> readProjectFile(const std::string& file, size_t maxBytes) const;

    // Keeps the document in the journal; save() and dropJournal() take it away. Safe to call from another thread than
    // save() only when the two don't overlap. An error without the lock.
    Result<void> writeJournal(const Document& document) const;
    // What the journal holds, on what is saved; nothing without one. An error if it can't be read: it stays.
    Result<std::optional<Document>> journal() const;
    void dropJournal();

    // Puts what a crash left in the journal among the unsaved work, where no later journal and no save replaces it, if it
    // differs from `opened`, the document as it was just opened. Leaves the journal where it is when that fails; one that
    // can't be read is kept under another name, which the error tells.
    Result<void> keepUnsaved(const Document& opened);
    // Unsaved work that waits to be restored or dropped, each a file of the folder.
    struct Unsaved {
        std::string file;
        Document document;
    };
    // The latest that can be read.
    std::optional<Unsaved> latestUnsaved() const;
    void dropUnsaved(const std::string& file);

    class OpenFolders;

  private:
    Theirs readNow() const;
    Result<void> begin(FolderLock lock);
    Result<void> finishSave(OpenFolders& folders);
    Result<void> moveIntoPlace(OpenFolders& folders, const SaveRecord::Move& move);
    Result<void> moveOutOfPlace(OpenFolders& folders, const SaveRecord::Removal& removal);
    Result<void> settleFormer(OpenFolders& folders, const std::string& file, const std::string& part, const std::vector<std::string>& known);
    Result<void> keepTheirs(const Folder& folder, const std::string& from, const std::string& name);
    Result<void> commit(OpenFolders& folders, const ProjectFiles& changed, const std::vector<std::string>& gone, const std::string& name);
    Result<void> saveLocked(const Document& document);
    Result<ProjectFiles> filesToWrite(OpenFolders& folders, const ProjectFiles& files);
    std::vector<std::string> filesToRemove(OpenFolders& folders, const ProjectFiles& files) const;
    void removeLeftovers(OpenFolders& folders) const;
    Result<void> readBack(OpenFolders& folders, const ProjectFiles& changed, const std::vector<std::string>& gone);
    Result<void> setAside(const Folder& root, const std::string& name, const std::string& as) const;
    ProjectFiles unsavedFiles(const Document& document, bool all) const;
    Result<std::optional<Document>> unpacked(const std::string& file) const;

    Disk& disk_;
    std::filesystem::path path_;
    FolderLock lock_;
    bool wasOwned_ = false;               // own() succeeded once: a lock that is gone was taken over
    Snapshot saved_;                      // what is on disk, as far as it was read or written here
    std::vector<std::string> damaged_;
    std::map<std::string, FileStamp> noticed_;  // stamps of files that changed outside, as changedOutside() saw them
    Problems notices_;
};

}  // namespace gorsefinch
