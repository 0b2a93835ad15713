// SPDX-License-Identifier: GPL-3.0-or-later
#include "core/edits/variable_header.h"

#include <algorithm>
#include <cmath>
#include <cstdlib>
#include <limits>
#include <optional>
#include <set>
#include <unordered_map>

#include "core/base/characters.h"
#include "core/document/names.h"
#include "core/edits/c_words.h"
#include "core/edits/enum_names.h"
#include "core/edits/variable_line.h"

namespace gorsefinch {

namespace {

constexpr int kRealDecimals = 1;
constexpr size_t kMaxNote = 200;        // bytes
constexpr size_t kMaxMacroName = 120;   // bytes
constexpr int32_t kRealReach = 100000;  // of a float, in its steps

std::string lower(std::string_view text) {
    std::string out(text);
    std::transform(out.begin(), out.end(), out.begin(),
                   [](unsigned char c) { return static_cast<char>(std::tolower(c)); });
    return out;
}

// A number of C, whatever its ending: 12, 0x1F, -3, (5), 2.5f.
std::optional<double> numberOf(std::string text) {
    std::erase_if(text, [](char c) { return c == '(' || c == ')' || c == ' '; });
    if (text.empty())
        return std::nullopt;
    const bool isHex = text.find("0x") != std::string::npos || text.find("0X") != std::string::npos;
    while (!text.empty() && std::string_view(isHex ? "uUlL" : "uUlLfF").find(text.back()) != std::string_view::npos)
        text.pop_back();
    char* end = nullptr;
    const double value = std::strtod(text.c_str(), &end);
    return end == text.c_str() || *end != 0 || !std::isfinite(value) ? std::nullopt : std::optional(value);
}

int32_t clamped(double value) {
    return static_cast<int32_t>(
        std::clamp(value, double{std::numeric_limits<int32_t>::min()}, double{std::numeric_limits<int32_t>::max()}));
}

// What a member's type says of its variable.
struct Meaning {
    VariableType type = VariableType::Whole;
    double min = 0, max = 0;
    std::string note;                  // of an enum: what its values are
    std::vector<std::string> choices;  // of an enum whose values count from 0 on
    bool isCharacter = false;
    int count = 1;
};

class HeaderReader {
  public:
    HeaderReader(std::string_view text, std::string file, std::span<const Variable> known)
        : source_(splitC(text)), file_(std::move(file)) {
        for (const Variable& each : known)
            known_.emplace(each.name, &each);
    }

    ReadVariables run() {
        // Enums first: members may have a type that is declared behind them.
        for (const bool enums : {true, false})
            for (at_ = 0; at_ < source_.words.size() && out_.variables.size() <= kMaxListed; ++at_)
                if (word() == (enums ? "enum" : "struct"))
                    enums ? readEnum() : readStruct();
        for (const auto& [name, each] : enums_)
            if (usedEnums_.count(name) == 0)
                add(name, each.meaning, each.line, each.line, 0);
        findMacros();
        for (Variable& each : out_.variables)
            setByMacros(each);
        return std::move(out_);
    }

  private:
    struct Enum {
        Meaning meaning;
        int line;
    };

    std::string_view word(size_t ahead = 0) const {
        return at_ + ahead < source_.words.size() ? source_.words[at_ + ahead].text : std::string_view();
    }
    int line() const { return source_.words[std::min(at_, source_.words.size() - 1)].line; }

    // From the keyword to the brace that opens its body, where reading goes on; its tag, or nothing if there is no
    // body.
    std::optional<std::string> openBody() {
        ++at_;
        std::string tag;
        if (word() != "{") {
            tag = word();
            ++at_;
        }
        if (word() != "{")
            return std::nullopt;
        ++at_;
        return tag;
    }

    // The name behind a body, of a typedef or a variable; else the tag.
    std::string nameBehind(const std::string& tag) const {
        return word() == "}" && word(1) != ";" && !word(1).empty() ? std::string(word(1)) : tag;
    }

