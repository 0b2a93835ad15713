// SPDX-License-Identifier: GPL-3.0-or-later
#include "core/rules/expression.h"

#include <algorithm>
#include <array>
#include <cstdlib>

#include "core/base/decimal.h"
#include "core/rules/property_value.h"
#include "runtime/gorse_scene.h"

namespace gorsefinch {

namespace {

constexpr int64_t kMin = -2147483648LL, kMax = 2147483647LL;
constexpr int kMaxScale = 6;

// C's levels of operators from the loosest on.
const std::array<std::vector<std::string_view>, 10> levels{{{"||"},
                                                            {"&&"},
                                                            {"|"},
                                                            {"^"},
                                                            {"&"},
                                                            {"==", "!="},
                                                            {"<", "<=", ">", ">="},
                                                            {"<<", ">>"},
                                                            {"+", "-"},
                                                            {"*", "/", "%"}}};

}  // namespace

void ExpressionParser::fail(const Token& at, const std::string& reason, const std::string& remedy) {
    scope_.report(Severity::Error, at, at.type == TokenType::Bad ? at.text : reason, remedy);
    throw Stop{};
}

std::optional<Compiled> ExpressionParser::parse() {
    try {
        Compiled value = choice();
        if (value.depth > GORSE_STACK)
            fail(value.from, "the expression is too deep", "Divide it with a variable");
        return value;
    } catch (const Stop&) {
        return std::nullopt;
    }
}

bool ExpressionParser::take(std::string_view symbol) {
    if (!peek().is(symbol))
        return false;
    ++at_;
    return true;
}

void ExpressionParser::want(const Compiled& value, ValueType type, const Token& op) {
    if (value.type != type)
        fail(op, std::string("here ") + toWords(type) + " is needed, this is " + toWords(value.type),
             "Write or compare another value");
}

void ExpressionParser::checkRange(Compiled& value, const Token& op) {
    if (value.min < kMin || value.max > kMax)
        scope_.report(Severity::Warning, op,
                      "the result can leave 32 bits (" + std::to_string(value.min) + " to " +
                          std::to_string(value.max) + " steps)",
                      "Narrow the variables' ranges or the decimals");
    value.min = std::clamp(value.min, kMin, kMax);
    value.max = std::clamp(value.max, kMin, kMax);
}

// By the ranges of both sides, which have the same scale. Elements that an array lacks and properties of widgets have
// no range that holds in any case.
void ExpressionParser::checkSettled(const Compiled& a, const Token& op, const Compiled& b) {
    const auto isKnown = [](const Compiled& value) {
        return value.slots.empty() && !value.needsElements && value.min >= kMin && value.max <= kMax;
    };
    if (!scope_.settled || !isKnown(a) || !isKnown(b) || a.variables.size() + b.variables.size() == 0)
        return;
    const bool apart = a.max < b.min || b.max < a.min;
    std::optional<bool> always;
    if (op.text == "==" || op.text == "!=") {
        if (apart)
            always = op.text == "!=";
    } else {
        const bool turned = op.text == ">" || op.text == "<=";
        const Compiled &less = turned ? b : a, &more = turned ? a : b;
        const bool positive = op.text == "<" || op.text == ">";
        if (less.max < more.min)
            always = positive;
        else if (less.min >= more.max)
            always = !positive;
    }
    if (!always)
        return;
    const auto range = [](const Compiled& value) {
        const std::string from = decimalText(value.min, value.scale);
        return value.min == value.max ? "is " + from
                                      : "goes from " + from + " to " + decimalText(value.max, value.scale);
    };
    scope_.settled(op,
                   std::string(*always ? "it always holds" : "it never holds") + ": what is left of " + op.text + " " +
                       range(a) + ", what is right of it " + range(b),
                   "Compare it with another value, or widen the variable's range");
}

void ExpressionParser::checkUnits(const Compiled& a, const Compiled& b, const Token& op) {
    if (!a.unit.empty() && !b.unit.empty() && a.unit != b.unit)
        scope_.report(Severity::Warning, op, "mixed units: " + a.unit + " and " + b.unit, "Convert one of them");
}

Compiled ExpressionParser::choice() {
    if (++nesting_ > 40)
        fail(peek(), "too many brackets", "Divide the expression");
    Compiled condition = binary(0);
    const Token op = peek();
    if (!take("?")) {
        --nesting_;
        return condition;
    }
    want(condition, ValueType::YesNo, op);
    Compiled yes = choice();
    const Token colon = peek();
    if (!take(":"))
        fail(colon, "a : and the other value belong here", "Write condition ? value : other value");
    Compiled no = choice();
    want(no, yes.type, colon);
    if (!sameWords(yes.choices, no.choices))
        fail(colon, "these are different choices", "Write words of one of them");
    if (yes.type == ValueType::Number) {
        const int scale = std::max(yes.scale, no.scale);
        yes.rescale(scale);
        no.rescale(scale);
        checkUnits(yes, no, op);
    }
    Compiled out = std::move(condition);
    out.operation(GORSE_OP_JUMP_IF_NOT);
    out.word(static_cast<int>(yes.code.size()) + 3);
    out.append(yes);
    out.operation(GORSE_OP_JUMP);
    out.word(static_cast<int>(no.code.size()));
    out.append(no);
    out.type = yes.type;
    out.choices = yes.choices;
    out.scale = yes.scale;
    out.unit = yes.unit.empty() ? no.unit : yes.unit;
    out.min = std::min(yes.min, no.min);
    out.max = std::max(yes.max, no.max);
    out.constant = false;
    out.strings = std::move(yes.strings);
    out.strings.insert(out.strings.end(), no.strings.begin(), no.strings.end());
    out.otherText = yes.otherText || no.otherText;
    out.depth = std::max({out.depth, yes.depth, no.depth});
    --nesting_;
    return out;
}

Compiled ExpressionParser::binary(int level) {
    if (level == static_cast<int>(levels.size()))
        return unary();
    Compiled left = binary(level + 1);
    for (;;) {
        const auto& operators = levels[static_cast<size_t>(level)];
        const Token op = peek();
        if (op.type != TokenType::Symbol || std::find(operators.begin(), operators.end(), op.text) == operators.end())
            return left;
        ++at_;
        const ChoiceWords outer = choices_;
        if (op.text == "==" || op.text == "!=")
            choices_ = left.choices;
        Compiled right = binary(level + 1);
        choices_ = outer;
        left = combine(std::move(left), op, std::move(right));
    }
}

Compiled ExpressionParser::combine(Compiled a, const Token& op, Compiled b) {
    const std::string& o = op.text;
    if (o == "&&" || o == "||")
        return logic(std::move(a), op, b);
    if (o == "==" || o == "!=" || o == "<" || o == "<=" || o == ">" || o == ">=")
        return compare(std::move(a), op, std::move(b));
    if (o == "&" || o == "|" || o == "^" || o == "<<" || o == ">>")
        return bits(std::move(a), op, b);
    return arithmetic(std::move(a), op, std::move(b));
}

// The second side is only run when it matters.
Compiled ExpressionParser::logic(Compiled a, const Token& op, const Compiled& b) {
    want(a, ValueType::YesNo, op);
    want(b, ValueType::YesNo, op);
    const bool isAnd = op.text == "&&";
    if (!isAnd)
        a.turnOver();
    a.operation(GORSE_OP_JUMP_IF_NOT);
    a.word(static_cast<int>(b.code.size()) + 3);
    a.append(b);
    a.operation(GORSE_OP_JUMP);
    a.word(2);
    a.operation(GORSE_OP_BYTE);
    a.byte(isAnd ? 0 : 1);
    a.depth = std::max(a.depth, b.depth);
    a.constant = false;
    return a;
}

Compiled ExpressionParser::compare(Compiled a, const Token& op, Compiled b) {
    const bool orders = op.text != "==" && op.text != "!=";
    if (orders)
        want(a, ValueType::Number, op);
    want(b, a.type, op);
    if (!sameWords(a.choices, b.choices))
        fail(op, "these are different choices", "Compare it with one of its words in quotes");
    const bool texts = a.type == ValueType::Text;
    if (a.type == ValueType::Number) {
        const int scale = std::max(a.scale, b.scale);
        a.rescale(scale);
        b.rescale(scale);
        checkUnits(a, b, op);
        checkSettled(a, op, b);
        checkRange(a, op);
        checkRange(b, op);
    }
    if (op.text == ">" || op.text == "<=")
        std::swap(a, b);
    a.append(b);
    a.operation(orders ? GORSE_OP_LESS : texts ? GORSE_OP_SAME_TEXT : GORSE_OP_EQUAL);
    a.depth = std::max(a.depth, b.depth + 1);
    if (op.text == "!=" || op.text == "<=" || op.text == ">=")
        a.turnOver();
    a.type = ValueType::YesNo;
    a.scale = 0;
    a.unit.clear();
    a.min = 0;
    a.max = 1;
    a.constant = false;
    a.strings.clear();
    a.otherText = false;
    a.choices = {};
    return a;
}

Compiled ExpressionParser::arithmetic(Compiled a, const Token& op, Compiled b) {
    want(a, ValueType::Number, op);
    want(b, ValueType::Number, op);
    const char o = op.text[0];
    const int scaleA = a.scale, scaleB = b.scale;
    if (o == '+' || o == '-' || o == '%') {
        checkUnits(a, b, op);
        a.rescale(std::max(scaleA, scaleB));
        b.rescale(std::max(scaleA, scaleB));
    } else if (o == '/') {
        a.rescale(std::min(scaleA + scaleB, kMaxScale));
    }
    checkRange(a, op);
    const int64_t minA = a.min, maxA = a.max;
    const int scaledA = a.scale, depthA = a.depth;
    Compiled out = std::move(a);
    out.append(b);
    out.operation(o == '+'   ? GORSE_OP_ADD
                  : o == '-' ? GORSE_OP_SUBTRACT
                  : o == '*' ? GORSE_OP_MULTIPLY
                  : o == '/' ? GORSE_OP_DIVIDE
                             : GORSE_OP_REMAINDER);
    out.depth = std::max(depthA, b.depth + 1);
    out.constant = false;
    if (out.unit.empty() || (o == '*' && !b.unit.empty()))
        out.unit = b.unit;
    if (o == '/' && !b.unit.empty())
        out.unit.clear();
    if (o == '+') {
        out.min = minA + b.min;
        out.max = maxA + b.max;
    } else if (o == '-') {
        out.min = minA - b.max;
        out.max = maxA - b.min;
    } else if (o == '*') {
        const auto corners = {minA * b.min, minA * b.max, maxA * b.min, maxA * b.max};
        out.min = std::min(corners);
        out.max = std::max(corners);
        out.scale = scaleA + scaleB;
    } else if (o == '%') {
        const int64_t reach = std::max(std::abs(b.min), std::abs(b.max)) - 1;
        out.min = minA < 0 ? -std::max(reach, int64_t{0}) : 0;
        out.max = std::max(reach, int64_t{0});
    } else {
        const int64_t reach = std::max(std::abs(minA), std::abs(maxA));
        out.min = -reach;
        out.max = reach;
        if (minA >= 0 && b.min >= 0)
            out.min = 0;
        out.scale = scaledA - scaleB;
        if (b.constant && b.min == 0)
            scope_.report(Severity::Warning, op, "division by zero gives 0", "Divide by something else");
    }
    checkRange(out, op);
    if (o == '*' && out.scale > std::max(scaleA, scaleB))
        out.rescale(std::max(scaleA, scaleB));
    return out;
}

Compiled ExpressionParser::bits(Compiled a, const Token& op, const Compiled& b) {
    want(a, ValueType::Number, op);
    want(b, ValueType::Number, op);
    if (a.scale != 0 || b.scale != 0)
        fail(op, "bits can only be worked on in whole numbers", "Use a variable without decimals");
    a.append(b);
    a.operation(op.text == "&"    ? GORSE_OP_AND
                : op.text == "|"  ? GORSE_OP_OR
                : op.text == "^"  ? GORSE_OP_XOR
                : op.text == "<<" ? GORSE_OP_LEFT
                                  : GORSE_OP_RIGHT);
    a.depth = std::max(a.depth, b.depth + 1);
    a.constant = false;
    a.unit.clear();
    if (op.text == "&" && a.min >= 0 && b.min >= 0) {
        a.min = 0;
        a.max = std::min(a.max, b.max);
    } else {
        a.min = kMin;
        a.max = kMax;
    }
    return a;
}

Compiled ExpressionParser::unary() {
    if (++nesting_ > 40)
        fail(peek(), "too many signs", "Divide the expression");
    const Token op = peek();
    Compiled value;
    if (take("-")) {
        value = unary();
        want(value, ValueType::Number, op);
        if (value.constant) {
            value.min = value.max = -value.min;
            value.code.clear();
            value.push(value.min);
        } else {
            Compiled zero;
            zero.push(0);
            zero.append(value);
            zero.operation(GORSE_OP_SUBTRACT);
            value.code = std::move(zero.code);
            value.slots = std::move(zero.slots);
            ++value.depth;
            std::swap(value.min, value.max);
            value.min = -value.min;
            value.max = -value.max;
            checkRange(value, op);
        }
    } else if (take("!")) {
        value = unary();
        want(value, ValueType::YesNo, op);
        value.turnOver();
    } else if (take("~")) {
        value = unary();
        want(value, ValueType::Number, op);
        if (value.scale != 0)
            fail(op, "bits can only be worked on in whole numbers", "Use a variable without decimals");
        value.operation(GORSE_OP_COMPLEMENT);
        value.constant = false;
        value.min = kMin;
        value.max = kMax;
    } else {
        value = primary();
    }
    --nesting_;
    return value;
}

}  // namespace gorsefinch
