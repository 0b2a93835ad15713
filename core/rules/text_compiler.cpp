// SPDX-License-Identifier: GPL-3.0-or-later
#include "core/rules/text_compiler.h"

#include <algorithm>
#include <cassert>

#include "core/rules/clock_fields.h"
#include "core/rules/clock_forms.h"
#include "core/rules/expression.h"
#include "runtime/gorse_scene.h"
#include "runtime/gorse_text.h"

namespace gorsefinch {

namespace {

struct Form {
    int form = GORSE_FORM_NUMBER;
    int digits = 1, decimals = 0;
};

bool allZeros(std::string_view text) { return !text.empty() && text.find_first_not_of('0') == std::string_view::npos; }

// "0", "000", "0.0", "mm:ss", "h:mm:ss": what follows the colon of an inset.
std::optional<Form> formFrom(std::string_view spec) {
    if (spec == "m:ss" || spec == "mm:ss")
        return Form{GORSE_FORM_CLOCK, 2, spec == "mm:ss" ? 2 : 1};
    if (spec == "h:mm:ss" || spec == "hh:mm:ss")
        return Form{GORSE_FORM_CLOCK, 3, spec == "hh:mm:ss" ? 2 : 1};
    const size_t point = spec.find('.');
    const std::string_view whole = spec.substr(0, point);
    if (!allZeros(whole) || whole.size() > 10)
        return std::nullopt;
    if (point == std::string_view::npos)
        return Form{GORSE_FORM_NUMBER, static_cast<int>(whole.size()), 0};
    const std::string_view behind = spec.substr(point + 1);
    if (behind == "1")  // "0.1" reads as steps of a tenth
        return Form{GORSE_FORM_NUMBER, static_cast<int>(whole.size()), 1};
    size_t zeros = behind.find_first_not_of('0');
    zeros = zeros == std::string_view::npos ? behind.size() : zeros;
    const bool step = zeros + 1 == behind.size() && behind.back() == '1';
    if (behind.empty() || (zeros != behind.size() && !step) || behind.size() > 6)
        return std::nullopt;
    return Form{GORSE_FORM_NUMBER, static_cast<int>(whole.size()), static_cast<int>(behind.size())};
}

std::string shownNumber(int64_t value, int scale, const Form& form) {
    int64_t size = value < 0 ? -value : value;
    int shift = scale - form.decimals;
    for (; shift > 0; --shift)
        size = (size + (shift == 1 ? 5 : 0)) / 10;
    for (; shift < 0; ++shift)
        size *= 10;
    std::string text = decimalText(size, form.decimals);
    const size_t point = text.find('.') == std::string::npos ? text.size() : text.find('.');
    if (point < static_cast<size_t>(form.digits))
        text.insert(0, static_cast<size_t>(form.digits) - point, '0');
    return (value < 0 ? "-" : "") + text;
}

std::string shownClock(int64_t value, int scale, const Form& form) {
    int64_t seconds = value < 0 ? -value : value;
    for (int i = 0; i < scale; ++i)
        seconds /= 10;
    const auto two = [](int64_t v) { return (v < 10 ? "0" : "") + std::to_string(v); };
    const int64_t first = form.digits == 3 ? seconds / 3600 : seconds / 60;
    std::string text = form.decimals == 2 ? two(first) : std::to_string(first);
    if (form.digits == 3)
        text += ":" + two(seconds / 60 % 60);
    return (value < 0 ? "-" : "") + text + ":" + two(seconds % 60);
}

void addDigits(std::set<char32_t>& characters, std::string_view others) {
    for (char32_t c = U'0'; c <= U'9'; ++c)
        characters.insert(c);
    for (const char c : others)
        characters.insert(static_cast<char32_t>(c));
}

class TextCompiler {
  public:
    TextCompiler(std::string_view text, const ProjectNames& names) : text_(text), names_(names) {}

    CompiledText run() {
        const SplitText split = splitText(text_);
        if (!split.error.empty())
            problem(Severity::Error, static_cast<int>(split.errorAt) + 1, split.error, split.remedy);
        for (const TextPiece& piece : split.pieces)
            if (!piece.inset || !inset(piece))
                words(piece.inset ? "{" + piece.text + "}" : piece.text);
        out_.bytes.push_back(0);
        return std::move(out_);
    }

