// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include <string>
#include <vector>

#include "core/rules/project_names.h"
#include "core/scene/built_scene.h"

// What firmware calls and what it supplies: declared in NAME.h, defined in NAME_scene.c, both from these lists.
namespace gorsefinch {

// A function of NAME_scene.c that firmware calls.
struct FirmwareFunction {
    std::string comment;    // lines of C without the marks
    std::string signature;  // "void kiln_redraw(void)"
    std::string body;       // its statements, indented; declarations first
};

// In the header's order: starting and running, then those of each variable. `names` are those of the scene's document.
std::vector<FirmwareFunction> runFunctions(const BuiltScene& scene, const ProjectNames& names);
std::vector<FirmwareFunction> variableFunctions(const BuiltScene& scene, const ProjectNames& names,
                                                const Variable& variable);

// Those of the project, and behind them the theme if there is one.
std::vector<Variable> firmwareVariables(const Document& document);

// "0 to 1320 °C"
std::string rangeWords(const Variable& variable);
// Range, length and scale of a variable as macros, each in a line.
std::string variableMacros(const BuiltScene& scene, const Variable& variable);

// The enumeration of a choice's values, "kiln_mode", and its constants without the project's name, in the order of the
// names: "MODE_HOLD".
std::string choiceType(const Document& document, const Variable& variable);
std::vector<std::string> choiceConstants(const Variable& variable);

// The name behind NAME_set_ and NAME_get_: that of the variable, and for decimals what its steps are
// ("heating_tenths").
std::string accessorName(const Variable& variable);

// True if rules may give it a value, so that firmware can check whether one did.
bool isWrittenByPanel(const Variable& variable);
// True if its setter may be called from an interrupt.
bool isLatched(const Variable& variable);

// "void kiln_flush(...)": what the firmware supplies, without the semicolon.
std::string flushSignature(const std::string& name);
std::string readSignature(const std::string& name);
std::string traceSignature(const std::string& name);

// What firmware knows a list as: all its copies ask the same function.
const std::string& listName(const Widget& list);
// A function that writes the texts of a list's items: lists of the same name have the same one.
std::string itemSymbol(const Document& document, const std::string& list);
// Its signature, without the semicolon.
std::string itemSignature(const Document& document, const std::string& list);
// The names of the lists that ask for their items, each once.
std::vector<std::string> askingLists(const BuiltScene& scene);

// Words about the bytes that flush gets on this panel: order of pixels and bytes, units, alignment.
std::string flushWords(const BuiltScene& scene);
// An expression in w and h for the number of bytes.
std::string flushBytes(const Panel& panel);

}  // namespace gorsefinch
