// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include <memory>
#include <string>
#include <string_view>
#include <unordered_map>

namespace gorsefinch {

// Immutable bytes, in memory or mapped.
class FileContents {
  public:
    explicit FileContents(std::string bytes) : memory_(std::move(bytes)), text_(memory_) {}
    // Moves at least kMinMapped bytes into an unnamed file of the temporary folder and maps it, so that the system can
    // reclaim their memory. No other program can truncate or delete that file. If the file cannot be written, the bytes
    // stay in memory.
    static std::shared_ptr<const FileContents> mapped(std::string bytes);
    static constexpr size_t kMinMapped = 64 * 1024;

    FileContents(const FileContents&) = delete;
    FileContents& operator=(const FileContents&) = delete;
    ~FileContents();

    std::string_view text() const { return text_; }
    operator std::string_view() const { return text_; }
    size_t size() const { return text_.size(); }
    bool isMapped() const { return mapping_ != nullptr; }
    // Takes mapped bytes out of the process's memory until they are used again. Does nothing to others.
    void unload() const;

    static size_t hashOf(std::string_view text) { return std::hash<std::string_view>()(text); }
    size_t hash() const { return mapping_ ? hash_ : hashOf(text_); }

  private:
    FileContents(void* mapping, size_t bytes, size_t hash)
        : mapping_(mapping), text_(static_cast<const char*>(mapping), bytes), hash_(hash) {}

    std::string memory_;
    void* mapping_ = nullptr;
    std::string_view text_;
    size_t hash_ = 0;  // of mapped bytes, so that comparing them need not load them
};

// A file's bytes, shared between all that use them. Null where a file could not be read.
using Bytes = std::shared_ptr<const FileContents>;

// Immutable bytes as a value: copies share them, comparison is by contents. Never null.
class SharedBytes {
  public:
    SharedBytes() : bytes_(nothing()) {}
    SharedBytes(std::string bytes) : bytes_(std::make_shared<const FileContents>(std::move(bytes))) {}
    SharedBytes(const char* text) : SharedBytes(std::string(text)) {}
    // Must not be null.
    SharedBytes(Bytes bytes) : bytes_(std::move(bytes)) {}

    std::string_view text() const { return bytes_->text(); }
    operator std::string_view() const { return bytes_->text(); }
    const Bytes& shared() const { return bytes_; }
    size_t size() const { return bytes_->size(); }

    friend bool operator==(const SharedBytes& a, const SharedBytes& b) {
        return a.bytes_ == b.bytes_ || a.text() == b.text();
    }

  private:
    static const Bytes& nothing();

    Bytes bytes_;
};

// Keeps equal contents once.
class ContentPool {
  public:
    // Return the bytes kept before that have the same contents, or else keep these, mapped if they are large.
    Bytes keep(std::string text);
    Bytes keep(const Bytes& bytes);

    // All that it keeps, each contents counted once.
    size_t bytes() const { return bytes_; }

  private:
    Bytes find(std::string_view text, size_t hash) const;
    Bytes add(const Bytes& bytes);

    std::unordered_multimap<size_t, Bytes> byHash_;
    size_t bytes_ = 0;
};

}  // namespace gorsefinch
