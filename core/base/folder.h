// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include <filesystem>
#include <optional>
#include <string>
#include <vector>

#include "core/base/disk.h"
#include "core/base/result.h"

namespace gorsefinch {

// A handle of a disk, closed at the end.
class Handle {
  public:
    Handle() = default;
    Handle(Disk& disk, int number) : disk_(&disk), number_(number) {}
    Handle(Handle&& other) noexcept : disk_(other.disk_), number_(std::exchange(other.number_, -1)) {}
    Handle& operator=(Handle&& other) noexcept;
    ~Handle() { (void)close(); }

    int number() const { return number_; }
    bool isOpen() const { return number_ >= 0; }
    // What closing tells: a file that was written may fail only now.
    int close();

  private:
    Disk* disk_ = nullptr;
    int number_ = -1;
};

// True for the name of something directly in a folder: not empty, no separators, not "." or "..".
bool isPlainName(std::string_view name);

// A folder that is held open: all that is done in it stays in it, whatever its path leads to meanwhile. Names are plain;
// another name, and a link, is an error. The disk must outlive it. Errors name the path as it was given, and carry the
// system's number in `code`.
class Folder {
  public:
    // A folder as the user named it. The second one makes it and those above it, if they aren't there.
    static Result<Folder> open(Disk& disk, const std::filesystem::path& path);
    static Result<Folder> make(Disk& disk, const std::filesystem::path& path);

    // A folder in it.
    Result<Folder> inner(const std::string& name) const;
    Result<Folder> makeInner(const std::string& name) const;

    struct File {
        std::string bytes;
        FileStamp stamp;
    };
    // A plain file of at most `maxBytes`; pipes, devices and links are refused without waiting for them.
    Result<File> read(const std::string& name, size_t maxBytes) const;
    // Nothing if there is no such name.
    std::optional<FileStamp> stampOf(const std::string& name) const;
    // All names, sorted.
    Result<std::vector<std::string>> list() const;

    // Writes a new file under a name that nobody has, which begins with `prefix`, and syncs it; returns the name. Takes
    // the permissions of `like`, if that is there. Leaves nothing behind when it fails.
    Result<std::string> writeNew(const std::string& prefix, const std::string& bytes, const std::string& like = {}) const;
    // In one step, see Disk.
    Result<void> rename(const std::string& from, const std::string& to, Disk::Move how = Disk::Move::Replace) const;
    // No error if it isn't there.
    Result<void> remove(const std::string& name) const;
    // Makes names that came, went or changed last over a loss of power.
    Result<void> sync() const;
    // Writes beside the file, syncs, renames, syncs: the old one stays whole if anything fails. What is there must be a
    // plain file.
    Result<void> replace(const std::string& name, const std::string& bytes) const;

    // Names of files that are to take another's place: a new one that nobody has, and whether a name is such a one.
    static std::string newPartName();
    static bool isPart(const std::string& name);

    Disk& disk() const { return *disk_; }
    int handle() const { return handle_.number(); }
    const std::filesystem::path& path() const { return path_; }
    // The path of a name in it, for messages.
    std::string shown(const std::string& name) const { return (path_ / name).string(); }

  private:
    Folder(Disk& disk, int handle, std::filesystem::path path) : disk_(&disk), handle_(disk, handle), path_(std::move(path)) {}
    std::optional<tl::unexpected<Error>> refusedName(const std::string& name) const;
    Result<void> writeAll(const std::string& name, const std::string& bytes, const std::string& like) const;

    Disk* disk_;
    Handle handle_;
    std::filesystem::path path_;
};

// The error of a call that failed with the system's number (positive or negative), in words that a user knows.
tl::unexpected<Error> diskFailure(const std::string& path, long code, const char* remedy);

// `bytes` random bytes in hex: for names that nobody has.
std::string randomHex(size_t bytes);

}  // namespace gorsefinch
