// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include <deque>
#include <map>
#include <optional>
#include <span>
#include <string>
#include <string_view>
#include <unordered_map>
#include <unordered_set>
#include <vector>

#include "core/document/document.h"

namespace gorsefinch {

// The way out where rules speak of what isn't there.
inline constexpr const char* kFindWidget = "The station Screens lists the widgets of each screen with their names";
inline constexpr const char* kFindScreen = "The station Screens lists the screens with their names";

// Widgets that were looked up, found or not: what was made of them holds as long as they are the same.
class NamedWidgets {
  public:
    // `screen` "" for the short form, which names widgets of any screen.
    void add(std::string_view screen, std::string_view widget);
    bool has(const std::string& screen, const std::string& widget) const;

  private:
    std::unordered_map<std::string, std::unordered_set<std::string>> byScreen_;
};

// What names mean to rules and texts, with the runtime's numbers: numbers (all but texts; one for each element of an
// array) come first, then those of the clock if there is one, then the panel's outputs, then the theme, texts after
// them, each in the document's order. The document must outlive this. Not to be shared between threads.
class ProjectNames {
  public:
    struct VariableRef {
        const Variable* variable;
        int number;                            // among the numbers, or among the texts; of an array its first element's
        int binding;                           // texts count on from the numbers
        std::span<const char* const> choices;  // of a choice
    };
    // The variables by name and number, which documents with the same list of variables can share.
    struct VariableIndex {
        Shared<std::vector<Variable>> of;
        bool withClock = false;
        std::vector<Variable> outputs;  // of the panel
        std::optional<Variable> theme;  // which set of colours is shown
        std::unordered_map<std::string_view, VariableRef> byName;
        std::vector<const Variable*> byBinding;  // an array has one for each element
        std::deque<std::vector<const char*>> choices;
    };

    // `known` is taken if it is of this document's variables, clock, outputs and theme.
    explicit ProjectNames(const Document& document, const std::shared_ptr<const VariableIndex>& known = nullptr);

    // By name; a field of the clock, and an output of the panel, by both its names: "clock.hour".
    std::optional<VariableRef> variable(std::string_view name) const;
    const Variable& variableOf(int binding) const { return *variables_->byBinding[static_cast<size_t>(binding)]; }
    const std::shared_ptr<const VariableIndex>& variables() const { return variables_; }

    struct WidgetPlace {
        int screen, widget;
        Kind kind;
    };
    // `screen` "" for the short form; -1 in `screen` of the result if several screens have such a widget.
    std::optional<WidgetPlace> widget(std::string_view screen, std::string_view name) const;
    // One of the copies of a widget in an expanded document.
    struct Copy {
        int screen, widget;
        std::optional<int> series;  // index in its series, if it is in one
    };
    // Returns all copies of a widget, the widget itself first, then those on its own screen; empty if it has none.
    std::span<const Copy> copies(const WidgetPlace& of) const;
    // A use of an assembly, and its index in its series if it is in one.
    struct Use {
        const Screen* screen;  // that lists it
        const AssemblyUse* use;
        std::optional<int> series;
    };
    // Returns the use that a group replaces; nothing for all other widgets.
    std::optional<Use> use(const WidgetPlace& of) const;
    bool hasUses() const;
    int screen(std::string_view name) const { return document_.screenIndex(name); }
    // Those that widget() was asked for.
    const NamedWidgets& named() const { return named_; }

    // The colour of that name in each of the project's sets; empty if there is none.
    std::span<const Colour> colour(std::string_view name) const;
    // The size of that name.
    std::optional<int> size(std::string_view name) const;
    // How often these two were asked for.
    int timesAsked() const { return timesAsked_; }

    const Document& document() const { return document_; }

  private:
    void indexWidgets() const;
    void indexCopies() const;
    void indexUses() const;

    const Document& document_;
    std::shared_ptr<const VariableIndex> variables_;
    // By name, the position of the only widget, or -1. Built when a widget is first looked up without its screen.
    mutable std::unordered_map<std::string_view, WidgetPlace> widgets_;
    mutable bool widgetsKnown_ = false;
    mutable std::map<std::pair<int, std::string_view>, std::vector<Copy>> copies_;
    mutable bool copiesKnown_ = false;
    mutable std::map<std::pair<std::string_view, std::string_view>, Use> uses_;  // by screen and widget
    mutable bool usesKnown_ = false;
    mutable NamedWidgets named_;
    mutable int timesAsked_ = 0;
};

inline constexpr const char* kFindOutput = "The station Panel lists the outputs that a panel can have";
// True if a name of two parts is about an output, also one that the panel lacks: `first` is the panel, unless that is a
// widget's name.
bool isOutput(const ProjectNames& names, std::string_view first, std::string_view whole);

}  // namespace gorsefinch
