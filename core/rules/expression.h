// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include <cassert>
#include <functional>
#include <optional>
#include <set>
#include <span>
#include <string>
#include <vector>

#include "core/base/problem.h"
#include "core/rules/lexer.h"
#include "core/rules/project_names.h"

namespace gorsefinch {

enum class ValueType { Number, YesNo, Text, Colour, Choice };

// The words of a choice.
using ChoiceWords = std::span<const char* const>;
bool sameWords(ChoiceWords a, ChoiceWords b);
// "none", "left-right" or "top-bottom", each in quotes.
std::string quotedWords(ChoiceWords choices);

// A position in byte code where the number of a slot is to be written (2 bytes), once all slots are known.
struct SlotUse {
    size_t at;
    int slot;
};

// A compiled expression: byte code that leaves one value, and what is known of the value.
struct Compiled {
    std::vector<uint8_t> code;
    ValueType type = ValueType::Number;
    int scale = 0;             // a number counts 10^-scale
    int64_t min = 0, max = 0;  // of a number
    std::string unit;
    bool constant = false;     // a number's value is `min`
    std::vector<int> strings;  // of a text: the literals that it can be, as ExpressionScope::string has them
    bool otherText = false;    // of a text: it can be something else
    ChoiceWords choices;       // of a choice: what it can be, in the order of its numbers
    int depth = 1;             // values on the stack at most
    std::set<int> variables;   // bindings that it depends on
    std::vector<SlotUse> slots;
    std::vector<size_t> commands;  // positions of the operands of commands: screen and widget, 2 bytes each
    Token from;

    bool needsExtended = false;  // has operations that the runtime keeps apart, see gorse_code_extended.c
    bool needsElements = false;  // works on arrays, see gorse_code_elements.c

    void operation(int op);
    void byte(int value) {
        assert(value >= 0 && value <= 0xff);
        code.push_back(static_cast<uint8_t>(value));
    }
    void word(int value) {
        assert(value >= -1 && value <= 0xffff);  // -1 after a reported mistake, whose rule is left out
        byte(value & 255);
        byte(value >> 8 & 255);
    }
    // Appends another's code; its slots move along.
    void append(const Compiled& other);
    // Pushes a constant in the shortest way.
    void push(int64_t value);
    // GORSE_ARRAY_..., of an array.
    void array(const ProjectNames::VariableRef& array, int what);
    // Turns yes into no and no into yes.
    void turnOver();
    // Multiplies by a power of ten, or divides rounding.
    void rescale(int toScale);
};

// What an expression may refer to beside variables.
struct ExpressionScope {
    const ProjectNames* names;
    // The slot of a widget's property; absent where properties can't be read.
    std::function<int(const ProjectNames::WidgetPlace&, const PropertyInfo&, const Token& at)> slot;
    // The number of a literal text; absent where literal texts are not possible.
    std::function<int(const std::string& words, const Token& at)> string;
    std::function<void(Severity, const Token& at, const std::string& reason, const std::string& remedy)> report;
    // A comparison that is always yes, or always no; absent where nobody wants to know.
    std::function<void(const Token& at, const std::string& reason, const std::string& remedy)> settled;
};

// Maximum number of values in one expression.
inline constexpr int kMaxTerms = 1000;

// Reads one expression from tokens[at] on. On a mistake, which is reported, nothing comes back.
class ExpressionParser {
  public:
    // One of these words in quotes is a choice, unless something else is compared with it.
    ExpressionParser(const ExpressionScope& scope, const std::vector<Token>& tokens, size_t at,
                     ChoiceWords choices = {})
        : scope_(scope), tokens_(tokens), at_(at), choices_(choices) {}

    std::optional<Compiled> parse();
    size_t position() const { return at_; }

  private:
    struct Stop {};  // thrown after a report, caught in parse(): never leaves this class
    [[noreturn]] void fail(const Token& at, const std::string& reason, const std::string& remedy = {});

    const Token& peek() const { return tokens_[at_]; }
    bool take(std::string_view symbol);
    Compiled choice();
    Compiled binary(int level);
    Compiled unary();
    Compiled primary();
    std::optional<Compiled> chosen(const Token& token) const;
    Compiled name();
    std::optional<Compiled> namedValue(const Token& token) const;
    Compiled namedColour(const Token& token, std::span<const Colour> inSets) const;
    Compiled property(const Token& first);
    Compiled element(const Token& name, const ProjectNames::VariableRef& array);
    bool startsAggregate() const;
    Compiled aggregate();
    Compiled sumOrExtreme(const Token& word, const ProjectNames::VariableRef& array);
    Compiled countOf(const Token& word, const ProjectNames::VariableRef& array);
    Compiled elementsAs(const ProjectNames::VariableRef& array, const Token& at) const;
    Compiled combine(Compiled a, const Token& op, Compiled b);
    Compiled logic(Compiled a, const Token& op, const Compiled& b);
    Compiled compare(Compiled a, const Token& op, Compiled b);
    Compiled arithmetic(Compiled a, const Token& op, Compiled b);
    Compiled bits(Compiled a, const Token& op, const Compiled& b);
    void want(const Compiled& value, ValueType type, const Token& op);
    void checkRange(Compiled& value, const Token& op);
    void checkSettled(const Compiled& a, const Token& op, const Compiled& b);
    void checkUnits(const Compiled& a, const Compiled& b, const Token& op);

    const ExpressionScope& scope_;
    const std::vector<Token>& tokens_;
    size_t at_;
    ChoiceWords choices_;
    int nesting_ = 0;
    int terms_ = 0;
};

// The type of a variable's values.
ValueType valueTypeOf(const Variable& variable);
const char* toWords(ValueType type);

}  // namespace gorsefinch
