// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include <QListView>

namespace gorsefinch::app {

// A list whose rows are all of one height, so that a changed row is painted, but no layout computed.
class EvenList : public QListView {
  public:
    using QListView::QListView;

  protected:
    void dataChanged(const QModelIndex& from, const QModelIndex& to, const QList<int>& roles) override {
        // QListView lays out all rows.
        QAbstractItemView::dataChanged(from, to, roles);  // NOLINT(bugprone-parent-virtual-call)
    }
};

}  // namespace gorsefinch::app
