// SPDX-License-Identifier: GPL-3.0-or-later
#include "core/emit/firmware_functions.h"

#include <algorithm>

#include "core/document/panel_keys.h"
#include "core/emit/c_text.h"
#include "runtime/gorse_internal.h"

namespace gorsefinch {

namespace {

constexpr const char* kScales[] = {
    "", "_tenths", "_hundredths", "_thousandths", "_ten_thousandths", "_hundred_thousandths", "_millionths"};

std::string cType(const BuiltScene& scene, const Variable& v) {
    switch (v.type) {
        case VariableType::Text: return "const char *";
        case VariableType::YesNo: return "uint8_t ";
        case VariableType::Choice: return choiceType(scene.document, v) + " ";
        default: return "int32_t ";
    }
}

std::string macroName(const BuiltScene& scene, const Variable& v) {
    return upperCase(scene.document.name + "_" + v.name);
}

// What the runtime takes of a setter's argument.
std::string givenValue(const Variable& v) {
    return v.type == VariableType::YesNo ? "value != 0u" : v.type == VariableType::Choice ? "(int32_t)value" : "value";
}

// The part of an array's call that names an element.
std::string elementOf(const BuiltScene& scene, const Variable& v, const std::string& number) {
    return "(&run, " + number + ", " + macroName(scene, v) + "_COUNT, index";
}

// True if a readout that can be stale shows the number.
bool isHeard(const BuiltScene& scene, const Variable& v, int number) {
    const auto* hearers = scene.keepers.data() + scene.scene.recorder_count + scene.scene.map_count;
    return std::any_of(hearers, hearers + scene.scene.hearer_count, [&](const gorse_keeper& each) {
        return !v.isText() && reinterpret_cast<const gorse_widget_indicator*>(each.of)->variable == number;
    });
}

std::string setBody(const BuiltScene& scene, const Variable& v, int index) {
    const std::string number = std::to_string(index) + "u";
    if (isLatched(v))
        return "    return gorse_latch_put(&latch_" + v.name + ", " + givenValue(v) + ", " +
               (v.type == VariableType::Choice ? "0, " + longLiteral(v.max)
                                               : macroName(scene, v) + "_MIN, " + macroName(scene, v) + "_MAX") +
               ");\n";
    if (v.isArray())
        return "    return gorse_set_element" + elementOf(scene, v, number) + ", " + givenValue(v) + ");\n";
    return (isHeard(scene, v, index) ? "    gorse_hear(&run, " + number + ");\n" : std::string()) +
           "    return gorse_set_" + (v.isText() ? "text" : "number") + "(&run, " + number + ", " + givenValue(v) +
           ");\n";
}

std::string getBody(const BuiltScene& scene, const Variable& v, const std::string& number) {
    if (v.isText())
        return "    return gorse_text_value(&run, " + number + ");\n";
    const std::string cast = v.type == VariableType::YesNo    ? "(uint8_t)"
                             : v.type == VariableType::Choice ? "(" + choiceType(scene.document, v) + ")"
                                                              : std::string();
    return "    return " + cast +
           (v.isArray() ? "gorse_element" + elementOf(scene, v, number) : "gorse_number(&run, " + number) + ");\n";
}

std::string channelOrder(const Panel& panel) {
    const bool redFirst = (panel.format == PixelFormat::Rgb888) != panel.swapRedBlue;
    return std::to_string(info(panel.format).bits / 8) +
           " bytes: " + (redFirst ? "red, green, blue" : "blue, green, red") +
           (panel.format == PixelFormat::Argb8888 ? ", alpha" : "");
}

std::string stepBody(const BuiltScene& scene, const ProjectNames& names) {
    std::string out;
    for (const Variable& v : *scene.document.variables) {
        if (!isLatched(v))
            continue;
        const int index = names.variable(v.name)->number;
        const std::string number = std::to_string(index) + "u";
        const std::string set = "(void)gorse_set_number(&run, " + number + ", value);\n";
        out += "    if (gorse_latch_take(&latch_" + v.name + ", &value) != 0u)" +
               (isHeard(scene, v, index) ? " {\n        gorse_hear(&run, " + number + ");\n        " + set + "    }\n"
                                         : "\n        " + set);
    }
    return (out.empty() ? "" : "    int32_t value;\n") + out + "    return gorse_step(&run, now_ms);\n";
}

}  // namespace

std::vector<Variable> firmwareVariables(const Document& document) {
    std::vector<Variable> out = *document.variables;
    if (auto theme = themeVariable(*document.named))
        out.push_back(std::move(*theme));
    return out;
}

std::string rangeWords(const Variable& v) {
    if (v.type == VariableType::YesNo)
        return "0 or 1";
    if (v.isText())
        return "UTF-8, at most " + std::to_string(v.length) + " bytes";
    if (v.type == VariableType::Choice)
        return "one of " + std::to_string(v.choices.size());
    return decimalText(v.min, v.decimals) + " to " + decimalText(v.max, v.decimals) +
           (v.unit.empty() ? "" : " " + commentWords(v.unit));
}

std::string choiceType(const Document& document, const Variable& variable) {
    return document.name + "_" + variable.name;
}

std::vector<std::string> choiceConstants(const Variable& variable) {
    std::vector<std::string> out;
    for (size_t i = 0; i < variable.choices.size(); ++i) {
        std::string name;
        for (const char c : upperCase(variable.choices[i]))
            name += (c >= 'A' && c <= 'Z') || (c >= '0' && c <= '9') ? c : '_';
        // Signs that C has no letters for may leave two names the same.
        if (name.find_first_not_of('_') == std::string::npos || std::find(out.begin(), out.end(), name) != out.end())
            name = "VALUE_" + std::to_string(i);
        out.push_back(std::move(name));
    }
    for (std::string& each : out)
        each.insert(0, upperCase(variable.name) + "_");
    return out;
}

std::string accessorName(const Variable& variable) { return variable.name + kScales[variable.decimals]; }

bool isWrittenByPanel(const Variable& variable) { return variable.writer != Writer::Firmware; }

bool isLatched(const Variable& variable) { return variable.fromInterrupt && variable.mayBeLatched(); }

namespace {

std::string choiceEnum(const BuiltScene& scene, const Variable& v) {
    const std::string type = choiceType(scene.document, v);
    const std::vector<std::string> constants = choiceConstants(v);
    std::string out = "typedef enum " + type + " {\n";
    for (size_t i = 0; i < constants.size(); ++i)
        out += "    " + upperCase(scene.document.name) + "_" + constants[i] + " = " + std::to_string(i) +
               (i + 1 < constants.size() ? "," : "") + " /* " + commentWords(v.choices[i]) + " */\n";
    return out + "} " + type + ";\n";
}

}  // namespace

std::string variableMacros(const BuiltScene& scene, const Variable& v) {
    const std::string name = "#define " + macroName(scene, v);
    if (v.isText())
        return name + "_LENGTH " + std::to_string(v.length) + "u\n";
    std::string out = v.isArray() ? name + "_COUNT " + std::to_string(v.count) + "u\n" : std::string();
    if (v.type == VariableType::Choice)
        return out + choiceEnum(scene, v);
    out += name + "_MIN " + longLiteral(v.min) + "\n" + name + "_MAX " + longLiteral(v.max) + "\n";
    if (v.decimals > 0) {
        std::string scale = "1";
        scale.append(static_cast<size_t>(v.decimals), '0');
        out += name + "_DECIMALS " + std::to_string(v.decimals) + "\n";
        out += name + "(value) ((int32_t)((value) * " + scale +
               ".0 + ((value) < 0 ? -0.5 : 0.5))) /* a constant such as 1.5 */\n";
    }
    return out;
}

std::vector<FirmwareFunction> runFunctions(const BuiltScene& scene, const ProjectNames& names) {
    const std::string& name = scene.document.name;
    const std::string upper = upperCase(name);
    std::vector<FirmwareFunction> out;
    out.push_back(
        {"Starts the interface in memory of its own. Returns GORSE_RESULT_OK or what is wrong. No hook runs inside.",
         "gorse_result " + name + "_begin(void)",
         "    return " + name + "_begin_in(state, (uint32_t)sizeof state, buffer, " + upper + "_BUFFER_BYTES);\n"});
    out.push_back(
        {"The same in your memory, such as an array in a section of its own: at least " + upper +
             "_STATE_BYTES and\n * " + upper +
             "_BUFFER_MIN bytes, both aligned as uint32_t is. It must stay. Link with --gc-sections to leave out the\n "
             "* interface's own.",
         "gorse_result " + name +
             "_begin_in(void *state_memory, uint32_t state_bytes, void *buffer_memory, uint32_t buffer_bytes)",
         "    return gorse_begin(&run, &" + name +
             "_scene, &port, state_memory, state_bytes, buffer_memory, buffer_bytes);\n"});
    out.push_back(
        {"Advances to a time in ms that may start anywhere and wrap, and draws what has changed. Hooks run inside.\n"
         " * Returns the ms until it has something to do by itself: 0 if it is not done yet, GORSE_FOREVER if only a "
         "call of\n"
         " * yours gives it something. Call it after any other call, and at the latest then.",
         "uint32_t " + name + "_step(uint32_t now_ms)", stepBody(scene, names)});
    if (scene.document.panel->touch)
        out.push_back(
            {"A finger at a pixel of the interface; down is 1 while it touches. Hooks of press, release and tap run "
             "inside.",
             "void " + name + "_touch(int16_t x, int16_t y, uint8_t down)", "    gorse_touch(&run, x, y, down);\n"});
    if (scene.document.panel->knob)
        out.push_back(
            {"The knob was turned by so many steps, to the right if they are positive. Hooks of its rules and of what "
             "it\n * changes run inside.",
             "void " + name + "_knob(int8_t steps)", "    gorse_knob(&run, steps);\n"});
    if (hasKeys(*scene.document.panel))
        out.push_back({"A key, " + upper +
                           "_KEY_..., went down, 1, or up, 0. Hooks of its rules and of what it presses run inside.",
                       "void " + name + "_key(uint8_t key, uint8_t down)", "    gorse_key(&run, key, down);\n"});
    if (scene.controls.typing_bytes != 0)
        out.push_back(
            {"A hardware keyboard typed a character, Unicode or GORSE_TYPED_..., into the field that is open, "
             "if any. Hooks of\n * its rules run inside.",
             "void " + name + "_type(uint32_t character)", "    gorse_type(&run, character);\n"});
    out.push_back({"Changes to a screen at the next step. No hook runs inside.",
                   "gorse_result " + name + "_go(uint16_t screen)", "    return gorse_go(&run, screen);\n"});
    out.push_back(
        {"The screen that is shown.", "uint16_t " + name + "_screen(void)", "    return gorse_screen_now(&run);\n"});
    if (scene.document.clock)
        out.push_back(
            {"Sets the date and time, which run on from the next step. GORSE_RESULT_UNKNOWN for what is no date or "
             "time\n"
             " * from 2000 to 2099. No hook runs inside.",
             "gorse_result " + name +
                 "_set_clock(uint16_t year, uint8_t month, uint8_t day, uint8_t hour, uint8_t minute, uint8_t second)",
             "    return gorse_set_clock(&run, year, month, day, hour, minute, second);\n"});
    for (size_t i = 0; i < scene.keepers.size(); ++i) {
        const gorse_keeper& keeper = scene.keepers[i];
        const Screen& screen = *scene.parts[keeper.screen]->source;
        const std::string widget = screen.name + "_" + screen.widgets[keeper.widget]->name;
        if (i >= size_t{scene.scene.recorder_count} + scene.scene.map_count)
            break;
        if (i >= scene.scene.recorder_count) {
            if (BuiltScene::isSetByFirmware(keeper))
                out.push_back(
                    {"Sets a cell of a map to a frame of its image, from 1 on, or to 0 for none.\n"
                     " * GORSE_RESULT_UNKNOWN for a cell that it lacks. No hook runs inside.",
                     "gorse_result " + name + "_set_" + widget + "_cell(uint8_t column, uint8_t row, uint8_t cell)",
                     "    return gorse_set_cell(&run, " + std::to_string(i) + "u, column, row, cell);\n"});
            continue;
        }
        if (gorse_sample_interval(gorse_trend_of(&keeper)) == 0)
            out.push_back({"Records a sample of each value of a trend, as they are now. No hook runs inside.",
                           "gorse_result " + name + "_sample_" + widget + "(void)",
                           "    return gorse_sample(&run, " + std::to_string(i) + "u);\n"});
    }
    out.push_back({"Draws everything again at the next step, for a panel that lost its memory.",
                   "void " + name + "_redraw(void)", "    gorse_redraw(&run);\n"});
    return out;
}

std::vector<FirmwareFunction> variableFunctions(const BuiltScene& scene, const ProjectNames& names, const Variable& v) {
    const std::string& name = scene.document.name;
    const int index = names.variable(v.name)->number;
    const std::string number = std::to_string(index) + "u";
    const std::string accessor = accessorName(v), type = cType(scene, v);
    std::vector<FirmwareFunction> out;
    if (v.writer != Writer::Panel)
        out.push_back({isLatched(v)  ? "May be called from one interrupt; takes effect at the next " + name + "_step."
                       : v.isArray() ? "GORSE_RESULT_UNKNOWN for an element that it lacks."
                                     : std::string(),
                       "gorse_result " + name + "_set_" + accessor + "(" + (v.isArray() ? "uint16_t index, " : "") +
                           type + "value)",
                       setBody(scene, v, index)});
    out.push_back({v.isArray() ? "0 for an element that it lacks." : std::string(),
                   type + name + "_get_" + accessor + "(" + (v.isArray() ? "uint16_t index" : "void") + ")",
                   getBody(scene, v, number)});
    if (isWrittenByPanel(v)) {
        const int bit = v.isText() ? scene.scene.number_count + index : index;
        out.push_back({"1 if a rule has changed it since the last call.",
                       "uint8_t " + name + "_changed_" + v.name + "(void)",
                       "    return take_changed(" + std::to_string(bit) + "u);\n"});
    }
    return out;
}

const std::string& listName(const Widget& list) { return list.copyOf ? list.copyOf->widget : list.name; }

std::string itemSymbol(const Document& document, const std::string& list) {
    return document.name + "_" + list + "_item";
}

std::string itemSignature(const Document& document, const std::string& list) {
    return "void " + itemSymbol(document, list) + "(uint16_t index, char *text, uint8_t size)";
}

std::vector<std::string> askingLists(const BuiltScene& scene) {
    std::vector<std::string> out;
    for (const auto& part : scene.parts)
        for (size_t i = 0; i < part->records.size(); ++i) {
            const std::string& name = listName(*part->source->widgets[i]);
            if (part->source->widgets[i]->kind == Kind::List && part->records[i].list.ask &&
                std::find(out.begin(), out.end(), name) == out.end())
                out.push_back(name);
        }
    return out;
}

std::string flushSignature(const std::string& name) {
    return "void " + name +
           "_flush(uint16_t x, uint16_t y, uint16_t w, uint16_t h, const uint8_t *bytes, uint32_t count)";
}

std::string readSignature(const std::string& name) {
    return "void " + name + "_read(uint32_t address, uint8_t *to, uint16_t n)";
}

std::string traceSignature(const std::string& name) {
    return "void " + name + "_trace(uint8_t what, uint16_t a, int32_t b)";
}

std::string flushBytes(const Panel& panel) {
    const PixelFormatInfo& format = info(panel.format);
    switch (format.layout) {
        case PixelLayout::Pages: return "w * h / 8";
        case PixelLayout::WholeBytes: return "w * h * " + std::to_string(format.bits / 8);
        default: return "(w * " + std::to_string(format.bits) + " + 7) / 8 * h";
    }
}

std::string flushWords(const BuiltScene& scene) {
    const Panel& panel = *scene.document.panel;
    const PixelFormatInfo& format = info(panel.format);
    std::string out;
    switch (format.layout) {
        case PixelLayout::Pages:
            out = "A byte holds 8 pixels, upright, the top one in its lowest bit; y and h are multiples of 8.";
            break;
        case PixelLayout::Rows:
            out = "The leftmost pixel is in the highest bits; each row is padded to a whole byte with zeros.";
            break;
        case PixelLayout::RowsLowFirst:
            out = "The leftmost pixel is in the lowest bits; each row is padded to a whole byte with zeros.";
            break;
        case PixelLayout::WholeBytes:
            out = format.bits == 8 ? "A pixel is a byte."
                  : panel.format == PixelFormat::Rgb565
                      ? "A pixel is a word of 16 bits in the controller's byte order, " +
                            std::string(panel.swapRedBlue ? "blue" : "red") + " in the high bits."
                  : panel.format == PixelFormat::Rgb565Be
                      ? "A pixel is 2 bytes, the high one first, " + std::string(panel.swapRedBlue ? "blue" : "red") +
                            " in its high bits."
                      : "A pixel is " + channelOrder(panel) + ".";
            break;
    }
    if (scene.panel.unit_x > 1)
        out += " x and w are whole bytes' worth of pixels: multiples of " + std::to_string(scene.panel.unit_x) +
               ", but at the panel's edge.";
    return out + "\n * `bytes` is the start of the draw buffer and aligned as that is, to 4 bytes unless it is yours.";
}

}  // namespace gorsefinch
