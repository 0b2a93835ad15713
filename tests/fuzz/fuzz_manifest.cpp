// SPDX-License-Identifier: GPL-3.0-or-later
// Any bytes as the manifest of an output folder: what it names may be replaced or removed only if its content is what
// the manifest lists, and nothing outside.
#include "core/base/hash.h"
#include "core/emit/output_folder.h"
#include "tests/fuzz/small_project.h"
#include "tests/support/memory_disk.h"

using namespace gorsefinch;

extern "C" int LLVMFuzzerTestOneInput(const uint8_t* data, size_t size) {
    static SceneBuilder builder;
    static const GeneratedCode code = generateCode(*builder.build(*fuzz::readFiles(fuzz::smallProject()).document));
    const std::string bytes = fuzz::text(data, size);
    const ManifestHashes hashes = manifestHashes(bytes);
    support::MemoryDisk disk;
    disk.put("/out/MANIFEST.json", bytes);
    disk.put("/out/notes.txt", "mine");
    disk.put("/out/gorse/old.c", "old");
    disk.put("/secret", "mine too");
    const bool written = writeOutput(code, "/out", disk).has_value();
    fuzz::expect(disk.get("/secret") == "mine too");
    const auto told = [&](const char* path, const char* content) {
        const auto found = hashes.find(path);
        return found != hashes.end() && found->second.count(sha256(content)) != 0;
    };
    fuzz::expect(disk.has("/out/notes.txt") || told("notes.txt", "mine"));
    fuzz::expect(disk.has("/out/gorse/old.c") || told("gorse/old.c", "old"));
    if (written)
        for (const auto& [path, text] : code.files)
            fuzz::expect(disk.get("/out/" + path) == text);
    return 0;
}
