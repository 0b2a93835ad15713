// SPDX-License-Identifier: GPL-3.0-or-later
#include <algorithm>

#include "core/emit/c_text.h"
#include "core/emit/firmware_functions.h"
#include "core/emit/scene_writer.h"

namespace gorsefinch {

namespace {

// What firmware calls: the state, the port, and a function for each thing that it can do.
class RunWriter {
  public:
    explicit RunWriter(const BuiltScene& scene) : s_(scene), doc_(scene.document), name_(scene.document.name) {}

    std::string run() {
        const std::string upper = upperCase(name_);
        const std::vector<Variable> variables = firmwareVariables(doc_);
        const ProjectNames names(doc_);
        const bool calls = !s_.rules->hooks.empty();
        const bool notes = std::any_of(variables.begin(), variables.end(), isWrittenByPanel);
        if (calls)
            hooks();
        items();
        line("static gorse run;");
        line("static uint32_t state[(" + upper + "_STATE_BYTES + 3u) / 4u];");
        line("static uint32_t buffer[(" + upper + "_BUFFER_BYTES + 3u) / 4u];");
        for (const Variable& v : variables)
            if (isLatched(v))
                line("static gorse_latch latch_" + v.name + ";");
        if (notes)
            changes();
        line(
            "static void send(void *user, uint16_t x, uint16_t y, uint16_t w, uint16_t h, const uint8_t *bytes, "
            "uint32_t count) {");
        line("    (void)user;\n    " + name_ + "_flush(x, y, w, h, bytes, count);\n}\n");
        if (!s_.outside.empty()) {
            line("static void read_outside(void *user, uint32_t address, uint8_t *to, uint16_t n) {");
            line("    (void)user;\n    " + name_ + "_read(address, to, n);\n}\n");
        }
        line("#if GORSE_TRACE");
        line("static void trace(void *user, uint8_t what, uint16_t a, int32_t b) {");
        line("    (void)user;\n    " + name_ +
             "_trace(what, a, b);\n}\n#define TRACE trace\n#else\n#define TRACE 0\n#endif\n");
        line("static const gorse_port port = {send, " + std::string(calls ? "call_hook" : "0") + ", " +
             (notes ? "note_change" : "0") + ", TRACE, " + (s_.outside.empty() ? "0" : "read_outside") + ", 0};");
        for (const FirmwareFunction& function : runFunctions(s_, names))
            define(function);
        for (const Variable& v : variables)
            for (const FirmwareFunction& function : variableFunctions(s_, names, v))
                define(function);
        return std::move(out_);
    }

  private:
    void line(const std::string& text) { out_ += text + "\n"; }

    // Defaults where the firmware defines none.
    void weakHooks() {
        line("#if defined(__GNUC__)");
        line("#define DEFAULT_HOOK __attribute__((weak))");
        line("#else");
        line("#define DEFAULT_HOOK");
        line("#endif\n");
        for (const HookInfo& hook : s_.rules->hooks) {
            line("DEFAULT_HOOK void " + hookSymbol(doc_, hook) + "(" + hookParameters(hook) + ") {");
            for (size_t i = 0; i < hook.values.size(); ++i)
                line("    (void)value_" + std::to_string(i + 1) + ";");
            line("}\n");
        }
    }

    void hooks() {
        if (!doc_.panel->hooksRequired)
            weakHooks();
        line("static void call_hook(void *user, uint16_t hook, const gorse_value *values, uint8_t count) {");
        line("    (void)user;\n    (void)count;\n    (void)values;");
        line("    switch (hook) {");
        for (size_t i = 0; i < s_.rules->hooks.size(); ++i) {
            const HookInfo& hook = s_.rules->hooks[i];
            std::string values;
            for (size_t v = 0; v < hook.values.size(); ++v) {
                const std::string at = "values[" + std::to_string(v) + "].";
                values += v != 0 ? ", " : "";
                values += hook.values[v] == ValueType::Text    ? at + "text"
                          : hook.values[v] == ValueType::YesNo ? "(uint8_t)" + at + "number"
                                                               : at + "number";
            }
            line("    case " + std::to_string(i) + ":\n        " + hookSymbol(doc_, hook) + "(" + values +
                 ");\n        break;");
        }
        line("    default:\n        break;\n    }\n}\n");
    }

    // Defaults of the functions that lists ask.
    void items() {
        const std::vector<std::string> lists = askingLists(s_);
        if (lists.empty() || doc_.panel->hooksRequired)
            return;
        line(
            "#if defined(__GNUC__)\n#define DEFAULT_ITEM __attribute__((weak))\n#else\n#define DEFAULT_ITEM\n#endif\n");
        for (const std::string& each : lists)
            line("DEFAULT_ITEM " + itemSignature(doc_, each) +
                 " {\n    (void)index;\n    (void)size;\n    text[0] = 0;\n}\n");
    }

    void define(const FirmwareFunction& function) {
        out_ += "\n" + function.signature + " {\n" + function.body + "}\n";
    }

    // Bits of the variables that rules have changed since the firmware last checked.
    void changes() {
        const int bits = s_.scene.number_count + s_.scene.text_count;
        line("static uint8_t changed[" + std::to_string((bits + 7) / 8) + "];\n");
        line("static void note_change(void *user, uint16_t variable) {");
        line(
            "    (void)user;\n    changed[variable >> 3] = (uint8_t)(changed[variable >> 3] | (1u << (variable & "
            "7u)));\n}\n");
        line("static uint8_t take_changed(uint16_t variable) {");
        line(
            "    uint8_t bit = (uint8_t)(1u << (variable & 7u));\n    uint8_t was = (uint8_t)((changed[variable >> 3] "
            "& bit) != 0u);");
        line("    changed[variable >> 3] = (uint8_t)(changed[variable >> 3] & (uint8_t)~bit);\n    return was;\n}\n");
    }

    const BuiltScene& s_;
    const Document& doc_;
    const std::string& name_;
    std::string out_;
};

}  // namespace

std::string writeRun(const BuiltScene& scene) { return RunWriter(scene).run(); }

std::string hookSymbol(const Document& document, const HookInfo& hook) { return document.name + "_hook_" + hook.name; }

std::string hookParameters(const HookInfo& hook) {
    if (hook.values.empty())
        return "void";
    std::string out;
    for (size_t i = 0; i < hook.values.size(); ++i) {
        out += i != 0 ? ", " : "";
        out += hook.values[i] == ValueType::Text    ? "const char *"
               : hook.values[i] == ValueType::YesNo ? "uint8_t "
                                                    : "int32_t ";
        out += "value_" + std::to_string(i + 1);
    }
    return out;
}

}  // namespace gorsefinch
