// SPDX-License-Identifier: GPL-3.0-or-later
#include "app/screens/layers.h"

#include <QMimeData>
#include <QMouseEvent>
#include <QPainter>
#include <QStyledItemDelegate>
#include <algorithm>

#include "app/session/session.h"
#include "app/theme/theme.h"
#include "core/document/widget_tree.h"
#include "core/edits/tree_edits.h"
#include "core/emit/costs.h"

namespace gorsefinch::app {

namespace {

constexpr int kRow = 23, kEye = 12, kLock = 34, kName = 56, kIndent = 22, kSign = 16;

// Where the name of a row begins. Those in a container are indented, its own stands behind a sign.
int nameBegin(const QModelIndex& index) {
    const int sign = index.data(LayersModel::HoldsRole).toBool() ? kSign : 0;
    return kName + kIndent * index.data(LayersModel::DepthRole).toInt() + sign;
}

class LayersDelegate : public QStyledItemDelegate {
  public:
    using QStyledItemDelegate::QStyledItemDelegate;

    QSize sizeHint(const QStyleOptionViewItem&, const QModelIndex&) const override { return {160, kRow}; }

    void paint(QPainter* painter, const QStyleOptionViewItem& option, const QModelIndex& index) const override {
        const QRect r = option.rect;
        if (option.state & QStyle::State_Selected)
            painter->fillRect(r, Theme::colour(Role::AccentSoft));
        const bool visible = index.data(LayersModel::VisibleRole).toBool();
        const bool onCanvas = index.data(LayersModel::OnCanvasRole).toBool();
        const bool locked = index.data(LayersModel::LockedRole).toBool();
        const bool hovered = option.state & QStyle::State_MouseOver;
        painter->drawPixmap(r.left() + kEye, r.top() + 4,
                            Theme::pixmap(onCanvas ? "eye" : "eye_closed",
                                          Theme::colour(onCanvas ? Role::QuietText : Role::Text), 15, 2));
        if (locked || hovered)
            painter->drawPixmap(r.left() + kLock, r.top() + 4,
                                Theme::pixmap("lock", Theme::colour(locked ? Role::Text : Role::StrongLine), 15, 2));
        // What starts hidden is slanted, with a sign of its own.
        QFont font = Theme::text();
        font.setItalic(!visible);
        painter->setFont(font);
        painter->setPen(Theme::colour(visible && onCanvas ? Role::Text : Role::QuietText));
        const int name = nameBegin(index);
        const int room = r.width() - name - (visible ? 40 : 58);
        if (!visible)
            painter->drawPixmap(r.right() - 56, r.top() + 5,
                                Theme::pixmap("start_hidden", Theme::colour(Role::QuietText), 13, 2));
        if (index.data(LayersModel::HoldsRole).toBool())
            painter->drawPixmap(r.left() + name - kSign - 1, r.top() + 5,
                                Theme::pixmap("group", Theme::colour(Role::QuietText), 13, 2));
        painter->drawText(QRect(r.left() + name, r.top(), room, r.height()), Qt::AlignVCenter | Qt::AlignLeft,
                          painter->fontMetrics().elidedText(index.data().toString(), Qt::ElideMiddle, room));
        painter->setFont(Theme::figures());
        painter->setPen(Theme::colour(Role::QuietText));
        painter->drawText(r.adjusted(0, 0, -12, 0), Qt::AlignVCenter | Qt::AlignRight,
                          index.data(LayersModel::BytesRole).toString());
    }

