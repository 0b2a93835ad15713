// SPDX-License-Identifier: GPL-3.0-or-later
#include "app/variables/clock_dialog.h"

#include <QCheckBox>
#include <QDialogButtonBox>
#include <QLabel>
#include <QLineEdit>
#include <QPushButton>
#include <QVBoxLayout>
#include <algorithm>

#include "app/widgets/from_std.h"

namespace gorsefinch::app {

namespace {

template <size_t N>
QString lineOf(const std::array<std::string, N>& names) {
    QStringList out;
    for (const std::string& each : names)
        out << fromStd(each);
    return out.join(", ");
}

QStringList namesIn(const QLineEdit& line) {
    QStringList out;
    for (const QString& each : line.text().split(','))
        out << each.trimmed();
    return out;
}

bool isUsable(const QStringList& names, size_t count) {
    return static_cast<size_t>(names.size()) == count &&
           std::all_of(names.begin(), names.end(), [](const QString& each) {
               return !each.isEmpty() && static_cast<size_t>(each.toUtf8().size()) <= kMaxClockName;
           });
}

QLineEdit* addLine(QVBoxLayout& column, const QString& caption, const char* name, const QString& text,
                   QDialog* dialog) {
    auto* line = new QLineEdit(text, dialog);
    line->setObjectName(name);
    auto* label = new QLabel(caption, dialog);
    label->setBuddy(line);
    column.addWidget(label);
    column.addWidget(line);
    return line;
}

}  // namespace

ClockDialog::ClockDialog(const Clock* clock, QWidget* parent)
    : QDialog(parent),
      known_(clock ? *clock : Clock{}),
      has_(new QCheckBox(tr("The interface has a clock"), this)),
      told_(new QLabel(this)) {
    setObjectName("clock");
    setWindowTitle(tr("Clock"));
    setMinimumWidth(520);
    auto* column = new QVBoxLayout(this);
    column->setContentsMargins(16, 14, 16, 14);
    column->setSpacing(8);
    has_->setObjectName("has_clock");
    has_->setChecked(clock != nullptr);
    auto* help =
        new QLabel(tr("The firmware sets it with one call; it runs on by itself. Texts show it as {clock:HH:mm} "
                      "or {clock:ddd d MMM yyyy}; rules and expressions read clock.second, minute, hour, day, "
                      "month, year and weekday (1 is the first day below)."),
                   this);
    help->setWordWrap(true);
    help->setProperty("quiet", true);
    column->addWidget(has_);
    column->addWidget(help);
    days_ = addLine(*column, tr("Seven days, the first for Monday"), "days", lineOf(known_.days), this);
    months_ = addLine(*column, tr("Twelve months"), "months", lineOf(known_.months), this);
    told_->setObjectName("told");
    told_->setProperty("error", true);
    told_->setMinimumHeight(18);
    column->addWidget(told_);
    column->addStretch(1);
    auto* buttons = new QDialogButtonBox(QDialogButtonBox::Cancel, this);
    done_ = buttons->addButton(tr("Apply"), QDialogButtonBox::AcceptRole);
    done_->setProperty("primary", true);
    done_->setDefault(true);
    column->addWidget(buttons);
    for (QLineEdit* each : {days_, months_})
        connect(each, &QLineEdit::textChanged, this, &ClockDialog::check);
    connect(has_, &QCheckBox::toggled, this, &ClockDialog::check);
    connect(buttons, &QDialogButtonBox::accepted, this, &ClockDialog::accept);
    connect(buttons, &QDialogButtonBox::rejected, this, &ClockDialog::reject);
    check();
}

void ClockDialog::check() {
    const bool on = has_->isChecked();
    days_->setEnabled(on);
    months_->setEnabled(on);
    const bool days = isUsable(namesIn(*days_), known_.days.size());
    const bool months = isUsable(namesIn(*months_), known_.months.size());
    told_->setText(!on || (days && months) ? QString()
                   : days ? tr("Twelve names of months are needed, with commas between them, each of at most %1 bytes")
                                .arg(kMaxClockName)
                          : tr("Seven names of days are needed, with commas between them, each of at most %1 bytes")
                                .arg(kMaxClockName));
    done_->setEnabled(!on || (days && months));
}

std::optional<Clock> ClockDialog::clock() const {
    if (!has_->isChecked())
        return std::nullopt;
    Clock out = known_;
    const QStringList days = namesIn(*days_), months = namesIn(*months_);
    for (size_t i = 0; i < out.days.size(); ++i)
        out.days[i] = days[static_cast<qsizetype>(i)].toStdString();
    for (size_t i = 0; i < out.months.size(); ++i)
        out.months[i] = months[static_cast<qsizetype>(i)].toStdString();
    return out;
}

}  // namespace gorsefinch::app
