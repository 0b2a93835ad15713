// SPDX-License-Identifier: GPL-3.0-or-later
#include "app/variables/variables_station.h"

#include <QComboBox>
#include <QFileDialog>
#include <QFileInfo>
#include <QHeaderView>
#include <QLabel>
#include <QPushButton>
#include <QShortcut>
#include <QSplitter>
#include <QStyledItemDelegate>
#include <QTableView>
#include <QVBoxLayout>

#include "app/session/session.h"
#include "app/theme/theme.h"
#include "app/variables/clock_dialog.h"
#include "app/variables/uses_list.h"
#include "app/variables/variables_model.h"
#include "app/widgets/from_std.h"
#include "core/base/file_writer.h"
#include "core/base/files.h"
#include "core/edits/edit.h"
#include "core/edits/variable_header.h"
#include "core/emit/export_variables.h"

namespace gorsefinch::app {

namespace {

constexpr int kToldLines = 4;  // of what an import could not take

bool isHeader(const QString& path) {
    return path.endsWith(".h", Qt::CaseInsensitive) || path.endsWith(".hpp", Qt::CaseInsensitive);
}

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
      empty_(new QLabel(this)),
      uses_(new UsesList(session, this)) {
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
        tr("Drag one to the station Screens to show it, or write {name}, {name[0]}, {name:0.0}, {name:mm:ss} "
           "in a text. F2 edits a "
           "cell."),
        this);
    hint->setWordWrap(true);
    hint->setProperty("quiet", true);
    hint->setAlignment(Qt::AlignRight | Qt::AlignVCenter);
    hint->setSizePolicy(QSizePolicy::Ignored, QSizePolicy::Preferred);
    bar->addWidget(add);
    bar->addWidget(remove);
    for (const auto& [name, words, help, what] :
         {std::tuple(
              "import_variables", tr("Import…"),
              tr("Read variables from a table of comma-separated values, or from the structs and enums of a C header"),
              &VariablesStation::importTable),
          {"export_variables", tr("Export…"),
           tr("Write all variables as a table of comma-separated values, or as a C header"),
           &VariablesStation::exportTable},
          {"select_unused", tr("Select unused"), tr("Select the variables that no widget and no rule uses"),
           &VariablesStation::selectUnused},
          {"edit_clock", tr("Clock…"), tr("Date and time for texts and rules, and the names of days and months"),
           &VariablesStation::editClock}}) {
        auto* button = new QPushButton(words, this);
        button->setObjectName(name);
        button->setToolTip(help);
        connect(button, &QPushButton::clicked, this, what);
        bar->addWidget(button);
    }
    bar->addSpacing(12);
    bar->addWidget(hint, 1);
    column->addLayout(bar);
    setFocusProxy(table_);
    table_->setObjectName("variables");
    table_->setModel(model_);
    QStringList types;
    for (const std::string& each : variableTypeKeys())
        types << fromStd(each);
    table_->setItemDelegateForColumn(VariablesModel::Type, new WordsDelegate(types, this));
    table_->setItemDelegateForColumn(VariablesModel::WrittenBy, new WordsDelegate({"firmware", "panel", "both"}, this));
    table_->verticalHeader()->hide();
    table_->verticalHeader()->setDefaultSectionSize(28);
    table_->horizontalHeader()->setHighlightSections(false);
    table_->horizontalHeader()->setStretchLastSection(true);
    table_->horizontalHeader()->setDefaultAlignment(Qt::AlignLeft | Qt::AlignVCenter);
    table_->setAlternatingRowColors(true);
    table_->setWordWrap(false);
    table_->setSelectionBehavior(QAbstractItemView::SelectItems);
    table_->setDragEnabled(true);
    table_->setDragDropMode(QAbstractItemView::DragOnly);
    table_->setEditTriggers(QAbstractItemView::DoubleClicked | QAbstractItemView::EditKeyPressed |
                            QAbstractItemView::AnyKeyPressed);
    for (int i = 0; i < VariablesModel::Columns; ++i)
        table_->setColumnWidth(i, VariablesModel::widthOf(i));
    empty_->setText(
        tr("No variables yet. A variable is a value that the interface shares with the firmware: a temperature, a "
           "switch, a name.\nNew variable makes the first."));
    empty_->setAlignment(Qt::AlignCenter);
    empty_->setProperty("quiet", true);
    auto* parts = new QSplitter(Qt::Vertical, this);
    parts->setObjectName("uses_splitter");
    parts->setHandleWidth(1);
    parts->setChildrenCollapsible(false);
    parts->addWidget(table_);
    parts->addWidget(uses_);
    parts->setSizes({460, 170});
    parts->setStretchFactor(0, 1);
    column->addWidget(parts, 1);
    column->addWidget(empty_, 1);
    connect(add, &QPushButton::clicked, this, &VariablesStation::addOne);
    connect(remove, &QPushButton::clicked, this, &VariablesStation::removeSelected);
    connect(&session, &Session::changed, this, [this, parts] {
        parts->setVisible(model_->rowCount() > 0);
        empty_->setVisible(model_->rowCount() == 0);
        uses_->refresh();
    });
    connect(table_->selectionModel(), &QItemSelectionModel::currentRowChanged, this, [this](const QModelIndex& to) {
        uses_->setVariable(to.isValid() ? model_->variable(to.row()).name : std::string());
    });
    connect(uses_, &UsesList::placeChosen, this, &VariablesStation::placeChosen);
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

// Makes one edit. Lines that can't be used are reported with their numbers; the others are taken.
void VariablesStation::importTable() {
    const QString path = QFileDialog::getOpenFileName(this, tr("Import variables"), QString(),
                                                      tr("Tables and C headers (*.csv *.h *.hpp);;All files (*)"));
    if (path.isEmpty())
        return;
    Disk disk;
    const std::string file = QFileInfo(path).fileName().toStdString();
    const auto bytes = readFile(disk, path.toStdString(), kMaxCsv);
    const auto& known = *session_.document().variables;
    const auto read = !bytes           ? tl::unexpected(bytes.error())
                      : isHeader(path) ? variablesFromHeader(*bytes, file, known)
                                       : variablesFromCsv(*bytes, file, known);
    if (!read) {
        session_.showError(fromStd(read.error().text()));
        return;
    }
    const MergedVariables merged = withVariables(session_.document(), read->variables);
    if (merged.added + merged.changed > 0)
        session_.edit(merged.document, tr("Import variables"));
    session_.showDone(tr("%1: %2 new variables, %3 changed").arg(fromStd(file)).arg(merged.added).arg(merged.changed));
    Problems problems = read->problems;
    problems.insert(problems.end(), merged.problems.begin(), merged.problems.end());
    QStringList told;
    for (const Problem& each : problems)
        if (told.size() < kToldLines)
            told << fromStd(each.text());
    if (static_cast<size_t>(told.size()) < problems.size())
        told << tr("and %1 more").arg(problems.size() - static_cast<size_t>(told.size()));
    if (!told.isEmpty())
        session_.showError(told.join('\n'));
}

// The name takes the ending of what is chosen. "" if the user does not want it.
QString VariablesStation::askForExport() {
    QFileDialog dialog(this, tr("Export variables"));
    dialog.setAcceptMode(QFileDialog::AcceptSave);
    const QString header = tr("C headers (*.h)");
    dialog.setNameFilters({tr("Tables (*.csv)"), header});
    dialog.setDefaultSuffix("csv");
    dialog.selectFile("variables.csv");
    connect(&dialog, &QFileDialog::filterSelected, this, [&](const QString& filter) {
        const QString ending = filter == header ? "h" : "csv";
        const QString name = QFileInfo(dialog.selectedFiles().value(0)).completeBaseName();
        dialog.setDefaultSuffix(ending);
        dialog.selectFile(name + "." + ending);
    });
    return dialog.exec() == QDialog::Accepted ? dialog.selectedFiles().value(0) : QString();
}

void VariablesStation::exportTable() {
    const QString path = askForExport();
    if (path.isEmpty())
        return;
    Disk disk;
    const Document& document = session_.document();
    auto file = FileWriter::open(disk, path.toStdString());
    if (file)
        file->append(isHeader(path) ? variablesToHeader(document.name, *document.variables)
                                    : variablesToCsv(*document.variables));
    if (const auto written = file ? file->finish() : tl::unexpected(file.error()); !written)
        session_.showError(fromStd(written.error().text()));
}

void VariablesStation::editClock() {
    auto* dialog = new ClockDialog(session_.document().clock.get(), this);
    dialog->setAttribute(Qt::WA_DeleteOnClose);
    connect(dialog, &QDialog::accepted, this, [this, dialog] {
        const auto clock = dialog->clock();
        const Document& now = session_.document();
        if (clock ? now.clock && *now.clock == *clock : !now.clock)
            return;
        session_.edit(withClock(now, clock), clock ? tr("Clock") : tr("Remove the clock"));
    });
    dialog->open();
}

void VariablesStation::selectUnused() {
    QItemSelection unused;
    for (int row = 0; row < model_->rowCount(); ++row)
        if (model_->uses(model_->variable(row)) == 0)
            unused.select(model_->index(row, VariablesModel::Name), model_->index(row, VariablesModel::Name));
    if (unused.isEmpty()) {
        session_.showDone(tr("Every variable is used"));
        return;
    }
    table_->setCurrentIndex(unused.indexes().first());
    table_->selectionModel()->select(unused, QItemSelectionModel::ClearAndSelect);
    table_->setFocus();
}

void VariablesStation::removeSelected() {
    QList<int> rows;
    for (const QModelIndex& index : table_->selectionModel()->selectedIndexes())
        if (!rows.contains(index.row()))
            rows.append(index.row());
    model_->remove(rows);
}

}  // namespace gorsefinch::app
