// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include <string>
#include <vector>

#include "core/base/problem.h"
#include "core/document/document.h"

// Expansion of what is edited once and shown several times: backing screens and series. An expanded document has a
// separate widget for each occurrence, so drawing, running, measuring and generating need no code for either.
namespace gorsefinch {

// Maximum number of widgets that expansion adds to a project.
inline constexpr size_t kMaxCopies = 50000;

struct Expanded {
    Document document;
    Problems problems;  // what could not be expanded and is left out
};

// Expands documents. Results are cached by screen, so a screen that did not change keeps its identity.
//
// The widgets of backing screens are inserted below and above those of the screen itself, named BACKING__NAME. The
// first widget of a series keeps its name; the others are named NAME__1, NAME__2 and so on, row by row, each followed
// by what it holds. All of them, and the widgets of a backing screen itself, have Widget::copyOf. In texts and
// expressions of a series the word `series` is replaced by the index, and names of widgets that are copied along are
// replaced by the names of their copies.
class Expander {
  public:
    Expanded expand(const Document& document);

  private:
    struct Kept {
        std::vector<ScreenRef> of;  // the screen, then those behind it
        Shared<NamedValues> named;
        bool isBacking = false;  // of another screen
        ScreenRef screen;
        Problems problems;
    };
    std::vector<Kept> kept_;
};

// Returns the problems with those of copies reported for the widget that they are copies of, each once. With `backing`
// false, problems of widgets of backing screens are dropped: the backing screen itself reports the same.
Problems withoutCopies(const Screen& expanded, Problems problems, bool backing);

// True if the screen has copies of widgets of other screens.
bool hasBacking(const Screen& expanded);

}  // namespace gorsefinch
