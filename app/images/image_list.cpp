// SPDX-License-Identifier: GPL-3.0-or-later
#include "app/images/image_list.h"

#include <QComboBox>
#include <QKeyEvent>
#include <QLabel>
#include <QLineEdit>
#include <QListView>
#include <QPainter>
#include <QPushButton>
#include <QSortFilterProxyModel>
#include <QStackedWidget>
#include <QStyledItemDelegate>
#include <QVBoxLayout>

#include "app/images/image_editor.h"
#include "app/images/images_model.h"
#include "app/session/session.h"
#include "app/theme/theme.h"
#include "app/widgets/elided_label.h"
#include "app/widgets/counted.h"
#include "app/widgets/heading.h"
#include "core/image/series.h"

namespace gorsefinch::app {

namespace {

enum class Order { Name, Size, Use };

class SortedImages : public QSortFilterProxyModel {
  public:
    using QSortFilterProxyModel::QSortFilterProxyModel;
    void setOrder(Order order) {
        order_ = order;
        invalidate();
        sort(0);
    }

  protected:
    bool lessThan(const QModelIndex& a, const QModelIndex& b) const override {
        const auto number = [](const QModelIndex& each, int role) { return each.data(role).toLongLong(); };
        if (order_ == Order::Size && number(a, ImagesModel::Bytes) != number(b, ImagesModel::Bytes))
            return number(a, ImagesModel::Bytes) > number(b, ImagesModel::Bytes);
        if (order_ == Order::Use && number(a, ImagesModel::Uses) != number(b, ImagesModel::Uses))
            return number(a, ImagesModel::Uses) > number(b, ImagesModel::Uses);
        return naturallyBefore(a.data(ImagesModel::Name).toString().toStdString(),
                               b.data(ImagesModel::Name).toString().toStdString());
    }

  private:
    Order order_ = Order::Name;
};

// A small picture, the name over its size and format, the bytes at the right.
class ImageDelegate : public QStyledItemDelegate {
  public:
    using QStyledItemDelegate::QStyledItemDelegate;

    QSize sizeHint(const QStyleOptionViewItem&, const QModelIndex&) const override { return {200, 50}; }

    void paint(QPainter* painter, const QStyleOptionViewItem& option, const QModelIndex& index) const override {
        const QRect r = option.rect;
        if (option.state & QStyle::State_Selected)
            painter->fillRect(r, Theme::colour(Role::AccentSoft));
        if (option.state & QStyle::State_HasFocus)
            painter->fillRect(QRect(r.left(), r.top(), 3, r.height()), Theme::colour(Role::Accent));
        painter->drawPixmap(r.left() + 12, r.top() + 6, index.data(Qt::DecorationRole).value<QPixmap>());
        const bool error = !index.data(ImagesModel::Error).toString().isEmpty();
        const bool unused = index.data(ImagesModel::Uses).toInt() == 0;
        const QString bytes = bytesText(index.data(ImagesModel::Bytes).toLongLong());
        painter->setFont(Theme::figures());
        const int room = painter->fontMetrics().horizontalAdvance(bytes) + 8;
        const QRect words = r.adjusted(64, 0, -12, 0);
        painter->setPen(Theme::colour(unused ? Role::QuietText : Role::Text));
        painter->drawText(words.adjusted(0, 8, 0, 0), Qt::AlignRight | Qt::AlignTop, bytes);
        painter->setPen(Theme::colour(error ? Role::Error : Role::QuietText));
        const QString detail =
            (unused && !error ? tr("unused · ") : QString()) + index.data(ImagesModel::Detail).toString();
        painter->drawText(words.adjusted(0, 26, 0, 0), Qt::AlignLeft | Qt::AlignTop,
                          painter->fontMetrics().elidedText(detail, Qt::ElideRight, words.width()));
        painter->setFont(Theme::text());
        painter->setPen(Theme::colour(Role::Text));
        painter->drawText(words.adjusted(0, 7, -room, 0), Qt::AlignLeft | Qt::AlignTop,
                          painter->fontMetrics().elidedText(index.data(Qt::DisplayRole).toString(), Qt::ElideMiddle,
                                                            words.width() - room));
    }

