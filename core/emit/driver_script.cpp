// SPDX-License-Identifier: GPL-3.0-or-later
#include "core/emit/driver_script.h"

namespace gorsefinch {

namespace {

std::string valueText(const Variable& variable, const std::string& value) {
    if (variable.type == VariableType::YesNo)
        return value == "yes" || value == "1" || value == "true" ? "1" : "0";
    if (variable.type != VariableType::Text)
        return std::to_string(decimalFromText(value, variable.decimals).value_or(0)) + "L";
    std::string out = "\"";
    for (const char c : value)
        out += c == '"' || c == '\\' ? std::string("\\") + c : std::string(1, c);
    return out + "\"";
}

int code(ScriptStep::What what) {
    return what == ScriptStep::What::Wait ? 0 : what == ScriptStep::What::Set ? 1 : what == ScriptStep::What::Release ? 2 : 3;
}

}  // namespace

std::string driverScript(const Document& document, const std::vector<ScriptStep>& steps) {
    std::string out = "#include \"" + document.name + ".h\"\n#define PROJECT(name) " + document.name + "_##name\n#define PANEL_BITS " +
                      std::to_string(info(document.panel->format).bits) + "\n";
    out += "static void set_variable(int step) {\n    switch (step) {\n";
    for (size_t i = 0; i < steps.size(); ++i)
        if (const Variable* v = steps[i].what == ScriptStep::What::Set ? document.variable(steps[i].name) : nullptr)
            out += "    case " + std::to_string(i) + ": PROJECT(set_" + v->name + ")(" + valueText(*v, steps[i].value) + "); break;\n";
    out += "    default: break;\n    }\n}\n";
    out += "static const struct { unsigned char what; int16_t x, y; uint32_t ms; } steps[] = {\n";
    for (const ScriptStep& step : steps)
        out += "    {" + std::to_string(code(step.what)) + ", " + std::to_string(step.x) + ", " + std::to_string(step.y) + ", " +
               std::to_string(stepDuration(step)) + "},\n";
    return out + "};\n#define STEPS " + std::to_string(steps.size()) + "\n";
}

}  // namespace gorsefinch
