// SPDX-License-Identifier: GPL-3.0-or-later
#include "app/fonts/block_dialog.h"

#include <QDialogButtonBox>
#include <QLineEdit>
#include <QListWidget>
#include <QPushButton>
#include <QVBoxLayout>

#include "app/theme/theme.h"
#include "app/widgets/find_in_list.h"
#include "core/font/baked_font.h"
#include "core/font/unicode_blocks.h"

namespace gorsefinch::app {

BlockDialog::BlockDialog(const BakedFont& font, QWidget* parent) : QDialog(parent), list_(new QListWidget(this)) {
    setWindowTitle(tr("Hold a block of Unicode"));
    resize(420, 460);
    auto* column = new QVBoxLayout(this);
    auto* find = new QLineEdit(this);
    find->setObjectName("find_block");
    find->setPlaceholderText(tr("type to find: latin, cyrillic, arrows"));
    column->addWidget(find);
    list_->setObjectName("blocks");
    list_->setSelectionMode(QAbstractItemView::ExtendedSelection);
    for (const UnicodeBlock& each : unicodeBlocks()) {
        size_t had = 0;
        const std::set<char32_t> all = charactersOfBlock(each.name);
        for (const char32_t c : all)
            had += font.has(c) ? 1 : 0;
        if (had == 0)
            continue;
        const QString name = QString::fromStdString(each.name);
        auto* item = new QListWidgetItem(tr("%1   %2 of %3").arg(name).arg(had).arg(all.size()), list_);
        item->setData(Qt::UserRole, name);
    }
    column->addWidget(list_, 1);
    auto* buttons = new QDialogButtonBox(QDialogButtonBox::Ok | QDialogButtonBox::Cancel, this);
    buttons->button(QDialogButtonBox::Ok)->setText(tr("Hold"));
    column->addWidget(buttons);
    findInList(find, list_);
    connect(list_, &QListWidget::itemDoubleClicked, this, &QDialog::accept);
    connect(buttons, &QDialogButtonBox::accepted, this, &QDialog::accept);
    connect(buttons, &QDialogButtonBox::rejected, this, &QDialog::reject);
    list_->setCurrentRow(0);
}

QStringList BlockDialog::chosen() const {
    QStringList out;
    for (const QListWidgetItem* each : list_->selectedItems())
        out << each->data(Qt::UserRole).toString();
    return out;
}

}  // namespace gorsefinch::app
