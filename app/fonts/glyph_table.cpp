// SPDX-License-Identifier: GPL-3.0-or-later
#include "app/fonts/glyph_table.h"

#include <QAbstractListModel>
#include <QLabel>
#include <QListView>
#include <QPainter>
#include <QStyledItemDelegate>
#include <QVBoxLayout>

#include "app/fonts/font_editor.h"
#include "app/theme/theme.h"
#include "app/widgets/elided_label.h"
#include "app/widgets/counted.h"
#include "app/widgets/glyph_picture.h"
#include "app/widgets/heading.h"
#include "core/base/characters.h"
#include "core/font/unicode_blocks.h"

namespace gorsefinch::app {

namespace {

constexpr QSize kCell{52, 60};
enum GlyphData { Character = Qt::UserRole, Missing, ByHand };

}  // namespace

// Characters that are held, then those that are needed and missing.
class GlyphModel : public QAbstractListModel {
  public:
    GlyphModel(FontEditor& editor, QObject* parent) : QAbstractListModel(parent), editor_(editor) {}

    void reload() {
        std::vector<char32_t> characters;
        size_t held = 0;
        if (const BakedFont* font = editor_.font()) {
            characters.assign(font->held().begin(), font->held().end());
            held = characters.size();
            for (const char32_t each : font->missing())
                characters.push_back(each);
        }
        if (characters == characters_ && held == held_) {
            if (!characters_.empty())
                Q_EMIT dataChanged(index(0), index(rowCount() - 1));
            return;
        }
        beginResetModel();
        characters_ = std::move(characters);
        held_ = held;
        endResetModel();
    }
    int rowOf(char32_t character) const {
        const auto at = std::find(characters_.begin(), characters_.end(), character);
        return at == characters_.end() ? -1 : static_cast<int>(at - characters_.begin());
    }
    size_t held() const { return held_; }

    int rowCount(const QModelIndex& parent = {}) const override {
        return parent.isValid() ? 0 : static_cast<int>(characters_.size());
    }
    QVariant data(const QModelIndex& index, int role) const override {
        if (!index.isValid() || index.row() >= rowCount() || !editor_.font())
            return {};
        const char32_t character = characters_[static_cast<size_t>(index.row())];
        const bool missing = static_cast<size_t>(index.row()) >= held_;
        switch (role) {
            case Character: return static_cast<uint>(character);
            case Missing: return missing;
            case ByHand: return editor_.font()->isByHand(character);
            case Qt::DisplayRole: return QString::fromStdString(characterCode(character)).mid(2);
            case Qt::DecorationRole:
                return missing ? QVariant()
                               : QVariant(glyphPicture(*editor_.font(), character, Theme::colour(Role::Text)));
            case Qt::ToolTipRole:
                return QString::fromUcs4(&character, 1) + "  " + QString::fromStdString(characterCode(character)) +
                       "\n" + QString::fromStdString(characterName(character)).toLower() +
                       (missing ? GlyphTable::tr("\nneeded, but no face of this font has it") : QString());
            default: return {};
        }
    }

