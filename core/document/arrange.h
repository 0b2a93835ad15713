// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include <optional>
#include <span>
#include <string>

#include "core/document/document.h"

// How containers place what they hold: in rows and columns, and at edges that move. Boxes stand in the document as they
// are placed, so that all that reads them finds them there.
namespace gorsefinch {

// Bits of Edge; of words that are none the default.
unsigned edgesOf(const Widget& widget);

// Across or down: the properties of a widget that say where and how long it is on an axis, and its edges there.
struct Axis {
    int Widget::*place;
    int Widget::*size;
    const char* placeKey;
    const char* sizeKey;
    unsigned first, last;  // bits of Edge

    // True if the widget keeps its distance from both edges.
    bool stretches(const Widget& widget) const;
};
extern const Axis kAcross, kDown;

// What a container with the property `flow` does, or a pager.
struct Flow {
    const Axis* along;   // one widget comes behind the other
    const Axis* across;  // lines follow one another
    bool wrap;           // what has no room begins another line
    int gap;             // pixels between widgets, and between lines
    bool pages;          // each is as large as the container

    // True for what shares the room that others leave.
    bool shares(const Widget& widget) const { return !wrap && !pages && along->stretches(widget); }
    // True for what is as broad as its line.
    bool stretches(const Widget& widget) const { return pages || across->stretches(widget); }
};

// Nothing for one that does not place its widgets, and for what is no container.
std::optional<Flow> flowOf(const Widget& container, const NamedValues& named);
bool flows(const Widget& container);

// The numbers of what lies in a container itself, or on the screen for -1.
std::vector<size_t> childrenOf(const std::vector<WidgetRef>& widgets, int container);

// Pixels from the edge of a line to the other: as much as the container has or, with several lines, as the largest in
// them, of those whose sizes follow no expressions.
int lineBreadth(const std::vector<WidgetRef>& widgets, const Flow& flow, size_t container);

// Where a widget of this size lies between the edges of a line.
int placeInLine(const Widget& widget, const Axis& axis, int breadth, int size);

// The turn, from 0, among what else flows in a container, of what would lie with its middle at a point of it.
int turnInFlow(const std::vector<WidgetRef>& widgets, size_t container, int x, int y,
               std::span<const std::string> without);

// Places what lies in containers that flow, where each widget is visible as it is when the interface starts. What
// depends on a size, or a visibility, that follows an expression keeps its box.
void arrange(std::vector<WidgetRef>& widgets, const NamedValues& named);

// Lets what a container holds, or the screen for -1, follow its edges after it had another size; what is among `except`
// stays as it is.
void followEdges(std::vector<WidgetRef>& widgets, int container, int oldWidth, int oldHeight, int width, int height,
                 std::span<const std::string> except = {});

}  // namespace gorsefinch
