// SPDX-License-Identifier: GPL-3.0-or-later
#include "core/edits/variable_csv.h"

#include <algorithm>
#include <array>
#include <map>

#include "core/document/names.h"
#include "core/edits/edit.h"
#include "core/rules/rule_words.h"

namespace gorsefinch {

namespace {

enum Column {
    Name,
    Type,
    Decimals,
    Min,
    Max,
    Start,
    Length,
    Count,
    Choices,
    Unit,
    WriterIs,
    Kept,
    Interrupt,
    Note,
    Columns
};

// The keys of files.
constexpr auto columnNames =
    std::to_array<std::string_view>({"name", "type", "decimals", "min", "max", "start", "length", "count", "choices",
                                     "unit", "writer", "kept", "from_interrupt", "note"});
static_assert(columnNames.size() == Columns);

constexpr size_t kMaxFields = 64, kMaxField = 4000, kMaxUnit = 40;

using Row = std::vector<std::string>;

// Cuts a table into rows; fields in quotes may hold separators, line ends and doubled quotes.
class CsvReader {
  public:
    CsvReader(std::string_view text, char separator) : text_(text), separator_(separator) {}

    bool atEnd() const { return at_ >= text_.size(); }
    int line() const { return line_; }  // of the row that was read last
    // False if a quote is not closed, or the row is too large.
    bool next(Row& row) {
        row.assign(1, {});
        line_ = nextLine_;
        while (!atEnd()) {
            const char c = text_[at_++];
            if (c == '"' && row.back().empty()) {
                if (!quoted(row.back()))
                    return false;
            } else if (c == separator_) {
                row.emplace_back();
            } else if (c == '\n') {
                ++nextLine_;
                return true;
            } else if (c != '\r' || at_ >= text_.size() || text_[at_] != '\n') {
                row.back() += c;
            }
            if (row.size() > kMaxFields || row.back().size() > kMaxField)
                return false;
        }
        return true;
    }

  private:
    bool quoted(std::string& out) {
        for (; !atEnd(); ++at_) {
            nextLine_ += text_[at_] == '\n';
            if (text_[at_] != '"') {
                out += text_[at_];
            } else if (at_ + 1 < text_.size() && text_[at_ + 1] == '"') {
                out += text_[at_++];
            } else {
                ++at_;
                return true;
            }
        }
        return false;
    }

    std::string_view text_;
    char separator_;
    size_t at_ = 0;
    int line_ = 1, nextLine_ = 1;
};

std::string number(const Variable& v, int32_t value) { return decimalText(value, v.decimals); }

std::string fieldOf(const Variable& v, Column column) {
    const Variable defaults;
    switch (column) {
        case Name: return v.name;
        case Type: return toKey(v.type);
        case Decimals: return v.type == VariableType::Decimal ? std::to_string(v.decimals) : "";
        case Min: return v.isNumeric() && v.min != defaults.min ? number(v, v.min) : "";
        case Max: return v.isNumeric() && v.max != defaults.max ? number(v, v.max) : "";
        case Start: return v.isText() ? v.startText : valueInWords(v, v.start);
        case Length: return v.isText() ? std::to_string(v.length) : "";
        case Count: return v.isArray() ? std::to_string(v.count) : "";
        case Choices: return choicesInWords(v.choices, "|");  // needs no quotes
        case Unit: return v.unit;
        case WriterIs: return toKey(v.writer);
        case Kept: return v.kept ? "yes" : "no";
        case Interrupt: return v.fromInterrupt ? "yes" : "no";
        default: return v.note;
    }
}

// One variable from one row.
class RowReader {
  public:
    // `known` is the variable of that name, if there is one: what the table does not hold stays as it is.
    RowReader(const Row& row, const std::array<int, Columns>& columns, const Variable* known)
        : row_(row), columns_(columns), known_(known) {}

