// SPDX-License-Identifier: GPL-3.0-or-later
#include "app/variables/variables_station.h"

#include <QComboBox>
#include <QHeaderView>
#include <QLabel>
#include <QPushButton>
#include <QShortcut>
#include <QStyledItemDelegate>
#include <QTableView>
#include <QVBoxLayout>

#include "app/session/session.h"
#include "app/theme/theme.h"
#include "app/variables/variables_model.h"

namespace gorsefinch::app {

namespace {

// Offers the words of a column in a list.
class WordsDelegate : public QStyledItemDelegate {
  public:
    WordsDelegate(const QStringList& words, QObject* parent) : QStyledItemDelegate(parent), words_(words) {}

    QWidget* createEditor(QWidget* parent, const QStyleOptionViewItem&, const QModelIndex&) const override {
        auto* box = new QComboBox(parent);
        box->addItems(words_);
        connect(box, &QComboBox::activated, this, [this, box] {
            auto* self = const_cast<WordsDelegate*>(this);
            Q_EMIT self->commitData(box);
            Q_EMIT self->closeEditor(box);
        });
        return box;
    }
    void setEditorData(QWidget* editor, const QModelIndex& index) const override {
        static_cast<QComboBox*>(editor)->setCurrentText(index.data(Qt::EditRole).toString());
    }
    void setModelData(QWidget* editor, QAbstractItemModel* model, const QModelIndex& index) const override {
        model->setData(index, static_cast<QComboBox*>(editor)->currentText(), Qt::EditRole);
    }

  private:
    QStringList words_;
};

}  // namespace

VariablesStation::VariablesStation(Session& session, QWidget* parent)
    : Station(parent),
      session_(session),
      model_(new VariablesModel(session, this)),
      table_(new QTableView(this)),
      empty_(new QLabel(this)) {
    auto* column = new QVBoxLayout(this);
    column->setContentsMargins(0, 0, 0, 0);
    column->setSpacing(0);
    auto* bar = new QHBoxLayout;
    bar->setContentsMargins(12, 8, 12, 8);
    auto* add = new QPushButton(tr("New variable"), this);
    add->setObjectName("add_variable");
    add->setToolTip(tr("Add a variable (Ctrl+N)"));
    add->setShortcut(Qt::CTRL | Qt::Key_N);
    auto* remove = new QPushButton(tr("Delete"), this);
    remove->setObjectName("remove_variable");
    remove->setToolTip(tr("Delete the selected variables (Ctrl+Del)"));
    remove->setShortcut(Qt::CTRL | Qt::Key_Delete);
    auto* hint = new QLabel(
        tr("Show one in a text with {name}, {name:0.0} or {name:mm:ss}. Double click or F2 edits a cell."), this);
    hint->setProperty("quiet", true);
    bar->addWidget(add);
    bar->addWidget(remove);
    bar->addStretch(1);
    bar->addWidget(hint);
    column->addLayout(bar);
    setFocusProxy(table_);
    table_->setObjectName("variables");
    table_->setModel(model_);
    table_->setItemDelegateForColumn(VariablesModel::Type,
                                     new WordsDelegate({"whole", "decimal", "yes/no", "text"}, this));
    table_->setItemDelegateForColumn(VariablesModel::WrittenBy, new WordsDelegate({"firmware", "panel", "both"}, this));
    table_->verticalHeader()->hide();
    table_->verticalHeader()->setDefaultSectionSize(28);
    table_->horizontalHeader()->setHighlightSections(false);
    table_->horizontalHeader()->setStretchLastSection(true);
    table_->horizontalHeader()->setDefaultAlignment(Qt::AlignLeft | Qt::AlignVCenter);
    table_->setAlternatingRowColors(true);
    table_->setSelectionBehavior(QAbstractItemView::SelectItems);
    table_->setEditTriggers(QAbstractItemView::DoubleClicked | QAbstractItemView::EditKeyPressed |
                            QAbstractItemView::AnyKeyPressed);
    for (int i = 0; i < VariablesModel::Columns; ++i)
        table_->setColumnWidth(i, VariablesModel::widthOf(i));
    empty_->setText(
        tr("No variables yet. A variable is a value that the interface shares with the firmware: a temperature, a "
           "switch, a name.\nNew variable makes the first."));
    empty_->setAlignment(Qt::AlignCenter);
    empty_->setProperty("quiet", true);
    column->addWidget(table_, 1);
    column->addWidget(empty_, 1);
    connect(add, &QPushButton::clicked, this, &VariablesStation::addOne);
    connect(remove, &QPushButton::clicked, this, &VariablesStation::removeSelected);
    connect(&session, &Session::changed, this, [this] {
        table_->setVisible(model_->rowCount() > 0);
        empty_->setVisible(model_->rowCount() == 0);
    });
}

QString VariablesStation::figure() const { return QString::number(session_.document().variables->size()); }

bool VariablesStation::goTo(const Problem& problem) {
    const QString place = QString::fromStdString(problem.place);
    if (!place.startsWith("variable"))
        return false;
    for (int row = 0; row < model_->rowCount(); ++row)
        if (place == "variable " + QString::fromStdString(model_->variable(row).name))
            table_->setCurrentIndex(model_->index(row, 0));
    table_->setFocus();
    return true;
}

void VariablesStation::addOne() {
    const int row = model_->add();
    const QModelIndex name = model_->index(row, VariablesModel::Name);
    table_->setCurrentIndex(name);
    table_->edit(name);
}

void VariablesStation::removeSelected() {
    QList<int> rows;
    for (const QModelIndex& index : table_->selectionModel()->selectedIndexes())
        if (!rows.contains(index.row()))
            rows.append(index.row());
    model_->remove(rows);
}

}  // namespace gorsefinch::app
