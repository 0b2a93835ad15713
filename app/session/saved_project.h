// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include <QObject>
#include <QString>
#include <QTimer>
#include <map>
#include <optional>
#include <string>

#include "app/session/project_store.h"

namespace gorsefinch::app {

// The open project as it is on disk beside the document that is edited: reading and saving, what other programs change
// meanwhile, and what a crash left unsaved.
class SavedProject : public QObject {
    Q_OBJECT

  public:
    SavedProject();

    // The folder: the right to write in it, its journal and its files.
    ProjectStore& store() { return store_; }
    const ProjectStore& store() const { return store_; }
    QString folder() const;
    // What was damaged when it was read.
    const std::shared_ptr<const Problems>& problems() const { return problems_; }

    // Opens a project's folder and returns its document. The former one stays open on an error.
    Result<Document> open(const QString& folder);
    // Writes a new project into a folder without one.
    Result<void> create(const Document& document, const QString& folder);
    // An error if another program changed what would be overwritten.
    Result<void> save(const Document& document);
    // Saves into another folder, which is the open one from then on.
    Result<void> saveAs(const Document& document, const QString& folder);
    // Takes the project from the process that has it.
    Result<void> takeOver();

    // The project on disk, and its merge with the document. An error if it cannot be read.
    struct Review {
        Document theirs;
        Merge merge;
    };
    Result<Review> review(const Document& document);
    // The merge with what was reviewed last. It counts as read after acceptReviewed(): the next save may overwrite it,
    // but nothing that changed later.
    Result<Document> mergeReviewed(const Document& document, const std::map<std::string, MergeSide>& choices) const;
    void acceptReviewed();
    // Lets the next save overwrite what was reviewed.
    void keepOurs();
    // True if saving the document would change no file, as far as was read.
    bool isAsRead(const Document& document) const;

    // Looks for changes of other programs. A read-only project without own changes (`unchanged`) follows them: returns
    // the document then.
    std::optional<Document> lookOutside(const Document& document, bool unchanged, bool atOnce);

    // What a crash left unsaved. It waits, whatever else is edited and saved, until it is restored or dropped; then the
    // next earlier one is offered, if there is one.
    bool hasRecovery() const { return recovery_.has_value(); }
    const std::optional<ProjectFolder::Unsaved>& recovery() const { return recovery_; }
    void offerRecovery();
    // After the recovered document became the present one; `document` is in the journal before the file is dropped.
    Result<void> finishRecovery(const Document& document);
    void dropRecovery();

  Q_SIGNALS:
    void lookDue();
    void recoveryFound();

  private:
    ProjectStore store_;
    Document base_;  // as it was last read from or written to disk
    std::shared_ptr<const Problems> problems_ = std::make_shared<const Problems>();
    std::optional<ProjectFolder::Theirs> reviewed_;
    std::optional<ProjectFolder::Unsaved> recovery_;
    QTimer lookTimer_;
};

}  // namespace gorsefinch::app
