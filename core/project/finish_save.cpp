// SPDX-License-Identifier: GPL-3.0-or-later
// Carrying out the record of a save: as the last part of the save itself, or after a fault.
#include <algorithm>
#include <cerrno>
#include <chrono>

#include "core/base/hash.h"
#include "core/project/open_folders.h"
#include "core/project/pending_save.h"

namespace gorsefinch {

// Swaps the new file with the old one instead of replacing it, so that settleFormer() can see whether another program
// wrote it at the last moment.
Result<void> ProjectFolder::moveIntoPlace(OpenFolders& folders, const SaveRecord::Move& move) {
    const auto folder = folders.folderOf(move.to);
    if (!folder)
        return tl::unexpected(folder.error());
    const std::string name = OpenFolders::nameOf(move.to);
    auto moved = (*folder)->rename(move.part, name, Disk::Move::Exchange);
    if (!moved && moved.error().code == ENOENT)
        moved = (*folder)->rename(move.part, name, Disk::Move::New);
    if (moved || (moved.error().code != EINVAL && moved.error().code != ENOSYS))
        return moved;
    // Without an exchange an unknown file is set aside first.
    if (const auto there = (*folder)->read(name, kMaxProjectFile);
        there && sha256(there->bytes) != move.was && sha256(there->bytes) != move.sha256)
        if (auto kept = keepTheirs(**folder, name, name); !kept)
            return kept;
    return (*folder)->rename(move.part, name);
}

Result<void> ProjectFolder::moveOutOfPlace(OpenFolders& folders, const SaveRecord::Removal& removal) {
    const auto folder = folders.folderOf(removal.file);
    if (!folder)
        return {};
    const std::string name = OpenFolders::nameOf(removal.file);
    const auto there = (*folder)->read(name, kMaxProjectFile);
    if (!there || sha256(there->bytes) != removal.sha256)
        return {};
    saved_.files.erase(removal.file);
    return (*folder)->rename(name, removal.part);
}

// Deletes the former contents of a file if they are known; otherwise another program wrote them, and they are kept.
Result<void> ProjectFolder::settleFormer(OpenFolders& folders, const std::string& file, const std::string& part,
                                         const std::vector<std::string>& known) {
    const auto folder = folders.folderOf(file);
    if (!folder)
        return {};
    const auto former = (*folder)->read(part, kMaxProjectFile);
    if (!former)
        return former.error().code == ENOENT ? Result<void>() : tl::unexpected(former.error());
    const bool isKnown = std::find(known.begin(), known.end(), sha256(former->bytes)) != known.end();
    return isKnown ? (*folder)->remove(part) : keepTheirs(**folder, part, OpenFolders::nameOf(file));
}

// Keeps a file that another program wrote during a save under a name of its own, and reports it.
Result<void> ProjectFolder::keepTheirs(const Folder& folder, const std::string& from, const std::string& name) {
    int number = 1;
    while (folder.stampOf(name + ".theirs-" + std::to_string(number)))
        ++number;
    const std::string kept = name + ".theirs-" + std::to_string(number);
    notices_.push_back({Severity::Warning,
                        folder.shown(name),
                        "",
                        "another program wrote it during the save; that version was kept as " + kept,
                        "Compare the two files",
                        {},
                        {}});
    return folder.rename(from, kept);
}

// A refused record is renamed, which makes room for the next save's.
Result<void> ProjectFolder::finishSave(OpenFolders& folders) {
    const auto pending = pendingSave(folders);
    if (!pending) {
        if (pending.error().code == kRefused)
            if (const auto kept = setAside(folders.root(), kSaveRecord, kRefusedRecord); !kept)
                return tl::unexpected(kept.error());
        return tl::unexpected(pending.error());
    }
    if (!*pending)
        return {};
    const SaveRecord& record = (*pending)->record;
    for (const SaveRecord::Move& each : record.moves)
        if ((*pending)->waiting.count(each.to) != 0)
            if (auto moved = moveIntoPlace(folders, each); !moved)
                return moved;
    for (const SaveRecord::Removal& each : record.removals)
        if (auto moved = moveOutOfPlace(folders, each); !moved)
            return moved;
    // The former files may be deleted only once the new ones are sure to be on disk.
    if (auto synced = folders.sync(); !synced)
        return synced;
    for (const SaveRecord::Move& each : record.moves)
        if (auto settled = settleFormer(folders, each.to, each.part, {each.was, each.sha256}); !settled)
            return settled;
    for (const SaveRecord::Removal& each : record.removals)
        if (auto settled = settleFormer(folders, each.file, each.part, {each.sha256}); !settled)
            return settled;
    // The record may be deleted only once all of this is on disk.
    if (auto synced = folders.sync(); !synced)
        return synced;
    ContentPool originals;
    for (const SaveRecord::Move& each : record.moves)
        if (auto file = folders.read(each.to, kMaxProjectFile))
            saved_.files[each.to] = {kept(each.to, std::move(file->bytes), originals), trusted(file->stamp)};
    if (auto removed = folders.root().remove(kSaveRecord); !removed)
        return removed;
    return folders.root().sync();
}

// Renames a file to the prefix `as` and the first free number; returns the new name.
Result<std::string> ProjectFolder::setAside(const Folder& root, const std::string& name, const std::string& as) const {
    int number = 1;
    while (root.stampOf(as + std::to_string(number)))
        ++number;
    std::string kept = as + std::to_string(number);
    return root.rename(name, kept).map([&] { return kept; });
}

// Deletes temporary files that a killed process left. Those of other programs' exports may be in use, unless they are
// old. After a refused record nothing is deleted: the files may be all that is left of a save.
void ProjectFolder::removeLeftovers(OpenFolders& folders) const {
    constexpr int64_t hour = int64_t{3600} * 1000000000;
    const int64_t now =
        std::chrono::duration_cast<std::chrono::nanoseconds>(std::chrono::system_clock::now().time_since_epoch())
            .count();
    const auto inRoot = folders.root().list();
    if (!inRoot ||
        std::any_of(inRoot->begin(), inRoot->end(), [](const auto& name) { return name.starts_with(kRefusedRecord); }))
        return;
    std::vector<const Folder*> all{&folders.root()};
    for (const char* name : kProjectFolders)
        if (const auto folder = folders.folderOf(std::string(name) + "/"))
            all.push_back(*folder);
    for (const Folder* folder : all) {
        const auto names = folder->list();
        for (const std::string& each : names ? *names : std::vector<std::string>()) {
            const auto stamp = isSavePart(each) || Folder::isPart(each) ? folder->stampOf(each) : std::nullopt;
            if (stamp && stamp->type == FileStamp::Type::File && (isSavePart(each) || stamp->modified < now - hour))
                (void)folder->remove(each);
        }
    }
}

}  // namespace gorsefinch
