// SPDX-License-Identifier: GPL-3.0-or-later
// Any bytes as a table of variables, and as a C header. What is read is usable, and is the same once it was written.
#include "core/document/names.h"
#include "core/edits/variable_header.h"
#include "core/emit/export_variables.h"
#include "core/edits/variable_line.h"
#include "tests/fuzz/fuzz.h"

namespace {

using namespace gorsefinch;

void expectUsable(const Variable& v) {
    fuzz::expect(!nameError(v.name) && v.decimals >= 0 && v.decimals <= 6 && v.length >= 1 &&
                 v.length <= kMaxTextLength && v.min <= v.start && v.start <= v.max);
}

void expectTold(const Error& error) { fuzz::expect(!error.reason.empty() && !error.remedy.empty()); }

}  // namespace

extern "C" int LLVMFuzzerTestOneInput(const uint8_t* data, size_t size) {
    const std::string text(fuzz::text(data, size));
    const auto table = variablesFromCsv(text, "any");
    const auto header = variablesFromHeader(text, "any");
    if (!table)
        expectTold(table.error());
    if (!header)
        expectTold(header.error());
    for (const auto* read : {&table, &header})
        if (*read)
            for (const Variable& each : (*read)->variables)
                expectUsable(each);
    if (table) {
        const auto again = variablesFromCsv(variablesToCsv(table->variables), "again");
        fuzz::expect(again && again->variables == table->variables);
    }
    if (header && !header->variables.empty()) {
        const auto again = variablesFromHeader(variablesToHeader("any", header->variables), "again", header->variables);
        fuzz::expect(again && again->variables.size() == header->variables.size());
    }
    return 0;
}
