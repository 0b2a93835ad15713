// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include <functional>
#include <string>
#include <vector>

#include "core/document/document.h"
#include "core/rules/rename.h"

namespace gorsefinch {

// What the inputs of one use of an assembly stand for.
class UseInputs {
  public:
    // `given` is what the use sets; inputs that it does not set, or not as they allow, have their start value. Inputs
    // for which `isSet` holds are variables, named `prefix` and the input's name; arrays of `series` elements above 1.
    UseInputs(const Assembly& assembly, const InputMap& given, const std::string& prefix, int series,
              const std::function<bool(const AssemblyInput&)>& isSet);

    const InputTexts& texts() const { return texts_; }
    const std::vector<Variable>& variables() const { return variables_; }
    // Sentences about inputs that have a value which they can't have.
    const std::vector<std::string>& mistakes() const { return mistakes_; }

    // Puts the values into all that a widget of the assembly has. `inner` is the assembly of a widget that is a use
    // itself, or null.
    void putInto(Widget& widget, const Assembly* inner) const;

  private:
    std::string givenOrStart(const AssemblyInput& input, const InputMap& given);
    void add(const AssemblyInput& input, const std::string& text, bool isVariable, const std::string& name, int series);
    const std::string* plain(std::string_view name, InputType type) const;
    void putInto(PropertyValue& value) const;
    bool bind(Widget& widget, const PropertyInfo& property, const std::string& input) const;

    std::map<std::string, InputType> types_;
    std::map<std::string, std::string> plain_;  // of inputs that name a thing
    InputTexts texts_;
    std::vector<Variable> variables_;
    std::vector<std::string> mistakes_;
};

}  // namespace gorsefinch
