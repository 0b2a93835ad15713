// SPDX-License-Identifier: GPL-3.0-or-later
#include "core/edits/sum.h"

#include <charconv>
#include <cmath>
#include <string>

namespace gorsefinch {

namespace {

constexpr int kMaxNesting = 50;
constexpr double kMaxSum = 1e6;

// sum := [own] {+- product}; product := part {*/ part}; part := number | name | ( sum ) | - part
class SumReader {
  public:
    SumReader(std::string_view text, const SumValues& values) : values_(values) {
        for (const char each : text)
            if (each != ' ' && each != '\t')
                text_ += each;
    }

    std::optional<int> run() {
        if (!text_.empty() && std::string_view("+*/").find(text_[0]) != std::string_view::npos)
            text_ = "o" + text_;
        const double value = sum(0);
        if (!fine_ || at_ != text_.size() || text_.empty() || !std::isfinite(value) || std::abs(value) > kMaxSum)
            return std::nullopt;
        return static_cast<int>(std::lround(value));
    }

  private:
    bool take(std::string_view word) {
        if (std::string_view(text_).substr(at_, word.size()) != word)
            return false;
        at_ += word.size();
        return true;
    }
    double sum(int depth) {
        double value = product(depth);
        for (;;) {
            if (take("+"))
                value += product(depth);
            else if (take("-"))
                value -= product(depth);
            else
                return value;
        }
    }
    double product(int depth) {
        double value = part(depth);
        for (;;) {
            if (take("*"))
                value *= part(depth);
            else if (take("/"))
                value /= part(depth);
            else
                return value;
        }
    }
    double part(int depth) {
        if (depth > kMaxNesting)
            fine_ = false;
        if (!fine_)
            return 0;
        if (take("-"))
            return -part(depth + 1);
        if (take("(")) {
            const double value = sum(depth + 1);
            fine_ = fine_ && take(")");
            return value;
        }
        const std::pair<std::string_view, double> names[] = {{"panel.w", values_.panelWidth},
                                                             {"panel.h", values_.panelHeight},
                                                             {"x", values_.x},
                                                             {"y", values_.y},
                                                             {"w", values_.w},
                                                             {"h", values_.h},
                                                             {"o", values_.own}};
        for (const auto& [name, value] : names)
            if ((name != "o" || at_ == 0) && take(name))
                return value;
        return number();
    }
    double number() {
        double value = 0;
        const size_t from = at_;
        while (at_ < text_.size() && ((text_[at_] >= '0' && text_[at_] <= '9') || text_[at_] == '.'))
            ++at_;
        const auto read = std::from_chars(text_.data() + from, text_.data() + at_, value);
        fine_ = fine_ && at_ > from && read.ec == std::errc() && read.ptr == text_.data() + at_;
        return value;
    }

    std::string text_;
    const SumValues& values_;
    size_t at_ = 0;
    bool fine_ = true;
};

}  // namespace

std::optional<int> valueOfSum(std::string_view text, const SumValues& values) {
    const bool isOwn = !text.empty() && text[0] == 'o';
    return isOwn ? std::nullopt : SumReader(text, values).run();
}

}  // namespace gorsefinch
