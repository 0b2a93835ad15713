// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include <cstddef>
#include <iterator>
#include <memory>
#include <string>
#include <vector>

namespace gorsefinch {

enum class Severity { Note, Warning, Error };

// Something wrong or risky in a project, with enough to lead the user there. Raised in the core, shown by the
// application and the command line.
struct Problem {
    Severity severity = Severity::Error;
    std::string file;   // relative to the project's folder
    std::string place;  // "status.title", "line 4, column 7", "panel.width"
    std::string reason;
    std::string remedy;
    std::string screen;  // set when the place is a screen or a widget on it
    std::string widget;
    int line = 0;  // from 1, when the place is in a rules file
    int column = 0;
    std::string code = {};  // identifies the check for fixOf(); "" for problems without a fix

    std::string text() const;
};

using Problems = std::vector<Problem>;

// Lists of problems one behind the other, each shared with whoever made it: an edit that changes nothing about a
// thousand warnings does not copy them.
class SharedProblems {
  public:
    // Over the problems of all lists. Valid as long as no list is added.
    class Iterator {
      public:
        using iterator_category = std::forward_iterator_tag;
        using value_type = Problem;
        using difference_type = std::ptrdiff_t;
        using pointer = const Problem*;
        using reference = const Problem&;

        Iterator() = default;
        Iterator(const SharedProblems& all, size_t list) : all_(&all), list_(list) {}
        reference operator*() const { return (*all_->lists_[list_])[at_]; }
        pointer operator->() const { return &**this; }
        Iterator& operator++() {
            if (++at_ == all_->lists_[list_]->size())
                ++list_, at_ = 0;
            return *this;
        }
        Iterator operator++(int) {
            Iterator before = *this;
            ++*this;
            return before;
        }
        bool operator==(const Iterator&) const = default;

      private:
        const SharedProblems* all_ = nullptr;
        size_t list_ = 0, at_ = 0;
    };

    void add(std::shared_ptr<const Problems> list);
    void add(Problems list) { add(std::make_shared<const Problems>(std::move(list))); }
    void add(const SharedProblems& others);

    size_t size() const;
    bool empty() const { return lists_.empty(); }
    Iterator begin() const { return {*this, 0}; }
    Iterator end() const { return {*this, lists_.size()}; }
    // The first one; there must be one.
    const Problem& front() const { return *begin(); }
    Problems list() const { return {begin(), end()}; }

  private:
    std::vector<std::shared_ptr<const Problems>> lists_;  // none is empty
};

// True if any of them keeps code from being generated.
bool hasErrors(const Problems& problems);
bool hasErrors(const SharedProblems& problems);

}  // namespace gorsefinch
