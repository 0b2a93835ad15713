// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include <string>
#include <string_view>
#include <vector>

namespace gorsefinch {

// One function of the runtime as its compilers report it at -Os: see stack_frames.pl.
struct StackFrame {
    std::string_view source, function;
    int word32, word8;       // bytes, the return address included
    std::string_view calls;  // names, and *table.pointer for calls through a pointer
    std::string_view fills;  // the pointers of tables that point to it
};

// Bytes of stack that the deepest call takes which a firmware can make, on a target of words of so many bits: the
// frames along the longest chain of calls through these files of the runtime, and the generated function's own. What
// the firmware's functions (flush, read, hooks, changed) take themselves is not in it.
long stackDepth(const std::vector<std::string>& sources, int wordBits);

}  // namespace gorsefinch
