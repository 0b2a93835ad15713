// SPDX-License-Identifier: GPL-3.0-or-later
#include "app/widgets/shelf_dialog.h"

#include <QDialogButtonBox>
#include <QLabel>
#include <QListWidget>
#include <QMessageBox>
#include <QPainter>
#include <QPushButton>
#include <QStandardPaths>
#include <QVBoxLayout>

#include "app/theme/theme.h"
#include "app/widgets/frame_picture.h"
#include "app/widgets/glyph_picture.h"
#include "core/font/baked_font.h"
#include "core/image/baked_image.h"

namespace gorsefinch::app {

namespace {

constexpr QSize kShelfPicture(72, 44);

QPixmap centred(const QImage& image) {
    QPixmap out(kShelfPicture);
    out.fill(Qt::transparent);
    QPainter painter(&out);
    const QSize size = image.size().scaled(kShelfPicture.boundedTo(image.size()), Qt::KeepAspectRatio);
    painter.setRenderHint(QPainter::SmoothPixmapTransform, size.width() < image.width());
    painter.drawImage(
        QRect(QPoint((kShelfPicture.width() - size.width()) / 2, (kShelfPicture.height() - size.height()) / 2), size),
        image);
    return out;
}

QPixmap thumbnail(const Document& shelf, const Image& image, ImageBakery& bakery) {
    const auto baked = bakery.bake(shelf, image);
    return baked ? centred(toImage((*baked)->picture(0))) : QPixmap(kShelfPicture);
}

QPixmap thumbnail(const Document& shelf, const Face& face) {
    const FontKey key{face.name, 22};
    auto source = fontSource(shelf, key, 8);
    if (!source)
        return QPixmap(kShelfPicture);
    BakedFont font(key, std::move(*source));
    font.bake();
    return centred(wordPicture(font, U"Aag1", Theme::colour(Role::Text)));
}

QString sizesOf(const Face& face) {
    QStringList out;
    for (const FontSize& each : face.sizes)
        out << QString::number(each.size);
    return out.isEmpty() ? QString() : ShelfDialog::tr("  ·  %1 px").arg(out.join(", "));
}

}  // namespace

QString shelfFolder() { return QStandardPaths::writableLocation(QStandardPaths::AppDataLocation) + "/shelf"; }

ShelfDialog::ShelfDialog(What what, QWidget* parent)
    : QDialog(parent),
      what_(what),
      shelf_(disk_, shelfFolder().toStdString()),
      list_(new QListWidget(this)),
      empty_(new QLabel(this)) {
    setWindowTitle(what == What::Images ? tr("Pictures on your shelf") : tr("Faces on your shelf"));
    resize(440, 420);
    auto* column = new QVBoxLayout(this);
    column->setSpacing(8);
    empty_->setText(what == What::Images ? tr("Nothing yet. In the Images station, \"Put on my shelf\" keeps a picture "
                                              "with its recipe for other projects.")
                                         : tr("Nothing yet. In the Fonts station, \"Put on my shelf\" keeps a face "
                                              "with its sizes for other projects."));
    empty_->setWordWrap(true);
    empty_->setProperty("quiet", true);
    column->addWidget(empty_);
    list_->setObjectName("shelf");
    list_->setIconSize(kShelfPicture);
    list_->setSelectionMode(QAbstractItemView::ExtendedSelection);
    column->addWidget(list_, 1);
    auto* buttons = new QDialogButtonBox(QDialogButtonBox::Ok | QDialogButtonBox::Cancel, this);
    take_ = buttons->button(QDialogButtonBox::Ok);
    take_->setText(tr("Take into the project"));
    remove_ = buttons->addButton(tr("Off the shelf"), QDialogButtonBox::ActionRole);
    remove_->setObjectName("off_shelf");
    column->addWidget(buttons);
    connect(buttons, &QDialogButtonBox::accepted, this, &QDialog::accept);
    connect(buttons, &QDialogButtonBox::rejected, this, &QDialog::reject);
    connect(remove_, &QPushButton::clicked, this, &ShelfDialog::removeChosen);
    connect(list_, &QListWidget::itemDoubleClicked, this, &QDialog::accept);
    connect(list_, &QListWidget::itemSelectionChanged, this, [this] {
        const bool any = !list_->selectedItems().isEmpty();
        take_->setEnabled(any);
        remove_->setEnabled(any);
    });
    fill();
}

void ShelfDialog::fill() {
    held_ = shelf_.read();
    list_->clear();
    ImageBakery bakery;
    if (what_ == What::Images)
        for (const Image& each : *held_.images)
            new QListWidgetItem(thumbnail(held_, each, bakery), QString::fromStdString(each.name), list_);
    else
        for (const Face& each : *held_.faces)
            new QListWidgetItem(thumbnail(held_, each), QString::fromStdString(each.name) + sizesOf(each), list_);
    empty_->setVisible(list_->count() == 0);
    list_->setVisible(list_->count() > 0);
    take_->setEnabled(false);
    remove_->setEnabled(false);
    list_->setCurrentRow(0);
}

std::vector<Image> ShelfDialog::images() const {
    std::vector<Image> out;
    for (const QListWidgetItem* each : list_->selectedItems())
        if (what_ == What::Images)
            out.push_back((*held_.images)[static_cast<size_t>(list_->row(each))]);
    return out;
}

std::vector<Face> ShelfDialog::faces() const {
    std::vector<Face> out;
    for (const QListWidgetItem* each : list_->selectedItems())
        if (what_ == What::Faces)
            out.push_back((*held_.faces)[static_cast<size_t>(list_->row(each))]);
    return out;
}

void ShelfDialog::removeChosen() {
    std::vector<std::string> gone[2];
    for (const Image& each : images())
        gone[0].push_back(each.name);
    for (const Face& each : faces())
        gone[1].push_back(each.name);
    if (const auto removed = shelf_.remove(gone[0], gone[1]); !removed)
        QMessageBox::warning(this, windowTitle(), QString::fromStdString(removed.error().text()));
    fill();
}

}  // namespace gorsefinch::app
