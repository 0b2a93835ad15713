// SPDX-License-Identifier: GPL-3.0-or-later
// NAME.h, which firmware includes, and the starting point of NAME_port.c.
#include "core/emit/c_text.h"
#include "core/emit/costs.h"
#include "core/emit/scene_writer.h"

namespace gorsefinch {

namespace {

bool packsRows(PixelFormat format) {
    const PixelLayout layout = info(format).layout;
    return layout == PixelLayout::Rows || layout == PixelLayout::RowsLowFirst;
}

std::string rangeWords(const Variable& v) {
    if (v.type == VariableType::YesNo)
        return "0 or 1";
    if (v.type == VariableType::Text)
        return "UTF-8, at most " + std::to_string(v.length) + " bytes";
    std::string out = decimalText(v.min, v.decimals) + " to " + decimalText(v.max, v.decimals);
    if (!v.unit.empty())
        out += " " + commentWords(v.unit);
    if (v.decimals > 0)
        out += ", in steps of 10^-" + std::to_string(v.decimals);
    return out;
}

std::string variableLines(const std::string& name, const Variable& v) {
    const std::string type = v.type == VariableType::Text    ? "const char *"
                             : v.type == VariableType::YesNo ? "uint8_t "
                                                             : "int32_t ";
    std::string out = "/* " + v.name + ": " + rangeWords(v) + ". Written by " + toKey(v.writer) +
                      (v.note.empty() ? "" : ". " + commentWords(v.note)) + " */\n";
    if (v.decimals > 0)
        out += "#define " + upperCase(name + "_" + v.name) + "_DECIMALS " + std::to_string(v.decimals) + "\n";
    out += "void " + name + "_set_" + v.name + "(" + type + "value);\n";
    out += type + name + "_get_" + v.name + "(void);\n";
    return out;
}

}  // namespace

std::string writeHeader(const BuiltScene& scene) {
    const Document& doc = scene.document;
    const std::string& name = doc.name;
    const std::string upper = upperCase(name);
    const bool sideways = doc.panel->turn % 180 != 0;
    std::string out = fileHead("The interface " + name + " as firmware sees it. Call everything from one context.");
    out += "#ifndef " + upper + "_H\n#define " + upper + "_H\n\n#include <stdint.h>\n\n";
    out += "#ifdef __cplusplus\nextern \"C\" {\n#endif\n\n";
    out += "/* The interface in pixels, and the panel's memory that is written to. */\n";
    out += "#define " + upper + "_WIDTH " + std::to_string(doc.panel->width) + "u\n";
    out += "#define " + upper + "_HEIGHT " + std::to_string(doc.panel->height) + "u\n";
    out += "#define " + upper + "_PANEL_COLUMNS " + std::to_string((sideways ? doc.panel->height : doc.panel->width) + doc.panel->columnOffset) + "u\n";
    out += "#define " + upper + "_PANEL_ROWS " + std::to_string((sideways ? doc.panel->width : doc.panel->height) + doc.panel->rowOffset) + "u\n\n";
    out += "/* Static RAM: the state (the list of dirty rectangles is shorter on 8-bit targets) and the draw buffer,\n"
           " * which may be set on the compiler's command line. The stack is an estimate. */\n";
    out += "#if defined(__AVR__)\n#define " + upper + "_STATE_BYTES " + std::to_string(scene.stateBytes(4)) + "u\n#else\n#define " +
           upper + "_STATE_BYTES " + std::to_string(scene.stateBytes(8)) + "u\n#endif\n";
    out += "#ifndef " + upper + "_BUFFER_BYTES\n#define " + upper + "_BUFFER_BYTES " + std::to_string(scene.bufferBytes()) + "u\n#endif\n";
    out += "#define " + upper + "_STACK_BYTES " + std::to_string(stackEstimate(doc.panel->wordBits)) + "u\n\n";
    out += "enum {\n";
    for (size_t i = 0; i < doc.screens.size(); ++i)
        out += "    " + upper + "_SCREEN_" + upperCase(doc.screens[i]->name) + " = " + std::to_string(i) + ",\n";
    out += "    " + upper + "_SCREENS = " + std::to_string(doc.screens.size()) + "\n};\n\n";
    out += "/* Starts the interface; returns 0, or what is wrong (GORSE_... of gorse/gorse.h). */\nuint8_t " + name + "_begin(void);\n";
    out += "/* Advances to a time in ms that may start anywhere and wrap, and draws what has changed. */\nvoid " + name + "_step(uint32_t now_ms);\n";
    out += "/* A finger at a place of the interface; down is 1 while it touches. */\nvoid " + name + "_touch(int16_t x, int16_t y, uint8_t down);\n";
    out += "/* Changes to a screen at the next step. */\nvoid " + name + "_go(uint16_t screen);\nuint16_t " + name + "_screen(void);\n";
    out += "/* Draws everything again at the next step. */\nvoid " + name + "_redraw(void);\n\n";
    out += "/* What the firmware supplies: sends w x h packed pixels to the panel's memory at x, y. " +
           std::string(info(doc.panel->format).layout == PixelLayout::Pages ? "y and h are multiples of 8. " : "") +
           "`bytes`\n * holds rows without gaps" +
           std::string(packsRows(doc.panel->format) ? ", each padded to a whole byte," : "") +
           " and may be used only until the call returns. See " + name + "_port.c. */\nvoid " + name +
           "_flush(uint16_t x, uint16_t y, uint16_t w, uint16_t h, const uint8_t *bytes);\n\n";
    if (!scene.outside.empty())
        out += "/* Reads n bytes of the memory that holds the " + std::to_string(scene.outside.size()) + " bytes of " + name +
               "_outside.bin, up to 15 bytes behind\n * its end. */\n#define " + upper + "_OUTSIDE_BYTES " +
               std::to_string(scene.outside.size()) + "UL\nvoid " + name + "_read(uint32_t address, uint8_t *to, uint16_t n);\n\n";
    for (const Variable& v : *doc.variables)
        out += variableLines(name, v);
    if (!scene.rules->hooks.empty())
        out += "\n/* Called by rules. One that is not written does nothing. */\n";
    for (const HookInfo& hook : scene.rules->hooks)
        out += "void " + hookSymbol(doc, hook) + "(" + hookParameters(hook) + ");\n";
    out += "\n#ifdef __cplusplus\n}\n#endif\n#endif\n";
    return out;
}

std::string writePort(const BuiltScene& scene) {
    const std::string& name = scene.document.name;
    std::string out = "/* SPDX-License-Identifier: MIT */\n"
                      "/* The way from the interface to your hardware. This file is yours: it is written once and never touched again. */\n"
                      "#include \"" + name + ".h\"\n\n";
    const PixelFormatInfo& format = info(scene.document.panel->format);
    const bool pages = format.layout == PixelLayout::Pages;
    const std::string bytes = pages                           ? "w * h / 8"
                              : packsRows(format.format)      ? "(w * " + std::to_string(format.bits) + " + 7) / 8 * h"
                                                              : "w * h * " + std::to_string(format.bits / 8);
    out += "void " + name + "_flush(uint16_t x, uint16_t y, uint16_t w, uint16_t h, const uint8_t *bytes) {\n"
           "    /* Set the panel's window to columns x to x + w - 1 and " +
           (pages ? "pages y / 8 to (y + h) / 8 - 1" : "rows y to y + h - 1") + ",\n     * then send " + bytes +
           " bytes. */\n    (void)x;\n    (void)y;\n    (void)w;\n    (void)h;\n    (void)bytes;\n}\n";
    if (!scene.outside.empty())
        out += "\nvoid " + name + "_read(uint32_t address, uint8_t *to, uint16_t n) {\n"
               "    /* Read n bytes from the memory that holds " + name + "_outside.bin. */\n"
               "    (void)address;\n    while (n-- != 0u)\n        *to++ = 0;\n}\n";
    for (const HookInfo& hook : scene.rules->hooks) {
        out += "\nvoid " + hookSymbol(scene.document, hook) + "(" + hookParameters(hook) + ") {\n";
        for (size_t i = 0; i < hook.values.size(); ++i)
            out += "    (void)value_" + std::to_string(i + 1) + ";\n";
        out += "}\n";
    }
    out += "\n/* In main:\n *     if (" + name + "_begin() != 0) stop();\n *     for (;;) {\n *         " + name +
           "_touch(x, y, down);\n *         " + name + "_step(milliseconds());\n *     }\n */\n";
    return out;
}

}  // namespace gorsefinch
