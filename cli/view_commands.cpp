// SPDX-License-Identifier: GPL-3.0-or-later
#include <cstdio>
#include <filesystem>
#include <functional>
#include <iostream>

#include "cli/commands.h"
#include "core/base/file_writer.h"
#include "core/emit/driver_script.h"
#include "core/sim/script.h"
#include "core/sim/trace.h"

namespace gorsefinch::cli {

namespace {

struct ViewOptions {
    std::string project, screen, out, script, frames, raw, driver, trace;
    std::vector<std::string> sets;
    uint32_t at = 0, until = 0;
};

bool endsWith(const std::string& text, const char* ending) { return text.ends_with(ending); }

Result<void> writeFrame(const Twin& twin, const std::string& path) {
    Disk disk;
    if (endsWith(path, ".bin"))
        return replaceFile(disk, path, std::string(twin.memory().bytes().begin(), twin.memory().bytes().end()));
    return replaceFile(disk, path, encodePng(twin.memory().picture()));
}

std::optional<Error> applySets(Twin& twin, const std::vector<std::string>& sets) {
    for (const std::string& each : sets) {
        const size_t equals = each.find('=');
        if (equals == std::string::npos)
            return Error{"--set", each, "write VARIABLE=VALUE", ""};
        if (const auto set = twin.set(each.substr(0, equals), each.substr(equals + 1)); !set)
            return set.error();
    }
    return std::nullopt;
}

void advance(Twin& twin, uint32_t from, uint32_t to, const std::function<void()>& after = {}) {
    for (uint32_t ms = from; ms < to; ms += 10) {
        twin.step(ms);
        if (after)
            after();
    }
    twin.step(to);
    if (after)
        after();
}

int render(const ViewOptions& o) {
    if (!endsWith(o.out, ".png") && !endsWith(o.out, ".bin")) {
        std::cerr << "gorsefinch-cli: -o: a picture ends in .png, the panel's own bytes in .bin\n";
        return kUsage;
    }
    SceneBuilder builder;
    const auto project = open(o.project, builder);
    if (!project)
        return kProblems;
    // A .bin is what the panel's memory holds; a .png is what the user sees.
    Twin twin(project->scene, endsWith(o.out, ".bin") ? Twin::View::Panel : Twin::View::Upright);
    if (const auto error = applySets(twin, o.sets))
        return refuse(*error);
    if (!o.screen.empty()) {
        const int screen = project->document.screenIndex(o.screen);
        if (screen < 0)
            return refuse(
                {o.project, "--screen", "there is no screen \"" + o.screen + "\"", "See the names in screens/"});
        // What the rules do at the start comes first: they may lead elsewhere.
        twin.step(0);
        twin.go(screen);
    }
    advance(twin, 0, o.at);
    if (const auto written = writeFrame(twin, o.out); !written)
        return refuse(written.error());
    return kFine;
}

Result<std::vector<ScriptStep>> readScript(const std::string& path) {
    if (path.empty())
        return std::vector<ScriptStep>();
    Disk disk;
    const auto text = readFile(disk, path, size_t{1} << 20);
    return text ? parseScript(*text, path) : tl::unexpected(text.error());
}

// The files that a run writes step by step. Keeps the first error.
class RunFiles {
  public:
    RunFiles(const ViewOptions& o, const Twin& twin) : o_(o), twin_(twin) {
        open(o.raw, raw_);
        open(o.trace, trace_);
        if (state_ && !o.frames.empty())
            if (const auto made = Folder::make(disk_, o.frames); !made)
                state_ = tl::unexpected(made.error());
    }

    const Result<void>& state() const { return state_; }

    void addFrame(int step) {
        if (raw_)
            raw_->append(std::string(twin_.memory().bytes().begin(), twin_.memory().bytes().end()));
        char name[32];
        std::snprintf(name, sizeof name, "%04d.png", step);
        if (!o_.frames.empty() && state_)
            state_ = writeFrame(twin_, (std::filesystem::path(o_.frames) / name).string());
    }
    void addTrace(const BuiltScene& scene, const std::vector<TraceEntry>& entries) {
        if (trace_)
            for (const TraceEntry& each : entries)
                trace_->append(traceLine(scene, each) + "\n");
    }
    Result<void> finish() {
        for (std::optional<FileWriter>* each : {&trace_, &raw_})
            if (*each && state_)
                state_ = (*each)->finish();
        return state_;
    }

