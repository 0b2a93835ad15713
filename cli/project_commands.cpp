// SPDX-License-Identifier: GPL-3.0-or-later
#include <filesystem>
#include <iostream>
#include <nlohmann/json.hpp>

#include "cli/commands.h"
#include "core/check/budget_check.h"
#include "core/check/project_check.h"
#include "core/document/names.h"
#include "core/edits/presets.h"
#include "core/emit/hook_check.h"
#include "core/emit/generation_problems.h"
#include "core/emit/output_folder.h"
#include "core/project/project_folder.h"

namespace gorsefinch::cli {

namespace {

int makeNew(const std::string& presetKey, const std::string& folder) {
    const Preset* preset = presetByKey(presetKey);
    if (!preset) {
        std::cerr << "gorsefinch-cli: there is no preset \"" << presetKey << "\". Presets are:\n";
        for (const Preset& each : presets())
            std::cerr << "  " << each.key << "  " << each.title << ", " << each.help << "\n";
        return kUsage;
    }
    const std::filesystem::path path(folder);
    Disk disk;
    if (pathExists(disk, path / kMainFile))
        return refuse({(path / kMainFile).string(), "", "there is a project already", "Choose another folder"});
    const std::string last =
        path.filename().empty() ? path.parent_path().filename().string() : path.filename().string();
    std::string faceFile;
    const auto face = findStartFace(faceFile);
    const auto document =
        newProject(*preset, nameFrom(last, "display"), face ? FileContents::mapped(*face) : nullptr, faceFile);
    if (!document)
        return refuse(document.error());
    ProjectFolder project(disk, path);
    if (const auto saved = project.save(*document); !saved)
        return refuse(saved.error());
    std::cout << "made the project " << document->name << " in " << path.string() << "\n";
    return kFine;
}

const char* word(Severity severity) {
    return severity == Severity::Error ? "error" : severity == Severity::Warning ? "warning" : "note";
}

int check(const std::string& folder, bool json) {
    SceneBuilder builder;
    Disk disk;
    ReadProject read = ProjectFolder(disk, folder).open();
    Problems problems = read.problems;
    if (read.document) {
        const BuiltSceneRef scene = builder.build(*read.document);
        problems.insert(problems.end(), scene->problems.begin(), scene->problems.end());
        const Problems more = generationProblems(*scene);
        problems.insert(problems.end(), more.begin(), more.end());
        const SharedProblems checked = checkProject(scene);
        problems.insert(problems.end(), checked.begin(), checked.end());
        const Problems beyond = budgetProblems(*read.document->panel, costsOf(*scene));
        problems.insert(problems.end(), beyond.begin(), beyond.end());
        std::erase_if(problems, [&](const Problem& each) { return meantSo(*read.document->meantSo, each); });
    }
    if (json) {
        auto list = nlohmann::ordered_json::array();
        for (const Problem& p : problems)
            list.push_back({{"severity", word(p.severity)},
                            {"file", p.file},
                            {"place", p.place},
                            {"reason", p.reason},
                            {"remedy", p.remedy},
                            {"kind", p.code},
                            {"line", p.line},
                            {"column", p.column}});
        std::cout << list.dump(2, ' ', false, nlohmann::ordered_json::error_handler_t::replace) << "\n";
    } else {
        print(problems, std::cout);
        if (problems.empty())
            std::cout << "no problems\n";
    }
    return hasErrors(problems) ? kProblems : kFine;
}

int generate(const std::string& folder, const std::string& to, bool dryRun) {
    SceneBuilder builder;
    const auto project = open(folder, builder);
    if (!project)
        return kProblems;
    const GeneratedCode code = generateCode(*project->scene);
    Problems problems = project->problems;
    const Problems more = project->scene->showsAssemblies() ? Problems() : generationProblems(*project->scene);
    problems.insert(problems.end(), more.begin(), more.end());
    print(problems, std::cerr);
    if (hasErrors(problems))
        return refuse({folder, "", "nothing was generated", "Correct the errors above"});
    Disk disk;
    const auto plan = dryRun ? Result<OutputPlan>(planOutput(code, to, disk)) : writeOutput(code, to, disk);
    if (!plan)
        return refuse(plan.error());
    for (const PlannedFile& file : plan->files)
        std::cout << toWords(file.state) << "  " << file.path << "\n";
    std::cout << (dryRun ? "would write " : "wrote ") << plan->toWrite() << " of " << plan->files.size() << " files\n";
    print(hookProblems(code, to, disk), std::cerr);
    for (const std::string& hook : code.hooks)
        std::cout << "hook: " << hook << "\n";
    std::cout << "compile: " << compileCommand(code, to, project->document.panel->wordBits) << "\n";
    return kFine;
}

}  // namespace

void addProjectCommands(CLI::App& app, int& exitCode) {
    static std::string first, second;
    static bool flag = false;
    auto* make = app.add_subcommand("new", "Make a project from a preset");
    make->add_option("PRESET", first, "mono-128x64, colour-240x240, colour-320x240, colour-480x272 or colour-800x480")
        ->required();
    make->add_option("DIR", second, "the folder; its name becomes the project's")->required();
    make->callback([&exitCode] { exitCode = makeNew(first, second); });

    auto* checker = app.add_subcommand("check", "Report what is wrong or risky in a project");
    checker->add_option("PROJECT", first, "the project's folder")->required();
    checker->add_flag("--json", flag, "as JSON");
    checker->callback([&exitCode] { exitCode = check(first, flag); });

    auto* generator = app.add_subcommand("generate", "Write the display code");
    generator->add_option("PROJECT", first, "the project's folder")->required();
    generator->add_option("-o", second, "the output folder")->required();
    generator->add_flag("--dry-run", flag, "only report what would be written");
    generator->callback([&exitCode] { exitCode = generate(first, second, flag); });
}

}  // namespace gorsefinch::cli
