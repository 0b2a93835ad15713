// SPDX-License-Identifier: GPL-3.0-or-later
#include "core/base/files.h"

#include <fcntl.h>
#include <unistd.h>

#include <algorithm>
#include <cerrno>
#include <cstring>
#include <fstream>
#include <system_error>

namespace gorsefinch {

namespace fs = std::filesystem;

namespace {

tl::unexpected<Error> trouble(const fs::path& path, int code, const char* remedy) {
    return failure(path.string(), "", std::strerror(code), remedy);
}

void syncFolder(const fs::path& folder) {
    const int handle = ::open(folder.empty() ? "." : folder.c_str(), O_RDONLY | O_DIRECTORY | O_CLOEXEC);
    if (handle < 0)
        return;
    ::fsync(handle);
    ::close(handle);
}

}  // namespace

Result<std::string> Files::read(const Path& path, size_t most) {
    std::error_code code;
    if (!fs::is_regular_file(path, code))
        return failure(path.string(), "", fs::exists(path, code) ? "not a plain file" : "there is no such file",
                       "Check the name");
    const auto size = fs::file_size(path, code);
    if (code)
        return failure(path.string(), "", code.message(), "Check that you may read it");
    if (size > most)
        return failure(path.string(), "", "too large: " + std::to_string(size) + " bytes",
                       "The most is " + std::to_string(most) + " bytes");
    std::ifstream in(path, std::ios::binary);
    std::string bytes(static_cast<size_t>(size), '\0');
    if (!in.read(bytes.data(), static_cast<std::streamsize>(size)))
        return failure(path.string(), "", "it could not be read", "Check that you may read it");
    return bytes;
}

Result<void> Files::write(const Path& path, const std::string& bytes) {
    constexpr const char* remedy = "Check that the folder can be written to and the disk has room";
    const int handle = ::open(path.c_str(), O_WRONLY | O_CREAT | O_TRUNC | O_CLOEXEC | O_NOFOLLOW, 0644);
    if (handle < 0)
        return trouble(path, errno, remedy);
    size_t done = 0;
    while (done < bytes.size()) {
        const ssize_t part = ::write(handle, bytes.data() + done, bytes.size() - done);
        if (part < 0 && errno == EINTR)
            continue;
        if (part < 0) {
            const int code = errno;
            ::close(handle);
            return trouble(path, code, remedy);
        }
        done += static_cast<size_t>(part);
    }
    const bool synced = ::fsync(handle) == 0;
    const int code = errno;
    if (::close(handle) != 0 || !synced)
        return trouble(path, synced ? errno : code, remedy);
    return {};
}

Result<void> Files::rename(const Path& from, const Path& to) {
    if (::rename(from.c_str(), to.c_str()) != 0)
        return trouble(to, errno, "Check that the folder can be written to");
    syncFolder(to.parent_path());
    return {};
}

Result<void> Files::remove(const Path& path) {
    std::error_code code;
    fs::remove(path, code);
    if (code)
        return failure(path.string(), "", code.message(), "Check that the folder can be written to");
    return {};
}

Result<void> Files::makeFolder(const Path& path) {
    std::error_code code;
    fs::create_directories(path, code);
    if (code)
        return failure(path.string(), "", code.message(), "Check that the folder above can be written to");
    return {};
}

bool Files::exists(const Path& path) {
    std::error_code code;
    return fs::exists(path, code);
}

bool Files::isLink(const Path& path) {
    std::error_code code;
    return fs::is_symlink(path, code);
}

std::vector<std::string> Files::list(const Path& folder) {
    std::vector<std::string> names;
    std::error_code code;
    for (fs::directory_iterator at(folder, code), end; !code && at != end; at.increment(code))
        if (at->is_regular_file(code))
            names.push_back(at->path().filename().string());
    std::sort(names.begin(), names.end());
    return names;
}

Result<void> writeSafely(Files& files, const Files::Path& path, const std::string& bytes) {
    const Files::Path beside = path.string() + ".new";
    if (const auto written = files.write(beside, bytes); !written) {
        (void)files.remove(beside);
        return written;
    }
    if (const auto renamed = files.rename(beside, path); !renamed) {
        (void)files.remove(beside);
        return renamed;
    }
    return {};
}

}  // namespace gorsefinch
