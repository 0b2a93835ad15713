// SPDX-License-Identifier: GPL-3.0-or-later
#include "core/project/project_folder.h"

#include <algorithm>
#include <cstdlib>
#include <cstring>

#include "core/project/json_text.h"
#include "core/project/names.h"

namespace gorsefinch {

namespace {

constexpr const char* kCommitRecord = ".gorsefinch-save";
constexpr const char* kJournal = ".gorsefinch-journal";
constexpr const char* kUnsaved = ".gorsefinch-unsaved-";
constexpr const char* kBeside = ".new";

// A path that save() can have written: a plain name, in one of our folders or none.
bool isProjectFile(const std::string& path) {
    const size_t slash = path.find('/');
    if (slash == std::string::npos)
        return path == kMainFile;
    const std::string folder = path.substr(0, slash);
    return (folder == "screens" || folder == "rules" || folder == "images" || folder == "fonts") &&
           isPlainFileName(path.substr(slash + 1));
}

}  // namespace

ProjectFolder::ProjectFolder(Files& files, std::filesystem::path folder)
    : files_(files), folder_(std::move(folder)) {}

ReadProject ProjectFolder::open() {
    const auto completed = completeSave();
    saved_.clear();
    const FileReader reader = [this](const std::string& path) {
        auto bytes = files_.read(at(path));
        if (bytes)
            saved_[path] = *bytes;
        return bytes;
    };
    ReadProject project = fromFiles(reader);
    if (!project.document)
        for (Problem& problem : project.problems)
            problem.file = at(problem.file).string();
    if (!completed)
        project.problems.push_back({Severity::Error, completed.error().file, "", completed.error().reason,
                                    "The last save could not be completed", {}, {}});
    damaged_ = project.damaged;
    return project;
}

Result<void> ProjectFolder::completeSave() {
    const auto record = files_.read(at(kCommitRecord));
    if (!record)
        return {};
    const auto json = parseJson(kCommitRecord, *record);
    if (json && json->is_object()) {
        for (const auto& name : json->value("renamed", Json::array()))
            if (name.is_string() && isProjectFile(name) && files_.exists(at(name.get<std::string>() + kBeside)))
                if (auto done = files_.rename(at(name.get<std::string>() + kBeside), at(name)); !done)
                    return done;
        for (const auto& name : json->value("removed", Json::array()))
            if (name.is_string() && isProjectFile(name))
                if (auto done = files_.remove(at(name)); !done)
                    return done;
    }
    return files_.remove(at(kCommitRecord));
}

Result<void> ProjectFolder::commit(const ProjectFiles& changed, const std::vector<std::string>& gone) {
    Json record;
    record["renamed"] = Json::array();
    record["removed"] = gone;
    Result<void> result;
    for (const auto& [path, bytes] : changed) {
        record["renamed"].push_back(path);
        const auto folder = at(path).parent_path();
        if (result && folder != folder_ && files_.isLink(folder))
            result = failure(folder.string(), "", "this folder is a link that leads elsewhere",
                             "Replace the link by a folder; nothing was written");
        if (result)
            result = files_.makeFolder(folder);
        if (result)
            result = files_.write(at(path + kBeside), bytes);
    }
    if (result)
        result = writeSafely(files_, at(kCommitRecord), dumped(record));
    if (!result) {
        for (const auto& [path, bytes] : changed)
            (void)files_.remove(at(path + kBeside));
        return result;
    }
    return completeSave();
}

Result<void> ProjectFolder::save(const Document& document) {
    if (auto completed = completeSave(); !completed)
        return completed;
    const ProjectFiles files = toFiles(document);
    ProjectFiles changed;
    for (const auto& [path, bytes] : files) {
        const auto before = saved_.find(path);
        if (before == saved_.end() || before->second != bytes)
            changed[path] = bytes;
    }
    std::vector<std::string> gone;
    for (const auto& [path, bytes] : saved_)
        if (files.count(path) == 0 && std::find(damaged_.begin(), damaged_.end(), path) == damaged_.end())
            gone.push_back(path);
    for (const std::string& path : damaged_)
        if (changed.count(path) != 0 && saved_.count(path) != 0)
            if (auto kept = writeSafely(files_, at(path + ".broken"), saved_[path]); !kept)
                return kept;
    if (changed.empty() && gone.empty()) {
        dropJournal();
        return {};
    }
    if (auto made = files_.makeFolder(folder_); !made)
        return made;
    if (auto done = commit(changed, gone); !done)
        return done;
    saved_ = files;
    damaged_.clear();
    dropJournal();
    return {};
}

// Files that are as they were saved are left out, or only originals are: those are large, and seldom change.
std::string ProjectFolder::packed(const Document& document, bool all) const {
    Json out = Json::object();
    for (const auto& [path, bytes] : toFiles(document)) {
        const auto before = saved_.find(path);
        const bool mayLeaveOut = !all || path.starts_with("images/") || path.starts_with("fonts/");
        if (mayLeaveOut && before != saved_.end() && before->second == bytes)
            continue;
        out[path] = Json::binary(std::vector<std::uint8_t>(bytes.begin(), bytes.end()));
    }
    const std::vector<std::uint8_t> bytes = Json::to_cbor(out);
    return {bytes.begin(), bytes.end()};
}

std::optional<Document> ProjectFolder::unpacked(const std::string& file) {
    const auto bytes = files_.read(at(file));
    if (!bytes)
        return std::nullopt;
    const Json all = Json::from_cbor(*bytes, true, false);
    if (!all.is_object() || all.empty())
        return std::nullopt;
    const FileReader reader = [&](const std::string& path) -> Result<std::string> {
        const auto entry = all.find(path);
        if (entry == all.end() || !entry->is_binary())
            return files_.read(at(path));
        const auto& binary = entry->get_binary();
        return std::string(binary.begin(), binary.end());
    };
    return fromFiles(reader).document;
}

Result<void> ProjectFolder::writeJournal(const Document& document) {
    return writeSafely(files_, at(kJournal), packed(document, false));
}

std::optional<Document> ProjectFolder::journal() { return unpacked(kJournal); }

void ProjectFolder::dropJournal() { (void)files_.remove(at(kJournal)); }

Result<void> ProjectFolder::keepUnsaved(const Document& opened) {
    const auto left = journal();
    if (!left)
        return {};
    if (toFiles(*left) != toFiles(opened)) {
        int number = 1;
        for (const std::string& each : files_.list(folder_))
            if (each.starts_with(kUnsaved))
                number = std::max(number, std::atoi(each.c_str() + std::strlen(kUnsaved)) + 1);
        const std::string digits = std::to_string(number);
        const std::string file = kUnsaved + std::string(digits.size() < 3 ? 3 - digits.size() : 0, '0') + digits;
        if (auto kept = writeSafely(files_, at(file), packed(*left, true)); !kept)
            return kept;
    }
    return files_.remove(at(kJournal));
}

std::optional<ProjectFolder::Unsaved> ProjectFolder::latestUnsaved() {
    std::vector<std::string> names = files_.list(folder_);
    std::reverse(names.begin(), names.end());
    for (const std::string& each : names)
        if (each.starts_with(kUnsaved))
            if (auto document = unpacked(each))
                return Unsaved{each, std::move(*document)};
    return std::nullopt;
}

void ProjectFolder::dropUnsaved(const std::string& file) {
    if (file.starts_with(kUnsaved) && isPlainFileName(file.substr(1)))
        (void)files_.remove(at(file));
}

}  // namespace gorsefinch
