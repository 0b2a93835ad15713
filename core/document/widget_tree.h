// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include <span>

#include "core/document/document.h"

// The widgets of a screen as a tree. Each container is followed by what it holds, the lowest first, which lies one
// container deeper.
namespace gorsefinch {

inline constexpr int kMaxDepth = 8;  // containers, one in another, that a widget can lie in

struct Offset {
    int x = 0, y = 0;  // pixels
    friend bool operator==(const Offset&, const Offset&) = default;
};

// The number behind a widget and all that it holds.
size_t endOf(const std::vector<WidgetRef>& widgets, size_t at);
// The container that holds a widget; -1 for one of the screen's own.
int containerOf(const std::vector<WidgetRef>& widgets, size_t at);
// The same for each widget.
std::vector<int> containersOf(const std::vector<WidgetRef>& widgets);
// The depth of the deepest widget.
int deepest(const std::vector<WidgetRef>& widgets);

// From where on the panel the boxes of what a container holds count; of the screen's own for -1. As the document says:
// rules and expressions may move containers, and any page counts as the one that its pager shows.
Offset originIn(const std::vector<WidgetRef>& widgets, int container);
// Where the box of a widget begins on the panel.
Offset placeOnPanel(const std::vector<WidgetRef>& widgets, size_t at);

// What a finger moves of it, as GORSE_SCROLL_...; 0 for nothing.
uint8_t scrollOf(const Widget& widget);
// What it holds shows in its box only.
bool clips(const Document& document, const Widget& container);
// True for what shows, or is touched, in its box itself: of containers those that draw or clip, or hold nothing.
bool hasOwnBox(const Document& document, const std::vector<WidgetRef>& widgets, size_t at);
// It draws a box.
bool drawsBox(const Document& document, const Widget& container);

// Lays widgets that are deeper than what comes before them allows in the nearest container that can hold them. Leaves
// boxes as they are.
void straighten(std::vector<WidgetRef>& widgets);

// The named ones without those that another named one holds, in the order of the screen.
std::vector<size_t> topmostOf(const std::vector<WidgetRef>& widgets, std::span<const std::string> names);
// The named ones and all that they hold, in the order of the screen, at the depths that they have among themselves.
std::vector<WidgetRef> branchesOf(const std::vector<WidgetRef>& widgets, std::span<const std::string> names);

}  // namespace gorsefinch
