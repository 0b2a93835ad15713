// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include <vector>

#include "core/rules/lexer.h"
#include "core/rules/project_names.h"

// Lines of rules about assemblies in the words of the widgets and variables that uses consist of.
namespace gorsefinch {

// A line of the rules of an assembly, for one of its uses on a screen: names of the assembly's widgets mean those of
// the use, and its inputs are replaced by their values.
std::vector<Token> lineInUse(const Screen& screen, const AssemblyUse& use, const std::vector<Token>& line);

// Returns the line with inputs of uses, such as `tank2.level`, replaced by their values.
std::vector<Token> lineWithInputs(const ProjectNames& names, const std::vector<Token>& line);
// The header of a rule about an event that a use tells, for the widget inside; every other header as it is.
std::vector<Token> headerWithEvents(const ProjectNames& names, const std::vector<Token>& header);

}  // namespace gorsefinch
