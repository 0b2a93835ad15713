// SPDX-License-Identifier: GPL-3.0-or-later
#include <algorithm>
#include <cctype>
#include <limits>

#include "core/edits/variable_header.h"

namespace gorsefinch {

namespace {

const char* memberType(const Variable& v) {
    if (v.type == VariableType::YesNo)
        return "bool";
    if (v.min >= 0)
        return v.max <= 255 ? "uint8_t" : v.max <= 65535 ? "uint16_t" : "uint32_t";
    return v.min >= -128 && v.max <= 127 ? "int8_t" : v.min >= -32768 && v.max <= 32767 ? "int16_t" : "int32_t";
}

std::string inComment(std::string words) {
    for (size_t at = 0; (at = words.find("*/", at)) != std::string::npos;)
        words.erase(at, 1);
    std::replace(words.begin(), words.end(), '\n', ' ');
    return words;
}

std::string macrosOf(const Variable& v) {
    std::string upper = v.name;
    std::transform(upper.begin(), upper.end(), upper.begin(),
                   [](unsigned char c) { return static_cast<char>(std::toupper(c)); });
    std::string out;
    const auto define = [&](const char* word, const std::string& value) {
        out += "#define " + upper + "_" + word + " " + value + "\n";
    };
    const auto number = [](int32_t value) {
        return value == std::numeric_limits<int32_t>::min() ? "(-2147483647 - 1)" : std::to_string(value);
    };
    if (!v.unit.empty() && v.unit.find_first_of("\"\\\n") == std::string::npos)
        define("UNIT", "\"" + v.unit + "\"");
    if (v.type == VariableType::Text)
        return out;
    if (v.type == VariableType::Decimal)
        define("DECIMALS", std::to_string(v.decimals));
    if (v.type != VariableType::YesNo) {
        define("MIN", number(v.min));
        define("MAX", number(v.max));
    }
    define("START", number(v.start));
    return out;
}

}  // namespace

std::string variablesToHeader(const std::string& name, std::span<const Variable> variables) {
    std::string out =
        "/* The variables of the interface " + name +
        ". Decimals count in steps of their last digit. */\n#include <stdbool.h>\n#include <stdint.h>\n\n";
    for (const Variable& each : variables)
        out += macrosOf(each);
    out += "\ntypedef struct " + name + "_values {\n";
    for (const Variable& each : variables) {
        out += each.type == VariableType::Text ? "    char " + each.name + "[" + std::to_string(each.length + 1) + "];"
                                               : std::string("    ") + memberType(each) + " " + each.name + ";";
        out += each.note.empty() ? "\n" : " /* " + inComment(each.note) + " */\n";
    }
    return out + "} " + name + "_values;\n";
}

}  // namespace gorsefinch
