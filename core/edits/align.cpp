// SPDX-License-Identifier: GPL-3.0-or-later
#include "core/edits/align.h"

#include <set>

#include "core/document/arrange.h"
#include "core/document/widget_tree.h"

namespace gorsefinch {

namespace {

// One side of a box: its edges on an axis.
struct Side {
    int Box::*low;
    int Box::*high;
    int length(const Box& box) const { return box.*high - box.*low; }
    int sum(const Box& box) const { return box.*low + box.*high; }  // twice the middle
};
constexpr Side kX{&Box::x0, &Box::x1}, kY{&Box::y0, &Box::y1};

int floorDiv(int a, int b) { return a / b - (a % b != 0 && (a < 0) != (b < 0) ? 1 : 0); }

// The nearest whole number to a / b, of two the upper one; b > 0.
int rounded(int a, int b) { return floorDiv(2 * a + b, 2 * b); }

struct Item {
    std::string name;
    Box box, to;
    Box holder;  // the box of its container, or the panel's
    bool locked = false;
};

// The named widgets that move, and where to.
class Placing {
  public:
    Placing(const Document& document, std::string_view screen, std::span<const std::string> names)
        : document_(document), screen_(screen) {
        const ScreenRef on = document.screen(screen);
        if (!on)
            return;
        const Box panel{0, 0, document.panel->width, document.panel->height};
        for (const size_t at : topmostOf(on->widgets, names)) {
            const int holder = containerOf(on->widgets, at);
            const Box box = boxOnPanel(on->widgets, at);
            items_.push_back({on->widgets[at]->name, box, box,
                              holder < 0 ? panel : boxOnPanel(on->widgets, static_cast<size_t>(holder)),
                              on->widgets[at]->locked});
        }
        if (const int last = names.empty() ? -1 : widgetIndex(*on, names.back()); last >= 0)
            last_ = boxOnPanel(on->widgets, static_cast<size_t>(last));
    }

    const std::optional<Box>& last() const { return last_; }
    std::vector<Item>& items() { return items_; }
    // Those that may move, in the order of their middles on an axis.
    std::vector<Item*> inOrder(const Side& side) {
        std::vector<Item*> out;
        for (Item& each : items_)
            if (!each.locked)
                out.push_back(&each);
        std::stable_sort(out.begin(), out.end(),
                         [&](const Item* a, const Item* b) { return side.sum(a->box) < side.sum(b->box); });
        return out;
    }

    Document run() const {
        Names moved;
        for (const Item& each : items_)
            if (!each.locked && !(each.to == each.box))
                moved.push_back(each.name);
        if (moved.empty())
            return document_;
        return changeWidgets(document_, screen_, moved, [&](Widget& widget) {
            const Item& item =
                *std::find_if(items_.begin(), items_.end(), [&](const Item& each) { return each.name == widget.name; });
            const Widget before = widget;
            setBox(widget, widget.x + item.to.x0 - item.box.x0, widget.y + item.to.y0 - item.box.y0, item.to.w(),
                   item.to.h());
            if (const auto resize = info(widget.kind).resize; resize && (before.w != widget.w || before.h != widget.h))
                resize(widget, before);
        });
    }

