// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include <optional>
#include <string>

#include "core/base/folder.h"

namespace gorsefinch {

// Who has a folder's lock, as the lock's file tells.
struct LockOwner {
    std::string host;
    long process = 0;
    std::string since;  // UTC, "2026-03-01 09:30"

    // "process 4711 on bench-pc (since 2026-03-01 09:30 UTC)"
    std::string text() const;
};

// The right to write in a folder, held by one process at a time. The file .gorsefinch-lock names the owner; the system's
// lock on that file tells whether the owner still lives, so one that a crash left is taken over without asking. A file
// that names another host can't be checked and counts as held.
class FolderLock {
  public:
    static constexpr const char* kFile = ".gorsefinch-lock";

    FolderLock() = default;
    FolderLock(FolderLock&&) noexcept = default;
    FolderLock& operator=(FolderLock&& other) noexcept;
    ~FolderLock() { release(); }

    struct Attempt;
    // Takes the lock, or tells who has it. `takeOver` takes it from a living owner, who finds out by isHeld().
    static Result<Attempt> take(Disk& disk, const std::filesystem::path& path, bool takeOver = false);
    // Takes the lock as soon as it is free, within so many ms; after that an error names the owner.
    static Result<FolderLock> wait(Disk& disk, const std::filesystem::path& path, int ms);

    // False once another took it over, or the folder or the lock's file went away.
    bool isHeld() const;
    // Gives the lock back; nothing happens if it is not held.
    void release();

  private:
    FolderLock(Folder folder, Handle file) : folder_(std::move(folder)), file_(std::move(file)) {}

    std::optional<Folder> folder_;
    Handle file_;
};

// A lock, or its owner where another has it.
struct FolderLock::Attempt {
    std::optional<FolderLock> lock;
    LockOwner owner;
};

}  // namespace gorsefinch
