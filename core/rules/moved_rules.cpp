// SPDX-License-Identifier: GPL-3.0-or-later
#include "core/rules/moved_rules.h"

#include <algorithm>
#include <cassert>
#include <map>
#include <utility>

#include "core/document/widget_tree.h"

namespace gorsefinch {

namespace {

// Positions of the widgets that rules name, themselves or as what they are copies of.
std::vector<size_t> namedPositions(const NamedWidgets& named, const Screen& screen) {
    std::vector<size_t> out;
    for (size_t i = 0; i < screen.widgets.size(); ++i) {
        const Widget& each = *screen.widgets[i];
        if (named.has(screen.name, each.name) || (each.copyOf && named.has(each.copyOf->screen, each.copyOf->widget)))
            out.push_back(i);
    }
    return out;
}

// What has properties that change without rules, by widget.
std::map<std::string, std::pair<ExpressionMap, uint8_t>> expressionsOf(const Screen& screen) {
    std::map<std::string, std::pair<ExpressionMap, uint8_t>> out;
    for (const WidgetRef& widget : screen.widgets)
        if (const uint8_t scroll = scrollOf(*widget); scroll != 0 || !widget->expressions.empty())
            out.emplace(widget->name, std::pair(widget->expressions, scroll));
    return out;
}

uint16_t wordAt(const std::vector<uint8_t>& code, size_t at) {
    assert(at + 1 < code.size());
    return static_cast<uint16_t>(code[at] | code[at + 1] << 8);
}

// Gives widgets of one screen other positions.
class Mover {
  public:
    Mover(size_t widgets, const std::vector<size_t>& from, const std::vector<size_t>& to)
        : to_(widgets, static_cast<size_t>(GORSE_NONE)) {
        for (size_t i = 0; i < from.size(); ++i)
            to_[from[i]] = to[i];
    }

    void move(CompiledRules& rules, int screen) const {
        for (gorse_rule& rule : rules.rules)
            if (rule.screen == screen && rule.widget != GORSE_NONE)
                rule.widget = moved(rule.widget);
        for (SlotInfo& slot : rules.slots)
            if (slot.screen == screen)
                slot.widget = moved(static_cast<uint16_t>(slot.widget));
        std::set<std::pair<int, int>> cellsSet;
        for (const auto& [on, widget] : rules.cellsSet)
            cellsSet.emplace(on, on == screen ? moved(static_cast<uint16_t>(widget)) : widget);
        rules.cellsSet = std::move(cellsSet);
        for (const size_t at : rules.commands)
            if (wordAt(rules.code, at) == screen) {
                const uint16_t widget = moved(wordAt(rules.code, at + 2));
                rules.code[at + 2] = static_cast<uint8_t>(widget);
                rules.code[at + 3] = static_cast<uint8_t>(widget >> 8);
            }
    }

  private:
    uint16_t moved(uint16_t widget) const {
        assert(to_[widget] != GORSE_NONE);
        return static_cast<uint16_t>(to_[widget]);
    }

    std::vector<size_t> to_;
};

}  // namespace

std::shared_ptr<const CompiledRules> movedRules(const std::shared_ptr<const CompiledRules>& rules, int screen,
                                                const Screen& before, const Screen& after, const NamedValues& named) {
    const std::vector<size_t> from = namedPositions(*rules->named, before), to = namedPositions(*rules->named, after);
    const auto arranged = rules->arranged.find(before.name);
    const bool placed = arrangedExpressions(after, rules->mentioned, named) ==
                        (arranged == rules->arranged.end() ? std::vector<ArrangedExpression>() : arranged->second);
    const bool sameUses = before.uses == after.uses || (before.uses && after.uses && *before.uses == *after.uses);
    const bool same = placed && sameUses && before.name == after.name &&
                      expressionsOf(before) == expressionsOf(after) &&
                      std::equal(from.begin(), from.end(), to.begin(), to.end(), [&](size_t x, size_t y) {
                          const Widget &a = *before.widgets[x], &b = *after.widgets[y];
                          return a.name == b.name && a.kind == b.kind;
                      });
    if (!same)
        return nullptr;
    if (from == to)
        return rules;
    auto out = std::make_shared<CompiledRules>(*rules);
    Mover(before.widgets.size(), from, to).move(*out, screen);
    return out;
}

}  // namespace gorsefinch
