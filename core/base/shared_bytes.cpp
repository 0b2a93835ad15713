// SPDX-License-Identifier: GPL-3.0-or-later
#include "core/base/shared_bytes.h"

#include <fcntl.h>
#include <sys/mman.h>
#include <unistd.h>

#include <algorithm>
#include <cerrno>
#include <cstdlib>

namespace gorsefinch {

namespace {

// Returns a handle of a new file without a name, or -1. /var/tmp comes before /tmp, which is often in memory.
int unnamedFile() {
    const char* const chosen = std::getenv("TMPDIR");
    for (const char* folder : {chosen, "/var/tmp", "/tmp"})
        if (folder && *folder != '\0')
            if (const int handle = ::open(folder, O_TMPFILE | O_RDWR | O_CLOEXEC, 0600); handle >= 0)
                return handle;
    return -1;
}

bool writeAll(int handle, std::string_view bytes) {
    while (!bytes.empty()) {
        const ssize_t written = ::write(handle, bytes.data(), bytes.size());
        if (written < 0 && errno == EINTR)
            continue;
        if (written <= 0)
            return false;
        bytes.remove_prefix(static_cast<size_t>(written));
    }
    return true;
}

}  // namespace

Bytes FileContents::mapped(std::string bytes) {
    const int handle = bytes.size() >= kMinMapped ? unnamedFile() : -1;
    void* mapping = MAP_FAILED;
    if (handle >= 0 && writeAll(handle, bytes))
        mapping = ::mmap(nullptr, bytes.size(), PROT_READ, MAP_PRIVATE, handle, 0);
    if (handle >= 0)
        ::close(handle);
    if (mapping == MAP_FAILED)
        return std::make_shared<const FileContents>(std::move(bytes));
    return Bytes(new FileContents(mapping, bytes.size(), hashOf(bytes)));
}

FileContents::~FileContents() {
    if (mapping_)
        ::munmap(mapping_, text_.size());
}

void FileContents::unload() const {
    if (mapping_)
        ::madvise(mapping_, text_.size(), MADV_DONTNEED);
}

const Bytes& SharedBytes::nothing() {
    static const Bytes empty = std::make_shared<const FileContents>(std::string());
    return empty;
}

Bytes ContentPool::keep(std::string text) {
    const Bytes known = find(text, FileContents::hashOf(text));
    return known ? known : add(FileContents::mapped(std::move(text)));
}

Bytes ContentPool::keep(const Bytes& bytes) {
    const Bytes known = find(*bytes, bytes->hash());
    return known ? known : add(bytes);
}

Bytes ContentPool::find(std::string_view text, size_t hash) const {
    const auto [first, last] = byHash_.equal_range(hash);
    const auto same = std::find_if(first, last, [&](const auto& each) {
        return each.second->text().data() == text.data() || each.second->text() == text;
    });
    return same == last ? nullptr : same->second;
}

Bytes ContentPool::add(const Bytes& bytes) {
    bytes_ += bytes->size();
    byHash_.emplace(bytes->hash(), bytes);
    return bytes;
}

}  // namespace gorsefinch
