// SPDX-License-Identifier: GPL-3.0-or-later
#include "core/project/save_record.h"

#include <algorithm>
#include <cstring>
#include <set>

#include "core/base/hash.h"
#include "core/base/json.h"
#include "core/document/names.h"
#include "core/project/project_text.h"

namespace gorsefinch {

namespace {

constexpr int kRecordVersion = 1;
constexpr const char* kName = "the save record";

bool isHex(const std::string& text, size_t digits) {
    return text.size() == digits && text.find_first_not_of("0123456789abcdef") == std::string::npos;
}

Json jsonOf(const SaveRecord& record) {
    Json out;
    out["gorsefinch_save"] = kRecordVersion;
    out["project"] = record.project;
    out["former_project"] = record.formerProject;
    out["moves"] = Json::array();
    for (const SaveRecord::Move& each : record.moves)
        out["moves"].push_back({{"to", each.to}, {"part", each.part}, {"sha256", each.sha256}, {"was", each.was}});
    out["removals"] = Json::array();
    for (const SaveRecord::Removal& each : record.removals)
        out["removals"].push_back({{"file", each.file}, {"part", each.part}, {"sha256", each.sha256}});
    return out;
}

std::string textOf(const Json& json, const char* key) {
    const auto at = json.is_object() ? json.find(key) : json.end();
    return json.is_object() && at != json.end() && at->is_string() ? at->get<std::string>() : std::string();
}

const Json& listOf(const Json& json, const char* key) {
    static const Json empty = Json::array();
    const auto at = json.find(key);
    return at != json.end() && at->is_array() ? *at : empty;
}

bool isValid(const SaveRecord& record) {
    std::set<std::string> files;
    for (const SaveRecord::Move& each : record.moves)
        if (!isProjectFile(each.to) || !isSavePart(each.part) || !isHex(each.sha256, 64) ||
            !(each.was.empty() || isHex(each.was, 64)) || !files.insert(each.to).second)
            return false;
    for (const SaveRecord::Removal& each : record.removals)
        if (!isProjectFile(each.file) || each.file == kMainFile || !isSavePart(each.part) || !isHex(each.sha256, 64) ||
            !files.insert(each.file).second)
            return false;
    return !files.empty() && !nameError(record.project);
}

}  // namespace

bool isProjectFile(const std::string& path) {
    const size_t slash = path.find('/');
    if (slash == std::string::npos)
        return path == kMainFile;
    const bool known = std::any_of(std::begin(kProjectFolders), std::end(kProjectFolders),
                                   [&](const char* folder) { return path.compare(0, slash, folder) == 0; });
    return known && isPlainFileName(path.substr(slash + 1));
}

bool isSavePart(const std::string& name) {
    return name.starts_with(kSavePart) && isHex(name.substr(std::strlen(kSavePart)), 32);
}

std::string saveRecordText(const SaveRecord& record) {
    Json json = jsonOf(record);
    const std::string sum = sha256(dumped(json));
    json["sha256"] = sum;
    return dumped(json);
}

Result<SaveRecord> readSaveRecord(const std::string& text) {
    const auto json = parseJson(kName, text, {size_t{16} << 20, 4, 20});
    if (!json)
        return tl::unexpected(json.error());
    SaveRecord out;
    if (json->is_object() && json->value("gorsefinch_save", Json()) == kRecordVersion) {
        out.project = textOf(*json, "project");
        out.formerProject = textOf(*json, "former_project");
        for (const Json& each : listOf(*json, "moves"))
            out.moves.push_back(
                {textOf(each, "to"), textOf(each, "part"), textOf(each, "sha256"), textOf(each, "was")});
        for (const Json& each : listOf(*json, "removals"))
            out.removals.push_back({textOf(each, "file"), textOf(each, "part"), textOf(each, "sha256")});
        if (isValid(out) && saveRecordText(out) == text)
            return out;
    }
    return failure(kName, "", "it was not written by this program", "It was ignored");
}

}  // namespace gorsefinch