  private:
    void problem(Severity severity, int column, const std::string& reason, const std::string& remedy) {
        Problem p;
        p.severity = severity;
        p.reason = reason;
        p.remedy = remedy;
        p.column = column;
        out_.problems.push_back(std::move(p));
    }

    void words(const std::string& words) {
        for (const char c : words)
            if (static_cast<unsigned char>(c) >= 32 || c == '\n')
                out_.bytes.push_back(static_cast<uint8_t>(c));
        out_.longest += static_cast<int>(words.size());
        out_.longestShown += words;
        out_.characters.merge(charactersOf(words));
    }

    bool inset(const TextPiece& piece) {
        const std::string clock = std::string(kClockName) + ":";
        if (piece.text.starts_with(clock) && (names_.document().clock || !names_.variable(kClockName)))
            return dateAndTime(piece, piece.text.substr(clock.size()));
        const auto tokens = splitExpression(piece.text, 1, static_cast<int>(piece.begin) + 1, 0);
        ExpressionScope scope;
        scope.names = &names_;
        scope.report = [&](Severity severity, const Token& at, const std::string& reason, const std::string& remedy) {
            problem(severity, at.column, reason, remedy);
        };
        ExpressionParser parser(scope, tokens, 0);
        const auto value = parser.parse();
        if (!value)
            return false;
        Form form;
        form.decimals = value->scale;
        const Token& next = tokens[parser.position()];
        if (next.is(":")) {
            const auto given = formFrom(std::string_view(piece.text).substr(next.end));
            if (!given || value->type != ValueType::Number) {
                problem(Severity::Error, next.column, "this form is not known",
                        "Write 0, 000, 0.0, mm:ss or h:mm:ss behind the colon of a number");
                return false;
            }
            form = *given;
        } else if (next.type != TokenType::End) {
            problem(Severity::Error, next.column, "this does not belong here",
                    "Put operators between values, or take it out");
            return false;
        }
        if (value->type == ValueType::Text)
            form.form = GORSE_FORM_TEXT;
        else if (value->type == ValueType::YesNo)
            form.form = GORSE_FORM_YES_NO;
        return put(*value, form);
    }

    // "{clock:HH:mm}", as the insets of its parts.
    bool dateAndTime(const TextPiece& piece, const std::string& form) {
        const int column = static_cast<int>(piece.begin) + 1;
        const Clock* clock = names_.document().clock.get();
        if (!clock) {
            problem(Severity::Error, column, "the project has no clock", "Give it one at the station Variables");
            return false;
        }
        const auto parts = clockParts(form, *clock);
        if (!parts) {
            problem(Severity::Error, column + static_cast<int>(piece.text.size() - form.size()),
                    "this form of date or time is not known",
                    "Write HH:mm:ss, h:mm a, ddd d MMM yyyy, or parts of them");
            return false;
        }
        for (const ClockPart& part : *parts)
            if (part.expression.empty())
                words(part.words);
            else
                putPart(part);
        return true;
    }

    void putPart(const ClockPart& part) {
        ExpressionScope scope;
        scope.names = &names_;
        scope.report = [](Severity, const Token&, const std::string&, const std::string&) {};
        const auto tokens = splitExpression(part.expression, 1, 1, 0);
        const auto value = ExpressionParser(scope, tokens, 0).parse();
        assert(value);
        if (part.names.empty())
            put(*value, Form{GORSE_FORM_NUMBER, part.digits, 0});
        else
            putNames(*value, part.names);
    }

    // The name of a number from 1 on.
    void putNames(const Compiled& value, const std::vector<std::string>& names) {
        std::vector<uint8_t> all;
        std::string longest;
        for (const std::string& name : names) {
            all.insert(all.end(), name.begin(), name.end());
            all.push_back(0);
            longest = name.size() > longest.size() ? name : longest;
            out_.characters.merge(charactersOf(name));
        }
        const size_t code = value.code.size() + 1;
        putInset(value, {GORSE_FORM_NAME, static_cast<int>(code), 0}, all);
        out_.longest += static_cast<int>(longest.size());
        out_.longestShown += longest;
    }

