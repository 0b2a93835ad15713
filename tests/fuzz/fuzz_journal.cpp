// SPDX-License-Identifier: GPL-3.0-or-later
// Any bytes as a journal, and as what a crash left, in a folder on a disk in memory: read whole or kept as they are.
#include "core/project/journal_text.h"
#include "core/project/project_folder.h"
#include "tests/fuzz/small_project.h"
#include "tests/support/memory_disk.h"

using namespace gorsefinch;

extern "C" int LLVMFuzzerTestOneInput(const uint8_t* data, size_t size) {
    const std::string bytes = fuzz::text(data, size);
    if (const auto files = readJournalText("any", bytes))
        fuzz::expect(journalText(*files) == bytes);
    support::MemoryDisk disk;
    for (const auto& [path, text] : fuzz::smallProject())
        disk.put("/p/" + path, text);
    // The check sum keeps most inputs from what lies behind it: the body is tried with the right one too.
    const ProjectFiles body{{"screens/first.json", SharedBytes(bytes)},
                            {"gorsefinch.json", SharedBytes(fuzz::smallProject().at("gorsefinch.json"))}};
    disk.put("/p/.gorsefinch-journal", size % 2 == 0 ? bytes : journalText(body));
    disk.put("/p/.gorsefinch-unsaved-007", bytes);
    ProjectFolder project(disk, "/p");
    fuzz::expect(!*project.own());
    const ReadProject read = project.open();
    fuzz::expect(read.document.has_value());
    const std::string before = disk.get("/p/.gorsefinch-journal");
    const bool kept = project.keepUnsaved(*read.document).has_value();
    fuzz::expect(kept || disk.get("/p/.gorsefinch-unreadable-1") == before);
    (void)project.latestUnsaved();
    fuzz::expect(disk.get("/p/.gorsefinch-unsaved-007") == bytes);
    for (const auto& [path, text] : fuzz::smallProject())
        fuzz::expect(disk.get("/p/" + path) == text);
    return 0;
}
