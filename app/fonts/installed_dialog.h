// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include <QDialog>

#include "core/font/installed_faces.h"

class QLabel;
class QListWidget;

namespace gorsefinch::app {

// The faces that are installed on this desktop, with what the chosen one says of its licence.
class InstalledDialog : public QDialog {
    Q_OBJECT

  public:
    explicit InstalledDialog(QWidget* parent);
    QString file() const;
    QString variant() const;

  private:
    void showFacts();
    const InstalledFace* current() const;

    std::vector<InstalledFace> faces_;
    QListWidget* list_;
    QLabel* sample_;
    QLabel* facts_;
};

}  // namespace gorsefinch::app
