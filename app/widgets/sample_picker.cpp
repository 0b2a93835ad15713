// SPDX-License-Identifier: GPL-3.0-or-later
#include "app/widgets/sample_picker.h"

#include <QKeyEvent>
#include <QLineEdit>
#include <QListView>
#include <QPainter>
#include <QScreen>
#include <QSortFilterProxyModel>
#include <QStandardItemModel>
#include <QStyledItemDelegate>
#include <QVBoxLayout>
#include <algorithm>

#include "app/theme/theme.h"

namespace gorsefinch::app {

namespace {

constexpr int kSide = 8, kGap = 8, kLeastRow = 24, kLeastWidth = 220, kMostRows = 14, kMostHeight = 380;
enum Roles { DetailRole = Qt::UserRole + 1, PictureRole };

class SampleDelegate : public QStyledItemDelegate {
  public:
    explicit SampleDelegate(const std::vector<Sample>& samples, QObject* parent) : QStyledItemDelegate(parent) {
        for (const Sample& each : samples)
            picture_ = picture_.expandedTo(each.picture.deviceIndependentSize().toSize());
        row_ = std::max(kLeastRow, picture_.height() + 6);
    }

    int row() const { return row_; }
    QSize sizeHint(const QStyleOptionViewItem&, const QModelIndex&) const override { return {0, row_}; }

    void paint(QPainter* painter, const QStyleOptionViewItem& option, const QModelIndex& index) const override {
        const QRect r = option.rect;
        if (option.state & QStyle::State_Selected)
            painter->fillRect(r, Theme::colour(Role::AccentSoft));
        int left = r.left() + kSide;
        const auto picture = index.data(PictureRole).value<QPixmap>();
        if (!picture.isNull()) {
            const QSize size = picture.deviceIndependentSize().toSize();
            const QPoint at(left + (picture_.width() - size.width()) / 2, r.top() + (row_ - size.height()) / 2);
            painter->drawPixmap(at, picture);
            painter->setPen(Theme::colour(Role::StrongLine));
            painter->drawRect(QRect(at - QPoint(1, 1), size + QSize(1, 1)));
        }
        left += picture_.isEmpty() ? 0 : picture_.width() + kGap;
        painter->setFont(Theme::figures(10));
        painter->setPen(Theme::colour(Role::QuietText));
        const QString detail = index.data(DetailRole).toString();
        painter->drawText(r.adjusted(0, 0, -kSide, 0), Qt::AlignRight | Qt::AlignVCenter, detail);
        const int taken = detail.isEmpty() ? 0 : painter->fontMetrics().horizontalAdvance(detail) + kGap;
        const QRect room(left, r.top(), r.right() - kSide - taken - left, r.height());
        painter->setFont(Theme::text());
        painter->setPen(Theme::colour(Role::Text));
        painter->drawText(room, Qt::AlignLeft | Qt::AlignVCenter,
                          painter->fontMetrics().elidedText(index.data().toString(), Qt::ElideMiddle, room.width()));
    }

