// SPDX-License-Identifier: GPL-3.0-or-later
// NAME.h, which firmware includes, and the starting point of NAME_port.c.
#include "core/emit/c_text.h"
#include "core/emit/firmware_functions.h"
#include "core/emit/runtime_sources.h"
#include "core/document/panel_keys.h"
#include "core/document/panel_outputs.h"
#include "core/emit/scene_writer.h"
#include "core/emit/stack_depth.h"

namespace gorsefinch {

namespace {

std::string declared(const FirmwareFunction& function) {
    return (function.comment.empty() ? "" : "/* " + function.comment + " */\n") + function.signature + ";\n";
}

std::string variableLines(const BuiltScene& scene, const ProjectNames& names, const Variable& v) {
    std::string out = "\n/* " + v.name + ": " + rangeWords(v) + ". Written by " + toKey(v.writer) +
                      (v.note.empty() ? "" : ". " + commentWords(v.note)) + " */\n" + variableMacros(scene, v);
    for (const FirmwareFunction& function : variableFunctions(scene, names, v))
        out += declared(function);
    return out;
}

// Sizes of the interface and of what it needs, which options of the compiler may change.
std::string sizeMacros(const BuiltScene& scene) {
    const Panel& panel = *scene.document.panel;
    const std::string upper = upperCase(scene.document.name), define = "#define " + upper;
    const bool sideways = panel.turn % 180 != 0;
    const std::string min = std::to_string(scene.panel.min_buffer_bytes) + "u";
    std::string out = "/* The interface in pixels, and the panel's memory that is written to. */\n";
    out += define + "_WIDTH " + std::to_string(panel.width) + "u\n" + define + "_HEIGHT " +
           std::to_string(panel.height) + "u\n";
    out += define + "_PANEL_COLUMNS " + std::to_string((sideways ? panel.height : panel.width) + panel.columnOffset) +
           "u\n";
    out +=
        define + "_PANEL_ROWS " + std::to_string((sideways ? panel.width : panel.height) + panel.rowOffset) + "u\n\n";
    out +=
        "/* Bytes of static RAM: the state, and the draw buffer, which may be set on the compiler's command line. The "
        "stack is\n"
        " * the most that a call takes when it is compiled at -Os with the default options, without what your own\n"
        " * functions take. */\n";
    out += define + "_STATE_BYTES GORSE_STATE_BYTES(" + std::to_string(scene.scene.end) + "u)\n";
    out += "#ifndef " + upper + "_BUFFER_BYTES\n" + define + "_BUFFER_BYTES " + std::to_string(scene.bufferBytes()) +
           "u\n#endif\n";
    out += define + "_BUFFER_MIN " + min + "\n";
    out += "#if " + upper + "_BUFFER_BYTES < " + min + "\n#error \"" + upper + "_BUFFER_BYTES must be at least " +
           std::to_string(scene.panel.min_buffer_bytes) +
           ": raise it where it is defined, or leave it out for the default\"\n#endif\n";
    out += define + "_STACK_BYTES " + std::to_string(stackDepth(neededSources(scene), panel.wordBits)) + "u\n\n";
    return out;
}

// What a hook of the panel's outputs does; "" for another one.
std::string outputComment(const Panel& panel, const std::string& hook) {
    if (!isHookOfOutputs(panel, hook))
        return {};
    if (hook == kSoundHook)
        return "/* Plays a tone of so many Hz, 0 for silence, for so many ms. Called with 0 and 0 at the end of a "
               "sound, so the\n * ms may be ignored. */\n";
    for (const Variable& each : outputVariables(panel))
        if (hookOf(each) == hook)
            return "/* " + each.name + ", " + rangeWords(each) +
                   ": called in the first step, and in each in which it has changed. */\n";
    return {};
}

}  // namespace

std::string writeHeader(const BuiltScene& scene) {
    const Document& doc = scene.document;
    const std::string& name = doc.name;
    const std::string upper = upperCase(name);
    const ProjectNames names(doc);
    std::string out = fileHead("The interface " + name +
                               " as firmware sees it. Call everything from one context, not from interrupts, unless\n"
                               " * it says so. Before " +
                               name + "_begin, and after one that failed, calls do nothing and say so.");
    out += "#ifndef " + upper + "_H\n#define " + upper + "_H\n\n#include \"gorse/gorse_result.h\"\n\n";
    out += "#ifdef __cplusplus\nextern \"C\" {\n#endif\n\n";
    out += sizeMacros(scene);
    out += "enum {\n";
    for (size_t i = 0; i < doc.screens.size(); ++i)
        out += "    " + upper + "_SCREEN_" + upperCase(doc.screens[i]->name) + " = " + std::to_string(i) + ",\n";
    out += "    " + upper + "_SCREENS = " + std::to_string(doc.screens.size()) + "\n};\n\n";
    if (const auto keys = keysOf(*doc.panel); !keys.empty()) {
        out += "enum {\n";
        for (size_t i = 0; i < keys.size(); ++i)
            out += "    " + upper + "_KEY_" + upperCase(keys[i]) + " = " +
                   std::to_string(*keyNumber(*doc.panel, keys[i])) + (i + 1 < keys.size() ? ",\n" : "\n};\n\n");
    }
    for (const FirmwareFunction& function : runFunctions(scene, names))
        out += declared(function);
    out += "\n/* You supply what follows, in " + name + "_port.c or elsewhere. */\n\n";
    out +=
        "/* Sends w x h packed pixels to the panel's memory at x, y: `count` bytes, rows without gaps, yours until you "
        "return.\n * " +
        flushWords(scene) + " */\n" + flushSignature(name) + ";\n";
    if (!scene.outside.empty())
        out += "/* Reads n bytes of the memory that holds the " + std::to_string(scene.outside.size()) + " bytes of " +
               name + "_outside.bin, up to 15 bytes behind\n * its end. */\n#define " + upper + "_OUTSIDE_BYTES " +
               std::to_string(scene.outside.size()) + "UL\n" + readSignature(name) + ";\n";
    out += "#if GORSE_TRACE\n/* Called with what happens, in the numbers GORSE_TRACE_... of gorse/gorse.h. */\n" +
           traceSignature(name) + ";\n#endif\n";
    if (!scene.rules->hooks.empty())
        out += doc.panel->hooksRequired
                   ? "\n/* Hooks: rules call them. A program without one of them does not link. */\n"
                   : "\n/* Hooks: rules call them. One that you do not write does nothing. */\n";
    for (const HookInfo& hook : scene.rules->hooks)
        out += outputComment(*doc.panel, hook.name) + "void " + hookSymbol(doc, hook) + "(" + hookParameters(hook) +
               ");\n";
    const std::vector<std::string> lists = askingLists(scene);
    if (!lists.empty())
        out +=
            "\n/* Items of lists. Writes the text of item `index`, from 0 on: UTF-8 that ends with 0, at most `size` "
            "bytes "
            "with it.\n * Called while it is drawn: nothing of the interface may be changed inside. One that you do "
            "not "
            "write leaves them empty. */\n";
    for (const std::string& each : lists)
        out += itemSignature(doc, each) + ";\n";
    const std::vector<Variable> variables = firmwareVariables(doc);
    if (!variables.empty())
        out +=
            "\n/* Variables. Setters return GORSE_RESULT_OK, _UNCHANGED or _CLAMPED, or why nothing was done; no hook "
            "runs inside. */\n";
    for (const Variable& v : variables)
        out += variableLines(scene, names, v);
    out += "\n#ifdef __cplusplus\n}\n#endif\n#endif\n";
    return out;
}

std::string writePort(const BuiltScene& scene) {
    const std::string& name = scene.document.name;
    const Panel& panel = *scene.document.panel;
    std::string out =
        "/* SPDX-License-Identifier: MIT */\n"
        "/* The way from the interface to your hardware. This file is yours: it is written once and never touched "
        "again. */\n"
        "#include \"" +
        name + ".h\"\n\n";
    out +=
        flushSignature(name) +
        " {\n"
        "    /* Set the panel's window to columns x to x + w - 1 and " +
        (info(panel.format).layout == PixelLayout::Pages ? "pages y / 8 to (y + h) / 8 - 1" : "rows y to y + h - 1") +
        ",\n     * then send `count` bytes: " + flushBytes(panel) +
        ". */\n    (void)x;\n    (void)y;\n    (void)w;\n    (void)h;\n    (void)bytes;\n    (void)count;\n}\n";
    if (!scene.outside.empty())
        out += "\n" + readSignature(name) +
               " {\n"
               "    /* Read n bytes from the memory that holds " +
               name +
               "_outside.bin. */\n"
               "    (void)address;\n    while (n-- != 0u)\n        *to++ = 0;\n}\n";
    for (const HookInfo& hook : scene.rules->hooks) {
        out += "\nvoid " + hookSymbol(scene.document, hook) + "(" + hookParameters(hook) + ") {\n";
        for (size_t i = 0; i < hook.values.size(); ++i)
            out += "    (void)value_" + std::to_string(i + 1) + ";\n";
        out += "}\n";
    }
    for (const std::string& each : askingLists(scene))
        out +=
            "\n" + itemSignature(scene.document, each) + " {\n    (void)index;\n    (void)size;\n    text[0] = 0;\n}\n";
    out += "\n/* In main:\n *     if (" + name + "_begin() != GORSE_RESULT_OK) stop();\n *     for (;;) {\n" +
           (panel.touch ? " *         " + name + "_touch(x, y, down);\n" : std::string()) +
           " *         sleep_until_touched_or(" + name + "_step(milliseconds()));\n *     }\n */\n";
    return out;
}

}  // namespace gorsefinch
