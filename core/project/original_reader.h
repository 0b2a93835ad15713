// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include <map>

#include "core/project/project_text.h"

namespace gorsefinch {

// Reads the originals of a project. Files that are named several times, and files with equal contents, are kept once;
// all together have at most kMaxOriginals bytes.
class OriginalReader {
  public:
    // `read` must outlive this.
    explicit OriginalReader(const FileReader& read) : read_(read) {}

    // The contents of a file of at most `maxBytes`. The error states if the project's limit is exceeded.
    Result<Bytes> read(const std::string& path, size_t maxBytes);

  private:
    const FileReader& read_;
    std::map<std::string, Bytes> byPath_;
    ContentPool pool_;
};

}  // namespace gorsefinch
