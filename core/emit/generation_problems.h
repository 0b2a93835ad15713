// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include <functional>
#include <string>

#include "core/scene/built_scene.h"

namespace gorsefinch {

// What keeps code from being generated: names that C does not allow or that become the same in C, and what is too large
// for the target.
Problems generationProblems(const BuiltScene& scene);

// True for a project whose generated names would begin as those of the runtime do.
bool isNameOfRuntime(std::string_view project);

// Those of the names, and the others.
Problems nameProblems(const BuiltScene& scene);
Problems sizeProblems(const BuiltScene& scene);

// Calls `visit` with each name that a thing has in generated code, without the project's name and the underscore that
// they all begin with, and with what the thing is. Names in capitals differ from others by their case.
using SymbolVisitor = std::function<void(const std::string& symbol, const std::string& what)>;
void visitOwnSymbols(const SymbolVisitor& visit);
void visitSymbols(const Screen& screen, const SymbolVisitor& visit);
// Of its variables and its clock.
void visitSymbols(const Document& document, const SymbolVisitor& visit);
void visitSymbols(const CompiledRules& rules, const SymbolVisitor& visit);
void visitAssetSymbols(const BuiltScene& scene, const SymbolVisitor& visit);

}  // namespace gorsefinch
