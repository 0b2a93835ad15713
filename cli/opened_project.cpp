// SPDX-License-Identifier: GPL-3.0-or-later
#include <algorithm>
#include <iostream>

#include "cli/commands.h"
#include "core/project/project_folder.h"

namespace gorsefinch::cli {

int refuse(const Error& error) {
    std::cerr << "gorsefinch-cli: " << error.text() << "\n";
    return kProblems;
}

int usage(const std::string& words) {
    std::cerr << "gorsefinch-cli: " << words << "\n";
    return kUsage;
}

void print(const Problems& problems, std::ostream& out) {
    Problems sorted = problems;
    std::stable_sort(sorted.begin(), sorted.end(),
                     [](const Problem& a, const Problem& b) { return a.severity > b.severity; });
    for (const Problem& each : sorted)
        out << (each.severity == Severity::Error     ? "error: "
                : each.severity == Severity::Warning ? "warning: "
                                                     : "note: ")
            << each.text() << "\n";
}

std::optional<OpenedProject> open(const std::string& folder, SceneBuilder& builder) {
    Disk disk;
    ReadProject read = ProjectFolder(disk, folder).open();
    if (!read.document) {
        print(read.problems, std::cerr);
        return std::nullopt;
    }
    OpenedProject out;
    out.document = std::move(*read.document);
    out.scene = builder.build(out.document);
    out.problems = std::move(read.problems);
    out.problems.insert(out.problems.end(), out.scene->problems.begin(), out.scene->problems.end());
    return out;
}

}  // namespace gorsefinch::cli
