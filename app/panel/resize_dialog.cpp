// SPDX-License-Identifier: GPL-3.0-or-later
#include "app/panel/resize_dialog.h"

#include <QButtonGroup>
#include <QDialogButtonBox>
#include <QHBoxLayout>
#include <QLabel>
#include <QPushButton>
#include <QRadioButton>
#include <QVBoxLayout>

#include "app/theme/theme.h"
#include "app/widgets/frame_picture.h"
#include "core/sim/draw_screen.h"

namespace gorsefinch::app {

namespace {

constexpr int kResizedPicture = 210;  // px of the longer side

QPixmap pictureOf(const Document& document, int screen) {
    SceneBuilder builder;
    const QImage picture = toImage(drawScreen(*builder.build(document), screen));
    return QPixmap::fromImage(
        picture.scaled(kResizedPicture, kResizedPicture, Qt::KeepAspectRatio, Qt::SmoothTransformation));
}

}  // namespace

ResizeDialog::ResizeDialog(const Document& document, const Panel& panel, int screen, QWidget* parent)
    : QDialog(parent), ways_(new QButtonGroup(this)) {
    setWindowTitle(tr("A panel of %1 x %2").arg(panel.width).arg(panel.height));
    auto* column = new QVBoxLayout(this);
    auto* question = new QLabel(
        tr("What becomes of the widgets? From now on other sizes are treated the same way; the row \"Layout\" of this "
           "station changes that."),
        this);
    question->setWordWrap(true);
    column->addWidget(question);
    auto* row = new QHBoxLayout;
    row->setSpacing(16);
    const struct {
        PanelResize how;
        QString title, help;
    } ways[] = {{PanelResize::Keep, tr("Keep their places"), tr("All stays where it is.")},
                {PanelResize::FollowEdges, tr("Follow the edges"), tr("Anchors hold, as widgets have them.")},
                {PanelResize::Scale, tr("Scale"), tr("Boxes and texts grow or shrink with the panel.")}};
    for (const auto& way : ways) {
        auto* part = new QVBoxLayout;
        auto* button = new QRadioButton(way.title, this);
        button->setChecked(way.how == PanelResize::FollowEdges);
        ways_->addButton(button, static_cast<int>(way.how));
        auto* picture = new QLabel(this);
        picture->setPixmap(pictureOf(withPanelSize(document, panel, way.how), screen));
        picture->setFixedSize(kResizedPicture, picture->pixmap().height());
        picture->setAlignment(Qt::AlignCenter);
        auto* help = new QLabel(way.help, this);
        help->setProperty("quiet", true);
        help->setWordWrap(true);
        part->addWidget(button);
        part->addWidget(picture);
        part->addWidget(help);
        part->addStretch(1);
        row->addLayout(part);
    }
    column->addLayout(row);
    auto* buttons = new QDialogButtonBox(QDialogButtonBox::Cancel, this);
    auto* take = buttons->addButton(tr("Change the size"), QDialogButtonBox::AcceptRole);
    take->setDefault(true);
    column->addWidget(buttons);
    connect(buttons, &QDialogButtonBox::accepted, this, &QDialog::accept);
    connect(buttons, &QDialogButtonBox::rejected, this, &QDialog::reject);
}

PanelResize ResizeDialog::chosen() const { return static_cast<PanelResize>(ways_->checkedId()); }

}  // namespace gorsefinch::app
