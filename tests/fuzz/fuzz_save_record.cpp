// SPDX-License-Identifier: GPL-3.0-or-later
// Any bytes as the record of a save, in a folder with files that such a record might name: carried out only if this
// program could have written it, and then nothing but what it says.
#include "core/project/project_folder.h"
#include "tests/fuzz/small_project.h"
#include "tests/support/memory_disk.h"

using namespace gorsefinch;

extern "C" int LLVMFuzzerTestOneInput(const uint8_t* data, size_t size) {
    const std::string bytes = fuzz::text(data, size);
    support::MemoryDisk disk;
    for (const auto& [path, text] : fuzz::smallProject())
        disk.put("/p/" + path, text);
    const std::string part = kSavePart + std::string(32, 'a');
    disk.put("/p/rules/" + part, "new\n");
    disk.put("/p/images/thesis.txt", "years of work");
    disk.put("/victim/thesis.txt", "years of work");
    disk.putLink("/p/fonts");
    disk.put("/p/.gorsefinch-save", bytes);
    const auto record = readSaveRecord(bytes);
    fuzz::expect(!record || saveRecordText(*record) == bytes);
    const auto before = disk.held(false);
    {
        ProjectFolder looks(disk, "/p");
        (void)looks.open();
        fuzz::expect(disk.held(false) == before && disk.get("/p/.gorsefinch-save") == bytes);
    }
    ProjectFolder owns(disk, "/p");
    fuzz::expect(!*owns.own());
    (void)owns.open();
    fuzz::expect(disk.get("/victim/thesis.txt") == "years of work");
    if (!record)
        fuzz::expect(disk.held(false) == before && disk.get("/p/.gorsefinch-refused-1") == bytes);
    return 0;
}
