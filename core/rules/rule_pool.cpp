// SPDX-License-Identifier: GPL-3.0-or-later
#include "core/rules/rule_pool.h"

#include <algorithm>
#include <cassert>
#include <numeric>
#include <tuple>

namespace gorsefinch {

std::optional<int> RulePool::slot(const ProjectNames::WidgetPlace& place, const PropertyInfo& property) {
    const auto known = slots_.find({place.screen, place.widget, &property});
    if (known != slots_.end())
        return known->second;
    if (out_.slots.size() >= kMaxSlots)
        return std::nullopt;
    out_.slots.push_back({place.screen, place.widget, &property, {}, {}});
    return slots_[{place.screen, place.widget, &property}] = static_cast<int>(out_.slots.size()) - 1;
}

std::optional<int> RulePool::string(const std::string& words) {
    const auto known = strings_.find(words);
    if (known != strings_.end())
        return known->second;
    if (out_.strings.size() >= kMaxStrings)
        return std::nullopt;
    out_.stringWords.push_back(words);
    out_.strings.push_back(compileText(words, names_));
    return strings_[words] = static_cast<int>(out_.strings.size()) - 1;
}

std::optional<int> RulePool::hook(const HookInfo& hook) {
    const auto known = hooks_.find(hook.name);
    if (known != hooks_.end())
        return known->second;
    if (out_.hooks.size() >= kMaxHooks)
        return std::nullopt;
    out_.hooks.push_back(hook);
    return hooks_[hook.name] = static_cast<int>(out_.hooks.size()) - 1;
}

uint16_t RulePool::place(Compiled code) {
    const size_t at = out_.code.size();
    code.operation(GORSE_OP_END);
    out_.needsExtended = out_.needsExtended || code.needsExtended;
    out_.needsElements = out_.needsElements || code.needsElements;
    out_.readNumbers.insert(code.variables.begin(), code.variables.end());
    assert(at + code.code.size() <= 0xffff);
    for (const SlotUse& use : code.slots)
        uses_.push_back({use.at + at, use.slot});
    for (const size_t use : code.commands)
        out_.commands.push_back(use + at);
    out_.code.insert(out_.code.end(), code.code.begin(), code.code.end());
    return static_cast<uint16_t>(at);
}

void RulePool::follow(FollowedSlot followed) {
    read_.insert(followed.properties.begin(), followed.properties.end());
    follows_.push_back(std::move(followed));
}

void RulePool::finish() {
    std::vector<int> order(out_.slots.size());
    std::iota(order.begin(), order.end(), 0);
    std::sort(order.begin(), order.end(), [&](int a, int b) {
        const SlotInfo &x = out_.slots[static_cast<size_t>(a)], &y = out_.slots[static_cast<size_t>(b)];
        return std::tuple(x.screen, x.widget, x.property->isValue, std::string_view(x.property->key)) <
               std::tuple(y.screen, y.widget, y.property->isValue, std::string_view(y.property->key));
    });
    std::vector<int> number(order.size());
    std::vector<SlotInfo> sorted;
    for (size_t i = 0; i < order.size(); ++i) {
        number[static_cast<size_t>(order[i])] = static_cast<int>(i);
        sorted.push_back(out_.slots[static_cast<size_t>(order[i])]);
    }
    out_.slots = std::move(sorted);
    for (const SlotUse& use : uses_) {
        const int slot = number[static_cast<size_t>(use.slot)];
        assert(use.at + 1 < out_.code.size());
        out_.code[use.at] = static_cast<uint8_t>(slot);
        out_.code[use.at + 1] = static_cast<uint8_t>(slot >> 8);
    }
    for (gorse_glide& each : out_.glides)
        each.slot = static_cast<uint16_t>(number[each.slot]);
    const int firstSlotBit = static_cast<int>(names_.variables()->byBinding.size());
    for (const FollowedSlot& each : follows_) {
        const auto add = [&](int changed) {
            out_.follows.push_back({static_cast<uint16_t>(changed), each.code,
                                    static_cast<uint16_t>(number[static_cast<size_t>(each.slot)]),
                                    static_cast<uint16_t>(each.screen)});
        };
        for (const int variable : each.variables)
            add(variable);
        for (const int slot : each.properties)
            add(firstSlotBit + number[static_cast<size_t>(slot)]);
        out_.readFollowed = out_.readFollowed || inRules_.count(each.slot) != 0;
        if (each.variables.empty() && each.properties.empty())
            add(GORSE_NONE);
    }
}

}  // namespace gorsefinch
