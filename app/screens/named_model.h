// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include <QAbstractTableModel>
#include <map>

#include "core/edits/named_edits.h"

namespace gorsefinch::app {

class Session;

// The project's colours, then its sizes: their names in the first column, their values behind it, one for each set.
class NamedModel : public QAbstractTableModel {
    Q_OBJECT

  public:
    // Of a cell with a colour: the Colour. Of a name: how often it is used.
    enum { ColourRole = Qt::UserRole, UsesRole };

    explicit NamedModel(Session& session, QObject* parent = nullptr);
    int rowCount(const QModelIndex& parent = {}) const override;
    int columnCount(const QModelIndex& parent = {}) const override;
    QVariant data(const QModelIndex& index, int role) const override;
    QVariant headerData(int section, Qt::Orientation orientation, int role) const override;
    bool setData(const QModelIndex& index, const QVariant& value, int role) override;
    Qt::ItemFlags flags(const QModelIndex& index) const override;

    bool isColour(int row) const { return row < static_cast<int>(named_->colours.size()); }
    QString nameAt(int row) const;
    int rowOf(const QString& name) const;
    // Sets a colour; `live` joins the steps of one choice.
    void setColour(const QModelIndex& index, Colour colour, bool live);

  Q_SIGNALS:
    void renamed(const QString& name);

  private:
    void reload();
    int usesOf(const std::string& name) const;

    Session& session_;
    Shared<NamedValues> named_ = std::make_shared<NamedValues>();
    mutable std::map<std::string, int, std::less<>> uses_;  // counted when they are asked for
    mutable bool areUsesStale_ = true;
};

}  // namespace gorsefinch::app

Q_DECLARE_METATYPE(gorsefinch::Colour)
