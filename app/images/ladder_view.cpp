// SPDX-License-Identifier: GPL-3.0-or-later
#include "app/images/ladder_view.h"

#include <QComboBox>
#include <QLabel>
#include <QListWidget>
#include <QPainter>
#include <QStyledItemDelegate>
#include <QVBoxLayout>
#include <cmath>

#include "app/images/image_editor.h"
#include "app/session/session.h"
#include "app/theme/theme.h"
#include "app/widgets/elided_label.h"
#include "app/widgets/counted.h"
#include "app/widgets/frame_picture.h"
#include "app/widgets/heading.h"
#include "core/image/tone.h"

namespace gorsefinch::app {

namespace {

constexpr QSize kRung{138, 132};
enum RungData { Format = Qt::UserRole, Way, PlainText, ErrorText, Number };

QString wayWords(const Rung& rung) {
    static const char* const words[] = {"nearest", "4x4", "8x8", "blue", "F-S", "Atk."};
    const QString way = words[static_cast<size_t>(rung.reduction)];
    return rung.colours == 0 ? way : QString("%1 %2").arg(way).arg(rung.colours);
}

class RungPainter : public QStyledItemDelegate {
  public:
    using QStyledItemDelegate::QStyledItemDelegate;
    QSize sizeHint(const QStyleOptionViewItem&, const QModelIndex&) const override { return kRung; }
    void paint(QPainter* painter, const QStyleOptionViewItem& option, const QModelIndex& index) const override {
        const QRect r = option.rect.adjusted(3, 3, -3, -3);
        const bool chosen = option.state & QStyle::State_Selected;
        if (chosen) {
            painter->setRenderHint(QPainter::Antialiasing);
            painter->setPen(QPen(Theme::colour(Role::Accent), 2));
            painter->setBrush(Theme::colour(Role::AccentSoft));
            painter->drawRoundedRect(r, 4, 4);
            painter->setRenderHint(QPainter::Antialiasing, false);
        }
        const QPixmap picture = index.data(Qt::DecorationRole).value<QPixmap>();
        const QSize size = picture.size() / picture.devicePixelRatio();
        painter->drawPixmap(r.left() + (r.width() - size.width()) / 2, r.top() + 6 + (76 - size.height()) / 2, picture);
        const QRect words = r.adjusted(8, 88, -8, -4);
        painter->setPen(Theme::colour(Role::Text));
        painter->setFont(Theme::text(12, true));
        const QString format = index.data(Format).toString();
        painter->drawText(words, Qt::AlignLeft | Qt::AlignTop, format);
        const int after = painter->fontMetrics().horizontalAdvance(format) + 5;
        painter->setFont(Theme::text());
        painter->setPen(Theme::colour(Role::QuietText));
        painter->drawText(
            words.adjusted(after, 0, 0, 0), Qt::AlignLeft | Qt::AlignTop,
            painter->fontMetrics().elidedText(index.data(Way).toString(), Qt::ElideRight, words.width() - after));
        painter->setFont(Theme::figures());
        painter->setPen(Theme::colour(Role::Text));
        painter->drawText(words.adjusted(0, 17, 0, 0), Qt::AlignLeft | Qt::AlignTop, index.data(PlainText).toString());
        painter->setPen(Theme::colour(Role::QuietText));
        painter->drawText(words.adjusted(0, 17, 0, 0), Qt::AlignRight | Qt::AlignTop, index.data(ErrorText).toString());
    }
};

QPixmap rungPicture(const Picture& picture) {
    const QImage image = toImage(picture);
    const QSizeF room(102, 76);
    const QSizeF size = QSizeF(image.size()).scaled(room.boundedTo(QSizeF(image.size()) * 3), Qt::KeepAspectRatio);
    QPixmap out((size * 2).toSize().expandedTo({2, 2}));
    out.setDevicePixelRatio(2);
    out.fill(Qt::transparent);
    QPainter painter(&out);
    painter.setRenderHint(QPainter::SmoothPixmapTransform, size.width() * 2 < image.width());
    painter.drawImage(QRectF(QPointF(), size), image);
    return out;
}

}  // namespace

LadderView::LadderView(Session& session, ImageEditor& editor, QWidget* parent)
    : QWidget(parent),
      session_(session),
      editor_(editor),
      order_(new QComboBox(this)),
      list_(new QListWidget(this)),
      state_(new ElidedLabel(this)) {
    auto* column = new QVBoxLayout(this);
    column->setContentsMargins(0, 0, 0, 6);
    column->setSpacing(4);
    order_->setObjectName("ladder_order");
    order_->addItems({tr("by bytes"), tr("by packed bytes"), tr("by error"), tr("by colours")});
    order_->setToolTip(tr("What the ladder is sorted by"));
    auto* bar = headingRow(tr("Ladder"), state_, order_);
    bar->setContentsMargins(12, 8, 12, 0);
    column->addLayout(bar);
    list_->setObjectName("ladder");
    list_->setViewMode(QListView::IconMode);
    list_->setMovement(QListView::Static);
    list_->setResizeMode(QListView::Adjust);
    list_->setUniformItemSizes(true);
    list_->setItemDelegate(new RungPainter(list_));
    list_->setVerticalScrollMode(QAbstractItemView::ScrollPerPixel);
    column->addWidget(list_, 1);
    connect(order_, &QComboBox::activated, this, &LadderView::show);
    const auto takeRung = [this](QListWidgetItem* item) {
        const Rung rung = results_[static_cast<size_t>(item->data(Number).toInt())].rung;
        editor_.change([&](Recipe& r) { r = withRung(r, rung, session_.document().panel->format); },
                       tr("Take %1 %2").arg(info(rung.format).key, wayWords(rung)));
    };
    connect(list_, &QListWidget::itemClicked, this, takeRung);
    connect(list_, &QListWidget::itemActivated, this, takeRung);
    connect(&editor, &ImageEditor::shown, this, &LadderView::request);
}

// Climbs when the picture, its shape or its tone are others than those of the last climb.
void LadderView::request() {
    const Image* image = editor_.image();
    if (!image || !editor_.original()) {
        job_.cancel();
        made_.reset();
        results_.clear();
        list_->clear();
        state_->setText(tr("every pixel format's bytes and error, once a picture is chosen"));
        return;
    }
    // What the rungs themselves decide does not count.
    const auto ground = [this](Image each) {
        each.recipe = withRung(each.recipe, {}, session_.document().panel->format);
        each.recipe.format.reset();
        each.recipe.palette.clear();
        each.recipe.paletteSource = PaletteSource::Picture;
        each.recipe.packing = Packing::Plain;
        each.recipe.outside = false;
        return each;
    };
    const Image now = ground(*image);
    if (made_ && made_->original == now.original && made_->more == now.more && made_->recipe == now.recipe) {
        mark();
        return;
    }
    made_ = now;
    state_->setText(tr("climbing …"));
    const OriginalRef original = editor_.original();
    const PixelFormat panel = session_.document().panel->format;
    const Colour ground0 = backgroundOf(session_.document(), *session_.document().screens.front());
    job_.request([this, original, now, panel, ground0](const std::atomic<bool>& stale) -> NewestJob::Finish {
        ImageBakery bakery;
        bakery.adoptOriginal(now, original);
        Image first = now;
        first.recipe.frames = {now.recipe.frames.empty() ? FrameUse{} : now.recipe.frames.front()};
        const auto frames = bakery.shapedFrames(first);
        if (!frames)
            return {};
        Recipe recipe = now.recipe;
        if (recipe.background.argb >> 24 == 0)
            recipe.background = opaque(ground0.argb & 0xffffff);
        const Picture picture = toned((*frames)->front(), recipe);
        std::vector<RungResult> results;
        for (const Rung& rung : ladderRungs(panel)) {
            if (stale)
                return {};
            results.push_back(makeRung(picture, rung, recipe));
        }
        return [this, results = std::move(results)]() mutable {
            results_ = std::move(results);
            show();
        };
    });
}

void LadderView::show() {
    std::vector<size_t> order(results_.size());
    for (size_t i = 0; i < order.size(); ++i)
        order[i] = i;
    std::stable_sort(order.begin(), order.end(), [&](size_t a, size_t b) {
        const RungResult &x = results_[a], &y = results_[b];
        switch (order_->currentIndex()) {
            case 1: return x.runBytes < y.runBytes;
            case 2: return x.difference < y.difference;
            case 3: return x.colours < y.colours;
            default: return x.plainBytes < y.plainBytes;
        }
    });
    list_->clear();
    for (const size_t i : order) {
        const RungResult& r = results_[i];
        auto* item = new QListWidgetItem(list_);
        item->setData(Qt::DecorationRole, rungPicture(r.picture));
        item->setData(Format, QString(info(r.rung.format).key));
        item->setData(Way, wayWords(r.rung));
        item->setData(PlainText,
                      bytesText(static_cast<qint64>(order_->currentIndex() == 1 ? r.runBytes : r.plainBytes)));
        item->setData(ErrorText,
                      order_->currentIndex() == 3 ? QString::number(r.colours) : QString::number(r.difference, 'f', 1));
        item->setData(Number, static_cast<int>(i));
        item->setToolTip(tr("%1, %2\n%3 plain, %4 by runs, %5 colours\nmean colour difference %6, PSNR %7")
                             .arg(info(r.rung.format).key, info(r.rung.format).help,
                                  bytesText(static_cast<qint64>(r.plainBytes)),
                                  bytesText(static_cast<qint64>(r.runBytes)))
                             .arg(r.colours)
                             .arg(r.difference, 0, 'f', 2)
                             .arg(std::isinf(r.psnr) ? tr("without loss") : QString("%1 dB").arg(r.psnr, 0, 'f', 1)));
    }
    const bool several = editor_.baked() && editor_.baked()->frames.size() > 1;
    state_->setText(several ? tr("first frame's bytes · error 100 is black to white")
                            : tr("error = mean colour difference, 100 is black to white"));
    mark();
}

void LadderView::mark() {
    const Rung now = rungOf(editor_.recipe(), session_.document().panel->format);
    list_->clearSelection();
    for (int i = 0; i < list_->count(); ++i)
        if (results_[static_cast<size_t>(list_->item(i)->data(Number).toInt())].rung == now)
            list_->setCurrentRow(i);
}

}  // namespace gorsefinch::app