  private:
    const Document& document_;
    std::string screen_;
    std::vector<Item> items_;
    std::optional<Box> last_;
};

void moveTo(Item& item, const Side& side, int low) {
    const int length = side.length(item.to);
    item.to.*side.low = low;
    item.to.*side.high = low + length;
}

// Numbers, by what they are sorted by, that lie in one row or column: as each middle is within the first one's side.
std::vector<std::vector<Item*>> clusters(const std::vector<Item*>& ordered, const Side& side) {
    std::vector<std::vector<Item*>> out;
    for (Item* each : ordered) {
        const bool joins = !out.empty() && side.sum(each->box) < 2 * out.back().front()->box.*side.high;
        if (!joins)
            out.emplace_back();
        out.back().push_back(each);
    }
    return out;
}

// The middle one of the gaps between neighbours in the rows; without any, a few pixels.
int usualGap(const std::vector<std::vector<Item*>>& rows, const Side& along) {
    constexpr int kDefaultGap = 4;
    std::vector<int> gaps;
    for (std::vector<Item*> row : rows) {
        std::stable_sort(row.begin(), row.end(),
                         [&](const Item* a, const Item* b) { return a->box.*along.low < b->box.*along.low; });
        for (size_t i = 1; i < row.size(); ++i)
            if (const int gap = row[i]->box.*along.low - row[i - 1]->box.*along.high; gap >= 0)
                gaps.push_back(gap);
    }
    std::sort(gaps.begin(), gaps.end());
    return gaps.empty() ? kDefaultGap : gaps[(gaps.size() - 1) / 2];
}

// The row and the column of each; where two would share a cell, each row is filled from the left.
std::map<Item*, std::pair<size_t, size_t>> cellsOf(const std::vector<std::vector<Item*>>& rows,
                                                   const std::vector<std::vector<Item*>>& columns) {
    std::map<Item*, std::pair<size_t, size_t>> out;
    std::set<std::pair<size_t, size_t>> taken;
    for (size_t row = 0; row < rows.size(); ++row)
        for (Item* each : rows[row])
            out[each].first = row;
    for (size_t column = 0; column < columns.size(); ++column)
        for (Item* each : columns[column]) {
            out[each].second = column;
            taken.insert(out[each]);
        }
    if (taken.size() == out.size())
        return out;
    for (const std::vector<Item*>& row : rows) {
        std::vector<Item*> ordered = row;
        std::stable_sort(ordered.begin(), ordered.end(),
                         [](const Item* a, const Item* b) { return kX.sum(a->box) < kX.sum(b->box); });
        for (size_t i = 0; i < ordered.size(); ++i)
            out[ordered[i]].second = i;
    }
    return out;
}

// Places rows, or columns, one behind the other from `start`.
void placeLines(const std::map<Item*, std::pair<size_t, size_t>>& cells, size_t std::pair<size_t, size_t>::*line,
                const Side& side, int start, int gap) {
    std::map<size_t, int> lengths;
    for (const auto& [item, cell] : cells)
        lengths[cell.*line] = std::max(lengths[cell.*line], side.length(item->box));
    std::map<size_t, int> begins;
    for (const auto& [number, length] : lengths) {
        begins[number] = start;
        start += length + gap;
    }
    for (const auto& [item, cell] : cells)
        moveTo(*item, side, begins.at(cell.*line));
}

// On one axis: apart, they exchange the ends of what they cover together; else their beginnings.
void swapOn(Item& a, Item& b, const Side& side) {
    Item &first = a.box.*side.low <= b.box.*side.low ? a : b, &second = &first == &a ? b : a;
    const int low = first.box.*side.low, high = second.box.*side.high;
    if (first.box.*side.high > second.box.*side.low) {
        moveTo(first, side, second.box.*side.low);
        moveTo(second, side, low);
        return;
    }
    moveTo(second, side, low);
    moveTo(first, side, high - side.length(first.box));
}

}  // namespace

Document alignWidgets(const Document& document, std::string_view screen, std::span<const std::string> names,
                      Alignment alignment, AlignBy by) {
    Placing placing(document, screen, names);
    if (!placing.last())
        return document;
    const Box panel{0, 0, document.panel->width, document.panel->height};
    const bool across = alignment == Alignment::Left || alignment == Alignment::Centre || alignment == Alignment::Right;
    const Side& side = across ? kX : kY;
    for (Item& each : placing.items()) {
        const Box& to = by == AlignBy::Last ? *placing.last() : by == AlignBy::Panel ? panel : each.holder;
        const int length = side.length(each.box);
        switch (alignment) {
            case Alignment::Left:
            case Alignment::Top: moveTo(each, side, to.*side.low); break;
            case Alignment::Centre:
            case Alignment::Middle: moveTo(each, side, floorDiv(side.sum(to) - length, 2)); break;
            case Alignment::Right:
            case Alignment::Bottom: moveTo(each, side, to.*side.high - length); break;
        }
    }
    return placing.run();
}

Document distributeWidgets(const Document& document, std::string_view screen, std::span<const std::string> names,
                           Distribution distribution) {
    Placing placing(document, screen, names);
    const bool across = distribution == Distribution::CentresAcross || distribution == Distribution::GapsAcross;
    const bool gaps = distribution == Distribution::GapsAcross || distribution == Distribution::GapsDown;
    const Side& side = across ? kX : kY;
    const std::vector<Item*> items = placing.inOrder(side);
    if (items.size() < 3)
        return document;
    const auto count = static_cast<int>(items.size());
    int room = items.back()->box.*side.low - items.front()->box.*side.high, covered = items.front()->box.*side.high;
    for (int i = 1; i + 1 < count; ++i)
        room -= side.length(items[static_cast<size_t>(i)]->box);
    const int begin = side.sum(items.front()->box), end = side.sum(items.back()->box);
    for (int i = 1; i + 1 < count; ++i) {
        Item& item = *items[static_cast<size_t>(i)];
        const int length = side.length(item.box);
        const int middle = begin + rounded((end - begin) * i, count - 1);
        moveTo(item, side, gaps ? covered + rounded(room * i, count - 1) : floorDiv(middle - length, 2));
        covered += length;
    }
    return placing.run();
}

Document makeSameSize(const Document& document, std::string_view screen, std::span<const std::string> names,
                      SameSize same) {
    Placing placing(document, screen, names);
    if (!placing.last())
        return document;
    for (Item& each : placing.items()) {
        if (same != SameSize::Height)
            each.to.x1 = each.to.x0 + placing.last()->w();
        if (same != SameSize::Width)
            each.to.y1 = each.to.y0 + placing.last()->h();
    }
    return placing.run();
}

Document placeBoxes(const Document& document, std::string_view screen, const std::map<std::string, Box>& boxes) {
    Names names;
    for (const auto& [name, box] : boxes)
        names.push_back(name);
    Placing placing(document, screen, names);
    for (Item& each : placing.items())
        each.to = boxes.at(each.name);
    return placing.run();
}

Document fillContainers(const Document& document, std::string_view screen, std::span<const std::string> names) {
    Placing placing(document, screen, names);
    for (Item& each : placing.items())
        each.to = each.holder;
    return placing.run();
}

Document tidyIntoGrid(const Document& document, std::string_view screen, std::span<const std::string> names) {
    Placing placing(document, screen, names);
    const auto rows = clusters(placing.inOrder(kY), kY), columns = clusters(placing.inOrder(kX), kX);
    if (rows.empty())
        return document;
    const auto cells = cellsOf(rows, columns);
    Box all = cells.begin()->first->box;
    for (const auto& [item, cell] : cells)
        all = united(all, item->box);
    placeLines(cells, &std::pair<size_t, size_t>::second, kX, all.x0, usualGap(rows, kX));
    placeLines(cells, &std::pair<size_t, size_t>::first, kY, all.y0, usualGap(columns, kY));
    return placing.run();
}

Document swapPlaces(const Document& document, std::string_view screen, std::span<const std::string> names) {
    Placing placing(document, screen, names);
    if (placing.items().size() != 2)
        return document;
    Item &a = placing.items()[0], &b = placing.items()[1];
    if (a.locked || b.locked)
        return document;
    swapOn(a, b, kX);
    swapOn(a, b, kY);
    return placing.run();
}

}  // namespace gorsefinch
