// SPDX-License-Identifier: GPL-3.0-or-later
#include "app/fonts/fonts_model.h"

#include <QPainter>
#include <set>

#include "app/session/session.h"
#include "app/theme/theme.h"
#include "app/widgets/counted.h"
#include "app/widgets/from_std.h"
#include "app/widgets/glyph_picture.h"
#include "core/edits/font_edits.h"
#include "core/font/face_facts.h"

namespace gorsefinch::app {

namespace {

// Three characters of it that say what it looks like: letters if it has some.
std::u32string sampleWord(const BakedFont& font) {
    std::u32string out;
    for (const char32_t likely : std::u32string(U"AagHex0123%"))
        if (out.size() < 3 && font.held().count(likely) != 0)
            out += likely;
    for (const char32_t any : font.held())
        if (out.size() < 3 && any > 32 && out.find(any) == std::u32string::npos)
            out += any;
    return out;
}

}  // namespace

FontsModel::FontsModel(Session& session, QObject* parent) : QAbstractListModel(parent), session_(session) {
    connect(&session, &Session::changed, this, &FontsModel::reload);
    if (session_.isOpen())
        reload();
}

FontsModel::Row FontsModel::faceRow(const Face& face) const {
    Row row;
    row.key = {face.name, 0};
    if (!face.original) {
        row.error = tr("the file fonts/%1 is missing").arg(fromStd(face.file));
    } else {
        auto known = facts_.find({face.original.get(), face.variant});
        if (known == facts_.end()) {
            const auto facts = faceFacts(face.original, face.file, face.variant);
            known =
                facts_
                    .emplace(std::pair(face.original.get(), face.variant), facts ? fromStd(facts->title()) : QString())
                    .first;
        }
        row.detail = known->second;
        if (row.detail.isEmpty())
            row.error = tr("this is not a font that can be used");
    }
    for (const FontRef& each : session_.scene()->fonts)
        if (each->key().face == face.name) {
            row.used = true;
            row.bytes = std::max<qint64>(row.bytes, 0) + static_cast<qint64>(each->bytes());
        }
    return row;
}

FontsModel::Row FontsModel::sizeRow(const Face& face, int size) const {
    Row row;
    row.key = {face.name, size};
    const FontRef font = session_.font(row.key);
    row.used = font != nullptr;
    const FontSettings& settings = face.settings(size);
    const int bits = settings.bits != 0 ? settings.bits : info(session_.document().panel->format).fontBits;
    row.detail = bits == 1 ? tr("1 bit") : tr("%1 bits").arg(bits);
    if (font) {
        row.bytes = static_cast<qint64>(font->bytes());
        row.detail += " · " + counted(static_cast<qsizetype>(font->held().size()), tr("glyph"), tr("glyphs"));
        if (const auto missing = font->missing(); !missing.empty())
            row.error = tr("%1 missing").arg(missing.size());
    } else {
        row.detail += tr(" · unused");
    }
    return row;
}

std::vector<FontsModel::Row> FontsModel::makeRows() const {
    std::vector<Row> out;
    for (const Face& face : *session_.document().faces) {
        out.push_back(faceRow(face));
        std::set<int> sizes;
        for (const FontRef& each : session_.scene()->fonts)
            if (each->key().face == face.name)
                sizes.insert(each->key().size);
        for (const FontSize& each : face.sizes)
            sizes.insert(each.size);
        for (const int size : sizes)
            out.push_back(sizeRow(face, size));
    }
    return out;
}

void FontsModel::reload() {
    if (!session_.isOpen())
        return;
    std::vector<Row> rows = makeRows();
    const bool same =
        rows.size() == rows_.size() &&
        std::equal(rows.begin(), rows.end(), rows_.begin(), [](const Row& a, const Row& b) { return a.key == b.key; });
    std::erase_if(unused_, [&](const auto& each) {
        return std::none_of(rows.begin(), rows.end(), [&](const Row& r) { return r.key == each.first && !r.used; });
    });
    if (same) {
        rows_ = std::move(rows);
        if (!rows_.empty())
            Q_EMIT dataChanged(index(0), index(rowCount() - 1));
    } else {
        beginResetModel();
        rows_ = std::move(rows);
        endResetModel();
    }
    Q_EMIT totalsChanged();
}

int FontsModel::rowCount(const QModelIndex& parent) const {
    return parent.isValid() ? 0 : static_cast<int>(rows_.size());
}

FontKey FontsModel::keyAt(int row) const {
    return row >= 0 && row < rowCount() ? rows_[static_cast<size_t>(row)].key : FontKey{};
}

int FontsModel::rowOf(const FontKey& key) const {
    const auto at = std::find_if(rows_.begin(), rows_.end(), [&](const Row& row) { return row.key == key; });
    return at == rows_.end() ? -1 : static_cast<int>(at - rows_.begin());
}

int FontsModel::usedSizes() const {
    return static_cast<int>(
        std::count_if(rows_.begin(), rows_.end(), [](const Row& row) { return row.used && row.key.size != 0; }));
}

qint64 FontsModel::usedBytes() const {
    qint64 out = 0;
    for (const Row& row : rows_)
        if (row.used && row.key.size != 0)
            out += row.bytes;
    return out;
}

FontRef FontsModel::unusedFont(const FontKey& key) const {
    const Face* face = session_.document().face(key.face);
    if (!face)
        return nullptr;
    Unused& known = unused_[key];
    if (!known.font || !(known.face == *face)) {
        known.face = *face;
        known.font.reset();
        if (auto source = fontSource(session_.document(), key, info(session_.document().panel->format).fontBits)) {
            auto font = std::make_shared<BakedFont>(key, std::move(*source));
            font->need({U'A', U'a', U'0', U'1', U'2'}, 1);
            font->bake();
            known.font = std::move(font);
        }
    }
    return known.font;
}

const QPixmap& FontsModel::sample(const Row& row) const {
    constexpr QSize room(56, 34);
    const QColor ink = Theme::colour(row.used ? app::Role::Text : app::Role::QuietText);
    if (!row.sample.isNull() && row.ink == ink)
        return row.sample;
    row.ink = ink;
    row.sample = QPixmap(room);
    row.sample.fill(Qt::transparent);
    FontRef font = session_.font(row.key);
    if (!font)
        font = unusedFont(row.key);
    if (!font)
        return row.sample;
    const QImage word = wordPicture(*font, sampleWord(*font), ink);
    QPainter painter(&row.sample);
    if (word.height() <= room.height() && word.width() <= room.width()) {
        painter.drawImage(0, (room.height() - word.height()) / 2, word);
    } else {
        const QSize size = word.size().scaled(room, Qt::KeepAspectRatio);
        painter.setRenderHint(QPainter::SmoothPixmapTransform);
        painter.drawImage(QRect(QPoint(0, (room.height() - size.height()) / 2), size), word);
    }
    return row.sample;
}

QVariant FontsModel::data(const QModelIndex& index, int role) const {
    if (!index.isValid() || index.row() >= rowCount())
        return {};
    const Row& row = rows_[static_cast<size_t>(index.row())];
    switch (role) {
        case Qt::DisplayRole: return row.key.size == 0 ? fromStd(row.key.face) : QString("%1 px").arg(row.key.size);
        case Qt::EditRole:
        case FaceName: return fromStd(row.key.face);
        case Size: return row.key.size;
        case Detail: return row.detail;
        case Bytes: return row.bytes;
        case Used: return row.used;
        case Error: return row.error;
        case Qt::DecorationRole: return row.key.size == 0 ? QVariant() : QVariant(sample(row));
        case Qt::ToolTipRole: {
            if (!row.error.isEmpty() && row.key.size == 0)
                return row.error;
            if (row.key.size == 0)
                return tr("the face %1: settings for all its sizes; F2 renames, Del deletes")
                    .arg(fromStd(row.key.face));
            const auto users = usersOfFont(session_.document(), row.key);
            QStringList lines;
            for (const std::string& each : users)
                if (lines.size() < 12)
                    lines << fromStd(each);
            return users.empty() ? tr("nothing uses this size: left out of what is generated; Del takes it away")
                                 : tr("used by\n") + lines.join('\n');
        }
        default: return {};
    }
}

bool FontsModel::setData(const QModelIndex& index, const QVariant& value, int role) {
    if (role != Qt::EditRole || !index.isValid())
        return false;
    const std::string from = keyAt(index.row()).face;
    return session_.edit(renameFace(session_.document(), from, value.toString().trimmed().toStdString()),
                         tr("Rename %1").arg(fromStd(from)));
}

Qt::ItemFlags FontsModel::flags(const QModelIndex& index) const {
    const Qt::ItemFlags defaults = Qt::ItemIsEnabled | Qt::ItemIsSelectable;
    return !index.isValid() ? Qt::NoItemFlags : keyAt(index.row()).size == 0 ? defaults | Qt::ItemIsEditable : defaults;
}

}  // namespace gorsefinch::app
