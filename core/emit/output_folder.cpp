// SPDX-License-Identifier: GPL-3.0-or-later
#include "core/emit/output_folder.h"

#include <algorithm>
#include <map>
#include <nlohmann/json.hpp>
#include <set>

#include "core/base/hash.h"
#include "core/project/names.h"

namespace gorsefinch {

namespace {

constexpr const char* kManifest = "MANIFEST.json";

// A path that generation can have written: no folder, or the runtime's.
bool isGenerated(const std::string& path) {
    return isPlainFileName(path) || (path.starts_with("gorse/") && isPlainFileName(path.substr(6)));
}

// By path, the texts that generation wrote: one each, or, while it was cut short, the former and the new one.
using Hashes = std::map<std::string, std::set<std::string>>;

Hashes readManifest(const std::filesystem::path& folder, Files& files) {
    Hashes hashes;
    const auto text = files.read(folder / kManifest, size_t{1} << 20);
    if (!text)
        return hashes;
    const auto json = nlohmann::json::parse(*text, nullptr, false);
    if (!json.is_object() || !json.contains("files") || !json["files"].is_object())
        return hashes;
    for (const auto& [path, known] : json["files"].items()) {
        if (!isGenerated(path))
            continue;
        for (const auto& hash : known.is_array() ? known : nlohmann::json::array({known}))
            if (hash.is_string())
                hashes[path].insert(hash.get<std::string>());
    }
    return hashes;
}

// What stands in the folder while files are written: each may be the former or the new one.
std::string manifestUnderWay(Hashes hashes, const GeneratedCode& code) {
    for (const auto& [path, text] : code.files)
        if (path != kManifest)
            hashes[path].insert(sha256(text));
    nlohmann::json json;
    json["files"] = hashes;
    return json.dump(2) + "\n";
}

FileState stateOf(const std::string& path, const std::string& text, const std::filesystem::path& folder,
                  const Hashes& hashes, Files& files) {
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
    return there && known->second.count(sha256(*there)) != 0 ? FileState::Changed : FileState::Edited;
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
    for (const auto& [path, known] : hashes) {
        if (code.files.count(path) != 0 || path == code.portFile || !files.exists(folder / path))
            continue;
        const auto there = files.read(folder / path);
        if (there && known.count(sha256(*there)) != 0)
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
    const auto isWritten = [](const PlannedFile& file) {
        return file.state != FileState::Same && file.state != FileState::Yours && file.path != kManifest;
    };
    // Were it cut short, the next generation would take what it finds for edited by hand.
    if (std::any_of(plan.files.begin(), plan.files.end(), isWritten))
        if (const auto begun = writeSafely(files, folder / kManifest, manifestUnderWay(readManifest(folder, files), code)); !begun)
            return tl::unexpected(begun.error());
    for (const PlannedFile& file : plan.files) {
        if (!isWritten(file))
            continue;
        const auto done = file.state == FileState::Gone ? files.remove(folder / file.path)
                          : file.path == code.portFile  ? writeSafely(files, folder / file.path, code.portText)
                                                        : writeSafely(files, folder / file.path, code.files.at(file.path));
        if (!done)
            return tl::unexpected(done.error());
    }
    // Code with errors has no files at all.
    const auto record = code.files.find(kManifest);
    const auto there = files.read(folder / kManifest);
    if (record != code.files.end() && (!there || *there != record->second))
        if (const auto done = writeSafely(files, folder / kManifest, record->second); !done)
            return tl::unexpected(done.error());
    return plan;
}

}  // namespace gorsefinch
