// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include <QAbstractListModel>
#include <QPixmap>
#include <map>
#include <memory>

#include "core/font/baked_font.h"

namespace gorsefinch::app {

class Session;

// The project's faces, each followed by its sizes: those that the interface uses, and those made by hand.
class FontsModel : public QAbstractListModel {
    Q_OBJECT

  public:
    enum Role { FaceName = Qt::UserRole, Size, Detail, Bytes, Used, Error };

    explicit FontsModel(Session& session, QObject* parent = nullptr);
    int rowCount(const QModelIndex& parent = {}) const override;
    QVariant data(const QModelIndex& index, int role) const override;
    // Renames a face.
    bool setData(const QModelIndex& index, const QVariant& value, int role) override;
    Qt::ItemFlags flags(const QModelIndex& index) const override;

    FontKey keyAt(int row) const;
    int rowOf(const FontKey& key) const;
    // Sizes in use, and the bytes that they take.
    int usedSizes() const;
    qint64 usedBytes() const;

  Q_SIGNALS:
    void totalsChanged();

  private:
    struct Row {
        FontKey key;  // size 0: the face
        QString detail;
        qint64 bytes = -1;
        bool used = false;
        QString error;
        mutable QPixmap sample;
        mutable QColor ink;  // that the sample was drawn in
    };
    std::vector<Row> makeRows() const;
    Row faceRow(const Face& face) const;
    Row sizeRow(const Face& face, int size) const;
    // The font of a size that nothing uses, baked once for each of its settings.
    FontRef unusedFont(const FontKey& key) const;
    const QPixmap& sample(const Row& row) const;
    void reload();

    struct Unused {
        Face face;
        FontRef font;
    };
    Session& session_;
    std::vector<Row> rows_;
    mutable std::map<FontKey, Unused> unused_;
    mutable std::map<std::pair<const FileContents*, std::string>, QString> facts_;  // by original and variant
};

}  // namespace gorsefinch::app
