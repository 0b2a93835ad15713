// SPDX-License-Identifier: GPL-3.0-or-later
#include "core/sim/date_text.h"

#include <regex>

namespace gorsefinch {

std::optional<DateTime> dateFromText(const std::string& text) {
    static const std::regex form(R"((\d{4})-(\d\d)-(\d\d) (\d\d):(\d\d)(:(\d\d))?)");
    std::smatch found;
    if (!std::regex_match(text, found, form))
        return std::nullopt;
    const auto number = [&](size_t at) { return found[at].matched ? std::stoi(found[at].str()) : 0; };
    return DateTime{number(1), number(2), number(3), number(4), number(5), number(7)};
}

}  // namespace gorsefinch
