// SPDX-License-Identifier: GPL-3.0-or-later
#include "core/scene/text_widths.h"

#include <algorithm>

#include "runtime/gorse_text.h"

namespace gorsefinch {

int lineWidth(const gorse_font& font, const std::string& line) {
    gorse_line measured;
    (void)gorse_next_line(&font, gorse_plain_text(line.c_str()), 0, 0, 0, &measured);
    return measured.width;
}

int widestLine(const gorse_font& font, const std::string& text) {
    int width = 0;
    for (size_t begin = 0; begin <= text.size();) {
        const size_t end = std::min(text.find('\n', begin), text.size());
        width = std::max(width, lineWidth(font, text.substr(begin, end - begin)));
        begin = end + 1;
    }
    return width;
}

namespace {

char widestDigit(const gorse_font& font) {
    char widest = '0';
    for (char digit = '1'; digit <= '9'; ++digit)
        if (lineWidth(font, std::string(1, digit)) > lineWidth(font, std::string(1, widest)))
            widest = digit;
    return widest;
}

// The text with the digits of the value as wide as they get.
std::string widest(const gorse_font& font, std::string text) {
    const char digit = widestDigit(font);
    std::replace_if(
        text.begin(), text.end(), [](char c) { return c >= '0' && c <= '9'; }, digit);
    return text;
}

}  // namespace

int widestWithAnyDigits(const gorse_font& font, const std::string& text) {
    return widestLine(font, widest(font, text));
}

}  // namespace gorsefinch
