// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include <QLabel>
#include <QPushButton>
#include <QWidget>

#include "core/base/problem.h"

class QListWidget;

namespace gorsefinch::app {

class Session;

// The line at the window's foot: pointer, selection, problems, the next undo.
class Foot : public QWidget {
    Q_OBJECT

  public:
    explicit Foot(Session& session, QWidget* parent = nullptr);
    void refresh();
    void setPointer(const QString& text) { pointer_->setText(text); }
    // What a press at the pointer would do; cut to the room that there is.
    void setPress(const QString& words);
    void showNotice(const QString& notice, bool well);

  Q_SIGNALS:
    void problemChosen(const gorsefinch::Problem& problem);

  protected:
    void paintEvent(QPaintEvent* event) override;

  private:
    void showProblems();

    Session& session_;
    QLabel *pointer_, *selection_, *notice_, *press_, *undo_;
    QPushButton* problems_;
};

}  // namespace gorsefinch::app
