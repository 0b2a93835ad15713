// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include <algorithm>

#include "core/emit/generate.h"
#include "core/project/project_text.h"
#include "core/sim/twin.h"
#include "tests/fuzz/fuzz.h"

// A small project as files, of which a fuzzer replaces one.
namespace fuzz {

using namespace gorsefinch;

inline std::map<std::string, std::string> smallProject() {
    return {
        {"gorsefinch.json",
         R"({"gorsefinch": 1, "name": "demo", "panel": {"width": 64, "height": 48, "format": "rgb565", "strip_lines": 4},
                 "variables": [{"name": "level", "type": "whole", "least": 0, "most": 100, "start": 5, "unit": "%"},
                               {"name": "heat", "type": "decimal", "decimals": 1, "least": -20, "most": 130, "start": 21.5},
                               {"name": "on_air", "type": "yes/no", "start": false},
                               {"name": "title", "type": "text", "length": 20, "start": "Kiln"}],
                 "looks": [{"name": "plain", "fill": "#303030", "colour": "#FFFFFF", "states": {"pressed": {"fill": "#808080"}}}],
                 "screens": ["first", "second"], "rules": ["main"]})"},
        {"screens/first.json",
         R"({"name": "first", "background": "#102030", "widgets": [
                 {"name": "go_button", "kind": "button", "x": 2, "y": 2, "w": 30, "h": 16, "look": "plain", "text": "Go {level}"},
                 {"name": "words", "kind": "text", "x": 2, "y": 20, "w": 60, "h": 20, "text": "{heat:0.0} {title}", "wrap": true},
                 {"name": "box", "kind": "rectangle", "x": 40, "y": 2, "w": 20, "h": 10, "fill": "#AA5500", "radius": 3}]})"},
        {"screens/second.json", R"({"name": "second", "background": "#000000", "widgets": [
                 {"name": "back_button", "kind": "button", "x": 0, "y": 0, "w": 64, "h": 48, "text": "Back"}]})"},
        {"rules/main.rules", "on go_button.tap\n    go second\n\non back_button.tap\n    back\n"}};
}

inline ReadProject readFiles(const std::map<std::string, std::string>& files) {
    return fromFiles([&](const std::string& path, size_t) -> Result<SharedBytes> {
        const auto found = files.find(path);
        return found == files.end() ? Result<SharedBytes>(failure(path, "", "there is no such file", "Put it back"))
                                    : SharedBytes(found->second);
    });
}

// What is opened can be written, read again without a problem, built, generated and run.
inline void use(const ReadProject& read) {
    for (const Problem& each : read.problems)
        expect(!each.file.empty() && !each.reason.empty() && !each.remedy.empty());
    if (!read.document) {
        expect(!read.problems.empty());
        return;
    }
    const Document& document = *read.document;
    const ProjectFiles once = toFiles(document);
    if (document.panel->width > 480 || document.panel->height > 480)
        return;
    SceneBuilder builder;
    const BuiltSceneRef scene = builder.build(document);
    // Generation takes most of the time: some inputs are enough.
    if (once.at("gorsefinch.json").size() % 8 == 0 || once.size() != 4) {
        const GeneratedCode code = generateCode(*scene);
        expect(!code.files.empty() || hasErrors(code.problems) || hasErrors(scene->problems));
    }
    Twin twin(scene);
    for (uint32_t ms = 0; ms <= 60; ms += 20) {
        twin.touch(10, 10, ms == 20);
        twin.step(ms);
    }
    for (const Variable& each : *document.variables)
        (void)twin.set(each.name, "7");
    twin.step(1000);
    for (const TraceEntry& each : twin.takeTrace())
        (void)each;
}

}  // namespace fuzz
