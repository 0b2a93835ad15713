// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include <string>
#include <vector>

#include "core/base/problem.h"
#include "core/document/document.h"

// What the user made once and the panel shows several times: backing screens and series. An expanded document has a
// widget of its own for each time, so that all that draws, runs, measures and generates needs to know of neither.
namespace gorsefinch {

// Widgets that a project has only because they are repeated.
inline constexpr size_t kMaxCopies = 50000;

struct Expanded {
    Document document;
    Problems problems;  // of what can't be expanded, and is left out
};

// Expands documents, and remembers the screens, so that one that did not change stays the same.
//
// A screen's widgets stand between those of its backing screens, which are copies named BACKING__NAME. A series begins
// with the widget itself; the others are copies named NAME__1, NAME__2 and so on, row by row, each with all that it
// holds. Widget::copyOf tells what a copy is edited as; the first of a series has one, too, and what a
// backing screen has itself. In the texts and
// expressions of a series the word `series` is replaced by the number; names of widgets that the copies lie beside are
// those of the same copy.
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

// Tells the problems of copies of what they are copies of, each once. `backing` false leaves out those of backing
// screens, where the backing screen itself has the same.
Problems withoutCopies(const Screen& expanded, Problems problems, bool backing);

// True if the screen has copies of widgets of other screens.
bool hasBacking(const Screen& expanded);

}  // namespace gorsefinch
