// SPDX-License-Identifier: GPL-3.0-or-later
#include "app/screens/assembly_dialog.h"

#include <QComboBox>
#include <QDialogButtonBox>
#include <QHeaderView>
#include <QLabel>
#include <QPushButton>
#include <QTableWidget>
#include <QVBoxLayout>

#include "app/session/session.h"
#include "app/theme/theme.h"
#include "app/widgets/from_std.h"
#include "core/base/decimal.h"
#include "core/document/names.h"
#include "core/edits/assembly_edits.h"

namespace gorsefinch::app {

namespace {

enum Column { kName, kType, kStart, kRange, kHelp, kInner };

// "0.0 to 99.5" of a number, "idle, busy" of a choice.
QString rangeInWords(const AssemblyInput& input) {
    if (input.type == InputType::Choice)
        return fromStd(choicesInWords(input.choices));
    if (input.type != InputType::Number)
        return {};
    return fromStd(decimalText(input.min, input.decimals) + " to " + decimalText(input.max, input.decimals));
}

int decimalsOf(const QString& number) {
    const qsizetype point = number.indexOf('.');
    return point < 0 ? 0 : static_cast<int>(std::min<qsizetype>(6, number.size() - point - 1));
}

// False if the words are no range.
bool readRange(const QString& words, AssemblyInput& input) {
    const QStringList ends = words.simplified().split(" to ");
    if (ends.size() != 2)
        return false;
    input.decimals = std::max(decimalsOf(ends[0]), decimalsOf(ends[1]));
    const auto min = decimalFromText(ends[0].toStdString(), input.decimals);
    const auto max = decimalFromText(ends[1].toStdString(), input.decimals);
    if (!min || !max)
        return false;
    input.min = *min;
    input.max = *max;
    return true;
}

QString textAt(const QTableWidget& table, int row, int column) {
    const QTableWidgetItem* item = table.item(row, column);
    return item ? item->text().trimmed() : QString();
}

QTableWidget* table(const char* name, const QStringList& headings, QWidget* parent) {
    auto* out = new QTableWidget(0, static_cast<int>(headings.size()), parent);
    out->setObjectName(name);
    out->setHorizontalHeaderLabels(headings);
    out->verticalHeader()->hide();
    out->setSelectionBehavior(QAbstractItemView::SelectRows);
    out->setEditTriggers(QAbstractItemView::DoubleClicked | QAbstractItemView::SelectedClicked |
                         QAbstractItemView::EditKeyPressed | QAbstractItemView::AnyKeyPressed);
    return out;
}

}  // namespace

AssemblyDialog::AssemblyDialog(Session& session, const std::string& assembly, QWidget* parent)
    : QDialog(parent),
      session_(session),
      assembly_(assembly),
      inputs_(table("inputs", {tr("Input"), tr("Type"), tr("Start"), tr("Range or choices"), tr("Help"), tr("Inner")},
                    this)),
      events_(table("events", {tr("Event"), tr("Of the widget"), tr("Its event")}, this)),
      wrong_(new QLabel(this)) {
    setObjectName("assembly_dialog");
    setWindowTitle(tr("Inputs and events of %1").arg(fromStd(assembly)));
    resize(760, 480);
    auto* column = new QVBoxLayout(this);
    const auto addPart = [&](QTableWidget* part, const QString& words, const char* add, const QString& label,
                             auto make) {
        auto* hint = new QLabel(words, this);
        hint->setWordWrap(true);
        hint->setProperty("quiet", true);
        column->addWidget(hint);
        column->addWidget(part, part == inputs_ ? 2 : 1);
        auto* row = new QHBoxLayout;
        auto* more = new QPushButton(label, this);
        more->setObjectName(add);
        more->setAutoDefault(false);
        auto* less = new QPushButton(tr("Remove"), this);
        less->setObjectName(QString("%1_less").arg(add));
        less->setAutoDefault(false);
        row->addWidget(more);
        row->addWidget(less);
        row->addStretch(1);
        column->addLayout(row);
        connect(more, &QPushButton::clicked, this, make);
        connect(less, &QPushButton::clicked, this, [this, part] { removeLine(*part); });
    };
    addPart(
        inputs_,
        tr("An input is replaced by what a use sets: in texts as {level}, in expressions, and where a "
           "variable, a colour, a size, an image or a look is chosen. An inner one is the assembly's own variable."),
        "add_input", tr("Add an input"), [this] {
            AssemblyInput fresh;
            fresh.name = uniqueName("input", [this](std::string_view name) {
                for (int i = 0; i < inputs_->rowCount(); ++i)
                    if (textAt(*inputs_, i, kName).toStdString() == name)
                        return true;
                return false;
            });
            addInput(fresh);
            inputs_->item(inputs_->rowCount() - 1, kName)->setData(Qt::UserRole, QString());
        });
    addPart(events_, tr("Rules know an event of a widget inside by its name here: on tank2.drained"), "add_event",
            tr("Add an event"), [this] {
                addEvent({"event", "", "tap", {}});
            });
    const Assembly& now = *session_.document().screen(assembly)->assembly;
    for (const AssemblyInput& each : now.inputs)
        addInput(each);
    for (const ToldEvent& each : now.events)
        addEvent(each);
    inputs_->horizontalHeader()->setSectionResizeMode(kHelp, QHeaderView::Stretch);
    inputs_->setColumnWidth(kRange, 160);
    inputs_->setColumnWidth(kInner, 56);
    events_->horizontalHeader()->setSectionResizeMode(QHeaderView::Stretch);
    wrong_->setObjectName("wrong");
    wrong_->setWordWrap(true);
    column->addWidget(wrong_);
    auto* buttons = new QDialogButtonBox(QDialogButtonBox::Ok | QDialogButtonBox::Cancel, this);
    column->addWidget(buttons);
    connect(buttons, &QDialogButtonBox::rejected, this, &QDialog::reject);
    connect(buttons, &QDialogButtonBox::accepted, this, &AssemblyDialog::take);
}

void AssemblyDialog::addInput(const AssemblyInput& input) {
    const int row = inputs_->rowCount();
    inputs_->insertRow(row);
    auto* name = new QTableWidgetItem(fromStd(input.name));
    name->setData(Qt::UserRole, fromStd(input.name));
    inputs_->setItem(row, kName, name);
    auto* type = new QComboBox(inputs_);
    for (const std::string& key : inputTypeKeys())
        type->addItem(fromStd(key).replace('_', '/'), fromStd(key));
    type->setCurrentIndex(static_cast<int>(input.type));
    inputs_->setCellWidget(row, kType, type);
    inputs_->setItem(row, kStart, new QTableWidgetItem(fromStd(input.start)));
    inputs_->setItem(row, kRange, new QTableWidgetItem(rangeInWords(input)));
    inputs_->setItem(row, kHelp, new QTableWidgetItem(fromStd(input.help)));
    auto* inner = new QTableWidgetItem;
    inner->setFlags(Qt::ItemIsEnabled | Qt::ItemIsSelectable | Qt::ItemIsUserCheckable);
    inner->setCheckState(input.inner ? Qt::Checked : Qt::Unchecked);
    inputs_->setItem(row, kInner, inner);
    connect(type, &QComboBox::activated, this, [this, type] {
        for (int i = 0; i < inputs_->rowCount(); ++i)
            if (inputs_->cellWidget(i, kType) == type)
                followType(i);
    });
}

// A number needs a range, a choice its words.
void AssemblyDialog::followType(int row) {
    AssemblyInput fresh;
    fresh.type = static_cast<InputType>(static_cast<QComboBox*>(inputs_->cellWidget(row, kType))->currentIndex());
    fresh.min = 0;
    fresh.max = 100;
    fresh.choices = {"off", "on"};
    inputs_->item(row, kRange)->setText(rangeInWords(fresh));
    inputs_->item(row, kStart)->setText({});
}

void AssemblyDialog::addEvent(const ToldEvent& event) {
    const int row = events_->rowCount();
    events_->insertRow(row);
    events_->setItem(row, 0, new QTableWidgetItem(fromStd(event.name)));
    const auto list = [&](int column, const QStringList& all, const std::string& chosen) {
        auto* box = new QComboBox(events_);
        box->setEditable(column == 2);
        box->addItems(all);
        box->setCurrentText(fromStd(chosen));
        events_->setCellWidget(row, column, box);
    };
    QStringList widgets;
    for (const WidgetRef& each : session_.document().screen(assembly_)->widgets)
        widgets.append(fromStd(each->name));
    list(1, widgets, event.widget);
    list(2, {"tap", "press", "release", "hold", "change", "done"}, event.event);
}

void AssemblyDialog::removeLine(QTableWidget& from) {
    if (from.currentRow() >= 0)
        from.removeRow(from.currentRow());
}

AssemblyInput AssemblyDialog::inputAt(int row) const {
    const QString was = inputs_->item(row, kName)->data(Qt::UserRole).toString();
    const AssemblyInput* known = session_.document().screen(assembly_)->assembly->input(was.toStdString());
    AssemblyInput out = known ? *known : AssemblyInput();
    out.name = textAt(*inputs_, row, kName).toStdString();
    out.type = static_cast<InputType>(static_cast<QComboBox*>(inputs_->cellWidget(row, kType))->currentIndex());
    out.start = textAt(*inputs_, row, kStart).toStdString();
    out.help = textAt(*inputs_, row, kHelp).toStdString();
    out.inner = inputs_->item(row, kInner)->checkState() == Qt::Checked;
    out.choices.clear();
    if (out.type == InputType::Choice)
        out.choices = listFromText(textAt(*inputs_, row, kRange).toStdString());
    return out;
}

Result<Document> AssemblyDialog::changed() const {
    Document next = session_.document();
    Assembly now = *next.screen(assembly_)->assembly;
    now.inputs.clear();
    now.events.clear();
    for (int row = 0; row < inputs_->rowCount(); ++row) {
        AssemblyInput input = inputAt(row);
        if (input.type == InputType::Number && !readRange(textAt(*inputs_, row, kRange), input))
            return failure("", input.name, tr("its range is written as 0 to 100").toStdString(), "");
        const std::string was = inputs_->item(row, kName)->data(Qt::UserRole).toString().toStdString();
        if (!was.empty() && was != input.name) {
            auto renamed = renameInput(next, assembly_, was, input.name);
            if (!renamed)
                return renamed;
            next = std::move(*renamed);
        }
        now.inputs.push_back(std::move(input));
    }
    for (int row = 0; row < events_->rowCount(); ++row)
        now.events.push_back(
            {textAt(*events_, row, 0).toStdString(),
             static_cast<QComboBox*>(events_->cellWidget(row, 1))->currentText().toStdString(),
             static_cast<QComboBox*>(events_->cellWidget(row, 2))->currentText().trimmed().toStdString(),
             {}});
    return withAssembly(next, assembly_, now);
}

void AssemblyDialog::take() {
    const auto next = changed();
    if (!next)
        wrong_->setText(fromStd(next.error().place + ": " + next.error().reason));
    else if (session_.edit(next, tr("Change the inputs of %1").arg(fromStd(assembly_))))
        accept();
}

}  // namespace gorsefinch::app
