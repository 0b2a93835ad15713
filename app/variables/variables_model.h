// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include <QAbstractTableModel>

#include "core/document/document.h"

namespace gorsefinch::app {

class Session;

// The table of variables: one row each, every cell edited in place.
class VariablesModel : public QAbstractTableModel {
    Q_OBJECT

  public:
    enum Column {
        Name,
        Type,
        Digits,
        Elements,
        Names,
        Min,
        Max,
        Start,
        Unit,
        WrittenBy,
        Interrupt,
        Kept,
        Now,
        Used,
        Note,
        Columns
    };

    explicit VariablesModel(Session& session, QObject* parent = nullptr);
    int rowCount(const QModelIndex& parent = {}) const override;
    int columnCount(const QModelIndex& parent = {}) const override { return parent.isValid() ? 0 : Columns; }
    QVariant data(const QModelIndex& index, int role) const override;
    QVariant headerData(int section, Qt::Orientation orientation, int role) const override;
    Qt::ItemFlags flags(const QModelIndex& index) const override;
    // The names of the rows' variables, to be put on a screen.
    QStringList mimeTypes() const override;
    QMimeData* mimeData(const QModelIndexList& indexes) const override;
    bool setData(const QModelIndex& index, const QVariant& value, int role) override;

    // Of a column in a new window, in pixels.
    static int widthOf(int column);
    const Variable& variable(int row) const;
    // Adds one with a free name and gives its row.
    int add();
    void remove(const QList<int>& rows);
    // How many widgets and lines of rules use it.
    int uses(const Variable& v) const;

  private:
    QString text(const Variable& v, int column) const;
    bool change(Variable& v, int column, const QString& text);
    void refuse(const QString& why);

    Session& session_;
    int rows_ = 0;
};

}  // namespace gorsefinch::app
