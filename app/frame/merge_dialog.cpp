// SPDX-License-Identifier: GPL-3.0-or-later
#include "app/frame/merge_dialog.h"

#include <QComboBox>
#include <QDialogButtonBox>
#include <QHeaderView>
#include <QLabel>
#include <QPlainTextEdit>
#include <QPushButton>
#include <QStackedWidget>
#include <QTableWidget>
#include <QVBoxLayout>
#include <algorithm>

#include "app/theme/theme.h"
#include "app/widgets/difference_view.h"
#include "app/widgets/frame_picture.h"
#include "app/widgets/from_std.h"
#include "core/sim/draw_screen.h"

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
        case MergeItem::What::Clock: return MergeDialog::tr("clock");
        case MergeItem::What::MeantSo: return MergeDialog::tr("problems that are meant so");
        case MergeItem::What::NamedValues: return MergeDialog::tr("named colours and sizes");
        case MergeItem::What::LayoutAids: return MergeDialog::tr("grid and guide lines");
        case MergeItem::What::RecipeDefaults: return MergeDialog::tr("recipe for new pictures");
        case MergeItem::What::Rules: return MergeDialog::tr("rules %1").arg(name);
        case MergeItem::What::Screen: return MergeDialog::tr("screen %1").arg(name);
        case MergeItem::What::Order: return MergeDialog::tr("order of %1").arg(name);
        default: return MergeDialog::tr("other settings");
    }
}

QTableWidgetItem* tableCell(const QString& text) {
    auto* out = new QTableWidgetItem(text);
    out->setFlags(Qt::ItemIsEnabled | Qt::ItemIsSelectable);
    return out;
}

}  // namespace

MergeDialog::MergeDialog(const Merge& merge, const Document& ours, const Document& theirs, QWidget* parent)
    : QDialog(parent), items_(merge.items), table_(new QTableWidget(0, 4, this)) {
    ours_.document = ours;
    theirs_.document = theirs;
    setWindowTitle(tr("Changed by another program"));
    resize(720, 560);
    auto* column = new QVBoxLayout(this);
    column->setContentsMargins(16, 16, 16, 16);
    column->setSpacing(12);
    const QString words =
        items_.empty() ? tr("The files on disk changed, but not what they mean. Merging changes nothing here.")
        : merge.hasConflicts()
            ? tr("Both sides changed some parts: choose which version to keep. The others are merged automatically.")
            : tr("No part was changed on both sides: all changes are merged automatically.");
    auto* intro = new QLabel(words, this);
    intro->setWordWrap(true);
    column->addWidget(intro);
    makeTable();
    column->addWidget(table_, 2);
    column->addWidget(makeDetails(), 3);
    auto* buttons = new QDialogButtonBox(QDialogButtonBox::Cancel, this);
    auto* ok = new QPushButton(tr("Merge"), this);
    ok->setObjectName("merge");
    ok->setProperty("primary", true);
    ok->setToolTip(tr("Undo brings back the current version (Return)"));
    buttons->addButton(ok, QDialogButtonBox::AcceptRole);
    ok->setDefault(true);
    connect(buttons, &QDialogButtonBox::accepted, this, &QDialog::accept);
    connect(buttons, &QDialogButtonBox::rejected, this, &QDialog::reject);
    column->addWidget(buttons);
    // Conflicts first need a decision.
    const auto conflict =
        std::find_if(items_.begin(), items_.end(), [](const MergeItem& each) { return each.conflict; });
    if (!items_.empty())
        table_->selectRow(conflict == items_.end() ? 0 : static_cast<int>(conflict - items_.begin()));
}

