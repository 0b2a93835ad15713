// SPDX-License-Identifier: GPL-3.0-or-later
#include "app/screens/rename_dialog.h"

#include <QDialogButtonBox>
#include <QFormLayout>
#include <QLabel>
#include <QLineEdit>
#include <QListWidget>
#include <QPushButton>
#include <QSpinBox>
#include <QVBoxLayout>

#include "app/session/session.h"
#include "app/theme/theme.h"
#include "core/edits/rename_pattern.h"

namespace gorsefinch::app {

RenameDialog::RenameDialog(Session& session, QWidget* parent)
    : QDialog(parent),
      session_(session),
      pattern_(new QLineEdit("*_#", this)),
      first_(new QSpinBox(this)),
      names_(new QListWidget(this)),
      wrong_(new QLabel(this)) {
    setWindowTitle(tr("Rename %1 widgets").arg(session.selection().names().size()));
    resize(420, 380);
    auto* column = new QVBoxLayout(this);
    auto* form = new QFormLayout;
    pattern_->setObjectName("pattern");
    pattern_->setToolTip(tr("* is the name that each has, # its number, ## with two digits"));
    first_->setObjectName("first");
    first_->setRange(0, 9999);
    first_->setValue(1);
    form->addRow(tr("Pattern"), pattern_);
    form->addRow(tr("Numbers from"), first_);
    column->addLayout(form);
    auto* hint =
        new QLabel(tr("* is the name that each has, # its number, in the order in which they are read."), this);
    hint->setWordWrap(true);
    hint->setProperty("quiet", true);
    column->addWidget(hint);
    names_->setObjectName("names");
    names_->setFont(Theme::figures());
    column->addWidget(names_, 1);
    wrong_->setObjectName("wrong");
    wrong_->setWordWrap(true);
    column->addWidget(wrong_);
    auto* buttons = new QDialogButtonBox(QDialogButtonBox::Cancel, this);
    rename_ = buttons->addButton(tr("Rename"), QDialogButtonBox::AcceptRole);
    rename_->setDefault(true);
    column->addWidget(buttons);
    connect(buttons, &QDialogButtonBox::rejected, this, &QDialog::reject);
    connect(buttons, &QDialogButtonBox::accepted, this, &RenameDialog::rename);
    connect(pattern_, &QLineEdit::textChanged, this, &RenameDialog::show);
    connect(first_, &QSpinBox::valueChanged, this, &RenameDialog::show);
    pattern_->selectAll();
    show();
}

void RenameDialog::show() {
    const Selection& selection = session_.selection();
    const std::string pattern = pattern_->text().toStdString();
    const PatternNames named = namesByPattern(*selection.screen(), selection.names(), pattern, first_->value());
    names_->clear();
    for (size_t i = 0; i < named.now.size(); ++i)
        names_->addItem(QString("%1  \u2192  %2")
                            .arg(QString::fromStdString(named.before[i]), QString::fromStdString(named.now[i])));
    const auto next = renameByPattern(session_.document(), selection.screenName().toStdString(), selection.names(),
                                      pattern, first_->value());
    wrong_->setText(next ? QString() : QString::fromStdString(next.error().text()));
    rename_->setEnabled(next.has_value());
}

void RenameDialog::rename() {
    const Selection& selection = session_.selection();
    const std::string pattern = pattern_->text().toStdString();
    const Names now = namesByPattern(*selection.screen(), selection.names(), pattern, first_->value()).now;
    if (!session_.edit(renameByPattern(session_.document(), selection.screenName().toStdString(), selection.names(),
                                       pattern, first_->value()),
                       tr("Rename %1 widgets").arg(now.size())))
        return;
    session_.selection().select(now);
    accept();
}

}  // namespace gorsefinch::app
