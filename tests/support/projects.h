// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include <QString>
#include <string>
#include <utility>
#include <vector>

#include "core/base/files.h"
#include "core/edits/edit.h"
#include "core/edits/font_edits.h"
#include "core/project/project_folder.h"
#include "tests/support/memory_disk.h"

// Small projects for tests.
namespace support {

using namespace gorsefinch;

inline Widget makeWidget(const std::string& name, Kind kind, int x, int y, int w, int h, PropertyMap properties = {}) {
    Widget out;
    out.name = name;
    out.kind = kind;
    out.x = x;
    out.y = y;
    out.w = w;
    out.h = h;
    out.properties = std::move(properties);
    return out;
}

// A document with the named empty screens.
inline Document makeDocument(const std::vector<std::string>& screens = {"first"}) {
    Document document;
    document.name = "demo";
    for (const std::string& name : screens) {
        Screen screen;
        screen.name = name;
        document.screens.push_back(std::make_shared<const Screen>(screen));
    }
    return document;
}

// The document with another panel; a side of 0 stays.
inline Document withPanelOf(const Document& document, PixelFormat format, int turn = 0, int width = 0, int height = 0) {
    Panel panel = *document.panel;
    panel.format = format;
    panel.turn = turn;
    panel.width = width > 0 ? width : panel.width;
    panel.height = height > 0 ? height : panel.height;
    return withPanel(document, panel);
}

inline Variable makeNumber(const std::string& name, int32_t min, int32_t max, int32_t start, int decimals = 0) {
    Variable v;
    v.name = name;
    v.type = decimals > 0 ? VariableType::Decimal : VariableType::Whole;
    v.decimals = decimals;
    v.min = min;
    v.max = max;
    v.start = start;
    v.writer = Writer::Both;
    return v;
}

inline Variable makeYesNo(const std::string& name, bool start) {
    Variable v = makeNumber(name, 0, 1, start);
    v.type = VariableType::YesNo;
    v.writer = Writer::Both;
    return v;
}

inline Variable makeChoice(const std::string& name, std::vector<std::string> names, int start = 0) {
    Variable v;
    v.name = name;
    v.type = VariableType::Choice;
    v.start = start;
    v.writer = Writer::Both;
    setChoices(v, std::move(names));
    return v;
}

inline Variable arrayOf(Variable variable, int count) {
    variable.count = count;
    return variable;
}

inline Variable makeText(const std::string& name, const std::string& start, int length = 16) {
    Variable v;
    v.name = name;
    v.type = VariableType::Text;
    v.startText = start;
    v.length = length;
    v.writer = Writer::Both;
    return v;
}

inline std::string examplePath(const char* name) { return QString(SOURCE_DIR "/examples/%1").arg(name).toStdString(); }

inline Document openExample(const char* name) {
    Disk disk;
    return ProjectFolder(disk, examplePath(name)).open().document.value_or(Document{});
}

inline Document openKiln() { return openExample("kiln"); }

// True if one of the problems contains the words and says what to do.
template <typename Problems>
bool tells(const Problems& problems, const std::string& words) {
    return std::any_of(problems.begin(), problems.end(), [&](const Problem& each) {
        return each.severity == Severity::Error && each.text().find(words) != std::string::npos && !each.remedy.empty();
    });
}

// What is read from files in memory.
inline ReadProject readFiles(const ProjectFiles& files) {
    return fromFiles([&](const std::string& path, size_t) -> Result<SharedBytes> {
        const auto found = files.find(path);
        if (found == files.end())
            return failure(path, "", "there is no such file");
        return found->second;
    });
}

// A project's files in a folder of a disk in memory.
inline void putProject(MemoryDisk& disk, const ProjectFiles& files, const std::string& folder = "/p") {
    for (const auto& [path, bytes] : files)
        disk.put(folder + "/" + path, std::string(bytes.text()));
}

}  // namespace support
