// SPDX-License-Identifier: GPL-3.0-or-later
#include "app/frame/problems_dialog.h"

#include <QHBoxLayout>
#include <QLabel>
#include <QListWidget>
#include <QPushButton>
#include <QVBoxLayout>
#include <algorithm>

#include "app/session/session.h"
#include "app/theme/theme.h"

namespace gorsefinch::app {

ProblemsDialog::ProblemsDialog(Session& session, QWidget* parent)
    : QDialog(parent),
      session_(session),
      list_(new QListWidget(this)),
      none_(new QLabel(tr("Nothing is wrong. Problems of screens, rules, images and fonts show up here as they arise."),
                       this)),
      hint_(new QLabel(tr("Double click or Enter leads to the place."), this)),
      fix_(new QPushButton(this)) {
    setWindowTitle(tr("Problems"));
    resize(640, 320);
    auto* column = new QVBoxLayout(this);
    none_->setWordWrap(true);
    column->addWidget(none_);
    list_->setObjectName("problem_list");
    list_->setWordWrap(true);
    column->addWidget(list_, 1);
    auto* row = new QHBoxLayout;
    hint_->setProperty("quiet", true);
    fix_->setObjectName("fix_problem");
    fix_->setAutoDefault(false);
    row->addWidget(hint_, 1);
    row->addWidget(fix_);
    column->addLayout(row);
    connect(list_, &QListWidget::itemActivated, this, [this](QListWidgetItem* item) {
        const Problem chosen = problems_[static_cast<size_t>(list_->row(item))];
        accept();
        Q_EMIT this->chosen(chosen);
    });
    connect(list_, &QListWidget::currentRowChanged, this, &ProblemsDialog::showFix);
    connect(fix_, &QPushButton::clicked, this, &ProblemsDialog::fix);
    refresh();
}

void ProblemsDialog::refresh() {
    const QSignalBlocker quiet(list_);
    const int row = list_->currentRow();
    problems_ = session_.problems().list();
    std::stable_sort(problems_.begin(), problems_.end(),
                     [](const auto& a, const auto& b) { return a.severity > b.severity; });
    list_->clear();
    for (const Problem& each : problems_) {
        auto* item = new QListWidgetItem(QString::fromStdString(each.text()), list_);
        if (each.severity == Severity::Error)
            item->setForeground(Theme::colour(Role::Error));
    }
    none_->setVisible(problems_.empty());
    list_->setVisible(!problems_.empty());
    hint_->setVisible(!problems_.empty());
    list_->setCurrentRow(std::min(std::max(row, 0), list_->count() - 1));
    showFix();
}

std::optional<Fix> ProblemsDialog::currentFix() const {
    const auto row = static_cast<size_t>(list_->currentRow());
    return row < problems_.size() ? fixOf(session_.document(), problems_[row]) : std::nullopt;
}

void ProblemsDialog::showFix() {
    const auto fix = currentFix();
    fix_->setVisible(fix.has_value());
    if (fix)
        fix_->setText(tr("Fix: %1").arg(QString::fromStdString(fix->label)));
}

void ProblemsDialog::fix() {
    if (const auto fix = currentFix())
        session_.edit(fix->document, QString::fromStdString(fix->label));
    refresh();
}

}  // namespace gorsefinch::app
