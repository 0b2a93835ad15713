// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include <filesystem>

#include "core/base/folder_lock.h"
#include "core/project/project_text.h"
#include "core/project/save_record.h"

namespace gorsefinch {

// Error::code of a save that would overwrite changes of another program that were not read yet.
inline constexpr int kChangedOutside = -1;

// A project's folder on disk: opens and saves the project so that a fault never leaves a mixture of two saves, and
// keeps a journal of unsaved work. Works on open handles inside the folder and follows no links. Opening writes
// nothing; everything that writes needs the folder's lock.
class ProjectFolder {
  public:
    // `disk` must outlive this.
    ProjectFolder(Disk& disk, std::filesystem::path folder);

    const std::filesystem::path& path() const { return path_; }
    // True if there is a project in the folder.
    bool holdsProject() const;

    // Takes the lock and completes a save that was interrupted after its record was written. Returns nothing, or the
    // owner of the lock if that is another process. `takeOver` takes the lock from the other process.
    Result<std::optional<LockOwner>> own(bool takeOver = false);
    // The same, but creates the folder if necessary and waits up to `ms` for the lock; then returns an error that names
    // the owner.
    Result<void> waitToOwn(int ms);
    // False once another process took the lock over, or the folder was deleted.
    bool isOwned() const { return lock_.isHeld(); }
    void disown() { lock_.release(); }

    // Reads the project as far as possible, never a mixture of two saves even while another process saves. A save that
    // was interrupted after its record was written counts as done.
    ReadProject open();

    // Saves the document. Changed and missing files are written under temporary names, a record makes the save final,
    // then the files are renamed and read back. A fault before the record leaves the old project; after it, the next
    // save() or own() completes the save. Files that could not be read completely are first copied to NAME.broken.
    // Files of removed things are deleted. If another program changed a file since it was last read or written here,
    // nothing is written and the error has the code kChangedOutside. Takes the lock for the duration of the save if it
    // is not held.
    Result<void> save(const Document& document);

    // Returns and clears warnings that are not failures: an interrupted save that could not be completed, a file that
    // another program wrote during a save. open() includes them in its problems.
    Problems takeNotices() { return std::exchange(notices_, {}); }

    // Returns the files that another program changed or deleted since they were last read or written here, except those
    // that match the document. Reads only files whose stamp differs.
    std::vector<std::string> changedOutside(const Document& document);

    // The files of a project as they were read.
    struct Snapshot {
        struct Entry {
            SharedBytes bytes;
            FileStamp stamp;
        };
        std::map<std::string, Entry> files;
    };
    // The project as it is on disk now. After markSeen(), save() may overwrite the files in its snapshot.
    struct Theirs {
        ReadProject project;
        Snapshot snapshot;
    };
    Theirs readTheirs() const;
    void markSeen(const Theirs& theirs);

    // Names of the plain files in images/, and the contents of one of the project's files.
    std::vector<std::string> imageFiles() const;
    Result<SharedBytes> readProjectFile(const std::string& file, size_t maxBytes) const;

    // Writes the document to the journal, which save() and dropJournal() delete. Must not overlap with save() in
    // another thread. An error without the lock, or while the journal holds a crash's work that keepUnsaved() could not
    // keep.
    Result<void> writeJournal(const Document& document) const;
    // Returns the document of the journal, or nothing without one. An error if it cannot be read.
    Result<std::optional<Document>> journal() const;
    void dropJournal();

    // Moves the journal of a crash to the unsaved work, which no later journal or save overwrites, if it differs from
    // `opened`, the document as it was just opened. If that fails, the journal stays and is protected. A journal that
    // cannot be read is renamed, and the error says how.
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
    static FileStamp trusted(FileStamp stamp);
    SharedBytes kept(const std::string& path, std::string bytes, ContentPool& originals) const;
    Theirs readOnce(bool& settled) const;
    Result<void> begin(FolderLock lock);
    Result<void> finishSave(OpenFolders& folders);
    Result<void> moveIntoPlace(OpenFolders& folders, const SaveRecord::Move& move);
    Result<void> moveOutOfPlace(OpenFolders& folders, const SaveRecord::Removal& removal);
    Result<void> settleFormer(OpenFolders& folders, const std::string& file, const std::string& part,
                              const std::vector<std::string>& known);
    Result<void> keepTheirs(const Folder& folder, const std::string& from, const std::string& name);
    Result<void> commit(OpenFolders& folders, const ProjectFiles& changed, const std::vector<std::string>& gone,
                        const std::string& name);
    Result<void> saveLocked(const Document& document);
    Result<ProjectFiles> filesToWrite(OpenFolders& folders, const ProjectFiles& files);
    std::vector<std::string> filesToRemove(OpenFolders& folders, const ProjectFiles& files) const;
    void removeLeftovers(OpenFolders& folders) const;
    Result<void> readBack(OpenFolders& folders, const ProjectFiles& changed, const std::vector<std::string>& gone);
    Result<std::string> setAside(const Folder& root, const std::string& name, const std::string& as) const;
    Result<void> moveJournal(const Document& opened) const;
    ProjectFiles unsavedFiles(const Document& document, bool all) const;
    Result<std::optional<Document>> unpacked(const std::string& file) const;

    Disk& disk_;
    std::filesystem::path path_;
    FolderLock lock_;
    bool wasOwned_ = false;          // own() succeeded once
    bool journalProtected_ = false;  // it holds a crash's work that exists nowhere else
    Snapshot saved_;                 // files as they were last read or written here
    std::vector<std::string> damaged_;
    std::map<std::string, FileStamp> noticed_;  // stamps of the files that changedOutside() returned
    Problems notices_;
};

}  // namespace gorsefinch
