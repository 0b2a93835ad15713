// SPDX-License-Identifier: GPL-3.0-or-later
// The row of the sheet that turns the pages of a pager, and adds some.
#include <QHBoxLayout>
#include <QLabel>
#include <QToolButton>

#include "app/screens/sheet.h"
#include "app/session/session.h"
#include "app/theme/theme.h"
#include "app/widgets/from_std.h"
#include "core/document/arrange.h"
#include "core/document/new_widget.h"

namespace gorsefinch::app {

namespace {

// The pager that the selected widget is, or is a page of; -1 without one.
int pagerOfSelected(const Selection& selection) {
    const auto selected = selection.widgets();
    if (selected.size() != 1)
        return -1;
    const Screen& screen = *selection.screen();
    const int at = widgetIndex(screen, selected.front()->name);
    if (selected.front()->kind == Kind::Pager)
        return at;
    const int holder = at < 0 ? -1 : containerOf(screen.widgets, static_cast<size_t>(at));
    return holder >= 0 && screen.widgets[static_cast<size_t>(holder)]->kind == Kind::Pager ? holder : -1;
}

struct PageList {
    std::vector<size_t> pages;  // their numbers on the screen
    int shown = -1;             // which of these
};

PageList pagesOf(const Selection& selection) {
    PageList out;
    const int pager = pagerOfSelected(selection);
    if (pager < 0)
        return out;
    const auto& widgets = selection.screen()->widgets;
    out.pages = childrenOf(widgets, pager);
    for (size_t i = 0; i < out.pages.size(); ++i)
        if (isInSight(widgets, out.pages[i], selection.panes()))
            out.shown = static_cast<int>(i);
    return out;
}

}  // namespace

void Sheet::turnPage(int by) {
    const PageList all = pagesOf(session_.selection());
    const int next = all.shown + by;
    if (next >= 0 && next < static_cast<int>(all.pages.size()))
        session_.selection().select(
            {session_.selection().screen()->widgets[all.pages[static_cast<size_t>(next)]]->name});
}

void Sheet::addPage() {
    const int pager = pagerOfSelected(session_.selection());
    if (pager < 0)
        return;
    const Screen& screen = *session_.selection().screen();
    const Widget& holder = *screen.widgets[static_cast<size_t>(pager)];
    Widget page = newPage(screen, holder);
    page.depth = 0;
    Names added;
    const Document next = addWidgets(session_.document(), screen.name, {page}, &added, holder.name);
    if (added.empty()) {
        session_.showError(tr("A screen holds at most %1 widgets.").arg(kMaxWidgets));
        return;
    }
    if (session_.edit(Result<Document>(next), tr("Add a page to %1").arg(fromStd(holder.name))))
        session_.selection().select(added);
}

void Sheet::addPages() {
    if (pagerOfSelected(session_.selection()) < 0)
        return;
    auto* row = new QWidget(page_);
    auto* layout = new QHBoxLayout(row);
    layout->setContentsMargins(0, 0, 0, 0);
    layout->setSpacing(4);
    const auto button = [&](const char* name, const QString& text, const QString& tip, auto press) {
        auto* out = new QToolButton(row);
        out->setObjectName(name);
        out->setText(text);
        out->setToolTip(tip);
        connect(out, &QToolButton::clicked, this, press);
        return out;
    };
    auto* before = button("page_before", QString(QChar(0x2190)), tr("Edits the page before"), [this] { turnPage(-1); });
    auto* next = button("page_next", QString(QChar(0x2192)), tr("Edits the next page"), [this] { turnPage(1); });
    auto* add =
        button("page_add", tr("Add a page"), tr("Adds an empty page behind the last one"), [this] { addPage(); });
    auto* label = new QLabel(row);
    label->setObjectName("page_shown");
    label->setFont(Theme::figures());
    layout->addWidget(before);
    layout->addWidget(label);
    layout->addWidget(next);
    layout->addStretch();
    layout->addWidget(add);
    addRow(tr("Pages"), row, {}, [this, before, next, label] {
        const PageList all = pagesOf(session_.selection());
        const auto count = static_cast<int>(all.pages.size());
        label->setText(count == 0 ? tr("none") : tr("%1 of %2").arg(all.shown + 1).arg(count));
        before->setEnabled(all.shown > 0);
        next->setEnabled(all.shown + 1 < count);
    });
}

}  // namespace gorsefinch::app