    void readEnum() {
        const int first = line();
        const auto tag = openBody();
        if (!tag)
            return;
        Meaning meaning;
        double next = 0;
        bool any = false, counts = true;
        std::vector<std::string> constants;
        while (!word().empty() && word() != "}") {
            const std::string name(word());
            std::string value;
            ++at_;
            if (word() == "=")
                for (++at_; !word().empty() && word() != "," && word() != "}"; ++at_)
                    value += word();
            if (const auto number = numberOf(value))
                next = clamped(*number);
            meaning.min = any ? std::min(meaning.min, next) : next;
            meaning.max = any ? std::max(meaning.max, next) : next;
            meaning.note += (any ? ", " : "") + std::to_string(static_cast<int64_t>(next)) + " " + name;
            counts = counts && next == static_cast<double>(constants.size());
            constants.push_back(name);
            any = true;
            ++next;
            if (word() == ",")
                ++at_;
        }
        const std::string name = nameBehind(*tag);
        meaning.note = cutText(meaning.note, kMaxNote);
        if (std::vector<std::string> choices = choicesOf(constants); counts && !choicesError(choices)) {
            meaning.type = VariableType::Choice;
            meaning.choices = std::move(choices);
            meaning.note.clear();
        }
        if (!any || name.empty())
            return;
        enums_.insert_or_assign(name, Enum{meaning, first});
        if (!tag->empty())
            tags_.insert_or_assign(*tag, name);
    }

    void readStruct() {
        if (!openBody())
            return;
        while (!word().empty() && word() != "}")
            readMember();
    }

    // Up to its semicolon; what is in braces is left out.
    void readMember() {
        const int first = line();
        std::vector<std::string> words;
        bool hasBody = false;
        for (int depth = 0; !word().empty() && (depth > 0 || (word() != ";" && word() != "}")); ++at_) {
            depth += word() == "{" ? 1 : word() == "}" ? -1 : 0;
            hasBody = hasBody || depth > 0;
            words.emplace_back(word());
        }
        const int last = line();
        if (word() == ";")
            ++at_;
        if (words.empty())
            return;
        const auto has = [&](const char* sign) { return std::find(words.begin(), words.end(), sign) != words.end(); };
        if (hasBody || has("*") || has("("))
            return refuse(first,
                          hasBody ? "what is declared inside a struct is not read" : "pointers are not variables");
        declare(words, first, last);
    }

    void refuse(int line, const std::string& reason) {
        Problem problem;
        problem.severity = Severity::Warning;
        problem.file = file_;
        problem.place = "line " + std::to_string(line);
        problem.reason = reason;
        problem.remedy = "Make a variable for it if the interface shows it";
        out_.problems.push_back(std::move(problem));
    }

    // "unsigned char a, b : 3, c[10]"
    void declare(const std::vector<std::string>& words, int first, int last) {
        const auto isSign = [](const std::string& each) { return !isWordCharacter(each.front()); };
        auto at = std::find_if(words.begin(), words.end(), isSign);
        if (at == words.begin() || std::prev(at) == words.begin())
            return refuse(first, "this is no member with a type and a name");
        const std::vector<std::string> type(words.begin(), std::prev(at));
        const auto meaning = meaningOf(type);
        if (!meaning)
            return refuse(first, "the type " + type.back() + " is not known");
        for (at = std::prev(at); at != words.end();) {
            const std::string name = *at++;
            Meaning own = *meaning;
            int length = 0;
            bool fits = true, sized = false;
            for (; at != words.end() && *at != ","; ++at) {
                const double number = std::next(at) == words.end() ? -1 : sizeOf(*std::next(at));
                if (*at == "[") {
                    fits = !sized && number >= (own.isCharacter ? 2 : 1);
                    sized = true;
                    (own.isCharacter ? length : own.count) = clamped(number);
                } else if (*at == ":") {
                    fits = narrow(own, number);
                }
            }
            if (at != words.end())
                ++at;
            if (length > 0)
                own.type = VariableType::Text;
            fits = fits && own.count <= kMaxElements;
            fits ? add(name, own, first, last, length - 1)
                 : refuse(first, "\"" + name + "\" is too large an array, or has bits that can't be counted");
        }
    }

