// SPDX-License-Identifier: GPL-3.0-or-later
#include "core/edits/backing_edits.h"

#include <algorithm>

#include "core/document/names.h"
#include "core/document/widget_tree.h"
#include "core/edits/meant_edits.h"
#include "core/edits/short_names.h"
#include "core/rules/rename.h"

namespace gorsefinch {

namespace {

constexpr int kSeriesGap = 4;  // pixels between the widgets of a new series

}  // namespace

Result<Document> setSeriesSide(const Document& document, std::string_view screen, std::span<const std::string> names,
                               const PropertyInfo& side, int count) {
    if (!fits(side, int64_t{count}))
        return setProperty(document, screen, names, side.key, int64_t{count});
    return changeWidgets(document, screen, names, [&](Widget& widget) {
        const bool across = side.number == &Widget::seriesColumns;
        int& step = across ? widget.seriesX : widget.seriesY;
        if (widget.*side.number == 1 && count > 1 && step == 0)
            step = (across ? widget.w : widget.h) + kSeriesGap;
        widget.*side.number = count;
    });
}

Result<Document> makeBacking(const Document& document, std::string_view screen, std::span<const std::string> names,
                             std::string_view backing, bool above, std::span<const std::string> others) {
    const ScreenRef from = document.screen(screen);
    const std::vector<WidgetRef> taken = from ? branchesOf(from->widgets, names) : std::vector<WidgetRef>();
    if (taken.empty())
        return failure("", "", "there is no widget to put on a backing screen", "Select some");
    if (const auto error = nameError(backing))
        return failure("", "", *error, "Choose another name");
    if (isTaken(document, backing))
        return failure("", "", "the name \"" + std::string(backing) + "\" is taken", "Choose another name");
    if (isBacking(document, screen))
        return failure("", "", std::string(screen) + " is a backing screen itself, which can't have one",
                       "Select widgets of another screen");
    Document next = removeWidgets(document, screen, names);
    Screen made;
    made.name = backing;
    made.background = from->background;
    made.ground = from->ground;
    made.widgets = taken;
    next.screens.push_back(std::make_shared<const Screen>(std::move(made)));
    const std::string name(backing);
    for (ScreenRef& each : next.screens) {
        const bool shows = each->name == screen || std::find(others.begin(), others.end(), each->name) != others.end();
        if (!shows || each->name == backing || isBacking(document, each->name))
            continue;
        Screen shown = *each;
        Names& list = above ? shown.above : shown.below;
        if (list.size() == kMaxBackings)
            return failure("", "", shown.name + " has " + std::to_string(kMaxBackings) + " backing screens already",
                           "Take one off it");
        list.insert(above ? list.end() : list.begin(), name);
        each = std::make_shared<const Screen>(std::move(shown));
    }
    for (const WidgetRef& each : taken) {
        RuleRename rename{{Reference::What::Widget, each->name, std::string(screen),
                           !otherScreenHas(document, screen, each->name), document.screenIndex(each->name) >= 0},
                          each->name,
                          each->name};
        rename.toOwner = name;
        renameInRules(next, rename);
    }
    return next;
}

}  // namespace gorsefinch
