// SPDX-License-Identifier: GPL-3.0-or-later
#include "core/edits/rename_texts.h"

namespace gorsefinch {

namespace {

// A variable may be named with an element: "zone[2]".
bool renameIn(std::string& text, InputType type, std::string_view from, std::string_view to) {
    const bool isElement = type == InputType::Variable && text.starts_with(std::string(from) + "[");
    if (text != from && !isElement)
        return false;
    text.replace(0, from.size(), to);
    return true;
}

bool renameInStarts(Screen& screen, InputType type, std::string_view from, std::string_view to) {
    Assembly next = *screen.assembly;
    bool any = false;
    for (AssemblyInput& each : next.inputs)
        any = (each.type == type && renameIn(each.start, type, from, to)) || any;
    if (any)
        screen.assembly = std::make_shared<const Assembly>(std::move(next));
    return any;
}

}  // namespace

void renameInInputs(Document& document, InputType type, std::string_view from, std::string_view to) {
    for (ScreenRef& screen : document.screens) {
        Screen next = *screen;
        bool any = next.assembly && renameInStarts(next, type, from, to);
        for (WidgetRef& widget : next.widgets) {
            if (widget->inputs.empty())
                continue;
            Widget use = *widget;
            const ScreenRef of = assemblyScreen(document, assemblyOf(use));
            bool changed = false;
            for (auto& [name, text] : use.inputs)
                if (const AssemblyInput* input = of ? of->assembly->input(name) : nullptr; input && input->type == type)
                    changed = renameIn(text, type, from, to) || changed;
            if (changed)
                widget = std::make_shared<const Widget>(std::move(use));
            any = any || changed;
        }
        if (any)
            screen = std::make_shared<const Screen>(std::move(next));
    }
}

}  // namespace gorsefinch
