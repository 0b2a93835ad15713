// SPDX-License-Identifier: GPL-3.0-or-later
#include "core/emit/output_folder.h"

#include <algorithm>
#include <nlohmann/json.hpp>

#include "core/base/hash.h"
#include "core/project/names.h"

namespace gorsefinch {

namespace {

constexpr const char* kManifest = "MANIFEST.json";

// A path that generation can have written: no folder, or the runtime's.
bool isGenerated(const std::string& path) {
    return isPlainFileName(path) || (path.starts_with("gorse/") && isPlainFileName(path.substr(6)));
}

std::map<std::string, std::string> readManifest(const std::filesystem::path& folder, Files& files) {
    std::map<std::string, std::string> hashes;
    const auto text = files.read(folder / kManifest, size_t{1} << 20);
    if (!text)
        return hashes;
    const auto json = nlohmann::json::parse(*text, nullptr, false);
    if (!json.is_object() || !json.contains("files") || !json["files"].is_object())
        return hashes;
    for (const auto& [path, hash] : json["files"].items())
        if (hash.is_string() && isGenerated(path))
            hashes[path] = hash;
    return hashes;
}

FileState stateOf(const std::string& path, const std::string& text, const std::filesystem::path& folder,
                  const std::map<std::string, std::string>& hashes, Files& files) {
    if (!files.exists(folder / path))
        return FileState::New;
    const auto there = files.read(folder / path);
    if (there && *there == text)
        return FileState::Same;
    if (path == kManifest)
        return hashes.empty() ? FileState::Foreign : FileState::Changed;
    const auto known = hashes.find(path);
    if (known == hashes.end())
        return FileState::Foreign;
    return there && sha256(*there) == known->second ? FileState::Changed : FileState::Edited;
}

}  // namespace

const char* toWords(FileState state) {
    switch (state) {
        case FileState::New: return "new";
        case FileState::Changed: return "changed";
        case FileState::Same: return "same";
        case FileState::Edited: return "edited by hand";
        case FileState::Foreign: return "not generated";
        case FileState::Yours: return "yours";
        default: return "no longer needed";
    }
}

int OutputPlan::toWrite() const {
    return static_cast<int>(std::count_if(files.begin(), files.end(), [](const PlannedFile& file) {
        return file.state != FileState::Same && file.state != FileState::Yours;
    }));
}

std::vector<std::string> OutputPlan::blocked() const {
    std::vector<std::string> out;
    for (const PlannedFile& file : files)
        if (file.state == FileState::Edited || file.state == FileState::Foreign)
            out.push_back(file.path);
    return out;
}

OutputPlan planOutput(const GeneratedCode& code, const std::filesystem::path& folder, Files& files) {
    OutputPlan plan;
    const auto hashes = readManifest(folder, files);
    for (const auto& [path, text] : code.files)
        plan.files.push_back({path, stateOf(path, text, folder, hashes, files), static_cast<long>(text.size())});
    if (!code.portFile.empty())
        plan.files.push_back({code.portFile, files.exists(folder / code.portFile) ? FileState::Yours : FileState::New,
                              static_cast<long>(code.portText.size())});
    for (const auto& [path, hash] : hashes) {
        if (code.files.count(path) != 0 || path == code.portFile || !files.exists(folder / path))
            continue;
        const auto there = files.read(folder / path);
        if (there && sha256(*there) == hash)
            plan.files.push_back({path, FileState::Gone, 0});
    }
    return plan;
}

Result<OutputPlan> writeOutput(const GeneratedCode& code, const std::filesystem::path& folder, Files& files,
                               bool overwrite) {
    const OutputPlan plan = planOutput(code, folder, files);
    const auto blocked = plan.blocked();
    if (!blocked.empty() && !overwrite) {
        const bool edited = std::any_of(plan.files.begin(), plan.files.end(), [](const PlannedFile& file) {
            return file.state == FileState::Edited;
        });
        return failure((folder / blocked.front()).string(), "",
                       edited ? "this generated file was edited by hand" : "this file was not generated",
                       "Move your changes elsewhere or delete the file, then generate again; nothing was written");
    }
    if (files.isLink(folder / "gorse"))
        return failure((folder / "gorse").string(), "", "this folder is a link that leads elsewhere",
                       "Remove the link; nothing was written");
    if (auto made = files.makeFolder(folder / "gorse"); !made)
        return tl::unexpected(made.error());
    for (const PlannedFile& file : plan.files) {
        if (file.state == FileState::Same || file.state == FileState::Yours || file.path == kManifest)
            continue;
        const auto done = file.state == FileState::Gone ? files.remove(folder / file.path)
                          : file.path == code.portFile  ? writeSafely(files, folder / file.path, code.portText)
                                                        : writeSafely(files, folder / file.path, code.files.at(file.path));
        if (!done)
            return tl::unexpected(done.error());
    }
    for (const PlannedFile& file : plan.files)
        if (file.path == kManifest && file.state != FileState::Same)
            if (const auto done = writeSafely(files, folder / kManifest, code.files.at(kManifest)); !done)
                return tl::unexpected(done.error());
    return plan;
}

}  // namespace gorsefinch
