// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include <QString>
#include <string>
#include <utility>
#include <vector>

#include "core/project/edit.h"
#include "core/project/font_edits.h"
#include "core/project/project_folder.h"

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

inline Variable makeNumber(const std::string& name, int32_t least, int32_t most, int32_t start, int decimals = 0) {
    Variable v;
    v.name = name;
    v.type = decimals > 0 ? VariableType::Decimal : VariableType::Whole;
    v.decimals = decimals;
    v.least = least;
    v.most = most;
    v.start = start;
    return v;
}

inline Variable makeYesNo(const std::string& name, bool start) {
    Variable v = makeNumber(name, 0, 1, start);
    v.type = VariableType::YesNo;
    return v;
}

inline Variable makeText(const std::string& name, const std::string& start, int length = 16) {
    Variable v;
    v.name = name;
    v.type = VariableType::Text;
    v.startText = start;
    v.length = length;
    return v;
}

inline std::string examplePath(const char* name) { return QString(SOURCE_DIR "/examples/%1").arg(name).toStdString(); }

inline Document openExample(const char* name) {
    Files files;
    return ProjectFolder(files, examplePath(name)).open().document.value_or(Document{});
}

inline Document openKiln() { return openExample("kiln"); }

// Files in memory, of which the n-th change fails (from 1; 0 for never), as a full disk or a lost one would.
class FaultyFiles : public Files {
  public:
    std::map<std::string, std::string> held;
    int failAt = 0;        // which change fails
    bool stays = false;    // all later ones fail too: the program was killed there
    int changes = 0;

    Result<std::string> read(const Path& path, size_t) override {
        const auto found = held.find(path.string());
        if (found == held.end())
            return failure(path.string(), "", "there is no such file");
        return found->second;
    }
    Result<void> write(const Path& path, const std::string& bytes) override {
        if (fails()) {
            held[path.string()] = bytes.substr(0, bytes.size() / 2);
            return failure(path.string(), "", "no room");
        }
        held[path.string()] = bytes;
        return {};
    }
    Result<void> rename(const Path& from, const Path& to) override {
        if (fails())
            return failure(to.string(), "", "refused");
        held[to.string()] = held[from.string()];
        held.erase(from.string());
        return {};
    }
    Result<void> remove(const Path& path) override {
        if (fails())
            return failure(path.string(), "", "refused");
        held.erase(path.string());
        return {};
    }
    Result<void> makeFolder(const Path&) override { return {}; }
    bool exists(const Path& path) override { return held.count(path.string()) != 0; }
    bool isLink(const Path&) override { return false; }
    std::vector<std::string> list(const Path& folder) override {
        std::vector<std::string> out;
        for (const auto& [path, bytes] : held)
            if (Path(path).parent_path() == folder)
                out.push_back(Path(path).filename().string());
        return out;
    }

  private:
    bool fails() {
        ++changes;
        return failAt != 0 && (changes == failAt || (stays && changes > failAt));
    }
};

}  // namespace support
