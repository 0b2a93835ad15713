// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include <string>

#include "core/scene/built_scene.h"
#include "runtime/gorse_wrapped.h"

// Names of the runtime's functions and tables that scenes point to, as they are written in C.
namespace gorsefinch {

const char* motionSymbol(const gorse_motion* motion);
const char* paintSymbol(const gorse_panel& panel);
const char* extendedCodeSymbol(const gorse_scene& scene);

// True if some widgets let what is below them through.
bool fades(const BuiltScene& scene);
// True if some widgets are drawn by a wrapped kind.
bool hasWrappedKinds(const BuiltScene& scene);
// The table of a wrapped kind, which goes on to `runtime`; in one line.
std::string wrappedKindTable(const std::string& name, const gorse_wrapped_kind& wrapped, const RecordInfo& record,
                             const RuntimeKind& runtime);

}  // namespace gorsefinch
