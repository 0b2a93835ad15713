// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include <QAbstractListModel>
#include <QHash>
#include <QPixmap>
#include <QTimer>
#include <map>

#include "app/widgets/drag_formats.h"
#include "app/widgets/even_list.h"
#include "core/scene/built_scene.h"

namespace gorsefinch::app {

class Session;

// The screens in order, with live thumbnails.
class ReelModel : public QAbstractListModel {
    Q_OBJECT

  public:
    enum { CostRole = Qt::UserRole, ThumbnailRole, WidgetsRole };

    explicit ReelModel(Session& session, QObject* parent = nullptr);
    int rowCount(const QModelIndex& parent = {}) const override;
    QVariant data(const QModelIndex& index, int role) const override;
    bool setData(const QModelIndex& index, const QVariant& value, int role) override;
    Qt::ItemFlags flags(const QModelIndex& index) const override;
    Qt::DropActions supportedDropActions() const override { return Qt::MoveAction; }
    QMimeData* mimeData(const QModelIndexList& indexes) const override;
    QStringList mimeTypes() const override { return {kScreenMime}; }
    bool dropMimeData(const QMimeData* data, Qt::DropAction action, int row, int column,
                      const QModelIndex& parent) override;

  private:
    void follow(bool opened);
    QPixmap thumbnail(int screen) const;

    Session& session_;
    int rows_ = 0;
    std::vector<std::shared_ptr<const ScreenPart>> shown_;
    std::map<int, QPixmap> outdated_;  // by row, what shows until the timer ends
    QTimer thumbnailTimer_;
    mutable QHash<const void*, QPixmap> thumbnails_;  // by the screen's built part
    mutable QHash<const void*, std::weak_ptr<const ScreenPart>> parts_;
};

class Reel : public EvenList {
    Q_OBJECT

  public:
    explicit Reel(Session& session, QWidget* parent = nullptr);
    void addScreen();
    void duplicate();
    void remove();
    void move(int by);
    void renameCurrent();

  protected:
    void currentChanged(const QModelIndex& current, const QModelIndex& previous) override;
    void contextMenuEvent(QContextMenuEvent* event) override;

  private:
    void follow();

    Session& session_;
    ReelModel* model_;
    bool following_ = false;
};

}  // namespace gorsefinch::app
