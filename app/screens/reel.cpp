// SPDX-License-Identifier: GPL-3.0-or-later
#include "app/screens/reel.h"

#include <QContextMenuEvent>
#include <QMenu>
#include <QMimeData>
#include <QPainter>
#include <QStyledItemDelegate>

#include "app/session/session.h"
#include "app/theme/theme.h"
#include "app/widgets/frame_picture.h"
#include "core/edits/assembly_edits.h"
#include "core/emit/costs.h"
#include "core/sim/draw_screen.h"

namespace gorsefinch::app {

namespace {

constexpr QSize kScreenPicture(96, 72);
constexpr int kThumbnailDelay = 150;  // ms

class ReelDelegate : public QStyledItemDelegate {
  public:
    using QStyledItemDelegate::QStyledItemDelegate;

    QSize sizeHint(const QStyleOptionViewItem&, const QModelIndex&) const override {
        return {180, kScreenPicture.height() + 22};
    }

    void paint(QPainter* painter, const QStyleOptionViewItem& option, const QModelIndex& index) const override {
        const QRect r = option.rect.adjusted(10, 4, -10, -5);
        const bool chosen = option.state & QStyle::State_Selected;
        painter->setRenderHint(QPainter::Antialiasing);
        painter->setBrush(Theme::colour(Role::Field));
        painter->setPen(QPen(Theme::colour(chosen ? Role::Accent : Role::StrongLine), chosen ? 2 : 1));
        painter->drawRoundedRect(QRectF(r).adjusted(1, 1, -1, -1), 3, 3);
        const auto picture = index.data(ReelModel::ThumbnailRole).value<QPixmap>();
        const QSize size = picture.deviceIndependentSize().toSize();
        painter->drawPixmap(
            QPoint(r.left() + 6 + (kScreenPicture.width() - size.width()) / 2, r.center().y() - size.height() / 2),
            picture);
        const int x = r.left() + kScreenPicture.width() + 14;
        const int room = r.right() - x - 4;
        painter->setFont(Theme::text());
        painter->setPen(Theme::colour(Role::Text));
        painter->drawText(x, r.top() + 20,
                          painter->fontMetrics().elidedText(index.data().toString(), Qt::ElideRight, room));
        painter->setFont(Theme::figures());
        painter->drawText(x, r.top() + 37, index.data(ReelModel::CostRole).toString());
        painter->setPen(Theme::colour(Role::QuietText));
        painter->setFont(Theme::text(11));
        painter->drawText(
            x, r.top() + 54,
            painter->fontMetrics().elidedText(index.data(ReelModel::WidgetsRole).toString(), Qt::ElideRight, room));
    }

