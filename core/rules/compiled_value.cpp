// SPDX-License-Identifier: GPL-3.0-or-later
// The code of an expression: constants, decimals, joining.
#include <algorithm>
#include <cstdlib>

#include "core/rules/expression.h"
#include "runtime/gorse_scene.h"

namespace gorsefinch {

namespace {

int64_t powerOfTen(int exponent) {
    int64_t value = 1;
    while (exponent-- > 0)
        value *= 10;
    return value;
}

int64_t dividedRounding(int64_t a, int64_t b) {
    const int64_t half = b / 2;
    return a >= 0 ? (a + half) / b : -((-a + half) / b);
}

}  // namespace

const char* toWords(ValueType type) {
    switch (type) {
        case ValueType::Number: return "a number";
        case ValueType::YesNo: return "yes or no";
        case ValueType::Text: return "a text";
        case ValueType::Choice: return "a choice";
        default: return "a colour";
    }
}

ValueType valueTypeOf(const Variable& variable) {
    switch (variable.type) {
        case VariableType::YesNo: return ValueType::YesNo;
        case VariableType::Text: return ValueType::Text;
        case VariableType::Choice: return ValueType::Choice;
        default: return ValueType::Number;
    }
}

bool sameWords(ChoiceWords a, ChoiceWords b) {
    return std::equal(a.begin(), a.end(), b.begin(), b.end(),
                      [](const char* x, const char* y) { return std::string_view(x) == y; });
}

std::string quotedWords(ChoiceWords choices) {
    std::string out;
    for (size_t i = 0; i < choices.size(); ++i)
        out += (i == 0 ? "\"" : i + 1 == choices.size() ? " or \"" : ", \"") + std::string(choices[i]) + "\"";
    return out;
}

void Compiled::operation(int op) {
    needsElements = needsElements || op == GORSE_OP_ARRAY;
    needsExtended = needsExtended || op >= GORSE_OP_EXTENDED || (op >= GORSE_OP_SET_TEXT && op <= GORSE_OP_CALL_TEXT);
    byte(op);
}

void Compiled::append(const Compiled& other) {
    needsExtended = needsExtended || other.needsExtended;
    needsElements = needsElements || other.needsElements;
    for (const SlotUse& use : other.slots)
        slots.push_back({use.at + code.size(), use.slot});
    for (const size_t at : other.commands)
        commands.push_back(at + code.size());
    code.insert(code.end(), other.code.begin(), other.code.end());
    variables.insert(other.variables.begin(), other.variables.end());
}

void Compiled::push(int64_t value) {
    const auto bits = static_cast<uint32_t>(static_cast<int32_t>(value));
    if (value >= -128 && value <= 127) {
        operation(GORSE_OP_BYTE);
        byte(static_cast<int>(bits & 255));
    } else if (value >= -32768 && value <= 32767) {
        operation(GORSE_OP_SHORT);
        word(static_cast<int>(bits & 0xffff));
    } else {
        operation(GORSE_OP_LONG);
        word(static_cast<int>(bits & 0xffff));
        word(static_cast<int>(bits >> 16));
    }
}

void Compiled::array(const ProjectNames::VariableRef& array, int what) {
    operation(GORSE_OP_ARRAY);
    word(array.number);
    byte(array.variable->count - 1);
    byte(what);
}

void Compiled::turnOver() {
    push(0);
    operation(GORSE_OP_EQUAL);
    depth = std::max(depth, 2);
}

void Compiled::rescale(int toScale) {
    if (toScale == scale)
        return;
    const int64_t factor = powerOfTen(std::abs(toScale - scale));
    const bool finer = toScale > scale;
    if (constant) {
        min = max = finer ? min * factor : dividedRounding(min, factor);
        code.clear();
        push(min);
    } else {
        push(factor);
        operation(finer ? GORSE_OP_MULTIPLY : GORSE_OP_ROUND_DIVIDE);
        depth = std::max(depth, 2);
        min = finer ? min * factor : dividedRounding(min, factor);
        max = finer ? max * factor : dividedRounding(max, factor);
    }
    scale = toScale;
}

}  // namespace gorsefinch
