// SPDX-License-Identifier: GPL-3.0-or-later
#include "app/frame/problems_dialog.h"

#include <QCheckBox>
#include <QComboBox>
#include <QHBoxLayout>
#include <QInputDialog>
#include <QLabel>
#include <QLineEdit>
#include <QListWidget>
#include <QPushButton>
#include <QVBoxLayout>
#include <algorithm>
#include <map>

#include "app/session/session.h"
#include "app/theme/theme.h"
#include "app/widgets/from_std.h"
#include "core/base/problem_codes.h"
#include "core/edits/meant_edits.h"

namespace gorsefinch::app {

namespace {

constexpr int kNoProblem = -1;  // data of a heading

}  // namespace

ProblemsDialog::ProblemsDialog(Session& session, QWidget* parent)
    : QDialog(parent),
      session_(session),
      filter_(new QLineEdit(this)),
      kind_(new QComboBox(this)),
      group_(new QComboBox(this)),
      meant_(new QCheckBox(this)),
      list_(new QListWidget(this)),
      none_(new QLabel(this)),
      hint_(new QLabel(tr("Double click or Enter leads to the place."), this)),
      fix_(new QPushButton(this)),
      mark_(new QPushButton(this)) {
    setWindowTitle(tr("Problems"));
    resize(760, 420);
    auto* column = new QVBoxLayout(this);
    column->addWidget(makeFilters());
    none_->setWordWrap(true);
    none_->setObjectName("no_problems");
    column->addWidget(none_);
    list_->setObjectName("problem_list");
    list_->setWordWrap(true);
    list_->setSpacing(3);
    column->addWidget(list_, 1);
    column->addWidget(makeButtons());
    connect(list_, &QListWidget::itemActivated, this, [this] {
        if (!current())
            return;
        const Problem chosen = *current();
        accept();
        Q_EMIT this->chosen(chosen);
    });
    connect(list_, &QListWidget::currentRowChanged, this, &ProblemsDialog::showActions);
    connect(&session, &Session::problemsChanged, this, &ProblemsDialog::refresh);
    refresh();
    list_->setFocus();
}

QWidget* ProblemsDialog::makeFilters() {
    auto* row = new QWidget(this);
    auto* line = new QHBoxLayout(row);
    line->setContentsMargins(0, 0, 0, 0);
    filter_->setObjectName("problem_filter");
    filter_->setPlaceholderText(tr("Filter by words, widget or screen"));
    filter_->setClearButtonEnabled(true);
    kind_->setObjectName("problem_kind");
    kind_->setToolTip(tr("Shows one kind of problems"));
    kind_->setMinimumWidth(190);
    group_->setObjectName("problem_group");
    group_->setToolTip(tr("How they are put in groups"));
    group_->addItem(tr("by weight"), static_cast<int>(Group::Severity));
    group_->addItem(tr("by screen"), static_cast<int>(Group::Screen));
    group_->addItem(tr("by kind"), static_cast<int>(Group::Kind));
    meant_->setObjectName("show_meant");
    meant_->setToolTip(tr("Lists those that are marked as meant so, with their reasons"));
    line->addWidget(filter_, 1);
    line->addWidget(kind_);
    line->addWidget(group_);
    line->addWidget(meant_);
    connect(filter_, &QLineEdit::textChanged, this, &ProblemsDialog::refresh);
    connect(kind_, &QComboBox::activated, this, &ProblemsDialog::refresh);
    connect(group_, &QComboBox::activated, this, &ProblemsDialog::refresh);
    connect(meant_, &QCheckBox::clicked, this, &ProblemsDialog::refresh);
    return row;
}

QWidget* ProblemsDialog::makeButtons() {
    auto* row = new QWidget(this);
    auto* line = new QHBoxLayout(row);
    line->setContentsMargins(0, 0, 0, 0);
    hint_->setProperty("quiet", true);
    fix_->setObjectName("fix_problem");
    fix_->setAutoDefault(false);
    mark_->setObjectName("mark_meant");
    mark_->setAutoDefault(false);
    line->addWidget(hint_, 1);
    line->addWidget(mark_);
    line->addWidget(fix_);
    connect(fix_, &QPushButton::clicked, this, &ProblemsDialog::fix);
    connect(mark_, &QPushButton::clicked, this, &ProblemsDialog::mark);
    return row;
}

// The kinds that there are, with how many problems each has.
void ProblemsDialog::fillKinds(const Problems& all) {
    std::map<std::string, int> counts;
    for (const Problem& each : all)
        ++counts[each.code];
    const QString chosen = kind_->currentData().toString();
    kind_->clear();
    kind_->addItem(tr("All kinds (%1)").arg(all.size()), QString());
    for (const ProblemKind& each : problemKinds())
        if (const auto found = counts.find(each.code); found != counts.end())
            kind_->addItem(QString("%1 (%2)").arg(tr(each.title)).arg(found->second), QString(each.code));
    kind_->setCurrentIndex(std::max(0, kind_->findData(chosen)));
}

bool ProblemsDialog::isWanted(const Problem& problem) const {
    const QString kind = kind_->currentData().toString(), words = filter_->text().trimmed();
    return (kind.isEmpty() || kind == fromStd(problem.code)) &&
           (words.isEmpty() || fromStd(problem.text()).contains(words, Qt::CaseInsensitive));
}

QString ProblemsDialog::groupOf(const Problem& problem) const {
    switch (static_cast<Group>(group_->currentData().toInt())) {
        case Group::Screen: return problem.screen.empty() ? tr("The project") : fromStd(problem.screen);
        case Group::Kind: {
            const ProblemKind* kind = problemKind(problem.code);
            return kind ? tr(kind->title) : tr("Others");
        }
        default:
            return problem.severity == Severity::Error     ? tr("Errors")
                   : problem.severity == Severity::Warning ? tr("Warnings")
                                                           : tr("Notes");
    }
}

QString ProblemsDialog::wordsOf(const Problem& problem) const {
    const QString words = fromStd(problem.text());
    const MeantSo* meant = meantSo(*session_.document().meantSo, problem);
    return !meant                  ? words
           : meant->reason.empty() ? tr("%1 \u2014 meant so").arg(words)
                                   : tr("%1 \u2014 meant so: %2").arg(words, fromStd(meant->reason));
}

void ProblemsDialog::addHeading(const QString& words) {
    auto* heading = new QListWidgetItem(words, list_);
    heading->setFlags(Qt::NoItemFlags);
    heading->setData(Qt::UserRole, kNoProblem);
    QFont font = Theme::text();
    font.setBold(true);
    heading->setFont(font);
    heading->setForeground(Theme::colour(Role::QuietText));
}

void ProblemsDialog::refresh() {
    const QSignalBlocker quiet(list_);
    const int row = list_->currentRow();
    const Problems all = meant_->isChecked() ? session_.problemsMeantSo() : session_.problems().list();
    fillKinds(all);
    problems_.clear();
    std::copy_if(all.begin(), all.end(), std::back_inserter(problems_),
                 [this](const Problem& each) { return isWanted(each); });
    std::stable_sort(problems_.begin(), problems_.end(),
                     [](const auto& a, const auto& b) { return a.severity > b.severity; });
    const bool bySeverity = group_->currentData().toInt() == static_cast<int>(Group::Severity);
    if (!bySeverity)
        std::stable_sort(problems_.begin(), problems_.end(),
                         [this](const auto& a, const auto& b) { return groupOf(a) < groupOf(b); });
    list_->clear();
    QString group;
    for (size_t i = 0; i < problems_.size(); ++i) {
        const Problem& each = problems_[i];
        if (!bySeverity && groupOf(each) != group)
            addHeading(group = groupOf(each));
        auto* item = new QListWidgetItem(wordsOf(each), list_);
        item->setData(Qt::UserRole, static_cast<int>(i));
        if (each.severity != Severity::Warning)
            item->setForeground(Theme::colour(each.severity == Severity::Error ? Role::Error : Role::QuietText));
    }
    meant_->setText(tr("Meant so (%1)").arg(session_.problemsMeantSo().size()));
    none_->setText(!all.empty()
                       ? tr("None of them has these words.")
                       : tr("Nothing is wrong. Problems of screens, looks, rules, images and fonts show up here "
                            "as they arise."));
    none_->setVisible(problems_.empty());
    list_->setVisible(!problems_.empty());
    hint_->setVisible(!problems_.empty());
    list_->setCurrentRow(std::min(std::max(row, 0), list_->count() - 1));
    if (!current() && list_->count() > 1)
        list_->setCurrentRow(list_->currentRow() + 1);
    showActions();
}

const Problem* ProblemsDialog::current() const {
    const QListWidgetItem* item = list_->currentItem();
    const int at = item ? item->data(Qt::UserRole).toInt() : kNoProblem;
    return at < 0 || static_cast<size_t>(at) >= problems_.size() ? nullptr : &problems_[static_cast<size_t>(at)];
}

std::optional<Fix> ProblemsDialog::currentFix() const {
    return current() ? fixOf(*session_.scene(), *current()) : std::nullopt;
}

void ProblemsDialog::showActions() {
    const auto fix = currentFix();
    fix_->setVisible(fix.has_value());
    if (fix)
        fix_->setText(tr("Fix: %1").arg(fromStd(fix->label)));
    mark_->setVisible(current() && !current()->code.empty() && current()->severity != Severity::Error);
    mark_->setText(meant_->isChecked() ? tr("Not meant so") : tr("Meant so\u2026"));
}

void ProblemsDialog::fix() {
    if (const auto fix = currentFix())
        session_.edit(fix->document, fromStd(fix->label));
    refresh();
}

void ProblemsDialog::mark() {
    if (!current())
        return;
    const Problem problem = *current();
    if (meant_->isChecked()) {
        session_.edit(withoutMeantSo(session_.document(), problem), tr("Count it as a problem again"));
        refresh();
        return;
    }
    bool isGiven = false;
    const QString reason =
        QInputDialog::getText(this, tr("Meant so"), tr("Why it is meant so, for whoever reads the project:"),
                              QLineEdit::Normal, {}, &isGiven);
    if (!isGiven)
        return;
    session_.edit(withMeantSo(session_.document(), problem, reason.trimmed().toStdString()), tr("Mark as meant so"));
    refresh();
}

}  // namespace gorsefinch::app
