// SPDX-License-Identifier: GPL-3.0-or-later
#include "app/code/code_station.h"

#include <QApplication>
#include <QClipboard>
#include <QFileDialog>
#include <QHeaderView>
#include <QLabel>
#include <QLineEdit>
#include <QPlainTextEdit>
#include <QPushButton>
#include <QSettings>
#include <QSplitter>
#include <QTableView>
#include <QTextBlock>
#include <QTimer>
#include <QToolButton>
#include <QTreeView>
#include <QVBoxLayout>

#include "app/session/session.h"
#include "app/widgets/difference_view.h"
#include "app/theme/theme.h"
#include "core/emit/costs.h"

namespace gorsefinch::app {

namespace {

constexpr qsizetype kMaxShown = 200000;  // bytes of a file in the view

QStandardItem* cell(const QString& text, bool figures = false) {
    auto* item = new QStandardItem(text);
    item->setEditable(false);
    if (figures) {
        item->setFont(Theme::figures());
        item->setTextAlignment(Qt::AlignRight | Qt::AlignVCenter);
    }
    return item;
}

QString grouped(qint64 value) { return QLocale::c().toString(value); }

}  // namespace

CodeStation::CodeStation(Session& session, QWidget* parent) : Station(parent), session_(session) {
    auto* column = new QVBoxLayout(this);
    column->setContentsMargins(0, 0, 0, 0);
    column->setSpacing(0);
    column->addWidget(makeTop());
    auto* line = new QFrame(this);
    line->setProperty("rule", true);
    column->addWidget(line);
    auto* splitter = new QSplitter(this);
    splitter->setObjectName("code_splitter");
    splitter->setHandleWidth(1);
    splitter->setChildrenCollapsible(false);
    splitter->addWidget(makeFiles());
    text_ = new QPlainTextEdit(splitter);
    text_->setObjectName("code_text");
    text_->setReadOnly(true);
    text_->setFont(Theme::figures(11));
    text_->setLineWrapMode(QPlainTextEdit::NoWrap);
    text_->setStyleSheet("QPlainTextEdit { border: none; border-radius: 0; }");
    splitter->addWidget(text_);
    splitter->addWidget(makeCosts());
    splitter->setSizes({360, 560, 360});
    splitter->setStretchFactor(1, 1);
    column->addWidget(splitter, 1);
    setFocusProxy(files_);
    // A short wait is not worth a word.
    connect(&job_, &NewestJob::busyChanged, this, [this](bool busy) {
        if (busy)
            QTimer::singleShot(300, this, [this] {
                if (isPlanning())
                    status_->setText(tr("Comparing with the folder …"));
            });
    });
    connect(&session, &Session::changed, this, [this](const Change& change) {
        // What was to be generated was the former project.
        generateWhenPlanned_ = generateWhenPlanned_ && !change.opened;
        refresh();
    });
}

QWidget* CodeStation::makeTop() {
    auto* top = new QWidget(this);
    auto* column = new QVBoxLayout(top);
    column->setContentsMargins(12, 8, 12, 8);
    column->setSpacing(6);
    auto* row = new QHBoxLayout;
    auto* into = new QLabel(tr("Into"), top);
    into->setProperty("quiet", true);
    folder_ = new QLineEdit(top);
    folder_->setObjectName("output_folder");
    folder_->setFont(Theme::figures());
    folder_->setToolTip(tr("The folder that generated code goes into. Your own files in it are never touched."));
    auto* choose = new QToolButton(top);
    choose->setIcon(Theme::icon("folder"));
    choose->setToolTip(tr("Choose the folder"));
    generate_ = new QPushButton(tr("Generate"), top);
    generate_->setObjectName("generate");
    generate_->setProperty("primary", true);
    generate_->setToolTip(tr("Write what has changed (Ctrl+G)"));
    generate_->setShortcut(Qt::CTRL | Qt::Key_G);
    row->addWidget(into);
    row->addWidget(folder_, 1);
    row->addWidget(choose);
    row->addWidget(generate_);
    column->addLayout(row);
    auto* lower = new QHBoxLayout;
    status_ = new QLabel(top);
    status_->setObjectName("code_status");
    command_ = new QLabel(top);
    command_->setObjectName("compile_command");
    command_->setFont(Theme::figures(10));
    command_->setProperty("quiet", true);
    command_->setTextInteractionFlags(Qt::TextSelectableByMouse);
    command_->setMinimumWidth(100);
    auto* copy = new QPushButton(tr("Copy compile command"), top);
    copy->setToolTip(tr("Copy the command that compiles the folder"));
    lower->addWidget(status_);
    lower->addSpacing(16);
    lower->addWidget(command_, 1);
    lower->addWidget(copy);
    column->addLayout(lower);
    connect(copy, &QPushButton::clicked, this, [this] {
        QApplication::clipboard()->setText(QString::fromStdString(
            compileCommand(planned_.code, outputFolder().toStdString(), session_.document().panel->wordBits)));
        session_.showDone(tr("The compile command is on the clipboard."));
    });
    connect(choose, &QToolButton::clicked, this, [this] {
        const QString chosen = QFileDialog::getExistingDirectory(this, tr("Folder for generated code"), outputFolder());
        if (!chosen.isEmpty())
            folder_->setText(chosen), Q_EMIT folder_->editingFinished();
    });
    connect(folder_, &QLineEdit::editingFinished, this, [this] {
        QSettings().setValue("output/" + QString(session_.project().folder()).replace('/', '|'), folder_->text());
        refresh();
    });
    connect(generate_, &QPushButton::clicked, this, &CodeStation::generate);
    return top;
}

QWidget* CodeStation::makeFiles() {
    files_ = new QTableView(this);
    files_->setObjectName("code_files");
    fileModel_ = new QStandardItemModel(files_);
    files_->setModel(fileModel_);
    files_->setSelectionBehavior(QAbstractItemView::SelectRows);
    files_->setSelectionMode(QAbstractItemView::SingleSelection);
    files_->verticalHeader()->hide();
    files_->verticalHeader()->setDefaultSectionSize(24);
    files_->setShowGrid(false);
    files_->setWordWrap(false);
    files_->setTextElideMode(Qt::ElideMiddle);
    files_->horizontalHeader()->setHighlightSections(false);
    connect(files_->selectionModel(), &QItemSelectionModel::selectionChanged, this, &CodeStation::showFile);
    return files_;
}

QWidget* CodeStation::makeCosts() {
    costs_ = new QTreeView(this);
    costs_->setObjectName("code_costs");
    costModel_ = new QStandardItemModel(costs_);
    costs_->setModel(costModel_);
    costs_->setRootIsDecorated(true);
    costs_->setIndentation(14);
    costs_->setSelectionMode(QAbstractItemView::NoSelection);
    return costs_;
}

QString CodeStation::outputFolder() const {
    const QString kept =
        QSettings().value("output/" + QString(session_.project().folder()).replace('/', '|')).toString();
    return kept.isEmpty() ? session_.project().folder() + "/generated" : kept;
}

QString CodeStation::figure() const {
    if (stale_ || isPlanning())
        return tr("not checked");
    if (hasErrors(planned_.code.problems))
        return tr("errors");
    const int count = planned_.plan.toWrite();
    return count == 0 ? tr("all written") : tr("%1 to write").arg(count);
}

// While the station is hidden it only learns that it is out of date.
void CodeStation::refresh() {
    stale_ = true;
    if (session_.isOpen() && (isVisible() || generateWhenPlanned_))
        plan();
    else
        job_.cancel();
}

// A scene of its own is built from the document, which nothing changes, while edits go on building the session's.
void CodeStation::plan() {
    stale_ = false;
    if (!folder_->hasFocus())
        folder_->setText(outputFolder());
    job_.request([this, document = session_.document(), folder = outputFolder().toStdString(),
                  builder = builder_](const std::atomic<bool>& stale) -> NewestJob::Finish {
        auto planned = std::make_shared<Planned>();
        planned->code = generateCode(*builder->build(document));
        if (stale)
            return {};
        Disk disk;
        planned->plan = planOutput(planned->code, folder, disk);
        planned->hookProblems = hookProblems(planned->code, folder, disk);
        return [this, planned] { adopt(std::move(*planned)); };
    });
}

void CodeStation::adopt(Planned planned) {
    planned_ = std::move(planned);
    fillFiles();
    fillCosts();
    fillStatus();
    Q_EMIT session_.savedChanged();
    if (std::exchange(generateWhenPlanned_, false) && generate_->isEnabled())
        generate();
}

void CodeStation::fillStatus() {
    const bool errors = hasErrors(planned_.code.problems);
    const auto blocked = planned_.plan.blocked();
    const int count = planned_.plan.toWrite();
    generate_->setEnabled(!errors);
    if (errors)
        status_->setText(tr("Errors keep code from being generated; see the problems at the foot."));
    else if (!blocked.empty())
        status_->setText(
            tr("%1 was changed outside: look at it before you generate.").arg(QString::fromStdString(blocked.front())));
    else
        status_->setText(count == 0 ? tr("Everything is written.") : tr("%1 files to write.").arg(count));
    const Role role = errors || !blocked.empty() ? Role::Error : Role::Well;
    status_->setStyleSheet(QString("color: %1").arg(Theme::colour(role).name()));
    const QString command = QString::fromStdString(
        compileCommand(planned_.code, outputFolder().toStdString(), session_.document().panel->wordBits));
    command_->setText(errors ? QString() : command);
    command_->setToolTip(command);
}

void CodeStation::fillFiles() {
    const QString chosen =
        files_->currentIndex().isValid() ? fileModel_->item(files_->currentIndex().row(), 0)->text() : QString();
    fileModel_->clear();
    fileModel_->setHorizontalHeaderLabels({tr("File"), tr("State"), tr("Bytes")});
    int row = 0, select = 0;
    for (const PlannedFile& file : planned_.plan.files) {
        const QString path = QString::fromStdString(file.path);
        auto* state = cell(toWords(file.state));
        const bool wrong = file.state == FileState::Edited || file.state == FileState::Foreign;
        const bool will =
            file.state == FileState::New || file.state == FileState::Changed || file.state == FileState::Gone;
        state->setForeground(Theme::colour(wrong ? Role::Error : will ? Role::Well : Role::QuietText));
        fileModel_->appendRow({cell(path), state, cell(grouped(file.bytes), true)});
        if (path == chosen || (chosen.isEmpty() && path.endsWith(".h") && !path.startsWith("gorse/")))
            select = row;
        ++row;
    }
    files_->horizontalHeader()->setDefaultAlignment(Qt::AlignLeft | Qt::AlignVCenter);
    files_->horizontalHeader()->setSectionResizeMode(0, QHeaderView::Stretch);
    files_->setColumnWidth(1, 96);
    files_->setColumnWidth(2, 70);
    if (row > 0)
        files_->selectRow(select);
    else
        text_->setPlainText(tr("Nothing to show while the project has errors."));
}

void CodeStation::fillCosts() {
    const Costs& costs = session_.costs();
    costModel_->clear();
    costModel_->setHorizontalHeaderLabels({tr("Costs on the target"), tr("Flash B"), tr("RAM B")});
    const auto row = [](const QString& name, const Cost& cost) {
        return QList<QStandardItem*>{cell(name), cell(grouped(cost.flash), true),
                                     cell(cost.ram != 0 ? grouped(cost.ram) : QString(), true)};
    };
    const auto group = [&](const QString& name, const std::vector<std::pair<std::string, Cost>>& parts) {
        Cost sum;
        for (const auto& [part, cost] : parts)
            sum.flash += cost.flash, sum.ram += cost.ram;
        const auto head = row(name, sum);
        for (const auto& [part, cost] : parts)
            head.front()->appendRow(row(QString::fromStdString(part), cost));
        costModel_->appendRow(head);
    };
    group(tr("Screens"), costs.screens);
    group(tr("Images"), costs.images);
    group(tr("Fonts"), costs.fonts);
    costModel_->appendRow(row(tr("Rules"), costs.rules));
    costModel_->appendRow(row(tr("Variables"), costs.variables));
    costModel_->appendRow(row(tr("Runtime, about"), costs.runtime));
    costModel_->appendRow(row(tr("State, all in one"), Cost{0, costs.state}));
    costModel_->appendRow(row(tr("Draw buffer"), Cost{0, costs.buffer}));
    const auto total = row(tr("Together"), costs.total());
    for (QStandardItem* item : total) {
        QFont font = item == total.front() ? Theme::text(12, true) : Theme::figures();
        font.setBold(true);
        item->setFont(font);
    }
    costModel_->appendRow(total);
    if (!planned_.code.hooks.empty() || !planned_.hookProblems.empty()) {
        const bool required = session_.document().panel->hooksRequired;
        auto* hooks = cell(required ? tr("Hooks: write each of them") : tr("Hooks: those you do not write do nothing"));
        for (const std::string& hook : planned_.code.hooks)
            hooks->appendRow(cell(QString::fromStdString(hook)));
        for (const Problem& each : planned_.hookProblems) {
            auto* item = cell(QString::fromStdString(each.file + ": " + each.reason));
            item->setToolTip(QString::fromStdString(each.text()));
            item->setForeground(Theme::colour(Role::Error));
            hooks->appendRow(item);
        }
        costModel_->appendRow(hooks);
        costs_->setFirstColumnSpanned(hooks->row(), {}, true);
        for (int i = 0; i < hooks->rowCount(); ++i)
            costs_->setFirstColumnSpanned(i, hooks->index(), true);
    }
    costs_->expandAll();
    costs_->header()->setStretchLastSection(false);
    costs_->header()->setSectionResizeMode(0, QHeaderView::Stretch);
    costs_->setColumnWidth(1, 84);
    costs_->setColumnWidth(2, 80);
}

void CodeStation::showFile() {
    const QModelIndex index = files_->currentIndex();
    if (!index.isValid() || index.row() >= static_cast<int>(planned_.plan.files.size()))
        return;
    const PlannedFile& file = planned_.plan.files[static_cast<size_t>(index.row())];
    const auto generated = planned_.code.files.find(file.path);
    const std::string fresh = generated != planned_.code.files.end() ? generated->second
                              : file.path == planned_.code.portFile  ? planned_.code.portText
                                                                     : std::string();
    const auto there = readOutput(outputFolder().toStdString(), file.path, disk_);
    const bool differs = there && (file.state == FileState::Changed || file.state == FileState::Edited ||
                                   file.state == FileState::Foreign);
    // A record is one long line; what changed in it must be in sight.
    text_->setLineWrapMode(differs ? QPlainTextEdit::WidgetWidth : QPlainTextEdit::NoWrap);
    if (!differs) {
        const std::string& shown = file.state == FileState::Yours && there ? *there : fresh;
        QString text = QString::fromStdString(shown.substr(0, kMaxShown));
        if (shown.size() > kMaxShown)
            text += tr("\n… %1 bytes more").arg(shown.size() - kMaxShown);
        text_->setPlainText(text);
        text_->setExtraSelections({});
        return;
    }
    showDifference(*text_, QString::fromStdString(*there), QString::fromStdString(fresh));
}

void CodeStation::generate() {
    // What was planned before the last edit is not written.
    if (isPlanning()) {
        generateWhenPlanned_ = true;
        return;
    }
    const auto written = writeOutput(planned_.code, outputFolder().toStdString(), disk_);
    if (!written)
        session_.showError(QString::fromStdString(written.error().text()));
    else
        session_.showDone(tr("Wrote %1 files.").arg(written->toWrite()));
    refresh();
}

void CodeStation::showEvent(QShowEvent* event) {
    Station::showEvent(event);
    if (stale_)
        refresh();
}

}  // namespace gorsefinch::app
