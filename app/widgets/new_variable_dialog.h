// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include <QDialog>
#include <optional>

#include "core/document/document.h"

class QLabel;
class QLineEdit;
class QPushButton;

namespace gorsefinch::app {

// Makes a variable where one is asked for: name, type, range and unit in one line.
class NewVariableDialog : public QDialog {
    Q_OBJECT

  public:
    // `document` is where the name must be free.
    explicit NewVariableDialog(Document document, QWidget* parent = nullptr);

  Q_SIGNALS:
    void made(const gorsefinch::Variable& variable);

  private:
    void read();
    void accept() override;

    const Document document_;
    QLineEdit* line_;
    QLabel* told_;
    QPushButton* make_;
    std::optional<Variable> variable_;
};

}  // namespace gorsefinch::app
