// SPDX-License-Identifier: GPL-3.0-or-later
#include "app/variables/uses_list.h"

#include <QLabel>
#include <QListWidget>
#include <QVBoxLayout>

#include "app/session/session.h"
#include "app/theme/theme.h"
#include "app/widgets/from_std.h"
#include "core/edits/variable_uses.h"

namespace gorsefinch::app {

UsesList::UsesList(Session& session, QWidget* parent)
    : QWidget(parent), session_(session), title_(new QLabel(this)), list_(new QListWidget(this)) {
    auto* column = new QVBoxLayout(this);
    column->setContentsMargins(0, 6, 0, 0);
    column->setSpacing(4);
    title_->setProperty("heading", true);
    title_->setContentsMargins(12, 0, 12, 0);
    list_->setObjectName("uses");
    list_->setToolTip(tr("A double click or Return leads there"));
    list_->setFont(Theme::figures());
    list_->setFrameShape(QFrame::NoFrame);
    list_->setStyleSheet("QListWidget::item { padding: 2px 8px; border: 0; }");
    column->addWidget(title_);
    column->addWidget(list_, 1);
    connect(list_, &QListWidget::itemActivated, this, &UsesList::choose);
}

void UsesList::setVariable(const std::string& name) {
    variable_ = name;
    refresh();
}

void UsesList::showEvent(QShowEvent*) { refresh(); }

void UsesList::refresh() {
    if (!isVisible())
        return;
    const int row = list_->currentRow();
    list_->clear();
    places_.clear();
    const bool known = session_.isOpen() && session_.document().variable(variable_);
    if (known)
        for (const Mention& each : usesOfVariable(session_.document(), variable_)) {
            const QString where = each.rules.empty() ? tr("screen %1").arg(fromStd(each.screen))
                                                     : tr("rules %1, line %2").arg(fromStd(each.rules)).arg(each.line);
            list_->addItem(where.leftJustified(24) + "  " + fromStd(each.words).simplified());
            Problem place;
            place.file = each.rules.empty() ? "screens/" + each.screen + ".json" : "rules/" + each.rules + ".rules";
            place.screen = each.screen;
            place.widget = each.widget;
            place.line = each.line;
            places_.push_back(std::move(place));
        }
    title_->setText(!known            ? tr("Where a variable is used: select one")
                    : places_.empty() ? tr("Nothing uses %1").arg(fromStd(variable_))
                                      : tr("Where %1 is used").arg(fromStd(variable_)));
    list_->setCurrentRow(std::min(row, list_->count() - 1));
}

void UsesList::choose(const QListWidgetItem* item) {
    const int row = list_->row(item);
    if (row < 0 || static_cast<size_t>(row) >= places_.size())
        return;
    // The list may be made anew on the way.
    const Problem place = places_[static_cast<size_t>(row)];
    Q_EMIT placeChosen(place);
}

}  // namespace gorsefinch::app
