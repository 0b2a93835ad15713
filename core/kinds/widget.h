// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include <memory>
#include <string>

#include "core/kinds/value.h"

namespace gorsefinch {

enum class Kind {
#define KIND(name, table) name,
#include "core/kinds/kinds.inc"
#undef KIND
};

// Widget::focus of what the knob and the keys pass over.
inline constexpr const char* kNeverFocused = "never";
// Widget::anchors of what stays where it is when the edges on the right and below move.
inline constexpr const char* kDefaultAnchors = "left top";

// The widget of the document that a widget of an expanded screen is a copy of: see core/scene/expand.h.
struct CopyOf {
    std::string screen, widget;  // the names of both in the document
    int series = 0;              // index in its series, from 0
    friend bool operator==(const CopyOf&, const CopyOf&) = default;
};

// What a use of an assembly sets, by input; expressions begin with "=". See core/document/assembly.h.
using InputMap = std::map<std::string, std::string, std::less<>>;

struct Widget {
    std::string name;
    Kind kind = Kind::Rectangle;
    int x = 0, y = 0, w = 10, h = 10;  // pixels, on the screen or in the container that holds it
    std::string look;                  // "" for the defaults
    PropertyMap properties;            // its own and its own style
    ExpressionMap expressions;         // those win over what is set in other ways
    bool visible = true;               // when the interface starts
    int opacity = 255;                 // 0 to 255
    bool enabled = true;               // when the interface starts
    std::string focus;                 // its turn among what the knob and the keys reach; "" by place, kNeverFocused
    std::string anchors = kDefaultAnchors;  // the edges that it keeps its distance from: see edges.h
    int touchMargin = 0;                    // pixels that its touch target reaches beyond the box
    bool locked = false;                    // in the editor
    bool offCanvas = false;                 // in the editor it is not drawn
    int depth = 0;                          // containers, one in another, that it lies in: see widget_tree.h
    // A series repeats it in columns and rows; seriesX and seriesY are the distances between them in pixels.
    int seriesColumns = 1, seriesRows = 1, seriesX = 0, seriesY = 0;
    InputMap inputs;                       // of a use of an assembly
    std::shared_ptr<const CopyOf> copyOf;  // null for widgets of the document itself
    UnknownKeys unknown;
};

using WidgetRef = std::shared_ptr<const Widget>;

}  // namespace gorsefinch
