// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include <memory>
#include <set>
#include <string>
#include <tuple>

#include "core/scene/built_scene.h"

// Reports problems in a scene. Those of copies are reported for the widget that they are copies of, each once.
namespace gorsefinch {

// Problems on the screens that draw assemblies: uses do not report them again.
class AssemblyProblems {
  public:
    void add(const Problems& problems);
    bool has(const std::string& assembly, const Problem& problem, const std::string& part) const;

  private:
    std::set<std::tuple<std::string, std::string, std::string>> known_;  // assembly, widget, reason
};

// A warning for each widget that needs characters which no face of the font has.
void addMissingCharacters(BuiltScene& scene, const BakedFont& font, const std::set<char32_t>& missing);

// Problems of one expanded screen.
void addPartProblems(BuiltScene& scene, const Screen& screen, const std::shared_ptr<const Problems>& problems,
                     const AssemblyProblems& ofAssemblies);

// Reports problems of widgets inside uses of assemblies at the use itself, unless the assembly has the same.
Problems atUses(const Document& given, Problems problems, const AssemblyProblems& ofAssemblies = {});

// Those of the scene's rules and expressions.
void addRuleProblems(BuiltScene& scene);

}  // namespace gorsefinch
