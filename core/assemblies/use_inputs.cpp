// SPDX-License-Identifier: GPL-3.0-or-later
#include "core/assemblies/use_inputs.h"

#include <algorithm>

#include "core/base/characters.h"
#include "core/document/names.h"
#include "core/rules/rule_words.h"
#include "core/rules/series_text.h"

namespace gorsefinch {

namespace {

std::string quoted(std::string_view text) {
    std::string out = "\"";
    for (const char c : text) {
        if (c == '"' || c == '\\')
            out += '\\';
        out += c;
    }
    return out + "\"";
}

// A variable's name, also one that expansion made.
bool isName(std::string_view text) {
    return !text.empty() && !isDigit(text.front()) && std::all_of(text.begin(), text.end(), isWordCharacter) &&
           !isValueWord(text);
}

// "(temp)" is "temp".
std::string_view withoutBrackets(std::string_view text) {
    return text.size() > 2 && text.front() == '(' && text.back() == ')' ? text.substr(1, text.size() - 2) : text;
}

}  // namespace

UseInputs::UseInputs(const Assembly& assembly, const InputMap& given, const std::string& prefix, int series,
                     const std::function<bool(const AssemblyInput&)>& isSet) {
    for (const AssemblyInput& each : assembly.inputs) {
        types_[each.name] = each.type;
        const std::string text = givenOrStart(each, given);
        const bool follows = each.type != InputType::Text && expressionText(text).has_value();
        const bool isVariable =
            each.isValue() && (each.inner || isSet(each) || (each.type == InputType::Choice && !follows));
        if (isVariable && follows)
            mistakes_.push_back("its input " + each.name + " follows an expression, but rules set it");
        add(each, text, isVariable, prefix + each.name, series);
    }
    for (const auto& [name, text] : given)
        if (!assembly.input(name) || assembly.input(name)->inner)
            mistakes_.push_back("its assembly has no input " + name);
}

std::string UseInputs::givenOrStart(const AssemblyInput& input, const InputMap& given) {
    const auto found = given.find(input.name);
    if (found == given.end() || input.inner)
        return input.start;
    if (const auto error = inputError(input, found->second)) {
        mistakes_.push_back("its input " + input.name + " is \"" + found->second + "\": " + *error);
        return input.start;
    }
    return found->second;
}

void UseInputs::add(const AssemblyInput& input, const std::string& text, bool isVariable, const std::string& name,
                    int series) {
    std::string& value = texts_.values[input.name];
    if (isVariable) {
        Variable variable = variableOf(input, name, input.type != InputType::Text && expressionText(text) ? "" : text);
        const bool isArray = series > 1 && !variable.isText();
        variable.count = isArray ? series : 1;
        value = isArray ? name + "[" + kSeriesWord + "]" : name;
        variables_.push_back(std::move(variable));
        return;
    }
    switch (input.type) {
        case InputType::Text:
            value = quoted(text);
            texts_.content[input.name] = text;
            return;
        case InputType::Image:
        case InputType::Look: value = quoted(text); break;
        case InputType::Colour: value = text.empty() ? std::string(kNoColour) : text; break;
        case InputType::Size:
        case InputType::Variable: value = text.empty() ? "0" : text; break;
        default:
            if (const auto expression = expressionText(text)) {
                value = "(" + *expression + ")";
                return;
            }
            value = !text.empty() ? text : input.type == InputType::YesNo ? "no" : "0";
            texts_.content[input.name] = value;
            if (value.starts_with("-"))
                value = "(" + value + ")";
            return;
    }
    plain_[input.name] = text;
}

const std::string* UseInputs::plain(std::string_view name, InputType type) const {
    const auto found = plain_.find(std::string(name));
    return found == plain_.end() || types_.at(found->first) != type ? nullptr : &found->second;
}

void UseInputs::putInto(PropertyValue& value) const {
    if (const auto* named = std::get_if<ValueName>(&value)) {
        if (const std::string* text = plain(named->name, InputType::Colour)) {
            if (const auto colour = colourFromText(*text))
                value = *colour;
            else
                value = text->empty() ? PropertyValue(Colour{}) : PropertyValue(ValueName{*text});
        } else if (const std::string* size = plain(named->name, InputType::Size)) {
            if (!nameError(*size))
                value = ValueName{*size};
            else
                value = int64_t{std::atoi(size->c_str())};
        }
    } else if (auto* zones = std::get_if<ZoneList>(&value)) {
        for (Zone& each : *zones)
            if (const std::string* text = plain(each.named, InputType::Colour)) {
                const auto colour = colourFromText(*text);
                each.named = colour || text->empty() ? std::string() : *text;
                each.colour = colour.value_or(each.colour);
            }
    }
}

// A property that names a variable, in an assembly an input: false if it is to be taken away.
bool UseInputs::bind(Widget& widget, const PropertyInfo& property, const std::string& input) const {
    const std::string& value = texts_.values.at(input);
    const std::string_view bare = withoutBrackets(value);
    if (isName(bare)) {
        widget.properties[property.key] = std::string(bare);
        return true;
    }
    if (property.takesExpression() && widget.expressions.count(property.key) == 0)
        widget.expressions[property.key] = value;
    return false;
}

void UseInputs::putInto(Widget& widget, const Assembly* inner) const {
    for (auto& [key, text] : widget.expressions)
        text = expressionWithInputs(text, texts_);
    if (const std::string* look = plain(widget.look, InputType::Look))
        widget.look = *look;
    std::vector<std::string> gone;
    for (auto& [key, value] : widget.properties) {
        const PropertyInfo* property = findProperty(widget.kind, key);
        auto* words = std::get_if<std::string>(&value);
        if (!words || !property) {
            putInto(value);
        } else if (property->type == PropertyType::Text) {
            *words = textWithInputs(*words, texts_);
        } else if (property->type == PropertyType::Image) {
            if (const std::string* image = plain(*words, InputType::Image))
                *words = *image;
        } else if (property->type == PropertyType::Variable && texts_.values.count(*words) != 0) {
            if (const std::string input = *words; !bind(widget, *property, input))
                gone.push_back(key);
        }
    }
    for (const std::string& each : gone)
        widget.properties.erase(each);
    for (auto& [name, text] : widget.inputs) {
        const AssemblyInput* input = inner ? inner->input(name) : nullptr;
        if (!input)
            continue;
        if (input->type == InputType::Text)
            text = textWithInputs(text, texts_);
        else if (const auto expression = input->isValue() ? expressionText(text) : std::nullopt)
            text = "= " + expressionWithInputs(*expression, texts_);
        else if (const auto value = texts_.values.find(text); value != texts_.values.end() && !input->isValue())
            text = plain_.count(text) != 0 ? plain_.at(text) : std::string(withoutBrackets(value->second));
    }
}

}  // namespace gorsefinch
