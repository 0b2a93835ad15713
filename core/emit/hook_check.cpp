// SPDX-License-Identifier: GPL-3.0-or-later
#include "core/emit/hook_check.h"

#include <algorithm>
#include <set>

#include "core/base/characters.h"
#include "core/emit/output_folder.h"

namespace gorsefinch {

namespace {

// Where the comment or literal that begins at `at` ends; `at` if none begins there.
size_t skipped(std::string_view text, size_t at) {
    const auto behind = [&](std::string_view end) {
        const size_t found = text.find(end, at + 2);
        return found == std::string_view::npos ? text.size() : found + end.size();
    };
    if (text.substr(at, 2) == "//")
        return behind("\n");
    if (text.substr(at, 2) == "/*")
        return behind("*/");
    if (text[at] != '"' && text[at] != '\'')
        return at;
    size_t end = at + 1;
    while (end < text.size() && text[end] != text[at] && text[end] != '\n')
        end += text[end] == '\\' ? 2 : 1;
    return std::min(end + 1, text.size());
}

// The text with a space for each comment and literal.
std::string plainCode(std::string_view text) {
    std::string out;
    for (size_t at = 0; at < text.size();) {
        const size_t end = skipped(text, at);
        out += end == at ? text[at] : ' ';
        at = end == at ? at + 1 : end;
    }
    return out;
}

// The functions that the code defines whose names begin with `prefix`: the name, parameters without braces, and a body.
std::set<std::string> definitions(const std::string& code, const std::string& prefix) {
    std::set<std::string> out;
    for (size_t at = code.find(prefix); at != std::string::npos; at = code.find(prefix, at + 1)) {
        if (at > 0 && isWordCharacter(code[at - 1]))
            continue;
        const size_t nameEnd =
            std::find_if_not(code.begin() + static_cast<std::ptrdiff_t>(at), code.end(), isWordCharacter) -
            code.begin();
        const size_t open = code.find_first_not_of(" \t\r\n", nameEnd);
        if (open == std::string::npos || code[open] != '(')
            continue;
        const size_t close = code.find_first_of("(){};", open + 1);
        const size_t body = close == std::string::npos || code[close] != ')'
                                ? std::string::npos
                                : code.find_first_not_of(" \t\r\n", close + 1);
        if (body != std::string::npos && code[body] == '{')
            out.insert(code.substr(at, nameEnd - at));
    }
    return out;
}

std::string nameOfHook(const std::string& declaration) {
    const size_t begin = declaration.find(' ') + 1;
    return declaration.substr(begin, declaration.find('(') - begin);
}

}  // namespace

HookCheck checkHooks(const GeneratedCode& code, std::string_view text) {
    HookCheck out;
    const std::string project = code.portFile.substr(0, code.portFile.size() - std::string_view("_port.c").size());
    std::set<std::string> defined = definitions(plainCode(text), project + "_hook_");
    for (const std::string& hook : code.hooks)
        if (defined.erase(nameOfHook(hook)) == 0)
            out.missing.push_back(nameOfHook(hook));
    out.stale.assign(defined.begin(), defined.end());
    return out;
}

Problems hookProblems(const GeneratedCode& code, const std::filesystem::path& folder, Disk& disk) {
    Problems problems;
    if (code.portFile.empty())
        return problems;
    const auto text = readOutput(folder, code.portFile, disk);
    if (!text)
        return problems;
    const HookCheck check = checkHooks(code, *text);
    const auto add = [&](const std::string& reason, const std::string& remedy) {
        Problem p;
        p.severity = Severity::Warning;
        p.file = code.portFile;
        p.reason = reason;
        p.remedy = remedy;
        problems.push_back(p);
    };
    for (const std::string& each : check.stale)
        add("no rule calls " + each, check.missing.empty()
                                         ? "Take it out if it is not needed"
                                         : "Rename it to " + check.missing.front() + " if that is the hook's new name");
    for (const std::string& each : check.missing)
        add("there is no function " + each, "Write one, unless another file has it");
    return problems;
}

}  // namespace gorsefinch