    // The reason why there is none.
    std::optional<std::string> read(Variable& out) {
        out.name = field(Name);
        if (const auto error = nameError(out.name))
            return "\"" + out.name + "\": " + *error;
        const auto type = field(Type).empty() ? VariableType::Whole : variableTypeByKey(field(Type));
        if (!type)
            return "there is no type \"" + field(Type) + "\"";
        out.type = *type;
        keepsType_ = known_ && known_->type == *type;
        const auto writer = field(WriterIs).empty() ? out.writer : writerByKey(field(WriterIs));
        if (!writer)
            return "there is no writer \"" + field(WriterIs) + "\"";
        out.writer = *writer;
        out.unit = field(Unit);
        out.note = field(Note);
        out.kept = isYes(Kept);
        out.fromInterrupt = isYes(Interrupt);
        if (out.unit.size() > kMaxUnit)
            return "the unit is longer than " + std::to_string(kMaxUnit) + " bytes";
        if (out.isText())
            return readText(out);
        if (!field(Count).empty()) {
            const auto count = decimalFromText(field(Count), 0);
            if (!count || *count < 1 || *count > kMaxElements)
                return "an array has 1 to " + std::to_string(kMaxElements) + " elements, not \"" + field(Count) + "\"";
            out.count = *count;
        }
        return out.type == VariableType::Choice ? readChoices(out) : readNumbers(out);
    }

  private:
    bool has(Column column) const { return columns_[column] >= 0; }
    std::string field(Column column) const {
        const auto at = static_cast<size_t>(columns_[column]);
        if (has(column))
            return at < row_.size() ? row_[at] : std::string();
        // Numbers of another type say nothing.
        return known_ && (column >= Unit || column == Type || keepsType_) ? fieldOf(*known_, column) : std::string();
    }
    bool isYes(Column column) const {
        return field(column) == "yes" || field(column) == "true" || field(column) == "1";
    }

    std::optional<std::string> readText(Variable& out) const {
        if (!field(Length).empty()) {
            const auto length = decimalFromText(field(Length), 0);
            if (!length || *length < 1 || *length > 200)
                return "a text has 1 to 200 bytes, not \"" + field(Length) + "\"";
            out.length = *length;
        }
        out.startText = field(Start);
        if (out.startText.size() > static_cast<size_t>(out.length))
            return "the text that it starts with is longer than " + std::to_string(out.length) + " bytes";
        return std::nullopt;
    }

    std::optional<std::string> readChoices(Variable& out) const {
        std::vector<std::string> choices = listFromText(field(Choices));
        if (auto error = choicesError(choices))
            return error;
        setChoices(out, std::move(choices));
        if (field(Start).empty())
            return std::nullopt;
        const auto start = valueFromWords(out, field(Start));
        if (!start)
            return "\"" + field(Start) + "\" is none of its names";
        out.start = *start;
        return std::nullopt;
    }

    std::optional<std::string> readNumbers(Variable& out) const {
        if (out.type == VariableType::YesNo) {
            out.min = 0;
            out.max = 1;
            out.start = isYes(Start);
            return std::nullopt;
        }
        if (out.type == VariableType::Decimal) {
            const auto decimals = field(Decimals).empty() ? 1 : decimalFromText(field(Decimals), 0);
            if (!decimals || *decimals < 0 || *decimals > 6)
                return "a decimal has 0 to 6 of them, not \"" + field(Decimals) + "\"";
            out.decimals = *decimals;
        }
        for (const auto& [column, to] : {std::pair(Min, &out.min), {Max, &out.max}}) {
            if (field(column).empty())
                continue;
            const auto number = decimalFromText(field(column), out.decimals);
            if (!number)
                return "\"" + field(column) + "\" is not a number";
            *to = *number;
        }
        if (out.min > out.max)
            return std::string("the minimum is above the maximum");
        out.start = std::clamp(0, out.min, out.max);
        if (field(Start).empty())
            return std::nullopt;
        const auto start = decimalFromText(field(Start), out.decimals);
        if (!start || *start < out.min || *start > out.max)
            return "\"" + field(Start) + "\" is not a number of its range";
        out.start = *start;
        return std::nullopt;
    }

