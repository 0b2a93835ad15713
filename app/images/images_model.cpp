// SPDX-License-Identifier: GPL-3.0-or-later
#include "app/images/images_model.h"

#include <QMimeData>
#include <QPainter>

#include "app/session/session.h"
#include "app/theme/theme.h"
#include "app/widgets/counted.h"
#include "app/widgets/frame_picture.h"
#include "core/edits/image_edits.h"

namespace gorsefinch::app {

namespace {

constexpr QSize kRowPicture{44, 38};

}  // namespace

ImagesModel::ImagesModel(Session& session, QObject* parent) : QAbstractListModel(parent), session_(session) {
    connect(&session, &Session::changed, this, [this](const Change& change) {
        if (change.opened || change.assets || change.panel)
            reload();
        else if ((change.screens || change.screenList) && usesMayDiffer())
            countUses(false);
    });
}

int ImagesModel::rowCount(const QModelIndex& parent) const {
    return parent.isValid() ? 0 : static_cast<int>(rows_.size());
}

int ImagesModel::rowOf(const QString& name) const {
    for (size_t i = 0; i < rows_.size(); ++i)
        if (QString::fromStdString(rows_[i].image.name) == name)
            return static_cast<int>(i);
    return -1;
}

void ImagesModel::reload() {
    const auto& images = *session_.document().images;
    const bool sameRows =
        rows_.size() == images.size() &&
        std::equal(rows_.begin(), rows_.end(), images.begin(), [](const Row& row, const Image& image) {
            return row.image.name == image.name || row.image.original == image.original;
        });
    if (!sameRows)
        beginResetModel();
    std::vector<Row> rows(images.size());
    for (size_t i = 0; i < images.size(); ++i) {
        rows[i].image = images[i];
        rows[i].baked = session_.images().known(session_.document(), images[i]);
        // What is still being made shows as it was.
        if (sameRows && (!rows[i].baked || rows[i].baked == rows_[i].baked)) {
            rows[i].baked = rows_[i].baked;
            rows[i].thumbnail = rows_[i].thumbnail;
        }
    }
    rows_ = std::move(rows);
    if (!sameRows)
        endResetModel();
    countUses(true);
    makeNext();
}

// False if the screens that changed use the same images as before.
bool ImagesModel::usesMayDiffer() const {
    const auto& parts = session_.scene()->parts;
    if (parts.size() != counted_.size())
        return true;
    for (size_t i = 0; i < parts.size(); ++i) {
        if (parts[i] == counted_[i])
            continue;
        const auto same = [](const ImageUse& a, const ImageUse& b) {
            return a.name == b.name && a.allFrames == b.allFrames;
        };
        const auto &now = parts[i]->images, &before = counted_[i]->images;
        if (!std::equal(now.begin(), now.end(), before.begin(), before.end(), same) ||
            imageUses(std::span(&parts[i]->source, 1)) != imageUses(std::span(&counted_[i]->source, 1)))
            return true;
    }
    return false;
}

void ImagesModel::countUses(bool reloaded) {
    counted_ = session_.scene()->parts;
    const auto counts = imageUses(session_.document().screens);
    std::map<std::string_view, bool> allFrames;
    for (const ImageUse& use : session_.scene()->images)
        allFrames[use.name] = use.allFrames;
    bool any = reloaded;
    for (Row& row : rows_) {
        const auto count = counts.find(row.image.name);
        const int uses = count == counts.end() ? 0 : count->second;
        const auto shown = allFrames.find(row.image.name);
        const bool all = shown == allFrames.end() ? row.allFrames : shown->second;
        any = any || uses != row.uses || all != row.allFrames;
        row.uses = uses;
        row.allFrames = all;
    }
    if (!any)
        return;
    if (!rows_.empty())
        Q_EMIT dataChanged(index(0), index(rowCount() - 1));
    Q_EMIT totalsChanged();
}

void ImagesModel::makeNext() {
    const Document& document = session_.document();
    for (const Row& row : rows_) {
        if (!row.error.isEmpty() || session_.images().known(document, row.image))
            continue;
        job_.request([this, document, image = row.image](const std::atomic<bool>&) -> NewestJob::Finish {
            const auto baked = std::make_shared<Result<BakedImageRef>>(ImageBakery().bake(document, image));
            return [this, document, image, baked] {
                if (*baked)
                    session_.images().adopt(document, image, **baked);
                take(QString::fromStdString(image.name), *baked);
                makeNext();
            };
        });
        return;
    }
    for (Row& row : rows_)
        if (BakedImageRef known = session_.images().known(document, row.image); known && known != row.baked)
            take(QString::fromStdString(row.image.name), known);
}

void ImagesModel::take(const QString& name, const Result<BakedImageRef>& baked) {
    const int at = rowOf(name);
    if (at < 0)
        return;
    Row& row = rows_[static_cast<size_t>(at)];
    row.thumbnail = {};
    if (baked)
        row.baked = *baked;
    else
        row.error = QString::fromStdString(baked.error().text());
    Q_EMIT dataChanged(index(at), index(at));
    Q_EMIT totalsChanged();
}

const QPixmap& ImagesModel::thumbnail(const Row& row) const {
    if (!row.thumbnail.isNull())
        return row.thumbnail;
    QPixmap out(kRowPicture * 2);
    out.setDevicePixelRatio(2);
    out.fill(
        QColor::fromRgba(backgroundOf(session_.document(), *session_.document().screens.front()).argb | 0xff000000u));
    if (row.baked) {
        QPainter painter(&out);
        const QImage image = toImage(row.baked->picture(0));
        const QSizeF size =
            QSizeF(image.size()).scaled(QSizeF(kRowPicture).boundedTo(QSizeF(image.size()) * 2), Qt::KeepAspectRatio);
        painter.setRenderHint(QPainter::SmoothPixmapTransform, size.width() < image.width());
        painter.drawImage(
            QRectF(QPointF((kRowPicture.width() - size.width()) / 2, (kRowPicture.height() - size.height()) / 2), size),
            image);
    }
    row.thumbnail = out;
    return row.thumbnail;
}

QString ImagesModel::detail(const Row& row) const {
    if (!row.error.isEmpty())
        return tr("can't be used");
    if (!row.baked)
        return tr("…");
    const BakedImage& baked = *row.baked;
    QString out = baked.frames.size() > 1 ? QString::fromUtf8("%1× ").arg(baked.frames.size()) : QString();
    out += QString("%1x%2 ").arg(baked.width).arg(baked.height);
    if (baked.frames.front().record.format)
        out += info(baked.format).key;
    if (baked.maskBits != 0)
        out += QString(baked.frames.front().record.format ? " + a%1" : "a%1").arg(baked.maskBits);
    return out;
}

QVariant ImagesModel::data(const QModelIndex& index, int role) const {
    if (!index.isValid() || index.row() >= rowCount())
        return {};
    const Row& row = rows_[static_cast<size_t>(index.row())];
    switch (role) {
        case Qt::DisplayRole:
        case Qt::EditRole:
        case Name: return QString::fromStdString(row.image.name);
        case Detail: return detail(row);
        case Bytes:
            return row.baked ? static_cast<qint64>(row.baked->bytes(row.allFrames || row.uses == 0)) : qint64{-1};
        case Uses: return row.uses;
        case Error: return row.error;
        case Qt::DecorationRole: return thumbnail(row);
        case Qt::ToolTipRole:
            if (!row.error.isEmpty())
                return row.error;
            return tr("from %1").arg(QString::fromStdString(row.image.file)) + "\n" +
                   (row.uses == 0 ? tr("not used: left out of what is generated")
                                  : tr("used by %1").arg(counted(row.uses, tr("widget"), tr("widgets")))) +
                   "\n" + tr("F2 renames, Del deletes; drag it over Screens and onto the screen, or press Ctrl+Return");
        default: return {};
    }
}

bool ImagesModel::setData(const QModelIndex& index, const QVariant& value, int role) {
    if (role != Qt::EditRole || !index.isValid())
        return false;
    const std::string from = rows_[static_cast<size_t>(index.row())].image.name;
    return session_.edit(renameImage(session_.document(), from, value.toString().trimmed().toStdString()),
                         tr("Rename %1").arg(QString::fromStdString(from)));
}

Qt::ItemFlags ImagesModel::flags(const QModelIndex& index) const {
    return index.isValid() ? Qt::ItemIsEnabled | Qt::ItemIsSelectable | Qt::ItemIsEditable | Qt::ItemIsDragEnabled
                           : Qt::NoItemFlags;
}

QMimeData* ImagesModel::mimeData(const QModelIndexList& indexes) const {
    QStringList names;
    for (const QModelIndex& each : indexes)
        names << each.data(Name).toString();
    auto* out = new QMimeData;
    out->setData(kImagesMime, names.join('\n').toUtf8());
    return out;
}

ImagesModel::Totals ImagesModel::totals() const {
    Totals out;
    for (const Row& row : rows_) {
        if (row.uses == 0) {
            ++out.unused;
        } else if (row.baked) {
            (row.baked->outside ? out.outside : out.inCode) += static_cast<qint64>(row.baked->bytes(row.allFrames));
        }
    }
    return out;
}

}  // namespace gorsefinch::app
