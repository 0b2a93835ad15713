// SPDX-License-Identifier: GPL-3.0-or-later
#include "core/rules/clock_forms.h"

#include <algorithm>

namespace gorsefinch {

namespace {

bool isLetter(char c) { return (c >= 'a' && c <= 'z') || (c >= 'A' && c <= 'Z'); }

// What so many of one letter show; nothing if they show nothing.
std::optional<ClockPart> partOf(std::string_view letters, const Clock& clock) {
    struct Field {
        std::string_view letters;
        const char* expression;
        int digits;
    };
    constexpr Field fields[] = {{"s", "clock.second", 1},
                                {"ss", "clock.second", 2},
                                {"m", "clock.minute", 1},
                                {"mm", "clock.minute", 2},
                                {"H", "clock.hour", 1},
                                {"HH", "clock.hour", 2},
                                {"h", "(clock.hour + 11) % 12 + 1", 1},
                                {"hh", "(clock.hour + 11) % 12 + 1", 2},
                                {"a", "clock.hour / 12 + 1", 1},
                                {"d", "clock.day", 1},
                                {"dd", "clock.day", 2},
                                {"ddd", "clock.weekday", 1},
                                {"M", "clock.month", 1},
                                {"MM", "clock.month", 2},
                                {"MMM", "clock.month", 1},
                                {"yy", "clock.year % 100", 2},
                                {"yyyy", "clock.year", 4}};
    const auto field =
        std::find_if(std::begin(fields), std::end(fields), [&](const Field& each) { return each.letters == letters; });
    if (field == std::end(fields))
        return std::nullopt;
    ClockPart out;
    out.expression = field->expression;
    out.digits = field->digits;
    if (letters == "ddd")
        out.names.assign(clock.days.begin(), clock.days.end());
    else if (letters == "MMM")
        out.names.assign(clock.months.begin(), clock.months.end());
    else if (letters == "a")
        out.names = {"am", "pm"};
    return out;
}

}  // namespace

std::optional<std::vector<ClockPart>> clockParts(std::string_view form, const Clock& clock) {
    std::vector<ClockPart> out;
    while (!form.empty()) {
        const char first = form.front();
        const bool letters = isLetter(first);
        const auto end =
            std::find_if(form.begin(), form.end(), [&](char c) { return letters ? c != first : isLetter(c); });
        const auto size = static_cast<size_t>(end - form.begin());
        if (const std::string_view piece = form.substr(0, size); !letters) {
            out.push_back({std::string(piece), {}, 1, {}});
        } else if (auto part = partOf(piece, clock)) {
            out.push_back(std::move(*part));
        } else {
            return std::nullopt;
        }
        form.remove_prefix(size);
    }
    if (out.empty())
        return std::nullopt;
    return out;
}

}  // namespace gorsefinch
