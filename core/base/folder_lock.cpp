// SPDX-License-Identifier: GPL-3.0-or-later
#include "core/base/folder_lock.h"

#include <unistd.h>

#include <array>
#include <cerrno>
#include <chrono>
#include <ctime>
#include <thread>

#include "core/base/json.h"

namespace gorsefinch {

namespace {

constexpr const char* kLockable = "Check that the folder can be written to and the disk has room";
constexpr size_t kMaxLockFile = 4096;

std::string hostName() {
    std::array<char, 256> name{};
    return ::gethostname(name.data(), name.size() - 1) == 0 ? name.data() : "this computer";
}

std::string ownText() {
    const std::time_t now = std::time(nullptr);
    std::tm utc{};
    ::gmtime_r(&now, &utc);
    std::array<char, 32> since{};
    (void)std::strftime(since.data(), since.size(), "%Y-%m-%d %H:%M", &utc);
    Json out;
    out["gorsefinch_lock"] = 1;
    out["host"] = hostName();
    out["process"] = static_cast<int64_t>(::getpid());
    out["since"] = since.data();
    return dumped(out);
}

// Nothing if the file is none that this program writes.
std::optional<LockOwner> ownerFrom(const std::string& text) {
    const auto json = parseJson("lock file", text, {kMaxLockFile, 4, 20});
    if (!json || !json->is_object() || json->value("gorsefinch_lock", Json()) != 1)
        return std::nullopt;
    const auto host = json->find("host"), process = json->find("process"), since = json->find("since");
    if (host == json->end() || !host->is_string() || process == json->end() || !process->is_number_integer())
        return std::nullopt;
    return LockOwner{host->get<std::string>(), process->get<long>(),
                     since != json->end() && since->is_string() ? since->get<std::string>() : std::string()};
}

LockOwner ownerIn(const Folder& folder, const std::string& name) {
    const auto file = folder.read(name, kMaxLockFile);
    return (file ? ownerFrom(file->bytes) : std::nullopt).value_or(LockOwner{});
}

bool isCurrent(const Folder& folder, const std::string& name, int file) {
    FileStamp own;
    const auto there = folder.stampOf(name);
    return folder.disk().stamp(file, own) == 0 && there && there->isSameFile(own);
}

// A lock file under a temporary name: written and locked before anybody can see it under its own.
Result<std::pair<Handle, std::string>> newLockFile(const Folder& folder, const std::string& shownName) {
    const std::string name = Folder::newPartName();
    const int number = folder.disk().open(folder.handle(), name, Disk::Open::Lock);
    if (number < 0)
        return diskFailure(folder.shown(shownName), number, kLockable);
    Handle file(folder.disk(), number);
    const std::string text = ownText();
    long done = folder.disk().lock(number);
    // A file system without locks still names the owner.
    if (done == -ENOLCK || done == -EOPNOTSUPP)
        done = 0;
    if (done == 0)
        done = folder.disk().write(number, text.data(), text.size());
    if (done != static_cast<long>(text.size())) {
        (void)folder.remove(name);
        return diskFailure(folder.shown(shownName), done < 0 ? done : ENOSPC, kLockable);
    }
    return std::pair(std::move(file), name);
}

}  // namespace

std::string LockOwner::text() const {
    if (host.empty())
        return "another program";
    return "process " + std::to_string(process) + " on " + host + (since.empty() ? "" : " (since " + since + " UTC)");
}

Result<FolderLock::Attempt> FolderLock::take(Disk& disk, const std::filesystem::path& path, const std::string& name,
                                             bool takeOver) {
    auto folder = Folder::open(disk, path);
    if (!folder)
        return tl::unexpected(folder.error());
    for (int attempt = 0; attempt < 10; ++attempt) {
        const int number = disk.open(folder->handle(), name, Disk::Open::Lock);
        if (number < 0)
            return diskFailure(folder->shown(name), number, kLockable);
        const Handle present(disk, number);
        const int locked = disk.lock(number);
        if (locked == -EWOULDBLOCK && !takeOver)
            return Attempt{std::nullopt, ownerIn(*folder, name)};
        if (locked == 0 && !isCurrent(*folder, name, number))
            continue;
        const LockOwner owner = ownerIn(*folder, name);
        if (!takeOver && !owner.host.empty() && owner.host != hostName())
            return Attempt{std::nullopt, owner};
        auto fresh = newLockFile(*folder, name);
        if (!fresh)
            return tl::unexpected(fresh.error());
        if (const auto renamed = folder->rename(fresh->second, name); !renamed) {
            (void)folder->remove(fresh->second);
            return tl::unexpected(renamed.error());
        }
        return Attempt{FolderLock(std::move(*folder), name, std::move(fresh->first)), owner};
    }
    return Attempt{std::nullopt, ownerIn(*folder, name)};
}

Result<FolderLock> FolderLock::wait(Disk& disk, const std::filesystem::path& path, const std::string& name, int ms) {
    using Clock = std::chrono::steady_clock;
    const auto until = Clock::now() + std::chrono::milliseconds(ms);
    for (;;) {
        auto attempt = take(disk, path, name);
        if (!attempt)
            return tl::unexpected(attempt.error());
        if (attempt->lock)
            return std::move(*attempt->lock);
        if (Clock::now() >= until)
            return failure(path.string(), "", "it is in use by " + attempt->owner.text(),
                           "Wait until that has ended; nothing was written");
        std::this_thread::sleep_for(std::chrono::milliseconds(20));
    }
}

FolderLock& FolderLock::operator=(FolderLock&& other) noexcept {
    if (this != &other) {
        release();
        folder_ = std::move(other.folder_);
        other.folder_.reset();
        name_ = std::move(other.name_);
        file_ = std::move(other.file_);
    }
    return *this;
}

bool FolderLock::isHeld() const { return folder_ && file_.isOpen() && isCurrent(*folder_, name_, file_.number()); }

void FolderLock::release() {
    if (isHeld())
        (void)folder_->remove(name_);
    (void)file_.close();
    folder_.reset();
}

}  // namespace gorsefinch
