// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include <cstddef>
#include <cstdint>
#include <string>
#include <vector>

namespace gorsefinch {

// Identity and state of a file. If two stamps of a name are equal, the file was not written in between, within the
// resolution of the file system's clock.
struct FileStamp {
    enum class Type { File, Folder, Link, Other };
    Type type = Type::Other;
    uint64_t device = 0, inode = 0, bytes = 0;
    int64_t modified = 0, changed = 0;  // ns since 1970
    unsigned mode = 0;                  // permissions

    bool isSameFile(const FileStamp& other) const { return device == other.device && inode == other.inode; }
    friend bool operator==(const FileStamp&, const FileStamp&) = default;
};

// The system calls that this program makes for files, as virtual functions, so that tests can inject faults or use a
// disk in memory. Folders are given by handles and files by plain names in them. Only openPath() follows links. Each
// function returns 0, a handle or a count, or a negative error number.
class Disk {
  public:
    enum class Open {
        Read,    // a file, for reading; a pipe or a device does not block
        Create,  // a new file, for writing: an error if the name is there
        Lock     // a file for lock(), made if it isn't there
    };

    virtual ~Disk() = default;

    // A folder by its path, as the user named it: links in it are followed.
    virtual int openPath(const std::string& path);
    virtual int openFolder(int folder, const std::string& name);
    virtual int makeFolder(int folder, const std::string& name);
    virtual int open(int folder, const std::string& name, Open how);
    virtual int close(int handle);
    virtual long read(int handle, char* to, size_t bytes);
    virtual long write(int handle, const char* from, size_t bytes);
    // Writes a file's contents, or a folder's names, to the medium.
    virtual int sync(int handle);
    virtual int setMode(int handle, unsigned mode);
    virtual int stamp(int handle, FileStamp& out);
    virtual int stampOf(int folder, const std::string& name, FileStamp& out);
    // Each in one step: Replace takes the place of whatever has the name `to`, Exchange swaps the two names (-ENOENT if
    // one isn't there), New is -EEXIST if `to` is there. Some file systems know only Replace: -EINVAL for the others.
    enum class Move { Replace, Exchange, New };
    virtual int rename(int folder, const std::string& from, const std::string& to, Move how = Move::Replace);
    virtual int remove(int folder, const std::string& name);
    virtual int list(int folder, std::vector<std::string>& names);
    // Takes the lock of an open file for this handle until it is closed; -EWOULDBLOCK while another handle has it.
    virtual int lock(int handle);
};

}  // namespace gorsefinch
