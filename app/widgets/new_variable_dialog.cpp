// SPDX-License-Identifier: GPL-3.0-or-later
#include "app/widgets/new_variable_dialog.h"

#include <QDialogButtonBox>
#include <QLabel>
#include <QLineEdit>
#include <QPushButton>
#include <QStyle>
#include <QVBoxLayout>

#include "app/widgets/from_std.h"
#include "core/edits/edit.h"
#include "core/edits/variable_line.h"

namespace gorsefinch::app {

NewVariableDialog::NewVariableDialog(Document document, QWidget* parent)
    : QDialog(parent), document_(std::move(document)), line_(new QLineEdit(this)), told_(new QLabel(this)) {
    setObjectName("new_variable");
    setWindowTitle(tr("New variable"));
    setMinimumWidth(420);
    auto* column = new QVBoxLayout(this);
    column->setContentsMargins(16, 14, 16, 14);
    column->setSpacing(8);
    auto* caption = new QLabel(tr("Name, then what it needs of type, range and unit"), this);
    caption->setBuddy(line_);
    line_->setObjectName("line");
    line_->setPlaceholderText("oil_temp 0.0 to 120.0 °C");
    told_->setObjectName("told");
    told_->setWordWrap(true);
    told_->setMinimumHeight(34);
    auto* buttons = new QDialogButtonBox(QDialogButtonBox::Cancel, this);
    make_ = buttons->addButton(tr("Make"), QDialogButtonBox::AcceptRole);
    make_->setProperty("primary", true);
    make_->setDefault(true);
    column->addWidget(caption);
    column->addWidget(line_);
    column->addWidget(told_);
    column->addWidget(buttons);
    connect(line_, &QLineEdit::textChanged, this, &NewVariableDialog::read);
    connect(buttons, &QDialogButtonBox::accepted, this, &NewVariableDialog::accept);
    connect(buttons, &QDialogButtonBox::rejected, this, &NewVariableDialog::reject);
    read();
}

void NewVariableDialog::read() {
    const auto variable = variableFromLine(line_->text().toStdString());
    const bool taken = variable && (isTaken(document_, variable->name) || isTakenInRules(document_, variable->name));
    variable_ = variable && !taken ? std::optional(*variable) : std::nullopt;
    const bool wrong = !variable_ && !line_->text().trimmed().isEmpty();
    const QString examples =
        tr("Such as oil_temp 0.0 to 120.0 °C, zone[8] 0 to 99, pump yes/no, title text 20, mode choice idle, hold");
    told_->setText(!wrong  ? variable_ ? fromStd(variableInWords(*variable_)) : examples
                   : taken ? tr("The name \"%1\" is taken").arg(fromStd(variable->name))
                           : fromStd(variable.error().reason + ". " + variable.error().remedy));
    told_->setProperty("error", wrong);
    told_->setProperty("quiet", !wrong);
    told_->style()->unpolish(told_);
    told_->style()->polish(told_);
    make_->setEnabled(variable_.has_value());
}

void NewVariableDialog::accept() {
    if (!variable_)
        return;
    const Variable variable = *variable_;
    QDialog::accept();
    Q_EMIT made(variable);
}

}  // namespace gorsefinch::app
