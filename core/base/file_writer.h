// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include <string>

#include "core/base/folder.h"

namespace gorsefinch {

// Writes a file of any length piece by piece. It appears under its name only when finish() succeeds.
class FileWriter {
  public:
    // The disk must outlive it. An error if the file cannot be created, or would replace something other than a plain
    // file.
    static Result<FileWriter> open(Disk& disk, const std::filesystem::path& path);
    FileWriter(FileWriter&&) noexcept;
    ~FileWriter();

    // After the first error nothing more is written, and finish() returns that error.
    void append(std::string_view bytes);
    Result<void> finish();

  private:
    FileWriter(Folder folder, std::string name, std::string part, Handle file)
        : folder_(std::move(folder)), name_(std::move(name)), part_(std::move(part)), file_(std::move(file)) {}
    void flush();

    Folder folder_;
    std::string name_, part_;  // part_: the temporary file; "" after it was renamed
    Handle file_;
    std::string waiting_;
    Result<void> state_;
};

}  // namespace gorsefinch
