// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include <span>
#include <string_view>

#include "core/base/problem.h"
#include "core/base/result.h"
#include "core/document/document.h"

// Variables as comma-separated values (RFC 4180), for spreadsheets and scripts.
namespace gorsefinch {

inline constexpr size_t kMaxCsv = size_t{4} << 20;  // bytes

// A line of column names, then a line for each variable. Numbers have the decimals of their variable.
std::string variablesToCsv(std::span<const Variable> variables);

// What a table of variables holds, and what in it can't be used; those lines are left out.
struct ReadVariables {
    std::vector<Variable> variables;
    Problems problems;  // their place is "line N"
};
// Columns may be in any order; only `name` has to be there. Lines end with LF or CRLF; a byte order mark is skipped;
// separators are commas, or semicolons if the first line has no comma. `file` is named in messages. An error if it is
// no such table, or larger than kMaxCsv. Of a variable whose name is among the known ones, what the table has no column
// for stays as it is; a new one gets defaults.
Result<ReadVariables> variablesFromCsv(std::string_view text, const std::string& file,
                                       std::span<const Variable> known = {});

// The document with these variables: those of a known name are replaced, others are
// added at the end. A name that something else has is left out and reported.
struct MergedVariables {
    Document document;
    int added = 0, changed = 0;
    Problems problems;
};
MergedVariables withVariables(const Document& document, std::span<const Variable> variables);

}  // namespace gorsefinch
