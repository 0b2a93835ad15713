// SPDX-License-Identifier: GPL-3.0-or-later
#include "app/screens/screens_dialog.h"

#include <QDialogButtonBox>
#include <QListWidget>
#include <QPushButton>
#include <QVBoxLayout>

namespace gorsefinch::app {

ScreensDialog::ScreensDialog(const Document& document, const QString& title, const QString& verb, QWidget* parent)
    : QDialog(parent), list_(new QListWidget(this)) {
    setWindowTitle(title);
    resize(320, 360);
    auto* column = new QVBoxLayout(this);
    list_->setObjectName("screens");
    for (const ScreenRef& each : document.screens) {
        auto* item = new QListWidgetItem(QString::fromStdString(each->name), list_);
        item->setFlags(Qt::ItemIsEnabled | Qt::ItemIsSelectable | Qt::ItemIsUserCheckable);
        item->setCheckState(Qt::Unchecked);
    }
    list_->setCurrentRow(0);
    column->addWidget(list_, 1);
    auto* buttons = new QDialogButtonBox(QDialogButtonBox::Cancel, this);
    auto* all = buttons->addButton(tr("Check all"), QDialogButtonBox::ActionRole);
    take_ = buttons->addButton(verb, QDialogButtonBox::AcceptRole);
    take_->setObjectName("take");
    take_->setDefault(true);
    take_->setEnabled(false);
    column->addWidget(buttons);
    connect(all, &QPushButton::clicked, this, [this] {
        for (int i = 0; i < list_->count(); ++i)
            list_->item(i)->setCheckState(Qt::Checked);
    });
    connect(list_, &QListWidget::itemChanged, this, [this] { take_->setEnabled(!checked().isEmpty()); });
    connect(buttons, &QDialogButtonBox::rejected, this, &QDialog::reject);
    connect(buttons, &QDialogButtonBox::accepted, this, [this] {
        Q_EMIT chosen(checked());
        accept();
    });
}

QStringList ScreensDialog::checked() const {
    QStringList out;
    for (int i = 0; i < list_->count(); ++i)
        if (list_->item(i)->checkState() == Qt::Checked)
            out << list_->item(i)->text();
    return out;
}

}  // namespace gorsefinch::app
