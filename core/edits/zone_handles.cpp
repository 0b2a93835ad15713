// SPDX-License-Identifier: GPL-3.0-or-later
#include "core/edits/zone_handles.h"

#include <algorithm>
#include <cmath>
#include <numbers>

#include "core/base/decimal.h"
#include "core/kinds/kinds.h"

namespace gorsefinch {

namespace {

constexpr double kDegreesInTurn = 360;
constexpr double kInside = 0.86;  // where they are, in parts of the radius

// A round scale of values, in steps of 10^-decimals.
struct Scale {
    RoundPlace round;
    double from, sweep;  // degrees
    int32_t min, max;
    int decimals;

    double angleOf(int32_t value) const {
        return from + sweep * (double(std::clamp(value, min, max)) - min) / (double(max) - min);
    }
};

std::string textOf(const Document& document, const Widget& widget, const char* key) {
    return std::get<std::string>(effectiveValue(document, widget, key));
}

std::optional<Scale> scaleOf(const Document& document, const Widget& widget) {
    const KindInfo& kind = info(widget.kind);
    if (!kind.round || widget.expressions.count("value") != 0 || !findIn(kind.properties, "from_angle") ||
        !findIn(kind.properties, "min"))
        return std::nullopt;
    const WholeOf whole = [&](const char* key) {
        return static_cast<int>(std::get<int64_t>(effectiveValue(document, widget, key)));
    };
    const Variable* variable = document.variable(textOf(document, widget, "value"));
    Scale out{kind.round(widget, whole),    double(whole("from_angle")),    0,
              variable ? variable->min : 0, variable ? variable->max : 100, variable ? variable->decimals : 0};
    out.sweep = std::fmod(whole("to_angle") - out.from + 2 * kDegreesInTurn, kDegreesInTurn);
    out.sweep = out.sweep == 0 ? kDegreesInTurn : out.sweep;
    out.min = decimalFromText(textOf(document, widget, "min"), out.decimals).value_or(out.min);
    out.max = decimalFromText(textOf(document, widget, "max"), out.decimals).value_or(out.max);
    return out.min < out.max ? std::optional(out) : std::nullopt;
}

ZoneList zonesOf(const Document& document, const Widget& widget, const PropertyInfo& property) {
    return std::get<ZoneList>(effectiveValue(document, widget, property.key));
}

// The smallest of 1, 2, 5, 10, 20, ... that is not below a number.
double niceStep(double atLeast) {
    double step = std::pow(10, std::floor(std::log10(std::max(atLeast, 1.0))));
    for (const double factor : {1.0, 2.0, 5.0})
        if (step * factor >= atLeast)
            return step * factor;
    return step * 10;
}

}  // namespace

std::vector<DragHandle> zoneHandles(const Document& document, const Widget& widget, const PropertyInfo& zones) {
    std::vector<DragHandle> out;
    const auto scale = scaleOf(document, widget);
    if (!scale)
        return out;
    std::vector<int32_t> known;
    const ZoneList all = zonesOf(document, widget, zones);
    for (size_t i = 0; i < all.size(); ++i)
        for (const size_t upper : {0u, 1u}) {
            const auto limit = decimalFromText(upper == 1 ? all[i].to : all[i].from, scale->decimals);
            if (!limit || std::find(known.begin(), known.end(), *limit) != known.end())
                continue;
            known.push_back(*limit);
            const double angle = scale->angleOf(*limit) * std::numbers::pi / 180;
            const RoundPlace& round = scale->round;
            out.push_back({&zones,
                           2 * i + upper,
                           {round.x + kInside * round.radiusX * std::sin(angle),
                            round.y - kInside * round.radiusY * std::cos(angle)}});
        }
    return out;
}

ZoneList zonesDraggedTo(const Document& document, const Widget& widget, const DragHandle& handle, BoxPlace to,
                        bool coarse) {
    ZoneList all = zonesOf(document, widget, *handle.property);
    const auto scale = scaleOf(document, widget);
    if (!scale || handle.index / 2 >= all.size())
        return all;
    const Zone& zone = all[handle.index / 2];
    const auto before = decimalFromText(handle.index % 2 == 1 ? zone.to : zone.from, scale->decimals);
    const double turned = std::atan2(to.x - scale->round.x, scale->round.y - to.y) * 180 / std::numbers::pi;
    double way = std::fmod(turned - scale->from + 2 * kDegreesInTurn, kDegreesInTurn);
    // What lies beyond the scale is at its nearer end.
    if (way > scale->sweep)
        way = way - scale->sweep < kDegreesInTurn - way ? scale->sweep : 0;
    const double range = double(scale->max) - scale->min;
    const double step = niceStep(range / (coarse ? 20 : 200));
    const double value = std::round((scale->min + range * way / scale->sweep) / step) * step;
    const std::string text =
        decimalText(static_cast<int32_t>(std::clamp(value, double(scale->min), double(scale->max))), scale->decimals);
    for (Zone& each : all)
        for (std::string* end : {&each.from, &each.to})
            if (!end->empty() && decimalFromText(*end, scale->decimals) == before)
                *end = text;
    return all;
}

}  // namespace gorsefinch