    void updateEditorGeometry(QWidget* editor, const QStyleOptionViewItem& option,
                              const QModelIndex& index) const override {
        editor->setGeometry(option.rect.adjusted(nameBegin(index) - 6, 0, -8, 0));
    }
};

// The same widgets, by name, in the same containers.
bool isSameOrder(const std::vector<WidgetRef>& a, const std::vector<WidgetRef>& b) {
    return std::equal(a.begin(), a.end(), b.begin(), b.end(), [](const WidgetRef& x, const WidgetRef& y) {
        return x->name == y->name && x->depth == y->depth;
    });
}

}  // namespace

LayersModel::LayersModel(Session& session, QObject* parent) : QAbstractListModel(parent), session_(session) {
    connect(&session, &Session::changed, this, &LayersModel::reload);
    connect(&session.selection(), &Selection::changed, this, &LayersModel::reload);
}

// The numbers of widgets by row: the topmost first, each container before what it holds.
std::vector<int> LayersModel::orderOf(const std::vector<WidgetRef>& widgets) {
    std::vector<int> out;
    // Those of one container are put before one another, with their own behind each.
    const auto add = [&](const auto& self, size_t begin, size_t end) -> void {
        std::vector<size_t> own;
        for (size_t i = begin; i < end; i = endOf(widgets, i))
            own.push_back(i);
        for (size_t i = own.size(); i-- > 0;) {
            out.push_back(static_cast<int>(own[i]));
            self(self, own[i] + 1, endOf(widgets, own[i]));
        }
    };
    add(add, 0, widgets.size());
    return out;
}

// A reset only when the rows changed, so that editing and scrolling stay. What a row shows is of the widget
// and its built record.
void LayersModel::reload() {
    std::vector<WidgetRef> widgets;
    std::shared_ptr<const ScreenPart> part;
    if (session_.isOpen()) {
        widgets = session_.selection().screen()->widgets;
        part = session_.scene()->parts[static_cast<size_t>(session_.selection().screenIndex())];
    }
    std::vector<int> order = orderOf(widgets);
    if (order != order_) {
        beginResetModel();
        order_ = std::move(order);
        shown_ = std::move(widgets);
        shownPart_ = std::move(part);
        endResetModel();
        return;
    }
    // Another part of the same widgets: what they use has changed.
    const bool all = part != shownPart_ && widgets == shown_;
    std::swap(shown_, widgets);
    shownPart_ = std::move(part);
    for (int row = 0; row < rowCount(); ++row) {
        const size_t at = numberAt(row);
        if (all || shown_[at] != widgets[at])
            Q_EMIT dataChanged(index(row), index(row));
    }
}

int LayersModel::rowCount(const QModelIndex& parent) const {
    return parent.isValid() ? 0 : static_cast<int>(order_.size());
}

std::string LayersModel::nameAt(int row) const {
    const auto& widgets = session_.selection().screen()->widgets;
    const size_t at = numberAt(row);
    return at < widgets.size() ? widgets[at]->name : std::string();
}

int LayersModel::rowOf(const std::string& name) const {
    const int at = widgetIndex(*session_.selection().screen(), name);
    const auto found = std::find(order_.begin(), order_.end(), at);
    return at < 0 || found == order_.end() ? -1 : static_cast<int>(found - order_.begin());
}

QVariant LayersModel::data(const QModelIndex& index, int role) const {
    if (!index.isValid() || !session_.isOpen())
        return {};
    const size_t at = numberAt(index.row());
    const auto& widgets = session_.selection().screen()->widgets;
    if (at >= widgets.size())
        return {};
    const Widget& widget = *widgets[at];
    switch (role) {
        case Qt::DisplayRole:
        case Qt::EditRole: return QString::fromStdString(widget.name);
        case VisibleRole: return widget.visible;
        case OnCanvasRole: return !widget.offCanvas;
        case LockedRole: return widget.locked;
        case DepthRole: return widget.depth;
        case HoldsRole: return info(widget.kind).has(kHolds);
        case BytesRole: {
            const ScreenPart& part = *session_.scene()->parts[static_cast<size_t>(session_.selection().screenIndex())];
            const int drawn = session_.scene()->drawnNumber(session_.selection().screenIndex(), widget);
            return drawn >= 0 && static_cast<size_t>(drawn) < part.records.size()
                       ? QVariant(static_cast<qlonglong>(
                             widgetFlash(part, static_cast<size_t>(drawn), session_.document().panel->wordBits)))
                       : QVariant();
        }
        case Qt::ToolTipRole:
            return tr("%1 %2%3: the eye (E) takes it off the canvas while you edit, the lock (L) keeps it from the "
                      "pointer, V sets whether it shows at the start; drag to reorder, or onto a group to put it into "
                      "it")
                .arg(info(widget.kind).key, QString::fromStdString(widget.name),
                     widget.visible ? QString() : tr(", hidden at the start"));
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
    return Qt::ItemIsEnabled | Qt::ItemIsSelectable | Qt::ItemIsEditable | Qt::ItemIsDragEnabled |
           (index.data(HoldsRole).toBool() ? Qt::ItemIsDropEnabled : Qt::NoItemFlags);
}

QMimeData* LayersModel::mimeData(const QModelIndexList& indexes) const {
    auto* data = new QMimeData;
    data->setData(kLayerMime,
                  indexes.isEmpty() ? QByteArray() : QByteArray::fromStdString(nameAt(indexes.front().row())));
    return data;
}

// Where what is dropped between two rows goes: below the widget of the upper row, in its container, or on top of what
// that one holds; onto a container, on top of what it holds.
LayersModel::Place LayersModel::placeAt(int row, const QModelIndex& onto, const std::string& moved) const {
    constexpr int kOnTop = static_cast<int>(kMaxWidgets);
    const auto& widgets = session_.selection().screen()->widgets;
    if (onto.isValid())
        return {nameAt(onto.row()), kOnTop};
    if (row <= 0)
        return {"", row == 0 ? kOnTop : 0};
    const auto upper = static_cast<size_t>(order_[static_cast<size_t>(row - 1)]);
    if (endOf(widgets, upper) > upper + 1)
        return {widgets[upper]->name, kOnTop};
    const int container = containerOf(widgets, upper);
    int below = 0;
    for (size_t i = container < 0 ? 0 : static_cast<size_t>(container) + 1; i < upper; i = endOf(widgets, i))
        below += widgets[i]->name != moved ? 1 : 0;
    return {container < 0 ? std::string() : widgets[static_cast<size_t>(container)]->name, below};
}

bool LayersModel::dropMimeData(const QMimeData* data, Qt::DropAction action, int row, int, const QModelIndex& onto) {
    if (action != Qt::MoveAction || !data->hasFormat(kLayerMime))
        return false;
    const std::string name = data->data(kLayerMime).toStdString();
    if (name == (row > 0 ? nameAt(row - 1) : std::string()))
        return false;
    const std::string screen = session_.selection().screenName().toStdString();
    const Place place = placeAt(row, onto, name);
    const auto next = moveInto(session_.document(), screen, std::span(&name, 1), place.container, place.below);
    if (!next || !isSameOrder(next->screen(screen)->widgets, session_.selection().screen()->widgets))
        session_.edit(next, tr("Change depth"));
    return false;
}

void LayersModel::toggleOnCanvas(int row) {
    const std::string name = nameAt(row);
    session_.edit(changeWidgets(session_.document(), session_.selection().screenName().toStdString(),
                                std::span(&name, 1), [](Widget& w) { w.offCanvas = !w.offCanvas; }),
                  tr("Draw %1 on the canvas, or not").arg(QString::fromStdString(name)));
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
        model_->toggleOnCanvas(index.row());
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
