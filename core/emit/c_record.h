// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include <functional>
#include <string>

#include "core/kinds/record.h"

namespace gorsefinch {

// Returns what a pointer of a record is written as, such as "&kiln_look_1"; not called for null, which is "0".
using PointerName = std::function<std::string(const FieldInfo& field, const void* to)>;

// A record in the desktop's memory as a C initialiser, the same on every target: "{{&kind, ...}, text_1, 0, {0, 0}}".
std::string recordInitialiser(const RecordInfo& record, const void* bytes, const PointerName& nameOf);

// The expression for the first head of a record: "symbol.label.widget"; "symbol" if it has none.
std::string headOf(const RecordInfo& record, const std::string& symbol);

}  // namespace gorsefinch