    void updateEditorGeometry(QWidget* editor, const QStyleOptionViewItem& option, const QModelIndex&) const override {
        editor->setGeometry(option.rect.adjusted(60, 3, -12, -22));
    }
};

}  // namespace

ImageList::ImageList(Session& session, ImageEditor& editor, QWidget* parent)
    : QWidget(parent),
      session_(session),
      editor_(editor),
      model_(new ImagesModel(session, this)),
      sorted_(new SortedImages(this)) {
    setFixedWidth(252);
    auto* column = new QVBoxLayout(this);
    column->setContentsMargins(0, 0, 0, 0);
    column->setSpacing(0);
    auto* top = new QVBoxLayout;
    top->setContentsMargins(12, 10, 12, 8);
    top->setSpacing(8);
    count_ = new ElidedLabel(this);
    top->addLayout(headingRow(tr("Images"), count_));
    auto* find = new QHBoxLayout;
    find->setSpacing(4);
    filter_ = new QLineEdit(this);
    filter_->setObjectName("find_image");
    filter_->setPlaceholderText(tr("type to find"));
    filter_->setToolTip(tr("Show only images with these letters in their name (Ctrl+F)"));
    order_ = new QComboBox(this);
    order_->setObjectName("image_order");
    order_->addItems({tr("name"), tr("size"), tr("use")});
    order_->setToolTip(tr("What the list is sorted by"));
    order_->setFixedWidth(72);
    find->addWidget(filter_, 1);
    find->addWidget(order_);
    top->addLayout(find);
    column->addLayout(top);
    sorted_->setSourceModel(model_);
    sorted_->setFilterCaseSensitivity(Qt::CaseInsensitive);
    sorted_->sort(0);
    list_ = new QListView(this);
    list_->setObjectName("images");
    list_->setModel(sorted_);
    list_->setItemDelegate(new ImageDelegate(list_));
    list_->setSelectionMode(QAbstractItemView::ExtendedSelection);
    list_->setUniformItemSizes(true);
    list_->setDragEnabled(true);
    list_->setDragDropMode(QAbstractItemView::DragOnly);
    list_->setEditTriggers(QAbstractItemView::EditKeyPressed | QAbstractItemView::DoubleClicked);
    list_->setVerticalScrollMode(QAbstractItemView::ScrollPerPixel);
    list_->setContextMenuPolicy(Qt::CustomContextMenu);
    list_->installEventFilter(this);
    auto* empty = new QLabel(tr("No images yet.\n\nDrop pictures here, paste one,\nor import some."), this);
    empty->setAlignment(Qt::AlignCenter);
    empty->setProperty("quiet", true);
    pages_ = new QStackedWidget(this);
    pages_->addWidget(list_);
    pages_->addWidget(empty);
    column->addWidget(pages_, 1);
    auto* bottom = new QVBoxLayout;
    bottom->setContentsMargins(12, 8, 12, 12);
    bottom->setSpacing(6);
    totals_ = new QLabel(this);
    totals_->setFont(Theme::figures());
    totals_->setProperty("quiet", true);
    unused_ = new QLabel(this);
    unused_->setFont(Theme::figures());
    unused_->setProperty("error", true);
    auto* bring = new QPushButton(tr("Import pictures…"), this);
    bring->setObjectName("import_images");
    bring->setToolTip(tr("PNG, JPEG, BMP, GIF, WebP, SVG, PBM, PGM, PPM or XBM; several at once (Ctrl+I)"));
    bring->setShortcut(Qt::CTRL | Qt::Key_I);
    bottom->addWidget(totals_);
    bottom->addWidget(unused_);
    bottom->addWidget(bring);
    column->addLayout(bottom);
    connect(bring, &QPushButton::clicked, this, &ImageList::importRequested);
    connect(filter_, &QLineEdit::textChanged, sorted_,
            [this](const QString& text) { sorted_->setFilterFixedString(text.trimmed()); });
    connect(order_, &QComboBox::activated, this,
            [this](int at) { static_cast<SortedImages*>(sorted_)->setOrder(static_cast<Order>(at)); });
    connect(list_->selectionModel(), &QItemSelectionModel::currentChanged, this, [this](const QModelIndex& now) {
        if (now.isValid())
            editor_.setCurrent(now.data(ImagesModel::Name).toString());
    });
    connect(list_, &QWidget::customContextMenuRequested, this,
            [this](const QPoint& at) { Q_EMIT menuRequested(list_->viewport()->mapToGlobal(at)); });
    connect(model_, &ImagesModel::totalsChanged, this, &ImageList::showTotals);
    connect(model_, &QAbstractItemModel::modelReset, this, &ImageList::follow);
    connect(&editor_, &ImageEditor::currentChanged, this, &ImageList::follow);
    auto* focusFilter = new QAction(this);
    focusFilter->setShortcut(QKeySequence::Find);
    focusFilter->setShortcutContext(Qt::WidgetWithChildrenShortcut);
    connect(focusFilter, &QAction::triggered, filter_, [this] { filter_->setFocus(); });
    addAction(focusFilter);
    setFocusProxy(list_);
}

// After a reset the desk's image is chosen again; without one, the first.
void ImageList::follow() {
    const int row = model_->rowOf(editor_.current());
    const QModelIndex at = row >= 0 ? sorted_->mapFromSource(model_->index(row)) : sorted_->index(0, 0);
    pages_->setCurrentIndex(model_->rowCount() == 0 ? 1 : 0);
    // The editor may be notified of a change before the list is.
    if (at.isValid() && !session_.document().image(at.data(ImagesModel::Name).toString().toStdString()))
        return;
    if (at.isValid() && at != list_->currentIndex())
        list_->setCurrentIndex(at);
    if (row < 0 && at.isValid())
        editor_.setCurrent(at.data(ImagesModel::Name).toString());
}

void ImageList::showTotals() {
    const ImagesModel::Totals totals = model_->totals();
    count_->setText(QString("%1 · %2").arg(model_->rowCount()).arg(bytesText(totals.inCode + totals.outside)));
    totals_->setText(tr("in code  %1\noutside  %2").arg(bytesText(totals.inCode), 9).arg(bytesText(totals.outside), 9));
    totals_->setVisible(model_->rowCount() > 0);
    unused_->setText(tr("%1 unused, left out").arg(totals.unused));
    unused_->setVisible(totals.unused > 0);
    pages_->setCurrentIndex(model_->rowCount() == 0 ? 1 : 0);
}

QStringList ImageList::selectedNames() const {
    QStringList out;
    for (const QModelIndex& each : list_->selectionModel()->selectedIndexes())
        out << each.data(ImagesModel::Name).toString();
    return out;
}

void ImageList::select(const QStringList& names) {
    filter_->clear();
    list_->clearSelection();
    for (const QString& name : names)
        if (const int row = model_->rowOf(name); row >= 0)
            list_->selectionModel()->select(sorted_->mapFromSource(model_->index(row)), QItemSelectionModel::Select);
    if (!names.isEmpty())
        if (const int row = model_->rowOf(names.front()); row >= 0)
            list_->selectionModel()->setCurrentIndex(sorted_->mapFromSource(model_->index(row)),
                                                     QItemSelectionModel::NoUpdate);
}

void ImageList::rename() { list_->edit(list_->currentIndex()); }

bool ImageList::eventFilter(QObject* watched, QEvent* event) {
    if (watched == list_ && event->type() == QEvent::KeyPress &&
        static_cast<QKeyEvent*>(event)->key() == Qt::Key_Delete) {
        Q_EMIT removeRequested();
        return true;
    }
    return QWidget::eventFilter(watched, event);
}

}  // namespace gorsefinch::app