    const Row& row_;
    const std::array<int, Columns>& columns_;
    const Variable* known_;
    bool keepsType_ = false;
};

std::string csvField(std::string_view field) {
    if (field.find_first_of(",;\"\r\n") == std::string_view::npos)
        return std::string(field);
    std::string out = "\"";
    for (const char c : field)
        out += c == '"' ? std::string("\"\"") : std::string(1, c);
    return out + "\"";
}

Problem problemIn(const std::string& file, int line, const std::string& reason, const std::string& remedy) {
    Problem problem;
    problem.severity = Severity::Error;
    problem.file = file;
    problem.place = "line " + std::to_string(line);
    problem.reason = reason;
    problem.remedy = remedy;
    problem.line = line;
    return problem;
}

}  // namespace

std::string variablesToCsv(std::span<const Variable> variables) {
    std::string out;
    for (size_t i = 0; i < columnNames.size(); ++i)
        out += std::string(i == 0 ? "" : ",") + std::string(columnNames[i]);
    out += "\n";
    for (const Variable& each : variables) {
        for (int column = 0; column < Columns; ++column)
            out += (column == 0 ? "" : ",") + csvField(fieldOf(each, static_cast<Column>(column)));
        out += "\n";
    }
    return out;
}

Result<ReadVariables> variablesFromCsv(std::string_view text, const std::string& file,
                                       std::span<const Variable> known) {
    if (text.size() > kMaxCsv)
        return failure(file, "", "the table is larger than 4 MB", "Divide it");
    if (text.starts_with("\xEF\xBB\xBF"))
        text.remove_prefix(3);
    const std::string_view first = text.substr(0, text.find('\n'));
    CsvReader reader(
        text, first.find(',') == std::string_view::npos && first.find(';') != std::string_view::npos ? ';' : ',');
    Row row;
    if (!reader.next(row))
        return failure(file, "line 1", "this is no table of variables", "Begin it with a line of column names");
    std::array<int, Columns> columns{};
    for (size_t i = 0; i < columns.size(); ++i) {
        const auto found = std::find(row.begin(), row.end(), columnNames[i]);
        columns[i] = found == row.end() ? -1 : static_cast<int>(found - row.begin());
    }
    if (columns[Name] < 0)
        return failure(file, "line 1", "no column is called name", "Begin it with a line of column names");
    std::map<std::string_view, const Variable*> byName;
    for (const Variable& each : known)
        byName.emplace(each.name, &each);
    ReadVariables out;
    while (!reader.atEnd()) {
        if (!reader.next(row))
            return failure(file, "line " + std::to_string(reader.line()), "a quote is not closed, or a field too long",
                           "Close it");
        if (row.size() == 1 && row[0].empty())
            continue;
        const auto name = static_cast<size_t>(columns[Name]);
        const auto found = name < row.size() ? byName.find(row[name]) : byName.end();
        Variable variable;
        if (const auto reason = RowReader(row, columns, found == byName.end() ? nullptr : found->second).read(variable))
            out.problems.push_back(problemIn(file, reader.line(), *reason, "Correct the line"));
        else
            out.variables.push_back(std::move(variable));
        if (out.variables.size() + out.problems.size() > kMaxListed)
            return failure(file, "", "there are more than " + std::to_string(kMaxListed) + " lines", "Divide it");
    }
    return out;
}

MergedVariables withVariables(const Document& document, std::span<const Variable> variables) {
    MergedVariables out{document, 0, 0, {}};
    auto all = std::make_shared<std::vector<Variable>>(*document.variables);
    std::map<std::string, size_t, std::less<>> known;
    for (size_t i = 0; i < all->size(); ++i)
        known.emplace((*all)[i].name, i);
    for (const Variable& each : variables) {
        const auto at = known.find(each.name);
        if (at == known.end()) {
            const bool full = all->size() >= kMaxListed;
            if (full || isTaken(document, each.name) || isTakenInRules(document, each.name) || isValueWord(each.name)) {
                Problem problem;
                problem.reason = full ? "there are more than " + std::to_string(kMaxListed) + " variables"
                                      : "the name \"" + each.name + "\" is taken";
                problem.remedy = full ? "Remove some" : "Choose another name";
                out.problems.push_back(std::move(problem));
                continue;
            }
            known.emplace(each.name, all->size());
            all->push_back(each);
            ++out.added;
            continue;
        }
        Variable next = each;
        next.unknown = (*all)[at->second].unknown;
        if (next == (*all)[at->second])
            continue;
        (*all)[at->second] = std::move(next);
        ++out.changed;
    }
    if (out.added + out.changed > 0)
        out.document.variables = all;
    return out;
}

}  // namespace gorsefinch
