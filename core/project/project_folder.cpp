// SPDX-License-Identifier: GPL-3.0-or-later
#include "core/project/project_folder.h"

#include <algorithm>
#include <cerrno>
#include <chrono>
#include <thread>

#include "core/base/hash.h"
#include "core/document/names.h"
#include "core/project/open_folders.h"
#include "core/project/pending_save.h"

namespace gorsefinch {

namespace {

constexpr int kReadAttempts = 30;  // about 2 s, while another program saves
constexpr int kLockWait = 5000;    // ms

Problem problemOf(const Error& error) {
    return {Severity::Error, error.file, error.place, error.reason, error.remedy, {}, {}};
}

bool isOriginal(const std::string& path) { return path.starts_with("images/") || path.starts_with("fonts/"); }

int64_t nowNs() {
    return std::chrono::duration_cast<std::chrono::nanoseconds>(std::chrono::system_clock::now().time_since_epoch())
        .count();
}

}  // namespace

ProjectFolder::ProjectFolder(Disk& disk, std::filesystem::path folder) : disk_(disk), path_(std::move(folder)) {}

bool ProjectFolder::holdsProject() const {
    const auto root = Folder::open(disk_, path_);
    return root && (root->stampOf(kMainFile) || root->stampOf(kSaveRecord));
}

Result<std::optional<LockOwner>> ProjectFolder::own(bool takeOver) {
    auto attempt = FolderLock::take(disk_, path_, FolderLock::kProject, takeOver);
    if (!attempt)
        return tl::unexpected(attempt.error());
    if (!attempt->lock)
        return attempt->owner;
    if (auto begun = begin(std::move(*attempt->lock)); !begun)
        return tl::unexpected(begun.error());
    return std::nullopt;
}

Result<void> ProjectFolder::waitToOwn(int ms) {
    if (auto made = Folder::make(disk_, path_); !made)
        return tl::unexpected(made.error());
    auto lock = FolderLock::wait(disk_, path_, FolderLock::kProject, ms);
    return lock ? begin(std::move(*lock)) : tl::unexpected(lock.error());
}

Result<void> ProjectFolder::begin(FolderLock lock) {
    lock_ = std::move(lock);
    wasOwned_ = true;
    auto root = Folder::open(disk_, path_);
    if (!root)
        return tl::unexpected(root.error());
    OpenFolders folders(std::move(*root));
    if (const auto finished = finishSave(folders); !finished)
        notices_.push_back(problemOf(finished.error()));
    else
        removeLeftovers(folders);
    return {};
}

ReadProject ProjectFolder::open() {
    Theirs now = readTheirs();
    const Problems notices = takeNotices();
    now.project.problems.insert(now.project.problems.end(), notices.begin(), notices.end());
    markSeen(now);
    return std::move(now.project);
}

void ProjectFolder::markSeen(const Theirs& theirs) {
    noticed_.clear();
    if (theirs.project.document) {
        saved_ = theirs.snapshot;
        damaged_ = theirs.project.damaged;
        return;
    }
    // The unreadable main file is kept as NAME.broken when it is replaced. Other files were not read.
    for (const auto& [path, entry] : theirs.snapshot.files) {
        saved_.files[path] = entry;
        damaged_.push_back(path);
    }
}

// The clock of a file system ticks every few ms: a file that was written just now could be written again without a new
// stamp, so its stamp is not trusted and the file is read again next time.
FileStamp ProjectFolder::trusted(FileStamp stamp) {
    constexpr int64_t tick = 20000000;
    const int64_t age = nowNs() - stamp.changed;
    if (age >= 0 && age < tick)
        stamp.changed = 0;
    return stamp;
}

// What was read before is shared, so that reading the project again takes no memory for what did not change.
SharedBytes ProjectFolder::kept(const std::string& path, std::string bytes, ContentPool& originals) const {
    if (const auto known = saved_.files.find(path); known != saved_.files.end() && known->second.bytes.text() == bytes)
        return known->second.bytes;
    return isOriginal(path) ? SharedBytes(originals.keep(std::move(bytes))) : SharedBytes(std::move(bytes));
}

ProjectFolder::Theirs ProjectFolder::readTheirs() const {
    for (int attempt = 1;; ++attempt) {
        bool settled = true;
        Theirs out = readOnce(settled);
        if (settled || attempt == kReadAttempts) {
            if (!settled)
                out.project.problems.push_back({Severity::Error,
                                                kMainFile,
                                                "",
                                                "another program kept changing the project while it was read",
                                                "Open it again once that has ended",
                                                {},
                                                {}});
            if (!out.project.document)
                for (Problem& problem : out.project.problems)
                    problem.file = (path_ / problem.file).string();
            return out;
        }
        std::this_thread::sleep_for(std::chrono::milliseconds(5 * attempt));
    }
}

// Reads the project, with the files of a pending save in place of those that they will replace. Sets `settled` to false
// if files or the pending save changed meanwhile.
ProjectFolder::Theirs ProjectFolder::readOnce(bool& settled) const {
    Theirs out;
    auto root = Folder::open(disk_, path_);
    if (!root) {
        out.project.problems.push_back(problemOf(root.error()));
        return out;
    }
    OpenFolders folders(std::move(*root));
    const auto pending = pendingSave(folders);
    if (!pending && pending.error().code != kRefused) {
        // The files alone could be a mixture of two saves.
        out.project.problems.push_back(problemOf(pending.error()));
        return out;
    }
    std::vector<std::pair<std::string, FileStamp>> found;
    ContentPool originals;
    const FileReader reader = [&](const std::string& path, size_t maxBytes) -> Result<SharedBytes> {
        auto file = folders.read(path, maxBytes);
        if (file)
            found.emplace_back(path, file->stamp);
        if (pending && *pending)
            if (const auto waiting = (*pending)->waiting.find(path); waiting != (*pending)->waiting.end())
                file = waiting->second;
        if (!file) {
            // A project's problems name files by their path in it.
            file.error().file = path;
            return tl::unexpected(file.error());
        }
        const auto& entry =
            out.snapshot.files[path] = {kept(path, std::move(file->bytes), originals), trusted(file->stamp)};
        return entry.bytes;
    };
    out.project = fromFiles(reader);
    if (!pending)
        out.project.problems.push_back(problemOf(pending.error()));
    const auto text = [](const auto& save) { return save && *save ? (*save)->text : std::string(); };
    const auto after = pendingSave(folders);
    settled = after.has_value() == pending.has_value() && text(after) == text(pending) &&
              std::all_of(found.begin(), found.end(),
                          [&](const auto& each) { return folders.stampOf(each.first) == each.second; });
    // The record of a save that is going on can look incomplete.
    if (!pending && !isOwned() && folders.root().stampOf(FolderLock::kProject))
        settled = false;
    return out;
}

Result<void> ProjectFolder::save(const Document& document) {
    if (lock_.isHeld())
        return saveLocked(document);
    auto folder = Folder::make(disk_, path_);
    if (!folder)
        return tl::unexpected(folder.error());
    auto attempt = wasOwned_ ? FolderLock::take(disk_, path_, FolderLock::kProject)
                             : Result<FolderLock::Attempt>(FolderLock::Attempt{});
    if (!attempt)
        return tl::unexpected(attempt.error());
    if (wasOwned_ && !attempt->lock)
        return failure(path_.string(), "", "the project was taken over by " + attempt->owner.text(),
                       "Save it into another folder, or take it over again");
    if (wasOwned_) {
        // The folder or the lock's file went away and nobody took the project over.
        lock_ = std::move(*attempt->lock);
        return saveLocked(document);
    }
    auto lock = FolderLock::wait(disk_, path_, FolderLock::kProject, kLockWait);
    if (!lock)
        return tl::unexpected(lock.error());
    lock_ = std::move(*lock);
    auto saved = saveLocked(document);
    lock_.release();
    return saved;
}

Result<void> ProjectFolder::saveLocked(const Document& document) {
    auto root = Folder::make(disk_, path_);
    if (!root)
        return tl::unexpected(root.error());
    OpenFolders folders(std::move(*root));
    if (auto finished = finishSave(folders); !finished && finished.error().code != kRefused)
        return finished;
    const ProjectFiles files = toFiles(document);
    const auto changed = filesToWrite(folders, files);
    if (!changed)
        return tl::unexpected(changed.error());
    const std::vector<std::string> gone = filesToRemove(folders, files);
    for (const std::string& path : damaged_)
        if (const auto known = saved_.files.find(path); known != saved_.files.end() && changed->count(path) != 0)
            if (auto kept = (*folders.folderOf(path, true))
                                ->replace(OpenFolders::nameOf(path) + ".broken", known->second.bytes);
                !kept)
                return kept;
    if (!changed->empty() || !gone.empty()) {
        if (auto done = commit(folders, *changed, gone, document.name); !done)
            return done;
        if (auto same = readBack(folders, *changed, gone); !same)
            return same;
    }
    damaged_.clear();
    noticed_.clear();
    dropJournal();
    return {};
}

// Compares with the disk as it is now, not as it was last read.
Result<ProjectFiles> ProjectFolder::filesToWrite(OpenFolders& folders, const ProjectFiles& files) {
    ProjectFiles changed;
    for (const auto& [path, bytes] : files) {
        const auto stamp = folders.stampOf(path);
        const auto known = saved_.files.find(path);
        if (!stamp) {
            changed[path] = bytes;
            continue;
        }
        if (known != saved_.files.end() && known->second.stamp == *stamp) {
            if (!(known->second.bytes == bytes))
                changed[path] = bytes;
            continue;
        }
        auto file = folders.read(path, kMaxProjectFile);
        if (!file)
            return tl::unexpected(file.error());
        if (file->bytes == bytes.text()) {
            saved_.files[path] = {bytes, trusted(file->stamp)};
            continue;
        }
        if (known == saved_.files.end() || file->bytes != known->second.bytes.text()) {
            Error error{(path_ / path).string(), "", "another program changed it since it was last read",
                        "Look at what changed first; nothing was written"};
            error.code = kChangedOutside;
            return tl::unexpected(error);
        }
        changed[path] = bytes;
    }
    return changed;
}

// Files of removed things, unless another program changed them.
std::vector<std::string> ProjectFolder::filesToRemove(OpenFolders& folders, const ProjectFiles& files) const {
    std::vector<std::string> gone;
    for (const auto& [path, entry] : saved_.files) {
        if (files.count(path) != 0 || std::find(damaged_.begin(), damaged_.end(), path) != damaged_.end())
            continue;
        const auto file = folders.read(path, kMaxProjectFile);
        if (file && file->bytes == entry.bytes.text())
            gone.push_back(path);
    }
    return gone;
}

Result<void> ProjectFolder::commit(OpenFolders& folders, const ProjectFiles& changed,
                                   const std::vector<std::string>& gone, const std::string& name) {
    SaveRecord record;
    record.project = name;
    if (const auto main = saved_.files.find(kMainFile); main != saved_.files.end())
        record.formerProject = projectNameIn(main->second.bytes);
    Result<void> result;
    for (const auto& [path, bytes] : changed) {
        const auto folder = folders.folderOf(path, true);
        const auto part =
            folder ? (*folder)->writeNew(kSavePart, bytes, OpenFolders::nameOf(path)) : tl::unexpected(folder.error());
        if (!part) {
            result = tl::unexpected(part.error());
            break;
        }
        const auto known = saved_.files.find(path);
        record.moves.push_back(
            {path, *part, sha256(bytes), known == saved_.files.end() ? std::string() : sha256(known->second.bytes)});
    }
    for (const std::string& path : gone)
        record.removals.push_back({path, kSavePart + randomHex(16), sha256(saved_.files.at(path).bytes)});
    // The record may be written only once the files that it moves are sure to be on disk.
    if (result)
        result = folders.sync();
    if (result)
        result = folders.root().replace(kSaveRecord, saveRecordText(record));
    if (!result && !folders.root().stampOf(kSaveRecord)) {
        for (const SaveRecord::Move& each : record.moves)
            (void)(*folders.folderOf(each.to))->remove(each.part);
        return result;
    }
    if (!result)
        return result;
    return finishSave(folders);
}

Result<void> ProjectFolder::readBack(OpenFolders& folders, const ProjectFiles& changed,
                                     const std::vector<std::string>& gone) {
    for (const auto& [path, bytes] : changed) {
        auto file = folders.read(path, kMaxProjectFile);
        if (!file)
            return tl::unexpected(file.error());
        if (file->bytes != bytes.text())
            return failure((path_ / path).string(), "", "it does not read back as it was written",
                           "Save again, into another folder if need be");
        saved_.files[path] = {bytes, trusted(file->stamp)};
    }
    for (const std::string& path : gone) {
        if (const auto there = folders.read(path, kMaxProjectFile);
            there && there->bytes == saved_.files[path].bytes.text())
            return failure((path_ / path).string(), "", "it could not be removed", "Remove it by hand");
        saved_.files.erase(path);
    }
    return {};
}

std::vector<std::string> ProjectFolder::changedOutside(const Document& document) {
    std::vector<std::string> out;
    auto root = Folder::open(disk_, path_);
    if (!root)
        return out;
    OpenFolders folders(std::move(*root));
    std::optional<ProjectFiles> files;
    for (auto& [path, entry] : saved_.files) {
        const auto stamp = folders.stampOf(path);
        if (stamp == entry.stamp)
            continue;
        const auto before = noticed_.find(path);
        if (before != noticed_.end() && before->second == stamp.value_or(FileStamp{})) {
            out.push_back(path);
            continue;
        }
        auto file = folders.read(path, kMaxProjectFile);
        if (!files)
            files = toFiles(document);
        const auto ours = files->find(path);
        // The same contents as before, or as in the document, are no change.
        const bool asBefore = file && file->bytes == entry.bytes.text();
        if (asBefore || (file && ours != files->end() && file->bytes == ours->second.text())) {
            entry = {asBefore ? entry.bytes : ours->second, trusted(file->stamp)};
            continue;
        }
        if (!file && ours == files->end())
            continue;
        noticed_[path] = stamp.value_or(FileStamp{});
        out.push_back(path);
    }
    return out;
}

std::vector<std::string> ProjectFolder::imageFiles() const {
    std::vector<std::string> out;
    const auto root = Folder::open(disk_, path_);
    const auto images = root ? root->inner("images") : tl::unexpected(root.error());
    const auto names = images ? images->list() : tl::unexpected(images.error());
    if (!names)
        return out;
    for (const std::string& each : *names)
        if (const auto stamp = images->stampOf(each);
            isPlainFileName(each) && stamp && stamp->type == FileStamp::Type::File)
            out.push_back(each);
    return out;
}

Result<SharedBytes> ProjectFolder::readProjectFile(const std::string& file, size_t maxBytes) const {
    if (!isProjectFile(file))
        return failure(file, "", "this is no file of a project", "Choose another");
    auto root = Folder::open(disk_, path_);
    if (!root)
        return tl::unexpected(root.error());
    OpenFolders folders(std::move(*root));
    auto read = folders.read(file, maxBytes);
    if (!read)
        return tl::unexpected(read.error());
    ContentPool originals;
    return kept(file, std::move(read->bytes), originals);
}

}  // namespace gorsefinch
