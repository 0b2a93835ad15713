// SPDX-License-Identifier: GPL-3.0-or-later
#include "core/edits/variable_widgets.h"

#include <algorithm>

#include "core/document/names.h"
#include "core/document/new_widget.h"
#include "core/rules/lexer.h"

namespace gorsefinch {

namespace {

constexpr int kCaptionHeight = 16, kCaptionGap = 2;

// "kiln_temp" as words: "Kiln temp".
std::string captionOf(const std::string& name) {
    std::string out = name;
    std::replace(out.begin(), out.end(), '_', ' ');
    if (!out.empty() && out[0] >= 'a' && out[0] <= 'z')
        out[0] = static_cast<char>(out[0] - 'a' + 'A');
    return out;
}

std::string insetOf(const Variable& variable) {
    const std::string unit = variable.unit.empty() ? std::string() : " " + plainText(variable.unit);
    return "{" + shownInExpressions(variable) + "}" + unit;
}

// A name that the screen and the other new widgets lack.
std::string freeName(const Screen& screen, const std::vector<Widget>& others, const std::string& wanted) {
    return uniqueName(wanted, [&](std::string_view name) {
        return widgetIndex(screen, name) >= 0 ||
               std::any_of(others.begin(), others.end(), [&](const Widget& each) { return each.name == name; });
    });
}

Widget captionFor(const Document& document, const Screen& screen, const Variable& variable, const Widget& shown) {
    Widget caption = newWidget(document, screen, Kind::Text, shown.x, shown.y - kCaptionHeight - kCaptionGap, shown.w,
                               kCaptionHeight, true);
    caption.properties["text"] = plainText(captionOf(variable.name));
    if (caption.look.empty())
        caption.properties["size"] = int64_t{12};
    return caption;
}

}  // namespace

std::vector<Kind> kindsFor(const Variable& variable) {
    if (variable.isText())
        return variable.writer == Writer::Firmware ? std::vector{Kind::Text} : std::vector{Kind::Text, Kind::Field};
    const bool yesNo = variable.type == VariableType::YesNo;
    std::vector<Kind> out;
    if (yesNo)
        out = {Kind::Lamp};
    else if (variable.type != VariableType::Choice)
        out = {Kind::Readout, Kind::Progress, Kind::Ring, Kind::Gauge, Kind::Trend, Kind::Lamp};
    // Those that set it, if the panel may.
    if (variable.writer != Writer::Firmware && !variable.isArray()) {
        if (yesNo)
            out.insert(out.end(), {Kind::Switch, Kind::Checkbox, Kind::Button});
        else if (variable.type != VariableType::Choice)
            out.insert(out.end(), {Kind::Slider, Kind::Stepper, Kind::Knob});
    }
    out.push_back(Kind::Text);
    return out;
}

std::vector<Widget> widgetsFor(const Document& document, const Screen& screen, const Variable& variable, Kind kind,
                               int x, int y) {
    Widget shown = newWidget(document, screen, kind, x, y, 0, 0, false);
    const Panel& panel = *document.panel;
    const bool captioned = kind == Kind::Readout || kind == Kind::Text;
    const int above = captioned ? kCaptionHeight + kCaptionGap : 0;
    shown.x = std::clamp(x - shown.w / 2, 0, std::max(panel.width - shown.w, 0));
    shown.y = std::clamp(y - shown.h / 2, std::min(above, panel.height), std::max(panel.height - shown.h, above));
    if (kind == Kind::Text)
        shown.properties["text"] = insetOf(variable);
    else if (variable.isArray())
        shown.expressions["value"] = shownInExpressions(variable);
    else
        shown.properties["value"] = variable.name;
    if (kind == Kind::Button)
        shown.properties["acts"] = std::string("latching");
    if (kind == Kind::Button || kind == Kind::Checkbox)
        shown.properties["text"] = plainText(captionOf(variable.name));
    if (kind == Kind::Readout) {
        shown.properties["align"] = std::string("left");
        if (!variable.unit.empty())
            shown.properties["unit"] = variable.unit;
    }
    std::vector<Widget> out;
    shown.name = freeName(screen, out, variable.name + "_" + info(kind).suffix);
    out.push_back(std::move(shown));
    if (captioned) {
        Widget caption = captionFor(document, screen, variable, out.front());
        caption.name = freeName(screen, out, variable.name + "_caption");
        out.insert(out.begin(), std::move(caption));
    }
    return out;
}

}  // namespace gorsefinch
