// SPDX-License-Identifier: GPL-3.0-or-later
#include <QGuiApplication>
#include <QLoggingCategory>
#include <iostream>

#include "cli/commands.h"

namespace {

int run(int count, char** words) {
    CLI::App app{"Gorsefinch on the command line: the work of the application without a window"};
    app.name("gorsefinch-cli");
    app.set_version_flag("--version", "gorsefinch-cli 0.1.0");
    app.require_subcommand(1);
    int exitCode = gorsefinch::cli::kFine;
    gorsefinch::cli::addProjectCommands(app, exitCode);
    gorsefinch::cli::addViewCommands(app, exitCode);
    gorsefinch::cli::addImageCommand(app, exitCode);
    gorsefinch::cli::addFontCommand(app, exitCode);
    try {
        app.parse(count, words);
    } catch (const CLI::ParseError& error) {
        return app.exit(error, std::cout, std::cerr) == 0 ? gorsefinch::cli::kFine : gorsefinch::cli::kUsage;
    }
    return exitCode;
}

}  // namespace

int main(int count, char** words) {
    // The toolkit's warnings are not part of the output.
    QLoggingCategory::setFilterRules("*=false");
    // Drawings with text need the toolkit's fonts. It does not open a display.
    char name[] = "gorsefinch-cli", platform[] = "-platform", offscreen[] = "offscreen";
    char* arguments[] = {name, platform, offscreen, nullptr};
    int argumentCount = 3;
    const QGuiApplication toolkit(argumentCount, arguments);
    try {
        return run(count, words);
    } catch (const std::exception& error) {
        std::cerr << "gorsefinch-cli: a mistake in the program: " << error.what() << "\n";
        return gorsefinch::cli::kProblems;
    }
}
