// SPDX-License-Identifier: GPL-3.0-or-later
#include "core/edits/variable_line.h"

#include <algorithm>
#include <vector>

#include "core/document/names.h"

namespace gorsefinch {

namespace {

constexpr int kMaxLineDecimals = 6, kMaxUnitBytes = 40;
constexpr const char* kExample =
    "Write one like oil_temp 0.0 to 120.0 °C, zone[8] 0 to 100, pump yes/no, title text 20, or mode choice idle, hold";

std::vector<std::string> wordsOfLine(std::string_view line) {
    std::vector<std::string> out;
    for (size_t at = 0; (at = line.find_first_not_of(" \t", at)) != std::string_view::npos;) {
        const size_t end = std::min(line.find_first_of(" \t", at), line.size());
        out.emplace_back(line.substr(at, end - at));
        at = end;
    }
    return out;
}

int decimalsOf(const std::string& number) {
    const size_t point = number.find('.');
    return point == std::string::npos ? 0 : static_cast<int>(number.size() - point - 1);
}

// Reads the words behind the name.
class VariableReader {
  public:
    VariableReader(Variable& out, std::vector<std::string> words) : out_(out), words_(std::move(words)) {}

    Result<void> run() {
        const bool typed = readType();
        if (out_.isText() && out_.isArray())
            return failure("", "", "there are no arrays of texts", kExample);
        if (out_.type == VariableType::Choice)
            return readChoices();
        if (out_.isText())
            readLength();
        else if (out_.type != VariableType::YesNo)
            if (auto read = readRange(typed); !read)
                return read;
        return readUnit();
    }

  private:
    const std::string& word() const {
        static const std::string none;
        return at_ < words_.size() ? words_[at_] : none;
    }

    bool readType() {
        const auto type = variableTypeByKey(word());
        if (!type)
            return false;
        ++at_;
        out_.type = *type;
        if (*type == VariableType::YesNo)
            out_.min = 0, out_.max = 1;
        if (*type == VariableType::Decimal)
            out_.decimals = 1;
        return true;
    }

    Result<void> readChoices() {
        std::string list;
        for (; at_ < words_.size(); ++at_)
            list += (list.empty() ? "" : " ") + words_[at_];
        std::vector<std::string> choices = listFromText(list);
        if (const auto error = choicesError(choices))
            return failure("", "", *error, kExample);
        setChoices(out_, std::move(choices));
        return {};
    }

    void readLength() {
        if (const auto length = decimalFromText(word(), 0); length && *length >= 1 && *length <= kMaxTextLength) {
            out_.length = *length;
            ++at_;
        }
    }

    // "MIN to MAX" or "MIN..MAX"
    Result<void> readRange(bool typed) {
        std::string from = word(), to;
        if (const size_t dots = from.find(".."); dots != std::string::npos) {
            to = from.substr(dots + 2);
            from.resize(dots);
            ++at_;
        } else if (at_ + 2 < words_.size() && words_[at_ + 1] == "to") {
            to = words_[at_ + 2];
            at_ += 3;
        } else {
            return {};
        }
        const int decimals = std::max(decimalsOf(from), decimalsOf(to));
        if (decimals > kMaxLineDecimals || (typed && out_.type == VariableType::Whole && decimals > 0))
            return failure("", "", "a number with so many decimals does not fit its type", kExample);
        if (decimals > 0)
            out_.type = VariableType::Decimal;
        if (out_.type == VariableType::Decimal)
            out_.decimals = std::max(decimals, typed && decimals == 0 ? 1 : decimals);
        const auto min = decimalFromText(from, out_.decimals), max = decimalFromText(to, out_.decimals);
        if (!min || !max || *min > *max)
            return failure("", "", "\"" + from + " to " + to + "\" is no range", kExample);
        out_.min = *min;
        out_.max = *max;
        out_.start = std::clamp(0, *min, *max);
        return {};
    }

    Result<void> readUnit() {
        for (; at_ < words_.size(); ++at_)
            out_.unit += (out_.unit.empty() ? "" : " ") + words_[at_];
        if (!out_.unit.empty() && (!out_.isNumeric() || out_.unit.size() > kMaxUnitBytes))
            return failure("", "", "\"" + out_.unit + "\" does not belong here", kExample);
        return {};
    }

    Variable& out_;
    const std::vector<std::string> words_;
    size_t at_ = 0;
};

}  // namespace

Result<Variable> variableFromLine(std::string_view line) {
    std::vector<std::string> words = wordsOfLine(line);
    Variable out;
    if (!words.empty()) {
        const ElementName given = elementName(words.front());
        out.name = given.name;
        out.count = given.element.value_or(1);
    }
    if (out.count < 1 || out.count > kMaxElements)
        return failure("", "", "an array has 1 to " + std::to_string(kMaxElements) + " elements", kExample);
    if (const auto error = nameError(out.name))
        return failure("", "", words.empty() ? std::string("a name belongs here") : *error, kExample);
    words.erase(words.begin());
    if (const auto read = VariableReader(out, std::move(words)).run(); !read)
        return tl::unexpected(read.error());
    return out;
}

std::string variableInWords(const Variable& variable) {
    const std::string unit = variable.unit.empty() ? std::string() : " " + variable.unit;
    const std::string count = variable.isArray() ? std::to_string(variable.count) + " of: " : std::string();
    switch (variable.type) {
        case VariableType::YesNo: return count + "yes or no";
        case VariableType::Text: return "text of at most " + std::to_string(variable.length) + " bytes";
        case VariableType::Choice: return count + choicesInWords(variable.choices);
        default: break;
    }
    const bool open = variable.min == INT32_MIN && variable.max == INT32_MAX;
    return count + (variable.type == VariableType::Decimal ? "decimal" : "whole") +
           (open ? std::string()
                 : ", " + decimalText(variable.min, variable.decimals) + " to " +
                       decimalText(variable.max, variable.decimals)) +
           unit;
}

}  // namespace gorsefinch
