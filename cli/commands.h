// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include <CLI/CLI.hpp>
#include <string>

#include "core/base/files.h"
#include "core/scene/built_scene.h"

// The commands of the command line. Each adds itself to the program and, when chosen, sets the exit code:
// 0 fine, 1 problems found or refused, 2 wrong usage.
namespace gorsefinch::cli {

inline constexpr int kFine = 0, kProblems = 1, kUsage = 2;

void addProjectCommands(CLI::App& app, int& exitCode);  // new, check, generate
void addViewCommands(CLI::App& app, int& exitCode);     // render, run
void addImageCommand(CLI::App& app, int& exitCode);
void addFontCommand(CLI::App& app, int& exitCode);

// Writes the error to the error stream and gives back kProblems.
int refuse(const Error& error);
// Writes what is wrong with the arguments to the error stream; returns kUsage.
int usage(const std::string& words);

// A project that was opened, built and reported on the error stream; nothing if it can't be opened.
struct OpenedProject {
    Document document;
    Problems problems;
    BuiltSceneRef scene;
};
std::optional<OpenedProject> open(const std::string& folder, SceneBuilder& builder);

// Prints problems one a line, worst first.
void print(const Problems& problems, std::ostream& out);

}  // namespace gorsefinch::cli
