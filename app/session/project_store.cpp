// SPDX-License-Identifier: GPL-3.0-or-later
#include "app/session/project_store.h"

#include "core/base/files.h"

namespace gorsefinch::app {

namespace {

constexpr int kRetry = 100;  // ms, while the last journal is still being written

QString textOf(const Error& error) { return QString::fromStdString(error.text()); }

}  // namespace

ProjectStore::ProjectStore(QObject* parent) : QObject(parent) {
    journalTimer_.setSingleShot(true);
    connect(&journalTimer_, &QTimer::timeout, this, &ProjectStore::writeJournal);
}

ProjectStore::~ProjectStore() { wait(); }

void ProjectStore::wait() {
    if (journal_.valid())
        journal_.wait();
}

bool ProjectStore::isWriting() const {
    return journal_.valid() && journal_.wait_for(std::chrono::seconds(0)) != std::future_status::ready;
}

void ProjectStore::setAccess(Access access, const QString& reason) {
    access_ = access;
    reason_ = reason;
}

void ProjectStore::own(ProjectFolder& folder, bool takeOver) {
    const auto owner = folder.own(takeOver);
    if (!owner)
        setAccess(Access::NotWritable,
                  tr("the folder can't be written to (%1)").arg(QString::fromStdString(owner.error().reason)));
    else if (*owner)
        setAccess(Access::Locked, tr("%1 has it open").arg(QString::fromStdString((*owner)->text())));
    else
        setAccess(Access::Write, {});
}

Result<ReadProject> ProjectStore::open(const std::filesystem::path& path) {
    wait();
    auto folder = std::make_unique<ProjectFolder>(disk_, path);
    std::error_code code;
    const bool same = folder_ && std::filesystem::equivalent(folder_->path(), path, code);
    const auto former = std::pair(access_, reason_);
    if (same)
        folder_->disown();
    if (folder->holdsProject())
        own(*folder, false);
    ReadProject project = folder->open();
    if (!project.document) {
        folder.reset();
        setAccess(former.first, former.second);
        if (same && mayWrite())
            own(*folder_, false);
        const Problem& problem = project.problems.front();
        return failure(problem.file, problem.place, problem.reason, problem.remedy);
    }
    // Unsaved work belongs to the former project.
    journalTimer_.stop();
    newest_.reset();
    newestSaved_ = true;
    journalFails_ = false;
    folder_ = std::move(folder);
    if (mayWrite())
        if (const auto kept = folder_->keepUnsaved(*project.document); !kept)
            project.problems.push_back(
                {Severity::Warning, kept.error().file, "", kept.error().reason, kept.error().remedy, {}, {}});
    clearOutside();
    Q_EMIT accessChanged();
    return project;
}

Result<void> ProjectStore::save(const Document& document) {
    wait();
    if (!mayWrite())
        return failure(
            path().string(), "",
            access_ == Access::TakenOver ? "the project was taken over from here" : "the project is open read-only",
            "Save it into another folder, or take it over");
    auto saved = folder_->save(document);
    if (!saved && saved.error().code != kChangedOutside)
        checkOwned();
    for (const Problem& each : folder_->takeNotices())
        Q_EMIT failed(QString::fromStdString(each.text()));
    if (saved) {
        journalTimer_.stop();
        newestSaved_ = true;
        journalFails_ = false;
        clearOutside();
    }
    return saved;
}

Result<void> ProjectStore::saveAs(const Document& document, const std::filesystem::path& path) {
    wait();
    auto folder = std::make_unique<ProjectFolder>(disk_, path);
    if (folder->holdsProject())
        return failure(path.string(), "", "there is a project already", "Choose another folder");
    if (auto owned = folder->waitToOwn(0); !owned)
        return owned;
    if (auto saved = folder->save(document); !saved)
        return saved;
    journalTimer_.stop();
    if (folder_)
        folder_->dropJournal();
    folder_ = std::move(folder);
    setAccess(Access::Write, {});
    clearOutside();
    Q_EMIT accessChanged();
    return {};
}

Result<void> ProjectStore::takeOver(const Document& opened) {
    wait();
    own(*folder_, true);
    if (mayWrite())
        if (const auto kept = folder_->keepUnsaved(opened); !kept)
            Q_EMIT failed(textOf(kept.error()));
    Q_EMIT accessChanged();
    return mayWrite() ? Result<void>()
                      : failure(path().string(), "", reason_.toStdString(), "Check that you may write there");
}

void ProjectStore::keep(const Document& document, bool saved) {
    newest_ = document;
    newestSaved_ = saved;
    // The timer is not restarted by each edit: then nothing would be kept during continuous editing.
    if (!journalTimer_.isActive())
        journalTimer_.start(kJournalDelay);
}

Result<void> ProjectStore::keepNow(const Document& document) {
    wait();
    return folder_->writeJournal(document);
}

// A document is a value: it is written in another thread while the user edits the next one.
void ProjectStore::writeJournal() {
    if (isWriting()) {
        journalTimer_.start(kRetry);
        return;
    }
    if (!newest_ || !folder_)
        return;
    checkOwned();
    if (!mayWrite())
        return;
    if (newestSaved_) {
        folder_->dropJournal();
        return;
    }
    journal_ = std::async(std::launch::async, [this, folder = folder_.get(), now = *newest_] {
        auto done = folder->writeJournal(now);
        QMetaObject::invokeMethod(
            this, [this, done = std::move(done)] { journalDone(done); }, Qt::QueuedConnection);
    });
}

void ProjectStore::journalDone(const Result<void>& done) {
    if (done) {
        journalFails_ = false;
        return;
    }
    if (!std::exchange(journalFails_, true))
        Q_EMIT failed(tr("Unsaved work can't be kept against a crash: %1").arg(textOf(done.error())));
    checkOwned();
}

// Another process may take the project over at any time. If the folder was deleted, nobody has it: the next save
// creates it again.
void ProjectStore::checkOwned() {
    if (!mayWrite() || folder_->isOwned())
        return;
    const auto owner = folder_->own(false);
    if (!owner || !*owner)
        return;
    setAccess(Access::TakenOver, tr("%1 took it over").arg(QString::fromStdString((*owner)->text())));
    Q_EMIT accessChanged();
}

void ProjectStore::forgetUnsaved() {
    wait();
    journalTimer_.stop();
    newest_.reset();
    if (folder_)
        folder_->dropJournal();
}

// Changes are reported on the second look: the window may be reading a changed picture just now, and a program may be
// about to change more files.
void ProjectStore::checkOutside(const Document& document, bool atOnce) {
    if (!folder_ || (!atOnce && isWriting()))
        return;
    wait();
    checkOwned();
    QStringList now;
    for (const std::string& each : folder_->changedOutside(document))
        now << QString::fromStdString(each);
    const bool reports = atOnce || now == seenOnce_;
    seenOnce_ = now;
    if (reports && now != outside_) {
        outside_ = now;
        Q_EMIT outsideChanged();
    }
}

ProjectFolder::Theirs ProjectStore::readTheirs() {
    wait();
    return folder_->readTheirs();
}

void ProjectStore::markSeen(const ProjectFolder::Theirs& theirs) {
    wait();
    folder_->markSeen(theirs);
    clearOutside();
}

void ProjectStore::clearOutside() {
    outside_.clear();
    seenOnce_.clear();
    Q_EMIT outsideChanged();
}

}  // namespace gorsefinch::app
