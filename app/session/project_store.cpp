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

// Becomes the owner of a folder, or learns why not.
void ProjectStore::own(ProjectFolder& folder, bool takeOver) {
    const auto owner = folder.own(takeOver);
    mayWrite_ = owner && !*owner;
    wasTakenOver_ = false;
    if (!owner)
        whyLook_ = tr("The folder can't be written to: %1").arg(QString::fromStdString(owner.error().reason));
    else if (*owner)
        whyLook_ = tr("%1 has it open").arg(QString::fromStdString((*owner)->text()));
    else
        whyLook_.clear();
}

Result<ReadProject> ProjectStore::open(const std::filesystem::path& path) {
    wait();
    auto folder = std::make_unique<ProjectFolder>(disk_, path);
    std::error_code code;
    const bool same = folder_ && std::filesystem::equivalent(folder_->path(), path, code);
    const bool couldWrite = mayWrite_;
    if (same)
        folder_->disown();
    if (folder->holdsProject())
        own(*folder, false);
    ReadProject project = folder->open();
    if (!project.document) {
        const Problem& problem = project.problems.front();
        folder.reset();
        mayWrite_ = couldWrite;
        if (same && couldWrite)
            own(*folder_, false);
        return failure(problem.file, problem.place, problem.reason, problem.remedy);
    }
    // What is still to be kept belongs to the project that is left, not to the one that comes.
    journalTimer_.stop();
    newest_.reset();
    newestSaved_ = true;
    journalFails_ = false;
    outside_.clear();
    seenOnce_.clear();
    folder_ = std::move(folder);
    if (mayWrite_)
        if (const auto kept = folder_->keepUnsaved(*project.document); !kept)
            project.problems.push_back({Severity::Warning, kept.error().file, "", kept.error().reason, kept.error().remedy, {}, {}});
    Q_EMIT rightsChanged();
    Q_EMIT outsideChanged();
    return project;
}

Result<void> ProjectStore::save(const Document& document) {
    wait();
    if (!mayWrite_)
        return failure(path().string(), "", wasTakenOver_ ? "the project was taken over from here" : "the project is open read-only", "Save it into another folder, or take it over");
    auto saved = folder_->save(document);
    if (!saved && saved.error().code != kChangedOutside)
        checkOwned();
    for (const Problem& each : folder_->takeNotices())
        Q_EMIT failed(QString::fromStdString(each.text()));
    if (saved) {
        journalTimer_.stop();
        newestSaved_ = true;
        journalFails_ = false;
        outside_.clear();
        Q_EMIT outsideChanged();
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
    mayWrite_ = true;
    wasTakenOver_ = false;
    whyLook_.clear();
    outside_.clear();
    Q_EMIT rightsChanged();
    Q_EMIT outsideChanged();
    return {};
}

Result<void> ProjectStore::takeOver() {
    wait();
    own(*folder_, true);
    Q_EMIT rightsChanged();
    return mayWrite_ ? Result<void>() : failure(path().string(), "", whyLook_.toStdString(), "Check that you may write there");
}

void ProjectStore::keep(const Document& document, bool saved) {
    newest_ = document;
    newestSaved_ = saved;
    // Not started anew by each edit: then none would be kept while the user goes on.
    if (!journalTimer_.isActive())
        journalTimer_.start(kJournalDelay);
}

void ProjectStore::keepNow() {
    wait();
    writeJournal();
    wait();
}

// A document is a value: it is written in another thread while the user edits the next one.
void ProjectStore::writeJournal() {
    if (journal_.valid() && journal_.wait_for(std::chrono::seconds(0)) != std::future_status::ready) {
        journalTimer_.start(kRetry);
        return;
    }
    if (!newest_ || !folder_)
        return;
    checkOwned();
    if (!mayWrite_)
        return;
    if (newestSaved_) {
        folder_->dropJournal();
        return;
    }
    journal_ = std::async(std::launch::async, [this, folder = folder_.get(), now = *newest_] {
        auto done = folder->writeJournal(now);
        QMetaObject::invokeMethod(this, [this, done = std::move(done)] { journalDone(done); }, Qt::QueuedConnection);
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

// Another program may take the project over at any time.
void ProjectStore::checkOwned() {
    if (!mayWrite_ || folder_->isOwned())
        return;
    const auto owner = folder_->own(false);
    // Where the folder went away nobody else has it: the next save makes it again, or tells why not.
    if (!owner || !*owner)
        return;
    mayWrite_ = false;
    wasTakenOver_ = true;
    whyLook_ = tr("%1 took it over").arg(QString::fromStdString((*owner)->text()));
    Q_EMIT rightsChanged();
}

void ProjectStore::forgetUnsaved() {
    wait();
    journalTimer_.stop();
    newest_.reset();
    if (folder_)
        folder_->dropJournal();
}

// Told on the second look, unless at once: another part of the window may be taking the change up just now, and a program
// that writes several files is left to end.
void ProjectStore::checkOutside(const Document& document, bool atOnce) {
    if (!folder_ || (!atOnce && journal_.valid() && journal_.wait_for(std::chrono::seconds(0)) != std::future_status::ready))
        return;
    wait();
    checkOwned();
    QStringList now;
    for (const std::string& each : folder_->changedOutside(document))
        now << QString::fromStdString(each);
    const bool tells = atOnce || now == seenOnce_;
    seenOnce_ = now;
    if (tells && now != outside_) {
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
    outside_.clear();
    seenOnce_.clear();
    Q_EMIT outsideChanged();
}

}  // namespace gorsefinch::app
