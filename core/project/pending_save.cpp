// SPDX-License-Identifier: GPL-3.0-or-later
#include "core/project/pending_save.h"

#include <cerrno>

#include "core/base/hash.h"
#include "core/base/json.h"

namespace gorsefinch {

namespace {

tl::unexpected<Error> refused(const char* reason) {
    return failure(kSaveRecord, "", reason, "Nothing of it was carried out; compare the project with a copy");
}

// The new bytes of what still has to be moved; false if neither they nor the moved file are there.
bool findBytes(ProjectFolder::OpenFolders& folders, const SaveRecord::Move& move, PendingSave& out) {
    const auto folder = folders.folderOf(move.to);
    if (!folder)
        return false;
    auto part = (*folder)->read(move.part, kMaxProjectFile);
    if (part && sha256(part->bytes) == move.sha256) {
        out.waiting.emplace(move.to, std::move(*part));
        return true;
    }
    const auto moved = folders.read(move.to, kMaxProjectFile);
    return moved && sha256(moved->bytes) == move.sha256;
}

// A record is for the project whose name it tells: that which is there, or that which it makes of it.
bool isForThisProject(ProjectFolder::OpenFolders& folders, const PendingSave& save) {
    const auto main = folders.read(kMainFile, kMaxProjectFile);
    const auto next = save.waiting.find(kMainFile);
    const std::string now = main ? projectNameIn(main->bytes) : std::string();
    const std::string then = next != save.waiting.end() ? projectNameIn(next->second.bytes) : now;
    return then == save.record.project && (!main || now == save.record.project || now == save.record.formerProject);
}

}  // namespace

std::string projectNameIn(const std::string& text) {
    const auto json = parseJson(kMainFile, text);
    if (!json || !json->is_object())
        return {};
    const auto name = json->find("name");
    return name != json->end() && name->is_string() ? name->get<std::string>() : std::string();
}

Result<std::optional<PendingSave>> pendingSave(ProjectFolder::OpenFolders& folders) {
    const auto text = folders.root().read(kSaveRecord, size_t{16} << 20);
    if (!text && text.error().code == ENOENT)
        return std::nullopt;
    if (!text)
        return refused("the record of the last save can't be read");
    auto record = readSaveRecord(text->bytes);
    if (!record)
        return refused("the record of the last save is none that this program wrote");
    PendingSave out{text->bytes, std::move(*record), {}};
    for (const SaveRecord::Move& each : out.record.moves)
        if (!findBytes(folders, each, out))
            return refused("what the last save wrote is not there any more");
    if (!isForThisProject(folders, out))
        return refused("the record of the last save belongs to another project");
    return out;
}

}  // namespace gorsefinch
