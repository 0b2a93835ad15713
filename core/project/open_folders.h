// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include <map>

#include "core/base/folder.h"
#include "core/project/project_folder.h"

namespace gorsefinch {

// Open handles of a project's folder and its subfolders, opened on first use. Files are given by their path in the
// project.
class ProjectFolder::OpenFolders {
  public:
    explicit OpenFolders(Folder root) : root_(std::move(root)) {}

    const Folder& root() const { return root_; }
    // The folder of a file; created if `make` is set.
    Result<const Folder*> folderOf(const std::string& file, bool make = false) {
        const size_t slash = file.find('/');
        if (slash == std::string::npos)
            return &root_;
        const std::string name = file.substr(0, slash);
        if (const auto known = inner_.find(name); known != inner_.end())
            return &known->second;
        auto opened = make ? root_.makeInner(name) : root_.inner(name);
        if (!opened)
            return tl::unexpected(opened.error());
        return &inner_.emplace(name, std::move(*opened)).first->second;
    }
    static std::string nameOf(const std::string& file) { return file.substr(file.find('/') + 1); }

    Result<Folder::File> read(const std::string& file, size_t maxBytes) {
        const auto folder = folderOf(file);
        return folder ? (*folder)->read(nameOf(file), maxBytes) : tl::unexpected(folder.error());
    }
    std::optional<FileStamp> stampOf(const std::string& file) {
        const auto folder = folderOf(file);
        return folder ? (*folder)->stampOf(nameOf(file)) : std::nullopt;
    }
    // All that are open.
    Result<void> sync() const {
        for (const auto& [name, folder] : inner_)
            if (auto synced = folder.sync(); !synced)
                return synced;
        return root_.sync();
    }

  private:
    Folder root_;
    std::map<std::string, Folder> inner_;
};

}  // namespace gorsefinch