    void updateEditorGeometry(QWidget* editor, const QStyleOptionViewItem& option, const QModelIndex&) const override {
        editor->setGeometry(option.rect.adjusted(kScreenPicture.width() + 18, 8, -12, -kScreenPicture.height() + 20));
    }
};

}  // namespace

ReelModel::ReelModel(Session& session, QObject* parent) : QAbstractListModel(parent), session_(session) {
    connect(&session, &Session::changed, this, [this](const Change& change) { follow(change.opened); });
    thumbnailTimer_.setSingleShot(true);
    thumbnailTimer_.setInterval(kThumbnailDelay);
    connect(&thumbnailTimer_, &QTimer::timeout, this, [this] {
        for (const auto& [row, picture] : std::exchange(outdated_, {}))
            Q_EMIT dataChanged(index(row), index(row), {ThumbnailRole});
    });
}

// A reset only when the number of rows changed, so that renaming keeps the focus here. Rows change with their screen's
// built part. Its thumbnail follows a little later, as it takes longer than the canvas.
void ReelModel::follow(bool opened) {
    const std::vector<std::shared_ptr<const ScreenPart>> parts =
        session_.isOpen() ? session_.scene()->parts : std::vector<std::shared_ptr<const ScreenPart>>();
    const auto before = std::exchange(shown_, parts);
    if (opened || parts.size() != before.size()) {
        beginResetModel();
        rows_ = rowCount();
        outdated_.clear();
        endResetModel();
        return;
    }
    for (int row = 0; row < rows_; ++row) {
        const auto at = static_cast<size_t>(row);
        if (parts[at] == before[at])
            continue;
        if (parts[at]->source->name == before[at]->source->name && thumbnails_.contains(before[at].get())) {
            outdated_.emplace(row, thumbnails_.value(before[at].get()));
            if (!thumbnailTimer_.isActive())
                thumbnailTimer_.start();
        } else {
            outdated_.erase(row);
        }
        Q_EMIT dataChanged(index(row), index(row));
    }
}

int ReelModel::rowCount(const QModelIndex& parent) const {
    return parent.isValid() || !session_.isOpen() ? 0 : static_cast<int>(session_.document().screens.size());
}

QPixmap ReelModel::thumbnail(int screen) const {
    if (const auto outdated = outdated_.find(screen); outdated != outdated_.end())
        return outdated->second;
    const auto& part = session_.scene()->parts[static_cast<size_t>(screen)];
    const void* key = part.get();
    // An address may be used again: the picture is good while the very part still lives.
    if (const auto known = thumbnails_.constFind(key); known != thumbnails_.constEnd() && parts_[key].lock() == part)
        return *known;
    if (thumbnails_.size() > 400) {
        thumbnails_.clear();
        parts_.clear();
    }
    const QImage image = toImage(drawScreen(*session_.scene(), screen));
    QPixmap picture = QPixmap::fromImage(image.scaled(kScreenPicture, Qt::KeepAspectRatio, Qt::SmoothTransformation));
    thumbnails_[key] = picture;
    parts_[key] = part;
    return picture;
}

QVariant ReelModel::data(const QModelIndex& index, int role) const {
    if (!index.isValid() || index.row() >= rowCount())
        return {};
    const Screen& screen = *session_.document().screens[static_cast<size_t>(index.row())];
    switch (role) {
        case Qt::DisplayRole:
        case Qt::EditRole: return QString::fromStdString(screen.name);
        case ThumbnailRole: return thumbnail(index.row());
        case WidgetsRole:
            if (screen.assembly) {
                const size_t uses = usesOf(session_.document(), screen.name);
                return uses == 1 ? tr("1 use") : tr("%1 uses").arg(uses);
            }
            if (const auto on = backedScreens(session_.document(), screen.name); on > 0)
                return tr("behind %1").arg(on);
            return screen.widgets.size() == 1 ? tr("1 widget") : tr("%1 widgets").arg(screen.widgets.size());
        case CostRole: {
            long bytes = 0;
            const ScreenPart& part = *session_.scene()->parts[static_cast<size_t>(index.row())];
            for (size_t i = 0; i < part.records.size(); ++i)
                bytes += widgetFlash(part, i, session_.document().panel->wordBits);
            return QString("%1 B").arg(bytes);
        }
        case Qt::ToolTipRole:
            return tr("%1: click to edit, drag to reorder, F2 to rename").arg(QString::fromStdString(screen.name));
        default: return {};
    }
}

bool ReelModel::setData(const QModelIndex& index, const QVariant& value, int role) {
    if (role != Qt::EditRole || !index.isValid())
        return false;
    const std::string from = session_.document().screens[static_cast<size_t>(index.row())]->name;
    const std::string to = value.toString().trimmed().toStdString();
    return to == from || session_.edit(renameScreen(session_.document(), from, to), tr("Rename screen"));
}

Qt::ItemFlags ReelModel::flags(const QModelIndex& index) const {
    if (!index.isValid())
        return Qt::ItemIsDropEnabled;
    return Qt::ItemIsEnabled | Qt::ItemIsSelectable | Qt::ItemIsEditable | Qt::ItemIsDragEnabled;
}

QMimeData* ReelModel::mimeData(const QModelIndexList& indexes) const {
    auto* data = new QMimeData;
    data->setData(kScreenMime, QByteArray::number(indexes.isEmpty() ? -1 : indexes.front().row()));
    return data;
}

bool ReelModel::dropMimeData(const QMimeData* data, Qt::DropAction action, int row, int, const QModelIndex&) {
    if (action != Qt::MoveAction || !data->hasFormat(kScreenMime))
        return false;
    const int from = data->data(kScreenMime).toInt();
    const int to = row < 0 ? rowCount() - 1 : row > from ? row - 1 : row;
    if (from != to)
        session_.edit(moveScreen(session_.document(), from, to), tr("Reorder screens"));
    return false;  // The document moved it; the view must not take a row away.
}

Reel::Reel(Session& session, QWidget* parent)
    : EvenList(parent), session_(session), model_(new ReelModel(session, this)) {
    setObjectName("reel");
    setModel(model_);
    setItemDelegate(new ReelDelegate(this));
    setDragDropMode(QAbstractItemView::InternalMove);
    setDefaultDropAction(Qt::MoveAction);
    setEditTriggers(QAbstractItemView::EditKeyPressed);
    setHorizontalScrollBarPolicy(Qt::ScrollBarAlwaysOff);
    setVerticalScrollMode(QAbstractItemView::ScrollPerPixel);
    setAccessibleName(tr("Screens"));
    connect(&session, &Session::changed, this, &Reel::follow);
    connect(&session.selection(), &Selection::changed, this, &Reel::follow);
}

void Reel::follow() {
    following_ = true;
    if (const int row = session_.selection().screenIndex(); row >= 0 && currentIndex().row() != row)
        setCurrentIndex(model_->index(row));
    following_ = false;
}

void Reel::currentChanged(const QModelIndex& current, const QModelIndex& previous) {
    EvenList::currentChanged(current, previous);
    if (!following_ && current.isValid())
        session_.selection().showScreen(current.data().toString());
}

void Reel::addScreen() {
    const int at = session_.selection().screenIndex();
    const Document next = gorsefinch::addScreen(session_.document(), at, "screen");
    session_.edit(next, tr("Add screen"));
    session_.selection().showScreen(QString::fromStdString(next.screens[static_cast<size_t>(at) + 1]->name));
}

void Reel::duplicate() {
    const int at = session_.selection().screenIndex();
    const Document next = duplicateScreen(session_.document(), at);
    session_.edit(next, tr("Duplicate screen"));
    session_.selection().showScreen(QString::fromStdString(next.screens[static_cast<size_t>(at) + 1]->name));
}

void Reel::remove() {
    const Screen& screen = *session_.selection().screen();
    if (!screen.assembly && shownScreens(session_.document()) < 2) {
        session_.showError(tr("An interface keeps at least one screen."));
        return;
    }
    if (const size_t uses = screen.assembly ? usesOf(session_.document(), screen.name) : 0; uses > 0) {
        session_.showError(tr("%1 is used %2 times: take the uses loose with Ctrl+Shift+G, or delete them first.")
                               .arg(QString::fromStdString(screen.name))
                               .arg(uses));
        return;
    }
    session_.edit(removeScreen(session_.document(), session_.selection().screenIndex()), tr("Delete screen"));
}

void Reel::move(int by) {
    const int at = session_.selection().screenIndex(), to = at + by;
    if (to >= 0 && to < model_->rowCount())
        session_.edit(moveScreen(session_.document(), at, to), tr("Reorder screens"));
}

void Reel::renameCurrent() { edit(currentIndex()); }

void Reel::contextMenuEvent(QContextMenuEvent* event) {
    QMenu menu(this);
    menu.addAction(tr("New screen\tCtrl+N"), this, &Reel::addScreen);
    menu.addAction(tr("Duplicate"), this, &Reel::duplicate);
    menu.addAction(tr("Rename\tF2"), this, &Reel::renameCurrent);
    menu.addAction(tr("Up\tAlt+Up"), this, [this] { move(-1); });
    menu.addAction(tr("Down\tAlt+Down"), this, [this] { move(1); });
    menu.addSeparator();
    menu.addAction(tr("Delete\tDel"), this, &Reel::remove);
    menu.exec(event->globalPos());
}

}  // namespace gorsefinch::app
