// SPDX-License-Identifier: GPL-3.0-or-later
#include "core/kinds/kinds.h"
#include "core/kinds/runtime_records.h"

namespace gorsefinch {

constinit const KindInfo zoneKind{
    .kind = Kind::Zone,
    .key = "zone",
    .help = "a touch target that shows nothing",
    .group = KindGroup::Controls,
    .suffix = "zone",
    .width = 80,
    .height = 48,
    .properties = {},
    .record = &widgetRecord,
    .traits = kIsTouched | kIsUnseen,
    .runtime = {&gorse_kind_zone, "gorse_kind_zone", "gorse_kind_zone.c"},
};

}  // namespace gorsefinch