  private:
    QSize picture_;  // of the largest
    int row_ = kLeastRow;
};

}  // namespace

SamplePicker::SamplePicker(const std::vector<Sample>& samples, int current, QWidget* parent)
    : QFrame(parent, Qt::Popup),
      filter_(new QLineEdit(this)),
      list_(new QListView(this)),
      model_(new QStandardItemModel(this)),
      shown_(new QSortFilterProxyModel(this)) {
    setObjectName("sample_picker");
    setAttribute(Qt::WA_DeleteOnClose);
    setFrameShape(QFrame::StyledPanel);
    auto* column = new QVBoxLayout(this);
    column->setContentsMargins(6, 6, 6, 6);
    column->setSpacing(4);
    filter_->setObjectName("filter");
    filter_->setPlaceholderText(tr("Filter"));
    filter_->installEventFilter(this);
    column->addWidget(filter_);
    for (const Sample& each : samples) {
        auto* item = new QStandardItem(each.text);
        item->setEditable(false);
        item->setData(each.detail, DetailRole);
        item->setData(each.picture, PictureRole);
        model_->appendRow(item);
    }
    shown_->setSourceModel(model_);
    shown_->setFilterCaseSensitivity(Qt::CaseInsensitive);
    auto* delegate = new SampleDelegate(samples, list_);
    list_->setObjectName("samples");
    list_->setFrameShape(QFrame::NoFrame);
    list_->setModel(shown_);
    list_->setItemDelegate(delegate);
    list_->setMouseTracking(true);
    list_->setFocusPolicy(Qt::NoFocus);
    list_->setHorizontalScrollBarPolicy(Qt::ScrollBarAlwaysOff);
    list_->setVerticalScrollMode(QAbstractItemView::ScrollPerPixel);
    const int rows = std::clamp(static_cast<int>(samples.size()), 1, kMostRows);
    list_->setFixedHeight(std::min(rows * delegate->row() + 2, kMostHeight));
    column->addWidget(list_);
    if (current >= 0)
        mark(shown_->mapFromSource(model_->index(current, 0)).row());
    connect(filter_, &QLineEdit::textEdited, this, &SamplePicker::filter);
    connect(list_, &QListView::entered, this, [this](const QModelIndex& index) { list_->setCurrentIndex(index); });
    connect(list_, &QListView::clicked, this, &SamplePicker::pick);
    connect(list_->selectionModel(), &QItemSelectionModel::currentChanged, this, [this] {
        if (marked() >= 0)
            Q_EMIT highlighted(marked());
    });
    setFocusProxy(filter_);
}

void SamplePicker::openBeside(const QWidget& widget) {
    setFixedWidth(std::max(widget.width(), kLeastWidth));
    adjustSize();
    const QRect room = widget.screen()->availableGeometry();
    QPoint at = widget.mapToGlobal(QPoint(0, widget.height()));
    if (at.y() + height() > room.bottom())
        at.setY(std::max(room.top(), widget.mapToGlobal(QPoint()).y() - height()));
    at.setX(std::clamp(at.x(), room.left(), std::max(room.left(), room.right() - width())));
    move(at);
    show();
    filter_->setFocus();
    list_->scrollTo(list_->currentIndex(), QAbstractItemView::PositionAtCenter);
}

int SamplePicker::marked() const { return shown_->mapToSource(list_->currentIndex()).row(); }

void SamplePicker::mark(int row) {
    if (shown_->rowCount() > 0)
        list_->setCurrentIndex(shown_->index(std::clamp(row, 0, shown_->rowCount() - 1), 0));
}

void SamplePicker::filter(const QString& words) {
    const int before = marked();
    shown_->setFilterFixedString(words);
    const QModelIndex same = before < 0 ? QModelIndex() : shown_->mapFromSource(model_->index(before, 0));
    mark(same.isValid() ? same.row() : 0);
}

bool SamplePicker::eventFilter(QObject* watched, QEvent* event) {
    if (watched != filter_ || event->type() != QEvent::KeyPress)
        return QFrame::eventFilter(watched, event);
    const int key = static_cast<QKeyEvent*>(event)->key();
    const int row = list_->currentIndex().row();
    const int page = std::max(1, list_->height() / std::max(1, list_->sizeHintForRow(0)));
    switch (key) {
        case Qt::Key_Down: mark(row + 1); return true;
        case Qt::Key_Up: mark(row - 1); return true;
        case Qt::Key_PageDown: mark(row + page); return true;
        case Qt::Key_PageUp: mark(row - page); return true;
        case Qt::Key_Return:
        case Qt::Key_Enter: pick(); return true;
        case Qt::Key_Escape: close(); return true;
        default: return false;
    }
}

void SamplePicker::pick() {
    const int sample = marked();
    if (sample < 0)
        return;
    isPicked_ = true;
    close();
    Q_EMIT picked(sample);
}

void SamplePicker::hideEvent(QHideEvent* event) {
    if (!isPicked_)
        Q_EMIT dismissed();
    QFrame::hideEvent(event);
}

}  // namespace gorsefinch::app
