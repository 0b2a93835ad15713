// SPDX-License-Identifier: GPL-3.0-or-later
#include "core/kinds/kinds.h"
#include "core/kinds/runtime_records.h"

namespace gorsefinch {

namespace {

const PropertyInfo assemblyProperties[] = {
    {.key = kOfKey,
     .label = "Assembly",
     .type = PropertyType::Words,
     .fallback = std::string(),
     .help = "what it is a use of"},
};

}  // namespace

// Expansion makes a group of it, see core/assemblies/assemblies.h.
constinit const KindInfo assemblyKind{
    .kind = Kind::Assembly,
    .key = "assembly",
    .help = "a use of an assembly, which follows it",
    .group = KindGroup::Own,
    .suffix = "part",
    .width = 120,
    .height = 80,
    .properties = assemblyProperties,
    .record = &groupRecord,
    .runtime = {&gorse_kind_group, "gorse_kind_group", "gorse_kind_group.c"},
};

}  // namespace gorsefinch
