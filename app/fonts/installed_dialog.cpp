// SPDX-License-Identifier: GPL-3.0-or-later
#include "app/fonts/installed_dialog.h"

#include <QDialogButtonBox>
#include <QLabel>
#include <QLineEdit>
#include <QListWidget>
#include <QPushButton>
#include <QVBoxLayout>

#include "app/theme/theme.h"
#include "app/widgets/find_in_list.h"
#include "app/widgets/glyph_picture.h"
#include "core/base/files.h"
#include "core/font/face_facts.h"

namespace gorsefinch::app {

InstalledDialog::InstalledDialog(QWidget* parent)
    : QDialog(parent),
      faces_(installedFaces()),
      list_(new QListWidget(this)),
      sample_(new QLabel(this)),
      facts_(new QLabel(this)) {
    setWindowTitle(tr("Faces on this desktop"));
    resize(520, 520);
    auto* column = new QVBoxLayout(this);
    column->setSpacing(8);
    auto* find = new QLineEdit(this);
    find->setObjectName("find_installed");
    find->setPlaceholderText(tr("type to find"));
    column->addWidget(find);
    list_->setObjectName("installed");
    for (const InstalledFace& each : faces_) {
        QString words = QString::fromStdString(each.family + " " + each.style);
        if (each.variable)
            words = QString::fromStdString(each.family) + tr(" · variable");
        if (each.bitmap)
            words += tr(" · bitmap");
        auto* item = new QListWidgetItem(words, list_);
        item->setToolTip(QString::fromStdString(each.file));
    }
    column->addWidget(list_, 1);
    sample_->setMinimumHeight(34);
    column->addWidget(sample_);
    facts_->setWordWrap(true);
    facts_->setMinimumHeight(64);
    facts_->setAlignment(Qt::AlignTop);
    facts_->setProperty("quiet", true);
    column->addWidget(facts_);
    auto* buttons = new QDialogButtonBox(QDialogButtonBox::Ok | QDialogButtonBox::Cancel, this);
    buttons->button(QDialogButtonBox::Ok)->setText(tr("Copy into the project"));
    buttons->button(QDialogButtonBox::Ok)->setEnabled(!faces_.empty());
    column->addWidget(buttons);
    findInList(find, list_);
    connect(list_, &QListWidget::currentRowChanged, this, &InstalledDialog::showFacts);
    connect(list_, &QListWidget::itemDoubleClicked, this, &QDialog::accept);
    connect(buttons, &QDialogButtonBox::accepted, this, &QDialog::accept);
    connect(buttons, &QDialogButtonBox::rejected, this, &QDialog::reject);
    list_->setCurrentRow(0);
}

const InstalledFace* InstalledDialog::current() const {
    const int row = list_->currentRow();
    return row >= 0 && row < static_cast<int>(faces_.size()) ? &faces_[static_cast<size_t>(row)] : nullptr;
}

QString InstalledDialog::file() const { return current() ? QString::fromStdString(current()->file) : QString(); }
QString InstalledDialog::variant() const {
    return current() && !current()->variable ? QString::fromStdString(current()->style) : QString();
}

void InstalledDialog::showFacts() {
    sample_->clear();
    facts_->clear();
    const InstalledFace* face = current();
    Disk disk;
    const auto bytes = face ? readOriginal(disk, face->file, kMaxFaceFile) : tl::unexpected(Error{});
    if (!bytes)
        return;
    const auto facts = faceFacts(*bytes, face->file, variant().toStdString());
    if (!facts) {
        facts_->setText(QString::fromStdString(facts.error().text()));
        return;
    }
    FaceRequest request;
    request.size = 22;
    request.bits = 8;
    request.variant = variant().toStdString();
    if (const auto opened = openFace(*bytes, face->file, request)) {
        FontSource source;
        source.faces = {*opened};
        source.settings.bits = 8;
        BakedFont font({"sample", 22}, source);
        font.bake();
        sample_->setPixmap(QPixmap::fromImage(wordPicture(font, U"Bellows 0123456789 °C", Theme::colour(Role::Text))));
    }
    QString licence = QString::fromStdString(facts->licence.empty() ? facts->copyright : facts->licence).simplified();
    if (licence.size() > 220)
        licence = licence.left(219) + QString::fromUtf8("…");
    QString words = licence.isEmpty() ? tr("It says nothing of its licence: make sure that you may ship it.")
                                      : tr("Licence: %1").arg(licence);
    if (!facts->embedding.empty())
        words += "\n" + tr("Mind: %1.").arg(QString::fromStdString(facts->embedding));
    facts_->setText(words);
}

}  // namespace gorsefinch::app
