// SPDX-License-Identifier: GPL-3.0-or-later
#include "core/rules/clock_fields.h"

namespace gorsefinch {

const std::array<Variable, GORSE_CLOCK_NUMBERS>& clockVariables() {
    static const auto all = [] {
        struct Field {
            const char* name;
            int min, max, start;
        };
        // The first of January 2000 was a Saturday.
        constexpr Field fields[GORSE_CLOCK_NUMBERS] = {
            {"second", 0, 59, 0}, {"minute", 0, 59, 0},       {"hour", 0, 23, 0},  {"day", 1, 31, 1},
            {"month", 1, 12, 1},  {"year", 2000, 2099, 2000}, {"weekday", 1, 7, 6}};
        std::array<Variable, GORSE_CLOCK_NUMBERS> out;
        for (size_t i = 0; i < out.size(); ++i) {
            out[i].name = std::string(kClockName) + "." + fields[i].name;
            out[i].min = fields[i].min;
            out[i].max = fields[i].max;
            out[i].start = fields[i].start;
        }
        return out;
    }();
    return all;
}

const Variable* clockField(std::string_view field) {
    for (const Variable& each : clockVariables())
        if (std::string_view(each.name).substr(std::string_view(kClockName).size() + 1) == field)
            return &each;
    return nullptr;
}

}  // namespace gorsefinch
