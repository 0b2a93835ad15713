// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include <QDialog>
#include <optional>

#include "core/document/document.h"

class QCheckBox;
class QLabel;
class QLineEdit;
class QPushButton;

namespace gorsefinch::app {

// Asks whether the interface has a clock, and what its days and months are called.
class ClockDialog : public QDialog {
    Q_OBJECT
  public:
    // `clock` null for a project without one.
    explicit ClockDialog(const Clock* clock, QWidget* parent = nullptr);

    // What was chosen; nothing for no clock.
    std::optional<Clock> clock() const;

  private:
    void check();

    Clock known_;
    QCheckBox* has_;
    QLineEdit *days_, *months_;
    QLabel* told_;
    QPushButton* done_;
};

}  // namespace gorsefinch::app
