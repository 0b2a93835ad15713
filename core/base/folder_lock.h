// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include <optional>
#include <string>

#include "core/base/folder.h"

namespace gorsefinch {

// Who holds a folder's lock, as recorded in the lock file.
struct LockOwner {
    std::string host;
    long process = 0;
    std::string since;  // UTC, "2026-03-01 09:30"

    // "process 4711 on bench-pc (since 2026-03-01 09:30 UTC)"
    std::string text() const;
};

// The right to write in a folder, held by one process at a time. The lock file names the owner, and the owner keeps a
// system lock on it. A file without a system lock was left by a crash and is replaced. A file that names another host
// cannot be checked, so it counts as locked.
class FolderLock {
  public:
    // Lock files. A project and generated code may share a folder, so they have different ones.
    static constexpr const char* kProject = ".gorsefinch-lock";
    static constexpr const char* kGeneration = ".gorsefinch-generation-lock";

    FolderLock() = default;
    FolderLock(FolderLock&&) noexcept = default;
    FolderLock& operator=(FolderLock&& other) noexcept;
    ~FolderLock() { release(); }

    struct Attempt;
    // Takes the lock, or returns its owner. `takeOver` takes it from a running owner, whose isHeld() is false from then
    // on.
    static Result<Attempt> take(Disk& disk, const std::filesystem::path& path, const std::string& name,
                                bool takeOver = false);
    // Takes the lock once it is free, waiting up to `ms`; then returns an error that names the owner.
    static Result<FolderLock> wait(Disk& disk, const std::filesystem::path& path, const std::string& name, int ms);

    // False once another process took the lock over, or the folder or the lock file was deleted.
    bool isHeld() const;
    // Does nothing if the lock is not held.
    void release();

  private:
    FolderLock(Folder folder, std::string name, Handle file)
        : folder_(std::move(folder)), name_(std::move(name)), file_(std::move(file)) {}

    std::optional<Folder> folder_;
    std::string name_;
    Handle file_;
};

// The lock, or the owner if another process holds it.
struct FolderLock::Attempt {
    std::optional<FolderLock> lock;
    LockOwner owner;
};

}  // namespace gorsefinch
