// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include <QDialog>

class QLabel;
class QLineEdit;
class QListWidget;
class QPushButton;
class QSpinBox;

namespace gorsefinch::app {

class Session;

// Renames the selected widgets by a pattern, and shows what each would be named.
class RenameDialog : public QDialog {
    Q_OBJECT

  public:
    explicit RenameDialog(Session& session, QWidget* parent = nullptr);

  private:
    void show();
    void rename();

    Session& session_;
    QLineEdit* pattern_;
    QSpinBox* first_;
    QListWidget* names_;
    QLabel* wrong_;
    QPushButton* rename_;
};

}  // namespace gorsefinch::app
