// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include "core/edits/edit.h"

// Edits of assemblies and their uses: see core/document/assembly.h.
namespace gorsefinch {

// Moves the named widgets, with what they hold, to a new assembly of this name, whose box is around them, and puts a
// use in their place. Rules that speak of them speak of the parts of the use. Fails without widgets or with an unusable
// name. `use` receives the name of the use, if given.
Result<Document> makeAssembly(const Document& document, std::string_view screen, std::span<const std::string> names,
                              std::string_view assembly, std::string* use = nullptr);

// A use of an assembly with its top left at x, y in pixels; its name is free on the screen.
Widget newUse(const Document& document, const Screen& screen, const std::string& assembly, int x, int y);
// False for an assembly that the screen draws, or that holds it.
bool mayUse(const Document& document, const Screen& screen, const std::string& assembly);

size_t usesOf(const Document& document, std::string_view assembly);

// Replaces the named uses by groups with what they show, which follow the assembly no longer. Its rules stay with it;
// inputs that rules set, and inner ones, become variables. Names of other widgets are passed over.
Result<Document> takeLoose(const Document& document, std::string_view screen, std::span<const std::string> names);

// What the named uses set for an input; "" for its start value. Refused where the input can't have it.
Result<Document> setInput(const Document& document, std::string_view screen, std::span<const std::string> names,
                          std::string_view input, const std::string& text);

// Replaces the inputs, events and size of an assembly. Refused if a name is unusable or there twice, or a start value
// is none of its input's.
Result<Document> withAssembly(const Document& document, std::string_view name, const Assembly& assembly);
// Follows through the assembly's widgets and rules, its uses, and the rules about them.
Result<Document> renameInput(const Document& document, std::string_view assembly, std::string_view from,
                             std::string_view to);

}  // namespace gorsefinch
