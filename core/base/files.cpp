// SPDX-License-Identifier: GPL-3.0-or-later
#include "core/base/files.h"

#include <cerrno>

namespace gorsefinch {

namespace {

// A file's own folder and name, with a link at the end of the path followed.
Result<std::pair<Folder, std::string>> placeOf(Disk& disk, std::filesystem::path path) {
    for (int links = 0; links < 20; ++links) {
        auto folder = Folder::open(disk, path.parent_path());
        if (!folder)
            return diskFailure(path.string(), folder.error().code, "Check the name");
        const std::string name = path.filename().string();
        const auto stamp = folder->stampOf(name);
        if (!stamp || stamp->type != FileStamp::Type::Link)
            return std::pair(std::move(*folder), name);
        std::error_code code;
        path = path.parent_path() / std::filesystem::read_symlink(path, code);
        if (code)
            break;
    }
    return diskFailure(path.string(), ELOOP, "Check the name");
}

}  // namespace

Result<std::string> readFile(Disk& disk, const std::filesystem::path& path, size_t maxBytes) {
    const auto place = placeOf(disk, path);
    auto file = place ? place->first.read(place->second, maxBytes) : tl::unexpected(place.error());
    if (!file) {
        file.error().file = path.string();
        return tl::unexpected(file.error());
    }
    return std::move(file->bytes);
}

Result<Bytes> readOriginal(Disk& disk, const std::filesystem::path& path, size_t maxBytes) {
    auto bytes = readFile(disk, path, maxBytes);
    return bytes ? Result<Bytes>(FileContents::mapped(std::move(*bytes))) : tl::unexpected(bytes.error());
}

Result<void> replaceFile(Disk& disk, const std::filesystem::path& path, std::string_view bytes) {
    const auto folder = Folder::open(disk, path.parent_path());
    auto done = folder ? folder->replace(path.filename().string(), bytes) : tl::unexpected(folder.error());
    if (!done)
        done.error().file = path.string();
    return done;
}

bool pathExists(Disk& disk, const std::filesystem::path& path) {
    const std::filesystem::path whole = path.has_filename() ? path : path.parent_path();
    const auto folder = Folder::open(disk, whole.parent_path());
    return folder && folder->stampOf(whole.filename().string());
}

}  // namespace gorsefinch
