// SPDX-License-Identifier: GPL-3.0-or-later
#include "app/session/selection.h"

#include <algorithm>

#include "app/session/session.h"
#include "core/document/widget_tree.h"

namespace gorsefinch::app {

Selection::Selection(Session& session) : session_(session) {}

int Selection::screenIndex() const {
    return session_.isOpen() ? session_.document().screenIndex(screen_.toStdString()) : -1;
}

ScreenRef Selection::screen() const { return session_.document().screen(screen_.toStdString()); }

std::vector<WidgetRef> Selection::widgets() const {
    std::vector<WidgetRef> out;
    if (!session_.isOpen())
        return out;
    const ScreenRef on = screen();
    for (const std::string& name : names_)
        if (const int at = widgetIndex(*on, name); at >= 0)
            out.push_back(on->widgets[static_cast<size_t>(at)]);
    return out;
}

void Selection::showScreen(const QString& name) {
    if (name == screen_ || session_.document().screenIndex(name.toStdString()) < 0)
        return;
    screen_ = name;
    names_.clear();
    container_.clear();
    shownStates_ = 0;
    updatePanes();
    Q_EMIT changed();
}

void Selection::select(const Names& names) {
    if (names == names_)
        return;
    session_.endGesture();
    names_ = names;
    takeContainer();
    shownStates_ = 0;
    updatePanes();
    Q_EMIT changed();
}

void Selection::takeContainer() {
    if (!session_.isOpen())
        return;
    const ScreenRef on = screen();
    const int first = names_.empty() ? -1 : widgetIndex(*on, names_.front());
    if (first >= 0) {
        const int holder = containerOf(on->widgets, static_cast<size_t>(first));
        container_ = holder < 0 ? std::string() : on->widgets[static_cast<size_t>(holder)]->name;
    } else if (containerIndex() < 0) {
        container_.clear();
    }
}

void Selection::updatePanes() {
    if (!session_.isOpen())
        return;
    Names names = names_;
    if (!container_.empty())
        names.push_back(container_);
    showPanes(panes_, *screen(), names);
}

int Selection::containerIndex() const {
    return session_.isOpen() && !container_.empty() ? widgetIndex(*screen(), container_) : -1;
}

void Selection::enter(const std::string& container) {
    const int at = container.empty() ? -1 : widgetIndex(*screen(), container);
    if (container == container_ ||
        (!container.empty() && (at < 0 || !info(screen()->widgets[static_cast<size_t>(at)]->kind).has(kHolds))))
        return;
    session_.endGesture();
    names_.clear();
    shownStates_ = 0;
    container_ = container;
    updatePanes();
    Q_EMIT changed();
}

bool Selection::leaveContainer() {
    const int at = containerIndex();
    if (at < 0)
        return false;
    select({container_});
    return true;
}

void Selection::showIn(uint8_t states) {
    if (states == shownStates_)
        return;
    shownStates_ = states;
    Q_EMIT shownStatesChanged();
}

void Selection::reset() {
    screen_ = QString::fromStdString(session_.document().screens.front()->name);
    names_.clear();
    container_.clear();
    shownStates_ = 0;
    panes_ = {};
}

void Selection::followScreen(const Document& before) {
    if (screenIndex() >= 0)
        return;
    const Document& now = session_.document();
    const int at = before.screenIndex(screen_.toStdString());
    const auto last = static_cast<int>(now.screens.size()) - 1;
    screen_ = QString::fromStdString(now.screens[static_cast<size_t>(std::clamp(at, 0, last))]->name);
}

void Selection::dropMissing() {
    const ScreenRef on = screen();
    const size_t before = names_.size();
    std::erase_if(names_, [&](const std::string& name) { return widgetIndex(*on, name) < 0; });
    takeContainer();
    const ShownPanes panes = panes_;
    updatePanes();
    if (names_.size() != before || panes != panes_)
        Q_EMIT changed();
}

}  // namespace gorsefinch::app