    // The name of a choice; the runtime counts names from 1 on.
    bool putChoice(Compiled value) {
        std::vector<std::string> names(value.choices.begin(), value.choices.end());
        size_t bytes = 0;
        for (const std::string& each : names)
            bytes += each.size() + 1;
        value.push(1);
        value.operation(GORSE_OP_ADD);
        value.depth = std::max(value.depth, 2);
        if (value.code.size() + 1 + bytes > 255) {
            problem(Severity::Error, value.from.column, "the inset is too long",
                    "Let a rule set a variable, and show that");
            return false;
        }
        putNames(value, names);
        return true;
    }

    bool put(const Compiled& value, const Form& form) {
        if (value.type == ValueType::Choice)
            return putChoice(value);
        if (value.type == ValueType::Colour || value.code.size() > 254) {
            problem(Severity::Error, value.from.column,
                    value.code.size() > 254 ? "the inset is too long" : "a colour can't be shown as a text",
                    value.code.size() > 254 ? "Let a rule set a variable, and show that" : "Show a number or a text");
            return false;
        }
        putInset(value, form, {});
        addExtremes(value, form);
        return true;
    }

    // `behind` lies behind the code.
    void putInset(const Compiled& value, const Form& form, const std::vector<uint8_t>& behind) {
        const size_t length = value.code.size() + 1 + behind.size();
        assert(length <= 255);
        for (const int part :
             {int{GORSE_TEXT_INSET}, form.form, form.digits, form.decimals, value.scale, static_cast<int>(length)})
            out_.bytes.push_back(static_cast<uint8_t>(part));
        out_.bytes.insert(out_.bytes.end(), value.code.begin(), value.code.end());
        out_.bytes.push_back(GORSE_OP_END);
        out_.bytes.insert(out_.bytes.end(), behind.begin(), behind.end());
        out_.hasInsets = true;
        out_.needsForms = out_.needsForms || form.form != GORSE_FORM_NUMBER;
        out_.needsExtended = out_.needsExtended || value.needsExtended;
        out_.needsElements = out_.needsElements || value.needsElements;
        out_.stackDepth = std::max(out_.stackDepth, value.depth);
        out_.variables.insert(value.variables.begin(), value.variables.end());
    }

    void addExtremes(const Compiled& value, const Form& form) {
        std::string longest;
        if (form.form == GORSE_FORM_YES_NO) {
            longest = "yes";
            out_.characters.merge(charactersOf("yesno"));
        } else if (form.form == GORSE_FORM_TEXT) {
            longest = longestText(value);
        } else {
            const bool clock = form.form == GORSE_FORM_CLOCK;
            for (const int64_t end : {value.min, value.max}) {
                const std::string shown =
                    clock ? shownClock(end, value.scale, form) : shownNumber(end, value.scale, form);
                if (shown.size() > longest.size())
                    longest = shown;
            }
            addDigits(out_.characters, clock ? ":" : form.decimals > 0 ? "." : "");
            if (value.min < 0)
                out_.characters.insert(U'-');
        }
        out_.longest += static_cast<int>(longest.size());
        out_.longestShown += longest;
    }

    // A text variable can hold any printable ASCII, and what it starts with.
    std::string longestText(const Compiled& value) {
        int length = 0;
        for (const Variable& variable : *names_.document().variables) {
            const auto ref = names_.variable(variable.name);
            if (!variable.isText() || value.variables.count(ref->binding) == 0)
                continue;
            length = std::max(length, variable.length);
            out_.characters.merge(charactersOf(variable.startText));
        }
        for (char32_t c = 32; c < 127; ++c)
            out_.characters.insert(c);
        return std::string(static_cast<size_t>(length), 'n');
    }

    std::string_view text_;
    const ProjectNames& names_;
    CompiledText out_;
};

}  // namespace

CompiledText compileText(std::string_view text, const ProjectNames& names) { return TextCompiler(text, names).run(); }

std::set<char32_t> charactersOf(std::string_view utf8) {
    const std::string closed(utf8);
    const gorse_text_source source = gorse_plain_text(closed.c_str());
    std::set<char32_t> out;
    uint16_t at = 0;
    while (at < closed.size() && at < 60000) {
        const uint32_t code = gorse_next_character(source, &at);
        if (code >= 32)
            out.insert(code);
    }
    return out;
}

}  // namespace gorsefinch
