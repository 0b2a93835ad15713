// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include <string>
#include <vector>

#include "core/assemblies/assemble_screen.h"

// Uses of assemblies replaced by what they show, before series and backing screens are expanded.
namespace gorsefinch {

inline constexpr int kMaxNesting = 6;  // assemblies, one in another

struct Assembled {
    Document document;
    Problems problems;  // of uses that can't be replaced, which are left as empty groups
};

// A use becomes a group of its name that holds copies of the assembly's widgets, named USE__NAME and fitted to its
// size. Values of inputs take the place of their names in texts, expressions and properties. An input that rules set,
// a choice, and an inner one become variables of the document named SCREEN__USE__INPUT: arrays where the use is in a
// series. Each screen lists its uses. An assembly's own screen shows the start values; its widgets keep their names.
//
// Results are cached by screen, so a screen that did not change keeps its identity.
class Assembler {
  public:
    // Without `keepAssemblies` the screens that draw assemblies, which come last, are left out.
    explicit Assembler(bool keepAssemblies = true) : keepAssemblies_(keepAssemblies) {}
    Assembled assemble(const Document& document);

  private:
    struct Kept {
        ScreenRef of, screen;
        std::vector<Variable> variables;
        Problems problems;
    };
    struct Basis {  // what all screens depend on
        struct Use {
            std::string screen, widget, assembly;
            InputMap inputs;
            bool operator==(const Use&) const = default;
        };
        std::vector<ScreenRef> assemblies;
        std::vector<Use> uses;
        InputSet set;
        Shared<NamedValues> named;
        bool operator==(const Basis&) const = default;
    };
    Basis basisOf(const Document& document);

    Shared<std::vector<Variable>> extended(const Shared<std::vector<Variable>>& given, std::vector<Variable> more,
                                           Problems& problems);

    bool keepAssemblies_;
    Basis basis_;
    std::vector<Kept> kept_;
    Shared<std::vector<RuleFile>> rules_;  // that `set` was read from
    InputSet set_;
    Shared<std::vector<Variable>> given_, extended_;
    std::vector<Variable> more_;
};

// The names of all parts of a use behind its own: "drain", "valve", "valve__seat".
std::vector<std::string> partNames(const Document& document, const Widget& use);

// Where a widget of an expanded screen comes from, by its name.
struct UsePlace {
    std::string use;       // the widget of the document; "" if the document has no use with such a part
    std::string assembly;  // the innermost one
    std::string part;      // its widget there
};
UsePlace usePlace(const Document& document, const std::string& screen, const std::string& widget);

}  // namespace gorsefinch
