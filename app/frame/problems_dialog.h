// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include <QDialog>

#include "core/check/fixes.h"

class QLabel;
class QListWidget;
class QPushButton;

namespace gorsefinch::app {

class Session;

// Lists the problems of the project, goes to the chosen one, and applies its fix if there is one.
class ProblemsDialog : public QDialog {
    Q_OBJECT

  public:
    explicit ProblemsDialog(Session& session, QWidget* parent = nullptr);

  Q_SIGNALS:
    void chosen(const gorsefinch::Problem& problem);

  private:
    void refresh();
    // Of the problem of the current row.
    std::optional<Fix> currentFix() const;
    void showFix();
    void fix();

    Session& session_;
    Problems problems_;
    QListWidget* list_;
    QLabel *none_, *hint_;
    QPushButton* fix_;
};

}  // namespace gorsefinch::app