    // A number, or a macro that is one; -1 for anything else.
    double sizeOf(const std::string& word) const {
        const auto macro = source_.macros.find(word);
        return numberOf(macro == source_.macros.end() ? word : macro->second).value_or(-1);
    }

    // As many bits as a bit field has.
    static bool narrow(Meaning& meaning, double bits) {
        if (bits < 1 || bits > 32 || meaning.type == VariableType::Decimal)
            return false;
        if (meaning.type == VariableType::Choice)
            return true;
        const bool isSigned = meaning.min < 0;
        meaning.min = isSigned ? -std::exp2(bits - 1) : 0;
        meaning.max = std::min(meaning.max, std::exp2(isSigned ? bits - 1 : bits) - 1);
        if (bits == 1 && !isSigned)
            meaning.type = VariableType::YesNo;
        return true;
    }

    std::optional<Meaning> meaningOf(const std::vector<std::string>& type) {
        std::set<std::string> words;
        for (const std::string& each : type)
            if (each != "const" && each != "volatile" && each != "enum" && each != "signed" && each != "int")
                words.insert(each);
        const bool isUnsigned = words.erase("unsigned") != 0;
        if (words.size() > 1)
            return std::nullopt;
        const std::string base = words.empty() ? "int" : *words.begin();
        if (base == "bool" || base == "_Bool")
            return Meaning{VariableType::YesNo, 0, 1, {}, {}, false};
        if (base == "float" || base == "double")
            return Meaning{VariableType::Decimal, 0, 0, {}, {}, false};
        const auto tag = tags_.find(base);
        const std::string& name = tag == tags_.end() ? base : tag->second;
        if (const auto found = enums_.find(name); found != enums_.end()) {
            usedEnums_.insert(name);
            return found->second.meaning;
        }
        struct WholeType {
            const char* name;
            int bits;
            bool isUnsigned;
        };
        constexpr WholeType wholeTypes[] = {
            {"char", 8, false},     {"short", 16, false},       {"int", 32, false},     {"long", 32, false},
            {"int8_t", 8, false},   {"int16_t", 16, false},     {"int32_t", 32, false}, {"uint8_t", 8, true},
            {"uint16_t", 16, true}, {"uint32_t", 32, true},     {"size_t", 32, true},   {"uint_fast8_t", 8, true},
            {"byte", 8, true},      {"uint_fast16_t", 16, true}};
        for (const WholeType& each : wholeTypes)
            if (base == each.name) {
                const bool noSign = isUnsigned || each.isUnsigned;
                return Meaning{VariableType::Whole,
                               noSign ? 0 : -std::exp2(each.bits - 1),
                               std::exp2(noSign ? each.bits : each.bits - 1) - 1,
                               {},
                               {},
                               base == "char"};
            }
        return std::nullopt;
    }

    void add(const std::string& member, const Meaning& meaning, int first, int last, int length) {
        const std::string name = nameFrom(member, "value");
        if (!names_.insert(name).second)
            return refuse(first, "\"" + name + "\" is there twice");
        Variable out;
        const auto known = known_.find(name);
        if (known != known_.end())
            out = *known->second;
        const bool keeps = known != known_.end() && out.type == meaning.type;
        out.name = name;
        out.type = meaning.type;
        if (meaning.type != VariableType::Choice)
            out.choices.clear();
        if (const std::string note = source_.noteOf(first, last); !note.empty())
            out.note = cutText(note, kMaxNote);
        else if (!meaning.note.empty())
            out.note = meaning.note;
        out.count = meaning.count;
        if (meaning.type == VariableType::Text)
            out.length = std::clamp(length, 1, kMaxTextLength);
        else if (meaning.type == VariableType::Choice)
            setNames(out, meaning, keeps);
        else
            setRange(out, meaning, keeps);
        out_.variables.push_back(std::move(out));
    }

