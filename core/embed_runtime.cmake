# SPDX-License-Identifier: GPL-3.0-or-later
# Writes a C++ file that holds the runtime's sources as texts: cmake -DOUT=... -DDIR=... -P embed_runtime.cmake
file(GLOB SOURCES ${DIR}/*.c ${DIR}/*.h)
list(SORT SOURCES)
set(TEXT "// Made by core/embed_runtime.cmake from runtime/: change the sources there.\n#include \"core/emit/runtime_sources.h\"\n\nnamespace gorsefinch {\n\nstd::span<const RuntimeSource> runtimeSources() {\n    static const RuntimeSource all[] = {\n")
foreach(SOURCE ${SOURCES})
    get_filename_component(NAME ${SOURCE} NAME)
    file(READ ${SOURCE} CONTENT)
    string(APPEND TEXT "{\"${NAME}\", R\"gorse(${CONTENT})gorse\"},\n")
endforeach()
string(APPEND TEXT "    };\n    return all;\n}\n\n}  // namespace gorsefinch\n")
file(WRITE ${OUT} "${TEXT}")
