// SPDX-License-Identifier: GPL-3.0-or-later
#include "core/project/journal_text.h"

#include <charconv>
#include <optional>
#include <string_view>

#include "core/base/hash.h"
#include "core/project/save_record.h"

namespace gorsefinch {

namespace {

constexpr std::string_view kHead = "gorsefinch-journal 1\n";
constexpr size_t kMaxFiles = 20000;

// The text up to the next line end, which is taken too; nothing without one.
std::optional<std::string_view> takeLine(std::string_view& text) {
    const size_t end = text.find('\n');
    if (end == std::string_view::npos)
        return std::nullopt;
    const std::string_view line = text.substr(0, end);
    text.remove_prefix(end + 1);
    return line;
}

// A number without sign, blanks or zeros in front.
std::optional<size_t> numberFrom(std::string_view text) {
    size_t value = 0;
    const auto [end, error] = std::from_chars(text.data(), text.data() + text.size(), value);
    if (error != std::errc() || end != text.data() + text.size() || std::to_string(value) != text)
        return std::nullopt;
    return value;
}

bool readOne(std::string_view& text, ProjectFiles& out) {
    const auto line = takeLine(text);
    const size_t space = line ? line->find(' ') : std::string_view::npos;
    if (space == std::string_view::npos)
        return false;
    const auto bytes = numberFrom(line->substr(0, space));
    const std::string path(line->substr(space + 1));
    if (!bytes || text.size() <= *bytes || text[*bytes] != '\n' || !isProjectFile(path))
        return false;
    const bool fresh = out.emplace(path, FileContents::mapped(std::string(text.substr(0, *bytes)))).second;
    text.remove_prefix(*bytes + 1);
    return fresh;
}

}  // namespace

std::string journalText(const ProjectFiles& files) {
    std::string body = std::to_string(files.size()) + "\n";
    for (const auto& [path, bytes] : files)
        body.append(std::to_string(bytes.size()))
            .append(" ")
            .append(path)
            .append("\n")
            .append(bytes.text())
            .append("\n");
    return std::string(kHead) + sha256(body) + "\n" + body;
}

Result<ProjectFiles> readJournalText(const std::string& file, const std::string& text) {
    const auto broken = [&](const char* reason) { return failure(file, "", reason, "It is kept as it is"); };
    std::string_view rest = text;
    if (!rest.starts_with(kHead))
        return broken("it is no journal of this version");
    rest.remove_prefix(kHead.size());
    const auto sum = takeLine(rest);
    if (!sum || *sum != sha256(std::string(rest)))
        return broken("it is cut off or damaged");
    const auto line = takeLine(rest);
    const auto count = line ? numberFrom(*line) : std::nullopt;
    ProjectFiles out;
    if (!count || *count > kMaxFiles)
        return broken("it is damaged");
    for (size_t i = 0; i < *count; ++i)
        if (!readOne(rest, out))
            return broken("it is damaged");
    if (!rest.empty())
        return broken("it is damaged");
    return out;
}

}  // namespace gorsefinch