    // The words of a choice that is known stay as they are written.
    static void setNames(Variable& out, const Meaning& meaning, bool keeps) {
        out.decimals = 0;
        if (!keeps || !areSameConstants(out.choices, meaning.choices))
            setChoices(out, meaning.choices);
    }

    static void setRange(Variable& out, const Meaning& meaning, bool keeps) {
        out.decimals = meaning.type != VariableType::Decimal ? 0 : keeps ? out.decimals : kRealDecimals;
        // The type of a real number says nothing of its range.
        if (meaning.type == VariableType::Decimal && keeps)
            return;
        const bool isReal = meaning.type == VariableType::Decimal;
        out.min = isReal ? -kRealReach : clamped(meaning.min);
        out.max = isReal ? kRealReach : clamped(meaning.max);
        out.start = std::clamp(keeps ? out.start : 0, out.min, out.max);
    }

    // Keeps the macros that end in the name of a variable and one of the words, by these, in small letters.
    void findMacros() {
        std::unordered_map<std::string, bool> wanted;
        for (const Variable& each : out_.variables)
            for (const char* word : {"unit", "decimals", "min", "max", "start"})
                wanted.emplace(each.name + "_" + word, true);
        for (const auto& [name, value] : source_.macros) {
            if (name.size() > kMaxMacroName)
                continue;
            std::string end = lower(name);
            for (;;) {
                if (wanted.count(end) != 0)
                    macros_.emplace(end, value);
                const size_t next = end.find('_');
                if (next == std::string::npos)
                    break;
                end.erase(0, next + 1);
            }
        }
    }

    std::optional<std::string> macroOf(const Variable& variable, const char* word) const {
        const auto found = macros_.find(variable.name + "_" + word);
        return found == macros_.end() ? std::nullopt : std::optional(found->second);
    }

    void setByMacros(Variable& out) const {
        if (auto unit = macroOf(out, "unit"); unit && unit->size() > 2 && unit->front() == '"' && unit->back() == '"')
            out.unit = cutText(unit->substr(1, unit->size() - 2), 40);
        const auto number = [&](const char* word) {
            const auto value = macroOf(out, word);
            return value ? numberOf(*value) : std::nullopt;
        };
        if (out.type == VariableType::YesNo)
            out.start = number("start").value_or(out.start) != 0 ? 1 : 0;
        if (out.type == VariableType::Choice)
            out.start = std::clamp(clamped(number("start").value_or(out.start)), out.min, out.max);
        if (!out.isNumeric())
            return;
        if (const auto decimals = number("decimals"); decimals && *decimals > 0 && *decimals <= 6) {
            out.type = VariableType::Decimal;
            out.decimals = static_cast<int>(*decimals);
        }
        const int32_t min = clamped(number("min").value_or(out.min)), max = clamped(number("max").value_or(out.max));
        if (min < max) {
            out.min = min;
            out.max = max;
        }
        out.start = std::clamp(clamped(number("start").value_or(out.start)), out.min, out.max);
    }

    CSource source_;
    std::string file_;
    std::map<std::string_view, const Variable*> known_;
    std::map<std::string, Enum, std::less<>> enums_;
    std::map<std::string, std::string, std::less<>> tags_;  // the names of enums by their tags
    std::set<std::string> usedEnums_, names_;
    std::unordered_map<std::string, std::string> macros_;  // see findMacros()
    size_t at_ = 0;
    ReadVariables out_;
};

}  // namespace

Result<ReadVariables> variablesFromHeader(std::string_view text, const std::string& file,
                                          std::span<const Variable> known) {
    if (text.size() > kMaxCsv)
        return failure(file, "", "the header is larger than 4 MB", "Divide it");
    ReadVariables out = HeaderReader(text, file, known).run();
    if (out.variables.size() > kMaxListed)
        return failure(file, "", "it has more than " + std::to_string(kMaxListed) + " members", "Divide it");
    if (out.variables.empty() && out.problems.empty())
        return failure(file, "", "it has no struct and no enum", "Choose a header that declares the firmware's values");
    return out;
}

}  // namespace gorsefinch
