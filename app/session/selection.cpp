// SPDX-License-Identifier: GPL-3.0-or-later
#include "app/session/selection.h"

#include <algorithm>

#include "app/session/session.h"

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
    shownStates_ = 0;
    Q_EMIT changed();
}

void Selection::select(const Names& names) {
    if (names == names_)
        return;
    session_.endGesture();
    names_ = names;
    shownStates_ = 0;
    Q_EMIT changed();
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
    shownStates_ = 0;
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
    if (names_.size() != before)
        Q_EMIT changed();
}

}  // namespace gorsefinch::app
