// SPDX-License-Identifier: GPL-3.0-or-later
#include "app/images/export_dialog.h"

#include <QCheckBox>
#include <QComboBox>
#include <QDialogButtonBox>
#include <QDir>
#include <QFileDialog>
#include <QFormLayout>
#include <QGridLayout>
#include <QLabel>
#include <QLineEdit>
#include <QPushButton>
#include <QSettings>
#include <QToolButton>
#include <QVBoxLayout>

#include "app/theme/theme.h"
#include "app/widgets/from_std.h"

namespace gorsefinch::app {

ExportDialog::ExportDialog(const QStringList& images, bool hasWords, const QString& folder,
                           std::function<Result<void>(const ExportDialog&)> write, QWidget* parent)
    : QDialog(parent),
      writeAll_(std::move(write)),
      images_(images),
      folder_(new QLineEdit(this)),
      storage_(new QLineEdit(this)),
      element_(new QComboBox(this)),
      files_(new QLabel(this)) {
    setWindowTitle(images.size() == 1 ? tr("Export %1").arg(images.front())
                                      : tr("Export %1 images").arg(images.size()));
    setMinimumWidth(460);
    const QSettings settings;
    auto* column = new QVBoxLayout(this);
    column->setContentsMargins(16, 16, 16, 12);
    column->setSpacing(12);
    auto* kinds = new QGridLayout;
    const QStringList wanted = settings.value("export/endings", QStringList{".c", ".h"}).toStringList();
    for (const ExportEnding& each : exportEndings()) {
        auto* box = new QCheckBox(QString("%1  %2").arg(each.ending, each.help), this);
        box->setObjectName(QString("export_") + (each.ending + 1));
        box->setChecked(wanted.contains(each.ending));
        connect(box, &QCheckBox::toggled, this, &ExportDialog::refresh);
        const int at = static_cast<int>(endings_.size());
        kinds->addWidget(box, at / 2, at % 2);
        endings_.emplace_back(each.ending, box);
    }
    column->addLayout(kinds);

    auto* form = new QFormLayout;
    form->setHorizontalSpacing(12);
    storage_->setObjectName("export_storage");
    storage_->setText(settings.value("export/storage", "const").toString());
    storage_->setToolTip(tr("What precedes each array in C"));
    element_->setObjectName("export_element");
    element_->setEditable(true);
    element_->addItem("uint8_t");
    if (hasWords)
        element_->addItem("uint16_t");
    element_->setToolTip(tr("Type of the arrays' elements: of 8 bits, or of 16 for formats of 16 bits"));
    form->addRow(tr("Storage"), storage_);
    form->addRow(tr("Elements"), element_);
    auto* place = new QWidget(this);
    auto* row = new QHBoxLayout(place);
    row->setContentsMargins(0, 0, 0, 0);
    folder_->setObjectName("export_folder");
    folder_->setText(settings.value("export/folder", folder).toString());
    auto* choose = new QToolButton(place);
    choose->setIcon(Theme::icon("folder"));
    choose->setToolTip(tr("Choose the folder"));
    row->addWidget(folder_, 1);
    row->addWidget(choose);
    form->addRow(tr("Folder"), place);
    column->addLayout(form);

    files_->setObjectName("export_files");
    files_->setWordWrap(true);
    files_->setFont(Theme::figures());
    files_->setMinimumHeight(48);
    files_->setAlignment(Qt::AlignTop | Qt::AlignLeft);
    column->addWidget(files_, 1);
    auto* buttons = new QDialogButtonBox(QDialogButtonBox::Ok | QDialogButtonBox::Cancel, this);
    ok_ = buttons->button(QDialogButtonBox::Ok);
    ok_->setText(tr("Write"));
    ok_->setObjectName("export_write");
    column->addWidget(buttons);
    connect(choose, &QToolButton::clicked, this, &ExportDialog::chooseFolder);
    for (QLineEdit* field : {folder_, storage_, element_->lineEdit()})
        connect(field, &QLineEdit::textChanged, this, &ExportDialog::refresh);
    connect(buttons, &QDialogButtonBox::rejected, this, &QDialog::reject);
    connect(buttons, &QDialogButtonBox::accepted, this, &ExportDialog::write);
    refresh();
}

QString ExportDialog::folder() const { return folder_->text().trimmed(); }

std::vector<std::string> ExportDialog::endings() const {
    std::vector<std::string> out;
    for (const auto& [ending, box] : endings_)
        if (box->isChecked())
            out.push_back(ending);
    return out;
}

ExportStyle ExportDialog::style(const QString& image) const {
    return {image.toStdString(), storage_->text().trimmed().toStdString(),
            element_->currentText().trimmed().toStdString()};
}

void ExportDialog::chooseFolder() {
    if (const QString chosen = QFileDialog::getExistingDirectory(this, tr("Export into"), folder()); !chosen.isEmpty())
        folder_->setText(chosen);
}

void ExportDialog::say(const QString& words, bool error) {
    files_->setText(words);
    files_->setStyleSheet(QString("color: %1").arg(Theme::colour(error ? Role::Error : Role::QuietText).name()));
}

void ExportDialog::write() {
    if (const auto written = writeAll_(*this); !written) {
        say(fromStd(written.error().text()), true);
        return;
    }
    QStringList chosen;
    for (const std::string& each : endings())
        chosen << fromStd(each);
    QSettings settings;
    settings.setValue("export/endings", chosen);
    settings.setValue("export/storage", storage_->text());
    settings.setValue("export/folder", folder());
    accept();
}

// The files that would be written, and which of them are there already.
void ExportDialog::refresh() {
    QStringList names;
    int replaced = 0;
    for (const QString& image : std::as_const(images_))
        for (const std::string& ending : endings()) {
            names << image + fromStd(ending);
            replaced += QFile::exists(QDir(folder()).filePath(names.back()));
        }
    const bool isThere = !folder().isEmpty() && QDir(folder()).exists();
    QString words = names.isEmpty() ? tr("Choose what is written.")
                    : !isThere      ? tr("There is no such folder.")
                                    : names.mid(0, 6).join("  ");
    if (isThere && names.size() > 6)
        words += tr("  and %1 more").arg(names.size() - 6);
    if (isThere && replaced > 0)
        words += "\n" + (replaced == 1 ? tr("1 of them is there and will be replaced.")
                                       : tr("%1 of them are there and will be replaced.").arg(replaced));
    say(words, false);
    ok_->setEnabled(isThere && !names.isEmpty());
}

}  // namespace gorsefinch::app
