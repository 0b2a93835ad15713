// SPDX-License-Identifier: GPL-3.0-or-later
#include "app/screens/layers.h"

#include <QMimeData>
#include <QMouseEvent>
#include <QPainter>
#include <QStyledItemDelegate>
#include <algorithm>

#include "app/session/session.h"
#include "app/theme/theme.h"
#include "core/emit/costs.h"

namespace gorsefinch::app {

namespace {

constexpr int kRow = 23, kEye = 12, kLock = 34, kName = 56;

class LayersDelegate : public QStyledItemDelegate {
  public:
    using QStyledItemDelegate::QStyledItemDelegate;

    QSize sizeHint(const QStyleOptionViewItem&, const QModelIndex&) const override { return {160, kRow}; }

    void paint(QPainter* painter, const QStyleOptionViewItem& option, const QModelIndex& index) const override {
        const QRect r = option.rect;
        if (option.state & QStyle::State_Selected)
            painter->fillRect(r, Theme::colour(Role::AccentSoft));
        const bool visible = index.data(LayersModel::VisibleRole).toBool();
        const bool locked = index.data(LayersModel::LockedRole).toBool();
        const bool hovered = option.state & QStyle::State_MouseOver;
        painter->drawPixmap(r.left() + kEye, r.top() + 4,
                            Theme::pixmap(visible ? "eye" : "eye_closed", Theme::colour(Role::QuietText), 15, 2));
        if (locked || hovered)
            painter->drawPixmap(r.left() + kLock, r.top() + 4,
                                Theme::pixmap("lock", Theme::colour(locked ? Role::Text : Role::StrongLine), 15, 2));
        painter->setFont(Theme::text());
        painter->setPen(Theme::colour(visible ? Role::Text : Role::QuietText));
        const int room = r.width() - kName - 40;
        painter->drawText(QRect(r.left() + kName, r.top(), room, r.height()), Qt::AlignVCenter | Qt::AlignLeft,
                          painter->fontMetrics().elidedText(index.data().toString(), Qt::ElideMiddle, room));
        painter->setFont(Theme::figures());
        painter->setPen(Theme::colour(Role::QuietText));
        painter->drawText(r.adjusted(0, 0, -12, 0), Qt::AlignVCenter | Qt::AlignRight,
                          index.data(LayersModel::BytesRole).toString());
    }

