// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include <optional>
#include <string>

namespace gorsefinch {

struct DateTime {
    int year, month, day, hour, minute, second;
};

// "2026-11-30 14:05:00", or without the seconds; nothing for anything else. Days are not compared with the month.
std::optional<DateTime> dateFromText(const std::string& text);

}  // namespace gorsefinch
