// SPDX-License-Identifier: GPL-3.0-or-later
#include "core/emit/output_folder.h"

#include <algorithm>
#include <optional>

#include "core/base/folder_lock.h"
#include "core/base/hash.h"
#include "core/base/json.h"
#include "core/document/names.h"

namespace gorsefinch {

namespace {

constexpr const char* kManifest = "MANIFEST.json";

// A path that generation can have written: no folder, or the runtime's.
bool isGenerated(const std::string& path) {
    return isPlainFileName(path) || (path.starts_with("gorse/") && isPlainFileName(path.substr(6)));
}

using Hashes = ManifestHashes;

constexpr size_t kMaxGenerated = size_t{256} << 20;  // of one file
constexpr int kGenerationWait = 10000;               // ms

// The output folder and the runtime's in it, as far as they are there.
class OutputFolders {
  public:
    OutputFolders(Disk& disk, const std::filesystem::path& path) : path_(path) {
        if (auto root = Folder::open(disk, path))
            root_.emplace(std::move(*root));
        if (auto runtime = root_ ? root_->inner("gorse") : failure("", "", ""))
            runtime_.emplace(std::move(*runtime));
    }

    bool has(const std::string& path) const {
        const Folder* folder = folderOf(path);
        return folder && folder->stampOf(nameOf(path));
    }
    Result<std::string> read(const std::string& path, size_t maxBytes = kMaxGenerated) const {
        const Folder* folder = folderOf(path);
        if (!folder)
            return failure((path_ / path).string(), "", "there is no such file");
        auto file = folder->read(nameOf(path), maxBytes);
        return file ? Result<std::string>(std::move(file->bytes)) : tl::unexpected(file.error());
    }
    Result<void> makeAll(Disk& disk) {
        auto root = Folder::make(disk, path_);
        if (!root)
            return tl::unexpected(root.error());
        root_.emplace(std::move(*root));
        auto runtime = root_->makeInner("gorse");
        if (!runtime)
            return tl::unexpected(runtime.error());
        runtime_.emplace(std::move(*runtime));
        return {};
    }
    Result<void> write(const std::string& path, const std::string& text) const {
        return folderOf(path)->replace(nameOf(path), text);
    }
    Result<void> remove(const std::string& path) const { return folderOf(path)->remove(nameOf(path)); }

  private:
    static std::string nameOf(const std::string& path) { return path.substr(path.find('/') + 1); }
    // Null if it isn't there.
    const Folder* folderOf(const std::string& path) const {
        const auto& folder = path.find('/') == std::string::npos ? root_ : runtime_;
        return folder ? &*folder : nullptr;
    }

    std::filesystem::path path_;
    std::optional<Folder> root_, runtime_;
};

Hashes readManifest(const OutputFolders& folders) {
    Hashes hashes;
    const auto text = folders.read(kManifest, size_t{1} << 20);
    return text ? manifestHashes(*text) : hashes;
}

// What is in the folder while files are written: each may be the former or the new one.
std::string manifestUnderWay(Hashes hashes, const GeneratedCode& code) {
    for (const auto& [path, text] : code.files)
        if (path != kManifest)
            hashes[path].insert(sha256(text));
    Json json;
    json["files"] = hashes;
    return dumped(json);
}

FileState stateOf(const std::string& path, const std::string& text, const OutputFolders& folders,
                  const Hashes& hashes) {
    if (!folders.has(path))
        return FileState::New;
    const auto there = folders.read(path);
    if (there && *there == text)
        return FileState::Same;
    if (path == kManifest)
        return hashes.empty() ? FileState::Foreign : FileState::Changed;
    const auto known = hashes.find(path);
    if (known == hashes.end())
        return FileState::Foreign;
    return there && known->second.count(sha256(*there)) != 0 ? FileState::Changed : FileState::Edited;
}

OutputPlan planFor(const GeneratedCode& code, const OutputFolders& folders) {
    OutputPlan plan;
    const auto hashes = readManifest(folders);
    for (const auto& [path, text] : code.files)
        plan.files.push_back({path, stateOf(path, text, folders, hashes), static_cast<long>(text.size())});
    if (!code.portFile.empty())
        plan.files.push_back({code.portFile, folders.has(code.portFile) ? FileState::Yours : FileState::New,
                              static_cast<long>(code.portText.size())});
    for (const auto& [path, known] : hashes) {
        if (code.files.count(path) != 0 || path == code.portFile)
            continue;
        const auto there = folders.read(path);
        if (there && known.count(sha256(*there)) != 0)
            plan.files.push_back({path, FileState::Gone, 0});
    }
    return plan;
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

ManifestHashes manifestHashes(const std::string& text) {
    ManifestHashes hashes;
    const auto json = parseJson(kManifest, text, {size_t{1} << 20, 6, 4000});
    if (!json || !json->is_object() || !json->contains("files") || !(*json)["files"].is_object())
        return hashes;
    for (const auto& [path, known] : (*json)["files"].items()) {
        if (!isGenerated(path))
            continue;
        for (const auto& hash : known.is_array() ? known : Json::array({known}))
            if (hash.is_string())
                hashes[path].insert(hash.get<std::string>());
    }
    return hashes;
}

Result<std::string> readOutput(const std::filesystem::path& folder, const std::string& path, Disk& disk) {
    return OutputFolders(disk, folder).read(path);
}

OutputPlan planOutput(const GeneratedCode& code, const std::filesystem::path& folder, Disk& disk) {
    return planFor(code, OutputFolders(disk, folder));
}

Result<OutputPlan> writeOutput(const GeneratedCode& code, const std::filesystem::path& folder, Disk& disk,
                               bool overwrite) {
    OutputFolders folders(disk, folder);
    if (auto made = folders.makeAll(disk); !made)
        return tl::unexpected(made.error());
    const auto lock = FolderLock::wait(disk, folder, FolderLock::kGeneration, kGenerationWait);
    if (!lock)
        return tl::unexpected(lock.error());
    const OutputPlan plan = planFor(code, folders);
    const auto blocked = plan.blocked();
    if (!blocked.empty() && !overwrite) {
        const bool edited = std::any_of(plan.files.begin(), plan.files.end(),
                                        [](const PlannedFile& file) { return file.state == FileState::Edited; });
        return failure((folder / blocked.front()).string(), "",
                       edited ? "this generated file was edited by hand" : "this file was not generated",
                       "Move your changes elsewhere or delete the file, then generate again; nothing was written");
    }
    const auto isWritten = [](const PlannedFile& file) {
        return file.state != FileState::Same && file.state != FileState::Yours && file.path != kManifest;
    };
    // Were it cut short, the next generation would take what it finds for edited by hand.
    if (std::any_of(plan.files.begin(), plan.files.end(), isWritten))
        if (const auto begun = folders.write(kManifest, manifestUnderWay(readManifest(folders), code)); !begun)
            return tl::unexpected(begun.error());
    for (const PlannedFile& file : plan.files) {
        if (!isWritten(file))
            continue;
        const auto done = file.state == FileState::Gone ? folders.remove(file.path)
                          : file.path == code.portFile  ? folders.write(file.path, code.portText)
                                                        : folders.write(file.path, code.files.at(file.path));
        if (!done)
            return tl::unexpected(done.error());
    }
    // Code with errors has no files at all.
    const auto record = code.files.find(kManifest);
    const auto there = folders.read(kManifest);
    if (record != code.files.end() && (!there || *there != record->second))
        if (const auto done = folders.write(kManifest, record->second); !done)
            return tl::unexpected(done.error());
    return plan;
}

}  // namespace gorsefinch
