// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include <QDialog>

class QListWidget;

namespace gorsefinch {
class BakedFont;
}

namespace gorsefinch::app {

// Blocks of Unicode to choose from, with how many of their characters the font's faces have.
class BlockDialog : public QDialog {
    Q_OBJECT

  public:
    BlockDialog(const BakedFont& font, QWidget* parent);
    QStringList chosen() const;

  private:
    QListWidget* list_;
};

}  // namespace gorsefinch::app