  private:
    void open(const std::string& path, std::optional<FileWriter>& out) {
        if (path.empty() || !state_)
            return;
        auto file = FileWriter::open(disk_, path);
        if (file)
            out.emplace(std::move(*file));
        else
            state_ = tl::unexpected(file.error());
    }

    const ViewOptions& o_;
    const Twin& twin_;
    Disk disk_;
    std::optional<FileWriter> raw_, trace_;
    Result<void> state_;
};

int runProject(const ViewOptions& o) {
    SceneBuilder builder;
    const auto project = open(o.project, builder);
    if (!project)
        return kProblems;
    const auto steps = readScript(o.script);
    if (!steps)
        return refuse(steps.error());
    // The panel's own bytes come from its memory as it is wired; pictures from what the user sees.
    Twin twin(project->scene, o.raw.empty() ? Twin::View::Upright : Twin::View::Panel);
    RunFiles files(o, twin);
    if (!files.state())
        return refuse(files.state().error());
    // Memory must not grow with the length of the run.
    const auto drain = [&] {
        (void)twin.takeFlushed();
        files.addTrace(*project->scene, twin.takeTrace());
    };
    const auto after = [&](int step) {
        files.addFrame(step);
        drain();
    };
    if (const auto ran = runScript(twin, *steps, o.script, after); !ran)
        return refuse(ran.error());
    if (o.until > twin.now())
        advance(twin, twin.now(), o.until, drain);
    if (!o.frames.empty() && o.until > 0)
        after(static_cast<int>(steps->size()) + 1);
    auto wrote = files.finish();
    Disk disk;
    if (!o.driver.empty() && wrote)
        wrote = driverScript(*project->scene, *steps).and_then([&](const std::string& text) {
            return replaceFile(disk, o.driver, text);
        });
    std::cout << steps->size() << " steps, " << twin.now() << " ms, screen "
              << project->document.screens[static_cast<size_t>(twin.screen())]->name << "\n";
    for (const Variable& each : *project->document.variables)
        std::cout << each.name << "=" << twin.get(each.name) << "\n";
    return wrote ? kFine : refuse(wrote.error());
}

}  // namespace

void addViewCommands(CLI::App& app, int& exitCode) {
    static ViewOptions o;
    auto* view = app.add_subcommand("render", "Write a screen as a picture or as the panel's bytes");
    view->add_option("PROJECT", o.project, "the project's folder")->required();
    view->add_option("--screen", o.screen, "which screen; the first without it");
    view->add_option("--set", o.sets, "VARIABLE=VALUE, as often as needed");
    view->add_option("--at", o.at, "after so many ms")->check(CLI::Range(0u, 86400000u));
    view->add_option("-o", o.out, "FILE.png, or FILE.bin for the panel's own bytes")->required();
    view->callback([&exitCode] { exitCode = render(o); });

    auto* runner = app.add_subcommand("run", "Run the interface with a script of touches and values");
    runner->add_option("PROJECT", o.project, "the project's folder")->required();
    runner->add_option("--script", o.script,
                       "a file of steps: wait MS, press X Y, move X Y, release X Y, tap X Y, set VARIABLE VALUE");
    runner->add_option("--until", o.until, "go on until so many ms")->check(CLI::Range(0u, 86400000u));
    runner->add_option("--frames", o.frames, "write a PNG after each step into this folder");
    runner->add_option("--trace", o.trace, "write what happened, one line a thing, into this file");
    runner->add_option("--raw", o.raw, "write the panel's own bytes after each step into this one file");
    runner->add_option("--driver", o.driver, "write the script's steps as C, to run generated code through them");
    runner->callback([&exitCode] { exitCode = runProject(o); });
}

}  // namespace gorsefinch::cli
