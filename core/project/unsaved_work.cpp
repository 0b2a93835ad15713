// SPDX-License-Identifier: GPL-3.0-or-later
// Unsaved work in a project's folder: the journal, and what crashes left.
#include <algorithm>
#include <cerrno>
#include <cstring>

#include "core/base/characters.h"
#include "core/project/journal_text.h"
#include "core/project/open_folders.h"
#include "core/project/pending_save.h"

namespace gorsefinch {

namespace {

constexpr const char* kJournal = ".gorsefinch-journal";
constexpr const char* kUnsaved = ".gorsefinch-unsaved-";
constexpr const char* kUnreadable = ".gorsefinch-unreadable-";
constexpr size_t kMaxJournal = size_t{1} << 30;
constexpr int kMaxUnsaved = 99999;

// The number behind kUnsaved; nothing for a name that this program doesn't give.
std::optional<int> unsavedNumber(const std::string& name) {
    if (!name.starts_with(kUnsaved))
        return std::nullopt;
    const std::string digits = name.substr(std::strlen(kUnsaved));
    if (digits.size() < 3 || digits.size() > 5 || !std::all_of(digits.begin(), digits.end(), isDigit))
        return std::nullopt;
    return std::stoi(digits);
}

std::string unsavedName(int number) {
    const std::string digits = std::to_string(number);
    return kUnsaved + std::string(digits.size() < 3 ? 3 - digits.size() : 0, '0') + digits;
}

// Numbers of all unsaved work in the folder, the highest first.
std::vector<int> unsavedNumbers(const Folder& root) {
    std::vector<int> out;
    if (const auto names = root.list())
        for (const std::string& each : *names)
            if (const auto number = unsavedNumber(each))
                out.push_back(*number);
    std::sort(out.rbegin(), out.rend());
    return out;
}

}  // namespace

// Files that are as they were saved are left out, or only originals are: those are large, and seldom change.
ProjectFiles ProjectFolder::unsavedFiles(const Document& document, bool all) const {
    ProjectFiles out;
    for (auto& [path, bytes] : toFiles(document)) {
        const auto before = saved_.files.find(path);
        const bool mayLeaveOut = !all || path.starts_with("images/") || path.starts_with("fonts/");
        if (!mayLeaveOut || before == saved_.files.end() || !(before->second.bytes == bytes))
            out.emplace(path, bytes);
    }
    return out;
}

Result<std::optional<Document>> ProjectFolder::unpacked(const std::string& file) const {
    auto root = Folder::open(disk_, path_);
    if (!root)
        return tl::unexpected(root.error());
    OpenFolders folders(std::move(*root));
    const auto text = folders.root().read(file, kMaxJournal);
    if (!text && text.error().code == ENOENT)
        return std::nullopt;
    if (!text)
        return tl::unexpected(text.error());
    auto files = readJournalText(folders.root().shown(file), text->bytes);
    if (!files)
        return tl::unexpected(files.error());
    ContentPool originals;
    const FileReader reader = [&](const std::string& path, size_t maxBytes) -> Result<SharedBytes> {
        if (const auto entry = files->find(path); entry != files->end())
            return entry->second;
        auto there = folders.read(path, maxBytes);
        return there ? Result<SharedBytes>(kept(path, std::move(there->bytes), originals))
                     : tl::unexpected(there.error());
    };
    auto read = fromFiles(reader);
    if (!read.document)
        return failure(folders.root().shown(file), "", "it holds no project", "It is kept as it is");
    return std::move(read.document);
}

Result<void> ProjectFolder::writeJournal(const Document& document) const {
    if (!isOwned())
        return failure(path_.string(), "", "the project was taken over by another window or program",
                       "Save it into another folder, or take it over again");
    if (journalProtected_)
        return failure((path_ / kJournal).string(), "", "it still holds unsaved work of a crash",
                       "Make room on the disk, then open the project again");
    const auto root = Folder::open(disk_, path_);
    return root ? root->replace(kJournal, journalText(unsavedFiles(document, false))) : tl::unexpected(root.error());
}

Result<std::optional<Document>> ProjectFolder::journal() const { return unpacked(kJournal); }

void ProjectFolder::dropJournal() {
    if (!isOwned() || journalProtected_)
        return;
    if (const auto root = Folder::open(disk_, path_))
        (void)root->remove(kJournal);
}

Result<void> ProjectFolder::keepUnsaved(const Document& opened) {
    // Until it is kept elsewhere, nothing may overwrite it.
    journalProtected_ = true;
    auto kept = moveJournal(opened);
    const auto root = Folder::open(disk_, path_);
    journalProtected_ = !root || root->stampOf(kJournal);
    return kept;
}

Result<void> ProjectFolder::moveJournal(const Document& opened) const {
    const auto left = journal();
    const auto root = Folder::open(disk_, path_);
    if (!root)
        return tl::unexpected(root.error());
    // The disk may recover; damaged contents will not.
    if (!left && left.error().code != 0)
        return tl::unexpected(left.error());
    if (!left) {
        const auto kept = setAside(*root, kJournal, kUnreadable);
        if (!kept)
            return tl::unexpected(kept.error());
        Error error = left.error();
        error.remedy = "It is kept as " + *kept + " in the project's folder";
        return tl::unexpected(error);
    }
    if (!*left)
        return {};
    if (toFiles(**left) != toFiles(opened)) {
        const std::vector<int> numbers = unsavedNumbers(*root);
        int number = numbers.empty() ? 1 : numbers.front() + 1;
        if (number > kMaxUnsaved)
            for (number = 1; std::find(numbers.begin(), numbers.end(), number) != numbers.end();)
                ++number;
        if (number > kMaxUnsaved)
            return failure(root->shown(kJournal), "", "there is too much unsaved work",
                           "Restore or drop what is there first");
        if (auto kept = root->replace(unsavedName(number), journalText(unsavedFiles(**left, true))); !kept)
            return kept;
    }
    return root->remove(kJournal);
}

std::optional<ProjectFolder::Unsaved> ProjectFolder::latestUnsaved() const {
    const auto root = Folder::open(disk_, path_);
    if (!root)
        return std::nullopt;
    for (const int number : unsavedNumbers(*root))
        if (auto document = unpacked(unsavedName(number)); document && *document)
            return Unsaved{unsavedName(number), std::move(**document)};
    return std::nullopt;
}

void ProjectFolder::dropUnsaved(const std::string& file) {
    const auto root = Folder::open(disk_, path_);
    if (root && unsavedNumber(file))
        (void)root->remove(file);
}

}  // namespace gorsefinch
