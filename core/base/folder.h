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
    // Returns an error if data written earlier could not be stored.
    int close();

  private:
    Disk* disk_ = nullptr;
    int number_ = -1;
};

// True for the name of something directly in a folder: not empty, no separators, not "." or "..".
bool isPlainName(std::string_view name);

// An open folder. All operations are on plain names inside it, even if its path leads elsewhere meanwhile; other names
// and links are errors. The disk must outlive it. Errors contain the path as it was given, and the system's error
// number.
class Folder {
  public:
    // Opens a folder by its path. make() creates it and its parents if necessary.
    static Result<Folder> open(Disk& disk, const std::filesystem::path& path);
    static Result<Folder> make(Disk& disk, const std::filesystem::path& path);

    // A folder in it.
    Result<Folder> inner(const std::string& name) const;
    Result<Folder> makeInner(const std::string& name) const;

    struct File {
        std::string bytes;
        FileStamp stamp;
    };
    // Reads a plain file of at most `maxBytes`. Pipes, devices and links are errors, without blocking.
    Result<File> read(const std::string& name, size_t maxBytes) const;
    // Nothing if there is no such name.
    std::optional<FileStamp> stampOf(const std::string& name) const;
    // All names, sorted.
    Result<std::vector<std::string>> list() const;

    // Creates and syncs a file with a unique name that begins with `prefix`, with the permissions of the file `like` if
    // that exists. Returns the name. Leaves no file if it fails.
    Result<std::string> writeNew(const std::string& prefix, std::string_view bytes, const std::string& like = {}) const;
    // In one step, see Disk.
    Result<void> rename(const std::string& from, const std::string& to, Disk::Move how = Disk::Move::Replace) const;
    // No error if it isn't there.
    Result<void> remove(const std::string& name) const;
    // Writes created, deleted and renamed names to the medium.
    Result<void> sync() const;
    // Replaces a plain file, or creates one, in one step: if anything fails, the former contents remain.
    Result<void> replace(const std::string& name, std::string_view bytes) const;

    // A new name for a temporary file, and whether a name is one.
    static std::string newPartName();
    static bool isPart(const std::string& name);

    Disk& disk() const { return *disk_; }
    int handle() const { return handle_.number(); }
    const std::filesystem::path& path() const { return path_; }
    // The path of a name in it, for messages.
    std::string shown(const std::string& name) const { return (path_ / name).string(); }

  private:
    Folder(Disk& disk, int handle, std::filesystem::path path)
        : disk_(&disk), handle_(disk, handle), path_(std::move(path)) {}
    std::optional<tl::unexpected<Error>> refusedName(const std::string& name) const;
    Result<void> writeAll(const std::string& name, std::string_view bytes, const std::string& like) const;

    Disk* disk_;
    Handle handle_;
    std::filesystem::path path_;
};

// Makes an error from the system's error number, positive or negative.
tl::unexpected<Error> diskFailure(const std::string& path, long code, const char* remedy);

// Returns `bytes` random bytes in hex, for unique names.
std::string randomHex(size_t bytes);

}  // namespace gorsefinch
