// SPDX-License-Identifier: GPL-3.0-or-later
#include "core/project/pending_save.h"

#include <cerrno>

#include "core/base/hash.h"
#include "core/base/json.h"

namespace gorsefinch {

namespace {

tl::unexpected<Error> refused(const char* reason) {
    return tl::unexpected(Error{kSaveRecord, "", reason, "It was ignored; compare the project with a copy", kRefused});
}

// True if the file is certainly missing: there is none, or it is a link, a pipe or too large.
bool isMissing(const Error& error) {
    return error.code == 0 || error.code == ENOENT || error.code == ENOTDIR || error.code == ELOOP;
}

// Finds the new contents of a file that is to be moved, or the file already moved. False if neither exists.
Result<bool> findContents(ProjectFolder::OpenFolders& folders, const SaveRecord::Move& move, PendingSave& out) {
    const auto folder = folders.folderOf(move.to);
    if (!folder)
        return isMissing(folder.error()) ? Result<bool>(false) : tl::unexpected(folder.error());
    auto part = (*folder)->read(move.part, kMaxProjectFile);
    if (!part && !isMissing(part.error()))
        return tl::unexpected(part.error());
    if (part && sha256(part->bytes) == move.sha256) {
        out.waiting.emplace(move.to, std::move(*part));
        return true;
    }
    const auto moved = folders.read(move.to, kMaxProjectFile);
    if (!moved && !isMissing(moved.error()))
        return tl::unexpected(moved.error());
    return moved && sha256(moved->bytes) == move.sha256;
}

// The record's project must be the one in the folder, or the one that the save turns it into.
Result<bool> isForThisProject(ProjectFolder::OpenFolders& folders, const PendingSave& save) {
    const auto main = folders.read(kMainFile, kMaxProjectFile);
    if (!main && !isMissing(main.error()))
        return tl::unexpected(main.error());
    const auto next = save.waiting.find(kMainFile);
    const std::string now = main ? projectNameIn(main->bytes) : std::string();
    const std::string then = next != save.waiting.end() ? projectNameIn(next->second.bytes) : now;
    return then == save.record.project && (!main || now == save.record.project || now == save.record.formerProject);
}

}  // namespace

std::string projectNameIn(std::string_view text) {
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
        return isMissing(text.error()) ? refused("the record of the last save is not a plain file")
                                       : tl::unexpected(text.error());
    auto record = readSaveRecord(text->bytes);
    if (!record)
        return refused("the record of the last save was not written by this program");
    PendingSave out{text->bytes, std::move(*record), {}};
    for (const SaveRecord::Move& each : out.record.moves) {
        const auto found = findContents(folders, each, out);
        if (!found)
            return tl::unexpected(found.error());
        if (!*found)
            return refused("a file that the last save wrote is missing");
    }
    const auto ours = isForThisProject(folders, out);
    if (!ours)
        return tl::unexpected(ours.error());
    if (!*ours)
        return refused("the record of the last save belongs to another project");
    return out;
}

}  // namespace gorsefinch
