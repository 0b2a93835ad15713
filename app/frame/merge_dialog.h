// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include <QDialog>
#include <map>

#include "core/project/merge.h"

class QComboBox;
class QTableWidget;

namespace gorsefinch::app {

// What changed here and on disk, thing by thing, and which side's is taken; only where both changed one thing is there
// something to choose.
class MergeDialog : public QDialog {
    Q_OBJECT

  public:
    MergeDialog(const Merge& merge, QWidget* parent);
    std::map<std::string, MergeSide> choices() const;

  private:
    void addItem(const MergeItem& item);

    QTableWidget* table_;
    std::map<std::string, QComboBox*> fields_;  // by the item's key
};

}  // namespace gorsefinch::app
