// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include <memory>
#include <string>

namespace gorsefinch {

// A file's bytes, shared between all that hold them. Null where a file could not be read.
using Bytes = std::shared_ptr<const std::string>;

// Immutable bytes as a value: copies share them, comparison is by contents. Never null.
class SharedBytes {
  public:
    SharedBytes() : bytes_(std::make_shared<const std::string>()) {}
    SharedBytes(std::string bytes) : bytes_(std::make_shared<const std::string>(std::move(bytes))) {}
    SharedBytes(const char* text) : SharedBytes(std::string(text)) {}
    // Must not be null.
    SharedBytes(Bytes bytes) : bytes_(std::move(bytes)) {}

    const std::string& text() const { return *bytes_; }
    operator const std::string&() const { return *bytes_; }
    const Bytes& shared() const { return bytes_; }
    size_t size() const { return bytes_->size(); }

    friend bool operator==(const SharedBytes& a, const SharedBytes& b) { return a.bytes_ == b.bytes_ || *a.bytes_ == *b.bytes_; }

  private:
    Bytes bytes_;
};

}  // namespace gorsefinch
