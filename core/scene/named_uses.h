// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include <set>
#include <string>

#include "core/base/problem.h"
#include "core/scene/screen_part.h"

// Which looks and screens use the project's named colours and sizes.
namespace gorsefinch {

// Adds the looks that are based on one of the given ones.
void addDerived(std::set<std::string>& looks, const Document& document);
// Adds the looks that set something to one of these names themselves.
void addLooksWith(const std::set<std::string>& names, const Document& document, std::set<std::string>& looks);

// What differs between the project's sets of colours.
class SetDependence {
  public:
    explicit SetDependence(const Document& document);
    // True if a screen's widgets can look different in another set. Its background is not looked at.
    bool isDifferent(const ScreenPart& part) const;

  private:
    std::set<std::string> names_, looks_;
};

// Names in looks and backgrounds that the project has no colour or size for.
Problems missingNames(const Document& document);
// The problem of one: `kind` is "colour" or "size".
Problem missingName(const std::string& file, const std::string& place, const char* kind, const std::string& name);

}  // namespace gorsefinch
