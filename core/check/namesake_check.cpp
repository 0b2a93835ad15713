// SPDX-License-Identifier: GPL-3.0-or-later
#include "core/check/namesake_check.h"

#include <algorithm>

#include "core/document/widget_tree.h"

namespace gorsefinch {

namespace {

// The most frequent one; of several the first.
Box mostFrequent(const std::vector<Box>& boxes) {
    Box best = boxes.front();
    std::ptrdiff_t most = 0;
    for (const Box& each : boxes)
        if (const auto count = std::count(boxes.begin(), boxes.end(), each); count > most) {
            most = count;
            best = each;
        }
    return best;
}

bool isNearly(const Box& a, const Box& b) {
    const int distances[] = {a.x0 - b.x0, a.y0 - b.y0, a.w() - b.w(), a.h() - b.h()};
    return !(a == b) &&
           std::all_of(std::begin(distances), std::end(distances), [](int d) { return std::abs(d) <= kNearlyThere; });
}

// Where expressions say it, it is meant so.
bool isPlacedPlainly(const Widget& widget) {
    return std::none_of(placeProperties().begin(), placeProperties().begin() + 4,
                        [&](const PropertyInfo& each) { return widget.expressions.count(each.key) != 0; });
}

std::string words(const Box& box) {
    return std::to_string(box.x0) + "," + std::to_string(box.y0) + " " + std::to_string(box.w()) + "x" +
           std::to_string(box.h());
}

Problem apart(const Screen& screen, const std::string& widget, const Box& box, const Box& usual,
              const std::string& there) {
    Problem out;
    out.severity = Severity::Warning;
    out.code = kNamesakesApart;
    out.file = "screens/" + screen.name + ".json";
    out.place = out.widget = widget;
    out.screen = screen.name;
    out.reason = "it lies at " + words(box) + ", but at " + words(usual) + " on " + there;
    out.remedy = "Place it the same, or rename it";
    return out;
}

}  // namespace

std::optional<Box> usualBox(const Document& document, std::string_view name, Kind kind) {
    std::vector<Box> boxes;
    for (const ScreenRef& screen : document.screens)
        if (const int at = screen->assembly ? -1 : widgetIndex(*screen, name);
            at >= 0 && screen->widgets[static_cast<size_t>(at)]->kind == kind &&
            isPlacedPlainly(*screen->widgets[static_cast<size_t>(at)]))
            boxes.push_back(boxOnPanel(screen->widgets, static_cast<size_t>(at)));
    return boxes.size() < 2 ? std::nullopt : std::optional(mostFrequent(boxes));
}

void NamesakeCheck::add(const Screen& screen, std::vector<Key>& touched) {
    for (size_t i = 0; i < screen.widgets.size() && !screen.assembly; ++i)
        if (const Widget& widget = *screen.widgets[i]; isPlacedPlainly(widget)) {
            touched.emplace_back(widget.name, widget.kind);
            places_[touched.back()].push_back({&screen, boxOnPanel(screen.widgets, i)});
        }
}

void NamesakeCheck::remove(const Screen& screen, std::vector<Key>& touched) {
    for (const WidgetRef& widget : screen.widgets) {
        const auto found = places_.find({widget->name, widget->kind});
        if (found == places_.end())
            continue;
        touched.push_back(found->first);
        std::erase_if(found->second, [&](const Place& each) { return each.screen == &screen; });
        if (found->second.empty())
            places_.erase(found);
    }
}

void NamesakeCheck::judge(const Key& key) {
    found_.erase(key);
    const auto places = places_.find(key);
    if (places == places_.end() || places->second.size() < 2)
        return;
    std::vector<Place> all = places->second;
    std::sort(all.begin(), all.end(),
              [&](const Place& a, const Place& b) { return order_.at(a.screen) < order_.at(b.screen); });
    std::vector<Box> boxes;
    for (const Place& each : all)
        boxes.push_back(each.box);
    const Box usual = mostFrequent(boxes);
    const Screen& there =
        *all[static_cast<size_t>(std::find(boxes.begin(), boxes.end(), usual) - boxes.begin())].screen;
    Problems problems;
    for (const Place& each : all)
        if (isNearly(each.box, usual))
            problems.push_back(apart(*each.screen, key.first, each.box, usual, there.name));
    if (!problems.empty())
        found_[key] = std::move(problems);
}

const std::shared_ptr<const Problems>& NamesakeCheck::check(const Document& document) {
    if (screens_ == document.screens)
        return problems_;
    std::vector<Key> touched;
    const bool same = screens_.size() == document.screens.size();
    for (size_t i = 0; i < screens_.size(); ++i)
        if (!same || screens_[i] != document.screens[i])
            remove(*screens_[i], touched);
    order_.clear();
    for (size_t i = 0; i < document.screens.size(); ++i) {
        order_[document.screens[i].get()] = i;
        if (!same || screens_[i] != document.screens[i])
            add(*document.screens[i], touched);
    }
    screens_ = document.screens;
    std::sort(touched.begin(), touched.end());
    touched.erase(std::unique(touched.begin(), touched.end()), touched.end());
    for (const Key& each : touched)
        judge(each);
    Problems all;
    for (const auto& [key, problems] : found_)
        all.insert(all.end(), problems.begin(), problems.end());
    std::stable_sort(all.begin(), all.end(), [&](const Problem& a, const Problem& b) { return a.screen < b.screen; });
    if (!(all.empty() && problems_->empty()))
        problems_ = std::make_shared<const Problems>(std::move(all));
    return problems_;
}

}  // namespace gorsefinch
