// SPDX-License-Identifier: GPL-3.0-or-later
#include "core/emit/export_variables.h"

#include <algorithm>

#include "core/emit/c_text.h"
#include "core/emit/firmware_functions.h"

namespace gorsefinch {

namespace {

std::string memberType(const Variable& v) {
    if (v.type == VariableType::YesNo)
        return "bool";
    if (v.type == VariableType::Choice)
        return v.name;
    if (v.min >= 0)
        return v.max <= 255 ? "uint8_t" : v.max <= 65535 ? "uint16_t" : "uint32_t";
    return v.min >= -128 && v.max <= 127 ? "int8_t" : v.min >= -32768 && v.max <= 32767 ? "int16_t" : "int32_t";
}

// A note as it is, but for marks of comments, as it is read back.
std::string inComment(std::string words) {
    for (size_t i = 0; i < words.size(); ++i)
        if (words[i] == '\n' ||
            (i > 0 && ((words[i - 1] == '*' && words[i] == '/') || (words[i - 1] == '/' && words[i] == '*'))))
            words[i] = ' ';
    return words;
}

std::string macrosOf(const Variable& v) {
    std::string out;
    const auto define = [&](const char* word, const std::string& value) {
        out += "#define " + upperCase(v.name) + "_" + word + " " + value + "\n";
    };
    if (!v.unit.empty() && v.unit.find_first_of("\"\\\n") == std::string::npos)
        define("UNIT", "\"" + v.unit + "\"");
    if (v.isText())
        return out;
    if (v.type == VariableType::Decimal)
        define("DECIMALS", std::to_string(v.decimals));
    if (v.isNumeric()) {
        define("MIN", longLiteral(v.min));
        define("MAX", longLiteral(v.max));
    }
    define("START", longLiteral(v.start));
    return out;
}

std::string enumOf(const Variable& v) {
    std::string out = "typedef enum " + v.name + " {";
    for (const std::string& constant : choiceConstants(v))
        out += (out.back() == '{' ? " " : ", ") + constant;
    return out + " } " + v.name + ";\n";
}

std::string memberOf(const Variable& v) {
    if (v.isText())
        return "char " + v.name + "[" + std::to_string(v.length + 1) + "];";
    return memberType(v) + " " + v.name + (v.isArray() ? "[" + std::to_string(v.count) + "]" : "") + ";";
}

}  // namespace

std::string variablesToHeader(const std::string& name, std::span<const Variable> variables) {
    std::string out =
        "/* The variables of the interface " + name +
        ". Decimals count in steps of their last digit. */\n#include <stdbool.h>\n#include <stdint.h>\n\n";
    for (const Variable& each : variables)
        out += macrosOf(each);
    for (const Variable& each : variables)
        if (each.type == VariableType::Choice)
            out += enumOf(each);
    out += "\ntypedef struct " + name + "_values {\n";
    for (const Variable& each : variables) {
        out += "    " + memberOf(each);
        out += each.note.empty() ? "\n" : " /* " + inComment(each.note) + " */\n";
    }
    return out + "} " + name + "_values;\n";
}

}  // namespace gorsefinch
