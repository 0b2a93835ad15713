// SPDX-License-Identifier: GPL-3.0-or-later
#include "core/emit/driver_script.h"
#include "core/document/panel_keys.h"
#include "core/rules/clock_fields.h"
#include "core/sim/date_text.h"

#include "core/emit/firmware_functions.h"
#include "core/kinds/key_rows.h"

namespace gorsefinch {

namespace {

std::string quoted(const std::string& value) {
    std::string out = "\"";
    for (const char c : value)
        out += c == '"' || c == '\\' ? std::string("\\") + c : std::string(1, c);
    return out + "\"";
}

// The calls that a step makes to set a variable.
Result<std::string> setCalls(const Document& document, const Variable& variable, const ScriptStep& step) {
    const std::string call = "(void)PROJECT(set_" + accessorName(variable) + ")(";
    if (variable.isText())
        return call + quoted(step.value) + "); ";
    const auto settings = settingsFromWords(variable, elementName(step.name).element, step.value);
    if (!settings)
        return tl::unexpected(settings.error());
    const std::string cast =
        variable.type == VariableType::Choice ? "(" + choiceType(document, variable) + ")" : std::string();
    std::string out;
    for (const ElementSetting& each : *settings)
        out += call + (variable.isArray() ? std::to_string(each.element) + ", " : "") + cast +
               std::to_string(each.value) + (variable.isNumeric() ? "L" : "") + "); ";
    return out;
}

int code(ScriptStep::What what) {
    switch (what) {
        case ScriptStep::What::Wait: return 0;
        case ScriptStep::What::Release: return 2;
        case ScriptStep::What::Press:
        case ScriptStep::What::Move: return 3;
        default: return 1;
    }
}

// The rest of the call of a step with the knob or a key; "" for another one, and for a key that the panel lacks.
std::string keyCall(const Panel& panel, const ScriptStep& step) {
    if (step.what == ScriptStep::What::Turn)
        return "knob)(" + std::to_string(step.x) + ")";
    const bool down = step.what == ScriptStep::What::KeyDown;
    const auto number = down || step.what == ScriptStep::What::KeyUp ? keyNumber(panel, step.name) : std::nullopt;
    return number ? "key)(" + std::to_string(*number) + ", " + (down ? "1)" : "0)") : std::string();
}

std::string dateArguments(const DateTime& date) {
    std::string out = std::to_string(date.year);
    for (const int part : {date.month, date.day, date.hour, date.minute, date.second})
        out += ", " + std::to_string(part);
    return out;
}

}  // namespace

Result<std::string> driverScript(const BuiltScene& scene, const std::vector<ScriptStep>& steps) {
    const Document& document = scene.document;
    const std::vector<Variable> variables = firmwareVariables(document);
    const PixelFormatInfo& format = info(document.panel->format);
    std::string out = "#include <string.h>\n#include \"" + document.name + ".h\"\n#define PROJECT(name) " +
                      document.name + "_##name\n#define PANEL_BITS " + std::to_string(format.bits) +
                      "\n#define PANEL_PAGES " + (format.layout == PixelLayout::Pages ? "1" : "0") + "\n";
    // Items as the desktop shows them.
    for (const std::string& each : askingLists(scene)) {
        out +=
            itemSignature(document, each) +
            " {\n    unsigned long number = index + 1ul, unit = 1;\n    uint8_t at = 5;\n" +
            "    memcpy(text, \"Item \", 5);\n    (void)size;\n    while (number / unit >= 10)\n        unit *= 10;\n" +
            "    for (; unit != 0; unit /= 10)\n        text[at++] = (char)('0' + number / unit % 10);\n" +
            "    text[at] = 0;\n}\n";
    }
    if (document.panel->touch)
        out += "#define HAS_TOUCH 1\n";
    out += "static void set_variable(int step) {\n    switch (step) {\n";
    for (size_t i = 0; i < steps.size(); ++i) {
        const auto date = steps[i].what == ScriptStep::What::Set && document.clock && steps[i].name == kClockName
                              ? dateFromText(steps[i].value)
                              : std::nullopt;
        if (date)
            out +=
                "    case " + std::to_string(i) + ": (void)PROJECT(set_clock)(" + dateArguments(*date) + "); break;\n";
        const auto v = steps[i].what != ScriptStep::What::Set
                           ? variables.end()
                           : std::find_if(variables.begin(), variables.end(),
                                          [name = elementName(steps[i].name).name](const Variable& each) {
                                              return each.name == name;
                                          });
        if (v != variables.end()) {
            if (v->writer == Writer::Panel)
                return failure("", v->name, "firmware cannot set it, as only the panel writes it",
                               "Let both write it, or take the step out");
            const auto calls = setCalls(document, *v, steps[i]);
            if (!calls)
                return tl::unexpected(calls.error());
            out += "    case " + std::to_string(i) + ": " + *calls + "break;\n";
        }
    }
    for (size_t i = 0; i < steps.size(); ++i)
        if (const std::string call = keyCall(*document.panel, steps[i]); !call.empty())
            out += "    case " + std::to_string(i) + ": PROJECT(" + call + "; break;\n";
    for (size_t i = 0; i < steps.size(); ++i)
        if (steps[i].what == ScriptStep::What::Type && scene.controls.typing_bytes != 0) {
            out += "    case " + std::to_string(i) + ":";
            for (const uint32_t each : typedCodes(steps[i].value))
                out += " PROJECT(type)(" + std::to_string(each) + "UL);";
            out += " break;\n";
        }
    out += "    default: break;\n    }\n}\n";
    out += "static const struct { unsigned char what; int16_t x, y; uint32_t ms; } steps[] = {\n";
    for (const ScriptStep& step : steps)
        out += "    {" + std::to_string(code(step.what)) + ", " + std::to_string(step.x) + ", " +
               std::to_string(step.y) + ", " + std::to_string(stepDuration(step)) + "},\n";
    out += "};\n#define STEPS " + std::to_string(steps.size()) + "\n";
    if (!scene.outside.empty()) {
        out += "#define HAS_OUTSIDE 1\nstatic const unsigned char outside[] = {";
        for (size_t i = 0; i < scene.outside.size(); ++i)
            out += (i % 24 == 0 ? "\n    " : " ") + std::to_string(scene.outside[i]) + ",";
        out += "\n};\n";
    }
    return out;
}

}  // namespace gorsefinch
