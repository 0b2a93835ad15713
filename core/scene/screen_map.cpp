// SPDX-License-Identifier: GPL-3.0-or-later
#include "core/scene/screen_map.h"

#include <algorithm>

namespace gorsefinch {

namespace {

constexpr int kUnreached = -1;

// For each screen the steps from the first one.
std::vector<int> distances(size_t screens, const std::vector<ScreenStep>& steps) {
    std::vector<std::vector<size_t>> next(screens);
    std::vector<size_t> anywhere;
    for (const ScreenStep& each : steps) {
        if (each.to < 0)
            continue;
        if (each.from < 0)
            anywhere.push_back(static_cast<size_t>(each.to));
        else
            next[static_cast<size_t>(each.from)].push_back(static_cast<size_t>(each.to));
    }
    std::vector<int> out(screens, kUnreached);
    std::vector<size_t> queue{0};
    out[0] = 0;
    const auto reach = [&](size_t to, int distance) {
        if (out[to] != kUnreached)
            return;
        out[to] = distance;
        queue.push_back(to);
    };
    for (size_t i = 0; i < queue.size(); ++i) {
        for (const size_t to : next[queue[i]])
            reach(to, out[queue[i]] + 1);
        if (i == 0)
            for (const size_t to : anywhere)
                reach(to, 1);
    }
    return out;
}

// Puts the screens of a row in the order of the columns that lead to them; without one they keep theirs.
void order(std::vector<size_t>& row, const std::vector<ScreenPlace>& places, const std::vector<ScreenStep>& steps,
           int rowAbove) {
    const auto middle = [&](size_t screen) {
        int sum = 0, count = 0;
        for (const ScreenStep& each : steps)
            if (each.to == static_cast<int>(screen) && each.from >= 0 &&
                places[static_cast<size_t>(each.from)].row <= rowAbove) {
                sum += 100 * places[static_cast<size_t>(each.from)].column + std::min(std::max(each.widget, 0), 99);
                ++count;
            }
        return count == 0 ? 0 : sum / count;
    };
    std::vector<std::pair<int, size_t>> keyed;
    for (const size_t each : row)
        keyed.emplace_back(middle(each), each);
    std::sort(keyed.begin(), keyed.end());
    std::transform(keyed.begin(), keyed.end(), row.begin(), [](const auto& each) { return each.second; });
}

}  // namespace

std::vector<ScreenStep> screenSteps(const BuiltScene& scene) {
    std::vector<ScreenStep> out;
    for (size_t i = 0; i < scene.rules->rules.size(); ++i) {
        const gorse_rule& rule = scene.rules->rules[i];
        const RuleSource& source = scene.rules->sources[i];
        for (const int to : source.leadsTo) {
            ScreenStep step;
            step.from = rule.screen == GORSE_NONE ? -1 : rule.screen;
            step.widget = rule.screen == GORSE_NONE || rule.widget == GORSE_NONE ? -1 : rule.widget;
            step.to = to;
            step.file = source.file;
            step.line = source.line;
            if (step.from != to && std::find(out.begin(), out.end(), step) == out.end())
                out.push_back(step);
        }
    }
    return out;
}

std::vector<ScreenPlace> screenPlaces(size_t screens, const std::vector<ScreenStep>& steps, int columns) {
    std::vector<ScreenPlace> out(screens);
    if (screens == 0)
        return out;
    const auto wide = static_cast<size_t>(std::max(columns, 1));
    const std::vector<int> distance = distances(screens, steps);
    for (size_t i = 0; i < screens; ++i) {
        out[i].reached = distance[i] != kUnreached;
        out[i].row = static_cast<int>(screens);  // of what has no place yet
        out[i].left = std::any_of(steps.begin(), steps.end(), [&](const ScreenStep& each) {
            return (each.from == static_cast<int>(i) || each.from < 0) && each.to != static_cast<int>(i);
        });
    }
    const int farthest = *std::max_element(distance.begin(), distance.end());
    int row = 0;
    for (int layer = 0; layer <= farthest + 1; ++layer) {
        std::vector<size_t> members;
        for (size_t i = 0; i < screens; ++i)
            if (distance[i] == (layer > farthest ? kUnreached : layer))
                members.push_back(i);
        order(members, out, steps, row - 1);
        for (size_t i = 0; i < members.size(); ++i) {
            out[members[i]].row = row + static_cast<int>(i / wide);
            out[members[i]].column = static_cast<int>(i % wide);
        }
        row += static_cast<int>((members.size() + wide - 1) / wide);
    }
    return out;
}

}  // namespace gorsefinch
