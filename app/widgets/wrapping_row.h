// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include <QLayout>

namespace gorsefinch::app {

// Widgets in a row, the last of them at the right end; what has no room goes into further rows. Hidden ones take none.
class WrappingRow : public QLayout {
    Q_OBJECT

  public:
    // `gap`: pixels between widgets and between rows.
    WrappingRow(QWidget* parent, int gap);
    ~WrappingRow() override;

    void addItem(QLayoutItem* item) override { items_.append(item); }
    int count() const override { return static_cast<int>(items_.size()); }
    QLayoutItem* itemAt(int index) const override { return items_.value(index); }
    QLayoutItem* takeAt(int index) override;
    bool hasHeightForWidth() const override { return true; }
    int heightForWidth(int width) const override { return place(QRect(0, 0, width, 0), false); }
    QSize sizeHint() const override;
    // The widest widget: all others can go into rows of their own.
    QSize minimumSize() const override;
    void setGeometry(const QRect& rect) override;

  private:
    // Returns the height that the rows take.
    int place(const QRect& rect, bool move) const;

    QList<QLayoutItem*> items_;
    int gap_;
};

}  // namespace gorsefinch::app
