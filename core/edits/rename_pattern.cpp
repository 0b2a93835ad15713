// SPDX-License-Identifier: GPL-3.0-or-later
#include "core/edits/rename_pattern.h"

#include <algorithm>

#include "core/document/box.h"
#include "core/document/names.h"

namespace gorsefinch {

namespace {

std::string nameBy(std::string_view pattern, const std::string& before, int number) {
    std::string out;
    for (size_t i = 0; i < pattern.size();) {
        if (pattern[i] == '*') {
            out += before;
            ++i;
        } else if (pattern[i] == '#') {
            size_t digits = 0;
            for (; i < pattern.size() && pattern[i] == '#'; ++i)
                ++digits;
            const std::string figures = std::to_string(number);
            out += std::string(digits > figures.size() ? digits - figures.size() : 0, '0') + figures;
        } else {
            out += pattern[i++];
        }
    }
    return out;
}

tl::unexpected<Error> refused(const std::string& reason, const std::string& remedy) {
    return failure("", "", reason, remedy);
}

}  // namespace

PatternNames namesByPattern(const Screen& screen, std::span<const std::string> names, std::string_view pattern,
                            int first) {
    struct Placed {
        std::string name;
        Box box;
    };
    std::vector<Placed> placed;
    for (const std::string& each : names)
        if (const int at = widgetIndex(screen, each); at >= 0)
            placed.push_back({each, boxOnPanel(screen.widgets, static_cast<size_t>(at))});
    std::stable_sort(placed.begin(), placed.end(),
                     [](const Placed& a, const Placed& b) { return a.box.y0 < b.box.y0; });
    // One row is what begins above the middle of its first.
    for (size_t begin = 0; begin < placed.size();) {
        size_t end = begin + 1;
        while (end < placed.size() && 2 * placed[end].box.y0 < placed[begin].box.y0 + placed[begin].box.y1)
            ++end;
        std::stable_sort(placed.begin() + static_cast<std::ptrdiff_t>(begin),
                         placed.begin() + static_cast<std::ptrdiff_t>(end),
                         [](const Placed& a, const Placed& b) { return a.box.x0 < b.box.x0; });
        begin = end;
    }
    PatternNames out;
    for (const Placed& each : placed) {
        out.now.push_back(nameBy(pattern, each.name, first++));
        out.before.push_back(each.name);
    }
    return out;
}

Result<Document> renameByPattern(const Document& document, std::string_view screen, std::span<const std::string> names,
                                 std::string_view pattern, int first) {
    const ScreenRef on = document.screen(screen);
    if (!on)
        return document;
    const PatternNames renamed = namesByPattern(*on, names, pattern, first);
    NameSet taken;
    for (const WidgetRef& each : on->widgets)
        if (std::find(renamed.before.begin(), renamed.before.end(), each->name) == renamed.before.end())
            taken.insert(each->name);
    NameSet all = taken;
    for (const WidgetRef& each : on->widgets)
        all.insert(each->name);
    for (const std::string& each : renamed.now) {
        if (const auto error = nameError(each))
            return refused("\"" + each + "\": " + *error, "Choose another pattern");
        if (taken.contains(each))
            return refused("the name \"" + each + "\" is taken, or the same for several",
                           "Write # where a number is to stand, or * for the name that each has");
        taken.insert(each);
        all.insert(each);
    }
    // By way of names that nothing has, as one may get the name that another has now.
    Result<Document> next = document;
    Names between;
    for (const std::string& each : renamed.before) {
        between.push_back(all.unique("renamed"));
        if (next)
            next = renameWidget(*next, screen, each, between.back());
    }
    for (size_t i = 0; i < between.size() && next; ++i)
        next = renameWidget(*next, screen, between[i], renamed.now[i]);
    return next;
}

}  // namespace gorsefinch
