// SPDX-License-Identifier: GPL-3.0-or-later
#include "core/rules/property_value.h"

namespace gorsefinch {

namespace {

void fitText(const Compiled& value, const Token& at, const decltype(ExpressionScope::report)& report) {
    if (value.otherText)
        report(Severity::Error, at, "a widget's text is set from words in quotes",
               "To show a variable, write \"{name}\"");
}

void fitNumber(Compiled& value, const PropertyInfo& property, const Token& at,
               const decltype(ExpressionScope::report)& report) {
    value.rescale(0);
    if (value.min < property.min || value.max > property.max)
        report(value.constant ? Severity::Error : Severity::Warning, at,
               "it goes from " + std::to_string(property.min) + " to " + std::to_string(property.max),
               "Keep the value inside");
}

}  // namespace

ValueType valueTypeOf(const PropertyInfo& property) {
    switch (property.type) {
        case PropertyType::YesNo: return ValueType::YesNo;
        case PropertyType::Colour: return ValueType::Colour;
        case PropertyType::Text: return ValueType::Text;
        case PropertyType::Choice: return ValueType::Choice;
        default: return ValueType::Number;
    }
}

void fitToProperty(Compiled& value, const PropertyInfo& property, const Token& at,
                   const decltype(ExpressionScope::report)& report) {
    const ValueType wanted = valueTypeOf(property);
    // An indicator shows yes as 1, a choice as its number.
    const bool fits = (value.type == wanted && sameWords(value.choices, property.choices)) ||
                      (property.isValue && (value.type == ValueType::YesNo || value.type == ValueType::Choice));
    if (!fits)
        report(Severity::Error, at,
               "it takes " + (wanted == ValueType::Choice ? quotedWords(property.choices) : toWords(wanted)) +
                   ", this is " + (value.type == wanted ? "another" : toWords(value.type)),
               "Set it to another value");
    else if (wanted == ValueType::Text)
        fitText(value, at, report);
    else if (wanted == ValueType::Number && !property.isValue)
        fitNumber(value, property, at, report);
}

}  // namespace gorsefinch
