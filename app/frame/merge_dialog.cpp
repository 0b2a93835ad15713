// SPDX-License-Identifier: GPL-3.0-or-later
#include "app/frame/merge_dialog.h"

#include <QComboBox>
#include <QDialogButtonBox>
#include <QHeaderView>
#include <QLabel>
#include <QPushButton>
#include <QTableWidget>
#include <QVBoxLayout>

#include "app/theme/theme.h"
#include "app/widgets/from_std.h"

namespace gorsefinch::app {

namespace {

QString thingWords(const MergeItem& item) {
    const QString name = fromStd(item.name);
    switch (item.what) {
        case MergeItem::What::Name: return MergeDialog::tr("name of the project");
        case MergeItem::What::Panel: return MergeDialog::tr("panel");
        case MergeItem::What::Variable: return MergeDialog::tr("variable %1").arg(name);
        case MergeItem::What::Look: return MergeDialog::tr("look %1").arg(name);
        case MergeItem::What::Image: return MergeDialog::tr("image %1").arg(name);
        case MergeItem::What::Face: return MergeDialog::tr("face %1").arg(name);
        case MergeItem::What::RecipeDefaults: return MergeDialog::tr("recipe for new pictures");
        case MergeItem::What::Rules: return MergeDialog::tr("rules %1").arg(name);
        case MergeItem::What::Screen: return MergeDialog::tr("screen %1").arg(name);
        case MergeItem::What::Order: return MergeDialog::tr("order of %1").arg(name);
        default: return MergeDialog::tr("other settings");
    }
}

QTableWidgetItem* cell(const QString& text) {
    auto* out = new QTableWidgetItem(text);
    out->setFlags(Qt::ItemIsEnabled | Qt::ItemIsSelectable);
    return out;
}

}  // namespace

MergeDialog::MergeDialog(const Merge& merge, QWidget* parent) : QDialog(parent), table_(new QTableWidget(0, 4, this)) {
    setWindowTitle(tr("Changed by another program"));
    resize(620, 380);
    auto* column = new QVBoxLayout(this);
    column->setContentsMargins(16, 16, 16, 16);
    column->setSpacing(12);
    const QString words = merge.items.empty()      ? tr("What changed on disk says the same as before. Merging makes no difference to what you see.")
                          : merge.hasConflicts() ? tr("Both sides changed some things: choose whose is taken. All else is merged by itself.")
                                                 : tr("Nothing of it was changed on both sides: it is merged by itself.");
    auto* intro = new QLabel(words, this);
    intro->setWordWrap(true);
    column->addWidget(intro);
    table_->setObjectName("merge_items");
    table_->setHorizontalHeaderLabels({tr("What"), tr("Here"), tr("On disk"), tr("Taken from")});
    table_->horizontalHeader()->setDefaultAlignment(Qt::AlignLeft | Qt::AlignVCenter);
    table_->verticalHeader()->hide();
    table_->verticalHeader()->setDefaultSectionSize(28);
    table_->horizontalHeader()->setSectionResizeMode(0, QHeaderView::Stretch);
    for (int i = 1; i < 4; ++i)
        table_->setColumnWidth(i, i == 3 ? 130 : 90);
    table_->setShowGrid(false);
    table_->setSelectionMode(QAbstractItemView::NoSelection);
    for (const MergeItem& each : merge.items)
        addItem(each);
    column->addWidget(table_, 1);
    auto* buttons = new QDialogButtonBox(QDialogButtonBox::Cancel, this);
    auto* ok = new QPushButton(tr("Merge"), this);
    ok->setObjectName("merge");
    ok->setDefault(true);
    ok->setProperty("primary", true);
    buttons->addButton(ok, QDialogButtonBox::AcceptRole);
    ok->setToolTip(tr("One step of undo brings back what is here now (Return)"));
    connect(buttons, &QDialogButtonBox::accepted, this, &QDialog::accept);
    connect(buttons, &QDialogButtonBox::rejected, this, &QDialog::reject);
    column->addWidget(buttons);
}

void MergeDialog::addItem(const MergeItem& item) {
    const int row = table_->rowCount();
    table_->insertRow(row);
    table_->setItem(row, 0, cell(thingWords(item)));
    table_->setItem(row, 1, cell(fromStd(item.ours)));
    table_->setItem(row, 2, cell(fromStd(item.theirs)));
    if (!item.conflict) {
        table_->setItem(row, 3, cell(tr("disk")));
        return;
    }
    for (int i = 0; i < 3; ++i)
        table_->item(row, i)->setForeground(Theme::colour(Role::Trouble));
    auto* field = new QComboBox(table_);
    field->setObjectName("side_" + fromStd(item.name));
    field->addItems({tr("here (yours)"), tr("disk (theirs)")});
    field->setToolTip(tr("Both changed it: the other's is left out"));
    table_->setCellWidget(row, 3, field);
    fields_[item.key()] = field;
}

std::map<std::string, MergeSide> MergeDialog::choices() const {
    std::map<std::string, MergeSide> out;
    for (const auto& [key, field] : fields_)
        out[key] = field->currentIndex() == 0 ? MergeSide::Ours : MergeSide::Theirs;
    return out;
}

}  // namespace gorsefinch::app
