// SPDX-License-Identifier: GPL-3.0-or-later
#include "app/images/frame_strip.h"

#include <QKeyEvent>
#include <QLabel>
#include <QListWidget>
#include <QPainter>
#include <QTimer>
#include <QToolButton>
#include <QVBoxLayout>

#include "app/images/image_editor.h"
#include "app/images/picture_view.h"
#include "app/theme/theme.h"
#include "app/widgets/counted.h"
#include "app/widgets/fields.h"
#include "app/widgets/frame_picture.h"

namespace gorsefinch::app {

namespace {

enum FrameData { Source = Qt::UserRole, Ms };

// The frames as they play now, written out.
std::vector<FrameUse> usesOf(const ImageEditor& editor) {
    if (!editor.recipe().frames.empty())
        return editor.recipe().frames;
    std::vector<FrameUse> out;
    if (editor.original())
        for (size_t i = 0; i < editor.original()->frames.size(); ++i)
            out.push_back({static_cast<int>(i), std::clamp(editor.original()->ms[i], 1, 60000)});
    return out;
}

QPixmap framePicture(const Picture& picture) {
    QPixmap out(88, 72);
    out.setDevicePixelRatio(2);
    out.fill(Qt::transparent);
    const QImage image = toImage(picture);
    const QSizeF room(44, 36);
    const QSizeF size = QSizeF(image.size()).scaled(room, Qt::KeepAspectRatio);
    QPainter painter(&out);
    painter.setRenderHint(QPainter::SmoothPixmapTransform, size.width() < image.width());
    painter.fillRect(QRectF(QPointF((44 - size.width()) / 2, (36 - size.height()) / 2), size), QColor("#14181a"));
    painter.drawImage(QRectF(QPointF((44 - size.width()) / 2, (36 - size.height()) / 2), size), image);
    return out;
}

}  // namespace

FrameStrip::FrameStrip(ImageEditor& editor, PictureView& view, QWidget* parent)
    : QWidget(parent),
      editor_(editor),
      view_(view),
      list_(new QListWidget(this)),
      play_(new QToolButton(this)),
      time_(new NumberField(1, 60000, "ms", this)),
      sum_(new QLabel(this)) {
    auto* column = new QVBoxLayout(this);
    column->setContentsMargins(0, 0, 0, 0);
    column->setSpacing(4);
    auto* bar = new QHBoxLayout;
    bar->setContentsMargins(12, 8, 12, 0);
    auto* title = new QLabel(tr("Frames"), this);
    title->setProperty("heading", true);
    play_->setObjectName("play_frames");
    play_->setIcon(Theme::icon("play"));
    play_->setToolTip(tr("Play as the panel would (Space)"));
    time_->setObjectName("frame_time");
    time_->setFixedWidth(84);
    time_->setToolTip(tr("How long the selected frames are shown"));
    sum_->setFont(Theme::figures());
    sum_->setProperty("quiet", true);
    bar->addWidget(title);
    bar->addSpacing(8);
    bar->addWidget(play_);
    bar->addWidget(time_);
    bar->addWidget(sum_);
    bar->addStretch(1);
    column->addLayout(bar);
    list_->setObjectName("frames");
    list_->setToolTip(tr("Drag to reorder, Del drops what is selected"));
    list_->setFlow(QListView::LeftToRight);
    list_->setWrapping(false);
    list_->setViewMode(QListView::ListMode);
    list_->setIconSize({44, 36});
    list_->setDragDropMode(QAbstractItemView::InternalMove);
    list_->setSelectionMode(QAbstractItemView::ExtendedSelection);
    list_->setDefaultDropAction(Qt::MoveAction);
    list_->setFixedHeight(64);
    list_->setSpacing(2);
    list_->installEventFilter(this);
    column->addWidget(list_);
    setFixedHeight(104);
    connect(play_, &QToolButton::clicked, this, [this] { view_.setPlaying(!view_.isPlaying()); });
    connect(&view, &PictureView::playingChanged, this,
            [this](bool playing) { play_->setIcon(Theme::icon(playing ? "pause" : "play")); });
    connect(list_, &QListWidget::currentRowChanged, this, [this](int row) {
        if (row >= 0 && !view_.isPlaying())
            view_.setFrame(row);
        if (row >= 0)
            time_->setNumber(list_->item(row)->data(Ms).toInt());
    });
    // The move ends after the drop was signalled.
    connect(list_->model(), &QAbstractItemModel::rowsMoved, this,
            [this] { QTimer::singleShot(0, this, &FrameStrip::takeOrder); });
    connect(time_, &NumberField::numberChosen, this, &FrameStrip::setTime);
    connect(&editor, &ImageEditor::shown, this, &FrameStrip::refresh);
}

void FrameStrip::refresh() {
    const BakedImageRef& baked = editor_.baked();
    const std::vector<FrameUse> uses = usesOf(editor_);
    const bool moves = baked && (uses.size() > 1 || (editor_.original() && editor_.original()->frames.size() > 1));
    setVisible(moves);
    if (!moves)
        return;
    const int row = list_->currentRow();
    const QSignalBlocker block(list_);
    list_->clear();
    int sum = 0;
    for (size_t i = 0; i < std::min(uses.size(), baked->frames.size()); ++i) {
        QIcon icon;
        for (const QIcon::Mode mode : {QIcon::Normal, QIcon::Selected})
            icon.addPixmap(framePicture(baked->picture(i)), mode);
        auto* item = new QListWidgetItem(icon, QString(), list_);
        item->setData(Source, uses[i].source);
        item->setData(Ms, uses[i].ms);
        item->setToolTip(tr("frame %1, the original's %2, %3 ms").arg(i + 1).arg(uses[i].source + 1).arg(uses[i].ms));
        item->setSizeHint({56, 48});
        sum += uses[i].ms;
    }
    list_->setCurrentRow(std::clamp(row, 0, list_->count() - 1));
    time_->setNumber(list_->count() > 0 ? std::optional(list_->currentItem()->data(Ms).toInt()) : std::nullopt);
    sum_->setText(counted(list_->count(), tr("frame"), tr("frames")) + QString(" · %1 s").arg(sum / 1000.0, 0, 'f', 2));
}

void FrameStrip::takeOrder() {
    std::vector<FrameUse> uses;
    uses.reserve(static_cast<size_t>(list_->count()));
    for (int i = 0; i < list_->count(); ++i)
        uses.push_back({list_->item(i)->data(Source).toInt(), list_->item(i)->data(Ms).toInt()});
    editor_.change([&](Recipe& r) { r.frames = uses; }, tr("Reorder frames"));
}

void FrameStrip::dropSelected() {
    const auto selected = list_->selectedItems();
    if (selected.size() >= list_->count())
        return;  // one must stay
    std::vector<FrameUse> uses;
    for (int i = 0; i < list_->count(); ++i)
        if (!selected.contains(list_->item(i)))
            uses.push_back({list_->item(i)->data(Source).toInt(), list_->item(i)->data(Ms).toInt()});
    editor_.change([&](Recipe& r) { r.frames = uses; },
                   tr("Drop %1").arg(counted(selected.size(), tr("frame"), tr("frames"))));
}

void FrameStrip::setTime(int ms) {
    std::vector<FrameUse> uses = usesOf(editor_);
    for (int i = 0; i < list_->count() && i < static_cast<int>(uses.size()); ++i)
        if (list_->item(i)->isSelected() || i == list_->currentRow())
            uses[static_cast<size_t>(i)].ms = ms;
    editor_.change([&](Recipe& r) { r.frames = uses; }, tr("Change a frame's time"), "time");
}

bool FrameStrip::eventFilter(QObject* watched, QEvent* event) {
    if (watched == list_ && event->type() == QEvent::KeyPress) {
        const int key = static_cast<QKeyEvent*>(event)->key();
        if (key == Qt::Key_Delete) {
            dropSelected();
            return true;
        }
        if (key == Qt::Key_Space) {
            view_.setPlaying(!view_.isPlaying());
            return true;
        }
    }
    return QWidget::eventFilter(watched, event);
}

}  // namespace gorsefinch::app
