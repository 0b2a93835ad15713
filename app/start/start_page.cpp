// SPDX-License-Identifier: GPL-3.0-or-later
#include "app/start/start_page.h"

#include <QDir>
#include <QFileDialog>
#include <QFileInfo>
#include <QFormLayout>
#include <QLabel>
#include <QLineEdit>
#include <QListWidget>
#include <QPushButton>
#include <QSettings>
#include <QToolButton>
#include <QVBoxLayout>

#include "app/session/session.h"
#include "app/theme/theme.h"
#include "core/document/names.h"
#include "core/edits/presets.h"

namespace gorsefinch::app {

QStringList recentProjects() {
    QStringList out;
    for (const QString& folder : QSettings().value("recent").toStringList())
        if (QFileInfo::exists(folder + "/" + kMainFile))
            out << folder;
    return out;
}

void rememberProject(const QString& folder) {
    QStringList all = QSettings().value("recent").toStringList();
    const QString whole = QFileInfo(folder).absoluteFilePath();
    all.removeAll(whole);
    all.prepend(whole);
    QSettings().setValue("recent", all.mid(0, 12));
}

namespace {

QLabel* heading(const QString& text, QWidget* parent) {
    auto* label = new QLabel(text, parent);
    label->setFont(Theme::text(14, true));
    return label;
}

}  // namespace

StartPage::StartPage(Session& session, QWidget* parent)
    : QWidget(parent),
      session_(session),
      presets_(new QListWidget(this)),
      recent_(new QListWidget(this)),
      name_(new QLineEdit(this)),
      folder_(new QLineEdit(this)),
      error_(new QLabel(this)),
      create_(new QPushButton(tr("Create project"), this)),
      back_(new QPushButton(tr("Back to the project"), this)) {
    setObjectName("start_page");
    auto* outer = new QHBoxLayout(this);
    outer->setContentsMargins(48, 40, 48, 40);
    outer->setSpacing(48);
    auto* left = new QVBoxLayout;
    left->setSpacing(8);
    left->addWidget(heading(tr("New project"), this));
    auto* hint = new QLabel(tr("Choose the panel that comes nearest; everything can be changed afterwards."), this);
    hint->setProperty("quiet", true);
    left->addWidget(hint);
    presets_->setObjectName("presets");
    presets_->setAccessibleName(tr("Presets"));
    presets_->setStyleSheet("QListWidget::item { padding: 6px 8px; border: 0; }");
    for (const Preset& preset : presets()) {
        auto* item = new QListWidgetItem(QString("%1\n%2").arg(preset.title, preset.help), presets_);
        item->setData(Qt::UserRole, preset.key);
    }
    presets_->setCurrentRow(0);
    presets_->setVerticalScrollBarPolicy(Qt::ScrollBarAlwaysOff);
    presets_->setFixedHeight(presets_->sizeHintForRow(0) * presets_->count() + 4);
    left->addWidget(presets_);
    auto* form = new QFormLayout;
    form->setVerticalSpacing(6);
    name_->setObjectName("new_name");
    name_->setToolTip(tr("The prefix of every name in generated code"));
    folder_->setObjectName("new_folder");
    folder_->setFont(Theme::figures());
    auto* folderRow = new QHBoxLayout;
    auto* choose = new QToolButton(this);
    choose->setIcon(Theme::icon("folder"));
    choose->setToolTip(tr("Choose the folder"));
    folderRow->addWidget(folder_, 1);
    folderRow->addWidget(choose);
    form->addRow(tr("Name"), name_);
    form->addRow(tr("Folder"), folderRow);
    left->addLayout(form);
    error_->setProperty("error", true);
    error_->setWordWrap(true);
    error_->setMinimumHeight(20);
    left->addWidget(error_);
    auto* buttons = new QHBoxLayout;
    create_->setObjectName("create");
    create_->setProperty("primary", true);
    buttons->addWidget(create_);
    buttons->addWidget(back_);
    buttons->addStretch(1);
    left->addLayout(buttons);
    left->addStretch(1);
    outer->addLayout(left, 3);
    auto* right = new QVBoxLayout;
    right->setSpacing(8);
    right->addWidget(heading(tr("Open"), this));
    recent_->setObjectName("recent");
    recent_->setAccessibleName(tr("Recent projects"));
    recent_->setStyleSheet("QListWidget::item { padding: 6px 8px; border: 0; }");
    recent_->setMaximumHeight(400);
    right->addWidget(recent_, 1);
    auto* open = new QPushButton(tr("Open a folder…"), this);
    open->setToolTip(tr("Open a project's folder (Ctrl+O)"));
    right->addWidget(open, 0, Qt::AlignLeft);
    right->addStretch(1);
    outer->addLayout(right, 2);
    connect(open, &QPushButton::clicked, this, [this] { Q_EMIT openRequested({}); });
    connect(recent_, &QListWidget::itemActivated, this, [this](QListWidgetItem* item) {
        if (const QString folder = item->data(Qt::UserRole).toString(); !folder.isEmpty())
            Q_EMIT openRequested(folder);
    });
    connect(name_, &QLineEdit::textEdited, this, &StartPage::suggestFolder);
    connect(folder_, &QLineEdit::textEdited, this, [this] { folderTyped_ = true; });
    connect(choose, &QToolButton::clicked, this, [this] {
        const QString chosen = QFileDialog::getExistingDirectory(this, tr("Folder for the project"), QDir::homePath());
        if (!chosen.isEmpty()) {
            folder_->setText(chosen + "/" + name_->text());
            folderTyped_ = true;
        }
    });
    connect(create_, &QPushButton::clicked, this, &StartPage::create);
    connect(name_, &QLineEdit::returnPressed, this, &StartPage::create);
    connect(back_, &QPushButton::clicked, this, &StartPage::backRequested);
}

void StartPage::refresh() {
    recent_->clear();
    for (const QString& folder : recentProjects()) {
        auto* item = new QListWidgetItem(QString("%1\n%2").arg(QFileInfo(folder).fileName(), folder), recent_);
        item->setData(Qt::UserRole, folder);
    }
    if (recent_->count() == 0) {
        auto* none = new QListWidgetItem(tr("Projects that you open appear here."), recent_);
        none->setFlags(Qt::NoItemFlags);
    }
    back_->setVisible(session_.isOpen());
    error_->clear();
    folderTyped_ = false;
    name_->setText("display");
    name_->selectAll();
    name_->setFocus();
    suggestFolder();
}

void StartPage::suggestFolder() {
    if (!folderTyped_)
        folder_->setText(QDir::homePath() + "/" + name_->text().trimmed());
}

void StartPage::create() {
    const Preset* preset = presetByKey(presets_->currentItem()->data(Qt::UserRole).toString().toStdString());
    std::string faceFile;
    const auto face = findStartFace(faceFile);
    const auto document = newProject(*preset, name_->text().trimmed().toStdString(),
                                     face ? FileContents::mapped(*face) : nullptr, faceFile);
    const auto made = document ? session_.create(*document, folder_->text()) : tl::unexpected(document.error());
    if (!made) {
        error_->setText(QString::fromStdString(made.error().text()));
        return;
    }
    Q_EMIT created();
}

}  // namespace gorsefinch::app
