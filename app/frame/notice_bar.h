// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include <QWidget>
#include <functional>

class QHBoxLayout;
class QLabel;
class QPushButton;

namespace gorsefinch::app {

// A line across the window with a notice and buttons for what the user can do about it.
class NoticeBar : public QWidget {
  public:
    NoticeBar(const QString& name, QWidget* parent);

    void setText(const QString& text);
    QPushButton* addButton(const QString& name, const QString& text, const QString& toolTip,
                           const std::function<void()>& run);

  private:
    QHBoxLayout* row_;
    QLabel* text_;
};

}  // namespace gorsefinch::app