  private:
    FontEditor& editor_;
    std::vector<char32_t> characters_;
    size_t held_ = 0;
};

namespace {

class GlyphDelegate : public QStyledItemDelegate {
  public:
    using QStyledItemDelegate::QStyledItemDelegate;
    QSize sizeHint(const QStyleOptionViewItem&, const QModelIndex&) const override { return kCell; }
    void paint(QPainter* painter, const QStyleOptionViewItem& option, const QModelIndex& index) const override {
        const QRect r = option.rect.adjusted(2, 2, -2, -2);
        const bool chosen = option.state & QStyle::State_Selected;
        painter->fillRect(r, Theme::colour(chosen ? Role::AccentSoft : Role::Field));
        if (chosen) {
            painter->setPen(Theme::colour(Role::Accent));
            painter->drawRect(r.adjusted(0, 0, -1, -1));
        }
        const bool missing = index.data(Missing).toBool();
        const QRect room = r.adjusted(3, 3, -3, -16);
        if (missing) {
            painter->setPen(QPen(Theme::colour(Role::Error), 1, Qt::DashLine));
            painter->drawRect(room.adjusted(10, 4, -11, -5));
        } else {
            const QImage glyph = index.data(Qt::DecorationRole).value<QImage>();
            const int times = std::clamp(
                std::min(room.width() / std::max(glyph.width(), 1), room.height() / std::max(glyph.height(), 1)), 0, 2);
            // Larger ones are cut to a smooth small picture; the large view shows their pixels.
            const QSize size = times > 0 ? glyph.size() * times : glyph.size().scaled(room.size(), Qt::KeepAspectRatio);
            const QRect at(QPoint(room.center().x() - size.width() / 2, room.center().y() - size.height() / 2), size);
            painter->setRenderHint(QPainter::SmoothPixmapTransform, times == 0);
            painter->drawImage(at, glyph);
            painter->setRenderHint(QPainter::SmoothPixmapTransform, false);
        }
        painter->setFont(Theme::figures(10));
        painter->setPen(Theme::colour(missing ? Role::Error : Role::QuietText));
        painter->drawText(r.adjusted(0, 0, 0, -2), Qt::AlignHCenter | Qt::AlignBottom, index.data().toString());
        if (index.data(ByHand).toBool())
            painter->fillRect(QRect(r.right() - 6, r.top() + 2, 5, 5), Theme::colour(Role::Bound));
    }
};

}  // namespace

GlyphTable::GlyphTable(FontEditor& editor, QWidget* parent)
    : QWidget(parent),
      editor_(editor),
      model_(new GlyphModel(editor, this)),
      list_(new QListView(this)),
      count_(new ElidedLabel(this)) {
    auto* column = new QVBoxLayout(this);
    column->setContentsMargins(0, 0, 0, 0);
    column->setSpacing(4);
    auto* bar = headingRow(tr("Glyphs"), count_);
    bar->setContentsMargins(12, 8, 12, 0);
    column->addLayout(bar);
    list_->setObjectName("glyphs");
    list_->setViewMode(QListView::IconMode);
    list_->setMovement(QListView::Static);
    list_->setResizeMode(QListView::Adjust);
    list_->setUniformItemSizes(true);
    list_->setVerticalScrollMode(QAbstractItemView::ScrollPerPixel);
    list_->setModel(model_);
    list_->setItemDelegate(new GlyphDelegate(list_));
    list_->setStyleSheet("QListView { padding: 0 8px; }");
    column->addWidget(list_, 1);
    connect(&editor, &FontEditor::shown, this, &GlyphTable::refresh);
    connect(&editor, &FontEditor::characterChanged, this, &GlyphTable::follow);
    connect(list_->selectionModel(), &QItemSelectionModel::currentChanged, this, [this](const QModelIndex& now) {
        if (now.isValid() && !refreshing_)
            editor_.setCharacter(static_cast<char32_t>(now.data(Character).toUInt()));
    });
}

void GlyphTable::refresh() {
    refreshing_ = true;
    model_->reload();
    refreshing_ = false;
    const BakedFont* font = editor_.font();
    const qsizetype missing = font ? static_cast<qsizetype>(font->missing().size()) : 0;
    QString words = font ? tr("%1 held").arg(model_->held()) : QString();
    if (missing > 0)
        words += tr(" · %1 missing").arg(missing);
    if (font && !editor_.isUsed() && editor_.settings().holds.empty())
        words = tr("a sample: nothing uses this size yet");
    count_->setText(words);
    follow();
}

void GlyphTable::follow() {
    const int row = model_->rowOf(editor_.character());
    if (row >= 0 && row != list_->currentIndex().row())
        list_->setCurrentIndex(model_->index(row));
}

}  // namespace gorsefinch::app
