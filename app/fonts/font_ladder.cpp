// SPDX-License-Identifier: GPL-3.0-or-later
#include "app/fonts/font_ladder.h"

#include <QHeaderView>
#include <QLabel>
#include <QPainter>
#include <QStyledItemDelegate>
#include <QVBoxLayout>

#include "app/fonts/font_editor.h"
#include "app/fonts/specimen_view.h"
#include "app/session/session.h"
#include "app/theme/theme.h"
#include "app/widgets/elided_label.h"
#include "app/widgets/counted.h"
#include "app/widgets/frame_picture.h"
#include "app/widgets/heading.h"
#include "core/edits/font_edits.h"

namespace gorsefinch::app {

namespace {

constexpr int kDepths[] = {1, 2, 4, 8};
constexpr int kSampleWidth = 144;
enum SizeData { PlainWords = Qt::UserRole, PackedWords, Taken };

// The sizes around one, for comparing.
std::vector<int> sizesAround(int size) {
    std::set<int> out;
    const int step = std::max(1, size / 12);
    for (const int each : {size - 2 * step, size - step, size, size + step, size + 2 * step, size * 3 / 2, size * 2})
        out.insert(std::clamp(each, kMinFontSize, kMaxFontSize));
    return {out.begin(), out.end()};
}

class SizePainter : public QStyledItemDelegate {
  public:
    using QStyledItemDelegate::QStyledItemDelegate;
    void paint(QPainter* painter, const QStyleOptionViewItem& option, const QModelIndex& index) const override {
        const QRect r = option.rect;
        const bool taken = index.data(Taken).toBool();
        painter->fillRect(r, Theme::colour(taken ? Role::AccentSoft : Role::Surface));
        const QImage picture = index.data(Qt::DecorationRole).value<QImage>();
        painter->save();
        painter->setClipRect(r.adjusted(6, 4, -6, -4));
        painter->drawImage(r.left() + 6, r.top() + 4, picture);
        painter->restore();
        painter->setFont(Theme::figures());
        painter->setPen(Theme::colour(Role::Text));
        const QRect words = r.adjusted(8, 0, -8, -3);
        painter->drawText(words, Qt::AlignLeft | Qt::AlignBottom, index.data(PlainWords).toString());
        painter->setPen(Theme::colour(Role::QuietText));
        painter->drawText(words, Qt::AlignRight | Qt::AlignBottom, index.data(PackedWords).toString());
        if (taken || (option.state & QStyle::State_HasFocus)) {
            painter->setPen(QPen(Theme::colour(Role::Accent), 2, taken ? Qt::SolidLine : Qt::DotLine));
            painter->drawRect(r.adjusted(1, 1, -2, -2));
        }
    }
};

}  // namespace

FontLadder::FontLadder(Session& session, FontEditor& editor, SpecimenView& specimen, QWidget* parent)
    : QWidget(parent),
      session_(session),
      editor_(editor),
      specimen_(specimen),
      table_(new QTableWidget(this)),
      state_(new ElidedLabel(this)) {
    auto* column = new QVBoxLayout(this);
    column->setContentsMargins(0, 0, 0, 6);
    column->setSpacing(4);
    auto* bar = headingRow(tr("Ladder"), state_);
    bar->setContentsMargins(12, 8, 12, 0);
    column->addLayout(bar);
    table_->setObjectName("font_ladder");
    table_->setColumnCount(4);
    table_->setHorizontalHeaderLabels({tr("1 bit"), tr("2 bits"), tr("4 bits"), tr("8 bits")});
    table_->horizontalHeader()->setSectionResizeMode(QHeaderView::Stretch);
    table_->horizontalHeader()->setHighlightSections(false);
    table_->verticalHeader()->setHighlightSections(false);
    table_->verticalHeader()->setDefaultAlignment(Qt::AlignRight | Qt::AlignVCenter);
    table_->setEditTriggers(QAbstractItemView::NoEditTriggers);
    table_->setSelectionMode(QAbstractItemView::NoSelection);
    table_->setVerticalScrollMode(QAbstractItemView::ScrollPerPixel);
    table_->setShowGrid(false);
    table_->setItemDelegate(new SizePainter(table_));
    column->addWidget(table_, 1);
    connect(table_, &QTableWidget::cellClicked, this, &FontLadder::take);
    connect(table_, &QTableWidget::cellActivated, this, &FontLadder::take);
    connect(&editor, &FontEditor::shown, this, &FontLadder::request);
    connect(&specimen, &SpecimenView::coloursChanged, this, &FontLadder::request);
}

void FontLadder::request() {
    const BakedFont* font = editor_.font();
    if (!font) {
        job_.cancel();
        table_->setRowCount(0);
        state_->setText(tr("bits per pixel and sizes side by side, with their bytes: once a face is chosen"));
        return;
    }
    const FontKey key = editor_.shownKey();
    const std::set<char32_t> characters = font->held();
    SpecimenRequest request{key, specimen_.text(), specimen_.ink(), specimen_.ground(), kSampleWidth, 24, false};
    state_->setText(tr("climbing …"));
    job_.request([this, document = session_.document(), key, characters,
                  request](const std::atomic<bool>& stale) -> NewestJob::Finish {
        std::vector<FontRung> rungs;
        for (const int size : sizesAround(key.size))
            for (const int bits : kDepths) {
                if (stale)
                    return {};
                SpecimenRequest sample = request;
                sample.height = std::min(size * 5 / 4 + 8, 64);
                rungs.push_back(makeFontRung(document, key, size, bits, characters, sample));
            }
        return [this, rungs = std::move(rungs)] { show(rungs); };
    });
}

void FontLadder::show(const std::vector<FontRung>& rungs) {
    if (!editor_.font())
        return;
    const int count = static_cast<int>(rungs.size()) / 4;
    sizes_.clear();
    table_->setRowCount(count);
    const int shownSize = editor_.shownKey().size, shownBits = editor_.font()->bits();
    for (int row = 0; row < count; ++row) {
        const int size = rungs[static_cast<size_t>(row) * 4].size;
        sizes_.push_back(size);
        table_->setVerticalHeaderItem(row, new QTableWidgetItem(QString("%1 px").arg(size)));
        table_->setRowHeight(row, std::min(size * 5 / 4 + 8, 64) + 26);
        for (int column = 0; column < 4; ++column) {
            const FontRung& rung = rungs[static_cast<size_t>(row) * 4 + static_cast<size_t>(column)];
            auto* item = new QTableWidgetItem;
            item->setData(Qt::DecorationRole, toImage(rung.sample));
            item->setData(PlainWords, bytesText(static_cast<qint64>(rung.plainBytes)));
            item->setData(PackedWords, tr("runs %1").arg(bytesText(static_cast<qint64>(rung.packedBytes))));
            item->setData(Taken, rung.size == shownSize && rung.bits == shownBits);
            item->setToolTip(tr("%1 px, %2 a pixel\n%L3 B plain, %L4 B by runs\nClick to take it")
                                 .arg(rung.size)
                                 .arg(counted(rung.bits, tr("bit"), tr("bits")))
                                 .arg(rung.plainBytes)
                                 .arg(rung.packedBytes));
            table_->setItem(row, column, item);
        }
    }
    for (int row = 0; row < count; ++row)
        if (sizes_[static_cast<size_t>(row)] == shownSize)
            table_->scrollToItem(table_->item(row, 0), QAbstractItemView::PositionAtCenter);
    state_->setText(tr("another size replaces it wherever it is used"));
}

void FontLadder::take(int row, int column) {
    if (row < 0 || row >= static_cast<int>(sizes_.size()) || !editor_.font())
        return;
    const FontKey key = editor_.shownKey();
    const int size = sizes_[static_cast<size_t>(row)], bits = kDepths[column];
    Document next = session_.document();
    if (bits != editor_.font()->bits()) {
        FontSettings settings = next.face(key.face)->settings(key.size);
        settings.bits = bits;
        next = withFontSettings(next, key, settings);
    }
    const FontKey to{key.face, size};
    const bool ofSize = editor_.current().size != 0;
    if (size != key.size)
        next = resizeFont(next, key, size);
    if (size == key.size && bits == editor_.font()->bits())
        return;
    session_.edit(next, tr("Take %1 px, %2").arg(size).arg(counted(bits, tr("bit"), tr("bits"))));
    if (ofSize)
        editor_.setCurrent(to);
}

}  // namespace gorsefinch::app
