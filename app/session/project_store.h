// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include <QObject>
#include <QStringList>
#include <QTimer>
#include <future>
#include <memory>

#include "core/project/merge.h"
#include "core/project/project_folder.h"

namespace gorsefinch::app {

// The folder of the open project: the right to write in it, the journal, unsaved work that a crash left, and changes
// that other programs make.
class ProjectStore : public QObject {
    Q_OBJECT

  public:
    explicit ProjectStore(QObject* parent = nullptr);
    ~ProjectStore() override;

    // Opens a folder; read-only if it is locked or not writable. The former folder stays open if that fails.
    Result<ReadProject> open(const std::filesystem::path& path);
    // Saves to a folder without a project, and opens that.
    Result<void> saveAs(const Document& document, const std::filesystem::path& path);
    Result<void> save(const Document& document);

    bool isOpen() const { return folder_ != nullptr; }
    std::filesystem::path path() const { return folder_ ? folder_->path() : std::filesystem::path(); }
    Disk& disk() { return disk_; }
    std::vector<std::string> imageFiles() const { return folder_->imageFiles(); }
    Result<SharedBytes> readProjectFile(const std::string& file, size_t maxBytes) const {
        return folder_->readProjectFile(file, maxBytes);
    }

    enum class Access {
        Write,
        Locked,       // another process has the project
        NotWritable,  // the folder cannot be written to
        TakenOver     // another process took the project over, possibly with unsaved changes here
    };
    Access access() const { return access_; }
    bool mayWrite() const { return access_ == Access::Write; }
    // Why it may not be written, as part of a sentence.
    const QString& reason() const { return reason_; }
    // Takes the project from the process that has it. Unsaved work in its journal is moved to the unsaved work first.
    // `opened` is the project as it was last read.
    Result<void> takeOver(const Document& opened);

    // Called after each edit with the current document, and whether it is as saved. The document is in the journal at
    // most kJournalDelay and the time of writing later, however often this is called.
    void keep(const Document& document, bool saved);
    // Writes the current document to the journal before it returns.
    Result<void> keepNow(const Document& document);
    void forgetUnsaved();

    std::optional<ProjectFolder::Unsaved> latestUnsaved() const { return folder_->latestUnsaved(); }
    void dropUnsaved(const std::string& file) { folder_->dropUnsaved(file); }

    // Files that other programs changed since they were last read, as of the last checkOutside(). Files that changed
    // for the first time are reported by the next call, unless `atOnce`.
    const QStringList& outsideChanges() const { return outside_; }
    void checkOutside(const Document& document, bool atOnce);
    // The project as it is on disk now. After markSeen(), save() may overwrite it.
    ProjectFolder::Theirs readTheirs();
    void markSeen(const ProjectFolder::Theirs& theirs);

    static constexpr int kJournalDelay = 700;  // ms

  Q_SIGNALS:
    void accessChanged();
    void outsideChanged();
    void failed(const QString& reason);

  private:
    void own(ProjectFolder& folder, bool takeOver);
    void setAccess(Access access, const QString& reason);
    void wait();
    bool isWriting() const;
    void writeJournal();
    void journalDone(const Result<void>& done);
    void checkOwned();
    void clearOutside();

    Disk disk_;
    std::unique_ptr<ProjectFolder> folder_;
    Access access_ = Access::Locked;
    QString reason_;
    QTimer journalTimer_;
    std::future<void> journal_;
    std::optional<Document> newest_;
    bool newestSaved_ = true, journalFails_ = false;
    QStringList outside_, seenOnce_;
};

}  // namespace gorsefinch::app
