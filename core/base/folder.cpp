// SPDX-License-Identifier: GPL-3.0-or-later
#include "core/base/folder.h"

#include <algorithm>
#include <cerrno>
#include <cstdlib>
#include <cstring>
#include <random>

namespace gorsefinch {

namespace {

constexpr const char* kWritable = "Check that the folder can be written to and the disk has room";
constexpr const char* kPart = ".gorsefinch-part-";
constexpr const char* kReadable = "Check the name, and that you may read it";

}  // namespace

tl::unexpected<Error> diskFailure(const std::string& path, long code, const char* remedy) {
    const int number = static_cast<int>(std::labs(code));
    std::string reason = std::strerror(number);
    if (number == ENOENT)
        reason = "there is no such file";
    else if (number == ELOOP || number == EMLINK)
        reason = "it is a link, and links are not followed";
    else if (number == ENOTDIR)
        reason = "it is no folder, or a link";
    else if (number == ENOSPC || number == EDQUOT)
        reason = "the disk is full";
    else if (number == EACCES || number == EPERM)
        reason = "permission denied";
    else if (number == EROFS)
        reason = "the disk is read-only";
    return tl::unexpected(Error{path, "", reason, remedy, number});
}

std::string randomHex(size_t bytes) {
    std::random_device random;
    std::string out;
    while (out.size() < bytes * 2) {
        const unsigned part = random();
        for (int shift = 0; shift < 32 && out.size() < bytes * 2; shift += 4)
            out += "0123456789abcdef"[part >> shift & 15];
    }
    return out;
}

Handle& Handle::operator=(Handle&& other) noexcept {
    if (this != &other) {
        (void)close();
        disk_ = other.disk_;
        number_ = std::exchange(other.number_, -1);
    }
    return *this;
}

int Handle::close() { return number_ >= 0 ? disk_->close(std::exchange(number_, -1)) : 0; }

bool isPlainName(std::string_view name) {
    return !name.empty() && name.size() <= 255 && name != "." && name != ".." &&
           name.find('/') == std::string_view::npos && name.find('\0') == std::string_view::npos;
}

Result<Folder> Folder::open(Disk& disk, const std::filesystem::path& path) {
    const int handle = disk.openPath(path.string());
    if (handle == -ENOENT)
        return tl::unexpected(Error{path.string(), "", "there is no such folder", "Check the name", ENOENT});
    if (handle < 0)
        return diskFailure(path.string(), handle, "Check the name of the folder, and that you may read it");
    return Folder(disk, handle, path);
}

Result<Folder> Folder::make(Disk& disk, const std::filesystem::path& path) {
    auto there = open(disk, path);
    if (there || there.error().code != ENOENT)
        return there;
    const std::filesystem::path whole = path.has_filename() ? path : path.parent_path();
    if (!whole.has_filename() || whole.filename() == ".." || whole.filename() == ".")
        return there;
    const auto above = make(disk, whole.parent_path());
    if (!above)
        return tl::unexpected(above.error());
    const auto made = above->makeInner(whole.filename().string());
    if (!made)
        return tl::unexpected(made.error());
    return open(disk, path);
}

std::optional<tl::unexpected<Error>> Folder::refusedName(const std::string& name) const {
    if (isPlainName(name))
        return std::nullopt;
    return failure(shown(name), "", "this is not the name of a file in a folder", "Name it without a folder");
}

Result<Folder> Folder::inner(const std::string& name) const {
    if (auto refused = refusedName(name))
        return *refused;
    const int handle = disk_->openFolder(handle_.number(), name);
    if (handle < 0)
        return diskFailure(shown(name), handle, "Replace a link by a folder");
    return Folder(*disk_, handle, path_ / name);
}

Result<Folder> Folder::makeInner(const std::string& name) const {
    if (auto refused = refusedName(name))
        return *refused;
    auto there = inner(name);
    if (there || there.error().code != ENOENT)
        return there;
    if (const int made = disk_->makeFolder(handle_.number(), name); made < 0 && made != -EEXIST)
        return diskFailure(shown(name), made, kWritable);
    if (const auto synced = sync(); !synced)
        return tl::unexpected(synced.error());
    return inner(name);
}

Result<Folder::File> Folder::read(const std::string& name, size_t maxBytes) const {
    if (auto refused = refusedName(name))
        return *refused;
    const int number = disk_->open(handle_.number(), name, Disk::Open::Read);
    if (number < 0)
        return diskFailure(shown(name), number, kReadable);
    const Handle file(*disk_, number);
    File out;
    if (const int result = disk_->stamp(number, out.stamp); result < 0)
        return diskFailure(shown(name), result, kReadable);
    if (out.stamp.type != FileStamp::Type::File)
        return failure(shown(name), "", "this is not a plain file", "Choose a file");
    if (out.stamp.bytes > maxBytes)
        return failure(shown(name), "", "too large: " + std::to_string(out.stamp.bytes) + " bytes",
                       "At most " + std::to_string(maxBytes) + " bytes are read");
    // One byte more than it says, to see that it did not grow.
    out.bytes.resize(static_cast<size_t>(out.stamp.bytes) + 1);
    size_t done = 0;
    while (done < out.bytes.size()) {
        const long part = disk_->read(number, out.bytes.data() + done, out.bytes.size() - done);
        if (part == -EINTR)
            continue;
        if (part < 0)
            return diskFailure(shown(name), part, kReadable);
        if (part == 0)
            break;
        done += static_cast<size_t>(part);
    }
    if (done != out.stamp.bytes)
        return tl::unexpected(Error{shown(name), "", "it changed while it was read", "Try again", EAGAIN});
    out.bytes.resize(done);
    return out;
}

std::optional<FileStamp> Folder::stampOf(const std::string& name) const {
    FileStamp out;
    if (!isPlainName(name) || disk_->stampOf(handle_.number(), name, out) < 0)
        return std::nullopt;
    return out;
}

Result<std::vector<std::string>> Folder::list() const {
    std::vector<std::string> names;
    if (const int result = disk_->list(handle_.number(), names); result < 0)
        return diskFailure(path_.string(), result, kReadable);
    std::sort(names.begin(), names.end());
    return names;
}

Result<void> Folder::writeAll(const std::string& name, std::string_view bytes, const std::string& like) const {
    const int number = disk_->open(handle_.number(), name, Disk::Open::Create);
    if (number < 0)
        return diskFailure(shown(name), number, kWritable);
    Handle file(*disk_, number);
    if (const auto former = stampOf(like); former && former->type == FileStamp::Type::File)
        (void)disk_->setMode(number, former->mode);
    size_t done = 0;
    while (done < bytes.size()) {
        const long part = disk_->write(number, bytes.data() + done, bytes.size() - done);
        if (part == -EINTR)
            continue;
        if (part <= 0)
            return diskFailure(shown(name), part == 0 ? ENOSPC : part, kWritable);
        done += static_cast<size_t>(part);
    }
    if (const int synced = disk_->sync(number); synced < 0)
        return diskFailure(shown(name), synced, kWritable);
    if (const int closed = file.close(); closed < 0)
        return diskFailure(shown(name), closed, kWritable);
    return {};
}

Result<std::string> Folder::writeNew(const std::string& prefix, std::string_view bytes, const std::string& like) const {
    std::string name = prefix + randomHex(16);
    if (auto written = writeAll(name, bytes, like); !written) {
        if (written.error().code != EEXIST)
            (void)disk_->remove(handle_.number(), name);
        if (!like.empty())
            written.error().file = shown(like);
        return tl::unexpected(written.error());
    }
    return name;
}

Result<void> Folder::rename(const std::string& from, const std::string& to, Disk::Move how) const {
    for (const std::string& each : {from, to})
        if (auto refused = refusedName(each))
            return *refused;
    if (const int done = disk_->rename(handle_.number(), from, to, how); done < 0)
        return diskFailure(shown(to), done, kWritable);
    return {};
}

Result<void> Folder::remove(const std::string& name) const {
    if (auto refused = refusedName(name))
        return *refused;
    const int done = disk_->remove(handle_.number(), name);
    if (done < 0 && done != -ENOENT)
        return diskFailure(shown(name), done, kWritable);
    return {};
}

Result<void> Folder::sync() const {
    const int done = disk_->sync(handle_.number());
    // Some file systems can't sync a folder; they have nothing to sync then.
    if (done < 0 && done != -EINVAL)
        return diskFailure(path_.string(), done, kWritable);
    return {};
}

std::string Folder::newPartName() { return kPart + randomHex(16); }

bool Folder::isPart(const std::string& name) {
    const std::string digits = name.starts_with(kPart) ? name.substr(std::strlen(kPart)) : std::string();
    return digits.size() == 32 && digits.find_first_not_of("0123456789abcdef") == std::string::npos;
}

Result<void> Folder::replace(const std::string& name, std::string_view bytes) const {
    if (auto refused = refusedName(name))
        return *refused;
    if (const auto there = stampOf(name); there && there->type != FileStamp::Type::File)
        return failure(shown(name), "",
                       there->type == FileStamp::Type::Link ? "it is a link, and links are not followed"
                                                            : "what is there is not a plain file",
                       "Remove it, or choose another name; nothing was written");
    const auto beside = writeNew(kPart, bytes, name);
    if (!beside)
        return tl::unexpected(beside.error());
    if (auto renamed = rename(*beside, name); !renamed) {
        (void)remove(*beside);
        return renamed;
    }
    return sync();
}

}  // namespace gorsefinch
