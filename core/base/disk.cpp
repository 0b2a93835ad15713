// SPDX-License-Identifier: GPL-3.0-or-later
#include "core/base/disk.h"

#include <dirent.h>
#include <fcntl.h>
#include <sys/file.h>
#include <sys/stat.h>
#include <unistd.h>

#include <cerrno>
#include <cstdio>
#include <string_view>

namespace gorsefinch {

namespace {

int64_t nanoseconds(const timespec& time) { return int64_t{time.tv_sec} * 1000000000 + time.tv_nsec; }

int orError(int result) { return result < 0 ? -errno : result; }

FileStamp stampFrom(const struct stat& status) {
    FileStamp out;
    out.type = S_ISREG(status.st_mode)   ? FileStamp::Type::File
               : S_ISDIR(status.st_mode) ? FileStamp::Type::Folder
               : S_ISLNK(status.st_mode) ? FileStamp::Type::Link
                                         : FileStamp::Type::Other;
    out.device = status.st_dev;
    out.inode = status.st_ino;
    out.bytes = static_cast<uint64_t>(status.st_size);
    out.modified = nanoseconds(status.st_mtim);
    out.changed = nanoseconds(status.st_ctim);
    out.mode = status.st_mode & 0777;
    return out;
}

}  // namespace

int Disk::openPath(const std::string& path) {
    return orError(::open(path.empty() ? "." : path.c_str(), O_RDONLY | O_DIRECTORY | O_CLOEXEC));
}

int Disk::openFolder(int folder, const std::string& name) {
    return orError(::openat(folder, name.c_str(), O_RDONLY | O_DIRECTORY | O_NOFOLLOW | O_CLOEXEC));
}

int Disk::makeFolder(int folder, const std::string& name) { return orError(::mkdirat(folder, name.c_str(), 0777)); }

int Disk::open(int folder, const std::string& name, Open how) {
    const int flags = how == Open::Read     ? O_RDONLY | O_NONBLOCK
                      : how == Open::Create ? O_WRONLY | O_CREAT | O_EXCL
                                            : O_RDWR | O_CREAT | O_NONBLOCK;
    return orError(::openat(folder, name.c_str(), flags | O_NOFOLLOW | O_CLOEXEC | O_NOCTTY, 0666));
}

int Disk::close(int handle) { return orError(::close(handle)); }

long Disk::read(int handle, char* to, size_t bytes) {
    const ssize_t done = ::read(handle, to, bytes);
    return done < 0 ? -errno : done;
}

long Disk::write(int handle, const char* from, size_t bytes) {
    const ssize_t done = ::write(handle, from, bytes);
    return done < 0 ? -errno : done;
}

int Disk::sync(int handle) { return orError(::fsync(handle)); }

int Disk::setMode(int handle, unsigned mode) { return orError(::fchmod(handle, mode)); }

int Disk::stamp(int handle, FileStamp& out) {
    struct stat status {};
    if (::fstat(handle, &status) != 0)
        return -errno;
    out = stampFrom(status);
    return 0;
}

int Disk::stampOf(int folder, const std::string& name, FileStamp& out) {
    struct stat status {};
    if (::fstatat(folder, name.c_str(), &status, AT_SYMLINK_NOFOLLOW) != 0)
        return -errno;
    out = stampFrom(status);
    return 0;
}

int Disk::rename(int folder, const std::string& from, const std::string& to, Move how) {
    const unsigned flags = how == Move::Replace ? 0 : how == Move::Exchange ? RENAME_EXCHANGE : RENAME_NOREPLACE;
    return orError(::renameat2(folder, from.c_str(), folder, to.c_str(), flags));
}

int Disk::remove(int folder, const std::string& name) { return orError(::unlinkat(folder, name.c_str(), 0)); }

int Disk::list(int folder, std::vector<std::string>& names) {
    // A handle of its own, as reading moves it.
    const int own = ::openat(folder, ".", O_RDONLY | O_DIRECTORY | O_CLOEXEC);
    if (own < 0)
        return -errno;
    DIR* stream = ::fdopendir(own);
    if (!stream) {
        const int error = -errno;
        ::close(own);
        return error;
    }
    errno = 0;
    while (const dirent* entry = ::readdir(stream)) {
        const std::string_view name = entry->d_name;
        if (name != "." && name != "..")
            names.emplace_back(name);
        errno = 0;
    }
    const int error = -errno;
    ::closedir(stream);
    return error;
}

int Disk::lock(int handle) { return orError(::flock(handle, LOCK_EX | LOCK_NB)); }

}  // namespace gorsefinch
