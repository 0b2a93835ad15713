// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include <QAbstractListModel>
#include <QPixmap>

#include "app/widgets/drag_formats.h"
#include "app/widgets/newest_job.h"
#include "core/image/baked_image.h"
#include "core/scene/screen_part.h"

namespace gorsefinch::app {

class Session;

// The project's images with size, bytes and use. What was not made yet is made one after the other, off the window's
// thread.
class ImagesModel : public QAbstractListModel {
    Q_OBJECT

  public:
    enum Role { Name = Qt::UserRole, Detail, Bytes, Uses, Error };

    explicit ImagesModel(Session& session, QObject* parent = nullptr);
    int rowCount(const QModelIndex& parent = {}) const override;
    QVariant data(const QModelIndex& index, int role) const override;
    bool setData(const QModelIndex& index, const QVariant& value, int role) override;
    Qt::ItemFlags flags(const QModelIndex& index) const override;
    // Images are dragged by their names, each in a line.
    QStringList mimeTypes() const override { return {kImagesMime}; }
    QMimeData* mimeData(const QModelIndexList& indexes) const override;
    int rowOf(const QString& name) const;

    // Bytes of what is used, by place, and how many are not used.
    struct Totals {
        qint64 inCode = 0, outside = 0;
        int unused = 0;
    };
    Totals totals() const;

  Q_SIGNALS:
    void totalsChanged();

  private:
    struct Row {
        Image image;
        BakedImageRef baked;
        QString error;
        int uses = 0;
        bool allFrames = false;
        mutable QPixmap thumbnail;
    };
    void reload();
    // Tells the views if a count changed, or if the rows were reloaded.
    bool usesMayDiffer() const;
    void countUses(bool reloaded);
    void makeNext();
    void take(const QString& name, const Result<BakedImageRef>& baked);
    const QPixmap& thumbnail(const Row& row) const;
    QString detail(const Row& row) const;

    Session& session_;
    std::vector<Row> rows_;
    std::vector<std::shared_ptr<const ScreenPart>> counted_;
    NewestJob job_;
};

}  // namespace gorsefinch::app