    void updateEditorGeometry(QWidget* editor, const QStyleOptionViewItem& option, const QModelIndex&) const override {
        editor->setGeometry(option.rect.adjusted(kName - 6, 0, -8, 0));
    }
};

}  // namespace

LayersModel::LayersModel(Session& session, QObject* parent) : QAbstractListModel(parent), session_(session) {
    connect(&session, &Session::changed, this, &LayersModel::reload);
    connect(&session.selection(), &Selection::changed, this, &LayersModel::reload);
}

// A reset only when the number of rows changed, so that editing and scrolling stay. What a row shows is of the widget
// and its built record.
void LayersModel::reload() {
    std::vector<WidgetRef> widgets;
    std::shared_ptr<const ScreenPart> part;
    if (session_.isOpen()) {
        widgets = session_.selection().screen()->widgets;
        part = session_.scene()->parts[static_cast<size_t>(session_.selection().screenIndex())];
    }
    if (widgets.size() != shown_.size()) {
        beginResetModel();
        rows_ = static_cast<int>(widgets.size());
        shown_ = std::move(widgets);
        shownPart_ = std::move(part);
        endResetModel();
        return;
    }
    // Another part of the same widgets: what they use has changed.
    const bool all = part != shownPart_ && widgets == shown_;
    std::swap(shown_, widgets);
    shownPart_ = std::move(part);
    for (int row = 0; row < rows_; ++row) {
        const auto at = static_cast<size_t>(rows_ - 1 - row);
        if (all || shown_[at] != widgets[at])
            Q_EMIT dataChanged(index(row), index(row));
    }
}

int LayersModel::rowCount(const QModelIndex& parent) const { return parent.isValid() ? 0 : rows_; }

std::string LayersModel::nameAt(int row) const {
    const auto& widgets = session_.selection().screen()->widgets;
    const auto at = static_cast<size_t>(rows_ - 1 - row);
    return at < widgets.size() ? widgets[at]->name : std::string();
}

int LayersModel::rowOf(const std::string& name) const {
    const int at = widgetIndex(*session_.selection().screen(), name);
    return at < 0 ? -1 : rows_ - 1 - at;
}

QVariant LayersModel::data(const QModelIndex& index, int role) const {
    if (!index.isValid() || !session_.isOpen())
        return {};
    const auto at = static_cast<size_t>(rows_ - 1 - index.row());
    const auto& widgets = session_.selection().screen()->widgets;
    if (at >= widgets.size())
        return {};
    const Widget& widget = *widgets[at];
    switch (role) {
        case Qt::DisplayRole:
        case Qt::EditRole: return QString::fromStdString(widget.name);
        case VisibleRole: return widget.visible;
        case LockedRole: return widget.locked;
        case BytesRole: {
            const ScreenPart& part = *session_.scene()->parts[static_cast<size_t>(session_.selection().screenIndex())];
            return at < part.records.size()
                       ? QVariant(static_cast<qlonglong>(widgetFlash(part, at, session_.document().panel->wordBits)))
                       : QVariant();
        }
        case Qt::ToolTipRole:
            return tr("%1 %2: the eye sets whether it shows at the start, the lock keeps it from the pointer; drag to "
                      "reorder")
                .arg(info(widget.kind).key, QString::fromStdString(widget.name));
        default: return {};
    }
}

bool LayersModel::setData(const QModelIndex& index, const QVariant& value, int role) {
    if (role != Qt::EditRole)
        return false;
    const std::string from = nameAt(index.row()), to = value.toString().trimmed().toStdString();
    if (from == to ||
        !session_.edit(renameWidget(session_.document(), session_.selection().screenName().toStdString(), from, to),
                       tr("Rename %1").arg(QString::fromStdString(from))))
        return false;
    session_.selection().select({to});
    return true;
}

Qt::ItemFlags LayersModel::flags(const QModelIndex& index) const {
    if (!index.isValid())
        return Qt::ItemIsDropEnabled;
    return Qt::ItemIsEnabled | Qt::ItemIsSelectable | Qt::ItemIsEditable | Qt::ItemIsDragEnabled;
}

QMimeData* LayersModel::mimeData(const QModelIndexList& indexes) const {
    auto* data = new QMimeData;
    data->setData(kLayerMime,
                  indexes.isEmpty() ? QByteArray() : QByteArray::fromStdString(nameAt(indexes.front().row())));
    return data;
}

bool LayersModel::dropMimeData(const QMimeData* data, Qt::DropAction action, int row, int, const QModelIndex&) {
    if (action != Qt::MoveAction || !data->hasFormat(kLayerMime))
        return false;
    const std::string name = data->data(kLayerMime).toStdString();
    const int from = rowOf(name);
    const int to = row < 0 ? rows_ - 1 : row > from ? row - 1 : row;
    if (to != from)
        session_.edit(
            placeWidgetAt(session_.document(), session_.selection().screenName().toStdString(), name, rows_ - 1 - to),
            tr("Change depth"));
    return false;
}

void LayersModel::toggleVisible(int row) {
    const std::string name = nameAt(row);
    session_.edit(changeWidgets(session_.document(), session_.selection().screenName().toStdString(),
                                std::span(&name, 1), [](Widget& w) { w.visible = !w.visible; }),
                  tr("Show or hide %1").arg(QString::fromStdString(name)));
}

void LayersModel::toggleLocked(int row) {
    const std::string name = nameAt(row);
    session_.edit(changeWidgets(session_.document(), session_.selection().screenName().toStdString(),
                                std::span(&name, 1), [](Widget& w) { w.locked = !w.locked; }),
                  tr("Lock or unlock %1").arg(QString::fromStdString(name)));
}

Layers::Layers(Session& session, QWidget* parent)
    : EvenList(parent), session_(session), model_(new LayersModel(session, this)) {
    setObjectName("layers");
    setModel(model_);
    setItemDelegate(new LayersDelegate(this));
    setSelectionMode(QAbstractItemView::ExtendedSelection);
    setEditTriggers(QAbstractItemView::EditKeyPressed | QAbstractItemView::DoubleClicked);
    setDragDropMode(QAbstractItemView::InternalMove);
    setDefaultDropAction(Qt::MoveAction);
    setMouseTracking(true);
    setHorizontalScrollBarPolicy(Qt::ScrollBarAlwaysOff);
    setAccessibleName(tr("Layers"));
    connect(&session, &Session::changed, this, &Layers::follow);
    connect(&session.selection(), &Selection::changed, this, &Layers::follow);
}

void Layers::follow() {
    if (following_ || !session_.isOpen())
        return;
    following_ = true;
    QItemSelection selection;
    for (const std::string& name : session_.selection().names())
        if (const int row = model_->rowOf(name); row >= 0)
            selection.select(model_->index(row), model_->index(row));
    if (selection != selectionModel()->selection())
        selectionModel()->select(selection, QItemSelectionModel::ClearAndSelect);
    if (session_.selection().names().size() == 1 && !selection.isEmpty()) {
        selectionModel()->setCurrentIndex(selection.indexes().front(), QItemSelectionModel::NoUpdate);
        scrollTo(selection.indexes().front());
    }
    following_ = false;
}

void Layers::selectionChanged(const QItemSelection& selected, const QItemSelection& deselected) {
    EvenList::selectionChanged(selected, deselected);
    if (following_ || !session_.isOpen())
        return;
    following_ = true;
    Names names;
    for (const QModelIndex& index : selectionModel()->selectedIndexes())
        names.push_back(model_->nameAt(index.row()));
    session_.selection().select(names);
    following_ = false;
}

void Layers::mousePressEvent(QMouseEvent* event) {
    const QModelIndex index = indexAt(event->position().toPoint());
    const int x = event->position().toPoint().x();
    if (index.isValid() && x >= kEye - 4 && x < kLock - 2)
        model_->toggleVisible(index.row());
    else if (index.isValid() && x >= kLock - 2 && x < kName - 4)
        model_->toggleLocked(index.row());
    else
        EvenList::mousePressEvent(event);
}

// An empty list says what goes there.
void Layers::paintEvent(QPaintEvent* event) {
    EvenList::paintEvent(event);
    if (model_->rowCount() > 0)
        return;
    QPainter painter(viewport());
    painter.setFont(Theme::text());
    painter.setPen(Theme::colour(Role::QuietText));
    painter.drawText(viewport()->rect().adjusted(12, 4, -12, -4), Qt::AlignTop | Qt::AlignLeft | Qt::TextWordWrap,
                     tr("The widgets of this screen, the topmost first. Pick one below the canvas and draw its box."));
}

}  // namespace gorsefinch::app