void MergeDialog::makeTable() {
    table_->setObjectName("merge_items");
    table_->setHorizontalHeaderLabels({tr("Part"), tr("Here"), tr("On disk"), tr("Keep")});
    table_->horizontalHeader()->setDefaultAlignment(Qt::AlignLeft | Qt::AlignVCenter);
    table_->horizontalHeader()->setSectionResizeMode(0, QHeaderView::Stretch);
    table_->verticalHeader()->hide();
    table_->verticalHeader()->setDefaultSectionSize(28);
    for (int i = 1; i < 4; ++i)
        table_->setColumnWidth(i, i == 3 ? 140 : 100);
    table_->setShowGrid(false);
    table_->setSelectionBehavior(QAbstractItemView::SelectRows);
    table_->setSelectionMode(QAbstractItemView::SingleSelection);
    for (const MergeItem& each : items_)
        addItem(each);
    connect(table_->selectionModel(), &QItemSelectionModel::currentRowChanged, this,
            [this](const QModelIndex& now) { showItem(now.row()); });
}

// A text with the lines that differ, or the two pictures of a screen.
QWidget* MergeDialog::makeDetails() {
    details_ = new QStackedWidget(this);
    text_ = new QPlainTextEdit(this);
    text_->setObjectName("merge_text");
    text_->setReadOnly(true);
    text_->setFont(Theme::figures());
    text_->setPlaceholderText(tr("Select a part to see how it differs"));
    details_->addWidget(text_);
    auto* pictures = new QWidget(this);
    auto* row = new QHBoxLayout(pictures);
    row->setContentsMargins(0, 0, 0, 0);
    row->setSpacing(16);
    for (Side* side : {&ours_, &theirs_}) {
        auto* column = new QVBoxLayout;
        column->addWidget(new QLabel(side == &ours_ ? tr("Here (yours)") : tr("On disk (theirs)"), pictures));
        side->picture = new QLabel(pictures);
        side->picture->setObjectName(side == &ours_ ? "merge_ours" : "merge_theirs");
        side->picture->setAlignment(Qt::AlignCenter);
        side->picture->setMinimumSize(200, 150);
        column->addWidget(side->picture, 1);
        row->addLayout(column, 1);
    }
    details_->addWidget(pictures);
    return details_;
}

void MergeDialog::showItem(int row) {
    if (row < 0 || row >= static_cast<int>(items_.size()))
        return;
    const MergeItem& item = items_[static_cast<size_t>(row)];
    if (item.what == MergeItem::What::Screen) {
        showScreens(item.name);
        return;
    }
    showDifference(*text_, fromStd(mergeText(ours_.document, item)), fromStd(mergeText(theirs_.document, item)));
    details_->setCurrentIndex(0);
}

void MergeDialog::showScreens(const std::string& name) {
    showScreen(ours_, name);
    showScreen(theirs_, name);
    details_->setCurrentIndex(1);
}

void MergeDialog::showScreen(Side& side, const std::string& name) {
    const int screen = side.document.screenIndex(name);
    if (screen < 0) {
        side.picture->setText(tr("removed"));
        return;
    }
    if (!side.scene)
        side.scene = side.builder.build(side.document);
    const QImage image = toImage(drawScreen(*side.scene, screen));
    // Pixels stay whole while they fit.
    const QSize room(330, 250);
    const int zoom = std::min(room.width() / image.width(), room.height() / image.height());
    side.picture->setPixmap(
        QPixmap::fromImage(zoom >= 1 ? image.scaled(image.size() * zoom)
                                     : image.scaled(room, Qt::KeepAspectRatio, Qt::SmoothTransformation)));
}

void MergeDialog::addItem(const MergeItem& item) {
    const int row = table_->rowCount();
    table_->insertRow(row);
    table_->setItem(row, 0, tableCell(thingWords(item)));
    table_->setItem(row, 1, tableCell(fromStd(item.ours)));
    table_->setItem(row, 2, tableCell(fromStd(item.theirs)));
    if (!item.conflict) {
        table_->setItem(row, 3, tableCell(tr("disk (theirs)")));
        return;
    }
    for (int i = 0; i < 3; ++i)
        table_->item(row, i)->setForeground(Theme::colour(Role::Error));
    auto* field = new QComboBox(table_);
    field->setObjectName("side_" + fromStd(item.name));
    field->addItems({tr("here (yours)"), tr("disk (theirs)")});
    field->setToolTip(tr("The version to keep; the other one is discarded"));
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
