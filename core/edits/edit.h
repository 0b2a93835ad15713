// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include <functional>
#include <optional>
#include <span>
#include <string>
#include <string_view>

#include "core/base/result.h"
#include "core/document/document.h"
#include "core/edits/tree_order.h"

// Every edit of a project, as a function from a document to the next. Canvas, sheet, layers, reel and paste make the
// same edit through the same function. A name that isn't there leaves the document as it is.
namespace gorsefinch {

// Replaces a screen; what lies in containers that flow is placed.
Document withScreen(const Document& document, int index, Screen screen);

// Changes the named widgets of a screen. What lies in a container that gets another size follows its edges, unless it
// is named itself.
Document changeWidgets(const Document& document, std::string_view screen, std::span<const std::string> names,
                       const std::function<void(Widget&)>& change);

// Sets the widget's box, clamped to what it can be. What follows an expression stays.
void setBox(Widget& widget, int x, int y, int w, int h);

// Adds widgets on top of a container, or of the screen for ""; names that are taken get a number behind. `added`
// receives the names, if given. Adds nothing to a screen that would then have more than kMaxWidgets.
Document addWidgets(const Document& document, std::string_view screen, std::vector<Widget> widgets,
                    Names* added = nullptr, std::string_view container = {});
// Takes away the named widgets and what they hold.
Document removeWidgets(const Document& document, std::string_view screen, std::span<const std::string> names);

// Moves the named widgets, with what they hold, among those of the same container.
Document reorderWidgets(const Document& document, std::string_view screen, std::span<const std::string> names,
                        Depth where);

// Sets one property of the named widgets: place, own or style. Its expression goes. A value that doesn't fit is
// refused.
Result<Document> setProperty(const Document& document, std::string_view screen, std::span<const std::string> names,
                             std::string_view key, const PropertyValue& value);
// The property follows an expression from now on, instead of its own value; one without "=" before it. A property that
// takes none is refused; what is wrong in the expression is a problem of the scene.
Result<Document> setExpression(const Document& document, std::string_view screen, std::span<const std::string> names,
                               std::string_view key, std::string_view expression);
// Takes a property's own value and its expression away, so that the look's or the default holds again.
Document clearProperty(const Document& document, std::string_view screen, std::span<const std::string> names,
                       std::string_view key);

// A screen with this name (made unique) after number `after`; -1 at the front.
Document addScreen(const Document& document, int after, std::string_view name);
Document duplicateScreen(const Document& document, int index);
Document removeScreen(const Document& document, int index);
Document moveScreen(const Document& document, int from, int to);

// Renames follow through: texts with insets, rules and references are changed too. An unusable or taken name is
// refused with the reason.
Result<Document> renameWidget(const Document& document, std::string_view screen, std::string_view from,
                              std::string_view to);
Result<Document> renameScreen(const Document& document, std::string_view from, std::string_view to);
Result<Document> renameVariable(const Document& document, std::string_view from, std::string_view to);
// Gives a choice its names. Where only some are new, rules and texts follow; start values keep their name. A list that
// can't be is refused.
Result<Document> withChoices(const Document& document, std::string_view variable, std::vector<std::string> names);
Result<Document> renameLook(const Document& document, std::string_view from, std::string_view to);
Result<Document> renameImage(const Document& document, std::string_view from, std::string_view to);
Result<Document> renameFace(const Document& document, std::string_view from, std::string_view to);

// Sets the variable of that name, or adds it.
Document withVariable(const Document& document, const Variable& variable);
Document removeVariable(const Document& document, std::string_view name);
Document withLook(const Document& document, const Look& look);
// Nothing takes the clock away.
Document withClock(const Document& document, const std::optional<Clock>& clock);
// What lies on the screens follows the edges of a panel of another size.
Document withPanel(const Document& document, const Panel& panel);
Document withRules(const Document& document, std::string_view file, std::string text);

// For pictures see image_edits.h, for faces font_edits.h.
// True if a variable, a named colour or size, or the variable of the sets of colours has the name: rules and
// expressions know them by it alone.
bool isTakenInRules(const Document& document, std::string_view name);
// True if any screen, variable, look, image or face has the name.
bool isTaken(const Document& document, std::string_view name);

}  // namespace gorsefinch
