// SPDX-License-Identifier: GPL-3.0-or-later
// Commands of the station Screens that choose widgets, and that set what several of them have in common.
#include <set>

#include "app/screens/screens_station.h"
#include "app/session/session.h"
#include "core/document/widget_tree.h"

namespace gorsefinch::app {

// Those of the entered container that are neither locked nor off the canvas.
void ScreensStation::selectWhere(const std::function<bool(const Widget&)>& suits) {
    Names names;
    const auto& widgets = session_.selection().screen()->widgets;
    for (size_t i = 0; i < widgets.size(); ++i)
        if (!widgets[i]->locked && !widgets[i]->offCanvas &&
            containerOf(widgets, i) == session_.selection().containerIndex() && suits(*widgets[i]))
            names.push_back(widgets[i]->name);
    session_.selection().select(names);
}

void ScreensStation::selectAll() {
    selectWhere([](const Widget&) { return true; });
}

void ScreensStation::selectSameKind() {
    std::set<Kind> kinds;
    for (const WidgetRef& each : session_.selection().widgets())
        kinds.insert(each->kind);
    selectWhere([&](const Widget& each) { return kinds.count(each.kind) != 0; });
}

void ScreensStation::selectSameLook() {
    std::set<std::string> looks;
    for (const WidgetRef& each : session_.selection().widgets())
        looks.insert(each->look);
    selectWhere([&](const Widget& each) { return looks.count(each.look) != 0; });
}

void ScreensStation::selectOthers() {
    const Names chosen = session_.selection().names();
    selectWhere([&](const Widget& each) { return std::find(chosen.begin(), chosen.end(), each.name) == chosen.end(); });
}

// Sets what the first of them does not have.
void ScreensStation::toggle(bool Widget::*flag, const QString& on, const QString& off) {
    const auto selected = session_.selection().widgets();
    if (selected.empty())
        return;
    const bool value = !((*selected.front()).*flag);
    session_.edit(changeWidgets(session_.document(), session_.selection().screenName().toStdString(),
                                session_.selection().names(), [&](Widget& w) { w.*flag = value; }),
                  value ? on : off);
}

void ScreensStation::setAll(bool Widget::*flag, const QString& label) {
    Names names;
    for (const WidgetRef& each : session_.selection().screen()->widgets)
        if ((*each).*flag)
            names.push_back(each->name);
    if (!names.empty())
        session_.edit(changeWidgets(session_.document(), session_.selection().screenName().toStdString(), names,
                                    [&](Widget& w) { w.*flag = false; }),
                      label);
}

void ScreensStation::toggleLock() { toggle(&Widget::locked, tr("Lock"), tr("Unlock")); }

void ScreensStation::unlockAll() { setAll(&Widget::locked, tr("Unlock all")); }

void ScreensStation::toggleEye() { toggle(&Widget::offCanvas, tr("Take off the canvas"), tr("Draw on the canvas")); }

void ScreensStation::drawAll() { setAll(&Widget::offCanvas, tr("Draw all on the canvas")); }

void ScreensStation::toggleStart() { toggle(&Widget::visible, tr("Show at the start"), tr("Hide at the start")); }

void ScreensStation::takeUpStyle() {
    const auto selected = session_.selection().widgets();
    if (selected.empty()) {
        if (!takenStyle_)
            session_.showError(tr("Select the widget whose look is to be taken up."));
        return;
    }
    takenStyle_ =
        takeStyle(session_.document(), session_.selection().screenName().toStdString(), selected.front()->name);
    session_.showDone(tr("Took up the look of %1: Ctrl+Alt+S puts it on others.")
                          .arg(QString::fromStdString(selected.front()->name)));
}

void ScreensStation::putStyleOn() {
    if (!takenStyle_)
        session_.showError(tr("Take up a look first (Ctrl+Alt+C)."));
    else
        session_.edit(putStyle(session_.document(), session_.selection().screenName().toStdString(),
                               session_.selection().names(), *takenStyle_),
                      tr("Put a look on"));
}

void ScreensStation::clearStyle() {
    session_.edit(clearOwnStyle(session_.document(), session_.selection().screenName().toStdString(),
                                session_.selection().names()),
                  tr("Nothing but its look"));
}

}  // namespace gorsefinch::app
