// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include <functional>
#include <optional>
#include <string>
#include <string_view>
#include <unordered_map>
#include <unordered_set>

#include "core/document/document.h"

namespace gorsefinch {

inline constexpr size_t kMaxNameBytes = 48;

// What is wrong with a name, as a sentence; nothing if it is possible in C and C++. Names begin with a letter, hold
// ASCII letters, digits and underscores, are not keywords and do not end in an underscore (so that joined names
// stay apart).
std::optional<std::string> nameError(std::string_view name);

// A valid name made of any text: "Zurück!" becomes "zurueck". `fallback` if nothing is left.
std::string nameFrom(std::string_view text, std::string_view fallback);

// `wanted`, or `wanted_2`, `wanted_3`, ... until `taken` says no.
std::string uniqueName(std::string_view wanted, const std::function<bool(std::string_view)>& taken);

// A set of names that makes new names unique in constant time, as it stores the next number of each.
class NameSet {
  public:
    bool contains(std::string_view name) const { return names_.count(std::string(name)) != 0; }
    void insert(std::string_view name) { names_.emplace(name); }
    // Returns a name like uniqueName(), and inserts it.
    std::string unique(std::string_view wanted);

  private:
    std::unordered_set<std::string> names_;
    std::unordered_map<std::string, int> next_;  // by the name without its number
};

// The name of a new widget: of what it shows, and its kind ("back_button"), unique on the screen.
std::string widgetNameFor(const Screen& screen, Kind kind, std::string_view text);

// True for a path of one plain file name, with no folder, no "..", no hidden file.
bool isPlainFileName(std::string_view name);

}  // namespace gorsefinch
