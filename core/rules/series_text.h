// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include <string>
#include <string_view>

namespace gorsefinch {

// In the texts, expressions and rules of a series: the number of the widget, from 0.
inline constexpr const char* kSeriesWord = "series";

// The text with insets, or the expression, of number `series` in a series. Sums of whole numbers become plain text in
// the first.
std::string textInSeries(std::string_view text, int series);
std::string expressionInSeries(std::string_view expression, int series);

}  // namespace gorsefinch
