// SPDX-License-Identifier: GPL-3.0-or-later
#include "app/session/saved_project.h"

#include "core/project/project_text.h"

namespace gorsefinch::app {

namespace {

constexpr int kLookInterval = 2000;  // ms between checks for changes of other programs

}  // namespace

SavedProject::SavedProject() {
    lookTimer_.setInterval(kLookInterval);
    connect(&lookTimer_, &QTimer::timeout, this, &SavedProject::lookDue);
}

QString SavedProject::folder() const { return QString::fromStdString(store_.path().string()); }

Result<Document> SavedProject::open(const QString& folder) {
    auto project = store_.open(folder.toStdString());
    if (!project)
        return tl::unexpected(project.error());
    problems_ = std::make_shared<const Problems>(std::move(project->problems));
    base_ = std::move(*project->document);
    lookTimer_.start();
    return base_;
}

Result<void> SavedProject::create(const Document& document, const QString& path) {
    ProjectFolder folder(store_.disk(), path.toStdString());
    if (folder.holdsProject())
        return failure(path.toStdString(), "", "there is a project already", "Choose another folder");
    return folder.save(document);
}

Result<void> SavedProject::save(const Document& document) {
    auto saved = store_.save(document);
    if (!saved)
        return saved;
    base_ = document;
    problems_ = std::make_shared<const Problems>();
    return {};
}

Result<void> SavedProject::saveAs(const Document& document, const QString& folder) {
    auto saved = store_.saveAs(document, folder.toStdString());
    if (saved)
        base_ = document;
    return saved;
}

Result<void> SavedProject::takeOver() {
    auto taken = store_.takeOver(base_);
    if (taken)
        offerRecovery();
    return taken;
}

Result<SavedProject::Review> SavedProject::review(const Document& document) {
    reviewed_ = store_.readTheirs();
    const ReadProject& project = reviewed_->project;
    if (!project.document) {
        const Problem& problem = project.problems.front();
        return failure(problem.file, problem.place, problem.reason, problem.remedy);
    }
    return Review{*project.document, mergeDocuments(base_, document, *project.document)};
}

Result<Document> SavedProject::mergeReviewed(const Document& document,
                                             const std::map<std::string, MergeSide>& choices) const {
    if (!reviewed_ || !reviewed_->project.document)
        return failure(folder().toStdString(), "", "there is nothing to merge", "Review the changes first");
    return mergeDocuments(base_, document, *reviewed_->project.document, choices).document;
}

void SavedProject::acceptReviewed() {
    const auto theirs = std::exchange(reviewed_, std::nullopt);
    if (!theirs || !theirs->project.document)
        return;
    base_ = *theirs->project.document;
    problems_ = std::make_shared<const Problems>(theirs->project.problems);
    store_.markSeen(*theirs);
}

void SavedProject::keepOurs() {
    if (const auto theirs = std::exchange(reviewed_, std::nullopt))
        store_.markSeen(*theirs);
}

bool SavedProject::isAsRead(const Document& document) const { return toFiles(document) == toFiles(base_); }

std::optional<Document> SavedProject::lookOutside(const Document& document, bool unchanged, bool atOnce) {
    store_.checkOutside(document, atOnce);
    if (store_.mayWrite() || !unchanged || store_.outsideChanges().isEmpty())
        return std::nullopt;
    ProjectFolder::Theirs theirs = store_.readTheirs();
    if (!theirs.project.document)
        return std::nullopt;
    base_ = *theirs.project.document;
    problems_ = std::make_shared<const Problems>(theirs.project.problems);
    store_.markSeen(theirs);
    return base_;
}

void SavedProject::offerRecovery() {
    recovery_ = store_.mayWrite() ? store_.latestUnsaved() : std::nullopt;
    if (recovery_)
        Q_EMIT recoveryFound();
}

Result<void> SavedProject::finishRecovery(const Document& document) {
    if (!recovery_)
        return {};
    const std::string file = std::exchange(recovery_, std::nullopt)->file;
    if (auto kept = store_.keepNow(document); !kept)
        return kept;
    store_.dropUnsaved(file);
    offerRecovery();
    return {};
}

void SavedProject::dropRecovery() {
    if (!recovery_)
        return;
    store_.dropUnsaved(std::exchange(recovery_, std::nullopt)->file);
    offerRecovery();
}

}  // namespace gorsefinch::app
