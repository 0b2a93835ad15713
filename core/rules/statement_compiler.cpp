// SPDX-License-Identifier: GPL-3.0-or-later
#include "core/rules/statement_compiler.h"

#include <algorithm>

#include "core/document/names.h"
#include "core/document/panel_outputs.h"
#include "core/rules/property_value.h"
#include "core/rules/rule_words.h"

namespace gorsefinch {

namespace {

constexpr size_t kMaxHookValues = 4;
constexpr const char* kHookValues = "a hook takes at most four values, one of them a text";
constexpr const char* kFewerValues = "Hand over less; the firmware can read variables";

}  // namespace

void StatementCompiler::statement(const std::vector<Token>& tokens, Compiled& body) {
    const Token& first = tokens[0];
    // A variable or widget may have the name of a statement.
    if (at(tokens, 1).is("=") || at(tokens, 1).is(".") || at(tokens, 1).is("[")) {
        assignment(tokens, body);
    } else if (first.is("go")) {
        go(tokens, body);
    } else if (first.is("open") && at(tokens, 2).is(kOver)) {
        openOver(tokens, body);
    } else if (first.is("close") && at(tokens, 1).type == TokenType::End) {
        body.operation(GORSE_OP_BACK);
        file_.addLead(kLeadsBack);
    } else if (first.is("back")) {
        transition(tokens, 1, body);
        body.operation(GORSE_OP_BACK);
        file_.addLead(kLeadsBack);
    } else if (first.is("call")) {
        call(tokens, body);
    } else if (first.is("show") || first.is("hide") || first.is("toggle") || first.is("enable") ||
               first.is("disable")) {
        flag(tokens, body);
    } else if (first.is("stop") &&
               (at(tokens, 4).is(".") || (at(tokens, 2).is(".") && pool_.names().screen(at(tokens, 1).text) < 0))) {
        stay(tokens, body);
    } else if (findCommand(first.text)) {
        command(tokens, body);
    } else if (first.is("animate")) {
        animate(tokens, body);
    } else if (first.is("then")) {
        then(tokens);
    } else if (first.is(kSoundHook)) {
        sound(tokens, body);
    } else {
        assignment(tokens, body);
    }
}

void StatementCompiler::call(const std::vector<Token>& tokens, Compiled& body) {
    const Token& name = at(tokens, 1);
    if (name.type != TokenType::Name || nameError(name.text)) {
        report(Severity::Error, name, nameError(name.text).value_or("a hook's name belongs here"),
               "Write call name(values)");
        return;
    }
    size_t i = 2;
    if (!at(tokens, i).is("(")) {
        report(Severity::Error, at(tokens, i), "a ( belongs here", "Write call " + name.text + "()");
        return;
    }
    ++i;
    if (isHookOfOutputs(*pool_.names().document().panel, name.text))
        report(Severity::Error, name, "the panel's outputs call the hook " + name.text,
               "Set the output, or give the hook another name");
    HookInfo hook{name.text, {}, {}};
    int texts = 0;
    while (!at(tokens, i).is(")")) {
        const auto value = file_.expression(tokens, i);
        if (!value)
            return;
        if (hook.values.size() == kMaxHookValues) {
            report(Severity::Error, name, kHookValues, kFewerValues);
            return;
        }
        if (value->type == ValueType::Text)
            texts |= 1 << hook.values.size();
        // The firmware gets the number of a choice.
        hook.values.push_back(value->type == ValueType::Choice ? ValueType::Number : value->type);
        hook.scales.push_back(value->scale);
        body.append(*value);
        if (!at(tokens, i).is(","))
            break;
        ++i;
    }
    if (!at(tokens, i).is(")"))
        report(Severity::Error, at(tokens, i), "the closing ) is missing", "Add it");
    expectEnd(tokens, i + 1);
    if ((texts & (texts - 1)) != 0)
        report(Severity::Error, name, kHookValues, kFewerValues);
    body.operation(texts != 0 ? GORSE_OP_CALL_TEXT : GORSE_OP_CALL);
    body.word(hookNumber(hook, name));
    body.byte(static_cast<int>(hook.values.size()));
    body.byte(texts);
}

int StatementCompiler::hookNumber(const HookInfo& hook, const Token& at) {
    const int number = file_.hook(hook, at);
    const HookInfo& known = pool_.out().hooks[static_cast<size_t>(number)];
    if (known.name == hook.name && (known.values != hook.values || known.scales != hook.scales))
        report(Severity::Error, at, "\"" + hook.name + "\" is called with other values elsewhere",
               "Give all its calls the same values");
    return number;
}

void StatementCompiler::flag(const std::vector<Token>& tokens, Compiled& body) {
    const bool full = at(tokens, 2).is(".");
    const auto place = file_.widget(tokens, 1, full);
    if (!place)
        return;
    const bool able = tokens[0].is("enable") || tokens[0].is("disable");
    const PropertyInfo& property = *findProperty(place->kind, able ? "enabled" : "visible");
    const int slot = file_.slot(*place, property, tokens[0]);
    if (tokens[0].is("toggle")) {
        pool_.readByRules(slot);
        body.operation(GORSE_OP_SLOT);
        body.slots.push_back({body.code.size(), slot});
        body.word(0);
        body.turnOver();
    } else {
        body.push(tokens[0].is("show") || tokens[0].is("enable"));
    }
    storeSlot(body, slot, place->screen);
    expectEnd(tokens, full ? 4 : 2);
}

void StatementCompiler::command(const std::vector<Token>& tokens, Compiled& body) {
    const bool full = at(tokens, 2).is(".");
    const auto place = file_.widget(tokens, 1, full);
    if (!place)
        return;
    const KindInfo& kind = info(place->kind);
    const CommandWord& word = *findCommand(tokens[0].text);
    if (!kind.has(word.needs))
        report(Severity::Error, at(tokens, full ? 3 : 1), std::string("a ") + kind.key + word.refusal, word.remedy);
    body.operation(GORSE_OP_COMMAND);
    body.commands.push_back(body.code.size());
    body.word(place->screen);
    body.word(place->widget);
    body.byte(word.command);
    expectEnd(tokens, full ? 4 : 2);
}

void StatementCompiler::storeSlot(Compiled& body, int slot, int screen) {
    body.operation(GORSE_OP_SET_SLOT);
    body.slots.push_back({body.code.size(), slot});
    body.word(0);
    body.word(screen);
    if (!pool_.isRead(slot))
        return;
    body.operation(GORSE_OP_MARK_SLOT);
    body.slots.push_back({body.code.size(), slot});
    body.word(0);
}

void StatementCompiler::assignment(const std::vector<Token>& tokens, Compiled& body) {
    // name, widget.name or screen.widget.name
    size_t equals = tokens[0].type == TokenType::Name ? 1 : 0;
    while (equals > 0 && at(tokens, equals).is(".") && at(tokens, equals + 1).type == TokenType::Name)
        equals += 2;
    if (equals > 1 && at(tokens, equals).is("[")) {
        setCell(tokens, equals, body);
        return;
    }
    if (equals == 1 && at(tokens, equals).is("[")) {
        setElement(tokens, body);
        return;
    }
    if (equals == 0 || !tokens[equals].is("=")) {
        report(Severity::Error, tokens[equals == 1 ? 0 : equals],
               equals == 1 ? "there is no statement \"" + tokens[0].text + "\"" : "a statement belongs here",
               "Write name = value, go, back, call, show, hide, toggle, enable, disable, animate, play, stop, sample, "
               "open, close or sound");
        return;
    }
    if (equals == 1)
        setVariable(tokens, body);
    else
        setProperty(tokens, equals, body);
}

std::optional<Compiled> StatementCompiler::valueBehind(const std::vector<Token>& tokens, size_t equals,
                                                       ChoiceWords choices) {
    size_t i = equals + 1;
    auto value = file_.expression(tokens, i, choices);
    if (value)
        expectEnd(tokens, i);
    return value;
}

void StatementCompiler::wantType(ValueType wanted, const Compiled& value, const Token& op) {
    if (value.type != wanted)
        report(Severity::Error, op, std::string("it takes ") + toWords(wanted) + ", this is " + toWords(value.type),
               "Set it to another value");
}

std::optional<ProjectNames::VariableRef> StatementCompiler::settable(const Token& name) {
    const auto found = pool_.names().variable(name.text);
    if (!found)
        report(Severity::Error, name, "there is no variable \"" + name.text + "\"",
               "Add it at the station Variables, or correct it");
    return found;
}

std::optional<Compiled> StatementCompiler::valueFor(const ProjectNames::VariableRef& variable,
                                                    const std::vector<Token>& tokens, size_t equals) {
    auto value = valueBehind(tokens, equals, variable.choices);
    if (!value)
        return std::nullopt;
    if (variable.variable->writer == Writer::Firmware)
        report(Severity::Warning, tokens[0], "only the firmware writes " + tokens[0].text + ", as its settings say",
               "Let the panel or both write it at the station Variables");
    const Token& op = tokens[equals];
    wantType(valueTypeOf(*variable.variable), *value, op);
    if (value->type == ValueType::Number)
        fitNumber(*variable.variable, op, *value);
    else if (!sameWords(value->choices, variable.choices))
        report(Severity::Error, op, "these are different choices", "Set it to one of its words in quotes");
    return value;
}

void StatementCompiler::setVariable(const std::vector<Token>& tokens, Compiled& body) {
    if (const auto found = settable(tokens[0]))
        storeVariable(*found, tokens, 1, body);
}

void StatementCompiler::storeVariable(const ProjectNames::VariableRef& variable, const std::vector<Token>& tokens,
                                      size_t equals, Compiled& body) {
    const auto value = valueFor(variable, tokens, equals);
    if (!value)
        return;
    body.append(*value);
    if (variable.variable->isArray()) {
        body.array(variable, GORSE_ARRAY_FILL);
        return;
    }
    body.operation(variable.variable->isText() ? GORSE_OP_SET_TEXT : GORSE_OP_SET_NUMBER);
    body.word(variable.number);
}

void StatementCompiler::setOutput(const std::vector<Token>& tokens, Compiled& body) {
    const std::string name = tokens[0].text + "." + tokens[2].text;
    if (const auto found = pool_.names().variable(name))
        storeVariable(*found, tokens, 3, body);
    else
        report(Severity::Error, tokens[2], "the panel has no output " + tokens[2].text, kFindOutput);
}

// array[index] = value
void StatementCompiler::setElement(const std::vector<Token>& tokens, Compiled& body) {
    const auto found = settable(tokens[0]);
    if (!found)
        return;
    const Variable& variable = *found->variable;
    if (!variable.isArray()) {
        report(Severity::Error, tokens[1], variable.name + " is no array",
               "Give it more elements at the station Variables");
        return;
    }
    size_t i = 2;
    const auto index = indexOf(tokens, i, variable.name + " goes", variable.count - 1);
    if (!index)
        return;
    if (!at(tokens, i).is("]") || !at(tokens, i + 1).is("=")) {
        report(Severity::Error, at(tokens, at(tokens, i).is("]") ? i + 1 : i), "this does not belong here",
               "Write " + variable.name + "[index] = value");
        return;
    }
    const auto value = valueFor(*found, tokens, i + 1);
    if (!value)
        return;
    body.append(*index);
    body.append(*value);
    body.array(*found, GORSE_ARRAY_SET);
}

void StatementCompiler::fitNumber(const Variable& variable, const Token& op, Compiled& value) {
    if (value.scale > variable.decimals)
        report(Severity::Warning, op,
               "decimals get lost: the value has " + std::to_string(value.scale) + ", " + variable.name + " has " +
                   std::to_string(variable.decimals),
               "Give the variable more decimals if they matter");
    if (!value.unit.empty() && !variable.unit.empty() && value.unit != variable.unit)
        report(Severity::Warning, op, "mixed units: " + variable.unit + " and " + value.unit, "Convert the value");
    value.rescale(variable.decimals);
    if (value.constant && (value.min < variable.min || value.min > variable.max))
        report(Severity::Warning, op,
               "the value lies outside the range of " + variable.name + " (" +
                   decimalText(variable.min, variable.decimals) + " to " +
                   decimalText(variable.max, variable.decimals) + ") and will be clamped to it",
               "Set it inside, or widen the range");
}

// A whole number from 0 to `most`, and the token behind it. A constant beyond it is reported.
std::optional<Compiled> StatementCompiler::indexOf(const std::vector<Token>& tokens, size_t& i, const std::string& what,
                                                   int most) {
    const Token& from = at(tokens, i);
    auto value = file_.expression(tokens, i);
    if (!value)
        return std::nullopt;
    wantType(ValueType::Number, *value, from);
    value->rescale(0);
    if (value->constant && (value->min < 0 || value->min > most))
        report(Severity::Error, from, what + " from 0 to " + std::to_string(most), "Correct it");
    return value;
}

// [screen.]map.cell[column, row] = value
void StatementCompiler::setCell(const std::vector<Token>& tokens, size_t bracket, Compiled& body) {
    const auto expect = [&](const Token& token, const char* symbol) {
        if (!token.is(symbol))
            report(Severity::Error, token, std::string("a ") + symbol + " belongs here",
                   "Write map.cell[column, row] = value");
        return token.is(symbol);
    };
    if (bracket != 3 && bracket != 5) {
        report(Severity::Error, tokens[bracket], "this does not belong here", "Write map.cell[column, row] = value");
        return;
    }
    const auto place = file_.widget(tokens, 0, bracket == 5);
    if (!place)
        return;
    if (!tokens[bracket - 1].is("cell") || !info(place->kind).has(kHasCells)) {
        report(Severity::Error, tokens[bracket - 1], std::string("a ") + info(place->kind).key + " has no such cells",
               "Write map.cell[column, row] = value, for tiles");
        return;
    }
    size_t i = bracket + 1;
    const auto column = indexOf(tokens, i, "a column goes", kMaxMapSide - 1);
    if (!column || !expect(at(tokens, i), ","))
        return;
    const auto row = indexOf(tokens, ++i, "a row goes", kMaxMapSide - 1);
    if (!row || !expect(at(tokens, i), "]") || !expect(at(tokens, i + 1), "="))
        return;
    i += 2;
    const auto cell = indexOf(tokens, i, "a cell goes", 255);
    if (!cell)
        return;
    expectEnd(tokens, i);
    for (const Compiled& each : {*column, *row, *cell})
        body.append(each);
    body.operation(GORSE_OP_SET_CELL);
    body.commands.push_back(body.code.size());
    body.word(place->screen);
    body.word(place->widget);
    pool_.out().cellsSet.insert({place->screen, place->widget});
}

void StatementCompiler::setProperty(const std::vector<Token>& tokens, size_t equals, Compiled& body) {
    if (equals != 3 && equals != 5) {
        report(Severity::Error, tokens[0], "write widget.property or screen.widget.property");
        return;
    }
    const std::string joined = tokens[0].text + "." + tokens[2].text;
    if (equals == 3 && isOutput(pool_.names(), tokens[0].text, joined)) {
        setOutput(tokens, body);
        return;
    }
    if (equals == 3 && pool_.names().variable(joined)) {
        report(Severity::Error, tokens[0], "only the firmware sets the clock", "Let a hook ask it to");
        return;
    }
    size_t i = 0;
    const auto place = propertyFrom(tokens, i);
    if (!place)
        return;
    auto value = valueBehind(tokens, equals, place->property->choices);
    if (!value)
        return;
    fit(*value, *place->property, tokens[equals]);
    std::vector<int>& strings = pool_.out().slots[static_cast<size_t>(place->slot)].strings;
    strings.insert(strings.end(), value->strings.begin(), value->strings.end());
    body.append(*value);
    storeSlot(body, place->slot, place->widget.screen);
}

std::optional<StatementCompiler::PropertyPlace> StatementCompiler::propertyFrom(const std::vector<Token>& tokens,
                                                                                size_t& i) {
    const bool full = at(tokens, i + 3).is(".");
    const auto place = file_.widget(tokens, i, full);
    if (!place)
        return std::nullopt;
    const Token& key = at(tokens, i + (full ? 4 : 2));
    const PropertyInfo* property = findProperty(place->kind, key.text);
    if (!property || !property->inRules) {
        report(Severity::Error, key, "rules can't set \"" + key.text + "\" of a " + info(place->kind).key,
               "Use one that Ctrl+Space offers");
        return std::nullopt;
    }
    i += full ? 5 : 3;
    return PropertyPlace{*place, property, file_.slot(*place, *property, key)};
}

void StatementCompiler::fit(Compiled& value, const PropertyInfo& property, const Token& where) {
    fitToProperty(value, property, where,
                  [this](Severity severity, const Token& token, const std::string& reason, const std::string& remedy) {
                      report(severity, token, reason, remedy);
                  });
}

}  // namespace gorsefinch
