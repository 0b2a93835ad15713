// SPDX-License-Identifier: GPL-3.0-or-later
// Elements of arrays in expressions, and aggregates over all of them: zone[3], any zone > limit, sum zone.
#include <algorithm>
#include <array>

#include "core/rules/expression.h"
#include "core/rules/rule_words.h"
#include "runtime/gorse_scene.h"

namespace gorsefinch {

namespace {

// How a comparison is made of the numbers of elements that are less, equal or more.
struct Comparison {
    std::string_view sign;
    int what;
    bool others;  // it holds for the other elements
};
constexpr auto comparisons = std::to_array<Comparison>({{"<", GORSE_ARRAY_LESS, false},
                                                        {">=", GORSE_ARRAY_LESS, true},
                                                        {"==", GORSE_ARRAY_EQUAL, false},
                                                        {"!=", GORSE_ARRAY_EQUAL, true},
                                                        {">", GORSE_ARRAY_MORE, false},
                                                        {"<=", GORSE_ARRAY_MORE, true}});
constexpr int kTighterThanComparisons = 7;  // the level of << and >>

}  // namespace

// The type, range and words of an array's elements, without code.
Compiled ExpressionParser::elementsAs(const ProjectNames::VariableRef& array, const Token& at) const {
    const Variable& variable = *array.variable;
    Compiled out;
    out.from = at;
    out.type = valueTypeOf(variable);
    out.choices = array.choices;
    out.scale = variable.decimals;
    out.unit = variable.unit;
    out.min = variable.min;
    out.max = variable.max;
    return out;
}

// Behind the array's name.
Compiled ExpressionParser::element(const Token& name, const ProjectNames::VariableRef& array) {
    const Variable& variable = *array.variable;
    if (!take("["))
        fail(name, name.text + " is an array",
             "Write " + name.text + "[0], or sum, min, max, any, all or count before it");
    const ChoiceWords outer = choices_;
    choices_ = {};
    Compiled index = choice();
    choices_ = outer;
    want(index, ValueType::Number, index.from);
    index.rescale(0);
    if (!take("]"))
        fail(peek(), "the closing ] is missing", "Add it");
    const std::string range = name.text + " goes from 0 to " + std::to_string(variable.count - 1);
    Compiled out = elementsAs(array, name);
    if (index.constant) {
        if (index.min < 0 || index.min >= variable.count)
            fail(index.from, range, "Correct the index");
        const int at = static_cast<int>(index.min);
        out.operation(GORSE_OP_NUMBER);
        out.word(array.number + at);
        out.variables.insert(array.binding + at);
        return out;
    }
    if (index.min < 0 || index.max >= variable.count)
        scope_.report(Severity::Warning, index.from,
                      "the index can be " + std::to_string(index.min) + " to " + std::to_string(index.max) + "; " +
                          range + ", others read 0",
                      "Narrow the range of what it is made of");
    out.append(index);
    out.depth = index.depth;
    // A change of any element marks the first one.
    out.variables.insert(array.binding);
    out.array(array, GORSE_ARRAY_ELEMENT);
    return out;
}

// A word such as "any" with an array behind it; alone it is a name like others.
bool ExpressionParser::startsAggregate() const {
    if (!isArrayWord(peek().text) || tokens_[at_ + 1].type != TokenType::Name)
        return false;
    const auto found = scope_.names->variable(tokens_[at_ + 1].text);
    return found && found->variable->isArray();
}

Compiled ExpressionParser::aggregate() {
    const Token word = peek();
    const auto array = *scope_.names->variable(tokens_[at_ + 1].text);
    at_ += 2;
    if (peek().is("["))
        fail(peek(), word.text + " is about all elements", "Take out the index, or the " + word.text);
    return word.is("sum") || word.is("min") || word.is("max") ? sumOrExtreme(word, array) : countOf(word, array);
}

Compiled ExpressionParser::sumOrExtreme(const Token& word, const ProjectNames::VariableRef& array) {
    Compiled out = elementsAs(array, word);
    if (out.type != ValueType::Number)
        fail(word, word.text + " needs numbers, " + array.variable->name + " has none",
             "Write any, all or count before it");
    out.variables.insert(array.binding);
    if (word.is("sum")) {
        out.array(array, GORSE_ARRAY_SUM);
        out.min *= array.variable->count;
        out.max *= array.variable->count;
        checkRange(out, word);
    } else {
        out.array(array, word.is("min") ? GORSE_ARRAY_MIN : GORSE_ARRAY_MAX);
    }
    return out;
}

// any, all or count: followed by a comparison, or by nothing where the elements are yes or no.
Compiled ExpressionParser::countOf(const Token& word, const ProjectNames::VariableRef& array) {
    Compiled element = elementsAs(array, word);
    const Token op = peek();
    auto comparison =
        std::find_if(comparisons.begin(), comparisons.end(), [&](const Comparison& each) { return op.is(each.sign); });
    Compiled with;
    if (comparison != comparisons.end()) {
        ++at_;
        const ChoiceWords outer = choices_;
        choices_ = element.choices;
        with = binary(kTighterThanComparisons);
        choices_ = outer;
        if (comparison->what != GORSE_ARRAY_EQUAL)
            want(element, ValueType::Number, op);
    } else if (element.type == ValueType::YesNo) {
        comparison = std::find_if(comparisons.begin(), comparisons.end(),
                                  [](const Comparison& each) { return each.what == GORSE_ARRAY_EQUAL; });
        with.type = ValueType::YesNo;
        with.push(1);
    } else {
        fail(op, "a comparison belongs here", "Write " + word.text + " " + array.variable->name + " > 5");
    }
    want(with, element.type, op);
    if (!sameWords(element.choices, with.choices))
        fail(op, "these are different choices", "Compare it with one of its words in quotes");
    if (with.scale > element.scale)
        fail(op, "the value has more decimals than " + array.variable->name, "Give both as many");
    checkUnits(element, with, op);
    with.rescale(element.scale);
    const int all = array.variable->count;
    Compiled out;
    out.from = word;
    const bool isCount = word.is("count");
    if (isCount && comparison->others)
        out.push(all);
    out.append(with);
    out.depth = with.depth + (isCount ? 1 : 0);
    out.variables.insert(array.binding);
    out.array(array, comparison->what);
    if (isCount) {
        if (comparison->others)
            out.operation(GORSE_OP_SUBTRACT);
        out.min = 0;
        out.max = all;
        return out;
    }
    // Any: not none of them. All: none of the others.
    const bool isAny = word.is("any");
    out.push(isAny == comparison->others ? all : 0);
    out.operation(GORSE_OP_EQUAL);
    out.depth = std::max(out.depth, 2);
    if (isAny)
        out.turnOver();
    out.type = ValueType::YesNo;
    out.min = 0;
    out.max = 1;
    return out;
}

}  // namespace gorsefinch
