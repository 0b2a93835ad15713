// SPDX-License-Identifier: GPL-3.0-or-later
#include "core/base/file_writer.h"

#include <cerrno>

namespace gorsefinch {

namespace {

constexpr size_t kPiece = size_t{1} << 20;
constexpr const char* kWriterRemedy = "Check that the folder can be written to and the disk has room";

}  // namespace

Result<FileWriter> FileWriter::open(Disk& disk, const std::filesystem::path& path) {
    auto folder = Folder::open(disk, path.parent_path());
    if (!folder)
        return diskFailure(path.string(), folder.error().code, kWriterRemedy);
    const std::string name = path.filename().string();
    if (const auto there = folder->stampOf(name); !isPlainName(name) || (there && there->type != FileStamp::Type::File))
        return failure(path.string(), "", "what is there is not a plain file",
                       "Choose another name; nothing was written");
    const std::string part = Folder::newPartName();
    const int number = disk.open(folder->handle(), part, Disk::Open::Create);
    if (number < 0)
        return diskFailure(path.string(), number, kWriterRemedy);
    return FileWriter(std::move(*folder), name, part, Handle(disk, number));
}

FileWriter::FileWriter(FileWriter&& other) noexcept
    : folder_(std::move(other.folder_)),
      name_(std::move(other.name_)),
      part_(std::exchange(other.part_, {})),
      file_(std::move(other.file_)),
      waiting_(std::move(other.waiting_)),
      state_(std::move(other.state_)) {}

FileWriter::~FileWriter() {
    if (!part_.empty())
        (void)folder_.remove(part_);
}

void FileWriter::append(std::string_view bytes) {
    waiting_ += bytes;
    if (waiting_.size() >= kPiece)
        flush();
}

void FileWriter::flush() {
    size_t done = 0;
    while (state_ && done < waiting_.size()) {
        const long part = folder_.disk().write(file_.number(), waiting_.data() + done, waiting_.size() - done);
        if (part > 0)
            done += static_cast<size_t>(part);
        else if (part != -EINTR)
            state_ = diskFailure(folder_.shown(name_), part == 0 ? ENOSPC : part, kWriterRemedy);
    }
    waiting_.clear();
}

Result<void> FileWriter::finish() {
    flush();
    if (state_)
        if (const int synced = folder_.disk().sync(file_.number()); synced < 0)
            state_ = diskFailure(folder_.shown(name_), synced, kWriterRemedy);
    if (state_)
        if (const int closed = file_.close(); closed < 0)
            state_ = diskFailure(folder_.shown(name_), closed, kWriterRemedy);
    if (state_)
        state_ = folder_.rename(part_, name_);
    if (state_) {
        part_.clear();
        state_ = folder_.sync();
    }
    return state_;
}

}  // namespace gorsefinch
