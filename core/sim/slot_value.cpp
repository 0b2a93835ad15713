// SPDX-License-Identifier: GPL-3.0-or-later
#include "core/sim/slot_value.h"

#include <algorithm>

#include "runtime/gorse_internal.h"

namespace gorsefinch {

namespace {

PropertyValue valueOf(const BuiltScene& scene, const SlotInfo& slot, int32_t value) {
    if (slot.shown)
        return decimalText(value, slot.shown->decimals);
    switch (slot.property->type) {
        case PropertyType::YesNo: return value != 0;
        case PropertyType::Colour: return Colour{static_cast<uint32_t>(value)};
        case PropertyType::Choice: {
            const auto& words = slot.property->choices;
            return std::string(
                words[static_cast<size_t>(std::clamp<int32_t>(value, 0, static_cast<int32_t>(words.size()) - 1))]);
        }
        case PropertyType::Text: {
            const std::vector<std::string>& words = scene.rules->stringWords;
            return value >= 0 && static_cast<size_t>(value) < words.size() ? words[static_cast<size_t>(value)]
                                                                           : std::string();
        }
        default: return int64_t{value};
    }
}

}  // namespace

std::optional<PropertyValue> slotValue(Twin& twin, int screen, int widget, const PropertyInfo& property) {
    const std::vector<SlotInfo>& slots = twin.scene().rules->slots;
    const auto found = std::find_if(slots.begin(), slots.end(), [&](const SlotInfo& each) {
        return each.screen == screen && each.widget == widget && each.property == &property;
    });
    if (found == slots.end())
        return std::nullopt;
    return valueOf(twin.scene(), *found, gorse_slots(twin.run())[found - slots.begin()]);
}

}  // namespace gorsefinch
