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

// The open project's folder, as the session uses it: who may write there, the journal, what a crash left, and what other
// programs do in it meanwhile.
class ProjectStore : public QObject {
    Q_OBJECT

  public:
    explicit ProjectStore(QObject* parent = nullptr);
    ~ProjectStore() override;

    // Opens a folder, to write if nobody else does, else to look. The former one stays open if that fails.
    Result<ReadProject> open(const std::filesystem::path& path);
    // Saves into a folder without a project; that is the open one then.
    Result<void> saveAs(const Document& document, const std::filesystem::path& path);
    Result<void> save(const Document& document);

    bool isOpen() const { return folder_ != nullptr; }
    std::filesystem::path path() const { return folder_ ? folder_->path() : std::filesystem::path(); }
    Disk& disk() { return disk_; }
    std::vector<std::string> imageFiles() const { return folder_->imageFiles(); }
    Result<SharedBytes> readProjectFile(const std::string& file, size_t maxBytes) const { return folder_->readProjectFile(file, maxBytes); }

    // False while another process has the project, or the folder can't be written to; whyLook() tells which.
    bool mayWrite() const { return mayWrite_; }
    const QString& whyLook() const { return whyLook_; }
    // True if the project was taken over from here, perhaps with changes that are not saved.
    bool wasTakenOver() const { return wasTakenOver_; }
    Result<void> takeOver();

    // Tells the newest document, and whether it is as saved. The journal holds it within kJournalDelay and the time of
    // writing it, however often this is called.
    void keep(const Document& document, bool saved);
    // Writes the journal now, and waits for it.
    void keepNow();
    void forgetUnsaved();

    std::optional<ProjectFolder::Unsaved> latestUnsaved() const { return folder_->latestUnsaved(); }
    void dropUnsaved(const std::string& file) { folder_->dropUnsaved(file); }

    // The project's files that others changed since they were last read, as checkOutside() saw them.
    const QStringList& outsideChanges() const { return outside_; }
    void checkOutside(const Document& document, bool atOnce);
    // The project as it is on disk now. What it says counts as seen once markSeen() is told.
    ProjectFolder::Theirs readTheirs();
    void markSeen(const ProjectFolder::Theirs& theirs);

    static constexpr int kJournalDelay = 700;  // ms

  Q_SIGNALS:
    void rightsChanged();
    void outsideChanged();
    void failed(const QString& trouble);

  private:
    void own(ProjectFolder& folder, bool takeOver);
    void wait();
    void writeJournal();
    void journalDone(const Result<void>& done);
    void checkOwned();

    Disk disk_;
    std::unique_ptr<ProjectFolder> folder_;
    bool mayWrite_ = false, wasTakenOver_ = false;
    QString whyLook_;
    QTimer journalTimer_;
    std::future<void> journal_;
    std::optional<Document> newest_;
    bool newestSaved_ = true, journalFails_ = false;
    QStringList outside_, seenOnce_;
};

}  // namespace gorsefinch::app
