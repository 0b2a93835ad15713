// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include <QAbstractListModel>

#include "app/widgets/drag_formats.h"
#include "app/widgets/even_list.h"
#include "core/scene/screen_part.h"

namespace gorsefinch::app {

class Session;

// The widgets of the edited screen by depth, the topmost first, each container before what it holds.
class LayersModel : public QAbstractListModel {
    Q_OBJECT

  public:
    enum { VisibleRole = Qt::UserRole, OnCanvasRole, LockedRole, BytesRole, DepthRole, HoldsRole };

    explicit LayersModel(Session& session, QObject* parent = nullptr);
    int rowCount(const QModelIndex& parent = {}) const override;
    QVariant data(const QModelIndex& index, int role) const override;
    bool setData(const QModelIndex& index, const QVariant& value, int role) override;
    Qt::ItemFlags flags(const QModelIndex& index) const override;
    Qt::DropActions supportedDropActions() const override { return Qt::MoveAction; }
    QMimeData* mimeData(const QModelIndexList& indexes) const override;
    QStringList mimeTypes() const override { return {kLayerMime}; }
    bool dropMimeData(const QMimeData* data, Qt::DropAction action, int row, int column,
                      const QModelIndex& parent) override;

    std::string nameAt(int row) const;
    int rowOf(const std::string& name) const;
    void toggleOnCanvas(int row);
    void toggleLocked(int row);

  private:
    // Where a widget goes: into a container, or onto the screen for "", over so many of its widgets.
    struct Place {
        std::string container;
        int below;
    };

    static std::vector<int> orderOf(const std::vector<WidgetRef>& widgets);
    void reload();
    Place placeAt(int row, const QModelIndex& onto, const std::string& moved) const;
    size_t numberAt(int row) const { return static_cast<size_t>(order_[static_cast<size_t>(row)]); }

    Session& session_;
    std::vector<int> order_;
    std::vector<WidgetRef> shown_;
    std::shared_ptr<const ScreenPart> shownPart_;
};

class Layers : public EvenList {
    Q_OBJECT

  public:
    explicit Layers(Session& session, QWidget* parent = nullptr);

  protected:
    void selectionChanged(const QItemSelection& selected, const QItemSelection& deselected) override;
    void mousePressEvent(QMouseEvent* event) override;
    void paintEvent(QPaintEvent* event) override;

  private:
    void follow();

    Session& session_;
    LayersModel* model_;
    bool following_ = false;
};

}  // namespace gorsefinch::app
