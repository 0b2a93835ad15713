// SPDX-License-Identifier: GPL-3.0-or-later
// What expressions are made of: constants, variables, properties.
#include <algorithm>
#include <limits>

#include "core/document/panel_outputs.h"
#include "core/rules/expression.h"
#include "core/rules/property_value.h"
#include "runtime/gorse_scene.h"

namespace gorsefinch {

Compiled ExpressionParser::primary() {
    const Token token = peek();
    if (++terms_ > kMaxTerms)
        fail(token, "an expression has at most " + std::to_string(kMaxTerms) + " values", "Divide it with variables");
    Compiled out;
    out.from = token;
    switch (token.type) {
        case TokenType::Number:
            ++at_;
            out.min = out.max = token.number;
            out.scale = token.decimals;
            out.constant = true;
            out.push(token.number);
            if (token.number > std::numeric_limits<int32_t>::max() && !(at_ > 1 && tokens_[at_ - 2].is("-")))
                fail(token, "the number does not fit 32 bits", "Write one up to 2147483647");
            return out;
        case TokenType::Colour:
            ++at_;
            out.type = ValueType::Colour;
            out.push(static_cast<int32_t>(token.colour));
            return out;
        case TokenType::Text: {
            if (auto choice = chosen(token)) {
                ++at_;
                return std::move(*choice);
            }
            if (!scope_.string)
                fail(token, "a text in quotes is not possible here", "Use a number or a variable");
            ++at_;
            out.type = ValueType::Text;
            out.strings = {scope_.string(token.text, token)};
            out.push(out.strings.front());
            return out;
        }
        case TokenType::Name: return name();
        default: break;
    }
    if (take("(")) {
        out = choice();
        if (!take(")"))
            fail(peek(), "the closing ) is missing", "Add it");
        return out;
    }
    fail(token, token.type == TokenType::End ? "a value is missing here" : "a value belongs here",
         "Write a number, yes, no, or a variable's name");
}

// One of the words that are looked for.
std::optional<Compiled> ExpressionParser::chosen(const Token& token) const {
    const auto found = std::find(choices_.begin(), choices_.end(), token.text);
    if (found == choices_.end())
        return std::nullopt;
    Compiled out;
    out.from = token;
    out.type = ValueType::Choice;
    out.choices = choices_;
    out.push(found - choices_.begin());
    return out;
}

Compiled ExpressionParser::name() {
    if (startsAggregate())
        return aggregate();
    Token token = peek();
    ++at_;
    // A field of the clock, or an output, is a variable whose name has a point.
    const auto behind = [&](size_t count) { return tokens_[std::min(at_ + count, tokens_.size() - 1)]; };
    const std::string joined = token.text + "." + behind(1).text;
    if (peek().is(".") && scope_.names->variable(joined)) {
        token.text = joined;
        at_ += 2;
    } else if (peek().is(".") && !behind(2).is(".") && isOutput(*scope_.names, token.text, joined)) {
        fail(token, "the panel has no output " + behind(1).text, kFindOutput);
    } else if (peek().is(".")) {
        return property(token);
    }
    Compiled out;
    out.from = token;
    if (token.text == "yes" || token.text == "no") {
        out.type = ValueType::YesNo;
        out.push(token.text == "yes");
        out.min = 0;
        out.max = 1;
        return out;
    }
    if (token.text == "none") {
        out.type = ValueType::Colour;
        out.push(0);
        return out;
    }
    const auto found = scope_.names->variable(token.text);
    if (!found)
        if (auto value = namedValue(token))
            return std::move(*value);
    if (!found)
        fail(token, "there is no variable \"" + token.text + "\"",
             choices_.empty() ? "Add it at the station Variables, or correct it"
                              : "Write " + quotedWords(choices_) + " in quotes, or a variable that is there");
    const Variable& variable = *found->variable;
    if (variable.isArray())
        return element(token, *found);
    if (peek().is("["))
        fail(peek(), token.text + " is no array", "Give it more elements at the station Variables");
    out.variables.insert(found->binding);
    out.unit = variable.unit;
    if (variable.type == VariableType::Text) {
        out.type = ValueType::Text;
        out.otherText = true;
        out.push(GORSE_TEXT_IS_VARIABLE | found->number);
        return out;
    }
    out.type = valueTypeOf(variable);
    out.choices = found->choices;
    out.scale = variable.decimals;
    out.min = variable.min;
    out.max = variable.max;
    out.operation(GORSE_OP_NUMBER);
    out.word(found->number);
    return out;
}

// A colour or a size of the project, or the name of a set of colours, which needs no quotes.
std::optional<Compiled> ExpressionParser::namedValue(const Token& token) const {
    if (const auto colours = scope_.names->colour(token.text); !colours.empty())
        return namedColour(token, colours);
    if (const auto size = scope_.names->size(token.text)) {
        Compiled out;
        out.from = token;
        out.min = out.max = *size;
        out.constant = true;
        out.push(*size);
        return out;
    }
    const auto theme = scope_.names->variable(kThemeName);
    const bool isSet = theme && theme->choices.data() == choices_.data() && !choices_.empty();
    return isSet ? chosen(token) : std::nullopt;
}

// The colour in the set that is shown: `theme == 0 ? first : theme == 1 ? second : third`. Equal ones need no theme.
Compiled ExpressionParser::namedColour(const Token& token, std::span<const Colour> inSets) const {
    const auto theme = scope_.names->variable(kThemeName);
    const auto number = [](Colour colour) { return static_cast<int32_t>(colour.argb); };
    Compiled out;
    out.from = token;
    out.type = ValueType::Colour;
    out.push(number(inSets.back()));
    const bool same = std::all_of(inSets.begin(), inSets.end(), [&](Colour each) { return each == inSets.front(); });
    if (same || !theme)
        return out;
    for (size_t i = inSets.size() - 1; i-- > 0;) {
        Compiled one;
        one.push(number(inSets[i]));
        Compiled both;
        both.operation(GORSE_OP_NUMBER);
        both.word(theme->number);
        both.push(static_cast<int64_t>(i));
        both.operation(GORSE_OP_EQUAL);
        both.operation(GORSE_OP_JUMP_IF_NOT);
        both.word(static_cast<int>(one.code.size()) + 3);
        both.append(one);
        both.operation(GORSE_OP_JUMP);
        both.word(static_cast<int>(out.code.size()));
        both.append(out);
        out.code = std::move(both.code);
    }
    out.depth = 2;
    out.variables.insert(theme->binding);
    return out;
}

Compiled ExpressionParser::property(const Token& first) {
    std::vector<Token> parts{first};
    while (take(".")) {
        if (peek().type != TokenType::Name)
            fail(peek(), "a name belongs behind the point", "Write widget.property");
        parts.push_back(peek());
        ++at_;
    }
    if (!scope_.slot)
        fail(first, "only variables are possible here", "Use a variable");
    if (parts.size() > 3)
        fail(parts[3], "too many points", "Write screen.widget.property");
    const bool full = parts.size() == 3;
    const Token& widgetToken = parts[full ? 1 : 0];
    const auto place = scope_.names->widget(full ? parts[0].text : "", widgetToken.text);
    if (!place)
        fail(widgetToken, "there is no widget \"" + widgetToken.text + "\"", kFindWidget);
    if (place->screen < 0)
        fail(widgetToken, "several screens have a widget \"" + widgetToken.text + "\"", "Write screen.widget");
    const PropertyInfo* info = findProperty(place->kind, parts.back().text);
    if (!info || !info->inRules)
        fail(parts.back(), "rules can't read \"" + parts.back().text + "\" of it", "Use one that Ctrl+Space offers");
    Compiled out;
    out.from = first;
    out.type = valueTypeOf(*info);
    out.otherText = out.type == ValueType::Text;
    out.choices = info->choices;
    out.min = info->min;
    out.max = info->type == PropertyType::YesNo ? 1 : info->max;
    out.operation(GORSE_OP_SLOT);
    out.slots.push_back({out.code.size(), scope_.slot(*place, *info, parts.back())});
    out.word(0);
    return out;
}

}  // namespace gorsefinch
